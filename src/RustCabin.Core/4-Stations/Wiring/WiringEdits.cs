using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>What a meter showed, as typed changes of a job.</summary>
public static class WiringEdits
{
    /// <summary>Notes a reading; an earlier one of the same two places goes.</summary>
    public static Job Read(Job job, Probe probe) => job with { Probes = [.. Others(job, probe.From, probe.To), probe] };

    /// <summary>Keeps how a serial line is set; an earlier setting of the same two ends goes.</summary>
    public static Job Set(Job job, SerialSetting line) => job with { Lines = [.. Other(job, line.A, line.B), line] };

    /// <summary>Forgets how a serial line is set.</summary>
    public static Job Unset(Job job, string a, string b) => job with { Lines = [.. Other(job, a, b)] };

    static IEnumerable<SerialSetting> Other(Job job, string a, string b) => job.Lines.Where(l => l.A != a || l.B != b);

    /// <summary>Lays a photo under a board's drawing; the one that lay there goes.</summary>
    public static Unit Lay(Unit unit, BoardPhoto photo) =>
        unit with
        {
            BoardPhotos = [.. unit.BoardPhotos.Where(p => p.Board != photo.Board), photo],
        };

    /// <summary>Takes the photo from under a board's drawing.</summary>
    public static Unit Lift(Unit unit, string board) =>
        unit with
        {
            BoardPhotos = [.. unit.BoardPhotos.Where(p => p.Board != board)],
        };

    /// <summary>Chooses an option of a part that the job adds, or leaves it; null: it adds none of that name.</summary>
    public static Job? Choose(Job job, IReadOnlyList<FittedPart> fitted, InstanceName instance, string option, bool chosen) =>
        Planning.JobEdits.Added(
            job,
            fitted,
            instance,
            part => part with { Options = [.. part.Options.Where(o => o != option), .. chosen ? [option] : (string[])[]] }
        );

    /// <summary>Drops the job's own acts of wiring, their ticks with them.</summary>
    public static Job DropOwn(Job job) =>
        job with
        {
            Changes = [],
            Done = [.. job.Done.Where(s => s.Act != "change" || !s.About.StartsWith(Acts.Own, StringComparison.Ordinal))],
        };

    /// <summary>The first free identifier of a run of cables.</summary>
    public static string FreeRun(Job job) =>
        Enumerable.Range(1, int.MaxValue).Select(n => $"run-{n}").First(id => job.Cables.All(r => r.Id != id));

    /// <summary>Joins two devices by cables.</summary>
    public static Job Join(Job job, CableRun run) => job with { Cables = [.. job.Cables.Where(r => r.Id != run.Id), run] };

    /// <summary>Drops a run of cables; its tick goes with it.</summary>
    public static Job Part(Job job, string run) =>
        job with
        {
            Cables = [.. job.Cables.Where(r => r.Id != run)],
            Done = [.. job.Done.Where(s => s != WiringActs.Cables(run))],
        };

    /// <summary>Takes a reading away.</summary>
    public static Job Forget(Job job, string from, string to) => job with { Probes = [.. Others(job, from, to)] };

    static IEnumerable<Probe> Others(Job job, string from, string to) => job.Probes.Where(p => (p.From, p.To) != (from, to));
}
