using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Chips;
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

    /// <summary>What is used up: solder, flux, braid, alcohol.</summary>
    Consumable,
}

/// <summary>One thing in the store cupboard.</summary>
public sealed record StockItem : ICompleted<StockItem>
{
    /// <summary>A thing that is known by its marking: a chip of the table where nothing doubts it, else anything else.</summary>
    public static StockItem Marked(string marking)
    {
        MarkingReading? chip = Marking.Sure(marking);
        return new StockItem
        {
            Kind = chip is null ? StockKind.Other : StockKind.Chip,
            Item = chip?.Type.Organisation ?? "",
            Name = marking,
        };
    }

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

    /// <summary>How many are wanted beside those of the jobs.</summary>
    [Range(0, Most), Display(Description = "How many are wanted beside what jobs ask for.")]
    public int Wanted { get; init; }

    /// <summary>How many are ordered and have not come.</summary>
    [Range(0, Most), Display(Description = "How many are ordered and have not come.")]
    public int Ordered { get; init; }

    /// <summary>The day on which the parcel is due; null: nobody has said.</summary>
    [Display(Description = "The day on which the parcel is due, 2026-11-26; left out: nobody has said.")]
    public string? Due { get; init; }

    /// <summary>How many are lent; they do not lie there.</summary>
    [Range(0, Most), Display(Description = "How many are lent; they do not count as lying there.")]
    public int Lent { get; init; }

    /// <summary>Who has what is lent.</summary>
    [LongText, Display(Description = "Who has what is lent.")]
    public string LentTo { get; init; } = "";

    /// <summary>Where it came from, when, and for how much.</summary>
    [LongText, Display(Description = "Where it came from, when, and for how much.")]
    public string Acquired { get; init; } = "";

    /// <summary>What it is known to do wrong: a display that stripes at 50 Hz.</summary>
    [LongText, Display(Description = "What it is known to do wrong, such as a display that stripes at 50 Hz.")]
    public string Quirk { get; init; } = "";

    /// <summary>The day on which the parcel is due; null: nothing is ordered, or nobody has said.</summary>
    public DateOnly? DueOn => Ordered > 0 && Moments.Day(Due) is { } day ? day : null;

    /// <summary>The parcel has come: what was ordered lies there.</summary>
    public StockItem Arrived() =>
        this with
        {
            Count = Math.Min(Most, Count + Ordered),
            Wanted = Math.Max(0, Wanted - Ordered),
            Ordered = 0,
            Due = null,
        };

    /// <summary>So many are ordered, due on a day; none takes the order back.</summary>
    public StockItem OrderedAs(int count, string? due) => this with { Ordered = count, Due = count > 0 ? due : null };

    /// <summary>One is lent to a person by name.</summary>
    public StockItem LentOut(string to) => this with { Count = Count - 1, Lent = Lent + 1, LentTo = to };

    /// <summary>What was lent is back.</summary>
    public StockItem Returned() => this with { Count = Math.Min(Most, Count + Lent), Lent = 0, LentTo = "" };

    /// <inheritdoc/>
    public StockItem Completed(RecordReading read)
    {
        if (Due is not null && Moments.Day(Due) is null)
            read.Wrong("due", $"\"{Due}\" is not a day, such as 2026-11-26");
        return this;
    }

    /// <summary>Reads an item as it is stored or posted; the errors say which field and why.</summary>
    public static Reading<StockItem> Read(JsonElement json) => Declaration<StockItem>.Read(json);

    /// <summary>As it is stored.</summary>
    public JsonObject ToJson() => Declaration<StockItem>.Write(this);

    /// <summary>The cupboard as CSV (RFC 4180), a head line first.</summary>
    public static string Csv(IEnumerable<StockItem> items, string currency) =>
        Cupboard.Csv.Of([
            [
                "kind",
                "item",
                "name",
                "count",
                $"price {currency}",
                "place",
                "tested",
                "note",
                "wanted",
                "ordered",
                "due",
                "lent",
                "lent to",
                "quirk",
                "acquired",
            ],
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
                        i.Wanted.ToString(CultureInfo.InvariantCulture),
                        i.Ordered.ToString(CultureInfo.InvariantCulture),
                        i.Due ?? "",
                        i.Lent.ToString(CultureInfo.InvariantCulture),
                        i.LentTo,
                        i.Quirk,
                        i.Acquired,
                    ]
            ),
        ]);
}
