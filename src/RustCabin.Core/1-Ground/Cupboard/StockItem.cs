using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Cupboard;

/// <summary>What lies in the cupboard: a part of a sheet, a chip of the table of types, a module, a cable, a card, or
/// anything else.</summary>
public enum StockKind
{
    /// <summary>A part of a sheet.</summary>
    Part,

    /// <summary>A chip of the table of types.</summary>
    Chip,

    /// <summary>A memory module.</summary>
    Module,

    /// <summary>A cable or an adapter, by its ends.</summary>
    Cable,

    /// <summary>A card for storage, by its label.</summary>
    Card,

    /// <summary>A display, by what it locks onto.</summary>
    Display,

    /// <summary>Anything else.</summary>
    Other,

    /// <summary>A tool: an iron, a meter, a puller.</summary>
    Tool,
}

/// <summary>One thing in the store cupboard.</summary>
public sealed record StockItem
{
    /// <summary>No count is higher.</summary>
    public const int Most = 100_000;

    /// <summary>What kind of thing.</summary>
    [Required, Display(Description = "What kind of thing.")]
    public StockKind Kind { get; init; }

    /// <summary>
    /// The id of a part's sheet, the organisation of a chip (<c>256Kx1</c>), the ends of a cable (<c>DB-25 f, DE-9 m</c>),
    /// the label of a card (<c>32 GB</c>); empty where none names it.
    /// </summary>
    [Display(Description = "The id of a part's sheet, or the organisation of a chip; left out: neither names it.")]
    public string Item { get; init; } = "";

    /// <summary>What people call it.</summary>
    [Required, Display(Description = "What people call it.")]
    public string Name { get; init; } = "";

    /// <summary>How many lie there.</summary>
    [Range(0, Most), Display(Description = "How many lie there.")]
    public int Count { get; init; }

    /// <summary>What one more costs, in the cabin's currency; null: it cannot be bought.</summary>
    [Range(0, 10_000_000), Display(Description = "What one more costs, in the cabin's currency; left out: it cannot be bought.")]
    public decimal? Price { get; init; }

    /// <summary>Where it lies.</summary>
    [LongText, Display(Description = "Where it lies.")]
    public string Place { get; init; } = "";

    /// <summary>It is known to work.</summary>
    [Display(Description = "It is known to work.")]
    public bool Tested { get; init; }

    /// <summary>What else there is to say.</summary>
    [LongText, Display(Description = "What else there is to say.")]
    public string Note { get; init; } = "";

    /// <summary>Reads an item as it is stored or posted; the errors say which field and why.</summary>
    public static Reading<StockItem> Read(JsonElement json) => Declaration<StockItem>.Read(json);

    /// <summary>As it is stored.</summary>
    public JsonObject ToJson() => Declaration<StockItem>.Write(this);

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
