using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Wants;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>
/// Other ways to come by what is wanted, on one field of money against hours. Source: docs/handbook/wants.md, Other ways.
/// </summary>
public sealed class WaysModel : AskedPage<AlternativesAsked>
{
    [BindProperty(SupportsGet = true, Name = "ways")]
    public string Ways { get; set; } =
        "mend the supply, 18, 5, 80%, 3, 10\nfit another board, 64, 1.5, 90%, 2, 5\n"
        + "have it mended, 75, 0.5, 95%, 1, 0\nanother unit, 130, 1, 90%, 4, 0";

    [BindProperty(SupportsGet = true, Name = "hour")]
    public string Hour { get; set; } = "9";

    protected override string Name => "Other ways";

    protected override JsonObject Typed() =>
        new()
        {
            ["ways"] = new JsonArray([
                .. Rows(Ways, ',', ';', '\t')
                    .Select(r => new JsonObject
                    {
                        ["id"] = r[0],
                        ["money"] = At(r, 1),
                        ["hours"] = At(r, 2),
                        ["chance"] = At(r, 3) ?? 1,
                        ["mendHours"] = At(r, 4),
                        ["mendMoney"] = At(r, 5),
                    }),
            ]),
            ["hourWorth"] = Number(Hour),
        };
}
