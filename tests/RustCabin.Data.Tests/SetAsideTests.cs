using System.Text;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Data.Tests;

/// <summary>One broken sheet or job takes nothing but itself, and what is about it.</summary>
public sealed class SetAsideTests : IDisposable
{
    const string Winter = "slip-3-winter";
    readonly TestCabin _cabin = new();

    public SetAsideTests() => Assert.True(_cabin.Bring(TestCabin.Slipway).Done);

    public void Dispose() => _cabin.Dispose();

    /// <summary>Writes into the file as nobody should, past the triggers that would refuse it.</summary>
    void Spoil(string sql)
    {
        using (SqliteConnection connection = _cabin.File.Connect())
        {
            var triggers = connection
                .Query<(string Name, string Sql)>("select name, sql from sqlite_master where type = 'trigger'")
                .ToList();
            foreach ((string name, _) in triggers)
                connection.Execute($"drop trigger {name}");
            connection.Execute(sql);
            connection.Execute("delete from find");
            foreach ((_, string again) in triggers)
                connection.Execute(again);
        }
        SqliteConnection.ClearAllPools();
        _cabin.Reopen();
    }

    IEnumerable<string> Aside =>
        _cabin.Sheets.Aside().Concat(_cabin.Jobs.Aside()).Select(a => $"{a.Kind} {a.Id}").Order(StringComparer.Ordinal);

    [Fact]
    public void Nothing_is_set_aside_in_a_sound_cabin() => Assert.Empty(Aside);

    [Theory]
    [InlineData("update sheet set json = substr(json, 1, 40) where kind = 'part' and id = 'fathom'", "part fathom")]
    [InlineData("update sheet set json = replace(json, '\"name\"', '\"nmae\"') where id = 'fathom'", "part fathom")]
    public void A_part_takes_the_jobs_that_fit_it_and_no_more(string sql, string broken)
    {
        int models = _cabin.Sheets.All().Models.Count,
            units = _cabin.Sheets.All().Units.Count;
        string[] about = [.. _cabin.Jobs.All().Where(j => j.Add.Any(f => f.Part == "fathom")).Select(j => $"job {j.Id}")];
        Assert.NotEmpty(about);
        Spoil(sql);
        Assert.Equal([.. about.Append(broken).Order(StringComparer.Ordinal)], Aside);
        Assert.Equal((models, units), (_cabin.Sheets.All().Models.Count, _cabin.Sheets.All().Units.Count));
        Assert.Contains("does not read", Assert.Throws<SetAsideException>(() => _cabin.Jobs.Find(Winter)).Message);
    }

    [Fact]
    public void A_model_takes_its_units_and_their_jobs()
    {
        Spoil("update sheet set json = 'rust' where kind = 'model' and id = 'brindle-16'");
        Assert.Contains("model brindle-16", Aside);
        Assert.Contains("unit slip-3", Aside);
        Assert.Contains($"job {Winter}", Aside);
        Assert.DoesNotContain(_cabin.Sheets.All().Units, u => u.Model == "brindle-16");
    }

    [Fact]
    public void A_sound_sheet_can_be_imported_over_a_broken_one_and_all_is_there_again()
    {
        Spoil("update sheet set json = 'rust' where kind = 'model' and id = 'brindle-16'");
        Assert.True(_cabin.Bring(TestCabin.Slipway, replace: true).Done);
        Assert.Empty(Aside);
        Assert.NotNull(_cabin.Jobs.Find(Winter));
    }

    [Fact]
    public void Other_sheets_come_in_beside_a_broken_one()
    {
        Spoil("update sheet set json = 'rust' where kind = 'part' and id = 'fathom'");
        JsonNode part = JsonNode.Parse(TestCabin.Slipway)!["parts"]![0]!.DeepClone();
        foreach (string name in (string[])["Lone board", "Lonely board"])
        {
            (part["id"], part["name"]) = ("lone", name);
            string other = $$"""{ "format": "rustcabin.pack/1", "parts": [ {{part.ToJsonString()}} ] }""";
            Assert.Empty(_cabin.Bring(other, replace: true).Errors);
        }
        Assert.Equal("Lonely board", _cabin.Sheets.All().FindPart("lone")!.Name);
    }

    [Fact]
    public void A_broken_job_is_left_out_goes_back_to_what_it_was_and_its_last_state_stays_in_the_file()
    {
        StoredJob before = _cabin.Jobs.Find(Winter)!;
        _cabin.Jobs.Change(
            Winter,
            before.Version,
            "W3",
            j => JobEdits.SetSwitch(j, [], InstanceName.Parse("fathom"), "W3", "closed")
        );
        int others = _cabin.Jobs.All().Count - 1;
        Spoil(
            $"update job_change set json = '{{' where job = '{Winter}' and seq = (select max(seq) from job_change "
                + $"where job = '{Winter}')"
        );
        Assert.Equal([$"job {Winter}"], Aside);
        Assert.Equal(others, _cabin.Jobs.All().Count);
        Assert.Contains(_cabin.Jobs.Names(), n => n.Id == Winter);
        Assert.Throws<SetAsideException>(() => _cabin.Jobs.Find(Winter));
        Assert.True(_cabin.Jobs.GoBack(Winter));
        Assert.Empty(Aside);
        Assert.Equal(before.Job.Add[0].Switches["W3"], _cabin.Jobs.Find(Winter)!.Job.Add[0].Switches["W3"]);
        using SqliteConnection connection = _cabin.File.Connect();
        Assert.Equal(1, connection.QuerySingle<int>("select count(*) from job_change where json = '{'"));
    }

    [Fact]
    public void A_job_of_which_no_state_reads_says_so()
    {
        Spoil($"update job_change set json = '{{' where job = '{Winter}'");
        Assert.False(_cabin.Jobs.GoBack(Winter));
        Assert.Equal([$"job {Winter}"], Aside);
    }

    [Fact]
    public void The_export_leaves_out_what_does_not_read_and_is_itself_a_pack()
    {
        Spoil("update sheet set json = 'rust' where kind = 'part' and id = 'fathom'");
        byte[] pack = new PackExport(_cabin.File, _cabin.Sheets, _cabin.Jobs).Whole();
        using var other = new TestCabin();
        Assert.True(other.Bring(Encoding.UTF8.GetString(pack)).Done);
    }

    [Fact]
    public void Garbage_over_a_page_of_the_file_takes_what_lay_on_it()
    {
        JsonNode part = JsonNode.Parse(TestCabin.Slipway)!["parts"]![0]!.DeepClone();
        string[] more = [.. Enumerable.Range(0, 60).Select(n => part.ToJsonString().Instead("\"fathom\"", $"\"lone-{n}\""))];
        Assert.True(_cabin.Bring($$"""{ "format": "rustcabin.pack/1", "parts": [{{string.Join(',', more)}}] }""").Done);
        int sheets = Count();
        _cabin.File.Checkpoint();
        SqliteConnection.ClearAllPools();
        // The text of one sheet, found by what only it says, and the page that it lies on.
        byte[] file = File.ReadAllBytes(_cabin.Path);
        int at = file.AsSpan().IndexOf("\"id\":\"lone-30\""u8);
        Assert.True(at > 0);
        int page = at / 4096 * 4096;
        new Random(4).NextBytes(file.AsSpan(page, 4096));
        File.WriteAllBytes(_cabin.Path, file);
        _cabin.Reopen();
        Assert.NotEmpty(Aside);
        Assert.InRange(Count(), sheets / 2, sheets - 1);
        Assert.DoesNotContain(Aside, a => a.StartsWith("job", StringComparison.Ordinal));
        Assert.NotNull(_cabin.File.Damage());
    }

    int Count() => _cabin.Sheets.All().Models.Count + _cabin.Sheets.All().Parts.Count + _cabin.Sheets.All().Units.Count;
}
