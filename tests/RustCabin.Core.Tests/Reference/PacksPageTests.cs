using System.Text.RegularExpressions;
using RustCabin.Core.Answers;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Reference;

/// <summary>The whole example of docs/packs.md is one: it reads, and does what the page says.</summary>
public partial class PacksPageTests
{
    static readonly string Page = File.ReadAllText(Path.Combine(Repository.Docs, "packs.md"));

    static Pack Example => Sample.Pack(Json().Match(Page).Groups[1].Value);

    [Fact]
    public void The_card_fights_at_its_factory_place_and_one_press_mends_it()
    {
        PlannedUnit planned = Plan.For(Example, Example.Jobs.Single());
        Answer answer = Evidence.Keep(Answer.For(Trail.Stations, planned));
        Assert.Equal(Standing.Stop, answer.Standing);
        Assert.Equal("low", answer.Findings.First(f => f.Code == "MAP-FIGHT").Fix!.Switches["egg"]["S1"]);
        Answer mended = Evidence.Keep(Answer.For(Trail.Stations, Plan.Moved(planned, InstanceName.Parse("egg"), "S1", "low")));
        Assert.Equal(Standing.Clear, mended.Standing);
        Assert.Empty(mended.Findings);
        Assert.Equal(36ul << 10, mended.PowerUp.Total.Bytes);
        Assert.Equal("second", planned.Revision.Id);
        Assert.Equal(1.2m * 0.8m, mended.Rails.Single().CapacityAmps);
    }

    [GeneratedRegex("```json\n(.*?)```", RegexOptions.Singleline)]
    private static partial Regex Json();
}
