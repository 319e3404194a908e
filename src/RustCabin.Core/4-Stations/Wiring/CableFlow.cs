using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>
/// The shortest chain of pieces as a flow of one unit from joint to joint, each piece taken once at most. Of equals the one whose
/// first piece comes first, then its second. Source: docs/handbook/wiring.md, Cables.
/// </summary>
static class CableFlow
{
    static readonly TimeSpan Within = TimeSpan.FromSeconds(8);

    /// <summary>The chain; null: there is none.</summary>
    /// <exception cref="OutOfTimeException">The time was over first.</exception>
    public static IReadOnlyList<CableLink>? Of(IReadOnlyList<CablePiece> pieces, CableChain.Here start, CableChain.Here goal)
    {
        var clock = System.Diagnostics.Stopwatch.StartNew();
        var taken = new List<CableLink>();
        if (Least(pieces, start, goal, Within) is not { } left)
            return null;
        CableChain.Here at = start;
        while (at != goal)
        {
            IReadOnlyList<CablePiece> unused = [.. pieces.Where(p => taken.All(t => t.Piece != p.Id))];
            foreach ((CableLink link, CableEnd near, CableEnd far, bool crossing) in CableChain.Ends(unused))
            {
                if (near.Family != at.Family || near.Gender != at.Wants)
                    continue;
                CableChain.Here behind = CableChain.Behind(at, far, crossing);
                IReadOnlyList<CablePiece> rest = [.. unused.Where(p => p.Id != link.Piece)];
                if (Least(rest, behind, goal, Within - clock.Elapsed) != left - 1)
                    continue;
                taken.Add(link);
                (at, left) = (behind, left - 1);
                break;
            }
        }
        return taken;
    }

    /// <summary>How many pieces the shortest chain takes; null: there is none.</summary>
    static int? Least(IReadOnlyList<CablePiece> pieces, CableChain.Here start, CableChain.Here goal, TimeSpan left)
    {
        if (start == goal)
            return 0;
        var model = new CpModel();
        var into = new Dictionary<CableChain.Here, List<ILiteral>>();
        var outOf = new Dictionary<CableChain.Here, List<ILiteral>>();
        static List<ILiteral> at(Dictionary<CableChain.Here, List<ILiteral>> of, CableChain.Here joint) =>
            of.TryGetValue(joint, out List<ILiteral>? all) ? all : of[joint] = [];
        var arcs = new List<BoolVar>();
        foreach (var same in CableChain.Ends(pieces).GroupBy(e => e.Link.Piece))
        {
            var own = new List<ILiteral>();
            foreach ((_, CableEnd near, CableEnd far, bool crossing) in same)
            foreach (bool crossed in (bool[])[false, true])
            {
                BoolVar arc = model.NewBoolVar("");
                var from = new CableChain.Here(near.Family, near.Gender, crossed);
                at(outOf, from).Add(arc);
                at(into, CableChain.Behind(from, far, crossing)).Add(arc);
                own.Add(arc);
                arcs.Add(arc);
            }
            model.AddAtMostOne(own);
        }
        foreach (CableChain.Here joint in into.Keys.Union(outOf.Keys).Append(start).Append(goal).Distinct())
        {
            int net =
                joint == start ? 1
                : joint == goal ? -1
                : 0;
            model.Add(LinearExpr.Sum(at(outOf, joint).Cast<BoolVar>()) - LinearExpr.Sum(at(into, joint).Cast<BoolVar>()) == net);
        }
        model.Minimize(LinearExpr.Sum(arcs));
        return Solving.Possible(model, left) is { } solver ? (int)Math.Round(solver.ObjectiveValue) : null;
    }
}
