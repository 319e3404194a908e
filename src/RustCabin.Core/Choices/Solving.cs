using System.Globalization;
using Google.OrTools.Sat;

namespace RustCabin.Core.Choices;

/// <summary>A question put to the solver so that the same question has the same answer.</summary>
static class Solving
{
    /// <summary>The best answer, proven.</summary>
    /// <param name="model">The question.</param>
    /// <param name="left">What is left of the time; null: as long as it takes.</param>
    /// <exception cref="OutOfTimeException">The time was over first.</exception>
    public static CpSolver Optimal(CpModel model, TimeSpan? left)
    {
        if (left <= TimeSpan.Zero)
            throw new OutOfTimeException();
        string limit = left is { } time
            ? string.Create(CultureInfo.InvariantCulture, $" max_time_in_seconds:{time.TotalSeconds:0.###}")
            : "";
        var solver = new CpSolver { StringParameters = $"num_workers:1 random_seed:1{limit}" };
        return solver.Solve(model) == CpSolverStatus.Optimal ? solver : throw new OutOfTimeException();
    }
}
