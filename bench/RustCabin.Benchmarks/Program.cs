using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using RustCabin.Benchmarks;

// Prints one table: what was measured, how slow the machine was just then, and the budget (for two small cores).
ManualConfig quiet = ManualConfig
    .CreateEmpty()
    .AddLogger(BenchmarkDotNet.Loggers.NullLogger.Instance)
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
measured.AddRange(Measured.Paced(types.SelectMany(t => Once.Of(t).SelectMany(Reports))));
if (Asked("images"))
    measured.AddRange(Measured.Paced(RomRuns.All()));
if (Asked("core"))
    measured.AddRange(Measured.Paced(OrderRuns.All()));
if (Asked("server"))
{
    measured.AddRange(Measured.Paced(DataRuns.All()));
    measured.AddRange(Measured.Paced(ServerRuns.All()));
}
if (args.Contains("pages"))
    measured.AddRange(Measured.Paced(ServerRuns.Pages()));
if (Asked("growth"))
    measured.AddRange(Measured.Paced(GrowthRuns.All()));

foreach (string line in Measured.Table(measured))
    Console.WriteLine(line);
return measured.Any(m => m.Value is null) ? 1 : 0;

bool Asked(string part) => args.Length == 0 || args.Contains(part);

IEnumerable<Measured> Reports(Once one) =>
    BenchmarkRunner
        .Run(one.Type, [one.Method], quiet)
        .Reports.Select(report => new Measured(
            one.Name,
            // One that threw has no figures: it is named in the table, and the others still stand there.
            report.ResultStatistics?.Median / 1e6,
            "ms",
            budgets.GetValueOrDefault(one.Name)
        ));
