using System.Diagnostics;
using System.Text;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Data;

namespace RustCabin.Benchmarks;

/// <summary>The database at its limits: an import of 2,000 sheets, and search over 100,000 lines of what was done.</summary>
static class DataRuns
{
    const int Sheets = 2000,
        Lines = 100_000;

    public static IEnumerable<Measured> All()
    {
        string folder = Directory.CreateTempSubdirectory("cabin-bench").FullName;
        try
        {
            CabinFile file = CabinFile.Open(Path.Combine(folder, "cabin.db"));
            var sheets = new SheetRepository(file, TimeProvider.System);
            var jobs = new JobRepository(file, sheets, TimeProvider.System);
            var import = new PackImport(file, sheets, jobs, TimeProvider.System);
            byte[] pack = Full();
            var watch = Stopwatch.StartNew();
            if (!import.Run(pack, ImportMode.Careful, "bench").Done)
                throw new InvalidOperationException("the full pack was not imported");
            yield return new Measured("import of 2,000 sheets", watch.Elapsed.TotalMilliseconds, "ms", 5000);
            yield return new Measured(
                "2,000 sheets read from disk",
                Timed.Median(9, () => new SheetRepository(file, TimeProvider.System).All()),
                "ms",
                300
            );
            int name = 0;
            yield return new Measured(
                "one sheet saved and all at hand again",
                Timed.Median(
                    9,
                    () =>
                    {
                        sheets.Change("u7", unit => unit with { Name = $"Unit {++name}" });
                        return sheets.All();
                    }
                ),
                "ms",
                20
            );

            Fill(file);
            var search = new SearchRepository(file);
            foreach (
                (string what, string asked) in ((string, string)[])
                    [("a rare word", "quillwort"), ("a common word", "switch"), ("the beginning of two words", "swi low")]
            )
            {
                double[] times =
                [
                    .. Enumerable
                        .Range(0, 21)
                        .Select(_ =>
                        {
                            var one = Stopwatch.StartNew();
                            int found = search.Log(asked).Count + search.Things(asked).Count;
                            if (found == 0)
                                throw new InvalidOperationException($"nothing found for {asked}");
                            return one.Elapsed.TotalMilliseconds;
                        })
                        .Order(),
                ];
                yield return new Measured($"search of {Lines / 1000},000 log lines, {what}", times[10], "ms", 20);
            }
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }
    }

    static byte[] Full()
    {
        string Part(int i) =>
            $$"""{ "id": "p{{i}}", "name": "Part {{i}}", "kind": "memory", "ways": [ { "id": "w", "model": "m" } ], "claims": [ { "id": "a", "kind": "ram", "base": "0x1000", "size": "1K" } ] }""";
        string Unit(int i) =>
            $$"""{ "id": "u{{i}}", "model": "m", "name": "Unit {{i}}", "fitted": [ { "part": "p{{i}}", "way": "w" } ] }""";
        string Job(int i) =>
            $$"""{ "id": "j{{i}}", "unit": "u{{i}}", "name": "Job {{i}}", "add": [ { "part": "p{{i + 1}}", "way": "w" } ] }""";
        string Many(int count, Func<int, string> one) => string.Join(',', Enumerable.Range(0, count).Select(one));
        return Encoding.UTF8.GetBytes(
            $$"""
            { "format": "rustcabin.pack/1", "models": [ { "id": "m", "name": "M", "addressBits": 24, "dataBits": 16,
                "masters": ["cpu"], "revisions": [ { "id": "r", "name": "R" } ] } ],
              "parts": [{{Many(Sheets - 801, Part)}}], "units": [{{Many(400, Unit)}}], "jobs": [{{Many(400, Job)}}] }
            """
        );
    }

    static void Fill(CabinFile file)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        connection.Execute(
            """
            with recursive n (i) as (select 2 union all select i + 1 from n where i <= @Lines)
            insert into job_change (job, seq, at, what, json)
            select 'j' || (i % 400), i, '2026-01-01T00:00:00Z',
                'switch W' || (i % 9) || ' of part ' || (i % 377) || ' to ' || case i % 3 when 0 then 'low' when 1 then 'high' else 'open' end
              || case when i % 20000 = 7 then ' beside the quillwort' else '' end, '{}' from n
            """,
            new { Lines },
            transaction
        );
        transaction.Commit();
    }
}
