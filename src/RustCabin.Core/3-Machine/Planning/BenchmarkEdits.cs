using RustCabin.Core.Sheets;

namespace RustCabin.Core.Planning;

/// <summary>Runs of benchmarks, kept by their names.</summary>
static class BenchmarkEdits
{
    /// <summary>The list with the runs of one benchmark in its place; none takes it away.</summary>
    public static IReadOnlyList<BenchmarkRuns> Put(IReadOnlyList<BenchmarkRuns> all, string name, IReadOnlyList<decimal> seconds)
    {
        var runs = new BenchmarkRuns { Name = name, Seconds = seconds };
        if (seconds.Count == 0)
            return [.. all.Where(r => r.Name != name)];
        return all.Any(r => r.Name == name) ? [.. all.Select(r => r.Name == name ? runs : r)] : [.. all, runs];
    }
}
