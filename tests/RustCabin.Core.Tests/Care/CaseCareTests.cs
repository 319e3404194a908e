using RustCabin.Core.Care;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Care;

/// <summary>Vessels, creams, times and holes.</summary>
public sealed class CaseCareTests
{
    [Fact]
    public void Figures_of_a_bath_and_a_cream()
    {
        Assert.Equal(4.5m, CaseCare.VesselLitres(40, 30, 5, 1500));
        Assert.Equal(0, CaseCare.VesselLitres(10, 10, 1, 500));
        Assert.Equal(2, CaseCare.CreamMl(20));
        Assert.True(CaseCare.LongestHours(12, CareLight.Sun) < CaseCare.LongestHours(12, CareLight.None));
        Assert.True(CaseCare.LongestHours(12, CareLight.Lamp) < CaseCare.LongestHours(3, CareLight.Lamp));
        Assert.InRange(CaseCare.LookEveryMinutes(50, CareLight.Sun), 15, 60);
    }

    [Fact]
    public void A_hole_leaves_a_rim_of_its_half_and_three_millimetres_at_least()
    {
        Assert.Equal(12, CaseCare.LargestHoleMm([12, 14, 20]));
        Assert.Equal(2, CaseCare.LargestHoleMm([4]));
        Assert.Equal(0, CaseCare.LargestHoleMm([3]));
        Assert.Equal(0, CaseCare.LargestHoleMm([]));
        for (decimal room = 0; room < 40; room += 0.5m)
        {
            decimal radius = CaseCare.LargestHoleMm([room]) / 2;
            Assert.True(radius == 0 || radius + Math.Max(3, radius) <= room);
        }
        Assert.Equal([2.5m, 5, 7], CaseCare.DrillSteps(7));
        Assert.Equal([2], CaseCare.DrillSteps(2));
        Assert.Empty(CaseCare.DrillSteps(0));
    }
}
