using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Cupboard;

/// <summary>What lies in the cupboard: a part of a sheet, a chip of the table of types, a module, or anything else.</summary>
public enum StockKind
{
    Part,
    Chip,
    Module,
    Other,
}

/// <summary>
/// One thing in the store cupboard. <paramref name="Item"/> is the id of a part's sheet, or the organisation of a chip (<c>256Kx1</c>); empty where neither
/// names it. <paramref name="Price"/> is what one more costs, in the cabin's currency; null: it cannot be bought.
/// </summary>
public sealed record StockItem(
    StockKind Kind,
    string Item,
    string Name,
    int Count,
    decimal? Price,
    string Place,
    bool Tested,
    string Note
)
{
    public const int Most = 100_000;

    /// <summary>Reads an item as it is stored or posted; the errors say which field and why.</summary>
    public static (StockItem? Item, IReadOnlyList<SheetError> Errors) Read(JsonElement json)
    {
        var errors = new List<SheetError>();
        StockItem? item = Fields.Read(
            json,
            "",
            errors,
            f => new StockItem(
                f.Require("kind", f.Word<StockKind>("kind")),
                f.NameOrNull("item") ?? "",
                f.Name("name"),
                f.Whole("count", 0, Most) ?? 0,
                f.Number("price", 0, 10_000_000),
                f.Text("place"),
                f.Flag("tested") ?? false,
                f.Text("note")
            )
        );
        return (errors.Count == 0 ? item : null, errors);
    }

    public JsonObject ToJson()
    {
        var json = new JsonObject
        {
            ["kind"] = Words<StockKind>.Of(Kind),
            ["name"] = Name,
            ["count"] = Count,
            ["tested"] = Tested,
        };
        if (Item.Length > 0)
            json["item"] = Item;
        if (Price is { } price)
            json["price"] = price;
        if (Place.Length > 0)
            json["place"] = Place;
        if (Note.Length > 0)
            json["note"] = Note;
        return json;
    }

    /// <summary>The cupboard as CSV (RFC 4180), a head line first.</summary>
    public static string Csv(IEnumerable<StockItem> items, string currency) =>
        Cupboard.Csv.Of([
            ["kind", "item", "name", "count", $"price {currency}", "place", "tested", "note"],
            .. items.Select(i =>
                (string[])
                    [
                        Words<StockKind>.Of(i.Kind),
                        i.Item,
                        i.Name,
                        i.Count.ToString(CultureInfo.InvariantCulture),
                        i.Price?.ToString(CultureInfo.InvariantCulture) ?? "",
                        i.Place,
                        i.Tested ? "yes" : "no",
                        i.Note,
                    ]
            ),
        ]);
}
