using System.Text.Json.Nodes;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Data.Tests;

/// <summary>
/// What is kept of sheets, jobs and the cupboard between two changes is what a repository that remembers nothing reads, and what
/// was not changed stays the same object.
/// </summary>
public sealed class KeptObjectsTests : IDisposable
{
    readonly TestCabin _cabin = new();
    readonly Random _random = new(34);

    public void Dispose() => _cabin.Dispose();

    ShelfRepository Shelf => new(_cabin.File, _cabin.Sheets, TimeProvider.System);

    static string[] Said(Pack pack) =>
        [
            pack.Currency,
            .. pack.Models.Select(m => Declaration<Model>.Write(m)!.ToJsonString()),
            .. pack.Parts.Select(p => Declaration<Part>.Write(p)!.ToJsonString()),
            .. pack.Units.Select(u => Declaration<Unit>.Write(u)!.ToJsonString()),
            .. pack.Titles.Select(t => Declaration<Title>.Write(t)!.ToJsonString()),
        ];

    static string[] Said((IReadOnlyList<StoredJob> Jobs, IReadOnlyList<SetAside> Aside) found) =>
        [
            .. found.Jobs.Select(j => $"{j.Version} {j.Undoes} {j.Redoes} {Declaration<Job>.Write(j.Job)!.ToJsonString()}"),
            .. found.Aside.Select(a => $"{a}"),
        ];

    void IsWhatIsThere()
    {
        var sheets = new SheetRepository(_cabin.File, TimeProvider.System);
        var jobs = new JobRepository(_cabin.File, sheets, TimeProvider.System);
        Assert.Equal(Said(sheets.All()), Said(_cabin.Sheets.All()));
        Assert.Equal(Said(jobs.Standing()), Said(_cabin.Jobs.Standing()));
        Assert.Equal(jobs.Names().Select(n => $"{n}"), _cabin.Jobs.Names().Select(n => $"{n}"));
        foreach (StoredJob job in _cabin.Jobs.Standing().Jobs)
            Assert.Same(job.Job, _cabin.Jobs.Find(job.Job.Id)!.Job);
    }

    static string Renamed(string list, int at, string name)
    {
        JsonObject pack = JsonNode.Parse(TestCabin.Slipway)!.AsObject();
        JsonArray all = pack[list]!.AsArray();
        all[at % all.Count]!["name"] = name;
        foreach (string other in (string[])["models", "parts", "units", "jobs", "titles"])
            if (other != list)
                pack.Remove(other);
        return pack.ToJsonString();
    }

    void Something(int n)
    {
        StoredJob[] jobs = [.. _cabin.Jobs.Standing().Jobs];
        switch (_random.Next(7))
        {
            case 0 when _cabin.Sheets.All().Units is { Count: > 0 } units:
                _cabin.Sheets.Change(units[_random.Next(units.Count)].Id, u => u with { Worth = n });
                break;
            case 1:
                _cabin.Bring(Renamed("models", n, $"Model {n}"), replace: true);
                break;
            case 2:
                _cabin.Bring(Renamed("parts", n, $"Part {n}"), replace: true);
                break;
            case 3 when jobs.Length > 0:
                StoredJob job = jobs[_random.Next(jobs.Length)];
                _cabin.Jobs.Change(job.Job.Id, job.Version, $"named {n}", j => j with { Name = $"Job {n}" });
                break;
            case 4 when jobs.Length > 0:
                StoredJob back = jobs[_random.Next(jobs.Length)];
                _cabin.Jobs.Undo(back.Job.Id, back.Version);
                break;
            case 5 when jobs.Length > 0:
                Shelf.Remove(jobs[_random.Next(jobs.Length)].Job.Id);
                break;
            default:
                foreach ((string kind, string id, _) in Shelf.Removed())
                    Shelf.PutBack(kind, id);
                break;
        }
    }

    [Fact]
    public void After_each_of_two_hundred_changes_it_is_what_is_in_the_file()
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        IsWhatIsThere();
        for (int n = 0; n < 200; n++)
        {
            Something(n);
            IsWhatIsThere();
        }
    }

    [Fact]
    public void A_unit_that_is_changed_leaves_all_else_the_same_objects()
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        Pack before = _cabin.Sheets.All();
        IReadOnlyList<StoredJob> jobs = _cabin.Jobs.Stored();
        Assert.True(_cabin.Sheets.Change(before.Units[0].Id, u => u with { Worth = 12 }));
        Pack after = _cabin.Sheets.All();
        Assert.Equal(12, after.Units[0].Worth);
        Assert.Same(before.Models, after.Models);
        Assert.Same(before.Parts, after.Parts);
        Assert.Same(before.Titles, after.Titles);
        Assert.All(before.Units.Zip(after.Units).Skip(1), u => Assert.Same(u.First, u.Second));
        Assert.All(jobs.Zip(_cabin.Jobs.Stored()), j => Assert.Same(j.First.Job, j.Second.Job));
    }

    [Fact]
    public void A_part_that_is_changed_leaves_the_other_parts_the_same_objects()
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        Pack before = _cabin.Sheets.All();
        Assert.True(_cabin.Bring(Renamed("parts", 0, "Another name"), replace: true).Done);
        Pack after = _cabin.Sheets.All();
        Assert.NotSame(before.Parts, after.Parts);
        Assert.Equal("Another name", after.Parts[0].Name);
        Assert.All(before.Parts.Zip(after.Parts).Skip(1), p => Assert.Same(p.First, p.Second));
        Assert.Same(before.Models, after.Models);
        Assert.Same(before.Units, after.Units);
    }

    [Fact]
    public void A_unit_that_does_not_read_any_more_is_set_aside_and_comes_back()
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        string unit = _cabin.Sheets.All().Units[0].Id;
        Shelf.RemoveUnit(unit);
        Assert.Null(_cabin.Sheets.All().FindUnit(unit));
        IsWhatIsThere();
        Shelf.PutBack("unit", unit);
        Assert.NotNull(_cabin.Sheets.All().FindUnit(unit));
        IsWhatIsThere();
    }

    [Fact]
    public void The_cupboard_is_read_once_more_only_where_it_was_changed()
    {
        var stock = new StockRepository(_cabin.File, TimeProvider.System);
        Assert.Same(stock.All(), stock.All());
        IReadOnlyList<StoredStock> empty = stock.All();
        stock.Add(
            new StockItem
            {
                Kind = StockKind.Tool,
                Name = "meter",
                Count = 1,
            }
        );
        Assert.NotSame(empty, stock.All());
        Assert.Equal("meter", Assert.Single(stock.All()).Item.Name);
        Assert.Same(stock.All(), stock.All());
    }
}
