using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Build;

/// <summary>Ways at the iron: what they say in the steps, and what they cost.</summary>
public sealed class HabitTests
{
    static Pressing Cuts() => new(Demo.Of("larkspur-disc.json"), "float-disc-cuts");

    static Step[] Steps(AtHand at) => [.. at.Sheet.Steps.Where(s => s.Id.Act == "change")];

    static bool Says(Step step, string words) => step.Details.Any(d => d.Contains(words, StringComparison.Ordinal));

    [Fact]
    public void The_usual_way_costs_what_the_sheets_say_and_stands_in_the_steps_with_a_joint()
    {
        AtHand at = Cuts().At;
        PlacedChangeMinutes(at);
        Assert.Contains(Steps(at), s => Says(s, "Flux onto the places."));
        Assert.DoesNotContain(Steps(at), s => Says(s, "Straighten the legs."));
        // Nothing is soldered where a trace is cut.
        Assert.All(Steps(at).Where(s => s.Title.StartsWith("Cut", StringComparison.Ordinal)), s => Assert.False(Says(s, "Flux")));
    }

    static void PlacedChangeMinutes(AtHand at)
    {
        var placed = Core.Wiring.PlacedChange.Of(at.After).ToDictionary(c => c.Step);
        Assert.NotEmpty(Steps(at));
        Assert.All(Steps(at), s => Assert.Equal(Core.Wiring.WiringWorks.MinutesOf(placed[s.Id]), s.Minutes));
    }

    [Fact]
    public void Another_way_says_other_things_and_takes_its_minutes()
    {
        Pressing job = Cuts();
        decimal before = Steps(job.At).Sum(s => s.Minutes);
        int touched = Steps(job.At).Count(s => Says(s, "Flux onto the places."));
        job.Made(at => Gating.Keep(at, "round", "whole"));
        Assert.Equal(touched, Steps(job.At).Count(s => Says(s, "Straighten the legs.")));
        Assert.Equal(before + 3 * touched, Steps(job.At).Sum(s => s.Minutes));
        job.Made(at => Gating.Keep(at, "desolder", "dry"));
        Assert.Contains(Steps(job.At), s => Says(s, "after two tries, go over to fresh solder"));
        Assert.Null(Gating.Keep(job.At, "desolder", "dry").Edit);
        Assert.Null(Gating.Keep(job.At, "desolder", "by prayer").Edit);
        Assert.Null(Gating.Keep(job.At, "weather", "dry").Edit);
    }

    [Fact]
    public void Every_habit_has_two_ways_at_least_each_with_what_it_costs_and_risks()
    {
        Assert.Equal(Habit.All.Count, Habit.All.Select(h => h.Id).Distinct().Count());
        Assert.All(
            Habit.All,
            h =>
            {
                Assert.True(h.Ways.Count > 1);
                Assert.Equal(0, h.Ways[0].Minutes);
                Assert.All(
                    h.Ways,
                    w => Assert.True(w.Costs.Length > 0 && w.Risks.Length > 0 && w.First.Count + w.Then.Count > 0)
                );
            }
        );
        Job odd = new() { Build = new JobBuild { Habits = new OrderedDictionary<string, string> { ["round"] = "no such way" } } };
        Assert.Equal("short", Habit.All[0].In(odd).Id);
    }

    [Theory]
    [InlineData(true, true, false)]
    [InlineData(true, false, true)]
    [InlineData(false, false, false)]
    public void A_processor_that_is_emulated_stops_where_none_may_be(bool emulates, bool may, bool stops)
    {
        Pack pack = Demo.Of("brindle-16.json");
        pack = pack with
        {
            Jobs = [pack.FindJob("slip-6-card")! with { Limits = new JobLimits { Emulated = may } }],
            Parts = [.. pack.Parts.Select(p => p.Id == "curragh" ? p with { Emulates = emulates } : p)],
        };
        Assert.Equal(
            stops,
            Sample
                .Answer(pack)
                .Findings.Any(f =>
                    f is { Code: "FIT-LOSES", Severity: Core.Findings.Severity.Stop } && f.Text.Contains("not emulated")
                )
        );
    }
}
