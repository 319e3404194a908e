using System.Diagnostics;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using RustCabin.Data;

namespace RustCabin.Benchmarks;

/// <summary>
/// A cabin at 1, 10, 18 and 100 times the units and jobs of the sample cabin: how start, shelf, search, import, backup and a
/// press grow. Source: docs/measured.md, Growth.
/// </summary>
static class GrowthRuns
{
    static readonly int[] Times = [1, 10, 18, 100];

    public static IEnumerable<Measured> All() => Times.SelectMany(Of);

    static IEnumerable<Measured> Of(int times)
    {
        string folder = Directory.CreateTempSubdirectory("cabin-grown").FullName;
        try
        {
            var watch = Stopwatch.StartNew();
            int units = Fill(folder, times);
            string size = $"{units:#,0} units";
            yield return new Measured($"{size}: import", watch.Elapsed.TotalMilliseconds, "ms", null);
            yield return new Measured($"{size}: file", new FileInfo(Path.Combine(folder, "cabin.db")).Length / 1e6, "MB", null);
            yield return new Measured($"{size}: backup", Backed(folder), "ms", null);

            using Run server = ServerRuns.Run(folder, null, out TimeSpan start);
            yield return new Measured($"{size}: start to first answer", start.TotalMilliseconds, "ms", times == 1 ? 1000 : null);
            using var http = new HttpClient { BaseAddress = new Uri(server.Url) };
            int weight = 0;
            foreach (
                (string what, string path, double? budget) in ((string, string, double?)[])
                    [
                        ("shelf", "/", 60),
                        ("shelf, found by a word", "/?find=slip", 100),
                        ("shelf, in 30 minutes", "/?minutes=30", 100),
                        ("search", "/search?q=slip", 100),
                        ("build page", "/jobs/slip-7-picture/build", null),
                    ]
            )
            {
                yield return new Measured($"{size}: {what}", Median(http, path, out int bytes), "ms", budget);
                weight = path == "/" ? bytes : weight;
            }
            yield return new Measured($"{size}: weight of the shelf", weight / 1000.0, "kB", 150);
            yield return new Measured($"{size}: a press", Presses.Median(http), "ms", null);
            server.Process.Refresh();
            yield return new Measured($"{size}: memory", server.Process.WorkingSet64 / 1e6, "MB", null);
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }
    }

    static double Median(HttpClient http, string path, out int bytes)
    {
        bytes = 0;
        var times = new List<double>();
        for (int i = 0; i < 12; i++)
        {
            long began = Stopwatch.GetTimestamp();
            bytes = http.GetByteArrayAsync(path).GetAwaiter().GetResult().Length;
            // The first two compile what they run through.
            if (i > 1)
                times.Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
        }
        return times.Order().ElementAt(times.Count / 2);
    }

    static double Backed(string folder)
    {
        var watch = Stopwatch.StartNew();
        string copy = Path.Combine(folder, "copy.db");
        new Backup(CabinFile.Open(Path.Combine(folder, "cabin.db")), TimeProvider.System).To(copy);
        return watch.Elapsed.TotalMilliseconds;
    }

    /// <summary>The demo's packs, and further copies of their units and jobs under other names.</summary>
    static int Fill(string folder, int times)
    {
        CabinFile file = CabinFile.Open(Path.Combine(folder, "cabin.db"));
        var sheets = new SheetRepository(file, TimeProvider.System);
        var jobs = new JobRepository(file, sheets, TimeProvider.System);
        var import = new PackImport(file, sheets, jobs, TimeProvider.System);
        string demo = Path.Combine(AppContext.BaseDirectory, "demo");
        string[] packs = [.. Directory.GetFiles(demo, "*.json").Order(StringComparer.Ordinal)];
        foreach (string pack in packs)
            Import(import, File.ReadAllBytes(pack), pack);
        for (int copy = 1; copy < times; copy += AtOnce)
            Import(import, Encoding.UTF8.GetBytes(Copies(packs, copy, Math.Min(times, copy + AtOnce)).ToJsonString()), "copies");
        file.Checkpoint();
        return sheets.All().Units.Count;
    }

    static void Import(PackImport import, byte[] pack, string name)
    {
        ImportOutcome outcome = import.Run(pack, ImportMode.Careful, name);
        if (!outcome.Done)
            throw new InvalidOperationException($"{name}: {string.Join("; ", outcome.Errors.Take(3))}");
    }

    /// <summary>A pack holds 2,000 sheets at most.</summary>
    const int AtOnce = 20;

    static JsonObject Copies(string[] packs, int from, int to)
    {
        JsonArray units = [],
            jobs = [];
        foreach (JsonObject pack in packs.Select(p => JsonNode.Parse(File.ReadAllText(p))!.AsObject()))
            for (int copy = from; copy < to; copy++)
            {
                foreach (JsonNode? unit in pack["units"]?.AsArray() ?? [])
                    units.Add(Renamed(unit!, copy, "id"));
                foreach (JsonNode? job in pack["jobs"]?.AsArray() ?? [])
                    jobs.Add(Renamed(job!, copy, "id", "unit", "after"));
            }
        return new JsonObject
        {
            ["format"] = "rustcabin.pack/1",
            ["units"] = units,
            ["jobs"] = jobs,
        };
    }

    static JsonObject Renamed(JsonNode sheet, int copy, params string[] ids)
    {
        JsonObject renamed = sheet.DeepClone().AsObject();
        foreach (string id in ids)
            if (renamed[id] is { } has)
                renamed[id] = $"{has}-{copy}";
        renamed["name"] = $"{renamed["name"]} {copy}";
        return renamed;
    }
}
