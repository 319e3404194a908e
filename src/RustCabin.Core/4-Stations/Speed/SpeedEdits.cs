using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Speed;

/// <summary>What a job notes of speed, as typed changes of its record.</summary>
static class SpeedEdits
{
    /// <summary>The work that is to be faster.</summary>
    public static Job Work(Job job, IReadOnlyList<WorkShare> work) => With(job, s => s with { Work = work });

    /// <summary>Runs of a benchmark after the build, in place of those of that name; none takes them away.</summary>
    public static Job After(Job job, string name, IReadOnlyList<decimal> seconds) =>
        With(job, s => s with { After = BenchmarkEdits.Put(s.After, name, seconds) });

    /// <summary>Notes what a person claims.</summary>
    public static Job Claim(Job job, SpeedClaim claim) => With(job, s => s with { Claims = [.. s.Claims, claim] });

    /// <summary>Takes back the claim at a place of the list.</summary>
    public static Job Unclaim(Job job, int index) =>
        With(job, s => s with { Claims = [.. s.Claims.Where((_, i) => i != index)] });

    /// <summary>What a benchmark reads of the machine; nothing at all takes it away.</summary>
    public static Job Seen(Job job, SpeedSeen seen) => With(job, s => s with { Seen = seen == new SpeedSeen() ? null : seen });

    /// <summary>Notes a run at a size; one at that size goes.</summary>
    public static Job Frame(Job job, FrameRun run) =>
        Frames(job, f => f with { Runs = [.. f.Runs.Where(r => r.Width != run.Width || r.Height != run.Height), run] });

    /// <summary>Takes a run at a size back, by its place.</summary>
    public static Job DropFrame(Job job, int index) =>
        Frames(job, f => f with { Runs = [.. f.Runs.Where((_, i) => i != index)] });

    /// <summary>Notes which rate is wanted, and the display's own.</summary>
    public static Job Rates(Job job, decimal? wanted, decimal? cap) => Frames(job, f => f with { Wanted = wanted, Cap = cap });

    static Job Frames(Job job, Func<FrameRuns, FrameRuns> change) =>
        With(
            job,
            s =>
                s with
                {
                    Frames =
                        change(s.Frames ?? new FrameRuns()) is var now && now is { Runs.Count: 0, Wanted: null, Cap: null }
                            ? null
                            : now,
                }
        );

    static Job With(Job job, Func<SpeedRecord, SpeedRecord> change)
    {
        SpeedRecord now = change(job.Speed ?? new SpeedRecord());
        bool empty = now is { Work.Count: 0, After.Count: 0, Claims.Count: 0, Seen: null, Frames: null };
        return job with { Speed = empty ? null : now };
    }
}
