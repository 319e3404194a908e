using RustCabin.Core.Bench;
using RustCabin.Core.Findings;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Searches;

/// <summary>One switch of one instance put into another position, and the plan that comes of it.</summary>
public sealed record Move(Instance Instance, Switch Switch, string Position, PlannedUnit Planned);

/// <summary>
/// What moving a single switch would do: the mend that a stop offers, and the slip that explains a reading. Moves are simulated
/// with the same functions as the plan itself.
/// </summary>
static class SingleMoves
{
    /// <summary>
    /// So many moves are tried at most, so that an answer stays quick on a board full of switches; fewer in a unit of very many
    /// parts, where each takes longer.
    /// </summary>
    const int MostTried = 64,
        MostParts = 4096;

    static int Tries(PlannedUnit planned) => Math.Clamp(MostParts / Math.Max(1, planned.Instances.Count), 1, MostTried);

    /// <summary>Every single move of a switch, each with what it makes of the unit.</summary>
    public static IEnumerable<Move> Of(PlannedUnit planned) =>
        from instance in planned.Instances
        from own in instance.Part.Switches
        from position in own.Positions
        where position != instance.Positions[own.Id]
        select new Move(instance, own, position, Plan.Moved(planned, instance.Name, own.Id, position));

    /// <summary>
    /// Gives each stop the first single move, of a switch or of what a station proposes, after which it is gone and no other stop
    /// has come.
    /// </summary>
    public static IReadOnlyList<Finding> Mend(StationList stations, PlannedUnit planned, IReadOnlyList<Finding> findings)
    {
        if (findings.All(f => f.Severity != Severity.Stop))
            return findings;
        List<(Fix Fix, IReadOnlyList<Finding> Stops)> tried =
        [
            .. Of(planned)
                .Select(m => new Proposal(FixOf(m), m.Planned))
                .Take(Tries(planned))
                .Concat(stations.SelectMany(s => s.Proposals(planned)).Take(Tries(planned)))
                .Select(m => (m.Fix, StopsOf(stations, m.Planned))),
        ];
        int now = findings.Count(f => f.Severity == Severity.Stop);
        return
        [
            .. findings.Select(finding =>
                finding.Severity != Severity.Stop || finding.Fix is not null
                    ? finding
                    : tried
                        .Where(t =>
                            t.Stops.Count < now
                            && !t.Stops.Any(s => s.Code == finding.Code && s.Subjects.SequenceEqual(finding.Subjects))
                        )
                        .OrderBy(t => t.Stops.Count)
                        .Select(t => finding with { Fix = t.Fix })
                        .FirstOrDefault()
                        ?? finding
            ),
        ];
    }

    static IReadOnlyList<Finding> StopsOf(StationList stations, PlannedUnit planned) =>
        [.. stations.Run(planned, PowerUp.Run(planned)).Where(f => f.Severity == Severity.Stop)];

    static Fix FixOf(Move move) =>
        Fix.Of(move.Instance.Name, new Dictionary<string, string> { [move.Switch.Id] = move.Position });
}
