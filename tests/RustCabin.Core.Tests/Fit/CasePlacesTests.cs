using RustCabin.Core.Fit;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Fit;

/// <summary>The inside of a case, marked and measured, and the board that finds its place in it.</summary>
public sealed class CasePlacesTests
{
    static Pressing Card() => new(Demo.Jobs.First(j => j.Job.Id == "slip-6-card").Pack, "slip-6-card");

    static BoardForm Board(string what = "adapter", string size = "62 x 40 x 9") =>
        new(what, size, "2", "118 44", "110", "9", "3.2", "4");

    [Fact]
    public void A_low_thing_is_lain_over_and_a_high_one_is_not()
    {
        Pressing pressing = Card();
        CaseInside inside = pressing.At.Unit.Inside!;
        PlacedThing thing = pressing.At.Job.Places[0];
        // The shield of 21 mm and the board of 9 mm go under 34 mm; all else reaches the lid.
        Assert.Equal(3, CasePlaces.Asked(inside, thing).Taken.Count);
        Assert.Equal(4, CasePlaces.Asked(inside, thing with { HeightMm = 13.1m }).Taken.Count);
        Assert.Equal(3, CasePlaces.Asked(inside, thing with { HeightMm = 13 }).Taken.Count);
        Assert.Equal(4, CasePlaces.Asked(inside, thing with { HeightMm = null }).Taken.Count);
        Assert.Equal(4, CasePlaces.Asked(inside with { HeightMm = null }, thing).Taken.Count);
    }

    [Theory]
    [InlineData(110.0, 9.0, 92.0)]
    [InlineData(15.0, 9.0, 0.0)]
    [InlineData(null, 9.0, null)]
    public void A_lead_reaches_less_by_its_bends(double? lead, double bend, double? reach) =>
        Assert.Equal((decimal?)reach, CasePlaces.Reach(new PlacedThing { LeadMm = (decimal?)lead, BendMm = (decimal)bend }));

    [Fact]
    public void A_place_that_is_taken_stands_at_its_step_and_in_the_passport()
    {
        Pressing pressing = Card();
        pressing.Made(at => Casing.Choose(at, "Skiff card adapter", 3));
        PlacedThing chosen = pressing.At.Job.Places.Single(p => p.What == "Skiff card adapter");
        Assert.Equal((56, 4, false), (chosen.At!.XMm, chosen.At.YMm, chosen.At.Turned));
        Assert.Contains(
            pressing.At.Sheet.Steps.Single(s => $"{s.Id}" == "fit-skiff").Details,
            d => d == "In the case: 56 mm from the left and 4 mm from below, 62 x 40 mm."
        );
        Assert.Contains(
            Trail.Stations.Passport(pressing.At.Record).SelectMany(l => l),
            l => l is { What: "Place in the case: Skiff card adapter", State: "planned" }
        );
        Assert.Equal([(4m, 4m), (58m, 4m), (4m, 36m), (58m, 36m)], CasePlaces.Holes(chosen));
    }

    [Fact]
    public void A_turned_board_lies_and_is_drilled_turned()
    {
        PlacedThing thing = new()
        {
            WidthMm = 62,
            DepthMm = 40,
            HoleMm = 3,
            InsetMm = 4,
            At = new ChosenPlace { Turned = true },
        };
        Assert.Equal((40m, 62m), CasePlaces.Lies(thing));
        Assert.Equal((36m, 58m), CasePlaces.Holes(thing)[3]);
        Assert.Empty(CasePlaces.Holes(thing with { HoleMm = null }));
    }

    [Fact]
    public void Two_taps_scale_a_photo_and_corners_become_millimetres()
    {
        Pressing pressing = Card();
        Assert.Equal("x1", Casing.Mark(pressing.At, new TapsForm("1", "1", "9", "9"), "", "").Refused!.Field);
        // 300 and 400 pixels apart are 500: half a millimetre each.
        pressing.MadeOnUnit(_ => Casing.Scale(7, new TapsForm("100", "100", "400", "500"), "250"));
        Assert.Equal(0.5m, pressing.At.Unit.Inside!.Photo!.MmOfPixel);
        pressing.MadeOnUnit(at => Casing.Mark(at, new TapsForm("620", "120", "120", "420"), "", "30"));
        Assert.Equal(
            (250m, 150m, 30m),
            (pressing.At.Unit.Inside!.WidthMm, pressing.At.Unit.Inside.DepthMm, pressing.At.Unit.Inside.HeightMm)
        );
        pressing.MadeOnUnit(at => Casing.Mark(at, new TapsForm("140", "400", "200", "340"), "post", "12"));
        StandingThing post = pressing.At.Unit.Inside.Standing[^1];
        Assert.Equal((10m, 10m, 30m, 30m, 12m), (post.XMm, post.YMm, post.WidthMm, post.DepthMm, post.HeightMm));
        pressing.MadeOnUnit(at => Casing.Clear(at, pressing.At.Unit.Inside.Standing.Count - 1));
        Assert.DoesNotContain(pressing.At.Unit.Inside.Standing, s => s.What == "post");
    }

    [Fact]
    public void What_does_not_read_is_refused_by_its_field()
    {
        Pressing pressing = Card();
        Assert.Equal("size", Casing.Room("wide").Refused!.Field);
        Assert.Equal("size", Casing.Room("240 x 0").Refused!.Field);
        Assert.Equal("size", Casing.Room("240").Refused!.Field);
        Assert.Equal("length", Casing.Scale(1, new TapsForm("0", "0", "90", "0"), "-3").Refused!.Field);
        Assert.Equal("x1", Casing.Scale(1, new TapsForm("0", "0", "2", "0"), "30").Refused!.Field);
        Assert.Equal("x1", Casing.Scale(1, new TapsForm("0", "0", null, "0"), "30").Refused!.Field);
        Assert.Equal("where", Casing.Stand(pressing.At, "fan", "0 0 20", "").Refused!.Field);
        Assert.Equal("where", Casing.Stand(pressing.At, "fan", "0 0 0 20", "").Refused!.Field);
        Assert.Equal("what", Casing.Stand(pressing.At, " ", "0 0 20 20", "").Refused!.Field);
        Assert.Equal("height", Casing.Stand(pressing.At, "fan", "0 0 20 20", "high").Refused!.Field);
        Assert.Equal("what", Casing.Seek(Board(what: "")).Refused!.Field);
        Assert.Equal("size", Casing.Seek(Board(size: "62")).Refused!.Field);
        Assert.Equal("from", Casing.Seek(Board() with { From = "here" }).Refused!.Field);
        Assert.Equal("lead", Casing.Seek(Board() with { Lead = "long" }).Refused!.Field);
        Assert.Null(Casing.Choose(pressing.At, "nothing", 0).Edit);
        Assert.Null(Casing.Choose(pressing.At, "Skiff card adapter", 5_000).Edit);
    }

    [Fact]
    public void A_board_of_that_name_is_sought_once_and_can_be_dropped()
    {
        Pressing pressing = Card();
        pressing.Made(_ => Casing.Seek(Board()));
        pressing.Made(_ => Casing.Seek(Board(size: "50 x 30")));
        PlacedThing thing = pressing.At.Job.Places.Single(p => p.What == "adapter");
        Assert.Equal((50m, 30m, null, 2m, 118m), (thing.WidthMm, thing.DepthMm, thing.HeightMm, thing.MarginMm, thing.FromXMm));
        pressing.Made(at => Casing.Drop(at, "adapter"));
        Assert.DoesNotContain(pressing.At.Job.Places, p => p.What == "adapter");
    }

    [Fact]
    public void It_goes_through_an_opening_either_way_round()
    {
        Pack pack = Demo.Of("porthole.json");
        var unit = Core.Planning.Plan.For(pack, pack.Units[0]);
        Assert.Equal("vent", Assert.Single(CasePlaces.ThroughCase(unit, 3, 60)).Id);
        Assert.Single(CasePlaces.ThroughCase(unit, 60, 3));
        Assert.Empty(CasePlaces.ThroughCase(unit, 60, 3.1m));
    }
}
