using RustCabin.Core.Bench;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>How a step stands.</summary>
public enum StepState
{
    /// <summary>It can be done now.</summary>
    Open,

    /// <summary>It is done.</summary>
    Done,

    /// <summary>A step or a gate before it is not done.</summary>
    Locked,

    /// <summary>It is a gate, and what was read differs.</summary>
    Differs,
}

/// <summary>How far one step is, and for a gate what was read.</summary>
public sealed record StepProgress(Step Step, StepState State, Comparison? Reading, IReadOnlyList<string> Heeded)
{
    /// <summary>Cautions of the step that were read at an earlier step since the case was opened this far.</summary>
    public IReadOnlyList<string> ReadBefore { get; init; } = [];

    /// <summary>Cautions of the step that stand in full at an earlier step of this opening, read or not.</summary>
    public IReadOnlyList<string> ToldBefore { get; init; } = [];

    /// <summary>What was read, and does not count any more.</summary>
    public Comparison? Struck { get; init; }

    /// <summary>Why it does not count.</summary>
    public IReadOnlyList<string> StruckBy { get; init; } = [];

    /// <summary>A step of switching off that counts as done because a later step is: no tick of its own says anything.</summary>
    public bool IsImplied { get; init; }

    /// <summary>What was counted here of the state as it is; null: nothing.</summary>
    public CountedStarts? Counted { get; init; }

    /// <summary>The clean tries that the gate asks for; null: for none.</summary>
    public ProofByTries? Rate { get; init; }

    /// <summary>Steps that must be done before it, and are not; and those that were done and still stand.</summary>
    public IReadOnlyList<Step> Waits { get; init; } = [];

    /// <summary>Until when it stands by itself, in ISO 8601; null: it does not.</summary>
    public string? StandsUntil { get; init; }

    /// <summary>Every caution of the step is ticked.</summary>
    public bool AllHeeded => Step.Cautions.All(c => Heeded.Contains(c.Id) || ReadBefore.Contains(c.Id));
}

/// <summary>
/// How far a build is. A step behind a gate that has not passed, or a proof that is not ticked, is locked: the reading decides
/// whether to go on.
/// </summary>
public sealed record Progress(IReadOnlyList<StepProgress> Steps)
{
    /// <summary>How many of its steps are done.</summary>
    public int DoneCount => Steps.Count(s => s.State == StepState.Done);

    /// <summary>True once all are.</summary>
    public bool Finished => DoneCount == Steps.Count;

    /// <summary>The step at hand: the first that is not done.</summary>
    public StepProgress? Current => Steps.FirstOrDefault(s => s.State != StepState.Done);

    /// <summary>
    /// Progress of a job along its sheet. Readings are compared with what is predicted now, so a change of plan reopens a gate.
    /// </summary>
    public static Progress Of(BuildSheet sheet, Job? job)
    {
        var steps = new List<StepProgress>();
        bool barred = false;
        // A caution is read once a change of state: what was read holds until a level brings it again, or the case is closed.
        HashSet<string> heededHere = [],
            told = [];
        foreach (Step step in sheet.Steps)
        {
            foreach (HashSet<string> known in (HashSet<string>[])[heededHere, told])
                Forget(known, step);
            Comparison? taken =
                step.Expected is { } expected && ReadingOf(step, job) is { } read ? Comparison.Of(expected, read) : null;
            IReadOnlyList<string> against = Grounds.Against(taken?.Reading.On, step, steps.Select(s => s.Step));
            Comparison? reading = against.Count == 0 ? taken : null;
            IReadOnlyList<string> heeded =
            [
                .. step.Cautions.Select(c => c.Id).Where(c => job is not null && new HeededCaution(step.Id, c).IsIn(job.Heeded)),
            ];
            // A reading proves nothing of what is not in yet: a gate counts once the steps that it is about are done.
            Step[] waits =
            [
                .. steps.Where(s => s.State != StepState.Done && step.Needs.Contains(s.Step.Id)).Select(s => s.Step),
                .. Waiting.Before(step, steps.Select(s => s.Step), job),
            ];
            CountedStarts? counted = step.Kind == StepKind.Gate && job is not null ? Counts.At(job, step, steps) : null;
            ProofByTries? rate = step.Kind == StepKind.Gate && job is not null ? Counts.AskedAt(job, step, counted) : null;
            bool implied = step.Kind == StepKind.Off && job is not null && IsBehind(step, sheet, job),
                done = step.Kind == StepKind.Gate ? reading is { Agrees: true } && waits.Length == 0 && rate?.IsThere != false
                : step.Proved is { } proved ? proved && waits.Length == 0
                : implied || (job is not null && step.Id.IsIn(job.Done));
            StepState state = reading switch
            {
                _ when done => StepState.Done,
                { Agrees: false } => StepState.Differs,
                _ => barred ? StepState.Locked : StepState.Open,
            };
            steps.Add(
                new StepProgress(step, state, reading, heeded)
                {
                    Waits = waits,
                    StandsUntil = Waiting.UntilOf(job, step.Id),
                    Counted = counted,
                    Rate = rate,
                    IsImplied = implied,
                    Struck = against.Count == 0 ? null : taken,
                    StruckBy = against,
                    ToldBefore = [.. step.Cautions.Select(c => c.Id).Where(told.Contains)],
                    ReadBefore = [.. step.Cautions.Select(c => c.Id).Where(heededHere.Contains)],
                }
            );
            heededHere.UnionWith(heeded);
            told.UnionWith(step.Cautions.Select(c => c.Id));
            barred |= step.Kind is StepKind.Gate or StepKind.Prove or StepKind.Off && !done;
        }
        return new Progress(steps);
    }

    /// <summary>What was read of a state that a step ends.</summary>
    static void Forget(HashSet<string> known, Step step)
    {
        if (step.Kind == StepKind.Close && step.Depth == 0)
            known.Clear();
        if (step.Kind == StepKind.Open)
            known.ExceptWith(step.Cautions.Select(c => c.Id));
        // The machine ran: what was read of the plug and of what lies bare was read of another state.
        if (step.Kind == StepKind.Off)
            known.RemoveWhere(Bare.IsOfPower);
    }

    /// <summary>
    /// A later step is done, so hands were in the case after it ran: a job of a version that had no such step is not held up.
    /// </summary>
    static bool IsBehind(Step step, BuildSheet sheet, Job job) =>
        sheet.Steps.SkipWhile(s => s.Id != step.Id).Skip(1).Any(s => s.Kind != StepKind.Off && s.Id.IsIn(job.Done));

    /// <summary>
    /// The latest reading of a gate; for the untouched machine the unit's baseline serves where this job has none of its own.
    /// </summary>
    static GateReading? ReadingOf(Step step, Job? job) =>
        job?.Readings.LastOrDefault(r => r.Gate == step.Id)
        ?? (step.Id == Acts.Untouched && job is not null ? step.At?.Unit.Baseline?.Reading?.AsGate : null);
}
