using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Wiring;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>
/// A serial line: what was sent, the rubbish that came, and the settings that explain it. Source: docs/handbook/wiring.md, Serial
/// lines.
/// </summary>
public sealed class LineModel : AskedPage<GarbledAsked>
{
    [BindProperty(SupportsGet = true, Name = "sent")]
    public string Sent { get; set; } = "READY";

    [BindProperty(SupportsGet = true, Name = "speed")]
    public string Speed { get; set; } = "9600";

    [BindProperty(SupportsGet = true, Name = "bits")]
    public string Bits { get; set; } = "8";

    [BindProperty(SupportsGet = true, Name = "parity")]
    public string Parity { get; set; } = "none";

    /// <summary>What came: the rubbish itself, or bytes in hexadecimal.</summary>
    [BindProperty(SupportsGet = true, Name = "got")]
    public string? Got { get; set; } = "91 10 02 A2 FF";

    protected override string Name => "Serial line";

    protected override JsonObject Typed() => new LineQuestion(Sent, Speed, Bits, Parity, Got).Typed;
}
