using System.Globalization;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>
/// The outline of a board in the editor: a place on it is pressed to put a chip, a socket or a point there, which is then named
/// and told more of.
/// </summary>
public static class BoardDraft
{
    /// <summary>What can be put, with the words of its choice.</summary>
    public static IReadOnlyList<(string Word, string Shown)> Kinds { get; } =
    [("chip", "chip"), ("socket", "socket"), ("point", "test point")];

    /// <summary>Puts a thing at a place of a board.</summary>
    /// <param name="sheet">The sheet, which is changed.</param>
    /// <param name="thing">One of <see cref="Kinds"/>.</param>
    /// <param name="board">The board, by its id.</param>
    /// <param name="x">Millimetres from the left edge.</param>
    /// <param name="y">Millimetres from the top edge.</param>
    /// <returns>What was put, in words.</returns>
    /// <exception cref="ArgumentException">There is no such thing or board, or the place does not lie on it.</exception>
    public static string Put(JsonObject sheet, string thing, string board, string x, string y)
    {
        // On the sheet of a part its own boards are drawn with the part's name before theirs.
        board = board[(board.LastIndexOf(':') + 1)..];
        JsonNode known =
            (sheet["boards"] as JsonArray ?? []).FirstOrDefault(b => $"{b?["id"]}" == board)
            ?? throw new ArgumentException($"\"{board}\" is not a board of this sheet");
        if (!On(known, nameof(Board.WidthMm), x, out int left) || !On(known, nameof(Board.HeightMm), y, out int top))
            throw new ArgumentException($"{x}, {y} does not lie on the board");
        var at = new JsonObject
        {
            ["board"] = board,
            [Json(nameof(Spot.XMm))] = left,
            [Json(nameof(Spot.YMm))] = top,
        };
        (string list, JsonObject put) = thing switch
        {
            "chip" => ("chips", new JsonObject { ["id"] = Free(sheet, "chips", "U"), ["package"] = "DIP-14" }),
            "socket" => ("sites", new JsonObject { ["id"] = Free(sheet, "sites", "socket-"), ["kind"] = "socket" }),
            "point" => Free(sheet, "points", "TP") is var id
                ? (
                    "points",
                    new JsonObject
                    {
                        ["id"] = id,
                        ["kind"] = "test-point",
                        ["net"] = id.ToLowerInvariant(),
                    }
                )
                : default,
            _ => throw new ArgumentException($"\"{thing}\" is nothing that can be put"),
        };
        put["at"] = at;
        JsonPath.Put(sheet, $"{list}[+]", put);
        return $"{Kinds.First(k => k.Word == thing).Shown} {put["id"]} put on the board";
    }

    static bool On(JsonNode board, string measure, string text, out int place) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out place)
        && (board[Json(measure)] is not JsonValue most || !most.TryGetValue(out decimal within) || place <= within);

    static string Free(JsonObject sheet, string list, string stem) =>
        Enumerable
            .Range(1, int.MaxValue)
            .Select(n => $"{stem}{n}")
            .First(id => (sheet[list] as JsonArray ?? []).All(t => $"{t?["id"]}" != id));

    static string Json(string property) => System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName(property);
}
