using RustCabin.Core.Cupboard;
using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Presses;

/// <summary>
/// What the shelf says of a job, without the plan that it was worked out of: so little that it is kept for every job of a cabin,
/// and said for any state of the cupboard and at any time. Source: docs/handbook/build.md, What can I do now.
/// </summary>
public sealed class ShelfLine
{
    readonly Job _job;
    readonly Unit _unit;
    readonly OnShelf? _settled;
    readonly OnShelf? _next;
    readonly StepId? _takes;
    readonly IReadOnlyList<Piece> _pieces;
    readonly Stretch? _stretch;
    readonly HashSet<StepId> _steps;
    readonly HashSet<string> _standing;

    ShelfLine(AtHand at)
    {
        (_job, _unit) = (at.Job, at.Unit);
        _settled = OnShelf.Settled(at);
        _stretch = at.Job.Ended ? null : Stretch.Next(at.Progress.Steps, at.Model)?.Light();
        _steps = [.. _stretch?.Steps.Select(s => s.Id) ?? []];
        // Neither a gate nor an opening takes anything: most jobs of a shelf stand at one.
        _takes = at.Progress.Current is { Step: { IsGate: false, Opens: null } step } ? step.Id : null;
        _next = _settled is null ? OnShelf.Next(at) : null;
        _pieces = _stretch is null
            ? []
            : [.. at.Pieces.Where(p => p is { Done: false, Comes: false } && (_steps.Contains(p.Step) || p.Step == _takes))];
        _standing = [.. at.Progress.Steps.Where(s => _steps.Contains(s.Step.Id)).SelectMany(s => s.Waits).Select(w => $"{w.Id}")];
        (Done, Steps) = (at.Progress.DoneCount, at.Progress.Steps.Count);
    }

    /// <summary>What the shelf says of a job.</summary>
    public static ShelfLine Of(AtHand at) => new(at);

    /// <summary>How many of its steps are done.</summary>
    public int Done { get; }

    /// <summary>How many steps it has.</summary>
    public int Steps { get; }

    /// <summary>How it stands.</summary>
    /// <param name="stock">What lies in the cupboard.</param>
    /// <param name="now">The time now.</param>
    public OnShelf On(IReadOnlyList<StockItem> stock, DateTimeOffset now) =>
        OnShelf.Parked(_job, now) ?? _settled ?? OnShelf.Bath(_job, now) ?? Piece(stock) ?? _next!;

    /// <summary>What the step at hand takes from the cupboard is not there.</summary>
    OnShelf? Piece(IReadOnlyList<StockItem> stock) =>
        _takes is { } step && AtHand.Lacking(_pieces, s => s == step, stock).FirstOrDefault() is { } lacking
            ? new OnShelf(ShelfState.Waiting, lacking, "Show the step", StationName.Build, step)
            : null;

    /// <summary>What could be done at it; null: it is built or ended.</summary>
    /// <param name="stock">What lies in the cupboard.</param>
    /// <param name="lent">What of the unit is lent.</param>
    /// <param name="now">The time.</param>
    public NowWork? Now(IReadOnlyList<StockItem> stock, IReadOnlyList<string> lent, DateTimeOffset now)
    {
        if (_stretch is null)
            return null;
        OnShelf stands = On(stock, now);
        string[] pieces = [.. AtHand.Lacking(_pieces, _steps.Contains, stock)];
        return new NowWork(
            _job,
            _unit,
            _stretch,
            [
                .. stands.State is ShelfState.Stopped or ShelfState.Waiting && !pieces.Contains(stands.Words)
                    ? [stands.Words]
                    : (string[])[],
                .. pieces.Distinct(),
                .. lent.Select(l => $"{l} is lent"),
                .. _standing.Count == 0
                    ? []
                    : Running
                        .Of(_job, now)
                        .Where(r => r.At == RunningAt.Build && r.Until > now && _standing.Contains(r.About))
                        .Select(r => $"{r.What}: it stands for {Math.Ceiling((r.Until - now).TotalMinutes):0} min yet"),
            ]
        );
    }
}
