using System.Text;
using System.Text.Json;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Core.Speed;
using RustCabin.Core.Wants;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What is wanted of a job, within which limits, and what a benchmark says of it.</summary>
public static class Wanting
{
    /// <summary>Adds a want, as a sheet writes it.</summary>
    public static Press<Job> Want(AtHand at, string? want) =>
        Read(want ?? "") is { } need ? Want(at, need) : Refuse("want", "Nothing was changed: that is no want");

    static Press<Job> Want(AtHand at, Need need) =>
        Change($"Wanted: {NeedCheck.Words(need, at.After)}", j => WantEdits.Add(j, need));

    /// <summary>A want as a sheet writes it; null: it does not read as one.</summary>
    static Need? Read(string text)
    {
        try
        {
            using JsonDocument document = PackReader.Parse(Encoding.UTF8.GetBytes(text));
            var reading = new SheetReading("want");
            Need? need = Need.Read(document.RootElement, reading);
            return reading.Errors.Count == 0 ? need : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <summary>Adds a want that was put together by hand.</summary>
    public static Press<Job> Ask(AtHand at, AskForm form) =>
        form.TryRead(out Need want, out string wrong) ? Want(at, want) : Refuse("amount", $"Nothing was changed: {wrong}.");

    /// <summary>Takes a want back, by its place.</summary>
    public static Press<Job> Unwant(AtHand at, int index) =>
        index < 0 || index >= at.Job.Wants.Count
            ? Gone
            : Change($"No longer wanted: {NeedCheck.Words(at.Job.Wants[index], at.After)}", j => WantEdits.Drop(j, index));

    /// <summary>Sets the limits.</summary>
    public static Press<Job> Limits(AtHand at, LimitsForm form) =>
        form.TryRead(k => at.Sheets.FindPart(k) is not null, out JobLimits limits, out string wrong)
            ? Change("Limits set", j => WantEdits.Limits(j, limits))
            : Refuse("budget", $"Nothing was changed: {wrong}.");

    /// <summary>Makes a set of parts the job.</summary>
    /// <param name="set">The set; null: it is not among those that work any more.</param>
    public static Press<Job> Take(BuildSet? set) =>
        set is null
            ? Refuse("set", "Nothing was changed: that set is no longer among those that work. Look again.")
            : Change(
                "Build set taken: "
                    + (set.Parts.Count == 0 ? "no part needed" : string.Join(", ", set.Parts.Select(p => p.Part.Name))),
                j => WantEdits.Take(j, set.Choice)
            );

    /// <summary>Kinds of work that a benchmark is split into.</summary>
    public static readonly IReadOnlyList<string> Kinds = ["processor", "memory", "storage", "picture"];

    /// <summary>Splits the work, in seconds of each kind; empty or 0 leaves a kind out.</summary>
    public static Press<Job> Work(IReadOnlyList<string> kinds, IReadOnlyList<string?> seconds)
    {
        var work = new List<WorkShare>();
        foreach ((int i, string name) in kinds.Index())
        {
            string text = Texts.Of(seconds.ElementAtOrDefault(i));
            if (text is "" or "0")
                continue;
            if (!Kinds.Contains(name) || !TypedNumber.TryParse(text.TrimEnd('s'), out decimal value) || value > 1_000_000_000)
                return Refuse(
                    "seconds",
                    $"Nothing was changed: \"{text}\" for {name} is not a time in seconds; type 80 or 12.5."
                );
            work.Add(new WorkShare { Kind = name, Seconds = value });
        }
        return Change(
            $"Work split: {string.Join(", ", work.Select(w => $"{w.Kind} {w.Seconds} s"))}",
            j => SpeedEdits.Work(j, work)
        );
    }

    /// <summary>Runs of a benchmark after the build, seconds apart by spaces; none takes it away.</summary>
    public static Press<Job> After(string? name, string? seconds)
    {
        string called = Texts.Of(name);
        return TypedNumber.TryRuns(called, Texts.Of(seconds), out IReadOnlyList<decimal> runs, out string wrong)
            ? Change(
                runs.Count == 0 ? $"Runs after taken away: {called}" : $"After the build, {called}: {string.Join(", ", runs)} s",
                j => SpeedEdits.After(j, called, runs)
            )
            : Refuse("seconds", $"Nothing was changed: {wrong}.");
    }

    /// <summary>Notes how much faster a person or a leaflet says that it is.</summary>
    public static Press<Job> Claim(AtHand at, ClaimForm form)
    {
        if (!form.TryRead(out SpeedClaim claim, out string wrong))
            return Refuse("ratio", $"Nothing was changed: {wrong}.");
        if (claim.Unit is { } reference && at.Sheets.FindUnit(reference) is null)
            return Refuse("unit", $"Nothing was changed: \"{reference}\" is not a unit here.");
        if (claim.Model is { } typical && at.Sheets.FindModel(typical) is null)
            return Refuse("unit", $"Nothing was changed: \"{typical}\" is not a model here.");
        return Change($"Claim noted: {claim.Who}, x {claim.Ratio}", j => SpeedEdits.Claim(j, claim));
    }

    /// <summary>Takes a claim away, by its place.</summary>
    public static Press<Job> Unclaim(AtHand at, int index) =>
        index < 0 || index >= (at.Job.Speed?.Claims.Count ?? 0)
            ? Gone
            : Change("Claim taken away", j => SpeedEdits.Unclaim(j, index));

    /// <summary>Notes what a benchmark reads of the machine.</summary>
    public static Press<Job> Seen(SeenForm form) =>
        form.TryRead(out SpeedSeen seen, out string wrong)
            ? Change("Noted what the benchmark reads", j => SpeedEdits.Seen(j, seen))
            : Refuse("clock", $"Nothing was changed: {wrong}.");
}
