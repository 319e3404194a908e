using System.Globalization;
using RustCabin.Core.Chips;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>What a place is.</summary>
public enum PlaceKind
{
    /// <summary>A leg of a chip.</summary>
    Leg,

    /// <summary>A point on one net.</summary>
    Point,

    /// <summary>An end of something between two nets.</summary>
    End,

    /// <summary>A contact of a site or of a part.</summary>
    Contact,

    /// <summary>A pad of a part.</summary>
    Pad,
}

/// <summary>A place that a probe or an iron can touch, and the net on which it lies.</summary>
/// <param name="Name">As answers write it: <c>U7.45</c>, <c>R14.1</c>, <c>site.4</c>, <c>fathom:CLK</c>.</param>
/// <param name="Net">Its net before anything is changed; null: it lies on none that has a name.</param>
/// <param name="Kind">What it is.</param>
public sealed record Place(string Name, string? Net, PlaceKind Kind)
{
    /// <summary>The chip of a leg.</summary>
    public BoardChip? Chip { get; init; }

    /// <summary>Its chip's outline, of a leg.</summary>
    public ChipOutline? Outline { get; init; }

    /// <summary>The place of its chip's first leg, of a leg.</summary>
    public int FirstLeg { get; init; }

    /// <summary>The number of a leg, a contact, or an end.</summary>
    public int Number { get; init; }

    /// <summary>The point, of a point or an end.</summary>
    public BoardPoint? Point { get; init; }

    /// <summary>The pad.</summary>
    public Pad? Pad { get; init; }

    /// <summary>The site of a contact; null: a part's own connector.</summary>
    public Site? Site { get; init; }

    /// <summary>Before the name of everything on the board of an instance: <c>fathom:</c>; empty on the machine's
    /// own.</summary>
    public string Owner { get; init; } = "";
}

/// <summary>
/// Every place of a unit, in the order of the sheets: chips, points, sites, parts; and the two ends that closed links join.
/// Source: docs/handbook/wiring.md, Places.
/// </summary>
public sealed class Places
{
    readonly Dictionary<string, int> _at = new(StringComparer.Ordinal);
    readonly Dictionary<string, string> _names = new(StringComparer.Ordinal);
    readonly List<Place> _all = [];
    readonly Dictionary<string, int> _nets = new(StringComparer.Ordinal);
    readonly List<int> _netAt = [];

    /// <summary>All places, in order.</summary>
    public IReadOnlyList<Place> All => _all;

    /// <summary>How many nets have a name.</summary>
    public int Nets => _nets.Count;

    /// <summary>The number of the net on which a place lies, from 0; -1: it lies on none that has a name.</summary>
    public int NetAt(int place) => _netAt[place];

    /// <summary>The number of a net by the name under which it goes here; -1: no place lies on it.</summary>
    public int NetNumber(string net) => _nets.GetValueOrDefault(net, -1);

    /// <summary>The places of a unit with the parts of its plan.</summary>
    public Places(PlannedUnit unit)
    {
        foreach (
            (string net, IReadOnlyList<string> others) in unit.Model.NetNames.Concat(
                unit.Instances.SelectMany(i => i.Part.NetNames)
            )
        )
        foreach (string other in others)
            _names.TryAdd(other, net);
        Add(
            "",
            unit.Model.Chips.Where(c => unit.Holds(c.Revisions)),
            unit.Model.Points.Where(p => unit.Holds(p.Revisions)),
            unit.Sites
        );
        foreach (Instance instance in unit.Instances)
            Add(instance);
    }

    void Add(Instance instance)
    {
        string owner = $"{instance.Name}:";
        foreach ((int i, string _) in instance.Part.Contacts.Index())
            Add(new Place($"{owner}{i + 1}", null, PlaceKind.Contact) { Number = i + 1, Owner = owner });
        // A pad may bear the number of a contact: then it is that.
        foreach (Pad pad in instance.Part.Pads)
            Add(new Place(owner + pad.Id, null, PlaceKind.Pad) { Pad = pad, Owner = owner });
        Add(owner, instance.Part.Chips, instance.Part.Points, instance.Part.Sites);
    }

    void Add(string owner, IEnumerable<BoardChip> chips, IEnumerable<BoardPoint> points, IEnumerable<Site> sites)
    {
        // The nets of a part's own board are its own, but for the ground that all share.
        string? of(string? net) =>
            net is null or "n" ? null
            : Canonical(net) is var named && (owner.Length == 0 || named == Netlist.Ground) ? named
            : owner + named;
        foreach (BoardChip chip in chips)
        {
            ChipOutline outline = chip.Outline;
            int first = _all.Count;
            for (int leg = 1; leg <= outline.Pins; leg++)
            {
                string number = leg.ToString(CultureInfo.InvariantCulture),
                    name = $"{owner}{chip.Id}.{number}";
                Add(
                    new Place(name, of(chip.Nets.GetValueOrDefault(number)) ?? name, PlaceKind.Leg)
                    {
                        Chip = chip,
                        Outline = outline,
                        FirstLeg = first,
                        Number = leg,
                        Owner = owner,
                    }
                );
            }
        }
        foreach (BoardPoint point in points)
            if (point.HasEnds)
                foreach ((int end, string net) in point.Nets.Index())
                    Add(
                        new Place($"{owner}{point.Id}.{end + 1}", of(net), PlaceKind.End)
                        {
                            Point = point,
                            Number = end + 1,
                            Owner = owner,
                        }
                    );
            else
                Add(new Place(owner + point.Id, of(point.Net), PlaceKind.Point) { Point = point, Owner = owner });
        foreach (Site site in sites)
        foreach ((int i, string net) in site.Contacts.Index())
            Add(
                new Place($"{owner}{site.Id}.{i + 1}", of(net), PlaceKind.Contact)
                {
                    Number = i + 1,
                    Owner = owner,
                    Site = site,
                }
            );
    }

    void Add(Place place)
    {
        if (!_at.TryAdd(place.Name, _all.Count))
            return;
        _all.Add(place);
        if (place.Net is not { } net)
            _netAt.Add(-1);
        else if (_nets.TryGetValue(net, out int known))
            _netAt.Add(known);
        else
        {
            _netAt.Add(_nets.Count);
            _nets[net] = _nets.Count;
        }
    }

    /// <summary>The name under which a net goes here, whatever it is called.</summary>
    public string Canonical(string net) => _names.GetValueOrDefault(net, net);

    /// <summary>The number of a place; -1: this unit has none of that name.</summary>
    /// <param name="name">As a sheet writes it, with <c>part:</c> for the part's own.</param>
    /// <param name="owner">The instance whose sheet it is.</param>
    public int Find(string name, string owner) => _at.GetValueOrDefault(Named(name, owner), -1);

    /// <summary>The number of a place by the name that answers use; -1: there is none.</summary>
    public int Find(string name) => _at.GetValueOrDefault(name, -1);

    /// <summary>A place's name as answers write it.</summary>
    public static string Named(string name, string owner) =>
        Subject.Parse(name).InPart is { } own ? $"{new LocalName(owner, own)}" : name;

    /// <summary>The legs beside a leg, on its side of the chip; none for what is no leg.</summary>
    public IEnumerable<int> Beside(int place) =>
        _all[place] is { Kind: PlaceKind.Leg, Outline: { } outline } leg
            ? outline.Neighbours(leg.Number, []).Select(n => leg.FirstLeg + n - 1)
            : [];
}
