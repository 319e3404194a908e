using System.IO.Compression;
using RustCabin.Core;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Data.Tests;

/// <summary>
/// A cabin and a pack as the version of November 2026 wrote them, before the names of steps were told apart: what was ticked,
/// read and noted there is found again. In them one part is called <c>firmware</c>, and one has a hyphen in its name.
/// </summary>
public sealed class EarlierTests
{
    static string Kept(string name) => Path.Combine(AppContext.BaseDirectory, "Kept", name);

    [Fact]
    public void Ticks_cautions_readings_and_minutes_of_an_earlier_cabin_are_found_again()
    {
        string folder = Directory.CreateTempSubdirectory("earlier").FullName;
        try
        {
            string file = Path.Combine(folder, "cabin.db");
            using (var from = new GZipStream(File.OpenRead(Kept("cabin-2026-11.db.gz")), CompressionMode.Decompress))
            using (FileStream to = File.Create(file))
                from.CopyTo(to);
            CabinFile cabin = CabinFile.Open(file);
            var sheets = new SheetRepository(cabin, TimeProvider.System);
            var jobs = new JobRepository(cabin, sheets, TimeProvider.System);
            Pack all = sheets.All();
            Assert.Equal(4, jobs.All().Count(j => Holds(all, j)));
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public void And_those_of_an_earlier_pack()
    {
        using var cabin = new TestCabin();
        Assert.True(cabin.Bring(File.ReadAllText(Kept("pack-2026-11.json"))).Done);
        Pack all = cabin.Sheets.All();
        Assert.Equal(4, cabin.Jobs.All().Count(j => Holds(all, j)));
    }

    /// <summary>Each step that the job names is one of its sheet, and no more are done than it ticked.</summary>
    static bool Holds(Pack all, Job job)
    {
        AtHand at = AtHand.Of(Trail.Stations, all, job);
        Step[] steps = [.. at.Sheet.Steps];
        Assert.All(job.Done, d => Assert.Contains(steps, s => s.Id.Is(d)));
        Assert.All(
            job.Heeded,
            h => Assert.Contains(at.Progress.Steps, s => s.Step.Id.Is(h.Step) && s.Heeded.Contains(h.Caution))
        );
        Assert.All(job.Readings, r => Assert.Contains(steps, s => s.Id.Is(r.Gate)));
        Assert.All(job.Took, t => Assert.Contains(steps, s => s.Id.Is(StepId.Parse(t.Key)) && job.MinutesOf(s.Id) == t.Value));
        Assert.Equal(
            job.Done.Count,
            at.Progress.Steps.Count(s =>
                // A step that an earlier version had not is done where a later one is.
                s is { State: StepState.Done, Step: { Kind: not (StepKind.Gate or StepKind.Off), Proved: null } }
            )
        );
        return job.Done.Count > 0;
    }

    [Fact]
    public void A_tick_of_an_earlier_version_is_taken_back_and_made_again()
    {
        using var cabin = new TestCabin();
        Assert.True(cabin.Bring(File.ReadAllText(Kept("pack-2026-11.json"))).Done);
        Pack all = cabin.Sheets.All();
        foreach (Job job in cabin.Jobs.All().Where(j => j.Done.Count > 0))
        {
            AtHand at = AtHand.Of(Trail.Stations, all, job);
            StepId last = at.Progress.Steps.Last(s => s.Step.Id.IsIn(job.Done)).Step.Id;
            Job back = JobEdits.Took(JobEdits.Tick(job, last, false), last, null);
            Assert.Equal(job.Done.Count - 1, back.Done.Count);
            Assert.Null(back.MinutesOf(last));
            Assert.Equal(last, JobEdits.Tick(back, last, true).Done[^1]);
        }
    }
}
