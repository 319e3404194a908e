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

/// <summary>
/// The shortest wires that join again what a lifted trace has parted. Source: docs/handbook/faults.md, Repairs.
/// </summary>
/// <param name="Net">The net.</param>
/// <param name="Wires">The wires, the shortest first.</param>
public sealed record Repair(string Net, IReadOnlyList<RepairWire> Wires)
{
    /// <summary>
    /// The wires: what is joined still counts as one, so do the places of the net that are not broken; of equal lengths those
    /// between the earlier places.
    /// </summary>
    public static Repair Of(RepairAsked asked)
    {
        string net = asked.Legs.First(l => l.Place == asked.Broken[0]).Net;
        RepairLeg[] legs = [.. asked.Legs.Where(l => l.Net == net)];
        var at = legs.Index().ToDictionary(l => l.Item.Place, l => l.Index);
        var groups = new Groups(legs.Length);
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
        var wires = new List<RepairWire>();
        var ways =
            from a in Enumerable.Range(0, legs.Length)
            from b in Enumerable.Range(a + 1, legs.Length - a - 1)
            where groups.Of(a) != groups.Of(b)
            let mm = Between(legs[a], legs[b])
            select (a, b, mm, Far: mm ?? b - a);
        foreach ((int a, int b, double? mm, _) in ways.ToList().OrderBy(w => w.Far).ThenBy(w => w.a).ThenBy(w => w.b))
            if (groups.Of(a) != groups.Of(b))
            {
                groups.Join(a, b);
                wires.Add(new RepairWire(legs[a].Place, legs[b].Place, mm));
            }
        return new Repair(net, wires);
    }

    static double? Between(RepairLeg a, RepairLeg b) =>
        a is { XMm: { } ax, YMm: { } ay } && b is { XMm: { } bx, YMm: { } by }
            ? Math.Sqrt(Math.Pow((double)(ax - bx), 2) + Math.Pow((double)(ay - by), 2))
            : null;
}
