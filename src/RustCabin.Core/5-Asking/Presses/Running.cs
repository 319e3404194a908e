using RustCabin.Core.Care;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Presses;

/// <summary>Where something that goes on by itself is looked after.</summary>
public enum RunningAt
{
    /// <summary>At its step of the build.</summary>
    Build,

    /// <summary>At the eraser of its device.</summary>
    Rom,

    /// <summary>At the care of the case.</summary>
    Care,
}

/// <summary>What goes on by itself in a job. Source: docs/handbook/build.md, Waits.</summary>
/// <param name="What">What it is, in a few words.</param>
/// <param name="Until">When it is ready.</param>
/// <param name="At">Where it is looked after.</param>
/// <param name="About">The step or the socket; empty: there is one alone.</param>
public sealed record Running(string What, DateTimeOffset Until, RunningAt At, string About)
{
    /// <summary>All that goes on in a job, the soonest first; nothing of the job is worked out for it.</summary>
    /// <param name="job">The job.</param>
    /// <param name="now">The time.</param>
    public static IReadOnlyList<Running> Of(Job job, DateTimeOffset now) =>
        job.Ended ? [] : [.. Steps(job).Concat(Erasers(job)).Concat(Baths(job, now)).OrderBy(r => r.Until)];

    static IEnumerable<Running> Steps(Job job) =>
        from step in job.Build?.Standing ?? []
        let until = Moments.Of(step.Until)
        where until is not null
        select new Running(step.What.Length > 0 ? step.What : "A step stands", until.Value, RunningAt.Build, $"{step.Step}");

    static IEnumerable<Running> Erasers(Job job) =>
        from rom in job.Roms
        let until = Burning.LampUntil(rom)
        where until is not null
        select new Running("Eraser on", until.Value, RunningAt.Rom, rom.Site);

    static IEnumerable<Running> Baths(Job job, DateTimeOffset now) =>
        from work in job.Build?.Care ?? []
        let next = CareWatch.Of(work, job, now).Next
        where next is not null
        select new Running($"Look at: {work.What}", next.Value, RunningAt.Care, "");
}
