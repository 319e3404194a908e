using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Baseline;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>Counted starts before and after a mend. Source: docs/handbook/baseline.md, Rates.</summary>
public sealed class StartsModel : AskedPage<StartsAsked>
{
    [BindProperty(SupportsGet = true, Name = "works")]
    public string Works { get; set; } = "7";

    [BindProperty(SupportsGet = true, Name = "tries")]
    public string Tries { get; set; } = "10";

    [BindProperty(SupportsGet = true, Name = "works2")]
    public string? WorksAfter { get; set; }

    [BindProperty(SupportsGet = true, Name = "tries2")]
    public string? TriesAfter { get; set; }

    [BindProperty(SupportsGet = true, Name = "sure")]
    public string Sure { get; set; } = "95%";

    protected override string Name => "Counted starts";

    protected override JsonObject Typed() =>
        new()
        {
            ["before"] = new JsonObject { ["works"] = Number(Works), ["tries"] = Number(Tries) },
            ["after"] = string.IsNullOrWhiteSpace(TriesAfter)
                ? null
                : new JsonObject { ["works"] = Number(WorksAfter) ?? 0, ["tries"] = Number(TriesAfter) },
            ["sure"] = Number(Sure),
        };
}
