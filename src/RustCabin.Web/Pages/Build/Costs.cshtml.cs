using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Build;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Build;

/// <summary>What a job was to cost and what it did, a batch of boards, and orders split among suppliers.</summary>
public sealed class CostsModel(
    SheetRepository sheets,
    JobRepository jobs,
    PhotoRepository photos,
    TimeProvider clock,
    HeavyWork heavy
) : BuildModel(sheets, jobs, photos, clock)
{
    /// <summary>What was spent on this job.</summary>
    public IReadOnlyList<Spent> Amounts => View.Job.Build?.Spent ?? [];

    /// <summary>What was spent, by what it went into, in the order of the words.</summary>
    public IReadOnlyList<(SpentKind Kind, decimal Amount)> ByKind =>
        [
            .. Amounts
                .GroupBy(a => (a.Kind, Back: a.Amount < 0))
                .OrderBy(g => g.Key)
                .Select(g => (g.Key.Kind, g.Sum(a => a.Amount))),
        ];

    /// <summary>What all jobs of the unit spent.</summary>
    public decimal OnUnit => ByYear.Sum(y => y.Amount);

    public decimal SpentInAll => Amounts.Sum(s => s.Amount);

    /// <summary>What all jobs of the unit spent, year by year.</summary>
    public IEnumerable<(string Year, decimal Amount)> ByYear =>
        Jobs.All()
            .Where(j => j.Unit == View.Job.Unit)
            .SelectMany(j => j.Build?.Spent ?? [])
            .GroupBy(s => s.At.Length >= 4 ? s.At[..4] : s.At)
            .OrderBy(g => g.Key, StringComparer.Ordinal)
            .Select(g => (g.Key, g.Sum(s => s.Amount)));

    string Asked(string name, string usual = "") => Request.Query[name].ToString() is { Length: > 0 } typed ? typed : usual;

    /// <summary>A number of the address; null: none, or no number.</summary>
    decimal? Number(string name) => TypedNumber.TryParse(Asked(name), out decimal value) ? value : null;

    /// <summary>The batch of boards that the address asks for; null: it is not whole.</summary>
    public BoardBatch? Batch =>
        Number("boards") is { } boards and <= 1_000_000
        && Number("boardPrice") is { } price
        && Number("keeps") is { } kept and >= 1 and <= 1_000_000
            ? new BoardBatch
            {
                Boards = (int)boards,
                BoardPrice = price,
                Parts = Number("parts") ?? 0,
                Postage = Number("postage") ?? 0,
                Sold = Number("sold") ?? 0,
                Kept = (int)kept,
            }
            : null;

    /// <summary>A field of the batch as it was typed.</summary>
    public string Filled(string name, string usual = "") => Asked(name, usual);

    /// <summary>What is wanted of suppliers, a line each: <c>2 27C400</c>.</summary>
    public string Wants => Asked("wants");

    /// <summary>What they offer, a line each: <c>reach; 27C400; 4.10; 1</c>; postage: <c>reach; 3.50</c>.</summary>
    public string Offers => Asked("offers");

    /// <summary>The cheapest split; null: something is offered by nobody, or nothing was asked.</summary>
    public SupplierSplit? Split { get; private set; }

    /// <summary>What is wrong with what was typed of suppliers; empty: nothing.</summary>
    public string WrongOffer { get; private set; } = "";

    public bool AskedSplit => Wants.Length > 0 && Offers.Length > 0;

    protected override void Loaded()
    {
        base.Loaded();
        if (!AskedSplit)
            return;
        var wants = new OrderedDictionary<string, int>();
        foreach (string line in Lines(Wants))
            if (line.Split(' ', 2) is [var count, var item] && int.TryParse(count, out int many) && many is > 0 and <= 100_000)
                wants[item.Trim()] = many;
            else
                WrongOffer = $"\"{line}\" is not a count and a thing, such as 2 27C400";
        var offers = new List<SupplierOffer>();
        var postage = new OrderedDictionary<string, decimal>();
        foreach (string line in Lines(Offers))
        {
            string[] fields = [.. line.Split(';').Select(f => f.Trim())];
            if (fields is [var who, var post] && TypedNumber.TryParse(post, out decimal amount))
                postage[who] = amount;
            else if (
                fields.Length is 3 or 4
                && TypedNumber.TryParse(fields[2], out decimal price)
                && price <= 1_000_000
                && int.TryParse(fields.ElementAtOrDefault(3) ?? "1", out int least)
                && least is >= 1 and <= 100_000
            )
                offers.Add(
                    new SupplierOffer
                    {
                        Supplier = fields[0],
                        Item = fields[1],
                        Price = price,
                        Least = least,
                    }
                );
            else
                WrongOffer = $"\"{line}\" is not supplier; thing; price; least, nor supplier; postage";
        }
        if (WrongOffer.Length == 0 && offers.Count > SuppliersAsked.Most)
            WrongOffer = $"{offers.Count} offers are more than {SuppliersAsked.Most}";
        if (WrongOffer.Length > 0)
            return;
        var asked = new SuppliersAsked
        {
            Wants = wants,
            Offers = offers,
            Postage = postage,
        };
        _asked = asked;
    }

    SuppliersAsked? _asked;

    /// <summary>
    /// The offers as they were read: by supplier, what a thing costs there; nothing before something was asked.
    /// </summary>
    public IReadOnlyList<(string Supplier, decimal? Postage, ILookup<string, SupplierOffer> Offers)> Offered =>
        _asked is { } asked
            ?
            [
                .. asked
                    .Offers.GroupBy(o => o.Supplier)
                    .Select(g =>
                        (
                            g.Key,
                            asked.Postage.TryGetValue(g.Key, out decimal post) ? post : (decimal?)null,
                            g.ToLookup(o => o.Item)
                        )
                    ),
            ]
            : [];

    /// <summary>What is wanted, in the order in which it was typed.</summary>
    public IEnumerable<string> Wanted => _asked is { } asked ? asked.Wants.Keys : [];

    protected override async Task Prepared()
    {
        if (_asked is not { } asked)
            return;
        try
        {
            // A place in the answer for what nobody offers, so that a refused place among the heavy work is not taken for it.
            SupplierSplit?[]? answer = await heavy.Do(
                () => (SupplierSplit?[])[SupplierSplit.Of(asked, HeavyWork.AtMost)],
                HttpContext.RequestAborted
            );
            Split = answer?[0];
            WrongOffer = answer is null ? HeavyWork.Busy.TrimEnd('.') : "";
        }
        catch (Core.Units.OverBudgetException)
        {
            WrongOffer = "Not decided in time: fewer offers make it easier";
        }
    }

    static IEnumerable<string> Lines(string text) =>
        text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Take(400);

    /// <summary>Says what the unit was worth before anything was touched; nothing typed: nobody says.</summary>
    public IActionResult OnPostWorth(string job, long version, string? worth) =>
        PressUnit(job, version, _ => Spending.Worth(worth));

    /// <summary>Notes the batch that the address asks for, line by line.</summary>
    public IActionResult OnPostBatch(string job, long version) => Press(job, version, at => Spending.Batch(at, Batch));

    public IActionResult OnPostSpend(string job, long version, string? what, string? kind, string? amount, string? at) =>
        Press(job, version, here => Spending.Spend(here, what, kind, amount, at));

    public IActionResult OnPostUnspend(string job, long version, int amount) =>
        Press(job, version, at => Spending.Unspend(at, amount));

    /// <summary>What was spent, as CSV.</summary>
    public IActionResult OnGetCsv(string job) =>
        Load(job)
            ? File(
                System.Text.Encoding.UTF8.GetBytes(
                    Csv.Of([
                        ["day", "what", "kind", $"amount {View.After.Currency}"],
                        .. Amounts.Select(s =>
                            (string[])
                                [
                                    s.At,
                                    s.What,
                                    Words<SpentKind>.Of(s.Kind),
                                    s.Amount.ToString(System.Globalization.CultureInfo.InvariantCulture),
                                ]
                        ),
                    ])
                ),
                "text/csv",
                $"{job}-costs.csv"
            )
            : NotFound();
}
