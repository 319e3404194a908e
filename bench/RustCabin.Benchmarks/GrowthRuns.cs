using System.Diagnostics;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using RustCabin.Data;

namespace RustCabin.Benchmarks;

/// <summary>
/// A cabin at 1, 10 and 100 times the units and jobs of the sample cabin: how its start, its shelf, search, import, backup and a
/// press grow. Source: docs/measured.md, Growth.
/// </summary>
static class GrowthRuns
{
    static readonly int[] Times = [1, 10, 100];

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
            yield return new Measured($"{size}: a press", Pressed(http), "ms", null);
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

    /// <summary>A jumper is set to and fro, and the page that shows it is read; the median of 10.</summary>
    static double Pressed(HttpClient http)
    {
        const string Page = "/jobs/slip-3-winter/memory";
        var times = new List<double>();
        for (int i = 0; i < 12; i++)
        {
            string html = http.GetStringAsync(Page).GetAwaiter().GetResult();
            long began = Stopwatch.GetTimestamp();
            (string action, KeyValuePair<string, string>[] fields) = Form(html, "handler=Switch");
            using HttpResponseMessage answer = http.PostAsync(action, new FormUrlEncodedContent(fields)).GetAwaiter().GetResult();
            answer.EnsureSuccessStatusCode().Content.ReadAsByteArrayAsync().GetAwaiter().GetResult();
            if (i > 1)
                times.Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
        }
        return times.Order().ElementAt(times.Count / 2);
    }

    /// <summary>The first form of a press, with its fields and its first button that is not barred.</summary>
    static (string Action, KeyValuePair<string, string>[] Fields) Form(string html, string press)
    {
        int at = html.IndexOf(press, StringComparison.Ordinal),
            from = html.LastIndexOf("<form", at, StringComparison.Ordinal),
            to = html.IndexOf("</form>", at, StringComparison.Ordinal);
        string form = System.Net.WebUtility.HtmlDecode(html[from..to]);
        string action = System.Text.RegularExpressions.Regex.Match(form, "action=\"([^\"]+)\"").Groups[1].Value;
        IEnumerable<string> tags = System
            .Text.RegularExpressions.Regex.Matches(form, "<(?:input|button)[^>]*>")
            .Select(m => m.Value)
            .ToArray();
        string Of(string tag, string name) =>
            System.Text.RegularExpressions.Regex.Match(tag, $" {name}=\"([^\"]*)\"").Groups[1].Value;
        return (
            action,
            [
                .. tags.Where(t => t.StartsWith("<input", StringComparison.Ordinal))
                    .Concat(
                        tags.Where(t =>
                                t.StartsWith("<button", StringComparison.Ordinal)
                                && !t.Contains("aria-pressed=\"true\"", StringComparison.Ordinal)
                                && !t.Contains("disabled", StringComparison.Ordinal)
                            )
                            .Take(1)
                    )
                    .Where(t => Of(t, "name").Length > 0)
                    .Select(t => KeyValuePair.Create(Of(t, "name"), Of(t, "value"))),
            ]
        );
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
