using RustCabin.Core.Bench;
using RustCabin.Core.Faults;
using RustCabin.Core.Planning;

namespace RustCabin.Core.Tests.Faults;

/// <summary>Every fault that is offered on the units that ship can be tried, and says why.</summary>
public class WhatIfTests
{
    [Fact]
    public void Each_fault_that_is_offered_runs_and_says_why()
    {
        var kinds = new HashSet<FaultKind>();
        foreach (PlannedUnit unit in Demo.Jobs.Select(j => Plan.For(j.Pack, j.Job)))
        {
            IReadOnlyList<BusFault> offers = WhatIf.Offers(Trail.Stations, unit);
            Assert.Equal(offers.Count, offers.Select(o => o.Key).Distinct().Count());
            foreach (BusFault fault in offers)
            {
                WhatIfResult result = WhatIf.Run(Trail.Stations, unit, fault);
                Assert.NotEmpty(result.Why);
                Assert.Equal(result.Count?.Total, WhatIf.Run(Trail.Stations, unit, fault).Count?.Total);
                kinds.Add(fault.Kind);
            }
        }
        Assert.Equal(Enum.GetValues<FaultKind>(), kinds.Order());
    }

    [Fact]
    public void A_fault_of_another_unit_is_none_of_this()
    {
        (var pack, var job) = Demo.Jobs.First();
        Assert.Throws<ArgumentException>(() =>
            WhatIf.Run(Trail.Stations, Plan.For(pack, job), new BusFault(FaultKind.Unseated, "nobody", Detail: ""))
        );
    }
}
