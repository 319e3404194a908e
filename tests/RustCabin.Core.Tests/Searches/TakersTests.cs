using RustCabin.Core.Fit;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Searches;

/// <summary>From a part: the units that take it, and what the cupboard could make.</summary>
public sealed class TakersTests
{
    static readonly Pack Slips = Demo.Of("brindle-16.json");

    static Taker Of(Pack pack, string part, string unit) =>
        Takers.Of(Trail.Stations, pack, pack.FindPart(part)!).Single(t => t.Unit.Id == unit);

    [Fact]
    public void A_unit_takes_it_another_asks_for_firmware_and_a_third_has_no_way_in()
    {
        Taker takes = Of(Slips, "fathom", "slip-9");
        Assert.True(takes.Goes);
        // The lid twice, and the fitting.
        Assert.Equal(2 * 6 + 20, takes.Minutes);
        Taker asks = Of(Slips, "fathom", "slip-5");
        Assert.False(asks.Goes);
        Assert.Contains("5.3", Assert.Single(asks.With));
        Taker none = Of(Slips, "fathom", "slip-4");
        Assert.Equal(FitGrade.DoesNot, none.Grade);
        Assert.Null(none.Way);
        Assert.NotEmpty(none.Why);
        IReadOnlyList<Taker> all = Takers.Of(Trail.Stations, Slips, Slips.FindPart("fathom")!);
        Assert.Equal(all.OrderBy(t => !t.Goes).Select(t => t.Unit.Id), all.Select(t => t.Unit.Id));
    }

    [Fact]
    public void What_would_stop_the_unit_is_told()
    {
        // A unit whose socket is taken already.
        Pack taken = Slips with
        {
            Units =
            [
                .. Slips.Units.Select(u =>
                    u.Id == "slip-9" ? u with { Fitted = [new FittedPart { Part = "skerry", Way = "socket" }] } : u
                ),
            ],
        };
        Assert.NotEmpty(Of(taken, "fathom", "slip-9").Stops);
        Assert.DoesNotContain(
            Takers.Of(
                Trail.Stations,
                Slips with
                {
                    Units = [.. Slips.Units.Select(u => u with { Retired = true })],
                },
                Slips.Parts[0]
            ),
            _ => true
        );
    }

    [Fact]
    public void Only_the_first_forty_are_planned()
    {
        Pack many = Slips with
        {
            Units = [.. Enumerable.Range(0, 60).Select(i => Slips.FindUnit("slip-9")! with { Id = $"u{i}", Name = $"U {i}" })],
        };
        IReadOnlyList<Taker> all = Takers.Of(Trail.Stations, many, many.FindPart("fathom")!);
        Assert.Equal(60, all.Count);
        Assert.Equal(Takers.MostPlanned, all.Count(t => t.Minutes > 0));
    }

    [Fact]
    public void The_cupboard_makes_of_each_unit_what_goes_in_and_is_not_in()
    {
        var makes = Takers.FromCupboard(Slips, ["fathom", "osprey"]);
        Assert.Equal(["Fathom memory board"], makes.Single(m => m.Unit.Id == "slip-9").Parts.Select(p => p.Part.Name));
        Assert.Equal(["Osprey system device"], makes.Single(m => m.Unit.Id == "slip-4").Parts.Select(p => p.Part.Name));
        Assert.Empty(Takers.FromCupboard(Slips, []));
        Pack fitted = Slips with
        {
            Units = [Slips.FindUnit("slip-9")! with { Fitted = [new FittedPart { Part = "fathom", Way = "socket" }] }],
        };
        Assert.Empty(Takers.FromCupboard(fitted, ["fathom"]));
    }
}
