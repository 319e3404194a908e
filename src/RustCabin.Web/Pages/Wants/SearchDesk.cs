using System.Collections.Concurrent;
using RustCabin.Core.Sets;

namespace RustCabin.Web.Pages.Wants;

/// <summary>One search under way or ended: how far it is, and what it found.</summary>
public sealed class Search(long version, Task<BuildSets> task, CancellationTokenSource cancel)
{
    internal SearchProgress? Told;
    public SearchProgress Progress => Told ?? new SearchProgress(0, 0);
    public long Version => version;
    public Task<BuildSets> Task => task;

    public void Cancel() => cancel.Cancel();
}

/// <summary>
/// Searches for build sets, one for a job as it stands: asked for again it is joined, changed it is called off and begun anew.
/// What takes longer than a press may is
/// shown as it goes and can be called off. Kept in memory only; a search that is lost is begun again.
/// </summary>
public sealed class SearchDesk(TimeSpan patience)
{
    /// <summary>So many answers are kept, the oldest given up first.</summary>
    const int Kept = 32;

    /// <summary>A search is waited for so long; beyond it the page shows how far it is.</summary>
    public TimeSpan Patience => patience;

    readonly ConcurrentDictionary<string, Search> _searches = new();

    /// <summary>Begins a search, or joins the one for this version of the job and this stock.</summary>
    public Search Ask(string job, long version, SetQuestion question)
    {
        if (
            _searches.TryGetValue(job, out Search? known)
            && known.Version == version
            && !known.Task.IsFaulted
            && !known.Task.IsCanceled
        )
            return known;
        known?.Cancel();
        var cancel = new CancellationTokenSource();
        Search? search = null;
        // The task waits for the search that it tells, which is made with it; it goes on on a thread of its own, never on that of
        // the request.
        var begin = new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously);
        Task<BuildSets> task = Task.Run(
            async () =>
            {
                await begin.Task;
                return SetSearch.Find(question, told => search!.Told = told, TimeSpan.FromMinutes(2), cancel.Token);
            },
            cancel.Token
        );
        _searches[job] = search = new Search(version, task, cancel);
        begin.SetResult();
        foreach (string old in _searches.Keys.Where(k => k != job).Take(Math.Max(0, _searches.Count - Kept)).ToList())
            if (_searches.TryRemove(old, out Search? gone))
                gone.Cancel();
        return search;
    }

    public void Cancel(string job)
    {
        if (_searches.TryRemove(job, out Search? search))
            search.Cancel();
    }
}
