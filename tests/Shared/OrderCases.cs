using RustCabin.Core.Build;

namespace RustCabin.Tests.Shared;

/// <summary>Work to be ordered, made by chance: for the tests of the order, and for the bench.</summary>
static class OrderCases
{
    /// <summary>Steps on the levels of a case, which wait for each other.</summary>
    /// <param name="random">What decides.</param>
    /// <param name="steps">So many steps.</param>
    /// <param name="levels">So many levels.</param>
    /// <param name="needs">How likely a step waits for an earlier one, 0 to 1.</param>
    public static OrderAsked Random(Random random, int steps, int levels, double needs)
    {
        OrderLevel[] tree =
        [
            .. Enumerable
                .Range(0, levels)
                .Select(l => new OrderLevel
                {
                    Id = $"l{l}",
                    From = l == 0 ? null : $"l{random.Next(l)}",
                    Minutes = l,
                }),
        ];
        // Steps wait for earlier ones of a hidden order, and are listed in another.
        int[] hidden = [.. Enumerable.Range(0, steps)];
        random.Shuffle(hidden);
        return new OrderAsked
        {
            Levels = tree,
            Steps =
            [
                .. Enumerable
                    .Range(0, steps)
                    .Select(s => new OrderStep
                    {
                        Id = $"s{s}",
                        Level = $"l{random.Next(levels)}",
                        After =
                        [
                            .. Enumerable
                                .Range(0, steps)
                                .Where(o => hidden[o] < hidden[s] && random.NextDouble() < needs)
                                .Select(o => $"s{o}"),
                        ],
                    }),
            ],
        };
    }
}
