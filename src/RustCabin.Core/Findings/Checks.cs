using RustCabin.Core.Baseline;
using RustCabin.Core.Fit;
using RustCabin.Core.Identify;
using RustCabin.Core.Maps;
using RustCabin.Core.Memory;
using RustCabin.Core.Memory.Chips;
using RustCabin.Core.Planning;
using RustCabin.Core.Power;
using RustCabin.Core.Rom;
using RustCabin.Core.Speed;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Findings;

/// <summary>
/// What a finding of a check can rest on: on its subjects alone, so that it stays whatever else is fitted or switched; on which parts are there, not on their
/// switches; or on all of the plan. The solver rules out no more than a finding proves.
/// </summary>
public enum Rests
{
    Subjects,
    Parts,
    All,
}

/// <summary>Every check, in the order in which people work. A check is a pure function of the planned unit and its predicted count.</summary>
public static class Checks
{
    static readonly (Rests Rests, Func<PlannedUnit, PowerUpCount, IEnumerable<Finding>> Of)[] InOrder =
    [
        (Rests.Parts, (unit, _) => IdentifyChecks.Contradictions(unit)),
        (Rests.Parts, (unit, _) => BaselineChecks.Untested(unit)),
        (Rests.Parts, (unit, _) => BaselineChecks.Faults(unit)),
        (Rests.Parts, (unit, _) => BaselineChecks.Rails(unit)),
        (Rests.Parts, (unit, _) => ConditionChecks.Found(unit)),
        (Rests.Parts, (unit, _) => Inherited.Unproven(unit)),
        (Rests.Subjects, (unit, _) => FitChecks.Revision(unit)),
        (Rests.Parts, (unit, _) => FitChecks.Doubt(unit)),
        (Rests.Parts, (unit, _) => FitChecks.SiteTaken(unit)),
        (Rests.All, (unit, _) => PartChecks.Needs(unit)),
        (Rests.Subjects, (unit, _) => PartChecks.Conflicts(unit)),
        (Rests.Subjects, (unit, _) => PartChecks.Soldered(unit)),
        (Rests.Parts, (unit, _) => PartChecks.Height(unit)),
        (Rests.Parts, (unit, _) => SiteChecks.Missing(unit)),
        (Rests.Parts, (unit, _) => SiteChecks.Expected(unit)),
        (Rests.Subjects, (unit, _) => SiteChecks.TurnedRound(unit)),
        (Rests.Subjects, (unit, _) => SiteChecks.Overhangs(unit)),
        (Rests.Parts, (unit, _) => MechanicalChecks.Envelope(unit)),
        (Rests.Parts, (unit, _) => MechanicalChecks.Openings(unit)),
        (Rests.Parts, (unit, _) => MechanicalChecks.Bare(unit)),
        (Rests.Subjects, (unit, _) => MechanicalChecks.Facing(unit)),
        (Rests.Subjects, (unit, _) => MechanicalChecks.Trims(unit)),
        (Rests.Subjects, (unit, _) => SoftwareChecks.Drivers(unit)),
        (Rests.Subjects, (unit, _) => SoftwareChecks.Errata(unit)),
        (Rests.Subjects, (unit, _) => WantChecks.Skill(unit)),
        (Rests.All, (unit, _) => MapChecks.Fights(unit)),
        (Rests.All, (unit, _) => MapChecks.WritesTwice(unit)),
        (Rests.All, (unit, _) => MapChecks.Outside(unit)),
        (Rests.All, (unit, _) => MapChecks.NoRoom(unit)),
        (Rests.All, (unit, _) => ChipChecks.Of(unit)),
        (Rests.All, (unit, _) => BankChecks.Reset(unit)),
        (Rests.All, MemoryChecks.Unseen),
        (Rests.All, MemoryChecks.BeyondLimit),
        (Rests.All, (unit, _) => PowerChecks.Rails(unit)),
        (Rests.All, (unit, _) => PathChecks.Of(unit)),
        (Rests.Parts, (unit, _) => FeedChecks.Levels(unit)),
        (Rests.Subjects, (unit, _) => FeedChecks.Feeds(unit)),
        (Rests.Parts, (unit, _) => FeedChecks.Profiles(unit)),
        (Rests.All, (unit, _) => HeatChecks.Of(unit)),
        (Rests.Parts, (unit, _) => RomChecks.Of(unit)),
        (Rests.All, (unit, _) => RomChecks.Proofs(unit)),
        (Rests.All, (unit, _) => SpeedChecks.Of(unit)),
        (Rests.All, (unit, _) => WantChecks.Unmet(unit)),
        (Rests.Parts, (unit, _) => WantChecks.Limits(unit)),
        (Rests.Parts, (unit, _) => WantChecks.Originals(unit)),
    ];

    /// <summary>All findings, worst first, within that in the order of the stations.</summary>
    public static IReadOnlyList<Finding> Run(PlannedUnit unit, PowerUpCount count) =>
        [.. InOrder.SelectMany(check => check.Of(unit, count)).OrderBy(f => f.Severity)];

    /// <summary>The stops, each with what it rests on.</summary>
    public static IEnumerable<(Rests Rests, Finding Finding)> Stops(PlannedUnit unit, PowerUpCount count) =>
        InOrder.SelectMany(check => check.Of(unit, count).Where(f => f.Severity == Severity.Stop).Select(f => (check.Rests, f)));
}
