using System.Threading.RateLimiting;

namespace RustCabin.Web.SignIn;

/// <summary>
/// Slows whoever guesses: ten wrong phrases a minute from one address, sixty from all together; and one phrase is tried at a
/// time. Source: docs/security.md, Sign-in.
/// </summary>
public sealed class WrongPhrases : IDisposable
{
    public const int APerson = 10;
    const int Everybody = 60;
    static readonly TimeSpan Window = TimeSpan.FromMinutes(1);

    readonly SemaphoreSlim _oneAtATime = new(1);
    readonly RateLimiter _all = new FixedWindowRateLimiter(Of(Everybody));
    readonly PartitionedRateLimiter<string> _each = PartitionedRateLimiter.Create<string, string>(from =>
        RateLimitPartition.GetFixedWindowLimiter(from, _ => Of(APerson))
    );

    static FixedWindowRateLimiterOptions Of(int most) =>
        new()
        {
            PermitLimit = most,
            Window = Window,
            QueueLimit = 0,
        };

    /// <summary>Tries a phrase.</summary>
    /// <param name="from">The address that it comes from.</param>
    /// <param name="isRight">True if it is the phrase.</param>
    /// <returns>True or false; null with the seconds to wait when too many were wrong.</returns>
    public async Task<(bool? Right, int Seconds)> Try(string from, Func<bool> isRight)
    {
        await _oneAtATime.WaitAsync();
        try
        {
            using RateLimitLease each = _each.AttemptAcquire(from, 0),
                all = _all.AttemptAcquire(0);
            if (!each.IsAcquired || !all.IsAcquired)
                return (null, (int)Window.TotalSeconds);
            if (isRight())
                return (true, 0);
            _each.AttemptAcquire(from).Dispose();
            _all.AttemptAcquire().Dispose();
            return (false, 0);
        }
        finally
        {
            _oneAtATime.Release();
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _all.Dispose();
        _each.Dispose();
        _oneAtATime.Dispose();
    }
}
