namespace RustCabin.Core.Wiring;

/// <summary>A wire of a lead: a contact of its one end to a contact of its other, both from 1.</summary>
public sealed record LeadWire(int One, int Other, string Net);

/// <summary>A beep that proves a lead: a contact of the one end, one of the other, and whether it must beep.</summary>
/// <param name="One">The contact of the one end.</param>
/// <param name="Other">The other contact.</param>
/// <param name="SameEnd">Both are contacts of the one end: neighbours.</param>
/// <param name="Closed">It must beep.</param>
public sealed record LeadBeep(int One, int Other, bool SameEnd, bool Closed);

/// <summary>A lead made by hand between two pinouts. Source: docs/handbook/wiring.md, Leads.</summary>
/// <param name="Wires">Which contact goes to which, the first of a net to the first, and so on.</param>
/// <param name="Left">Contacts of either end whose net the other end has not, or not as often: end 1 or 2, and the
/// contact.</param>
/// <param name="Beeps">What proves it: each contact to its own, open to its neighbour.</param>
public sealed record Lead(
    IReadOnlyList<LeadWire> Wires,
    IReadOnlyList<(int End, int Contact, string Net)> Left,
    IReadOnlyList<LeadBeep> Beeps
)
{
    const string Open = "n";

    /// <summary>Joins equal nets of two pinouts; <c>n</c> is left open.</summary>
    public static Lead Of(IReadOnlyList<string> one, IReadOnlyList<string> other)
    {
        var wires = new List<LeadWire>();
        var taken = new HashSet<int>();
        foreach ((int i, string net) in one.Index().Where(c => c.Item != Open))
            if (
                Enumerable.Range(0, other.Count).FirstOrDefault(k => other[k] == net && !taken.Contains(k), -1) is >= 0 and var at
            )
            {
                taken.Add(at);
                wires.Add(new LeadWire(i + 1, at + 1, net));
            }
        var from = wires.Select(w => w.One).ToHashSet();
        IEnumerable<LeadBeep> beside =
            from wire in wires
            let next = wire.One + 1
            where next <= one.Count && (one[next - 1] != wire.Net || one[next - 1] == Open)
            select new LeadBeep(wire.One, next, true, false);
        return new Lead(
            wires,
            [
                .. one.Index().Where(c => c.Item != Open && !from.Contains(c.Index + 1)).Select(c => (1, c.Index + 1, c.Item)),
                .. other.Index().Where(c => c.Item != Open && !taken.Contains(c.Index)).Select(c => (2, c.Index + 1, c.Item)),
            ],
            [.. wires.Select(w => new LeadBeep(w.One, w.Other, false, true)), .. beside]
        );
    }
}
