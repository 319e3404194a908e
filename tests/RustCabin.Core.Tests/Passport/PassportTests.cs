using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Passport;

/// <summary>The passport says fitted of what was fitted, and of nothing else.</summary>
public class PassportTests
{
    [Fact]
    public void What_is_planned_is_not_written_as_fitted()
    {
        PlannedUnit unit = Plan.For(Sample.Slipway(), Sample.Slipway().Jobs[0]);
        PassportLine planned = Trail
            .Stations.Passport(new PassportAsked(Plan.For(Sample.Slipway(), unit.Unit), unit, _ => false))[PassportPart.Fitted]
            .Single();
        Assert.Equal(
            ("Fathom memory board", "cpu", "W3 open", "planned"),
            (planned.What, planned.Place, planned.Details, planned.State)
        );
        PassportLine done = Trail
            .Stations.Passport(new PassportAsked(Plan.For(Sample.Slipway(), unit.Unit), unit, id => $"{id}" == "fit-fathom"))[
                PassportPart.Fitted
            ]
            .Single();
        Assert.Equal(planned with { State = "fitted" }, done);
        Assert.Equal(
            "planned",
            Trail
                .Stations.Passport(new PassportAsked(Plan.For(Sample.Slipway(), unit.Unit), unit, id => $"{id}" == "set-fathom"))[
                    PassportPart.Fitted
                ]
                .Single()
                .State
        );
    }

    [Fact]
    public void Originals_that_parts_put_aside_are_listed_with_the_part()
    {
        PlannedUnit unit = Plan.For(Sample.Slipway(), Sample.Slipway().Jobs[0]);
        PassportLine kept = Trail
            .Stations.Passport(new PassportAsked(Plan.For(Sample.Slipway(), unit.Unit), unit, _ => false))[
                Core.Passport.PassportStation.Kept
            ]
            .Single();
        Assert.Equal(("processor chip, in foam", "Fathom memory board", "planned"), (kept.What, kept.Details, kept.State));
    }
}
