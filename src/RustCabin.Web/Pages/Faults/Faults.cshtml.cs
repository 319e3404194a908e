using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Faults;

/// <summary>The Faults station: what was read against what was foretold, the likeliest causes, and what to look at
/// next.</summary>
public sealed partial class FaultsModel(SheetRepository sheets, JobRepository jobs, PackImport import) : StationPage(sheets, jobs)
{
    /// <summary>So many causes are drawn as bars.</summary>
    public const int Bars = 8;

    public override Desk Desk => Desks.Of<FaultsDesk>();

    /// <summary>The gates with a prediction, in the order of the build.</summary>
    public IReadOnlyList<StepProgress> Gates =>
        field ??= [.. View.Progress.Steps.Where(s => s.Step is { Kind: StepKind.Gate, At: not null })];

    /// <summary>The gate that is looked into: the one that is asked for, else the first that differs, else the one at hand, else
    /// the last.</summary>
    public StepProgress Gate =>
        field ??=
            Gates.FirstOrDefault(g => $"{g.Step.Id}" == Request.Query["gate"].ToString())
            ?? Gates.FirstOrDefault(g => g.State == StepState.Differs)
            ?? Gates.FirstOrDefault(g => g.State == StepState.Open)
            ?? Gates[^1];

    /// <summary>What was seen at the gate.</summary>
    public Seen Seen => field ??= FaultsAt.Seen(View.Job, Gate);

    /// <summary>The diagnosis of the gate.</summary>
    public Diagnosis Diagnosis => field ??= FaultsAt.Of(View, Gate);

    /// <summary>What the causes have together that are not drawn; empty: all are.</summary>
    public string Rest =>
        Diagnosis.Causes.Count > Bars
            ? $"{Diagnosis.Causes.Count - Bars} more have {Diagnosis.Causes.Skip(Bars).Sum(c => c.Chance) * 100:0.#} % together."
            : "";

    /// <summary>Something was read or looked at here.</summary>
    public bool IsAnySeen => Seen.Lines is not null || Seen.Starts is not null || Seen.Looks.Count > 0;

    /// <summary>Causes of the job that were found at this gate.</summary>
    public IEnumerable<ConfirmedCause> Confirmed => (View.Job.Faults?.Confirmed ?? []).Where(c => c.Gate == Gate.Step.Id);

    /// <summary>Trivial causes, first of all where nothing speaks against them.</summary>
    public IReadOnlyList<string> Trivial =>
        Seen.Starts == true || Seen.Lines is { Count: > 0 }
            ? []
            : ["a lead not in, or in another socket", "the display on its other input", "a button that was not held long enough"];

    /// <summary>Where a cause is tried on the simulated machine; null: the bus does not show it.</summary>
    public string? TryAt(Hypothesis cause) =>
        cause.Fault is { } fault ? $"{UrlOf(Desks.Named("Memory"))}?fault={Uri.EscapeDataString(fault.Key)}" : null;

    /// <summary>What is seen and heard of the running machine, each with what was noted of it.</summary>
    public IEnumerable<(Observable What, string? Showed)> Sights =>
        from sight in Diagnosis.Sights
        let what = Diagnosis.Observables.FirstOrDefault(o => o.Id == sight.Id)
        where what is not null
        select (what, Seen.Looks.GetValueOrDefault(sight.Id));

    /// <summary>Looks that nobody has taken yet, those that cost least first.</summary>
    public IEnumerable<Observable> Untaken =>
        Diagnosis
            .Observables.Where(o => o.Usual is not null && o.Minutes is not null && !Seen.Looks.ContainsKey(o.Id))
            .OrderBy(o => o.Minutes);

    /// <summary>An outcome as a person reads it: the lines of a count as sizes.</summary>
    public string OutcomeWords(Observable at, string outcome) =>
        at.Id.StartsWith("line ", StringComparison.Ordinal) && ulong.TryParse(outcome, out ulong bytes)
            ? Preferences.Size(new Core.Units.ByteSize(bytes))
            : outcome;

    /// <summary>Notes what a look showed, or that it was not looked at after all.</summary>
    public IActionResult OnPostLook(string job, long version, string gate, string what, string? showed)
    {
        if (!Load(job))
            return NotFound();
        if (Gates.FirstOrDefault(g => $"{g.Step.Id}" == gate) is not { } at)
            return Change(job, version, _ => null);
        Observable? known = FaultsAt.Of(View, at).Observables.FirstOrDefault(o => o.Id == what);
        return Change(
            job,
            version,
            _ =>
                showed is null
                    ? ($"Not looked at after all: {known?.Words ?? what}", j => FaultsEdits.Look(j, at.Step.Id, what, null))
                : known is not null && known.Outcomes.Contains(showed)
                    ? ($"{known.Words}: {showed}", j => FaultsEdits.Look(j, at.Step.Id, what, showed))
                : null
        );
    }

    /// <summary>Says whether it starts, where the machine shows a count that cannot be read.</summary>
    public IActionResult OnPostStarts(string job, long version, string gate, bool starts)
    {
        if (!Load(job))
            return NotFound();
        return Change(
            job,
            version,
            _ =>
                Gates.FirstOrDefault(g => $"{g.Step.Id}" == gate) is { } at && at.State != StepState.Locked
                    ? (
                        starts ? "It starts" : "It does not start",
                        j =>
                            Core.Planning.JobEdits.Read(
                                j,
                                new GateReading
                                {
                                    Gate = at.Step.Id,
                                    At = Moment(),
                                    Starts = starts,
                                }
                            )
                    )
                    : null
        );
    }

    /// <summary>This is it: the mend goes onto the build sheet.</summary>
    public IActionResult OnPostConfirm(string job, long version, string gate, string cause)
    {
        if (!Load(job))
            return NotFound();
        StepProgress? at = Gates.FirstOrDefault(g => $"{g.Step.Id}" == gate);
        Weighed? known = at is null ? null : FaultsAt.Of(View, at).Causes.FirstOrDefault(c => c.Cause.Id == cause);
        return Change(
            job,
            version,
            _ =>
                known is null
                    ? null
                    : (
                        $"Found: {known.Cause.Words}",
                        j =>
                            FaultsEdits.Confirm(
                                j,
                                new ConfirmedCause
                                {
                                    Gate = at!.Step.Id,
                                    Cause = cause,
                                    Words = known.Cause.Words,
                                    Mend = known.Cause.Mend,
                                    Minutes = known.Cause.MendMinutes,
                                    At = Moment(),
                                }
                            )
                    )
        );
    }

    public IActionResult OnPostUnconfirm(string job, long version, string gate, string cause) =>
        Change(
            job,
            version,
            view =>
                (view.Job.Faults?.Confirmed ?? []).FirstOrDefault(c => $"{c.Gate}" == gate && c.Cause == cause) is { } known
                    ? ($"Not it after all: {known.Words}", j => FaultsEdits.Drop(j, known.Gate, cause))
                    : null
        );
}

/// <summary>The diagnosis of a gate of a job, with what was read there and looked at.</summary>
static class FaultsAt
{
    public static Seen Seen(Job job, StepProgress gate)
    {
        GateReading? read = gate.Reading?.Reading;
        return new Seen
        {
            Lines = read is { Starts: not false, Lines.Count: > 0 } ? [.. read.Lines.Select(l => l.Bytes.Bytes)] : null,
            // Lines that all read nothing may be a count, or a screen that stays dark: nothing is said of starting.
            Starts = read?.Starts ?? (read?.Lines.Any(l => l.Bytes.Bytes > 0) == true ? true : null),
            Looks = FaultsEdits.LooksAt(job, gate.Step.Id),
        };
    }

    public static Diagnosis Of(JobView view, StepProgress gate) =>
        Diagnosis.Of(gate.Step.At!, AccessPath.Path(view.Model, gate.Step.Level), Seen(view.Job, gate));
}
