using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>
/// What a stranger must know to answer a question about a job: which board and how sure that is, what is in and how it is set,
/// what was read against what was expected, what was tried. Plain text that can be pasted anywhere. Source:
/// docs/handbook/passport.md, Ask and tell.
/// </summary>
public static class AskText
{
    /// <summary>The text.</summary>
    /// <param name="at">The job.</param>
    /// <param name="question">The question; empty: the last reading that differs asks it.</param>
    public static string Of(AtHand at, string question)
    {
        var lines = new List<string>();
        void Part(string title, IEnumerable<string> said)
        {
            string[] all = [.. said];
            if (all.Length == 0)
                return;
            lines.Add($"{title}:");
            lines.AddRange(all.Select(s => $"- {s}"));
            lines.Add("");
        }
        lines.Add(question.Trim().Length > 0 ? question.Trim() : Asks(at));
        lines.Add("");
        PlannedUnit now = at.Record.Now;
        Part(
            "Machine",
            [$"{at.Model.Name}, {at.Board}", .. now.Firmware is { } f ? [$"firmware {f}"] : (string[])[], .. Doubts(at)]
        );
        Part(
            "In it now",
            now.Instances.Where(i => !i.IsMainboard || i.Part.Switches.Count > 0)
                .Select(Words)
                .DefaultIfEmpty("nothing but what the maker fitted")
        );
        Part("Planned", at.After.Parts.Where(i => now.Find(i.Name) is null).Select(Words));
        Part("Read", at.Progress.Steps.SelectMany(Readings));
        Part("Tried", Tried(at));
        Part(
            "Found by the plan",
            at.Answer.Findings.Where(f => f.Severity != Severity.Note).Take(8).Select(f => $"{f.Code}: {f.Text}")
        );
        return string.Join("\n", lines).TrimEnd() + "\n";
    }

    static string Asks(AtHand at) =>
        at.Progress.Steps.FirstOrDefault(s => s.State == StepState.Differs) is { } differs
            ? $"What can make a {at.Model.Name} differ at \"{differs.Step.Title}\"?"
            : $"A question about a {at.Model.Name}.";

    static IEnumerable<string> Doubts(AtHand at) =>
        at
            .After.Revision.Contradictions.Select(c => $"in doubt: {c.Clue} speaks against the others")
            .Concat(at.Doubtful ? ["the board is a guess: nobody has confirmed it"] : (string[])[]);

    static string Words(Instance part) =>
        part.Title
        + (part.Way is { } way && !part.IsMainboard ? $", by the way {way.Called}" : "")
        + (
            part.Positions.Count > 0
                ? $", set {string.Join(", ", part.Positions.Select(p => $"{p.Key} {p.Value}"))}"
                : ", no switches"
        );

    static IEnumerable<string> Readings(StepProgress step)
    {
        if ((step.Reading ?? step.Struck) is not { } read)
            yield break;
        string stands = step.Reading is null ? " (does not count any more)" : "";
        foreach (Bench.ComparedLine line in read.Lines)
            yield return $"{step.Step.Title}{stands}: {line.Label}: expected {Amount(line.Expected)}, read {Amount(line.Seen)}"
                + (line.Agrees ? "" : "  <- differs");
        if (read.Reading.Starts is { } starts)
            yield return $"{step.Step.Title}{stands}: {(starts ? "it starts" : "it does not start")}";
    }

    static string Amount(Units.ByteSize? size) => size is { } known ? $"{known}" : "nothing";

    static IEnumerable<string> Tried(AtHand at) =>
        (at.Job.Faults?.Looks ?? [])
            .Select(l => $"{l.What}: {l.Showed}")
            .Concat((at.Job.Faults?.Confirmed ?? []).Select(c => $"found and mended: {c.Words}"))
            .Concat(at.Job.Mends.Select(m => $"mended by hand: {m.How}"));

    /// <summary>An answer that came back is noted, with who gave it and how far it is trusted.</summary>
    public static Press<Job> Hear(AtHand at, string? text, string? source, string? trust)
    {
        if (!Texts.TryNeeded<HeardAnswer>(nameof(HeardAnswer.Text), text, out string said))
            return Refuse("text", "Nothing was written: say what the answer was.");
        if (!Texts.TryNeeded<HeardAnswer>(nameof(HeardAnswer.Source), source, out string who))
            return Refuse("source", "Nothing was written: say who gave it, or where it stands.");
        return Words<FactTrust>.TryParse(trust ?? "", out FactTrust trusted)
            ? Change(
                $"An answer noted, from {who}",
                j =>
                    j with
                    {
                        Heard =
                        [
                            .. j.Heard,
                            new HeardAnswer
                            {
                                Text = said,
                                Source = who,
                                Trust = trusted,
                                At = at.Moment,
                            },
                        ],
                    }
            )
            : Refuse("trust", "Nothing was written: say how far it is trusted.");
    }

    /// <summary>An answer is struck out, by its place.</summary>
    public static Press<Job> Unhear(AtHand at, int index) =>
        index < 0 || index >= at.Job.Heard.Count
            ? Gone
            : Change("An answer struck out", j => j with { Heard = [.. j.Heard.Where((_, i) => i != index)] });
}
