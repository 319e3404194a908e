using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Planning;

/// <summary>What is worked out of a plan is worked out once, and each plan has its own.</summary>
public sealed class PerPlanTests
{
    static PlannedUnit Winter()
    {
        (Pack pack, Job job) = Demo.Jobs.First(j => j.Job.Id == "slip-3-winter");
        return Plan.For(pack, job);
    }

    [Fact]
    public void A_plan_is_worked_out_once_and_one_like_it_again()
    {
        int worked = 0;
        var kept = new PerPlan<string>(plan => $"{plan.Unit.Id} {++worked}");
        PlannedUnit one = Winter(),
            other = Winter();
        Assert.Equal("slipway-3 1", kept.Of(one).Replace(one.Unit.Id, "slipway-3"));
        Assert.Same(kept.Of(one), kept.Of(one));
        Assert.EndsWith("2", kept.Of(other));
        Assert.Equal(2, worked);
    }

    [Fact]
    public void What_goes_wrong_is_not_kept()
    {
        int tries = 0;
        var kept = new PerPlan<string>(_ => ++tries == 1 ? throw new InvalidOperationException("once") : "made");
        PlannedUnit plan = Winter();
        Assert.Throws<InvalidOperationException>(() => kept.Of(plan));
        Assert.Equal("made", kept.Of(plan));
    }

    [Fact]
    public void A_plan_that_is_let_go_is_not_held()
    {
        var kept = new PerPlan<object>(_ => new object());
        WeakReference held = Held(kept);
        GC.Collect();
        GC.WaitForPendingFinalizers();
        GC.Collect();
        Assert.False(held.IsAlive);
    }

    [System.Runtime.CompilerServices.MethodImpl(System.Runtime.CompilerServices.MethodImplOptions.NoInlining)]
    static WeakReference Held(PerPlan<object> kept) => new(kept.Of(Winter()));
}
