using RustCabin.Core.Presses;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>A write-up of a job. Source: docs/handbook/passport.md, Ask and tell.</summary>
public sealed class TellModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<BuildDesk>();

    /// <summary>The same as a file.</summary>
    public static void Map(IEndpointRouteBuilder routes) =>
        routes
            .MapGet(
                "/jobs/{job}/tell.md",
                (string job, SheetRepository sheets, JobRepository jobs) =>
                    jobs.Find(job) is { } stored
                        ? Results.Text(TellText.Of(JobView.Of(sheets.All(), stored).At), "text/markdown")
                        : Results.NotFound()
            )
            .ExcludeFromDescription();
}
