using System.Diagnostics;

namespace RustCabin.Core.Units;

/// <summary>A piece of work took more than it may: of time, or of memory.</summary>
/// <param name="why">What was over, as a sentence.</param>
public class OverBudgetException(string why) : Exception(why);

/// <summary>
/// What a piece of work may take, on the thread that does it. Loops that can grow long call <see cref="Spend"/>, which ends the
/// work when its time or its memory is over, or whoever asked has gone away. Without a budget it costs nothing. Source:
/// docs/security.md, Heavy work.
/// </summary>
public sealed class Budget : IDisposable
{
    const int Often = 64;

    [ThreadStatic]
    static Budget? _current;

    readonly Budget? _outer = _current;
    readonly long _from = Stopwatch.GetTimestamp();
    readonly long _allocated = GC.GetAllocatedBytesForCurrentThread();
    readonly TimeSpan _within;
    readonly long _bytes;
    readonly CancellationToken _gone;
    int _spent;

    /// <summary>Begins a budget on this thread; it ends when it is disposed of.</summary>
    /// <param name="within">How long the work may take.</param>
    /// <param name="bytes">How much it may allocate in all.</param>
    /// <param name="gone">Whoever asked has gone away.</param>
    public Budget(TimeSpan within, long bytes, CancellationToken gone)
    {
        (_within, _bytes, _gone) = (within, bytes, gone);
        _current = this;
    }

    /// <inheritdoc/>
    public void Dispose() => _current = _outer;

    /// <summary>Goes when whoever asked for the work on this thread has gone; none without a budget.</summary>
    public static CancellationToken Gone => _current?._gone ?? CancellationToken.None;

    /// <summary>Counts one step of the work on this thread.</summary>
    /// <exception cref="OverBudgetException">Its time or its memory is over.</exception>
    /// <exception cref="OperationCanceledException">Whoever asked has gone away.</exception>
    public static void Spend()
    {
        if (_current is { } budget && ++budget._spent % Often == 0)
            budget.Check();
    }

    /// <summary>Counts a step that is long by itself: its time is looked at now.</summary>
    /// <exception cref="OverBudgetException">Its time or its memory is over.</exception>
    /// <exception cref="OperationCanceledException">Whoever asked has gone away.</exception>
    public static void SpendMuch() => _current?.Check();

    void Check()
    {
        _gone.ThrowIfCancellationRequested();
        if (Stopwatch.GetElapsedTime(_from) > _within)
            throw new OverBudgetException($"Not decided within {_within.TotalSeconds:0} seconds.");
        if (GC.GetAllocatedBytesForCurrentThread() - _allocated > _bytes)
            throw new OverBudgetException("The answer would be larger than is given at once: ask for less.");
    }
}
