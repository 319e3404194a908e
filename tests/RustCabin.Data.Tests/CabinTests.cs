using System.Text;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Identify;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Data.Tests;

/// <summary>A cabin in a folder of its own, gone after the test.</summary>
public sealed class TestCabin : IDisposable
{
    readonly string _folder = Directory.CreateTempSubdirectory("cabin").FullName;

    public TestCabin() => Reopen();

    public CabinFile File { get; private set; } = null!;
    public SheetRepository Sheets { get; private set; } = null!;
    public JobRepository Jobs { get; private set; } = null!;
    public PackImport Import { get; private set; } = null!;
    public string Path => System.IO.Path.Combine(_folder, "cabin.db");

    /// <summary>As after a restart: nothing is remembered but the file.</summary>
    public void Reopen()
    {
        SqliteConnection.ClearAllPools();
        File?.Dispose();
        File = CabinFile.Open(Path);
        Sheets = new SheetRepository(File, TimeProvider.System);
        Jobs = new JobRepository(File, Sheets, TimeProvider.System);
        Import = new PackImport(File, Sheets, Jobs, TimeProvider.System);
    }

    public ImportOutcome Bring(string json, bool replace = false) =>
        Import.Run(Encoding.UTF8.GetBytes(json), replace ? ImportMode.Replace : ImportMode.Careful, "a test");

    public static string Slipway =>
        System.IO.File.ReadAllText(System.IO.Path.Combine(AppContext.BaseDirectory, "Samples", "slipway.json"));

    public void Dispose()
    {
        File.Dispose();
        SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }
}

public sealed class CabinTests : IDisposable
{
    const string Winter = "slip-3-winter";
    readonly TestCabin _cabin = new();

    public void Dispose() => _cabin.Dispose();

    void Bring() => Assert.True(_cabin.Bring(TestCabin.Slipway).Done);

    StoredJob Job => _cabin.Jobs.Find(Winter)!;
    string W3 => Job.Job.Add[0].Switches["W3"];

    WriteResult Set(string position, long? version = null) =>
        _cabin
            .Jobs.Change(
                Winter,
                version ?? Job.Version,
                $"W3 to {position}",
                j => JobEdits.SetSwitch(j, [], InstanceName.Parse("fathom"), "W3", position)
            )
            .Result;

    [Fact]
    public void A_pack_comes_in_whole_and_is_there_after_a_restart()
    {
        Bring();
        _cabin.Reopen();
        Assert.Equal("Brindle 16", _cabin.Sheets.All().FindModel("brindle-16")!.Name);
        Assert.Equal("Winter refit", Job.Job.Name);
    }

    [Fact]
    public void The_same_pack_again_changes_nothing()
    {
        Bring();
        ImportOutcome again = _cabin.Bring(TestCabin.Slipway);
        Assert.True(again.Done);
        Assert.Equal((0, 5), (again.Written.Count, again.Unchanged));
    }

    [Fact]
    public void A_pack_with_an_error_brings_in_nothing()
    {
        ImportOutcome outcome = _cabin.Bring(TestCabin.Slipway.Instead("\"way\": \"socket\"", "\"way\": \"nail\""));
        Assert.Equal("jobs[0].add[0].way", Assert.Single(outcome.Errors).Path);
        Assert.Empty(_cabin.Sheets.All().Models);
        Assert.Null(_cabin.Jobs.Find(Winter));
    }

    [Fact]
    public void A_clash_brings_in_nothing_until_replacing_is_asked_for()
    {
        Bring();
        string changed = TestCabin
            .Slipway.Instead("\"name\": \"Slipway 3\"", "\"name\": \"Slipway three\"")
            .Instead("\"name\": \"Fathom memory board\"", "\"name\": \"Fathom\"");
        IReadOnlyList<Clash> clashes = _cabin.Bring(changed).Clashes;
        Assert.Equal(["part fathom", "unit slip-3"], clashes.Select(c => $"{c.Kind} {c.Id}"));
        Assert.Equal([new FieldChange("name", "Slipway 3", "Slipway three")], clashes[1].Changes);
        Assert.Equal("Slipway 3", _cabin.Sheets.All().FindUnit("slip-3")!.Name);
        Assert.True(_cabin.Bring(changed, replace: true).Done);
        Assert.Equal("Slipway three", _cabin.Sheets.All().FindUnit("slip-3")!.Name);
    }

    [Fact]
    public void Replacing_a_sheet_that_others_need_otherwise_is_refused()
    {
        Bring();
        var pack = new JsonObject
        {
            ["format"] = Pack.Format,
            ["parts"] = JsonNode.Parse(TestCabin.Slipway)!["parts"]!.DeepClone(),
        };
        string without = pack.ToJsonString().Instead("\"W3\"", "\"W9\"");
        ImportOutcome outcome = _cabin.Bring(without, replace: true);
        Assert.Contains("job slip-3-winter", Assert.Single(outcome.Errors).Path);
        Assert.Equal("W3", _cabin.Sheets.All().FindPart("fathom")!.Switches[0].Id);
    }

    [Fact]
    public void A_replaced_job_can_be_taken_back()
    {
        Bring();
        Assert.True(_cabin.Bring(TestCabin.Slipway.Instead("Winter refit", "Spring refit"), replace: true).Done);
        Assert.Equal("Spring refit", Job.Job.Name);
        Assert.Equal(WriteResult.Written, _cabin.Jobs.Undo(Winter, Job.Version).Result);
        Assert.Equal("Winter refit", Job.Job.Name);
    }

    [Fact]
    public void Undo_and_redo_walk_through_every_state_and_survive_a_restart()
    {
        Bring();
        Assert.Null(Job.Undoes);
        Set("closed");
        Set("open");
        _cabin.Reopen();
        Assert.Equal("W3 to open", Job.Undoes);
        Assert.Equal(WriteResult.Written, _cabin.Jobs.Undo(Winter, Job.Version).Result);
        Assert.Equal("closed", W3);
        _cabin.Reopen();
        Assert.Equal("W3 to open", Job.Redoes);
        _cabin.Jobs.Undo(Winter, Job.Version);
        Assert.Equal("open", W3);
        Assert.Equal(WriteResult.Nothing, _cabin.Jobs.Undo(Winter, Job.Version).Result);
        _cabin.Jobs.Redo(Winter, Job.Version);
        _cabin.Jobs.Redo(Winter, Job.Version);
        Assert.Equal("open", W3);
        Assert.Equal(WriteResult.Nothing, _cabin.Jobs.Redo(Winter, Job.Version).Result);
    }

    [Fact]
    public void A_change_after_undo_ends_redo_but_the_history_keeps_all()
    {
        Bring();
        Set("closed");
        _cabin.Jobs.Undo(Winter, Job.Version);
        _cabin.Jobs.Change(Winter, Job.Version, "Ticked", j => JobEdits.Tick(j, Acts.CloseUp, true));
        Assert.Null(Job.Redoes);
        Assert.Equal(
            [("Ticked", true), ("W3 to closed", false), ("Imported from a test", true)],
            _cabin.Jobs.History(Winter).Select(c => (c.What, c.Standing))
        );
        _cabin.Jobs.Undo(Winter, Job.Version);
        Assert.Equal("open", W3);
    }

    [Fact]
    public void Of_two_tabs_the_later_is_told_and_overwrites_nothing()
    {
        Bring();
        long seen = Job.Version;
        Assert.Equal(WriteResult.Written, Set("closed", seen));
        Assert.Equal(
            WriteResult.Stale,
            _cabin.Jobs.Change(Winter, seen, "Late", j => JobEdits.Tick(j, Acts.CloseUp, true)).Result
        );
        Assert.Equal(WriteResult.Stale, _cabin.Jobs.Undo(Winter, seen).Result);
        Assert.Equal("closed", W3);
        Assert.Empty(Job.Job.Done);
    }

    [Fact]
    public void Many_writers_at_once_make_each_change_once()
    {
        Bring();
        int written = 0;
        Parallel.For(
            0,
            40,
            _ =>
            {
                while (true)
                {
                    StoredJob now = _cabin.Jobs.Find(Winter)!;
                    string next = now.Job.Add[0].Switches["W3"] == "open" ? "closed" : "open";
                    if (
                        _cabin
                            .Jobs.Change(
                                Winter,
                                now.Version,
                                "press",
                                j => JobEdits.SetSwitch(j, [], InstanceName.Parse("fathom"), "W3", next)
                            )
                            .Result != WriteResult.Written
                    )
                        continue;
                    Interlocked.Increment(ref written);
                    return;
                }
            }
        );
        Assert.Equal(40, written);
        Assert.Equal(41, _cabin.Jobs.History(Winter).Count);
        Assert.Equal("open", W3);
    }

    [Fact]
    public void A_change_to_the_unit_is_taken_back_like_any_other_and_survives_a_restart()
    {
        Bring();
        string? Revision() => _cabin.Sheets.All().FindUnit("slip-3")!.Revision;
        string? Label() => _cabin.Sheets.All().FindUnit("slip-3")!.Seen.GetValueOrDefault("rear-label");
        Assert.Equal(
            WriteResult.Written,
            _cabin.Jobs.ChangeUnit(Winter, Job.Version, "Left to the clues", u => UnitEdits.Confirm(u, null)).Result
        );
        Assert.Equal(
            WriteResult.Written,
            _cabin.Jobs.ChangeUnit(Winter, Job.Version, "Label read again", u => UnitEdits.See(u, "rear-label", "16 A")).Result
        );
        _cabin.Reopen();
        Assert.Equal((null, "16 A"), (Revision(), Label()));
        _cabin.Jobs.Undo(Winter, Job.Version);
        Assert.Equal((null, "16 B"), (Revision(), Label()));
        _cabin.Jobs.Undo(Winter, Job.Version);
        Assert.Equal(("b4", "16 B"), (Revision(), Label()));
        _cabin.Jobs.Redo(Winter, Job.Version);
        _cabin.Jobs.Redo(Winter, Job.Version);
        Assert.Equal((null, "16 A"), (Revision(), Label()));
        Assert.Equal(
            WriteResult.Refused,
            _cabin.Jobs.ChangeUnit(Winter, Job.Version, "bad", u => UnitEdits.Confirm(u, "b9")).Result
        );
    }

    [Fact]
    public void An_edit_that_does_not_read_is_refused_with_its_path()
    {
        Bring();
        WriteOutcome outcome = _cabin.Jobs.Change(
            Winter,
            Job.Version,
            "bad",
            j => JobEdits.SetSwitch(j, [], InstanceName.Parse("fathom"), "W3", "sideways")
        );
        Assert.Equal(WriteResult.Refused, outcome.Result);
        Assert.Equal("job.add[0].switches.W3", Assert.Single(outcome.Problems).Path);
        Assert.Equal("open", W3);
    }

    [Fact]
    public void A_change_that_changes_nothing_leaves_no_trace()
    {
        Bring();
        Assert.Equal(WriteResult.Nothing, Set("open"));
        Assert.Single(_cabin.Jobs.History(Winter));
    }

    [Fact]
    public void A_job_of_nobody_is_missing() => Assert.Equal(WriteResult.Missing, _cabin.Jobs.Undo("nobody", 1).Result);

    [Fact]
    public void Jobs_begun_for_a_unit_have_ids_of_their_own()
    {
        Bring();
        Assert.Equal(["slip-3-job-1", "slip-3-job-2"], [_cabin.Jobs.Begin("slip-3", "A"), _cabin.Jobs.Begin("slip-3", "B")]);
    }

    [Fact]
    public void What_was_typed_is_stored_as_typed()
    {
        Assert.True(
            _cabin.Bring(TestCabin.Slipway.Instead("\"wants\": [", "\"x\": { \"Größe\": \"0x00FF\" }, \"wants\": [")).Done
        );
        Set("closed");
        using SqliteConnection connection = _cabin.File.Connect();
        string json = connection.QuerySingle<string>("select json from job_change order by seq desc limit 1");
        Assert.Contains("\"x\":{\"Größe\":\"0x00FF\"}", json);
        Assert.Contains("\"atLeast\":\"4M\"", json);
    }
}
