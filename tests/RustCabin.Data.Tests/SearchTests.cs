using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;

namespace RustCabin.Data.Tests;

public sealed class SearchTests : IDisposable
{
    readonly TestCabin _cabin = new();
    SearchRepository Search => new(_cabin.File);

    public void Dispose() => _cabin.Dispose();

    static System.Text.Json.Nodes.JsonObject Named(System.Text.Json.Nodes.JsonObject job, string name)
    {
        var renamed = job.DeepClone().AsObject();
        renamed["name"] = name;
        return renamed;
    }

    string[] Keys(string asked) => [.. Search.Things(asked).Select(f => $"{f.Kind} {f.Key}")];

    public SearchTests() => Assert.True(_cabin.Bring(TestCabin.Slipway).Done);

    [Theory]
    [InlineData("fathom", "part fathom")]
    [InlineData("FATHOM mem", "part fathom")]
    [InlineData("winter", "job slip-3-winter")]
    [InlineData("keyboard ribbon", "model brindle-16")]
    [InlineData("BR-4", "unit slip-3")]
    public void Everything_written_is_found_by_any_of_its_words(string asked, string found) =>
        Assert.Contains(found, Keys(asked));

    [Fact]
    public void A_name_comes_before_a_mention() => Assert.Equal("part fathom", Keys("fathom")[0]);

    [Theory]
    [InlineData("")]
    [InlineData("   ")]
    [InlineData("\"")]
    [InlineData("fathom\" OR \"x")]
    [InlineData("* NEAR(")]
    [InlineData("'; drop table job; --")]
    public void No_word_is_taken_for_an_operator(string asked)
    {
        Assert.DoesNotContain("model brindle-16", Keys(asked));
        Assert.Empty(Search.Log(asked));
    }

    [Fact]
    public void What_changes_is_found_as_it_now_stands()
    {
        _cabin.Jobs.Change("slip-3-winter", 1, "Renamed for the thaw", j => j with { Name = "Spring thaw" });
        Assert.Contains("job slip-3-winter", Keys("spring"));
        Assert.Empty(Keys("refit"));
        Assert.Equal("Renamed for the thaw", Assert.Single(Search.Log("thaw")).Text);
        _cabin.Jobs.Undo("slip-3-winter", 2);
        Assert.Contains("job slip-3-winter", Keys("refit"));

        var stock = new StockRepository(_cabin.File, TimeProvider.System);
        long id = stock.Add(
            new StockItem
            {
                Kind = StockKind.Chip,
                Item = "64Kx1",
                Name = "Chips in a tube",
                Count = 3,
                Place = "flood crate",
            }
        );
        Assert.Equal([$"stock {id}"], Keys("flood"));
        stock.Undo(stock.Undoes()!.Value.Change);
        Assert.Empty(Keys("flood"));
    }

    [Fact]
    public void The_found_words_are_marked_in_the_extract() =>
        Assert.Contains($"{SearchRepository.WordBegins}ribbon{SearchRepository.WordEnds}", Search.Things("ribbon")[0].Extract);

    [Fact]
    public void A_whole_import_is_taken_back_and_what_was_there_stands_again()
    {
        string second = TestCabin
            .Slipway.Instead("Slipway 3", "Slipway three")
            .Instead("\"id\": \"fathom\"", "\"id\": \"fathom-2\"")
            .Instead("\"part\": \"fathom\"", "\"part\": \"fathom-2\"");
        ImportOutcome outcome = _cabin.Bring(second, replace: true);
        Assert.Contains("part fathom-2", outcome.New);
        Assert.Equal(["unit slip-3", "job slip-3-winter"], outcome.Clashes.Select(c => $"{c.Kind} {c.Id}"));
        Assert.Empty(_cabin.Import.Undo(outcome.Log!.Value));
        Assert.Null(_cabin.Sheets.All().FindPart("fathom-2"));
        Assert.Equal("Slipway 3", _cabin.Sheets.All().FindUnit("slip-3")!.Name);
        Assert.Equal("fathom", _cabin.Jobs.Find("slip-3-winter")!.Job.Add[0].Part);
        Assert.Contains("taken back already", Assert.Single(_cabin.Import.Undo(outcome.Log.Value)).Message);
    }

    [Fact]
    public void An_import_is_not_taken_back_over_a_later_change_or_a_later_use()
    {
        long log = _cabin.Import.Log()[0].Id;
        _cabin.Jobs.Change("slip-3-winter", 1, "x", j => j with { Name = "Other" });
        SheetError error = Assert.Single(_cabin.Import.Undo(log));
        Assert.Equal(("job slip-3-winter", "was changed since"), (error.Path, error.Message));
        Assert.NotNull(_cabin.Sheets.All().FindUnit("slip-3"));

        using var other = new TestCabin();
        long sheets = other.Bring(TestCabin.Slipway).Log!.Value;
        other.Bring("""{ "format": "rustcabin.pack/1", "units": [ { "id": "late", "model": "brindle-16", "name": "Late" } ] }""");
        Assert.Contains(other.Import.Undo(sheets), e => e.Message.Contains("\"brindle-16\" is not a model here"));
        Assert.NotNull(other.Jobs.Find("slip-3-winter"));
    }

    [Fact]
    public void A_preview_writes_nothing_and_new_only_leaves_what_is_here()
    {
        string changed = TestCabin
            .Slipway.Instead("Slipway 3", "Slipway three")
            .Instead("\"titles\": [", "\"titles\": [ { \"id\": \"t\", \"name\": \"T\" }, ");
        ImportOutcome preview = _cabin.Import.Run(System.Text.Encoding.UTF8.GetBytes(changed), ImportMode.Preview, "x");
        Assert.Equal(["title t"], preview.New);
        Assert.Equal("slip-3", Assert.Single(preview.Clashes).Id);
        Assert.Null(preview.Log);
        Assert.Single(_cabin.Import.Log());
        Assert.DoesNotContain(_cabin.Sheets.All().Titles, t => t.Id == "t");
        ImportOutcome kept = _cabin.Import.Run(System.Text.Encoding.UTF8.GetBytes(changed), ImportMode.NewOnly, "x");
        Assert.Equal(["title t"], kept.Written);
        Assert.Equal("Slipway 3", _cabin.Sheets.All().FindUnit("slip-3")!.Name);
    }
}
