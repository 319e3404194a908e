using System.Text;
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
    static readonly decimal[] Speeds =
    [
        110,
        150,
        300,
        600,
        1200,
        2400,
        4800,
        7200,
        9600,
        14400,
        19200,
        31250,
        38400,
        57600,
        115200,
    ];

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

    protected override JsonObject Typed() =>
        new()
        {
            ["sent"] = Sent,
            ["from"] = new JsonObject
            {
                ["speed"] = Number(Speed),
                ["bits"] = Number(Bits),
                ["parity"] = Parity,
            },
            ["got"] = Hex(Got ?? ""),
            ["tried"] = new JsonObject
            {
                ["speeds"] = new JsonArray([.. Speeds.Select(s => (JsonNode)s)]),
                ["bits"] = new JsonArray(7, 8),
                ["parities"] = new JsonArray("none", "even", "odd"),
                ["inverted"] = new JsonArray(false, true),
            },
        };

    static string Hex(string got)
    {
        string plain = got.Replace(" ", "");
        return plain.Length % 2 == 0 && plain.All(char.IsAsciiHexDigit)
            ? plain
            : Convert.ToHexString(Encoding.Latin1.GetBytes(got));
    }
}
