using RustCabin.Core.Choices;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Searches;

/// <summary>
/// Parts that together give every want, with their settings: a plan without a stop. <paramref name="Cost"/> is what must be
/// bought (parts in hand cost nothing), in the pack's currency; <paramref name="Skill"/> the hardest way's, 0 where nothing is
/// fitted; <paramref name="Orders"/> how many makers must be bought from; <paramref name="Watches"/> how many conditions it
/// works with.
/// </summary>
public sealed record BuildSet(
    Choice Choice,
    IReadOnlyList<(Part Part, Way Way)> Parts,
    decimal Cost,
    int Skill,
    bool Reversible,
    int Orders,
    int Watches
)
{
    /// <summary>Switches that leave where they stand.</summary>
    public int Moves => Choice.Moves;

    /// <summary>What its ways take, in minutes.</summary>
    public decimal Minutes => Parts.Sum(p => p.Way.Minutes);

    /// <summary>Its parts and ways, by which two sets are told apart.</summary>
    public string Key => string.Join('+', Parts.Select(p => $"{p.Part.Id}.{p.Way.Id}"));

    /// <summary>
    /// True if <paramref name="other"/> is at least as good in cost, skill, undo and orders, and better in one of them.
    /// </summary>
    public bool IsBeatenBy(BuildSet other)
    {
        bool asGood = other.Cost <= Cost && other.Skill <= Skill && (other.Reversible || !Reversible) && other.Orders <= Orders;
        return asGood && (other.Cost < Cost || other.Skill < Skill || other.Reversible != Reversible || other.Orders < Orders);
    }
}

/// <summary>
/// What a search found, the sets that no other beats, cheapest first; when nothing works, <paramref name="Clash"/> is the
/// smallest set of wants, limits and fitted parts that do not go together.
/// <paramref name="Left"/> says of parts that would give a want why they are in no set. <paramref name="Complete"/> false: the
/// search was ended before it had seen all.
/// </summary>
public sealed record BuildSets(
    IReadOnlyList<BuildSet> Sets,
    IReadOnlyList<Requirement> Clash,
    IReadOnlyList<LeftOut> Left,
    bool Complete
)
{
    /// <summary>False: the time was over first; none found is then no "impossible".</summary>
    public bool Decided { get; init; } = true;

    /// <summary>What a set is best at among all, in words; empty where another is as good or better in each.</summary>
    public IReadOnlyList<string> BestAt(BuildSet set)
    {
        if (Sets.Count < 2)
            return [];
        var best = new List<string>();
        if (Sets.All(s => s == set || s.Cost > set.Cost))
            best.Add("cheapest");
        if (Sets.All(s => s.Skill >= set.Skill) && Sets.Any(s => s.Skill > set.Skill))
            best.Add("least skill");
        if (set.Reversible && Sets.Any(s => !s.Reversible))
            best.Add("can be undone");
        if (Sets.All(s => s.Orders >= set.Orders) && Sets.Any(s => s.Orders > set.Orders))
            best.Add("fewest orders");
        if (Sets.All(s => s == set || s.Watches > set.Watches))
            best.Add("fewest conditions");
        return best;
    }
}

/// <summary>A part that would give some want and is in no set, and why.</summary>
public sealed record LeftOut(Part Part, string Why);

/// <summary>
/// What is asked: a machine with what is fitted, wants, limits, parts to choose from, and how many of each lie in the cupboard
/// (null: there is none to ask).
/// </summary>
public sealed record SetQuestion(
    StationList Stations,
    PlannedUnit Unit,
    IReadOnlyList<Need> Wants,
    JobLimits Limits,
    IReadOnlyList<Part> Parts,
    IReadOnlyDictionary<string, int>? InHand
)
{
    /// <summary>The question that a job asks: what it adds is not there yet, what it removes is gone.</summary>
    public static SetQuestion Of(StationList stations, Pack pack, Job job, IReadOnlyDictionary<string, int>? inHand = null)
    {
        PlannedUnit planned = Plan.For(pack, job);
        return new SetQuestion(stations, Plan.With(planned, i => !i.Added), job.Wants, job.Limits, pack.Parts, inHand);
    }

    /// <summary>True if one lies in the cupboard.</summary>
    public bool HasInHand(Part part) => InHand?.GetValueOrDefault(part.Id) > 0;
}
