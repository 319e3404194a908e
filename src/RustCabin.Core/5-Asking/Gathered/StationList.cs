using System.Collections;
using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Gathered;

/// <summary>
/// Stations in the order in which their findings are told, and what is gathered of all of them. Whoever asks them is given this
/// list: a test gives another one. Source: docs/architecture.md, A station offers.
/// </summary>
/// <param name="stations">The stations.</param>
public sealed class StationList(IReadOnlyList<Station> stations) : IReadOnlyList<Station>
{
    /// <inheritdoc/>
    public int Count => stations.Count;

    /// <inheritdoc/>
    public Station this[int index] => stations[index];

    /// <inheritdoc/>
    public IEnumerator<Station> GetEnumerator() => stations.GetEnumerator();

    /// <inheritdoc/>
    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();

    /// <summary>The act of a step; null: a step of another version of the program.</summary>
    public Act? ActOf(StepId step) => stations.SelectMany(s => s.OwnActs).FirstOrDefault(a => a.Word == step.Act);

    /// <summary>The cautions that there are: those of any bench, and those of the stations.</summary>
    public IEnumerable<Caution> Cautions => Caution.General.Concat(stations.SelectMany(s => s.Cautions));

    /// <summary>A caution as the station that declares its word has it; one of the user's own stays as it is.</summary>
    public Caution InFull(Caution caution) =>
        stations.SelectMany(s => s.Cautions).FirstOrDefault(c => c.Id == caution.Id) is { } known
            ? known with
            {
                Why = caution.Why,
            }
            : caution;

    /// <summary>The parts of the passport, in their order.</summary>
    public IEnumerable<PassportPart> PassportParts => stations.SelectMany(s => s.PassportParts).Distinct().OrderBy(p => p.Order);

    /// <summary>A stop may be mended by setting switches of what it is about.</summary>
    public bool SwitchesHelp(PlannedUnit unit, Finding finding) =>
        stations.Any(s => s.SwitchesHelp && s.Name == finding.Station)
        && unit.Instances.Any(i => i.Part.Switches.Count > 0 && finding.Subjects.Contains(i.Subject));

    /// <summary>The findings that there are.</summary>
    public IEnumerable<FindingKind> Findings => stations.SelectMany(s => s.Findings);

    /// <summary>All checks as the solver sees them.</summary>
    public Checker Checker =>
        field ??= new Checker(
            [.. stations.SelectMany(s => s.Checks).Select(c => c.Rule).OfType<Action<ChoiceModel>>()],
            Stops,
            (plan, needs) => NeedCheck.Of(plan, needs).All(a => a.Met == true),
            NeedCheck.Require
        );

    /// <summary>All findings of a plan, worst first, within that in the order of the stations.</summary>
    public IReadOnlyList<Finding> Run(PlannedUnit unit, PowerUpCount count) =>
        [.. Found(unit, count).Where(f => MendOf(unit, f) is null).OrderBy(f => f.Severity)];

    /// <summary>What would be found if nothing were mended by hand, each with the mend that settles it.</summary>
    public IReadOnlyList<(Finding Finding, HandMend Mend)> Mended(PlannedUnit unit, PowerUpCount count) =>
        unit.Job is not { Mends.Count: > 0 }
            ? []
            :
            [
                .. from finding in Found(unit, count)
                let mend = MendOf(unit, finding)
                where mend is not null
                select (finding, mend),
            ];

    IEnumerable<Finding> Found(PlannedUnit unit, PowerUpCount count)
    {
        Guess[] guesses = [.. Guess.Of(unit)];
        return stations
            .SelectMany(s => s.Checks)
            .SelectMany(check =>
            {
                Budget.SpendMuch();
                return check.Of(unit, count);
            })
            .Select(f => Guess.Told(guesses, f));
    }

    /// <summary>The mend that the job says settles a finding; null: none does, or nobody can by hand.</summary>
    static HandMend? MendOf(PlannedUnit unit, Finding finding) =>
        unit.Job is not { Mends.Count: > 0 } job || finding.Kind.ByHand.Count == 0
            ? null
            : job.Mends.FirstOrDefault(m => m.Finding == finding.Code && m.Subject == finding.Subjects.FirstOrDefault());

    /// <summary>The stops, each with what it rests on.</summary>
    public IEnumerable<(Rests Rests, Finding Finding)> Stops(PlannedUnit unit)
    {
        PowerUpCount count = PowerUp.Run(unit);
        return stations
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
    public IEnumerable<Slip> Slips(PlannedUnit unit) => stations.SelectMany(s => s.Slips(unit));

    readonly PerPlan<IReadOnlyList<Hypothesis>> _suspected = new(plan =>
        [.. stations.SelectMany(s => s.Hypotheses(plan)).DistinctBy(h => h.Id)]
    );

    /// <summary>The single faults that a plan allows, station by station, each once; run once as long as the plan is
    /// kept.</summary>
    public IReadOnlyList<Hypothesis> Hypotheses(PlannedUnit at) => _suspected.Of(at);

    /// <summary>The causes that come and go, station by station.</summary>
    public IReadOnlyList<Hypothesis> Marginals(PlannedUnit at) => [.. stations.SelectMany(s => s.Marginals(at))];

    /// <summary>What a person sees or hears of the running machine, each once.</summary>
    /// <param name="at">The unit.</param>
    /// <param name="inCall">Only what may be told to other programs.</param>
    public IReadOnlyList<Sight> Sights(PlannedUnit at, bool inCall = false) =>
        Sight.Merged(stations.SelectMany(s => s.Sights(at)).Where(s => !inCall || s.InCall));

    /// <summary>What the stations would still use of a job, in their order.</summary>
    public IReadOnlyList<(StationName Station, MissingFact Fact)> Missing(PlannedUnit unit) => _missing.Of(unit);

    readonly PerPlan<IReadOnlyList<(StationName, MissingFact)>> _missing = new(unit =>
        [.. stations.SelectMany(s => s.Missing(unit).Select(m => (s.Name, m)))]
    );

    /// <summary>What stands in a unit's passport, part by part.</summary>
    public ILookup<PassportPart, PassportLine> Passport(PassportAsked asked) =>
        stations.SelectMany(s => s.Passport(asked)).ToLookup(l => l.Part);
}
