using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Reports;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using RustCabin.Benchmarks;

// Prints one table: what was measured beside its budget (README, for two small cores).
ManualConfig quiet = ManualConfig
    .CreateEmpty()
    .AddJob(Job.ShortRun.WithToolchain(InProcessEmitToolchain.Instance))
    .WithOptions(ConfigOptions.DisableOptimizationsValidator | ConfigOptions.DisableLogFile)
    .WithArtifactsPath(Directory.CreateTempSubdirectory("cabin-bench-artifacts").FullName)
    .AddColumnProvider(BenchmarkDotNet.Columns.DefaultColumnProviders.Instance);

var budgets = new Dictionary<string, double?>
{
    ["resolve 1,000 claims"] = null,
    ["resolve 10,000 claims"] = 10,
    ["resolve 100,000 claims"] = 120,
    ["whole answer, job of 10 parts"] = 1,
    ["power-up of 16 MiB at 64 KiB"] = 5,
    ["fit matrix, 300 parts by 8 revisions"] = 100,
    ["arrangements, 4 banks by 8 types"] = 20,
    ["settings, 6 parts, 2^30 positions"] = 200,
    ["build sets, 40 candidate parts"] = 2000,
    ["swap16 of 16 MiB"] = 16.8,
    ["swap32 of 16 MiB"] = 16.8,
    ["double of 16 MiB"] = 16.8,
    ["split of 16 MiB"] = 16.8,
    ["reverse words of 16 MiB"] = 16.8,
    ["HEX of 16 MiB read"] = 256,
    ["HEX of 16 MiB written"] = null,
    ["wiring, 5,000 places and 500 changes"] = 20,
    ["reading a pack of 2,000 sheets"] = null,
};
var measured = new List<Measured>();

// "core", "sheets" and "images" measure a part of it, "server" the running application alone.
var parts = new Dictionary<string, Type[]>
{
    ["core"] = [typeof(Resolving), typeof(Answering), typeof(Wires)],
    ["sheets"] = [typeof(Sheets), typeof(Solving)],
    ["images"] = [typeof(Images)],
    ["server"] = [],
};
Type[] types = args.Length > 0 ? [.. args.SelectMany(a => parts[a])] : [.. parts.Values.SelectMany(p => p)];
foreach (Type type in types)
foreach (BenchmarkReport report in BenchmarkRunner.Run(type, quiet).Reports)
{
    string name = report.BenchmarkCase.Descriptor.WorkloadMethodDisplayInfo.Trim('\'');
    measured.Add(new Measured(name, report.ResultStatistics!.Median / 1e6, "ms", budgets[name]));
}
if (args.Length == 0 || args.Contains("server"))
{
    measured.AddRange(DataRuns.All());
    measured.AddRange(ServerRuns.All());
}

Console.WriteLine($"{"measured on " + Environment.ProcessorCount + " cores", -46}{"result", 14}{"budget", 14}");
foreach (Measured m in measured)
    Console.WriteLine(
        $"{m.Name, -46}{m.Value.ToString("0.###") + " " + m.Unit, 14}{(m.Budget is { } b ? $"{b:0.###} {m.Unit}" : ""), 14}"
            + $"{(m.Value <= m.Budget ? "  within" : m.Budget is null ? "" : "  OVER")}"
    );

namespace RustCabin.Benchmarks
{
    /// <summary>One line of the table; a budget of null is only looked at.</summary>
    sealed record Measured(string Name, double Value, string Unit, double? Budget);
}
