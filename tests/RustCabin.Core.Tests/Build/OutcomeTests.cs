using RustCabin.Core.Build;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Build;

/// <summary>How a job comes out; copies with what is known of their originals.</summary>
public sealed class OutcomeTests
{
    static readonly DateOnly Today = new(2026, 12, 1);

    [Theory]
    [InlineData("2026-12-02", true)]
    [InlineData("2026-12-01", false)]
    [InlineData("2026-11-30", false)]
    [InlineData(null, true)]
    public void A_parked_job_rests_until_its_day(string? on, bool rests) =>
        Assert.Equal(rests, new JobOutcome { Kind = OutcomeKind.Parked, On = on }.Rests(Today));

    [Fact]
    public void What_is_ended_rests_on_nothing() => Assert.False(new JobOutcome { Kind = OutcomeKind.Works }.Rests(Today));

    [Theory]
    [InlineData("works", "", null)]
    [InlineData("", "", null)]
    [InlineData("with-limits", "", "words")]
    [InlineData("parked", "", "outcome")]
    [InlineData("splendid", "", "outcome")]
    public void How_it_came_out_is_said_or_refused(string kind, string words, string? field) =>
        Assert.Equal(field, Settling.Ended(kind, words).Refused?.Field);

    [Theory]
    [InlineData("", "", "next")]
    [InlineData("reflow U7", "next week", "day")]
    [InlineData("reflow U7", "2026-12-20", null)]
    [InlineData("reflow U7", "", null)]
    public void A_job_is_parked_with_what_is_tried_next(string next, string day, string? field)
    {
        Press<Job> press = Settling.Park(next, day);
        Assert.Equal(field, press.Refused?.Field);
        if (field is null)
            Assert.Equal(
                day.Length > 0 ? "parked until 2026-12-20: reflow U7" : "parked: reflow U7",
                press.Edit!(new Job())!.Outcome!.Said
            );
    }

    static readonly Part Original = new()
    {
        Id = "original",
        Name = "Original",
        Versions =
        [
            new PartVersion { Id = "1", Errata = ["loses its clock", "hums"] },
            new PartVersion { Id = "2", Errata = ["hums"] },
        ],
        Faults = [new PartFault { Id = "dry", Cause = "dry joints" }, new PartFault { Id = "fuse", Cause = "its fuse" }],
    };

    static Part Whole(Part copy) => Copies.Whole(new Pack("EUR", [], [Original, copy], [], [], []), copy);

    [Fact]
    public void What_is_known_of_the_original_holds_for_the_copy_unless_struck_out()
    {
        var copy = new Part
        {
            Id = "copy",
            CopyOf = "original",
            Versions = [new PartVersion { Id = "1", Errata = ["is green"] }],
            Struck = ["HUMS", "dry"],
        };
        Part whole = Whole(copy);
        Assert.Equal(["is green", "loses its clock"], Assert.Single(whole.Versions).Errata);
        Assert.Equal("fuse", Assert.Single(whole.Faults).Id);
        Assert.Equal(["loses its clock", "its fuse"], Copies.Inherited(copy, Original));
        // The same record each time: what is kept of a part is found.
        Pack pack = new("EUR", [], [Original, copy], [], [], []);
        Assert.Same(Copies.Whole(pack, copy), Copies.Whole(pack, copy));
    }

    [Fact]
    public void A_copy_without_versions_has_those_of_the_original()
    {
        Part whole = Whole(
            new Part
            {
                Id = "copy",
                CopyOf = "original",
                Struck = ["hums"],
            }
        );
        Assert.Equal(["1", "2"], whole.Versions.Select(v => v.Id));
        Assert.Equal(["loses its clock"], whole.Versions.SelectMany(v => v.Errata));
    }

    [Theory]
    [InlineData(null)]
    [InlineData("copy")]
    [InlineData("nowhere")]
    public void A_part_of_which_no_original_is_here_is_itself(string? of)
    {
        var copy = new Part { Id = "copy", CopyOf = of };
        Assert.Same(copy, Whole(copy));
    }

    [Fact]
    public void The_original_stands_on_the_list_until_one_lies_in_the_cupboard()
    {
        var copy = new Part
        {
            Id = "copy",
            Name = "Copy",
            CopyOf = "original",
        };
        Pack pack = new("EUR", [], [Original, copy], [], [], []);
        var job = new Job { Id = "j", Originals = [new OriginalWanted { Copy = "copy", Under = 40 }] };
        IReadOnlyList<Wanted> list(params StockItem[] stock) => ShoppingList.Of(Trail.Stations, pack, [job], stock);
        Assert.Equal("Original in place of Copy, when under 40.00", Assert.Single(list()).Name);
        Assert.Empty(
            list(
                new StockItem
                {
                    Kind = StockKind.Part,
                    Item = "original",
                    Count = 1,
                }
            )
        );
        Assert.Single(list(new StockItem { Kind = StockKind.Part, Item = "original" }));
    }
}
