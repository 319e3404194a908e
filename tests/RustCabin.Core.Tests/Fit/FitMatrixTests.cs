using RustCabin.Core.Fit;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Fit;

public class FitMatrixTests
{
    const string Sites =
        """, "sites": [ { "id": "slot", "kind": "slot" }, { "id": "late", "kind": "slot", "revisions": ["r2"] }, { "id": "cpu", "kind": "socket", "mount": "soldered" }, { "id": "drive", "kind": "connector", "connector": "ata-40" } ]""";

    static FitCell[] Cells(string ways)
    {
        Pack pack = new Machine
        {
            More = Sites,
            Parts = $$"""{ "id": "p", "name": "Part", "kind": "io", "ways": [{{ways}}] }""",
            Job = "\"add\": []",
        }.Pack;
        return [.. FitMatrix.Of(pack.Models[0], pack.Parts).Single().Cells];
    }

    static string Way(string id, string more) => $$"""{ "id": "{{id}}", "model": "m", {{more}} }""";

    [Fact]
    public void A_way_for_all_boards_fits_them_all() =>
        Assert.Equal(
            [FitGrade.Fits, FitGrade.Fits],
            Cells(Way("w", "\"occupies\": [ { \"site\": \"slot\", \"mode\": \"in\" } ]")).Select(c => c.Grade)
        );

    [Fact]
    public void A_way_for_one_board_fits_that_one_and_the_other_says_why_not()
    {
        FitCell[] cells = Cells(Way("w", "\"revisions\": [\"r2\"]"));
        Assert.Equal([FitGrade.DoesNot, FitGrade.Fits], cells.Select(c => c.Grade));
        Assert.Equal(["Way \"w\": is for Board 2."], cells[0].Why);
    }

    [Fact]
    public void A_site_that_a_board_has_not_bars_the_way()
    {
        FitCell[] cells = Cells(Way("w", "\"occupies\": [ { \"site\": \"late\", \"mode\": \"in\" } ]"));
        Assert.Equal([FitGrade.DoesNot, FitGrade.Fits], cells.Select(c => c.Grade));
        Assert.Contains("this board has not", cells[0].Why[0]);
    }

    [Theory]
    [InlineData("\"reversible\": false", "cannot be undone")]
    [InlineData("\"special\": \"the cut board\"", "the cut board belongs to this unit only")]
    [InlineData("\"skill\": 4", "skill 4 of 5")]
    [InlineData("\"needs\": [ { \"firmware\": \"2.0\" } ]", "needs firmware 2.0")]
    [InlineData("\"occupies\": [ { \"site\": \"cpu\", \"mode\": \"between\" } ]", "soldered")]
    public void A_way_that_asks_for_more_fits_with_care(string more, string why)
    {
        FitCell cell = Cells(Way("w", more))[0];
        Assert.Equal(FitGrade.WithCare, cell.Grade);
        Assert.Contains(cell.Why, w => w.Contains(why, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("\"skill\": 3")]
    [InlineData("\"occupies\": [ { \"site\": \"cpu\", \"mode\": \"over\" } ]")]
    public void By_a_hair_less_it_simply_fits(string more) => Assert.Equal(FitGrade.Fits, Cells(Way("w", more))[0].Grade);

    [Fact]
    public void Of_several_ways_the_one_that_asks_for_least_is_taken()
    {
        FitCell[] cells = Cells(
            Way("cut", "\"reversible\": false, \"skill\": 5")
                + ","
                + Way("clip", "\"skill\": 5")
                + ","
                + Way("plug", "\"revisions\": [\"r2\"]")
        );
        Assert.Equal(["clip", "plug"], cells.Select(c => c.Way!.Id));
    }

    [Fact]
    public void A_way_by_connector_goes_where_the_connector_is()
    {
        Assert.Equal(FitGrade.Fits, Cells("""{ "id": "w", "connector": "ata-40" }""")[0].Grade);
        Assert.Equal(FitGrade.Unknown, Cells("""{ "id": "w", "connector": "ata-44" }""")[0].Grade);
    }

    [Fact]
    public void Of_a_part_for_another_model_nobody_has_said() =>
        Assert.Equal(FitGrade.Unknown, Cells("""{ "id": "w", "model": "other" }""")[0].Grade);
}
