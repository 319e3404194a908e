using System.Runtime.CompilerServices;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Stations;

/// <summary>
/// Something small that is worked out of a job and kept with it, for pages that ask it of every job of a cabin: worked out again
/// only where the job or its sheets were changed.
/// </summary>
/// <param name="work">Works it out; what it gives holds nothing of the plan.</param>
public sealed class PerJob<T>(Func<JobView, T> work)
{
    sealed record Kept(Pack Sheets, T Value);

    readonly ConditionalWeakTable<Job, Kept> _known = [];

    /// <summary>What there is of a job on the sheets of a cabin.</summary>
    public T Of(Pack sheets, StoredJob stored)
    {
        if (_known.TryGetValue(stored.Job, out Kept? kept) && JobView.IsOf(kept.Sheets, sheets, stored.Job))
        {
            // Sheets that went are let go.
            if (!ReferenceEquals(kept.Sheets, sheets))
                _known.AddOrUpdate(stored.Job, kept with { Sheets = sheets });
            return kept.Value;
        }
        T value = work(JobView.Of(sheets, stored));
        _known.AddOrUpdate(stored.Job, new Kept(sheets, value));
        return value;
    }
}
