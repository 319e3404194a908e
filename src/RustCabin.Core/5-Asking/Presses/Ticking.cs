using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>Steps are ticked, and their cautions read. Source: docs/handbook/build.md, Presses.</summary>
public static class Ticking
{
    /// <summary>
    /// Ticks a step as done, or takes the tick back. A step behind a gate that has not passed, one with an unread caution, one
    /// that waits for others or closes over a piece that is missing is not ticked; a gate and a proof by simulation never are.
    /// </summary>
    /// <param name="at">The job.</param>
    /// <param name="step">The step, as the sheet writes it.</param>
    /// <param name="done">Whether it is done.</param>
    /// <param name="took">The minutes that it took, as typed; empty: nothing is noted.</param>
    /// <param name="proof">For a mend, what proves it.</param>
    public static Press<Job> Tick(AtHand at, StepId step, bool done, string? took, string? proof)
    {
        if (at.Find(step) is not { Step: { Kind: not StepKind.Gate, Proved: null } known } here)
            return Gone;
        if (!done && here.IsImplied)
            return Refuse(
                "step",
                $"Nothing was changed: a step after \"{known.Title}\" is done, so the machine was off. Take that one back first"
            );
        if (!done)
            return Change(
                $"Not done after all: {known.Title}",
                j => BuildEdits.Stand(JobEdits.Took(Untick(j, known), known.Id, null), known.Id, null, "")
            );
        if (Bar(at, here) is { } barred)
            return barred;
        if (!TryMinutes(took, out decimal? minutes))
            return Refuse("took", $"Nothing was changed: \"{took}\" is not a number of minutes");
        bool mend = known.Kind == StepKind.Mend;
        int most = Texts.Most<HandMend>(nameof(HandMend.Proof));
        if (
            !(
                mend
                    ? Texts.TryNeeded<HandMend>(nameof(HandMend.Proof), proof, out string proved)
                    : Texts.TryOptional<HandMend>(nameof(HandMend.Proof), proof, out proved)
            )
        )
            return Refuse(
                "proof",
                $"Nothing was changed: say in up to {most:#,0} letters what proves it, a reading or what you see"
            );
        return Change(
            $"Done: {known.Title}"
                + (proved.Length > 0 ? $", proved by {proved}" : "")
                + (minutes is null ? "" : $", in {minutes} min"),
            j =>
                Stands(
                    JobEdits.Took(
                        mend ? JobEdits.MakeMend(j, known.Id, proved, at.Moment) : JobEdits.Tick(j, known.Id, true),
                        known.Id,
                        minutes
                    ),
                    known,
                    at.Moment
                )
        );
    }

    /// <summary>From now on it stands, where the sheet says so.</summary>
    static Job Stands(Job job, Step step, string moment) =>
        step.Wait > 0 && Moments.Of(moment) is { } now
            ? BuildEdits.Stand(job, step.Id, Moments.Show(now.AddMinutes((double)step.Wait)), step.Title)
            : job;

    /// <summary>What stood is ready: whoever looked at it says so, before its time or after.</summary>
    public static Press<Job> Ready(AtHand at, StepId step) =>
        at.Find(step) is { StandsUntil: { } until } here
            ? Change(
                Moments.Of(until) - Moments.Of(at.Moment) is { Ticks: > 0 } early
                    ? $"Ready {early.TotalMinutes:0} min before its time: {here.Step.Title}"
                    : $"Ready: {here.Step.Title}",
                j => BuildEdits.Stand(j, here.Step.Id, null, "")
            )
            : Gone;

    static Job Untick(Job job, Step step) =>
        JobEdits.Tick(step.Kind == StepKind.Mend ? JobEdits.MakeMend(job, step.Id, "", "") : job, step.Id, false);

    /// <summary>Why a step cannot be ticked as things stand; null: it can.</summary>
    public static Refusal? Bar(AtHand at, StepProgress step)
    {
        if (step.State == StepState.Locked)
            return Refuse("step", "Nothing was changed: a gate before this step has not passed");
        if (!step.AllHeeded)
            return Refuse("heeded", $"Nothing was changed: tick the cautions of \"{step.Step.Title}\" first");
        if (Ledger.Missing(Ledger.Of(at.Sheet, at.Job), step.Step) is { Count: > 0 } missing)
            return Refuse(
                "piece",
                $"Nothing was changed: {string.Join(", ", missing.Select(m => m.Words))} of the bench "
                    + "must be back in place, or be left out with a reason, before the case is closed"
            );
        if (Standing(at, step) is { } stands)
            return stands;
        return step.Waits.Count > 0
            ? Refuse("step", $"Nothing was changed: first {string.Join(", ", step.Waits.Select(w => $"\"{w.Title}\""))}")
            : null;
    }

    /// <summary>What it rests on still stands; null: nothing of it does.</summary>
    internal static Refusal? Standing(AtHand at, StepProgress step) =>
        step.Waits.FirstOrDefault(w => Waiting.UntilOf(at.Job, w.Id) is not null) is { } stands
            ? Refuse("step", $"Nothing was changed: \"{stands.Title}\" still stands; look at it, and say there that it is ready")
            : null;

    /// <summary>Notes how many minutes a step that is done really took; nothing typed forgets it.</summary>
    public static Press<Job> Took(AtHand at, StepId step, string? took)
    {
        if (!TryMinutes(took, out decimal? minutes))
            return Refuse("took", $"Nothing was changed: \"{took}\" is not a number of minutes");
        return at.Find(step) is { State: StepState.Done } here
            ? Change(
                minutes is null ? $"No minutes noted after all: {here.Step.Title}" : $"Took {minutes} min: {here.Step.Title}",
                j => JobEdits.Took(j, here.Step.Id, minutes)
            )
            : Gone;
    }

    static bool TryMinutes(string? typed, out decimal? minutes)
    {
        minutes = null;
        if (string.IsNullOrWhiteSpace(typed))
            return true;
        bool read = TypedNumber.TryParse(typed, out decimal value) && value is > 0 and < 100_000;
        minutes = read ? value : null;
        return read;
    }

    /// <summary>
    /// Ticks cautions of a step as read, or takes that back: one tick for all that a change of state brings.
    /// </summary>
    public static Press<Job> Heed(AtHand at, StepId step, IReadOnlyList<string> cautions, bool heeded) =>
        at.Find(step) is { } here && here.Step.Cautions.Where(c => cautions.Contains(c.Id)).ToArray() is { Length: > 0 } known
            ? Change(
                $"Caution {(heeded ? "read" : "unticked")} at \"{here.Step.Title}\": "
                    + string.Join(", ", known.Select(c => c.Title)),
                j => known.Aggregate(j, (now, c) => JobEdits.Heed(now, here.Step.Id, c.Id, heeded))
            )
            : Gone;
}
