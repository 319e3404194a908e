using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Faults;

/// <summary>A place on a net, as <c>repair</c> takes it.</summary>
public sealed record RepairLeg
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "The place, such as U3.5.")]
    public string Place { get; init; } = "";

    /// <summary>Its net.</summary>
    [Required, Display(Description = "The net on which it lies.")]
    public string Net { get; init; } = "";

    /// <summary>Where it lies.</summary>
    [Range(-100_000, 100_000), UnitOf("mm"), Display(Description = "Where it lies, from the left.")]
    public decimal? XMm { get; init; }

    /// <summary>Where it lies.</summary>
    [Range(-100_000, 100_000), UnitOf("mm"), Display(Description = "Where it lies, from the top.")]
    public decimal? YMm { get; init; }
}

/// <summary>What <c>repair</c> takes.</summary>
public sealed record RepairAsked : ICompleted<RepairAsked>
{
    /// <summary>So many places at most.</summary>
    public const int Most = 2000;

    /// <summary>The places.</summary>
    [Required, Display(Description = "The places, with their nets.")]
    public IReadOnlyList<RepairLeg> Legs { get; init; } = [];

    /// <summary>Places that have lost their net.</summary>
    [Required, Display(Description = "Places that have lost their net.")]
    public IReadOnlyList<string> Broken { get; init; } = [];

    /// <summary>Places that were measured to be joined.</summary>
    [Display(Description = "Groups of places that were measured to be joined still.")]
    public IReadOnlyList<IReadOnlyList<string>> Joined { get; init; } = [];

    /// <inheritdoc/>
    public RepairAsked Completed(RecordReading read)
    {
        if (Legs.Count > Most)
        {
            read.Wrong("legs", $"are {Legs.Count}; {Most:#,0} are the most");
            return this;
        }
        var netOf = new Dictionary<string, string>();
        foreach ((int i, RepairLeg leg) in Legs.Index())
            if (!netOf.TryAdd(leg.Place, leg.Net))
                read.Wrong($"legs[{i}].place", $"\"{leg.Place}\" is used twice");
        if (read.Read("broken") && Broken.Count == 0)
            read.Wrong("broken", "must name one place at least");
        foreach ((int i, string place) in Broken.Index())
            if (!netOf.ContainsKey(place))
                read.Wrong($"broken[{i}]", $"\"{place}\" is no place");
        string[] nets = [.. Broken.Select(b => netOf.GetValueOrDefault(b)).OfType<string>().Distinct()];
        if (nets.Length > 1)
            read.Wrong("broken", $"lie on two nets: {string.Join(", ", nets)}");
        foreach ((int i, IReadOnlyList<string> group) in Joined.Index())
        foreach ((int k, string place) in group.Index())
            if (!netOf.ContainsKey(place))
                read.Wrong($"joined[{i}][{k}]", $"\"{place}\" is no place");
        return this;
    }
}

/// <summary>A wire of a repair.</summary>
/// <param name="From">Where it begins.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Mm">How far that is; null: no sheet says where one of them lies.</param>
public sealed record RepairWire(string From, string To, double? Mm);

/// <summary>Places of several nets that were measured to be joined.</summary>
/// <param name="Places">The places.</param>
/// <param name="Nets">Their nets.</param>
public sealed record MeasuredShort(IReadOnlyList<string> Places, IReadOnlyList<string> Nets);

/// <summary>
/// The shortest wires that join again what a lifted trace has parted. Source: docs/handbook/faults.md, Repairs.
/// </summary>
/// <param name="Net">The net.</param>
/// <param name="Wires">The wires, the shortest first, those whose length no sheet says last.</param>
/// <param name="Shorts">Places of several nets that were measured to be joined: a fault, which no wire mends.</param>
public sealed record Repair(string Net, IReadOnlyList<RepairWire> Wires, IReadOnlyList<MeasuredShort> Shorts)
{
    /// <summary>
    /// The wires: what is joined still counts as one, so do the places of the net that are not broken; of equal lengths those
    /// between the earlier places. Work grows with the square of the places.
    /// </summary>
    public static Repair Of(RepairAsked asked)
    {
        string net = asked.Legs.First(l => l.Place == asked.Broken[0]).Net;
        RepairLeg[] legs = [.. asked.Legs.Where(l => l.Net == net)];
        Groups groups = Joined(asked, legs);
        return new Repair(
            net,
            [.. Tree(legs, groups).Order().Select(w => new RepairWire(legs[w.A].Place, legs[w.B].Place, w.Mm))],
            [.. ShortsOf(asked)]
        );
    }

    static Groups Joined(RepairAsked asked, RepairLeg[] legs)
    {
        var groups = new Groups(legs.Length);
        var at = legs.Index().ToDictionary(l => l.Item.Place, l => l.Index);
        HashSet<string> broken = [.. asked.Broken];
        int[] rest = [.. legs.Index().Where(l => !broken.Contains(l.Item.Place)).Select(l => l.Index)];
        foreach (int place in rest)
            groups.Join(rest[0], place);
        foreach (IReadOnlyList<string> joined in asked.Joined)
        {
            int[] here = [.. joined.Where(at.ContainsKey).Select(p => at[p])];
            foreach (int place in here)
                groups.Join(here[0], place);
        }
        return groups;
    }

    static IEnumerable<MeasuredShort> ShortsOf(RepairAsked asked)
    {
        var netOf = asked.Legs.ToDictionary(l => l.Place, l => l.Net);
        foreach (IReadOnlyList<string> joined in asked.Joined)
            if (joined.Select(p => netOf[p]).Distinct().ToArray() is { Length: > 1 } nets)
                yield return new MeasuredShort(joined, nets);
    }

    /// <summary>A wire between two places by their numbers, the lower first. Those with a length come first.</summary>
    /// <param name="Known">Sheets say how long it is.</param>
    /// <param name="Far">The millimetres, or how many places on.</param>
    readonly record struct Way(int A, int B, bool Known, double Far) : IComparable<Way>
    {
        public double? Mm => Known ? Far : null;

        public int CompareTo(Way other) => (!Known, Far, A, B).CompareTo((!other.Known, other.Far, other.A, other.B));
    }

    /// <summary>The shortest tree over the groups, grown from the first place, a group at a time.</summary>
    static IEnumerable<Way> Tree(RepairLeg[] legs, Groups groups)
    {
        (double X, double Y)?[] spots =
        [
            .. legs.Select(l => l is { XMm: { } x, YMm: { } y } ? ((double, double)?)((double)x, (double)y) : null),
        ];
        ILookup<int, int> members = Enumerable.Range(0, legs.Length).ToLookup(groups.Of);
        var nearest = new Way?[legs.Length];
        var open = members.Select(m => m.Key).ToHashSet();
        int next = groups.Of(0);
        while (open.Remove(next) && open.Count > 0)
        {
            foreach (int a in members[next])
            foreach (int to in open)
            foreach (int b in members[to])
            {
                Way way = Between(spots, Math.Min(a, b), Math.Max(a, b));
                if (nearest[to] is not { } best || way.CompareTo(best) < 0)
                    nearest[to] = way;
            }
            next = open.MinBy(o => nearest[o]!.Value);
            yield return nearest[next]!.Value;
        }
    }

    static Way Between((double X, double Y)?[] spots, int a, int b) =>
        (spots[a], spots[b]) is ({ } one, { } other)
            ? new Way(a, b, true, Math.Sqrt((one.X - other.X) * (one.X - other.X) + (one.Y - other.Y) * (one.Y - other.Y)))
            : new Way(a, b, false, b - a);
}
