using System.ComponentModel.DataAnnotations;
using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Build;

/// <summary>What a person asks for one of a thing.</summary>
public sealed record SupplierOffer
{
    /// <summary>Who.</summary>
    [Required, Display(Description = "Who sells it.")]
    public string Supplier { get; init; } = "";

    /// <summary>What.</summary>
    [Required, Display(Description = "What is sold.")]
    public string Item { get; init; } = "";

    /// <summary>What one costs.</summary>
    [Required, Range(0, 1_000_000), Display(Description = "What one costs.")]
    public decimal Price { get; init; }

    /// <summary>The fewest that are sold there.</summary>
    [Range(1, 100_000), Display(Description = "The fewest that are sold there.")]
    public int Least { get; init; } = 1;
}

/// <summary>What <c>build/suppliers</c> takes.</summary>
public sealed record SuppliersAsked : ICompleted<SuppliersAsked>
{
    /// <summary>So many offers at most.</summary>
    public const int Most = 200;

    /// <summary>How many of each are wanted.</summary>
    [Required, Range(0, 100_000), Display(Description = "How many of each thing are wanted.")]
    public OrderedDictionary<string, int> Wants { get; init; } = [];

    /// <summary>What is offered.</summary>
    [Required, Display(Description = "What is offered.")]
    public IReadOnlyList<SupplierOffer> Offers { get; init; } = [];

    /// <summary>What the post of each takes.</summary>
    [Range(0, 1_000_000), Display(Description = "What the post of each supplier takes; not named: nothing.")]
    public OrderedDictionary<string, decimal> Postage { get; init; } = [];

    /// <inheritdoc/>
    public SuppliersAsked Completed(RecordReading read)
    {
        if (Offers.Count > Most)
            read.Wrong("offers", $"are {Offers.Count}; {Most} are the most");
        if (Wants.Count > Most)
            read.Wrong("wants", $"are {Wants.Count}; {Most} are the most");
        return this;
    }
}

/// <summary>Orders that bring all that is wanted for the least money, postage with it.</summary>
/// <param name="Orders">How many of what from whom.</param>
/// <param name="Total">What all of it costs.</param>
public sealed record SupplierSplit(IReadOnlyDictionary<string, IReadOnlyDictionary<string, int>> Orders, decimal Total)
{
    /// <summary>
    /// The cheapest split; of equals the one from the fewest suppliers, then with the fewest pieces, then by the earlier offers.
    /// Null: something is offered by nobody.
    /// </summary>
    /// <param name="asked">What is wanted and offered.</param>
    /// <param name="within">How long it may take; null: as long as it takes.</param>
    /// <exception cref="OutOfTimeException">The time was over first.</exception>
    public static SupplierSplit? Of(SuppliersAsked asked, TimeSpan? within = null)
    {
        (string Item, int Count)[] wants = [.. asked.Wants.Where(w => w.Value > 0).Select(w => (w.Key, w.Value))];
        SupplierOffer[] offers = [.. asked.Offers.Where(o => wants.Any(w => w.Item == o.Item))];
        if (wants.Any(w => offers.All(o => o.Item != w.Item)))
            return null;
        string[] suppliers = [.. offers.Select(o => o.Supplier).Distinct()];
        decimal unit = Unit([.. offers.Select(o => o.Price), .. asked.Postage.Values]);

        // Of what is wanted one offer is always as cheap as any mixture: the cheapest of a mixture serves for all of it, or is
        // sold in no smaller number than is bought of it anyway. So each thing comes from one offer.
        int[] counts = [.. offers.Select(o => Math.Max(o.Least, wants.First(w => w.Item == o.Item).Count))];
        var model = new CpModel();
        BoolVar[] posts = [.. suppliers.Select(_ => model.NewBoolVar(""))],
            taken = [.. offers.Select(_ => model.NewBoolVar(""))];
        foreach ((int i, SupplierOffer offer) in offers.Index())
            model.AddImplication(taken[i], posts[Array.IndexOf(suppliers, offer.Supplier)]);
        foreach ((string item, int _) in wants)
            model.AddExactlyOne(offers.Index().Where(o => o.Item.Item == item).Select(o => (ILiteral)taken[o.Index]));
        LinearExpr sum(Func<int, long> of) => LinearExpr.Sum(taken.Index().Select(t => LinearExpr.Term(t.Item, of(t.Index))));
        LinearExpr money = LinearExpr.Sum([
            sum(i => counts[i] * (long)(offers[i].Price / unit)),
            .. suppliers.Index().Select(s => LinearExpr.Term(posts[s.Index], (long)(PostOf(asked, s.Item) / unit))),
        ]);
        var clock = System.Diagnostics.Stopwatch.StartNew();
        CpSolver solver = Solve(model, money, within);
        foreach (LinearExpr next in (LinearExpr[])[LinearExpr.Sum(posts), sum(i => counts[i]), sum(i => counts[i] * (i + 1L))])
            solver = Solve(model, next, within - clock.Elapsed);
        var orders = new OrderedDictionary<string, IReadOnlyDictionary<string, int>>();
        decimal total = 0;
        foreach (string supplier in suppliers)
        {
            var order = new OrderedDictionary<string, int>();
            foreach ((int i, SupplierOffer offer) in offers.Index().Where(o => o.Item.Supplier == supplier))
                if (solver.BooleanValue(taken[i]))
                {
                    order[offer.Item] = counts[i];
                    total += counts[i] * offer.Price;
                }
            if (order.Count == 0)
                continue;
            orders[supplier] = order;
            total += PostOf(asked, supplier);
        }
        return new SupplierSplit(orders, total);
    }

    static decimal PostOf(SuppliersAsked asked, string supplier) => asked.Postage.GetValueOrDefault(supplier);

    /// <summary>The smallest piece of money in which all amounts are whole, no finer than a hundred-thousandth.</summary>
    static decimal Unit(IEnumerable<decimal> amounts)
    {
        decimal unit = 1;
        decimal[] all = [.. amounts];
        while (unit > 0.00001m && all.Any(a => a % unit != 0))
            unit /= 10;
        return unit;
    }

    /// <summary>Solves for the least of something, and holds it there for what is asked next.</summary>
    static CpSolver Solve(CpModel model, LinearExpr least, TimeSpan? left)
    {
        model.Minimize(least);
        CpSolver solver = Solving.Optimal(model, left);
        model.Add(least <= (long)Math.Round(solver.ObjectiveValue));
        return solver;
    }
}
