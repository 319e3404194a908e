using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Web.Api;

/// <summary>
/// The one home of work that is asked for: every call, and what pages work out for seconds. A piece has a place, a thread of its
/// own, a time, a bound on what it allocates, and ends when whoever asked has gone away. Two heavy pieces and eight light ones
/// at most run at once, so that pages go on being answered; the rest waits a little and is then told to come again. Source:
/// docs/security.md, Heavy work.
/// </summary>
public sealed class HeavyWork : IDisposable
{
    /// <summary>How long a question may take in all.</summary>
    public static readonly TimeSpan AtMost = TimeSpan.FromSeconds(10);

    static readonly TimeSpan Wait = TimeSpan.FromSeconds(3);

    /// <summary>Bytes that a piece may allocate in all: far more than it holds at once.</summary>
    const long HeavyBytes = 4L << 30,
        LightBytes = 384L << 20;

    const int HeavyPlaces = 2,
        LightPlaces = 8;

    readonly SemaphoreSlim _heavy = new(HeavyPlaces),
        _light = new(LightPlaces),
        _long = new(HeavyPlaces);

    /// <inheritdoc/>
    public void Dispose()
    {
        _heavy.Dispose();
        _light.Dispose();
        _long.Dispose();
    }

    /// <summary>Does a piece of work; null: there was no place for it in time.</summary>
    /// <param name="work">What is done, on a thread of its own.</param>
    /// <param name="gone">Whoever asked has gone away.</param>
    /// <param name="light">It usually takes milliseconds.</param>
    /// <exception cref="OverBudgetException">It took more than it may.</exception>
    public async Task<T?> Do<T>(Func<T> work, CancellationToken gone, bool light = false)
        where T : class
    {
        SemaphoreSlim places = light ? _light : _heavy;
        if (!await places.WaitAsync(Wait, gone))
            return null;
        try
        {
            return await Alone(work, AtMost, light ? LightBytes : HeavyBytes, gone);
        }
        finally
        {
            places.Release();
        }
    }

    /// <summary>Does a long piece of work, which waits for its place as long as it is wanted.</summary>
    /// <param name="work">What is done.</param>
    /// <param name="within">How long it may take once it has its place.</param>
    /// <param name="gone">It is called off.</param>
    public async Task<T> DoLong<T>(Func<T> work, TimeSpan within, CancellationToken gone)
    {
        await _long.WaitAsync(gone);
        try
        {
            return await Alone(work, within, HeavyBytes * 16, gone);
        }
        finally
        {
            _long.Release();
        }
    }

    static Task<T> Alone<T>(Func<T> work, TimeSpan within, long bytes, CancellationToken gone) =>
        Task.Factory.StartNew(
            () =>
            {
                using var budget = new Budget(within, bytes, gone);
                return work();
            },
            gone,
            TaskCreationOptions.LongRunning,
            TaskScheduler.Default
        );

    /// <summary>What a page says where there was no place.</summary>
    public const string Busy = "Two other pieces of heavy work are being done. Press again in some seconds.";

    /// <summary>The answer where there was no place: come again in five seconds.</summary>
    public static IResult ComeAgain(HttpResponse response)
    {
        response.Headers.RetryAfter = "5";
        return Problems.Of(
            StatusCodes.Status503ServiceUnavailable,
            "Other pieces of work are being done. Ask again in some seconds.",
            new SheetError("", "no place within three seconds")
        );
    }
}
