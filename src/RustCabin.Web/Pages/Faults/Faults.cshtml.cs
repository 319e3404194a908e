using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Data;
using RustCabin.Web.Pages.Memory;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Faults;

/// <summary>The Faults station: what was read against what was predicted, the likeliest causes, and what to look at
/// next.</summary>
public sealed partial class FaultsModel(SheetRepository sheets, JobRepository jobs, PackImport import, StockRepository stock)
    : StationPage(sheets, jobs)
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
    public Seen Seen => field ??= AtGate.Seen(View.At, Gate);

    /// <summary>What was looked at here, and counts.</summary>
    public IEnumerable<LookTaken> Looked => AtGate.Looks(View.At, Gate).Where(l => l.Against.Count == 0).Select(l => l.Look);

    /// <summary>What was looked at and does not count any more, with why.</summary>
    public IEnumerable<(LookTaken Look, IReadOnlyList<string> Against)> Struck =>
        AtGate.Looks(View.At, Gate).Where(l => l.Against.Count > 0);

    /// <summary>The diagnosis of the gate.</summary>
    public Diagnosis Diagnosis =>
        field ??= AtGate.Of(
            // A machine that is being built is none to swap with: for that the jobs of all units are looked at.
            View.At with
            {
                Sheets = View.Sheets with { Jobs = Jobs.All() },
            },
            Gate
        );

    /// <summary>What the causes have together that are not drawn; empty: all are.</summary>
    public string Rest =>
        Diagnosis.Causes.Count > Bars
            ? $"{Diagnosis.Causes.Count - Bars} more have {Diagnosis.Causes.Skip(Bars).Sum(c => c.Chance) * 100:0.#} % together."
            : "";

    /// <summary>Something was read or looked at here.</summary>
    public bool IsAnySeen =>
        Seen.Lines is not null
        || Seen.Starts is not null
        || Looked.Any()
        || Diagnosis.Observables.Any(o => o.Miss is not null && Seen.Looks.TryGetValue(o.Id, out string? s) && s != o.Usual);

    /// <summary>Causes of the job that were found at this gate.</summary>
    public IEnumerable<ConfirmedCause> Confirmed => (View.Job.Faults?.Confirmed ?? []).Where(c => c.Gate == Gate.Step.Id);

    /// <summary>Trivial causes, first of all where nothing speaks against them.</summary>
    public IReadOnlyList<string> Trivial =>
        Seen.Starts == true || Seen.Lines is { Count: > 0 }
            ? []
            : ["a lead not in, or in another socket", "the display on its other input", "a button that was not held long enough"];

    /// <summary>Where a cause is tried on the simulated machine; null: the bus does not show it.</summary>
    public string? TryAt(Hypothesis cause) =>
        cause.Fault is { } fault ? $"{UrlOf(Desks.Of<MemoryDesk>())}?fault={Uri.EscapeDataString(fault.Key)}" : null;

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
    public IActionResult OnPostLook(string job, long version, StepId gate, string what, string? showed) =>
        Press(job, version, at => MendPresses.Look(at, gate, what, showed));

    /// <summary>Says whether it starts, where the machine shows a count that cannot be read.</summary>
    public IActionResult OnPostStarts(string job, long version, StepId gate, bool starts) =>
        Press(job, version, at => Readings.StartsAtAll(at, gate, starts));

    /// <summary>This is it: the mend goes onto the build sheet.</summary>
    public IActionResult OnPostConfirm(string job, long version, StepId gate, string cause) =>
        Press(job, version, at => MendPresses.Confirm(at, gate, cause));

    public IActionResult OnPostUnconfirm(string job, long version, StepId gate, string cause) =>
        Press(job, version, at => MendPresses.Unconfirm(at, gate, cause));
}
