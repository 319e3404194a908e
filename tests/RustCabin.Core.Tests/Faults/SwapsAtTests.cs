using RustCabin.Core.Faults;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Faults;

/// <summary>Swaps as looks of a gate: what is offered, what its outcome says, and that it says what the call says.</summary>
public sealed class SwapsAtTests
{
    static readonly StepId Gate = StepId.Parse("count-osprey");

    static Pressing Dark() => new(Demo.Jobs.First(j => j.Job.Id == "slip-4-dark").Pack, "slip-4-dark");

    static Diagnosis Diagnosed(Pressing pressing) => AtGate.Of(pressing.At, pressing.At.Find(Gate)!);

    static double ChanceOf(Diagnosis found, Func<Weighed, bool> which) => found.Causes.Where(which).Sum(c => c.Chance);

    static bool IsOfPart(Weighed cause) => cause.Cause is { Instance: not null, IsBetween: false };

    [Fact]
    public void A_part_goes_to_a_unit_that_takes_it_and_is_known_to_work()
    {
        SwapLook swap = Assert.Single(Diagnosed(Dark()).Swaps);
        Assert.True(swap.Out);
        Assert.Equal("slip-5", swap.Other.Id);
        // Way in and out, and the fitting, twice at each machine, and two starts.
        Assert.Equal(2 * (6 + 6) + 2 * (6 + 6) + 4, swap.What.Minutes);
        Assert.Contains("both plugs out", swap.What.Needs);
        Assert.Contains("static", swap.Cautions);
    }

    [Fact]
    public void What_works_there_speaks_for_the_socket_and_the_machine()
    {
        Pressing pressing = Dark();
        Diagnosis before = Diagnosed(pressing);
        string swap = before.Swaps[0].What.Id;
        pressing.Made(at => MendPresses.Look(at, Gate, swap, SwapLook.Works));
        Diagnosis after = Diagnosed(pressing);
        Assert.True(ChanceOf(after, IsOfPart) < ChanceOf(before, IsOfPart) / 5);
        Assert.True(ChanceOf(after, c => !IsOfPart(c)) > ChanceOf(before, c => !IsOfPart(c)));
        Assert.Contains("into Slip 5", pressing.Log[^1]);
        // It was made: it is not offered again, and can be taken back.
        Assert.NotEqual(swap, after.Next?.What.Id);
        pressing.Made(at => MendPresses.Look(at, Gate, swap, null));
        Assert.Equal(ChanceOf(before, IsOfPart), ChanceOf(Diagnosed(pressing), IsOfPart), 9);
    }

    [Fact]
    public void Only_a_unit_that_a_person_saw_working_serves()
    {
        Pack pack = Demo.Jobs.First(j => j.Job.Id == "slip-4-dark").Pack;
        Pack With(Func<Unit, Unit> change) => pack with { Units = [.. pack.Units.Select(u => u.Id == "slip-5" ? change(u) : u)] };
        foreach (
            Func<Unit, Unit> spoilt in (Func<Unit, Unit>[])
                [
                    u => u with { Retired = true },
                    u => u with { Baseline = null },
                    u => u with { Baseline = u.Baseline! with { Reading = null } },
                    u => u with { Baseline = u.Baseline! with { Reading = u.Baseline.Reading! with { Starts = false } } },
                    u => u with { Baseline = u.Baseline! with { Counted = new CountedStarts().With(false, false) } },
                    u => u with { Baseline = u.Baseline! with { Notes = [new ConditionNote { Text = "dark", Fault = true }] } },
                    // The device is not for its board.
                    u => u with { Revision = "b7" },
                ]
        )
            Assert.Empty(Diagnosed(new Pressing(With(spoilt), "slip-4-dark")).Swaps);
    }

    [Fact]
    public void A_good_part_of_the_same_kind_stands_in()
    {
        Pack pack = Demo.Jobs.First(j => j.Job.Id == "slip-4-dark").Pack;
        Pack lent = pack with
        {
            Units =
            [
                .. pack.Units.Select(u =>
                    u.Id == "slip-5" ? u with { Fitted = [new FittedPart { Part = "osprey", Way = "socket" }] } : u
                ),
            ],
        };
        Diagnosis found = Diagnosed(new Pressing(lent, "slip-4-dark"));
        SwapLook swap = Assert.Single(found.Swaps, s => !s.Out);
        Assert.Equal(SwapLook.Works, swap.Predicts([swap.Part.Title]));
        Assert.Equal(SwapLook.Works, swap.Predicts([swap.Part.Title, "Slipway 4"]));
        Assert.Equal(SwapLook.Shows, swap.Predicts(["Slipway 4"]));
    }

    [Fact]
    public void A_look_weighs_as_the_call_does()
    {
        for (int seed = 0; seed < 500; seed++)
        {
            var random = new Random(seed);
            string[] parts = ["a", "b", "c"];
            (string Id, decimal Prior, string[] Belongs)[] causes =
            [
                .. Enumerable
                    .Range(0, random.Next(1, 6))
                    .Select(i => ($"c{i}", (decimal)random.Next(1, 9), Belongs(random, parts))),
            ];
            (string Part, bool Out, bool Shows)[] done =
            [
                .. parts
                    .SelectMany(p => (bool[])[true, false], (p, way) => (p, way, random.Next(2) == 0))
                    .Where(_ => random.Next(2) == 0),
            ];
            var asked = Swaps.Of(
                new SwapsAsked
                {
                    Causes =
                    [
                        .. causes.Select(c => new SwapCause
                        {
                            Id = c.Id,
                            Prior = c.Prior,
                            Belongs = c.Belongs,
                        }),
                    ],
                    Done =
                    [
                        .. done.Select(d => new SwapDone
                        {
                            Moved = d.Out ? [d.Part] : [.. parts.Append("unit").Where(p => p != d.Part)],
                            Shows = d.Shows,
                        }),
                    ],
                }
            );
            Observable[] looks = [.. done.Select((d, i) => new Observable($"{i}", [SwapLook.Shows, SwapLook.Works]))];
            var weighed = Posterior.Of(
                [
                    .. causes.Select(c => new Suspect(
                        c.Id,
                        (double)c.Prior,
                        done.Index().ToDictionary(d => $"{d.Index}", d => Predicted(d.Item.Part, d.Item.Out, c.Belongs))
                    )),
                ],
                looks,
                done.Index().ToDictionary(d => $"{d.Index}", d => d.Item.Shows ? SwapLook.Shows : SwapLook.Works)
            );
            foreach (SwappedCause cause in asked.Causes)
                Assert.Equal(cause.Probability, weighed.Chances[Array.FindIndex(causes, c => c.Id == cause.Id)], 9);
            Assert.Equal(asked.Other, weighed.Other, 9);
        }
    }

    /// <summary>What belongs to the unit alone, to a part alone, or to both together.</summary>
    static string[] Belongs(Random random, string[] parts) =>
        random.Next(3) switch
        {
            0 => ["unit"],
            1 => [parts[random.Next(parts.Length)]],
            _ => [parts[random.Next(parts.Length)], "unit"],
        };

    static readonly SwapLook Like = Diagnosed(Dark()).Swaps[0];

    static string Predicted(string part, bool isOut, string[] belongs) =>
        (Like with { Out = isOut }).Predicts([.. belongs.Select(b => b == part ? Like.Part.Title : b)]);
}
