using RustCabin.Core.Build;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Presses;

/// <summary>What can be done in the time at hand, against a count of every step of random cabins.</summary>
public sealed class InTheTimeTests
{
    static readonly Model Machine = new()
    {
        Access =
        [
            new AccessLevel { Id = "closed" },
            new AccessLevel
            {
                Id = "lid",
                From = "closed",
                Minutes = 5,
                Remove = [new Removal { What = "screw" }],
            },
            new AccessLevel
            {
                Id = "deep",
                From = "lid",
                Minutes = 7,
                Remove = [new Removal { What = "shield" }],
            },
        ],
    };

    static StepProgress Step(int number, Random random)
    {
        int depth = random.Next(3);
        var kind = random.Next(4) == 0 ? StepKind.Gate : StepKind.Fit;
        return new StepProgress(
            new Step(StepId.Parse($"s{number}"), kind, $"step {number}", [], random.Next(1, 30))
            {
                Depth = depth,
                Level = Machine.Access[depth].Id,
            },
            random.Next(3) == 0 ? StepState.Done : StepState.Open,
            null,
            []
        );
    }

    /// <summary>Step by step: what is not done is walked until a gate was walked, then the case is shut.</summary>
    static decimal? ByHand(IReadOnlyList<StepProgress> steps)
    {
        decimal minutes = 0;
        StepProgress? last = null;
        foreach (StepProgress step in steps)
        {
            if (step.State == StepState.Done)
                continue;
            minutes += step.Step.Minutes;
            last = step;
            if (step.Step.Kind == StepKind.Gate)
                break;
        }
        return last is null ? null : minutes + (last.Step.Depth >= 1 ? 5 : 0) + (last.Step.Depth >= 2 ? 7 : 0);
    }

    [Fact]
    public void Is_what_walking_every_step_says_on_five_hundred_cabins_of_ten_units()
    {
        var random = new Random(30);
        AtHand at = new Pressing(Demo.Of("larkspur-disc.json"), "keel-disc-pads").At;
        for (int cabin = 0; cabin < 500; cabin++)
        {
            var units = Enumerable
                .Range(0, 10)
                .Select(u =>
                    (
                        Unit: new Unit { Id = $"u{u}", Name = $"u{u}" },
                        Steps: (StepProgress[])[.. Enumerable.Range(0, random.Next(0, 9)).Select(i => Step(i, random))],
                        Lacks: random.Next(4) == 0
                    )
                )
                .ToArray();
            NowWork[] works =
            [
                .. units
                    .Select(u =>
                        Stretch.Next(u.Steps, Machine) is { } stretch
                            ? new NowWork(at.Job with { Name = u.Unit.Id }, at.Unit, stretch, u.Lacks ? ["a chip"] : [])
                            : null
                    )
                    .OfType<NowWork>(),
            ];
            foreach (int minutes in (int[])[30, 60, 120])
                Assert.Equal(
                    units.Where(u => !u.Lacks && ByHand(u.Steps) <= minutes).Select(u => u.Unit.Id).Order(),
                    NowWork.Within(works, minutes).Select(w => w.Job.Name).Order()
                );
        }
    }

    [Fact]
    public void The_longest_that_fits_comes_first_and_a_lent_thing_keeps_its_unit_from_being_offered()
    {
        Pack brindle = Demo.Of("brindle-16.json");
        NowWork Of(Pack pack, string job)
        {
            AtHand at = new Pressing(pack, job).At;
            return NowWork.Of(at, [], DateTimeOffset.UnixEpoch)!;
        }
        Pack all = brindle with { Units = [.. brindle.Units.Select(u => u with { Borrowed = [] })] };
        NowWork free = Of(all, "slip-8-picture");
        Assert.DoesNotContain(free.Lacks, l => l.Contains("lent"));
        Pack lent = all with
        {
            Units =
            [
                .. all.Units.Select(u =>
                    u.Id == "slip-2" ? u with { Borrowed = [new BorrowedThing { What = "lid", From = "slip-8" }] } : u
                ),
            ],
        };
        Assert.Contains("lid (to Slipway 2) is lent", Of(lent, "slip-8-picture").Lacks);
        NowWork[] works = [free with { Lacks = [] }, free with { Lacks = [], Stretch = new Stretch(free.Stretch.Steps, 1) }];
        Assert.Equal(works.OrderByDescending(w => w.Stretch.Minutes), NowWork.Within(works, 10_000));
    }
}
