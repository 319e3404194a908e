using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Wiring;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>Legs counted on an outline, from either side. Source: docs/handbook/wiring.md, Outlines.</summary>
public sealed class LegsModel : AskedPage<PinsAsked>
{
    [BindProperty(SupportsGet = true, Name = "package")]
    public string Package { get; set; } = "DIP-28";

    [BindProperty(SupportsGet = true, Name = "view")]
    public string From { get; set; } = "above";

    [BindProperty(SupportsGet = true, Name = "pins")]
    public string Pins { get; set; } = "22 27";

    protected override string Name => "Legs of a chip";

    protected override JsonObject Typed() =>
        new()
        {
            ["package"] = Package,
            ["view"] = From,
            ["pins"] = new JsonArray([.. Rows(Pins, ' ', ',', ';', '\t').SelectMany(r => r).Select(p => Number(p))]),
        };
}
