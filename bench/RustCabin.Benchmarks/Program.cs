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
    ["causes of a job of 10 parts"] = 100,
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

Type[] types = args.Length > 0 ? [.. args.SelectMany(a => Once.Parts[a])] : [.. Once.Parts.Values.SelectMany(p => p)];
foreach (Type type in types)
foreach (BenchmarkReport report in BenchmarkRunner.Run(type, quiet).Reports)
{
    string name = report.BenchmarkCase.Descriptor.WorkloadMethodDisplayInfo.Trim('\'');
    // One that threw has no figures: it is named in the table, and the others still stand there.
    measured.Add(new Measured(name, report.ResultStatistics?.Median / 1e6, "ms", budgets.GetValueOrDefault(name)));
}
if (args.Length == 0 || args.Contains("server"))
{
    measured.AddRange(DataRuns.All());
    measured.AddRange(ServerRuns.All());
}
if (args.Length == 0 || args.Contains("growth"))
    measured.AddRange(GrowthRuns.All());

Console.WriteLine($"{"measured on " + Environment.ProcessorCount + " cores", -46}{"result", 14}{"budget", 14}");
foreach (Measured m in measured)
    Console.WriteLine(
        $"{m.Name, -46}{(m.Value is { } v ? $"{v:0.###} {m.Unit}" : "failed"), 14}"
            + $"{(m.Budget is { } b ? $"{b:0.###} {m.Unit}" : ""), 14}{Verdict(m)}"
    );
return measured.Any(m => m.Value is null) ? 1 : 0;

static string Verdict(Measured m) =>
    (m.Value, m.Budget) switch
    {
        (null, _) => "  FAILED: run it with ./cabin test web",
        (_, null) => "",
        var (value, budget) => value <= budget ? "  within" : "  OVER",
    };
