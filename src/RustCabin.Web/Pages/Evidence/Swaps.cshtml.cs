using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Faults;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>
/// Things moved to where all else is known to be good, and what that says. Source: docs/handbook/faults.md, Swaps.
/// </summary>
public sealed class SwapsModel : AskedPage<SwapsAsked>
{
    [BindProperty(SupportsGet = true, Name = "causes")]
    public string Causes { get; set; } =
        "cold joint on the board; 2; board\nweak supply; 2; supply\n"
        + "board and unit do not suit; 1; board, unit\nworn socket; 1; unit";

    [BindProperty(SupportsGet = true, Name = "done")]
    public string? Done { get; set; } = "board; no";

    [BindProperty(SupportsGet = true, Name = "options")]
    public string? Options { get; set; } = "supply; 4\nboard, supply; 25\nunit; 15";

    protected override string Name => "Swaps";

    protected override JsonObject Typed() =>
        new()
        {
            ["causes"] = new JsonArray([
                .. Rows(Causes, ';')
                    .Select(r => new JsonObject
                    {
                        ["id"] = r[0],
                        ["prior"] = At(r, 1) ?? 1,
                        ["belongs"] = Things(r.ElementAtOrDefault(2)),
                    }),
            ]),
            ["done"] = new JsonArray([
                .. Rows(Done, ';')
                    .Select(r => new JsonObject { ["moved"] = Things(r[0]), ["shows"] = Said(r.ElementAtOrDefault(1)) }),
            ]),
            ["options"] = new JsonArray([
                .. Rows(Options, ';').Select(r => new JsonObject { ["moved"] = Things(r[0]), ["minutes"] = At(r, 1) ?? 10 }),
            ]),
        };

    static JsonArray Things(string? text) =>
        [.. (text ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)];

    /// <summary>Yes or no; another word goes on as it is, and is refused.</summary>
    internal static JsonNode? Said(string? word) =>
        word?.ToLowerInvariant() switch
        {
            "yes" or "shows" or "works" => true,
            "no" or "clean" or "fails" => false,
            _ => JsonValue.Create(word),
        };
}
