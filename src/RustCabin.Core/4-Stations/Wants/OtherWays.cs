using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Wants;

/// <summary>One way to come by what is wanted: repair, replace, emulate, have it done.</summary>
public sealed record OtherWay
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "Its name.")]
    public string Id { get; init; } = "";

    /// <summary>What it costs; below 0: something is sold.</summary>
    [Required, Range(-1_000_000_000, 1_000_000_000), Display(Description = "What it costs; below 0: something is sold.")]
    public decimal Money { get; init; }

    /// <summary>How long it takes.</summary>
    [Required, Range(0, 1_000_000), UnitOf("hours"), Display(Description = "How long it takes.")]
    public decimal Hours { get; init; }

    /// <summary>The chance that it works at once.</summary>
    [Required, Range(0, 1), Display(Description = "The chance that it works at once.")]
    public decimal Chance { get; init; }

    /// <summary>How long it takes to mend when it goes wrong.</summary>
    [Range(0, 1_000_000), UnitOf("hours"), Display(Description = "How long it takes to mend when it goes wrong; left out: 0.")]
    public decimal MendHours { get; init; }

    /// <summary>What that costs.</summary>
    [Range(-1_000_000_000, 1_000_000_000), Display(Description = "What it costs to mend when it goes wrong; left out: 0.")]
    public decimal MendMoney { get; init; }
}

/// <summary>What <c>alternatives</c> takes.</summary>
public sealed record AlternativesAsked : ICompleted<AlternativesAsked>
{
    const int Most = 1_000;

    /// <summary>The ways.</summary>
    [Required, Display(Description = "The ways that there are.")]
    public IReadOnlyList<OtherWay> Ways { get; init; } = [];

    /// <summary>What an hour is worth.</summary>
    [Required, Range(0, 1_000_000), Display(Description = "What an hour is worth.")]
    public decimal HourWorth { get; init; }

    /// <inheritdoc/>
    public AlternativesAsked Completed(RecordReading read)
    {
        if (Ways.Count > Most)
            read.Wrong("ways", $"are {Ways.Count:#,0}; {Most:#,0} are allowed");
        if (Ways.Count == 0)
            read.Wrong("ways", "must not be empty");
        var ids = new HashSet<string>();
        foreach ((int i, OtherWay way) in Ways.Index())
            if (!ids.Add(way.Id))
                read.Wrong($"ways[{i}].id", $"\"{way.Id}\" is used twice");
        return this;
    }
}

/// <summary>A way with what it is expected to take.</summary>
/// <param name="Id">Its name.</param>
/// <param name="Cost">Money and hours together, an hour at its worth.</param>
/// <param name="Money">The money that is expected.</param>
/// <param name="Hours">The hours that are expected.</param>
/// <param name="OnFront">No other takes as little of both, and less of one.</param>
public sealed record WeighedWay(string Id, decimal Cost, decimal Money, decimal Hours, bool OnFront);

/// <summary>What an hour must be worth for two ways to cost the same: below it <paramref name="A"/> is cheaper.</summary>
public sealed record BreakEven(string A, string B, decimal HourWorth);

/// <summary>Ways held against each other. Source: docs/handbook/wants.md, Other ways.</summary>
/// <param name="Ways">In the order asked.</param>
/// <param name="Best">The one that costs least.</param>
/// <param name="BreakEvens">Between neighbours on the lower hull of money against hours, by rising money.</param>
public sealed record Alternatives(IReadOnlyList<WeighedWay> Ways, string Best, IReadOnlyList<BreakEven> BreakEvens)
{
    /// <summary>Weighs them.</summary>
    public static Alternatives Of(AlternativesAsked asked)
    {
        WeighedWay[] ways = [.. asked.Ways.Select(w => Weighed(w, asked.HourWorth))];
        for (int i = 0; i < ways.Length; i++)
            ways[i] = ways[i] with { OnFront = !ways.Any(o => Beats(o, ways[i])) };
        List<WeighedWay> hull = Hull(ways);
        return new Alternatives(ways, ways.MinBy(w => w.Cost)!.Id, [.. hull.Zip(hull.Skip(1), Between)]);
    }

    static WeighedWay Weighed(OtherWay way, decimal hourWorth)
    {
        decimal money = way.Money + (1 - way.Chance) * way.MendMoney,
            hours = way.Hours + (1 - way.Chance) * way.MendHours;
        return new WeighedWay(
            way.Id,
            Decimals.Plain(money + hourWorth * hours),
            Decimals.Plain(money),
            Decimals.Plain(hours),
            false
        );
    }

    static bool Beats(WeighedWay a, WeighedWay b) =>
        a.Money <= b.Money && a.Hours <= b.Hours && (a.Money < b.Money || a.Hours < b.Hours);

    static BreakEven Between(WeighedWay less, WeighedWay more) =>
        new(less.Id, more.Id, Decimals.Plain((more.Money - less.Money) / (less.Hours - more.Hours)));

    /// <summary>The corners of the lower hull of the front, by rising money; of equal ways the first.</summary>
    static List<WeighedWay> Hull(WeighedWay[] ways)
    {
        var hull = new List<WeighedWay>();
        foreach (WeighedWay way in ways.Where(w => w.OnFront).DistinctBy(w => (w.Money, w.Hours)).OrderBy(w => w.Money))
        {
            while (hull.Count > 1 && !Turns(hull[^2], hull[^1], way))
                hull.RemoveAt(hull.Count - 1);
            hull.Add(way);
        }
        return hull;
    }

    /// <summary>The middle one lies below the line from the first to the last.</summary>
    static bool Turns(WeighedWay a, WeighedWay b, WeighedWay c) =>
        (b.Money - a.Money) * (c.Hours - a.Hours) - (b.Hours - a.Hours) * (c.Money - a.Money) > 0;
}
