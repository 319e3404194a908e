using RustCabin.Core.Answers;

namespace RustCabin.Core.Tests.Fit;

/// <summary>What parts ask of the unit and of each other: raised, and by a hair not.</summary>
public class PartChecksTests
{
    static Machine With(
        string part,
        string sites = """{ "id": "slot", "kind": "slot", "heightMm": 20 }, { "id": "slot-2", "kind": "slot" }""",
        string mode = "in",
        string more = ""
    ) =>
        new()
        {
            More = $$""", "sites": [{{sites}}], "firmware": [ { "id": "1" }, { "id": "2" } ]""",
            UnitMore = ", \"firmware\": \"1\"",
            Parts = Machine.Part("p", part, mode) + more,
            Job = more.Length > 0 ? Machine.Add("p", "q") : Machine.Add("p"),
        };

    [Theory]
    [InlineData("""{ "firmware": "2" }""", true)]
    [InlineData("""{ "firmware": "1" }""", false)]
    [InlineData("""{ "firmware": "2", "revisions": ["r2"] }""", false)]
    [InlineData("""{ "rail": "+12" }""", true)]
    [InlineData("""{ "free": "slot-2" }""", false)]
    [InlineData("""{ "free": "slot" }""", true)]
    [InlineData("""{ "part": "q" }""", true)]
    public void FIT_NEED(string need, bool raised) =>
        Assert.Equal(raised ? ["FIT-NEED"] : [], With($", \"needs\": [{need}]").Codes);

    [Theory]
    [InlineData("a", true)]
    [InlineData("b", false)]
    public void A_need_may_hold_in_one_position_only(string position, bool raised) =>
        Assert.Equal(
            raised,
            With(
                """, "switches": [ { "id": "S", "positions": ["a", "b"] } ], "needs": [ { "rail": "+12", "when": { "S": "POSITION" } } ]""".Replace(
                    "POSITION",
                    position
                )
            )
                .Codes.Contains("FIT-NEED")
        );

    [Theory]
    [InlineData("q", true)]
    [InlineData("z", false)]
    public void FIT_CONFLICT(string part, bool raised)
    {
        string second = "," + Machine.Part("q", "", site: "slot-2") + "," + Machine.Part("z", "", site: "slot-2");
        Machine machine = With($", \"conflicts\": [ {{ \"part\": \"{part}\", \"why\": \"They both wait.\" }} ]", more: second);
        Assert.Equal(raised ? ["FIT-CONFLICT"] : [], machine.Codes);
    }

    [Theory]
    [InlineData("in", "soldered", true)]
    [InlineData("between", "soldered", true)]
    [InlineData("over", "soldered", false)]
    [InlineData("in", "socketed", false)]
    public void FIT_SOLDERED(string mode, string mount, bool raised) =>
        Assert.Equal(
            raised ? ["FIT-SOLDERED"] : [],
            With("", $$"""{ "id": "slot", "kind": "socket", "mount": "{{mount}}" }""", mode).Codes
        );

    [Theory]
    [InlineData("in", 18.0, null)]
    [InlineData("in", 18.1, Standing.Watch)]
    [InlineData("in", 20.0, Standing.Watch)]
    [InlineData("in", 20.1, Standing.Stop)]
    [InlineData("between", 14.0, null)]
    [InlineData("between", 16.1, Standing.Stop)]
    public void FIT_HEIGHT(string mode, double mm, Standing? standing)
    {
        Answer answer = With(
            $", \"heightMm\": {mm.ToString(System.Globalization.CultureInfo.InvariantCulture)}",
            mode: mode
        ).Answer;
        Assert.Equal(standing is null ? [] : ["FIT-HEIGHT"], answer.Findings.Select(f => f.Code));
        Assert.Equal(standing ?? Standing.Clear, answer.Standing);
    }
}
