using RustCabin.Core.Build;
using RustCabin.Core.Planning;

namespace RustCabin.Core.Presses;

/// <summary>
/// A write-up of a job in Markdown, from what was really done: the machine, what was wanted, each step that is done with its
/// minutes, what was read, what went wrong and how it was mended, what was learnt. Source: docs/handbook/passport.md, Ask and
/// tell.
/// </summary>
public static class TellText
{
    /// <summary>The text.</summary>
    /// <param name="at">The job.</param>
    /// <param name="photo">Where a photo that was taken at a step lies, by its number; null: it is left out.</param>
    public static string Of(AtHand at, Func<int, string?>? photo = null)
    {
        StepProgress[] done = [.. at.Progress.Steps.Where(s => s.State == StepState.Done && !s.IsImplied)];
        string[] lines =
        [
            $"# {at.Job.Name}",
            "",
            $"{at.Unit.Name}: {at.Model.Maker} {at.Model.Name}, {at.Board}.".Replace(":  ", ": "),
            "",
            .. Part("What it was for", at.Job.Wants.Select(w => Wants.NeedCheck.Words(w, at.After))),
            .. Part("What went in", at.After.Parts.Where(p => p.Added).Select(p => $"{p.Title}{By(p)}")),
            .. Part("What was done", done.Where(s => !s.Step.IsGate).Select(s => Done(at, s) + Photos(at, s, photo))),
            .. Part("What was read", done.Where(s => s.Step.IsGate).SelectMany(s => Seen(at, s, photo))),
            .. Part("What went wrong", Wrong(at)),
            .. Part("What was learnt", done.SelectMany(s => Lessons.At(s.Step)).Select(l => l.Text)),
            .. Part(
                "What is given up",
                at.After.Parts.Where(p => p.Added).SelectMany(p => Fit.Losses.Of(at.Model, p.Way)).Distinct()
            ),
            .. at.Build is { NoiseBeforeDb: { } loud, NoiseAfterDb: { } then }
                ? [$"Noise at one metre: {loud:0.#} dB before, {then:0.#} dB after.", ""]
                : (string[])[],
            .. at.Job.Outcome is { } outcome ? [$"{Declared.IdText.Capital(outcome.Said)}.", ""] : (string[])[],
            at.Progress.Finished
                ? "Built, read and closed."
                : $"{at.Progress.DoneCount} of {at.Progress.Steps.Count} steps are done.",
        ];
        return string.Join("\n", lines).TrimEnd() + "\n";
    }

    static IEnumerable<string> Part(string title, IEnumerable<string> said) =>
        said.ToArray() is { Length: > 0 } all ? [$"## {title}", "", .. all.Select(s => $"- {s}"), ""] : [];

    static string By(Instance part) => part.Way is { } way ? $", by the way {way.Called}" : "";

    static string Done(AtHand at, StepProgress step) =>
        step.Step.Title
        + (at.Job.MinutesOf(step.Step.Id) is { } took ? $", {took:0} minutes" : "")
        + string.Concat(at.Build.Notes.Where(n => n.Step == step.Step.Id && n.Text.Length > 0).Select(n => $". Noted: {n.Text}"));

    static IEnumerable<string> Seen(AtHand at, StepProgress step, Func<int, string?>? photo)
    {
        string[] read = [.. Read(step)];
        read[^1] += Photos(at, step, photo);
        return read;
    }

    /// <summary>The photos that were taken at a step, each on a line of its own under it.</summary>
    static string Photos(AtHand at, StepProgress step, Func<int, string?>? photo) =>
        string.Concat(
            at.Build.Notes.Where(n => n.Step == step.Step.Id && n.Photo is { } number && photo?.Invoke(number) is not null)
                .Select(n => $"\n\n  ![{Alt(n.Text.Length > 0 ? n.Text : step.Step.Title)}]({photo!(n.Photo!.Value)})")
        );

    /// <summary>Words that end no bracket.</summary>
    static string Alt(string words) => words.Replace("[", "\\[").Replace("]", "\\]").ReplaceLineEndings(" ");

    static IEnumerable<string> Read(StepProgress step) =>
        step.Reading is not { } read ? [step.Step.Title]
        : read.Lines.Count == 0 ? [$"{step.Step.Title}: it starts"]
        : [$"{step.Step.Title}: {string.Join(", ", read.Lines.Select(l => $"{l.Label} {l.Seen}"))}"];

    static IEnumerable<string> Wrong(AtHand at) =>
        (at.Job.Faults?.Confirmed ?? [])
            .Select(c => c.Mend.Length > 0 ? $"{c.Words}. {c.Mend}" : c.Words)
            .Concat(at.Job.Mends.Select(m => $"{m.How}{(m.Proof.Length > 0 ? $", proved by {m.Proof}" : "")}"));
}
