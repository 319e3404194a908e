using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Build;
using RustCabin.Core.Care;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Build;

/// <summary>Case care of a job: what is whitened with its looks side by side, and where a hole is made.</summary>
public sealed class CaseWorkModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos, TimeProvider clock)
    : BuildModel(sheets, jobs, photos, clock)
{
    readonly TimeProvider _clock = clock;

    /// <summary>Each work with its figures, its looks and its step.</summary>
    public IEnumerable<(CareFigures Care, CareWatch Watch, StepProgress? Step)> Works =>
        (View.Job.Build?.Care ?? []).Select(w =>
            (
                new CareFigures(w),
                CareWatch.Of(w, View.Job, _clock.GetUtcNow()),
                View.Progress.Steps.FirstOrDefault(s => s.Step.Id == CareStation.StepOf(w.Id))
            )
        );

    /// <summary>The place of a note in the record.</summary>
    public int IndexOf(BenchNote note) => (View.Job.Build?.Notes ?? []).Index().First(n => ReferenceEquals(n.Item, note)).Index;

    public IActionResult OnPostCare(string job, long version, string act) =>
        Press(job, version, at => CasePresses.Add(at, act, name => Request.Form[name].ToString()));

    public IActionResult OnPostUncare(string job, long version, string work) =>
        Press(job, version, at => CasePresses.Drop(at, work));
}
