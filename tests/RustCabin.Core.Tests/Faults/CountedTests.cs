using System.Numerics;
using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Faults;

/// <summary>Starts that are counted: what they say of causes, and the gate that asks for clean ones.</summary>
public sealed class CountedTests
{
    static Pressing Sevens() => new(Demo.Jobs.First(j => j.Job.Id == "slip-10-sevens").Pack, "slip-10-sevens");

    static CountedStarts Count(int coldWorks, int coldTries, int warmWorks = 0, int warmTries = 0) =>
        new()
        {
            Cold = new CountedTries { Works = coldWorks, Tries = coldTries },
            Warm = warmTries == 0 ? null : new CountedTries { Works = warmWorks, Tries = warmTries },
        };

    static Hypothesis Cause(double cold, double warm) => new("x", "x", 1, Shown.Nothing) { Rates = new StartRates(cold, warm) };

    [Fact]
    public void The_binomial_is_that_of_whole_numbers()
    {
        var random = new Random(11);
        for (int i = 0; i < 2000; i++)
        {
            int tries = random.Next(0, 40),
                works = random.Next(0, tries + 1),
                of = random.Next(2, 40),
                rate = random.Next(1, of);
            BigInteger ways = 1;
            for (int k = 0; k < works; k++)
                ways = ways * (tries - k) / (k + 1);
            BigInteger above = ways * BigInteger.Pow(rate, works) * BigInteger.Pow(of - rate, tries - works),
                below = BigInteger.Pow(of, tries);
            double log = BigInteger.Log(above) - BigInteger.Log(below);
            Assert.Equal(log, CountWeight.LogOf(Cause((double)rate / of, 0.5), Count(works, tries)), 1e-9);
        }
    }

    [Fact]
    public void What_none_knows_starts_as_often_as_it_likes()
    {
        // Each count of 0 to 10 is as likely as another.
        Assert.Equal(Math.Log(1 / 11.0), CountWeight.LogOf(null, Count(7, 10)), 1e-12);
        Assert.Equal(0, CountWeight.LogOf(null, new CountedStarts()));
    }

    [Fact]
    public void Cold_ones_that_fail_and_warm_ones_that_do_not_are_a_cold_joint_and_not_heat()
    {
        CountedStarts seen = Count(4, 10, 10, 10);
        double joint = CountWeight.LogOf(Cause(0.5, 0.85), seen),
            heat = CountWeight.LogOf(Cause(0.97, 0.4), seen);
        Assert.True(joint > heat + 5);
    }

    [Fact]
    public void Causes_that_come_and_go_are_weighed_only_once_some_starts_failed_and_some_worked()
    {
        Pressing pressing = Sevens();
        StepProgress untouched = pressing.At.Progress.Steps.First(s => s.Step.Id == Acts.Untouched);
        Diagnosis found = AtGate.Of(pressing.At, untouched);
        Assert.NotNull(found.Causes[0].Cause.Rates);
        Assert.Contains(found.Causes, c => c.Cause.Id.StartsWith("contact:", StringComparison.Ordinal));
        double steady = found.Causes.Where(c => c.Cause is { Rates: null, Shows.Starts: false }).Sum(c => c.Chance);
        Assert.True(steady < 0.01, $"{steady}");

        pressing.MadeOnUnit(Counting.Afresh);
        Assert.All(AtGate.Of(pressing.At, untouched).Causes, c => Assert.Null(c.Cause.Rates));
    }

    [Fact]
    public void A_known_fault_that_comes_and_goes_is_one_of_them()
    {
        Pack pack = Demo.Jobs.First(j => j.Job.Id == "slip-10-sevens").Pack;
        var fault = new PartFault
        {
            Id = "sleepy",
            Cause = "the Fathom wakes late",
            Cold = 0.6m,
            Weight = 5,
        };
        Pack known = pack with
        {
            Parts = [.. pack.Parts.Select(p => p.Id == "fathom" ? p with { Faults = [.. p.Faults, fault] } : p)],
        };
        var pressing = new Pressing(known, "slip-10-sevens");
        StepProgress last = pressing.At.Progress.Steps.Last(s => s.Step is { Kind: StepKind.Gate, At: not null });
        Diagnosis steady = AtGate.Of(pressing.At, last);
        Assert.DoesNotContain(steady.Causes, c => c.Cause.Words == fault.Cause);
        Diagnosis counted = Diagnosis.Of(Trail.Stations, last.Step.At!, [], new Seen { Counted = Count(6, 10) });
        Assert.Equal(fault.Cause, counted.Causes[0].Cause.Words);
    }

    [Fact]
    public void A_gate_that_asks_passes_after_twelve_clean_starts_in_a_row()
    {
        Pressing pressing = Sevens();
        StepProgress gate = Walked(pressing);
        pressing.Made(at => Counting.Ask(at, gate.Step.Id, true));
        Assert.Contains("12 clean tries", pressing.Log[^1]);
        Assert.Equal(StepState.Open, pressing.At.Find(gate.Step.Id)!.State);
        for (int i = 0; i < 5; i++)
            pressing.Made(at => Counting.AtGate(at, gate.Step.Id, false, true));
        // A warm one does not count for it, and one that fails begins the row at nothing.
        pressing.Made(at => Counting.AtGate(at, gate.Step.Id, true, true));
        Assert.Equal(5, pressing.At.Find(gate.Step.Id)!.Rate!.Row);
        pressing.Made(at => Counting.AtGate(at, gate.Step.Id, false, false));
        Assert.Equal(0, pressing.At.Find(gate.Step.Id)!.Rate!.Row);
        for (int i = 0; i < 12; i++)
        {
            Assert.Equal(StepState.Open, pressing.At.Find(gate.Step.Id)!.State);
            pressing.Made(at => Counting.AtGate(at, gate.Step.Id, false, true));
        }
        Assert.Equal(StepState.Done, pressing.At.Find(gate.Step.Id)!.State);
        Assert.Contains(
            ReadingsTold.OfGates(pressing.At.Progress, pressing.At.Job),
            r => r is { Read: "starts 17 of 18 cold, 1 of 1 warm", Stands: ReadingStands.Differs }
        );
    }

    [Fact]
    public void A_count_proves_the_state_that_it_was_taken_on()
    {
        Pressing pressing = Sevens();
        StepProgress gate = Walked(pressing);
        pressing.Made(at => Counting.AtGate(at, gate.Step.Id, false, true));
        StepId fitted = StepId.Parse("fit-fathom");
        pressing.Made(at => Ticking.Tick(at, fitted, false, null, null));
        Assert.Equal("step", pressing.Refused(at => Counting.AtGate(at, gate.Step.Id, false, true)).Field);
        pressing.Made(at => Ticking.Tick(at, fitted, true, null, null));
        Assert.Null(pressing.At.Find(gate.Step.Id)!.Counted);
        pressing.Made(at => Counting.AtGate(at, gate.Step.Id, false, true));
        Assert.Equal(2, pressing.At.Job.Counts.Count);
        Assert.Equal(1, pressing.At.Find(gate.Step.Id)!.Counted!.Cold!.Tries);
    }

    [Fact]
    public void A_gate_of_a_machine_that_always_started_asks_for_nothing()
    {
        Pressing pressing = Sevens();
        pressing.MadeOnUnit(Counting.Afresh);
        StepProgress gate = Walked(pressing);
        Assert.False(Counting.Ask(pressing.At, gate.Step.Id, true) is { Edit: not null });
        Assert.Null(pressing.At.Find(gate.Step.Id)!.Rate);
    }

    /// <summary>Ticks along until the last gate is at hand and read; it is not locked then.</summary>
    static StepProgress Walked(Pressing pressing)
    {
        StepId last = pressing.At.Progress.Steps.Last(s => s.Step is { Kind: StepKind.Gate, Expected: not null }).Step.Id;
        for (int i = 0; i < 60; i++)
        {
            StepProgress at = pressing.At.Progress.Current!;
            foreach (Caution caution in at.Step.Cautions.Where(_ => !at.AllHeeded))
                pressing.Made(a => Ticking.Heed(a, at.Step.Id, [caution.Id], true));
            if (at.Step.Expected is { } expected)
            {
                pressing.Made(a => Readings.Read(a, at.Step.Id, [.. expected.Lines.Select(l => l.Bytes.ToSheet())], false));
                if (at.Step.Id == last)
                    break;
            }
            else
                pressing.Made(a => Ticking.Tick(a, at.Step.Id, true, null, "seen"));
        }
        return pressing.At.Find(last)!;
    }
}
