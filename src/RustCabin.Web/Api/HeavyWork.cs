namespace RustCabin.Web.Api;

/// <summary>
/// Work that holds a core for seconds: the solvers, and operations on large images. Two pieces at most run at once, each on a
/// thread of its own, so that pages go on being answered; the rest waits a little and is then told to come again.
/// Source: docs/security.md, Heavy work.
/// </summary>
public sealed class HeavyWork : IDisposable
{
    /// <summary>How long a question may take in all.</summary>
    public static readonly TimeSpan AtMost = TimeSpan.FromSeconds(10);

    static readonly TimeSpan Wait = TimeSpan.FromSeconds(3);

    readonly SemaphoreSlim _places = new(2);

    /// <inheritdoc/>
    public void Dispose() => _places.Dispose();

    /// <summary>Does a piece of work; null: there was no place for it in time.</summary>
    /// <param name="work">What is done, on a thread of its own.</param>
    /// <param name="gone">Whoever asked has gone away.</param>
    public async Task<T?> Do<T>(Func<T> work, CancellationToken gone)
        where T : class
    {
        if (!await _places.WaitAsync(Wait, gone))
            return null;
        try
        {
            return await Task.Factory.StartNew(work, gone, TaskCreationOptions.LongRunning, TaskScheduler.Default);
        }
        finally
        {
            _places.Release();
        }
    }

    /// <summary>The same for a page, which waits for it; null: there was no place for it in time.</summary>
    public T? Now<T>(Func<T> work, CancellationToken gone)
        where T : class => Do(work, gone).GetAwaiter().GetResult();

    /// <summary>What a page says where there was no place.</summary>
    public const string Busy = "Two other pieces of heavy work are being done. Press again in some seconds.";

    /// <summary>The answer where there was no place: come again in five seconds.</summary>
    public static IResult ComeAgain(HttpResponse response)
    {
        response.Headers.RetryAfter = "5";
        return Problems.Of(
            StatusCodes.Status503ServiceUnavailable,
            "Two other pieces of heavy work are being done. Ask again in some seconds.",
            []
        );
    }
}
