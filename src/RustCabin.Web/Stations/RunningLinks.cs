using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Stations;

/// <summary>Where what goes on by itself is looked after.</summary>
public static class RunningLinks
{
    /// <summary>A page shows no more of what goes on at once.</summary>
    const int Most = 6;

    /// <summary>What goes on by itself in these jobs, what is ready soonest first.</summary>
    public static (Job Job, Running Runs)[] Soonest(IEnumerable<Job> jobs, DateTimeOffset now) =>
        [.. jobs.SelectMany(job => Running.Of(job, now).Select(runs => (job, runs))).OrderBy(r => r.runs.Until).Take(Most)];

    /// <summary>The page and the place on it.</summary>
    public static string Of(string job, Running one) =>
        one.At switch
        {
            RunningAt.Build => $"/jobs/{job}/build#step-{one.About}",
            RunningAt.Care => $"/jobs/{job}/care",
            _ => $"/jobs/{job}/rom?at={Uri.EscapeDataString(one.About)}",
        };

    /// <summary>What the window's title begins with once it is ready.</summary>
    public static string Over(Running one) =>
        one.At switch
        {
            RunningAt.Rom => "Eraser off:",
            RunningAt.Care => "Look:",
            _ => "Ready:",
        };
}
