using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Fit;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>Where a board can lie in a case. Source: docs/handbook/fit.md, Places in the case.</summary>
public sealed class PlaceModel : AskedPage<PlaceAsked>
{
    [BindProperty(SupportsGet = true, Name = "area")]
    public string Area { get; set; } = "240 x 150";

    [BindProperty(SupportsGet = true, Name = "board")]
    public string Board { get; set; } = "70 x 45";

    [BindProperty(SupportsGet = true, Name = "taken")]
    public string Taken { get; set; } = "0 0 110 60\n150 20 40 40\n20 100 60 50";

    [BindProperty(SupportsGet = true, Name = "from")]
    public string? From { get; set; } = "115 40";

    [BindProperty(SupportsGet = true, Name = "reach")]
    public string? Reach { get; set; } = "90";

    [BindProperty(SupportsGet = true, Name = "margin")]
    public string? Margin { get; set; } = "2";

    protected override string Name => "Places in the case";

    protected override JsonObject Typed()
    {
        JsonObject board = Size(Board);
        board["turn"] = true;
        board["margin"] = Number(Margin) ?? 0;
        return new()
        {
            ["area"] = Size(Area),
            ["taken"] = new JsonArray([
                .. Split(Taken)
                    .Select(r => new JsonObject
                    {
                        ["x"] = At(r, 0),
                        ["y"] = At(r, 1),
                        ["w"] = At(r, 2),
                        ["h"] = At(r, 3),
                    }),
            ]),
            ["board"] = board,
            ["from"] = Split(From).FirstOrDefault() is { } from
                ? new JsonObject { ["x"] = At(from, 0), ["y"] = At(from, 1) }
                : null,
            ["reach"] = Number(Reach),
        };
    }

    static IEnumerable<string[]> Split(string? text) => Rows(text, ' ', 'x', ',', ';', '\t');

    static JsonObject Size(string text) =>
        Split(text).FirstOrDefault([]) is var row ? new JsonObject { ["w"] = At(row, 0), ["h"] = At(row, 1) } : [];
}
