using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Presses;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>
/// A question about a job as a text that can be pasted anywhere, and the answers that came back. Source:
/// docs/handbook/passport.md, Ask and tell.
/// </summary>
public sealed class AskModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<BuildDesk>();

    /// <summary>The question, as it was typed; null: the reading that differs asks.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Question { get; set; }

    /// <summary>The text.</summary>
    public string AskedText => AskText.Of(View.At, Short(Question));

    /// <summary>The same as a file.</summary>
    public static void Map(IEndpointRouteBuilder routes) =>
        routes
            .MapGet(
                "/jobs/{job}/ask.txt",
                (string job, string? question, SheetRepository sheets, JobRepository jobs) =>
                    jobs.Find(job) is { } stored
                        ? Results.Text(AskText.Of(JobView.Of(sheets.All(), stored).At, Short(question)))
                        : Results.NotFound()
            )
            .ExcludeFromDescription();

    static string Short(string? question) => (question ?? "")[..Math.Min(LongestQuestion, (question ?? "").Length)];

    const int LongestQuestion = 500;

    public IActionResult OnPostHear(string job, long version, string? text, string? source, string? trust) =>
        Press(job, version, at => AskText.Hear(at, text, source, trust));

    public IActionResult OnPostUnhear(string job, long version, int index) =>
        Press(job, version, at => AskText.Unhear(at, index));
}
