using RustCabin.Core.Faults;

namespace RustCabin.Core.Tests.Faults;

/// <summary>Swaps, by hand and against a plain sum over all causes.</summary>
public sealed class SwapsTests
{
    static SwapCause Cause(string id, decimal prior, params string[] belongs) =>
        new()
        {
            Id = id,
            Prior = prior,
            Belongs = belongs,
        };

    [Fact]
    public void What_works_elsewhere_speaks_for_what_stayed()
    {
        Swaps found = Swaps.Of(
            new SwapsAsked
            {
                Causes = [Cause("board", 3, "board"), Cause("pair", 1, "board", "unit")],
                Done = [new SwapDone { Moved = ["board"], Shows = false }],
                Options =
                [
                    new SwapOption { Moved = ["board", "unit"], Minutes = 12 },
                    new SwapOption { Moved = ["board"], Minutes = 1 },
                ],
            }
        );
        // 0.735 x 0.02, 0.245 x 0.98 and 0.02 x 0.5 of their sum.
        double all = 0.735 * 0.02 + 0.245 * 0.98 + 0.02 * 0.5;
        Assert.Equal("pair", found.Causes[0].Id);
        Assert.Equal(0.245 * 0.98 / all, found.Causes[0].Probability, 1e-12);
        Assert.Equal(0.01 / all, found.Other, 1e-12);
        Assert.Null(found.Next);
    }

    [Fact]
    public void Two_thousand_random_cases_agree_with_a_plain_sum()
    {
        int next = 0;
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new Random(seed);
            string[] things = ["a", "b", "c", "d"];
            string[] Some() => [.. things.Where(_ => random.Next(2) == 0).DefaultIfEmpty(things[random.Next(4)])];
            SwapsAsked asked = new()
            {
                Causes = [.. Enumerable.Range(0, random.Next(1, 6)).Select(i => Cause($"c{i}", random.Next(1, 9), Some()))],
                Done =
                [
                    .. Enumerable
                        .Range(0, random.Next(4))
                        .Select(_ => new SwapDone { Moved = Some(), Shows = random.Next(2) == 0 }),
                ],
                Options =
                [
                    .. Enumerable
                        .Range(0, random.Next(5))
                        .Select(_ => new SwapOption { Moved = Some(), Minutes = random.Next(1, 30) }),
                ],
            };
            Swaps found = Swaps.Of(asked);
            double Chance(string[] belongs, IReadOnlyList<string> moved) => belongs.All(moved.Contains) ? 0.98 : 0.02;
            double prior = asked.Causes.Sum(c => (double)c.Prior);
            double[] weight =
            [
                .. asked.Causes.Select(c =>
                    asked.Done.Aggregate(
                        0.98 * (double)c.Prior / prior,
                        (w, d) => w * (d.Shows ? Chance([.. c.Belongs], d.Moved) : 1 - Chance([.. c.Belongs], d.Moved))
                    )
                ),
                asked.Done.Aggregate(0.02, (w, _) => w * 0.5),
            ];
            double all = weight.Sum();
            foreach ((int i, SwapCause cause) in asked.Causes.Index())
                Assert.Equal(weight[i] / all, found.Causes.Single(c => c.Id == cause.Id).Probability, 1e-9);
            Assert.Equal(weight[^1] / all, found.Other, 1e-9);
            (SwapOption Option, double Rate)[] worth =
            [
                .. asked
                    .Options.Where(o =>
                        asked.Causes.Select(c => Chance([.. c.Belongs], o.Moved)).Distinct().Count() > 1
                        && !asked.Done.Any(d => d.Moved.ToHashSet().SetEquals(o.Moved))
                    )
                    .Select(o => (o, Bits(o.Moved) / (double)o.Minutes)),
            ];
            double Bits(IReadOnlyList<string> moved)
            {
                double[] shows = [.. asked.Causes.Select(c => Chance([.. c.Belongs], moved)), 0.5];
                // Of outcome and cause together: the sum over both of p log p / (p q).
                double bits = 0;
                double seen = weight.Zip(shows, (w, s) => w / all * s).Sum();
                foreach ((double w, double s) in weight.Zip(shows))
                foreach ((double p, double q) in ((double, double)[])[(s, seen), (1 - s, 1 - seen)])
                    bits += w / all * p * Math.Log2(p / q);
                return bits;
            }
            if (worth.Length == 0)
            {
                Assert.Null(found.Next);
                continue;
            }
            next++;
            double best = worth.Max(o => o.Rate);
            Assert.Equal(best, found.Next!.Bits / (double)found.Next.Minutes, 1e-9);
            Assert.Equal(worth.First(o => o.Rate > best - 1e-12).Option.Moved, found.Next.Moved);
        }
        Assert.True(next > 500);
    }
}
