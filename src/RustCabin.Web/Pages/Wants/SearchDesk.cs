using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Wants;

/// <summary>What a search rests on: where any of it is another, it is another search.</summary>
/// <param name="Version">The state of the job.</param>
/// <param name="Sheets">The sheets of the cabin, the same as long as none was changed.</param>
/// <param name="InHand">What lies in the cupboard.</param>
public sealed record SearchGround(long Version, Pack Sheets, string InHand)
{
    /// <inheritdoc/>
    public bool Equals(SearchGround? other) =>
        other is not null && Version == other.Version && ReferenceEquals(Sheets, other.Sheets) && InHand == other.InHand;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Version, InHand);
}

/// <summary>One search under way or ended: how far it is, and what it found.</summary>
public sealed class Search : IDisposable
{
    readonly CancellationTokenSource _cancel = new();

    internal Search(SearchGround ground, SetQuestion question, HeavyWork work, TimeSpan within)
    {
        Ground = ground;
        Task = work.DoLong(() => SetSearch.Find(question, told => Progress = told, within, _cancel.Token), within, _cancel.Token);
    }

    /// <summary>How far it is; nothing tried yet while it waits for its place.</summary>
    public SearchProgress Progress { get; private set; } = new(0, 0);

    /// <summary>What it rests on.</summary>
    public SearchGround Ground { get; }

    /// <summary>What it finds.</summary>
    public Task<BuildSets> Task { get; }

    /// <summary>It can be joined.</summary>
    public bool IsGood => !Task.IsFaulted && !Task.IsCanceled;

    /// <summary>Calls it off; its task ends as cancelled.</summary>
    public void Dispose()
    {
        _cancel.Cancel();
        _ = Task.ContinueWith(_ => _cancel.Dispose(), TaskScheduler.Default);
    }
}

/// <summary>
/// Searches for build sets, one for a job as it stands: asked for again it is joined, changed it is called off and begun again.
/// What takes longer than a press may is shown as it goes and can be called off. Each has a place among the long work. Kept in
/// memory only; a search that is lost is begun again.
/// </summary>
public sealed class SearchDesk(HeavyWork work, TimeSpan patience) : IDisposable
{
    /// <summary>So many answers are kept, the one that was asked for longest ago given up first.</summary>
    const int Kept = 32;

    static readonly TimeSpan Within = TimeSpan.FromMinutes(2);

    /// <summary>A search is waited for so long; beyond it the page shows how far it is.</summary>
    public TimeSpan Patience => patience;

    readonly Lock _lock = new();

    /// <summary>The searches by their jobs, the latest asked for last.</summary>
    readonly OrderedDictionary<string, Search> _searches = [];

    /// <summary>Begins a search, or joins the one that rests on the same.</summary>
    public Search Ask(string job, SearchGround ground, SetQuestion question)
    {
        lock (_lock)
        {
            if (_searches.Remove(job, out Search? known) && known.Ground.Equals(ground) && known.IsGood)
                return _searches[job] = known;
            known?.Dispose();
            while (_searches.Count >= Kept)
            {
                _searches.GetAt(0).Value.Dispose();
                _searches.RemoveAt(0);
            }
            return _searches[job] = new Search(ground, question, work, Within);
        }
    }

    /// <summary>Calls a search off.</summary>
    public void Cancel(string job)
    {
        lock (_lock)
            if (_searches.Remove(job, out Search? search))
                search.Dispose();
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        lock (_lock)
            foreach (Search search in _searches.Values)
                search.Dispose();
    }
}
