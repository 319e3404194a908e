using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>A gate that a school of one's own may have.</summary>
/// <param name="Gate">The gate.</param>
/// <param name="With">What is new at it.</param>
/// <param name="There">It stands.</param>
/// <param name="Always">It always stands: the last, and those around what is proved by itself.</param>
public sealed record OwnGate(StepId Gate, string With, bool There, bool Always);

/// <summary>By which school a job is built, with which gates of one's own, and what is noted at a step.</summary>
public static class Gating
{
    /// <summary>Goes over to a school; gates of one's own begin as those that stand now.</summary>
    public static Press<Job> School(AtHand at, string school) =>
        Words<School>.TryParse(school, out School to) && to != at.Sheet.School
            ? Change(
                $"Built {InWords(to)}",
                j => BuildEdits.To(j, to, [.. at.Sheet.Steps.Where(s => s.Kind == StepKind.Gate).Select(s => s.Id)])
            )
            : Gone;

    /// <summary>A school in a few words.</summary>
    public static string InWords(School school) =>
        school switch
        {
            Sheets.School.Careful => "with a test after every change",
            Sheets.School.Batch => "with a test after each access level",
            _ => "with tests of one's own choice",
        };

    /// <summary>The gates that a school of one's own may have.</summary>
    public static IEnumerable<OwnGate> Own(AtHand at)
    {
        GateAsked[] all = [.. at.Sheet.Order.Works.Select(w => w.Gate).OfType<GateAsked>()];
        return all.Select(
            (g, i) =>
            {
                bool always = i == all.Length - 1 || g.Alone || all[i + 1].Alone;
                return new OwnGate(g.Id, g.With, always || at.Build.Gates.Contains(g.Id), always);
            }
        );
    }

    /// <summary>Notes how loud the machine is, before the job and after it, at one metre; empty: not measured.</summary>
    public static Press<Job> Noise(string? before, string? after)
    {
        decimal?[] heard = new decimal?[2];
        foreach ((int i, string? typed) in ((string?[])[before, after]).Index())
            if (!string.IsNullOrWhiteSpace(typed))
                if (TypedNumber.TryParse(typed, out decimal db) && db is >= 0 and <= 200)
                    heard[i] = db;
                else
                    return Refuse(i == 0 ? "before" : "after", $"Nothing was noted: \"{typed}\" is no loudness in dB, 0 to 200.");
        return Change($"Noise: {Loud(heard[0])} before, {Loud(heard[1])} after", j => BuildEdits.Noise(j, heard[0], heard[1]));
    }

    /// <summary>A loudness in words.</summary>
    public static string Loud(decimal? db) => db is { } heard ? $"{heard:0.#} dB" : "not measured";

    /// <summary>Keeps to a way at the iron.</summary>
    public static Press<Job> Keep(AtHand at, string habit, string kept) =>
        Habit.All.FirstOrDefault(h => h.Id == habit) is { } known
        && known.Ways.FirstOrDefault(w => w.Id == kept) is { } to
        && known.In(at.Job) != to
            ? Change($"{IdText.Capital(known.Asks)}: {to.Words}", j => BuildEdits.Keep(j, habit, kept))
            : Gone;

    /// <summary>Puts a gate of one's own, or takes it away.</summary>
    public static Press<Job> Gate(AtHand at, StepId gate, bool there) =>
        Own(at).FirstOrDefault(g => g.Gate == gate) is { Always: false } known
            ? Change($"{(there ? "A gate" : "No gate")} {known.With}", j => BuildEdits.Gate(j, known.Gate, there))
            : Gone;

    /// <summary>
    /// What is noted at a step, before its picture is kept: the note, or what is wrong with it.
    /// </summary>
    /// <param name="at">The job.</param>
    /// <param name="step">The step.</param>
    /// <param name="text">What was written.</param>
    /// <param name="look">For a bath, how it looks; empty: not said.</param>
    /// <param name="pictured">A picture comes with it.</param>
    public static (BenchNote? Note, Refusal? Refused) Noted(AtHand at, StepId step, string? text, string? look, bool pictured)
    {
        if (!Texts.TryOptional<BenchNote>(nameof(BenchNote.Text), text, out string words))
            return (
                null,
                Refuse("text", $"Nothing was noted: {Texts.Most<BenchNote>(nameof(BenchNote.Text)):#,0} letters at most.")
            );
        CareLook? seen = Words<CareLook>.TryParse(look ?? "", out CareLook known) ? known : null;
        if (words.Length == 0 && !pictured && seen is null)
            return (null, Refuse("text", "Nothing was noted: write something, or pick a picture."));
        if (at.Find(step) is not { } here)
            return (null, Refuse("step", "Nothing was noted: this step is not on the sheet any more."));
        return (
            new BenchNote
            {
                Step = here.Step.Id,
                At = at.Moment,
                Text = words,
                Look = seen,
            },
            null
        );
    }

    /// <summary>Notes something at the step at hand; of a build that is done, at its last.</summary>
    public static Press<Job> NoteHere(AtHand at, string? text)
    {
        if ((at.Progress.Current ?? at.Progress.Steps.LastOrDefault()) is not { } here)
            return Refuse("job", "Nothing was noted: this job has no step yet.");
        (BenchNote? note, Refusal? refused) = Noted(at, here.Step.Id, text, look: null, pictured: false);
        return refused is not null ? refused : Note(at, note!);
    }

    /// <summary>Notes something at a step.</summary>
    public static Press<Job> Note(AtHand at, BenchNote note)
    {
        string said =
            note.Text.Length > 0 ? note.Text
            : note.Look is { } how ? Words<CareLook>.Of(how)
            : "a picture";
        return Change($"Noted at \"{at.Find(note.Step)?.Step.Title}\": {said}", j => BuildEdits.Note(j, note));
    }

    /// <summary>Takes a note away, by its place in the record.</summary>
    public static Press<Job> Forget(AtHand at, int note) =>
        note >= 0 && note < at.Build.Notes.Count
            ? Change(
                $"A note taken away at \"{at.Find(at.Build.Notes[note].Step)?.Step.Title}\"",
                j => BuildEdits.Forget(j, note)
            )
            : Gone;
}
