using RustCabin.Core.Answers;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Planning;

/// <summary>Facts that are guesses: findings say so, and what can be measured is a step.</summary>
public sealed class GuessTests
{
    static Pressing Winter(FactTrust trust, string measure = "", bool onPart = false)
    {
        Pack pack = Demo.Jobs.First(j => j.Job.Id == "slip-3-winter").Pack;
        FactSource source = new()
        {
            About = onPart ? "high" : "shared",
            Source = "a neighbour's memory",
            Trust = trust,
            Measure = measure,
        };
        return new Pressing(
            pack with
            {
                Models = [.. pack.Models.Select(m => onPart ? m : m with { Sources = [source] })],
                Parts = [.. pack.Parts.Select(p => onPart && p.Id == "lantern" ? p with { Sources = [source] } : p)],
            },
            "slip-3-winter"
        );
    }

    static bool Says(Answer answer, string what) =>
        answer.Findings.Any(f => f.Why.Contains($"It rests on a guess: {what} (a neighbour's memory)."));

    [Fact]
    public void A_finding_about_a_part_whose_sheet_guesses_says_so()
    {
        Assert.True(Says(Winter(FactTrust.Guessed, onPart: true).At.Answer, "high of Lantern hatch memory"));
        foreach (FactTrust trust in (FactTrust[])[FactTrust.Manual, FactTrust.Measured, FactTrust.Guide])
            Assert.False(Says(Winter(trust, onPart: true).At.Answer, "high of Lantern hatch memory"));
    }

    [Fact]
    public void A_finding_about_a_guessed_thing_of_the_machine_says_so_and_others_do_not()
    {
        Pack pack = Demo.Jobs.First(j => j.Job.Id == "slip-3-winter").Pack;
        PlannedUnit unit = Plan.For(pack, pack.FindJob("slip-3-winter")!);
        var guess = new Guess(null, new FactSource { About = "shared", Trust = FactTrust.Guessed });
        var about = Trail.Stations.Run(unit, Core.Bench.PowerUp.Run(unit))[0];
        Assert.False(guess.Bears(about with { Subjects = [Subject.Model("chips")] }));
        Assert.True(guess.Bears(about with { Subjects = [Subject.Unit, Subject.Model("shared")] }));
        Assert.Equal(about, Guess.Told([guess], about with { }) with { Why = about.Why });
    }

    [Fact]
    public void What_can_be_measured_is_a_step_before_power_and_what_cannot_is_not_known_yet()
    {
        Pressing can = Winter(FactTrust.Guessed, "Read both ends with the meter");
        Step step = can.At.Sheet.Steps.Single(s => s.Id.Act == "measure");
        Assert.Equal("measure-shared", $"{step.Id}");
        Assert.Contains("Read both ends with the meter", step.Details);
        Assert.DoesNotContain(Trail.Stations.Missing(can.At.After), m => m.Fact.What.Contains("a guess"));
        // It is ticked as any step, and asks for nothing on the way back.
        int at = can.At.Sheet.Steps.ToList().IndexOf(step),
            gate = can.At.Sheet.Steps.ToList().FindIndex(s => s.Kind == StepKind.Gate);
        Assert.True(at < gate || gate < 0, $"{at} {gate}");

        Pressing cannot = Winter(FactTrust.Guessed);
        Assert.DoesNotContain(cannot.At.Sheet.Steps, s => s.Id.Act == "measure");
        Assert.Contains(Trail.Stations.Missing(cannot.At.After), m => m.Fact.What == "shared, which is a guess");
    }
}
