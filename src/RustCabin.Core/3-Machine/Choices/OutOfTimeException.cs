using RustCabin.Core.Units;

namespace RustCabin.Core.Choices;

/// <summary>
/// The time for a question was over before it was decided: what was asked may be possible or not. Never to be told as impossible.
/// </summary>
public sealed class OutOfTimeException() : OverBudgetException("the time for this question was over before it was decided");

/// <summary>How long a question may take in all. It is called off when whoever asks goes away, and out of time after
/// that.</summary>
public sealed class Patience : IDisposable
{
    readonly CancellationTokenSource _both;
    readonly CancellationToken _gone;

    /// <summary>Begins to count.</summary>
    /// <param name="within">How long it may take; null: as long as it takes.</param>
    /// <param name="gone">Whoever asks has gone away.</param>
    public Patience(TimeSpan? within, CancellationToken gone)
    {
        (_gone, _both) = (gone, CancellationTokenSource.CreateLinkedTokenSource(gone));
        if (within is { } time)
            _both.CancelAfter(time);
    }

    /// <summary>Ends the work, for either reason.</summary>
    public CancellationToken Token => _both.Token;

    /// <summary>True if the time is over and whoever asked is still there.</summary>
    public bool IsOver => _both.IsCancellationRequested && !_gone.IsCancellationRequested;

    /// <inheritdoc/>
    public void Dispose() => _both.Dispose();
}
