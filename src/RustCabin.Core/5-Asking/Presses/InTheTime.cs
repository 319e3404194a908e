using RustCabin.Core.Build;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Presses;

/// <summary>
/// A stretch of work: from the step at hand to the next gate, and the case laid shut again behind it. It is left at a state
/// that was read, so that nothing hangs open between two evenings. Source: docs/handbook/build.md, What can I do now.
/// </summary>
/// <param name="Steps">Its steps, in order; the last is a gate, or the last of the build.</param>
/// <param name="WayOut">Minutes to lay the case shut after it; 0 where it is shut.</param>
public sealed record Stretch(IReadOnlyList<Step> Steps, decimal WayOut)
{
    /// <summary>How long it takes in all, with what stands by itself as far as no other work fills it.</summary>
    public decimal Minutes { get; } = Waiting.Elapsed(Steps) + WayOut;

    /// <summary>The same without the machine that each gate is read on, which weighs more than all the rest.</summary>
    internal Stretch Light() =>
        this with
        {
            Steps =
            [
                .. Steps.Select(s =>
                    s with
                    {
                        At = null,
                        Expected = null,
                        Instance = null,
                        Instances = [],
                        Cautions = [],
                        State = CaseState.Closed,
                    }
                ),
            ],
        };

    /// <summary>The next stretch of a build; null: it is built.</summary>
    public static Stretch? Next(IEnumerable<StepProgress> steps, Model model)
    {
        Step[] open = [.. steps.Where(s => s.State != StepState.Done).Select(s => s.Step)];
        if (open.Length == 0)
            return null;
        int gate = Array.FindIndex(open, s => s.IsGate);
        Step[] taken = gate < 0 ? open : open[..(gate + 1)];
        Step last = taken[^1];
        return new Stretch(taken, last.Depth == 0 ? 0 : AccessPath.Path(model, last.Level).Sum(l => l.Minutes));
    }
}

/// <summary>What a person could do at one job now.</summary>
/// <param name="Job">The job.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Stretch">The stretch of work.</param>
/// <param name="Lacks">What keeps it from being done: a stop, a thing that is not in hand, a time that is not over.</param>
public sealed record NowWork(Job Job, Unit Unit, Stretch Stretch, IReadOnlyList<string> Lacks)
{
    /// <summary>It can be done within so many minutes.</summary>
    public bool Fits(decimal minutes) => Lacks.Count == 0 && Stretch.Minutes <= minutes;

    /// <summary>What could be done at a job; null: it is built or ended.</summary>
    /// <param name="at">The job.</param>
    /// <param name="stock">What lies in the cupboard.</param>
    /// <param name="now">The time.</param>
    public static NowWork? Of(AtHand at, IReadOnlyList<StockItem> stock, DateTimeOffset now) =>
        ShelfLine.Of(at).Now(stock, [.. Loans.Missing(at.Sheets, at.Unit)], now);

    /// <summary>What fits into so many minutes, what uses them best first.</summary>
    public static IReadOnlyList<NowWork> Within(IEnumerable<NowWork> works, decimal minutes) =>
        [.. works.Where(w => w.Fits(minutes)).OrderByDescending(w => w.Stretch.Minutes).ThenBy(w => w.Unit.Name)];
}
