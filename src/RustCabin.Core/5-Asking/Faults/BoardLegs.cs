using RustCabin.Core.Wiring;

namespace RustCabin.Core.Faults;

/// <summary>
/// The places of a unit's boards with their nets as the job leaves them: a leg that the job lifts lies on no trace, and what a
/// cut parts is a net of its own. Source: docs/handbook/faults.md, Repairs.
/// </summary>
public static class BoardLegs
{
    /// <summary>Those of a unit, in the order of the sheets, each with the number of its place.</summary>
    public static IEnumerable<(RepairLeg Leg, int Place)> Of(Wired wired)
    {
        Netlist nets = wired.After;
        var named = new Dictionary<int, string>();
        foreach (int place in nets.InOrder().Where(p => wired.OnTrace(p)))
        {
            int node = nets.NodeOf(place);
            if (!named.TryGetValue(node, out string? net))
                named[node] = net = wired.NamesOf(node).FirstOrDefault() ?? nets.NameOf(place);
            yield return (new RepairLeg { Place = nets.NameOf(place), Net = net }, place);
        }
    }
}
