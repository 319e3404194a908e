using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>The wiring of a planned unit: its places, the changes of its job, and its nets before and after them.</summary>
public sealed class Wired
{
    static readonly PerPlan<Wired> Known = new(unit => new Wired(unit));

    readonly Dictionary<string, int> _fragmentOf = new(StringComparer.Ordinal);
    readonly ILookup<int, string> _names;
    readonly Lazy<Netlist> _before;
    IReadOnlyList<Probed>? _readings;

    /// <summary>The unit.</summary>
    public PlannedUnit Unit { get; }

    /// <summary>Its places.</summary>
    public Places Places { get; }

    /// <summary>What the job does, in the order of work.</summary>
    public IReadOnlyList<PlacedChange> Changes { get; }

    /// <summary>Its nets before the job.</summary>
    public Netlist Before => _before.Value;

    /// <summary>Its nets after the job.</summary>
    public Netlist After { get; }

    Wired(PlannedUnit unit)
    {
        Unit = unit;
        Places = new Places(unit);
        Changes = PlacedChange.Of(unit);
        IReadOnlyList<PlacedChange> there = PlacedChange.MadeOn(unit);
        _before = new Lazy<Netlist>(() => new Netlist(Places, [], there));
        After = new Netlist(Places, Changes, there);
        for (int fragment = 0; fragment < After.Fragments; fragment++)
            if (After.NameOfFragment(fragment) is { } net)
                _fragmentOf.TryAdd(net, fragment);
        _names = Enumerable
            .Range(0, After.Fragments)
            .Where(f => After.NameOfFragment(f) is not null)
            .ToLookup(After.NodeOfFragment, f => After.NameOfFragment(f)!);
    }

    /// <summary>That of a unit; kept as long as the unit is.</summary>
    public static Wired Of(PlannedUnit unit) => Known.Of(unit);

    /// <summary>True where there is something to wire: changes, pads or contacts. Nearly all plans have none.</summary>
    public static bool IsAny(PlannedUnit unit) =>
        unit.Job?.Changes.Count > 0
        || unit.Unit.Changes.Count > 0
        || unit.Instances.Any(i => i.Way is { Changes.Count: > 0 } || i.Part.Pads.Count > 0 || i.Part.Contacts.Count > 0);

    /// <summary>The table that proves the changes, with the job's readings; worked out once.</summary>
    public IReadOnlyList<Probed> Readings => _readings ??= Verdicts.Of(this);

    /// <summary>The fragment that bears a net's name after the changes; -1: none does.</summary>
    public int FragmentOf(string net) => _fragmentOf.GetValueOrDefault(Places.Canonical(net), -1);

    /// <summary>True if two places are one net before the job; a pad stands for its leg there.</summary>
    public bool SameBefore(int a, int b) => Before.Same(Earlier(a), Earlier(b));

    int Earlier(int place) => place < Before.Count ? place : After.LegOf(place);

    /// <summary>The names of the nets that meet in a node, in the order of the sheets.</summary>
    public IEnumerable<string> NamesOf(int node) => _names[node];

    /// <summary>The volts of a net that is a rail of the unit; null: it does not read as one.</summary>
    public decimal? VoltsOf(string net) => Unit.Rails.FirstOrDefault(r => Places.Canonical(r.Id) == net)?.Volts;

    /// <summary>The places that a change touches, in its own order: what is lifted, cut off, joined, scraped, taken
    /// off.</summary>
    public IEnumerable<int> Touched(PlacedChange placed)
    {
        WireChange change = placed.Change;
        if (change.Do == ChangeAct.Socket)
            return LegsOf(placed);
        IEnumerable<string> names = change.Do switch
        {
            ChangeAct.Lift => change.Pins.SelectMany(p => (string[])[$"{change.Chip}.{p}", $"{change.Chip}.{p}p"]),
            ChangeAct.Cut => change.Off,
            ChangeAct.Remove or ChangeAct.Scrape => [change.Point!, $"{change.Point}.1", $"{change.Point}.2"],
            _ => change.From.Concat(change.To),
        };
        return names.Select(n => After.Find(placed.Named(n))).Where(p => p >= 0);
    }

    /// <summary>The legs of the chip that a change sockets.</summary>
    public IEnumerable<int> LegsOf(PlacedChange placed)
    {
        string chip = placed.Named(placed.Change.Chip!);
        for (int leg = 1; Places.Find($"{chip}.{leg}") is >= 0 and var at; leg++)
            yield return at;
    }

    /// <summary>A place lies on a trace of a board, by its sheet: it is no lifted leg, no lone pad.</summary>
    public bool OnTrace(int place) =>
        After.PadOf(place) < 0 && Places.All[After.LegOf(place)] is { Net: { } net } at && net != at.Name;

    /// <summary>
    /// The places beside one: beside a lifted leg the legs, beside its pad what lies on the board, beside a leg on its pad both.
    /// </summary>
    public IEnumerable<int> Beside(int place)
    {
        bool pad = place >= Places.All.Count,
            lifted = !pad && After.PadOf(place) >= 0;
        foreach (int leg in Places.Beside(After.LegOf(place)))
        {
            int under = After.PadOf(leg);
            if (!pad || under < 0)
                yield return leg;
            if (!lifted && under >= 0)
                yield return under;
        }
    }
}
