using System.ComponentModel.DataAnnotations;
using System.Numerics;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Baseline;

/// <summary>A test, and what it exercises.</summary>
public sealed record FunctionTest
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "Its name.")]
    public string Id { get; init; } = "";

    /// <summary>How long it takes.</summary>
    [Range(0, 1_000_000), UnitOf("minutes"), Display(Description = "How long it takes.")]
    public decimal Minutes { get; init; }

    /// <summary>What it exercises.</summary>
    [Display(Description = "What it exercises.")]
    public IReadOnlyList<string> Exercises { get; init; } = [];
}

/// <summary>What <c>tests</c> takes.</summary>
public sealed record TestsAsked : ICompleted<TestsAsked>
{
    /// <summary>So many tests at most.</summary>
    public const int Most = 500;

    /// <summary>What a job touches.</summary>
    [Required, Display(Description = "What a job touches.")]
    public IReadOnlyList<string> Touched { get; init; } = [];

    /// <summary>The tests that there are.</summary>
    [Required, Display(Description = "The tests that there are.")]
    public IReadOnlyList<FunctionTest> Tests { get; init; } = [];

    /// <inheritdoc/>
    public TestsAsked Completed(RecordReading read)
    {
        if (Tests.Count > Most)
            read.Wrong("tests", $"are {Tests.Count}; {Most} are the most");
        if (Touched.Count > 2000)
            read.Wrong("touched", $"are {Touched.Count}; 2,000 are the most");
        foreach ((int i, FunctionTest test) in Tests.Take(Most).Index())
            if (Tests.Take(i).Any(t => t.Id == test.Id))
                read.Wrong($"tests[{i}].id", $"\"{test.Id}\" is used twice");
        return this;
    }
}

/// <summary>
/// The smallest set of tests that exercises all that a job touches: least minutes, of equals fewest tests, then the first in
/// order. Exact up to 20 tests that exercise anything of it, else the most a minute first. Source: docs/handbook/baseline.md,
/// Test set.
/// </summary>
/// <param name="Tests">The tests, in their order.</param>
/// <param name="Minutes">How long they take.</param>
/// <param name="Uncovered">What no test exercises.</param>
public sealed record TestSet(IReadOnlyList<string> Tests, decimal Minutes, IReadOnlyList<string> Uncovered)
{
    const int Exact = 20;

    /// <summary>The set.</summary>
    public static TestSet Of(TestsAsked asked)
    {
        string[] touched = [.. asked.Touched.Distinct()];
        string[] wanted = [.. touched.Where(t => asked.Tests.Any(x => x.Exercises.Contains(t)))];
        FunctionTest[] useful = [.. asked.Tests.Where(t => t.Exercises.Any(wanted.Contains))];
        IReadOnlyList<int> chosen = useful.Length <= Exact ? Cheapest(wanted, useful) : Greedy(wanted, useful);
        return new TestSet(
            [.. chosen.Select(i => useful[i].Id)],
            chosen.Sum(i => useful[i].Minutes),
            [.. touched.Except(wanted)]
        );
    }

    static IReadOnlyList<int> Cheapest(string[] wanted, FunctionTest[] tests)
    {
        var covers = tests.Select(t => Bits(wanted, t)).ToArray();
        BigInteger all = (BigInteger.One << wanted.Length) - 1;
        IReadOnlyList<int> best = [.. Enumerable.Range(0, tests.Length)];
        decimal least = tests.Sum(t => t.Minutes);
        var taken = new List<int>();
        // Those taken earlier come first, so the first of equals is the first in order.
        void Go(int from, BigInteger covered, decimal minutes)
        {
            if (minutes > least || (minutes == least && taken.Count >= best.Count && covered != all))
                return;
            if (covered == all)
            {
                if (minutes < least || taken.Count < best.Count || (taken.Count == best.Count && Before(taken, best)))
                    (best, least) = ([.. taken], minutes);
                return;
            }
            for (int i = from; i < tests.Length; i++)
            {
                if ((covers[i] & ~covered) == 0)
                    continue;
                taken.Add(i);
                Go(i + 1, covered | covers[i], minutes + tests[i].Minutes);
                taken.RemoveAt(taken.Count - 1);
            }
        }
        Go(0, 0, 0);
        return best;
    }

    static bool Before(List<int> one, IReadOnlyList<int> other) =>
        one.Zip(other).Where(p => p.First != p.Second).Select(p => p.First < p.Second).FirstOrDefault();

    static BigInteger Bits(string[] wanted, FunctionTest test) =>
        wanted
            .Index()
            .Where(w => test.Exercises.Contains(w.Item))
            .Aggregate(BigInteger.Zero, (b, w) => b | BigInteger.One << w.Index);

    static IReadOnlyList<int> Greedy(string[] wanted, FunctionTest[] tests)
    {
        var left = wanted.ToHashSet();
        var taken = new SortedSet<int>();
        while (left.Count > 0)
        {
            int next = Enumerable
                .Range(0, tests.Length)
                .MaxBy(i => tests[i].Exercises.Count(left.Contains) / (double)(tests[i].Minutes + 0.001m));
            taken.Add(next);
            left.ExceptWith(tests[next].Exercises);
        }
        return [.. taken];
    }
}
