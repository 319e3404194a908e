using System.Runtime.CompilerServices;
using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;
using RustCabin.Core.Wants;

namespace RustCabin.Core;

/// <summary>
/// Every station that has something to say, in the order in which their findings are told; and what is gathered of all of them.
/// </summary>
public static class Trail
{
    /// <summary>The stations. A new one is a folder of its own and a line here.</summary>
    public static readonly IReadOnlyList<Station> Stations =
    [
        new Identify.IdentifyStation(),
        new Baseline.BaselineStation(),
        new Fit.FitStation(),
        new Memory.MemoryStation(),
        new Power.PowerStation(),
        new Rom.RomStation(),
        new Speed.SpeedStation(),
        new Storage.StorageStation(),
        new PictureSound.PictureSoundStation(),
        new Wiring.WiringStation(),
        new WantsStation(),
        new Mends.MendStation(),
        new Care.CareStation(),
        new Passport.PassportStation(),
    ];

    /// <summary>The findings that there are.</summary>
    public static IEnumerable<FindingKind> Findings => Stations.SelectMany(s => s.Findings);

    /// <summary>All checks as the solver sees them.</summary>
    public static readonly Checker Checker = new(
        [.. Stations.SelectMany(s => s.Checks).Select(c => c.Rule).OfType<Action<ChoiceModel>>()],
        Stops,
        (plan, needs) => NeedCheck.Of(plan, needs).All(a => a.Met == true),
        NeedCheck.Require
    );

    /// <summary>All findings of a plan, worst first, within that in the order of the stations.</summary>
    public static IReadOnlyList<Finding> Run(PlannedUnit unit, PowerUpCount count) =>
        [.. Found(unit, count).Where(f => MendOf(unit, f) is null).OrderBy(f => f.Severity)];

    /// <summary>What would be found if nothing were mended by hand, each with the mend that settles it.</summary>
    public static IReadOnlyList<(Finding Finding, HandMend Mend)> Mended(PlannedUnit unit, PowerUpCount count) =>
        unit.Job is not { Mends.Count: > 0 }
            ? []
            :
            [
                .. from finding in Found(unit, count)
                let mend = MendOf(unit, finding)
                where mend is not null
                select (finding, mend),
            ];

    static IEnumerable<Finding> Found(PlannedUnit unit, PowerUpCount count) =>
        Stations
            .SelectMany(s => s.Checks)
            .SelectMany(check =>
            {
                Budget.SpendMuch();
                return check.Of(unit, count);
            });

    /// <summary>The mend that the job says settles a finding; null: none does, or nobody can by hand.</summary>
    static HandMend? MendOf(PlannedUnit unit, Finding finding) =>
        unit.Job is not { Mends.Count: > 0 } job || finding.Kind.ByHand.Count == 0
            ? null
            : job.Mends.FirstOrDefault(m => m.Finding == finding.Code && m.Subject == finding.Subjects.FirstOrDefault());

    /// <summary>The stops, each with what it rests on.</summary>
    public static IEnumerable<(Rests Rests, Finding Finding)> Stops(PlannedUnit unit)
    {
        PowerUpCount count = PowerUp.Run(unit);
        return Stations
            .SelectMany(s => s.Checks)
            .SelectMany(check =>
                check
                    .Of(unit, count)
                    .Where(f => f.Severity == Severity.Stop && MendOf(unit, f) is null)
                    .Select(f => (RestsOf(unit, check, f), f))
            );
    }

    /// <summary>
    /// A part that seeks its site may find another when others come or go: what is found of its place does not rest on it
    /// alone.
    /// </summary>
    static Rests RestsOf(PlannedUnit unit, Check check, Finding finding) =>
        check.Rests == Rests.Subjects && unit.Instances.Any(i => i.SeeksSite && finding.Subjects.Contains(i.Subject))
            ? Rests.Parts
            : check.Rests;

    /// <summary>What can go wrong with a unit, station by station.</summary>
    public static IEnumerable<Slip> Slips(PlannedUnit unit) => Stations.SelectMany(s => s.Slips(unit));

    static readonly ConditionalWeakTable<PlannedUnit, IReadOnlyList<Hypothesis>> Suspected = [];

    /// <summary>The single faults that a plan allows, station by station, each once; run once as long as the plan is
    /// kept.</summary>
    public static IReadOnlyList<Hypothesis> Hypotheses(PlannedUnit at) =>
        Suspected.GetValue(at, plan => [.. Stations.SelectMany(s => s.Hypotheses(plan)).DistinctBy(h => h.Id)]);

    /// <summary>What a person sees or hears of the running machine, each once.</summary>
    /// <param name="at">The unit.</param>
    /// <param name="inCall">Only what may be told to other programs.</param>
    public static IReadOnlyList<Sight> Sights(PlannedUnit at, bool inCall = false) =>
        Sight.Merged(Stations.SelectMany(s => s.Sights(at)).Where(s => !inCall || s.InCall));

    /// <summary>What stands in a unit's passport, part by part.</summary>
    public static ILookup<PassportPart, PassportLine> Passport(PassportAsked asked) =>
        Stations.SelectMany(s => s.Passport(asked)).ToLookup(l => l.Part);
}
