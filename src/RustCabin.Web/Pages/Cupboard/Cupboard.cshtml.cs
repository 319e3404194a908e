using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core;
using RustCabin.Core.Build;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Cupboard;

/// <summary>What was typed for a thing in the cupboard, kept as text so that a refusal loses nothing.</summary>
public sealed record StockForm
{
    public string Kind { get; init; } = "chip";
    public string? Item { get; init; }
    public string? Name { get; init; }
    public string? Count { get; init; } = "1";
    public string? Price { get; init; }
    public string? Place { get; init; }
    public bool Tested { get; init; }
    public string? Note { get; init; }
    public string? Quirk { get; init; }
    public string? Acquired { get; init; }

    public static StockForm Of(StockItem item) =>
        new()
        {
            Kind = Words<StockKind>.Of(item.Kind),
            Item = item.Item,
            Name = item.Name,
            Count = item.Count.ToString(CultureInfo.InvariantCulture),
            Price = item.Price?.ToString(CultureInfo.InvariantCulture),
            Place = item.Place,
            Tested = item.Tested,
            Note = item.Note,
            Quirk = item.Quirk,
            Acquired = item.Acquired,
        };

    /// <summary>As it is stored; numbers that do not read stay text, so that the reader says so under their field.</summary>
    public JsonObject ToJson(Func<string, string?> nameOf)
    {
        string item = (Item ?? "").Trim();
        var json = new JsonObject
        {
            ["kind"] = Kind,
            ["name"] = Name?.Trim() is { Length: > 0 } name ? name : nameOf(item) ?? item,
            ["count"] = Number(Count ?? ""),
            ["tested"] = Tested,
            ["place"] = Place?.Trim() ?? "",
            ["note"] = Note?.Trim() ?? "",
            ["quirk"] = Quirk?.Trim() ?? "",
            ["acquired"] = Acquired?.Trim() ?? "",
        };
        if (item.Length > 0)
            json["item"] = item;
        if (!string.IsNullOrWhiteSpace(Price))
            json["price"] = Number(Price);
        return json;
    }

    static JsonNode Number(string text) =>
        decimal.TryParse(
            text.Trim().Replace(',', '.'),
            NumberStyles.Number & ~NumberStyles.AllowThousands,
            CultureInfo.InvariantCulture,
            out decimal number
        )
            ? JsonValue.Create(number)
            : JsonValue.Create(text);
}

/// <summary>The store cupboard: parts and chips in hand, how many, where, tested or not, and what one more costs.</summary>
public sealed class CupboardModel(StockRepository stock, SheetRepository sheets, JobRepository jobs, TimeProvider clock)
    : PageModel
{
    public IReadOnlyList<StoredStock> Items { get; private set; } = [];
    public (long Change, string What)? Undoes { get; private set; }
    public string Currency { get; private set; } = "";

    /// <summary>What the jobs still want.</summary>
    public IReadOnlyList<Wanted> Wanted { get; private set; } = [];

    /// <summary>The parts of the cabin, to choose from.</summary>
    public IReadOnlyList<Part> Parts => sheets.All().Parts;

    [BindProperty]
    public StockForm Form { get; set; } = new();

    /// <summary>The thing that is being changed; null: the form is for a new one.</summary>
    [BindProperty(SupportsGet = true, Name = "edit")]
    public long? Edit { get; set; }

    /// <summary>What is ordered, what is due first first; what nobody named a day for comes last.</summary>
    public IReadOnlyList<StockItem> Parcels =>
        [.. Items.Select(i => i.Item).Where(i => i.Ordered > 0).OrderBy(i => i.DueOn ?? DateOnly.MaxValue)];

    /// <summary>It should have come by now.</summary>
    public bool IsLate(StockItem item) => item.DueOn < DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime);

    /// <summary>The thing that is being changed, as it lies there.</summary>
    public StockItem Edited => Items.FirstOrDefault(i => i.Id == Edit)?.Item ?? new StockItem();

    public IReadOnlyList<SheetError> Errors { get; private set; } = [];
    public string? Notice { get; private set; }

    public IActionResult OnGet()
    {
        Load();
        if (Edit is { } id)
        {
            if (Items.FirstOrDefault(i => i.Id == id) is not { } item)
                return NotFound();
            Form = StockForm.Of(item.Item);
        }
        return Page();
    }

    public IActionResult OnPostSave(long version)
    {
        JsonObject typed = Form.ToJson(id => sheets.All().FindPart(id)?.Name);
        using JsonDocument json = JsonDocument.Parse(typed.ToJsonString());
        (StockItem? item, Errors) = StockItem.Read(json.RootElement);
        if (item is not null && WrongItem(item) is { } wrong)
            Errors = [.. Errors, new SheetError("item", wrong)];
        if (Errors.Count > 0 || item is null)
            return Refuse(StatusCodes.Status422UnprocessableEntity, null);
        if (Edit is not { } id)
        {
            stock.Add(item);
            return LocalRedirect("/cupboard");
        }
        // What is ordered and lent is not in this form: it stays as it is.
        StockItem there = stock.Find(id)?.Item ?? item;
        return After(
            stock.Put(
                id,
                version,
                $"{item.Name} changed",
                item with
                {
                    Wanted = there.Wanted,
                    Ordered = there.Ordered,
                    Due = there.Due,
                    Lent = there.Lent,
                    LentTo = there.LentTo,
                }
            )
        );
    }

    /// <summary>What is wrong with what names a thing of its kind; null: nothing.</summary>
    string? WrongItem(StockItem item) =>
        item.Kind switch
        {
            StockKind.Part when sheets.All().FindPart(item.Item) is null => $"\"{item.Item}\" is not a part of the cabin",
            StockKind.Chip when item.Item.Length == 0 => "a chip needs its organisation, such as 64Kx1",
            StockKind.Cable when !Core.Wiring.CablePiece.TryParse(item.Name, item.Item, out _) =>
                "a cable needs its ends, such as DB-25 f, DE-9 m, crossing",
            StockKind.Card when Core.Cards.CardLabel.Parse(item.Item, out string card) is null =>
                $"a card needs its label, such as 32 GB: {card}",
            StockKind.Display when Core.PictureSound.DisplayText.Parse(item.Name, item.Item) is null =>
                "a display needs what it locks onto, such as 15-70 kHz, 48-75 Hz, 1280x1024",
            _ => null,
        };

    /// <summary>One more, one fewer: the most frequent press at the bench.</summary>
    public IActionResult OnPostCount(long id, long version, int by)
    {
        if (stock.Find(id) is not { } found)
            return NotFound();
        StockItem item = found.Item with { Count = Math.Clamp(found.Item.Count + Math.Sign(by), 0, StockItem.Most) };
        return After(stock.Put(id, version, $"{item.Name}: {found.Item.Count} to {item.Count}", item));
    }

    /// <summary>Notes an order: how many, and the day on which the parcel is due.</summary>
    public IActionResult OnPostOrder(long id, long version, string? ordered, string? due)
    {
        if (stock.Find(id) is not { } found)
            return NotFound();
        if (!int.TryParse(ordered, NumberStyles.None, CultureInfo.InvariantCulture, out int count) || count > StockItem.Most)
            return Refuse(StatusCodes.Status422UnprocessableEntity, $"Nothing was noted: \"{ordered}\" is no count of pieces.");
        string? day = string.IsNullOrWhiteSpace(due) ? null : due.Trim();
        if (day is not null && Moments.Day(day) is null)
            return Refuse(
                StatusCodes.Status422UnprocessableEntity,
                $"Nothing was noted: \"{due}\" is no day such as 2026-11-26."
            );
        string what = count > 0 ? $"{count} x {found.Item.Name} ordered" : $"{found.Item.Name}: the order is off";
        return After(stock.Put(id, version, what, found.Item.OrderedAs(count, day)));
    }

    /// <summary>The parcel is here.</summary>
    public IActionResult OnPostHere(long id, long version) =>
        stock.Find(id) is { } found
            ? After(stock.Put(id, version, $"{found.Item.Ordered} x {found.Item.Name} came", found.Item.Arrived()))
            : NotFound();

    /// <summary>Lends one of a thing to a person.</summary>
    public IActionResult OnPostLend(long id, long version, string? to)
    {
        if (stock.Find(id) is not { } found)
            return NotFound();
        string name = (to ?? "").Trim();
        string? wrong = found.Item switch
        {
            { Count: 0 } => "none of it lies there",
            _ when name.Length is 0 or > 100 => "say in up to 100 letters who has it",
            { Lent: > 0 } lent when lent.LentTo != name => $"{lent.LentTo} has one already",
            _ => null,
        };
        return wrong is null
            ? After(stock.Put(id, version, $"{found.Item.Name} lent to {name}", found.Item.LentOut(name)))
            : Refuse(StatusCodes.Status422UnprocessableEntity, $"Nothing was lent: {wrong}.");
    }

    /// <summary>What was lent is back.</summary>
    public IActionResult OnPostBack(long id, long version) =>
        stock.Find(id) is { } found
            ? After(stock.Put(id, version, $"{found.Item.Name} came back", found.Item.Returned()))
            : NotFound();

    /// <summary>Takes a part with a board of its own out of the cupboard, to be worked on by itself.</summary>
    public IActionResult OnPostBench(long id, long version) =>
        stock.Find(id) is not { } found || sheets.All().FindPart(found.Item.Item) is not { IsBoard: true } part ? NotFound()
        : stock.OntoBench(sheets, id, version, part) is { } unit ? LocalRedirect($"/#unit-{unit}")
        : After(WriteResult.Stale);

    /// <summary>True for a part that can be worked on by itself.</summary>
    public bool IsBoard(StockItem item) =>
        item is { Kind: StockKind.Part, Count: > 0 } && sheets.All().FindPart(item.Item)?.IsBoard == true;

    public IActionResult OnPostOut(long id, long version) =>
        stock.Find(id) is { } found
            ? After(stock.Put(id, version, $"{found.Item.Name} taken out of the list", null))
            : NotFound();

    public IActionResult OnPostUndo(long change) => After(stock.Undo(change));

    public IActionResult OnGetCsv()
    {
        string csv = StockItem.Csv(stock.All().Select(s => s.Item), sheets.All().Currency);
        return File(
            Encoding.UTF8.GetPreamble().Concat(Encoding.UTF8.GetBytes(csv)).ToArray(),
            "text/csv; charset=utf-8",
            "store-cupboard.csv"
        );
    }

    public IActionResult OnGetShopping()
    {
        Load();
        return File(
            Encoding.UTF8.GetPreamble().Concat(Encoding.UTF8.GetBytes(ShoppingList.AsCsv(Wanted, Currency))).ToArray(),
            "text/csv; charset=utf-8",
            "shopping-list.csv"
        );
    }

    IActionResult After(WriteResult result) =>
        result switch
        {
            WriteResult.Missing => NotFound(),
            WriteResult.Stale => Refuse(StatusCodes.Status409Conflict, IRefusing.ChangedElsewhere("This")),
            _ => LocalRedirect("/cupboard"),
        };

    PageResult Refuse(int status, string? notice)
    {
        Load();
        Notice = notice;
        Response.StatusCode = status;
        return Page();
    }

    void Load()
    {
        ViewData["Title"] = "Store cupboard";
        Items = stock.All();
        Undoes = stock.Undoes();
        Pack all = sheets.All();
        Currency = all.Currency;
        Wanted = ShoppingList.Of(Trail.Stations, all, jobs.All(), [.. Items.Select(i => i.Item)]);
    }

    /// <summary>A job by its name; one that is gone by its id.</summary>
    public string NameOf(string job) => jobs.Names().FirstOrDefault(n => n.Id == job)?.Name ?? job;

    public string? ErrorOf(string field) => Errors.FirstOrDefault(e => e.Path == field)?.Message;

    public long VersionOfEdit => Items.FirstOrDefault(i => i.Id == Edit)?.Version ?? 0;
}
