using System.Globalization;
using Google.OrTools.Sat;
using RustCabin.Core.Units;

namespace RustCabin.Core.Choices;

/// <summary>A question put to the solver so that the same question has the same answer.</summary>
static class Solving
{
    /// <summary>The best answer, proven; null: it is proven that there is none.</summary>
    /// <param name="model">The question.</param>
    /// <param name="left">What is left of the time.</param>
    /// <exception cref="OutOfTimeException">The time was over first.</exception>
    public static CpSolver? Possible(CpModel model, TimeSpan left) =>
        Solved(model, left) is var (solver, status) && status == CpSolverStatus.Infeasible ? null
        : status == CpSolverStatus.Optimal ? solver
        : throw new OutOfTimeException();

    /// <summary>The best answer, proven.</summary>
    /// <param name="model">The question.</param>
    /// <param name="left">What is left of the time; null: as long as it takes.</param>
    /// <exception cref="OutOfTimeException">The time was over first.</exception>
    public static CpSolver Optimal(CpModel model, TimeSpan? left) =>
        Solved(model, left) is var (solver, status) && status == CpSolverStatus.Optimal ? solver : throw new OutOfTimeException();

    static (CpSolver Solver, CpSolverStatus Status) Solved(CpModel model, TimeSpan? left)
    {
        if (left <= TimeSpan.Zero)
            throw new OutOfTimeException();
        string limit = left is { } time
            ? string.Create(CultureInfo.InvariantCulture, $" max_time_in_seconds:{time.TotalSeconds:0.###}")
            : "";
        var solver = new CpSolver { StringParameters = $"num_workers:1 random_seed:1{limit}" };
        return (solver, Run(solver, model, Budget.Gone));
    }

    static readonly TimeSpan Again = TimeSpan.FromMilliseconds(20);

    /// <summary>
    /// Runs a solver until it has its answer or its time is over. It looks at no clock of ours: it is told to stop when whoever
    /// asked has gone, and told again until it has stopped, for what it is told before it has quite begun it never hears.
    /// </summary>
    /// <exception cref="OperationCanceledException">Whoever asked has gone.</exception>
    public static CpSolverStatus Run(CpSolver solver, CpModel model, CancellationToken gone)
    {
        gone.ThrowIfCancellationRequested();
        CpSolverStatus status;
        using (var telling = new Timer(_ => solver.StopSearch()))
        using (gone.Register(() => telling.Change(TimeSpan.Zero, Again)))
            status = solver.Solve(model);
        gone.ThrowIfCancellationRequested();
        return status;
    }
}
