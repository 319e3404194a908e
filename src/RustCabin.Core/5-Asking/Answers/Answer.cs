using RustCabin.Core.Bench;
using RustCabin.Core.Findings;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Power;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Answers;

/// <summary>The worst that a job's findings say; notes alone are clear.</summary>
public enum Standing
{
    /// <summary>Something stops it.</summary>
    Stop,

    /// <summary>Something is to be watched.</summary>
    Watch,

    /// <summary>Nothing stands against it.</summary>
    Clear,
}

/// <summary>
/// Everything that the stations and <c>POST /api/v1/check</c> show of one job, computed at once from its sheets. Minutes are
/// those of the ways added, money is what the added parts cost.
/// </summary>
public sealed record Answer(
    PlannedUnit Planned,
    PowerUpCount PowerUp,
    IReadOnlyList<Finding> Findings,
    IReadOnlyList<RailLoad> Rails,
    Money Cost,
    decimal Minutes,
    bool Reversible
)
{
    /// <summary>What was found and is settled by a mend that a person makes or has made.</summary>
    public IReadOnlyList<(Finding Finding, HandMend Mend)> Mended { get; init; } = [];

    /// <summary>The same with what the readings of the build have to say, worst first.</summary>
    public Answer With(IEnumerable<Finding> more) => this with { Findings = [.. Findings.Concat(more).OrderBy(f => f.Severity)] };

    /// <summary>How it stands.</summary>
    public Standing Standing => StandingOf(Findings);

    /// <summary>How findings stand: by the worst of them; notes alone are clear.</summary>
    public static Standing StandingOf(IReadOnlyList<Finding> findings) =>
        findings.Count == 0
            ? Standing.Clear
            : findings.Min(f => f.Severity) switch
            {
                Severity.Stop => Standing.Stop,
                Severity.Watch => Standing.Watch,
                _ => Standing.Clear,
            };

    /// <summary>The answer for a plan. For each stop it is tried whether one switch moved would mend it.</summary>
    public static Answer For(StationList stations, PlannedUnit planned)
    {
        PowerUpCount count = Bench.PowerUp.Run(planned);
        IReadOnlyList<Finding> findings = Searches.SingleMoves.Mend(stations, planned, stations.Run(planned, count));
        Instance[] added = [.. planned.Instances.Where(i => i.Added)];
        return new Answer(
            planned,
            count,
            [.. findings, .. Searches.IdleParts.Of(stations, planned, findings)],
            RailLoad.Of(planned),
            new Money(added.Sum(i => i.Part.Price), planned.Currency),
            added.Sum(i => i.Way?.Minutes ?? 0),
            added.All(i => i.Way?.Reversible ?? true) && planned.Job?.Build is not { Care.Count: > 0 }
        )
        {
            Mended = stations.Mended(planned, count),
        };
    }
}
