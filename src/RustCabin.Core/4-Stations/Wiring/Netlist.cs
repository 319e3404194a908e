using System.Globalization;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>A join of two fragments: a closed link, a lead, a joint. It may be missing or lie beside where a mistake is
/// made.</summary>
/// <param name="A">One place.</param>
/// <param name="B">The other.</param>
/// <param name="Change">Whose it is, by its place in the list; -1: it was there.</param>
/// <param name="Meant">Two named nets are meant to meet in it.</param>
public readonly record struct Join(int A, int B, int Change, bool Meant);

/// <summary>
/// The nets of a unit after changes. Places of one net form one fragment; a lifted leg and what a cut parts become fragments of
/// their own; leads, links and rows join fragments. A lifted leg <c>U7.45</c> leaves its pad <c>U7.45p</c> with the net.
/// Changes apply together, whatever their order. Source: docs/handbook/wiring.md, Nets.
/// </summary>
public sealed class Netlist
{
    /// <summary>The net that all boards share.</summary>
    public const string Ground = "GND";

    readonly int[] _fragment;
    readonly int[] _node;
    readonly List<Join> _joins = [];
    readonly List<string?> _named = [];
    readonly List<(int Net, string Cuts)> _parts = [];
    readonly List<(int First, int Second)> _ends = [];

    /// <summary>The fragment of each net that lies together whatever is cut off it; -1: there is none.</summary>
    readonly int[] _whole;

    /// <summary>The fragments that cuts part from a net, by the numbers of the cuts; and the same in their order.</summary>
    readonly Dictionary<(int Net, string Cuts), int> _cut = [];
    readonly List<int> _parted = [];
    readonly Lazy<ILookup<int, int>> _placesOf;
    readonly Lazy<ILookup<int, int>> _joinsOf;
    readonly int _there;
    readonly int[] _padOf;
    readonly List<int> _legOf = [];

    /// <summary>The places that it is made of; pads of lifted legs come after them.</summary>
    public Places Places { get; }

    /// <summary>How many places there are, pads of lifted legs among them.</summary>
    public int Count => Places.All.Count + _legOf.Count;

    /// <summary>Places that a change names and this unit has not, each with the change.</summary>
    public IReadOnlyList<(string Place, PlacedChange Change)> Missing { get; }

    /// <summary>The joins, those that were there first, then in the order of work.</summary>
    public IReadOnlyList<Join> Joins => _joins;

    /// <summary>How many fragments there are.</summary>
    public int Fragments => _named.Count;

    /// <summary>Nets of places after changes.</summary>
    /// <param name="places">The places.</param>
    /// <param name="changes">What is done.</param>
    /// <param name="there">What was done before.</param>
    public Netlist(Places places, IReadOnlyList<PlacedChange> changes, IReadOnlyList<PlacedChange> there)
    {
        (Places, _there) = (places, there.Count);
        var missing = new List<(string, PlacedChange)>();
        PlacedChange[] all = [.. there, .. changes];
        _padOf = new int[places.All.Count];
        Array.Fill(_padOf, -1);
        Lift(all, missing);
        _fragment = new int[Count];
        _whole = new int[places.Nets];
        Array.Fill(_whole, -1);
        Split(all, missing);
        JoinAll(all, missing);
        Missing = missing;
        _node = Grouped();
        _placesOf = new(() => InOrder().Where(p => !IsLifted(p)).ToLookup(p => Places.NetAt(LegOf(p))));
        _joinsOf = new(() => _joins.Index().ToLookup(j => j.Item.Change, j => j.Index));
    }

    /// <summary>The number of a place by its name, of a lifted leg's pad too; -1: there is none.</summary>
    public int Find(string name) =>
        Places.Find(name) is >= 0 and var at ? at
        : name.EndsWith('p') && Places.Find(name[..^1]) is >= 0 and var leg ? _padOf[leg]
        : -1;

    /// <summary>The name of a place.</summary>
    public string NameOf(int place) =>
        place < Places.All.Count ? Places.All[place].Name : Places.All[_legOf[place - Places.All.Count]].Name + "p";

    /// <summary>The pad that a leg was lifted off; -1: it is on its pad.</summary>
    public int PadOf(int leg) => leg < _padOf.Length ? _padOf[leg] : -1;

    bool IsLifted(int place) => PadOf(place) >= 0;

    /// <summary>The leg that stood on a pad; the place itself where it is no such pad.</summary>
    public int LegOf(int place) => place < Places.All.Count ? place : _legOf[place - Places.All.Count];

    /// <summary>The fragment on which a place lies.</summary>
    public int FragmentOf(int place) => _fragment[place];

    /// <summary>The net of a fragment by its name; null: it has lost it, or never had one.</summary>
    public string? NameOfFragment(int fragment) => _named[fragment];

    /// <summary>The node on which a place lies: places of one node are one net.</summary>
    public int NodeOf(int place) => _node[_fragment[place]];

    /// <summary>The node of a fragment.</summary>
    public int NodeOfFragment(int fragment) => _node[fragment];

    /// <summary>The first fragment of a node, in the order of the sheets.</summary>
    public int FirstFragmentOf(int node) => Array.IndexOf(_node, node);

    /// <summary>True if a meter says that two places are one.</summary>
    public bool Same(int a, int b) => NodeOf(a) == NodeOf(b);

    /// <summary>Every place in the order of the sheets; the pad of a lifted leg behind its leg.</summary>
    public IEnumerable<int> InOrder()
    {
        for (int place = 0; place < Places.All.Count; place++)
        {
            yield return place;
            if (_padOf[place] >= 0)
                yield return _padOf[place];
        }
    }

    /// <summary>The places of a net as it is on the sheets, without lifted legs, in their order.</summary>
    public IReadOnlyList<int> PlacesOf(string net) =>
        Places.NetNumber(net) is >= 0 and var number ? [.. _placesOf.Value[number]] : [];

    /// <summary>The joins of a change, by their places among all.</summary>
    /// <param name="change">The change, by its place in the order of work.</param>
    public IEnumerable<int> JoinsOf(int change) => _joinsOf.Value[change];

    /// <summary>The other places that are one net with a place, in their order.</summary>
    public IEnumerable<int> NodePlaces(int place) => InOrder().Where(p => p != place && NodeOf(p) == NodeOf(place));

    /// <summary>The first place of a fragment.</summary>
    public int FirstOf(int fragment) => _ends[fragment].First;

    /// <summary>Another place of the same fragment, the first of the sheets; -1: there is none.</summary>
    public int Another(int place) => _ends[_fragment[place]] is var (first, second) && first != place ? first : second;

    /// <summary>
    /// Where a place would lie if cuts had spared it: the first place of that fragment; the place itself where nothing else
    /// would lie with it; -1: no cut of these parts it.
    /// </summary>
    /// <param name="place">The place.</param>
    /// <param name="change">The cut that spared it, by its place in the order of work; null: none of them parted it.</param>
    public int Spared(int place, int? change)
    {
        (int net, string cuts) = _parts[_fragment[place]];
        string[] all = cuts.Split(',', StringSplitOptions.RemoveEmptyEntries);
        string[] left =
        [
            .. all.Where(c =>
                int.Parse(c, CultureInfo.InvariantCulture) - _there is var number
                && (change is null ? number < 0 : number != change)
            ),
        ];
        return left.Length == all.Length ? -1
            : Part(net, string.Concat(left.Select(c => $"{c},"))) is >= 0 and var rest ? FirstOf(rest)
            : place;
    }

    /// <summary>Places on either side of a cut, one pair for each two fragments that it alone parts.</summary>
    /// <param name="change">The cut, by its place in the order of work.</param>
    public IEnumerable<(int A, int B)> PartedBy(int change)
    {
        string number = $"{change + _there},";
        foreach (int fragment in _parted)
            if (
                _parts[fragment] is var (net, cuts)
                && $",{cuts}".Contains($",{number}", StringComparison.Ordinal)
                && Part(net, $",{cuts}".Replace($",{number}", ",")[1..]) is >= 0 and var rest
            )
                yield return (FirstOf(fragment), FirstOf(rest));
    }

    /// <summary>The fragment that some cuts leave of a net; -1: they leave none.</summary>
    int Part(int net, string cuts) =>
        net < 0 ? -1
        : cuts.Length == 0 ? _whole[net]
        : _cut.GetValueOrDefault((net, cuts), -1);

    void Lift(IReadOnlyList<PlacedChange> changes, List<(string, PlacedChange)> missing)
    {
        foreach (PlacedChange change in changes.Where(c => c.Change.Do == ChangeAct.Lift))
        foreach (int pin in change.Change.Pins)
        {
            string name = $"{change.Named(change.Change.Chip!)}.{pin}";
            int leg = Places.Find(name);
            if (leg < 0)
                missing.Add((name, change));
            else if (_padOf[leg] < 0)
            {
                _padOf[leg] = Count;
                _legOf.Add(leg);
            }
        }
    }

    /// <summary>Fragments: one a net, apart from lifted legs, and parted by every cut.</summary>
    void Split(IReadOnlyList<PlacedChange> changes, List<(string, PlacedChange)> missing)
    {
        // Which cuts part a place from its net, by the numbers of the cuts.
        var off = new Dictionary<int, string>();
        foreach ((int number, PlacedChange change) in changes.Index().Where(c => c.Item.Change.Do == ChangeAct.Cut))
        foreach (string place in change.Change.Off)
        {
            string name = change.Named(place);
            int at = Find(name);
            if (at >= 0 && PadOf(at) is >= 0 and var pad)
                at = pad;
            if (at < 0 || Places.All[LegOf(at)].Net != NetOf(change, change.Change.Net!))
                missing.Add((name, change));
            else if (off.GetValueOrDefault(at, "") is var cuts && !$",{cuts}".EndsWith($",{number},", StringComparison.Ordinal))
                off[at] = $"{cuts}{number},";
        }
        foreach (int place in InOrder())
        {
            int net = IsLifted(place) ? -1 : Places.NetAt(LegOf(place));
            string cuts = off.GetValueOrDefault(place, "");
            int fragment = Part(net, cuts);
            if (fragment < 0)
                fragment = Add(place, net, cuts);
            else if (_ends[fragment].Second < 0)
                _ends[fragment] = (_ends[fragment].First, place);
            _fragment[place] = fragment;
        }
    }

    /// <summary>A new fragment: what some cuts leave of a net, or a place that lies alone.</summary>
    int Add(int place, int net, string cuts)
    {
        int fragment = _named.Count;
        _named.Add(net >= 0 && cuts.Length == 0 ? Places.All[LegOf(place)].Net : null);
        _parts.Add((net, cuts));
        _ends.Add((place, -1));
        if (net >= 0 && cuts.Length == 0)
            _whole[net] = fragment;
        else if (net >= 0)
        {
            _cut[(net, cuts)] = fragment;
            _parted.Add(fragment);
        }
        return fragment;
    }

    string NetOf(PlacedChange change, string net) => Places.Canonical(change.Named(net));

    void JoinAll(IReadOnlyList<PlacedChange> changes, List<(string, PlacedChange)> missing)
    {
        var removed = changes
            .Where(c => c.Change.Do == ChangeAct.Remove)
            .Select(c => c.Named(c.Change.Point!))
            .ToHashSet(StringComparer.Ordinal);
        foreach ((int place, Place end) in Places.All.Index())
            if (
                end is { Kind: PlaceKind.End, Number: 1, Point.Kind: PointKind.Link }
                && !removed.Contains(end.Owner + end.Point.Id)
            )
                _joins.Add(new Join(place, place + 1, -1, Meant: true));
        foreach ((int number, PlacedChange change) in changes.Index())
        {
            if (change.Change.Do is ChangeAct.Link or ChangeAct.Wire or ChangeAct.Row)
                foreach ((string from, string to) in change.Change.From.Zip(change.Change.To))
                {
                    int a = Find(change.Named(from)),
                        b = Find(change.Named(to));
                    if (a < 0)
                        missing.Add((change.Named(from), change));
                    if (b < 0)
                        missing.Add((change.Named(to), change));
                    if (a >= 0 && b >= 0)
                        _joins.Add(new Join(a, b, number - _there, change.Change.Joins));
                }
            else if (change.Change.Do is ChangeAct.Remove or ChangeAct.Scrape)
            {
                string point = change.Named(change.Change.Point!);
                if (Places.Find(point) < 0 && Places.Find(point + ".1") < 0)
                    missing.Add((point, change));
            }
            else if (change.Change.Do == ChangeAct.Socket && Places.Find($"{change.Named(change.Change.Chip!)}.1") < 0)
                missing.Add((change.Named(change.Change.Chip!), change));
        }
    }

    /// <summary>The node of every fragment.</summary>
    int[] Grouped()
    {
        var groups = new Groups(Fragments);
        foreach (Join join in _joins)
            groups.Join(_fragment[join.A], _fragment[join.B]);
        return [.. Enumerable.Range(0, Fragments).Select(groups.Of)];
    }
}
