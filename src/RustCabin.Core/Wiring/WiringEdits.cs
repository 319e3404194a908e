using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>What a meter showed, as typed changes of a job.</summary>
public static class WiringEdits
{
    /// <summary>Notes a reading; an earlier one of the same two places goes.</summary>
    public static Job Read(Job job, Probe probe) => job with { Probes = [.. Others(job, probe.From, probe.To), probe] };

    /// <summary>Takes a reading away.</summary>
    public static Job Forget(Job job, string from, string to) => job with { Probes = [.. Others(job, from, to)] };

    static IEnumerable<Probe> Others(Job job, string from, string to) => job.Probes.Where(p => (p.From, p.To) != (from, to));
}
