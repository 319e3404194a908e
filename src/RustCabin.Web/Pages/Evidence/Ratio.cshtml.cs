using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Speed;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>How many times as fast a piece of work becomes. Source: docs/handbook/speed.md, Prediction.</summary>
public sealed class RatioModel : AskedPage<WorkAsked>
{
    [BindProperty(SupportsGet = true, Name = "parts")]
    public string Parts { get; set; } = "processor, 80, 3.5\nmemory, 15, 2\nstorage, 5, 1";

    [BindProperty(SupportsGet = true, Name = "before")]
    public string? Before { get; set; }

    [BindProperty(SupportsGet = true, Name = "after")]
    public string? After { get; set; }

    protected override string Name => "Times as fast";

    protected override JsonObject Typed() =>
        new()
        {
            ["parts"] = new JsonArray([
                .. Rows(Parts, ',', ';', '\t')
                    .Select(r => new JsonObject
                    {
                        ["name"] = r[0],
                        ["seconds"] = At(r, 1),
                        ["factor"] = At(r, 2) ?? 1,
                    }),
            ]),
            ["measured"] =
                string.IsNullOrWhiteSpace(Before) && string.IsNullOrWhiteSpace(After)
                    ? null
                    : new JsonObject { ["before"] = Runs(Before), ["after"] = Runs(After) },
        };

    static JsonArray Runs(string? text) => new([.. Rows(text, ' ', ',', ';').SelectMany(r => r).Select(p => Number(p))]);
}
