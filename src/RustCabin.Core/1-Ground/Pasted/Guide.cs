using System.Text.RegularExpressions;
using RustCabin.Core.Units;

namespace RustCabin.Core.Pasted;

/// <summary>The acts of one guide, so that another can be held against them.</summary>
sealed class Guide
{
    readonly IReadOnlyList<GuideAct> _acts;
    readonly Dictionary<string, int> _first = [];
    readonly Dictionary<string, int> _liftOf = [];
    readonly Dictionary<string, List<int>> _wiresAt = [];
    readonly Dictionary<string, string> _joined = [];

    public Guide(IReadOnlyList<GuideAct> acts)
    {
        _acts = acts;
        for (int i = 0; i < acts.Count; i++)
        {
            _first.TryAdd(acts[i].Key, i);
            if (acts[i] is LiftAct lift)
                foreach (string leg in lift.Legs)
                    _liftOf.TryAdd(leg, i);
            if (acts[i] is not WireAct wire)
                continue;
            foreach (string end in Ends(wire).Distinct())
            {
                if (!_wiresAt.TryGetValue(end, out List<int>? at))
                    _wiresAt[end] = at = [];
                at.Add(i);
            }
            string[] ends = Ends(wire);
            _joined[Root(ends[0])] = Root(ends[1]);
        }
    }

    static string[] Ends(WireAct wire) => [GuideAct.Same(wire.From), GuideAct.Same(wire.To)];

    string Root(string place)
    {
        string root = place;
        while (_joined.TryGetValue(root, out string? up) && up != root)
            root = up;
        while (_joined.TryGetValue(place, out string? up) && up != root)
            (_joined[place], place) = (root, up);
        return root;
    }

    /// <summary>Its wires join two places, by whatever way.</summary>
    bool Joins(string a, string b) => Root(a) == Root(b);

    /// <summary>Each act that the other has as well, with the first there that is the same; lifts leg by leg.</summary>
    public IEnumerable<(int A, int B)> AlikeIn(Guide other)
    {
        for (int i = 0; i < _acts.Count; i++)
            if (_acts[i] is LiftAct lift)
            {
                foreach (string leg in lift.Legs)
                    if (other._liftOf.TryGetValue(leg, out int there))
                    {
                        yield return (i, there);
                        break;
                    }
            }
            else if (other._first.TryGetValue(_acts[i].Key, out int same))
                yield return (i, same);
    }

    /// <summary>Acts that the other has not: a lift with legs that are left, and what is in nothing else.</summary>
    public IEnumerable<int> Alone(Guide other, HashSet<int> both, HashSet<int> against) =>
        Enumerable
            .Range(0, _acts.Count)
            .Where(i =>
                _acts[i] is LiftAct lift ? !lift.Legs.All(other._liftOf.ContainsKey) : !both.Contains(i) && !against.Contains(i)
            );

    /// <summary>Wires that share one end and go to places that neither guide joins.</summary>
    public IEnumerable<ActsAgainst> RivalsOf(Guide other, HashSet<int> both, HashSet<int> otherBoth)
    {
        for (int i = 0; i < _acts.Count; i++)
        {
            if (_acts[i] is not WireAct mine)
                continue;
            string[] ends = Ends(mine);
            for (int e = 0; e < 2; e++)
            {
                if (IsRail(ends[e]) || !other._wiresAt.TryGetValue(ends[e], out List<int>? there))
                    continue;
                foreach (int j in there)
                {
                    Budget.Spend();
                    var theirs = (WireAct)other._acts[j];
                    string[] far = Ends(theirs);
                    int f = far[0] == ends[e] ? 0 : 1;
                    if (
                        (both.Contains(i) && otherBoth.Contains(j))
                        || far[1 - f] == ends[1 - e]
                        || far[1 - f] == ends[e]
                        || ends[0] == ends[1]
                        || Joins(ends[1 - e], far[1 - f])
                        || other.Joins(ends[1 - e], far[1 - f])
                    )
                        continue;
                    (string shared, string a, string b) = (Place(mine, e), Place(mine, 1 - e), Place(theirs, 1 - f));
                    yield return new ActsAgainst(i, j, $"{shared} goes to {a} in one guide, to {b} in the other", new(a, b));
                }
            }
        }
    }

    static string Place(WireAct wire, int end) => end == 0 ? wire.From : wire.To;

    /// <summary>Legs that are lifted here and soldered to there, where they are not lifted.</summary>
    public IEnumerable<ActsAgainst> LiftsAgainst(Guide other)
    {
        for (int i = 0; i < _acts.Count; i++)
            if (_acts[i] is LiftAct lift)
                foreach (int pin in lift.Pins)
                    if ($"{GuideAct.Same(lift.Chip)}.{pin}" is var leg && !other._liftOf.ContainsKey(leg))
                        foreach (int j in other._wiresAt.GetValueOrDefault(leg, []))
                            yield return new ActsAgainst(
                                i,
                                j,
                                $"{lift.Chip}.{pin} is lifted in one guide, soldered to where it stands in the other",
                                new($"{lift.Chip}.{pin}", $"{lift.Chip}.{pin}p")
                            );
    }

    /// <summary>Cuts between places that the other joins by a wire.</summary>
    public IEnumerable<ActsAgainst> CutsAgainst(Guide other, HashSet<int> both)
    {
        for (int i = 0; i < _acts.Count; i++)
            if (_acts[i] is CutAct { Between: [var a, var b] } && !both.Contains(i))
                if (other._first.TryGetValue($"wire {GuideAct.Same(a, b)}", out int wire))
                    yield return new ActsAgainst(i, wire, $"{a} and {b} are parted in one guide, joined in the other", new(a, b));
    }

    /// <summary>Ground and rails are met by many wires, which is no contradiction.</summary>
    static bool IsRail(string place) => Rail.IsMatch(place);

    static Regex Rail => field ??= new(@"(?:^|\s)(?:GND|0V|VSS|VCC|VDD|VEE|VBB|[+-]\d+(?:\.\d+)?V?|\d+(?:\.\d+)?V)(?:\s|$)");
}
