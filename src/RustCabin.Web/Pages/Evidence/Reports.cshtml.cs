using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Baseline;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>What others found, counted by thing and firmware. Source: docs/handbook/baseline.md, Reports of others.</summary>
public sealed class ReportsModel : AskedPage<ReportsAsked>
{
    [BindProperty(SupportsGet = true, Name = "reports")]
    public string Reports { get; set; } =
        "Teal 32 GB; works; 2.1\nTeal 32 GB; fails; 2.1\nTeal 32 GB; works; 2.1\nTeal 32 GB; fails; 1.9\n"
        + "Scaup 16 GB; works; 2.1\nScaup 16 GB; works";

    protected override string Name => "Reports of others";

    protected override JsonObject Typed() =>
        new()
        {
            ["reports"] = new JsonArray([
                .. Rows(Reports, ';', '\t')
                    .Select(r => new JsonObject
                    {
                        ["thing"] = r[0],
                        ["works"] = SwapsModel.Said(r.ElementAtOrDefault(1)),
                        ["firmware"] = r.ElementAtOrDefault(2),
                    }),
            ]),
        };
}
