using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Declared;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Tools;

/// <summary>The answer of a tool is noted in a job, at the step at hand. Source: docs/handbook/build.md, Bench view.</summary>
public sealed class TakeModel(SheetRepository sheets, JobRepository jobs, TimeProvider clock) : PageModel
{
    /// <summary>The jobs that are open.</summary>
    public IReadOnlyList<JobName> Names => jobs.Open();

    /// <summary>What is noted.</summary>
    public string Words { get; private set; } = "";

    public string? Notice { get; private set; }

    public void OnGet() => ViewData["Title"] = "Take an answer into a job";

    public IActionResult OnPost(string? job, string? words)
    {
        OnGet();
        Words = words ?? "";
        if (jobs.Find(job ?? "") is not { } stored)
            return Refuse(StatusCodes.Status404NotFound, "Nothing was noted: this job is not here any more.");
        AtHand at = JobView.Of(sheets.All(), stored).At with { Moment = Moments.Show(clock.GetUtcNow()) };
        Press<Job> made = Gating.NoteHere(at, words);
        if (made.Refused is { } refused)
            return Refuse(StatusCodes.Status422UnprocessableEntity, refused.Why);
        WriteOutcome outcome = jobs.Change(stored.Job.Id, stored.Version, made.What, made.Edit!);
        return outcome.Result == WriteResult.Written
            ? LocalRedirect($"/jobs/{stored.Job.Id}/bench")
            : Refuse(StatusCodes.Status409Conflict, "The job was changed meanwhile. Nothing was noted: press once more.");
    }

    PageResult Refuse(int status, string why)
    {
        (Notice, Response.StatusCode) = (why, status);
        return Page();
    }
}
