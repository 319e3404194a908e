using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Stations;

/// <summary>What stations offer, gathered: the way into a case, and the order of steps on every sheet that ships.</summary>
public class StationsTests
{
    [Fact]
    public void The_way_in_goes_level_by_level_and_back_in_reverse()
    {
        Model model = Sample.Slipway().Models[0];
        Assert.Equal(["lid-off"], AccessPath.Path(model, "lid-off").Select(l => l.Id));
        Assert.Empty(AccessPath.Path(model, "closed"));
        Assert.Empty(AccessPath.Path(model, "nowhere"));
        AccessLevel lid = model.Access.Single(l => l.Id == "lid-off");
        Assert.Equal(["Take out 5 screws (underside).", "Unplug the keyboard ribbon."], AccessPath.Off(lid).Take(2));
        Assert.Equal(["Plug the keyboard ribbon back in.", "Put back 5 screws (underside)."], AccessPath.Back(lid));
    }

    [Fact]
    public void No_step_stands_before_what_it_needs_on_any_sheet_that_ships()
    {
        var needs = 0;
        foreach ((Pack pack, Job job) in Demo.Jobs)
        {
            BuildSheet sheet = BuildSheet.For(Trail.Stations, Plan.For(pack, pack.FindUnit(job.Unit)!), Plan.For(pack, job));
            string[] ids = [.. sheet.Steps.Select(s => $"{s.Id}")];
            Assert.Equal(ids.Distinct(), ids);
            foreach (Step step in sheet.Steps)
            foreach (StepId need in step.Needs.Where(n => ids.Contains($"{n}")))
            {
                needs++;
                Assert.True(
                    Array.IndexOf(ids, $"{need}") < Array.IndexOf(ids, $"{step.Id}"),
                    $"{job.Id}: {step.Id} before {need}"
                );
            }
        }
        Assert.True(needs > 20, $"only {needs} needs were held");
    }

    /// <summary>What is told at Fit or at Build is told there by whichever of its parts.</summary>
    [Fact]
    public void Every_finding_is_told_at_a_station_that_is_there() =>
        Assert.All(Trail.Stations.Findings, f => Assert.Contains(f.Station, Trail.Stations.Select(s => s.Name)));
}
