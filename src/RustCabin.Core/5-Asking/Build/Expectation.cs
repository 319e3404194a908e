namespace RustCabin.Core.Build;

/// <summary>A change with what it may cost.</summary>
/// <param name="Minutes">How long it takes.</param>
/// <param name="Chance">The chance that it goes wrong, 0 to 1.</param>
/// <param name="MendMinutes">How long its mend takes, with the test after it.</param>
public readonly record struct Risk(decimal Minutes, decimal Chance, decimal MendMinutes);

/// <summary>
/// What a build is expected to take under a policy, part by part, without the changes of access. Source: docs/handbook/build.md,
/// Schools.
/// </summary>
/// <param name="Work">The steps themselves.</param>
/// <param name="Tests">The gates.</param>
/// <param name="Reopening">Opening again behind gates that need a closed case.</param>
/// <param name="Search">Finding which of several changes it was.</param>
/// <param name="Mends">Mending what went wrong.</param>
public sealed record Expectation(decimal Work, decimal Tests, decimal Reopening, decimal Search, decimal Mends)
{
    /// <summary>All together.</summary>
    public decimal Minutes => Work + Tests + Reopening + Search + Mends;

    /// <summary>A gate after every change.</summary>
    public static Expectation Careful(IReadOnlyList<Risk> steps, GateCost gate) =>
        new(
            steps.Sum(s => s.Minutes),
            steps.Count * gate.Minutes,
            gate.NeedsClosed ? Math.Max(0, steps.Count - 1) * gate.ReopenMinutes : 0,
            0,
            steps.Sum(s => s.Chance * s.MendMinutes)
        );

    /// <summary>A gate behind each group of changes: what goes wrong in one is sought by halves, each half a reopening and a
    /// test.</summary>
    public static Expectation Batch(IEnumerable<IReadOnlyList<Risk>> groups, GateCost gate)
    {
        var all = new Expectation(0, 0, 0, 0, 0);
        foreach (IReadOnlyList<Risk> group in groups)
            all = new Expectation(
                all.Work + group.Sum(s => s.Minutes),
                all.Tests + gate.Minutes,
                0,
                all.Search + (1 - AllWell(group)) * Halvings(group.Count) * (gate.ReopenMinutes + gate.Minutes),
                all.Mends + group.Sum(s => s.Chance * s.MendMinutes)
            );
        return all;
    }

    /// <summary>The chance that nothing goes wrong.</summary>
    public static decimal AllWell(IEnumerable<Risk> steps) => steps.Aggregate(1m, (all, s) => all * (1 - s.Chance));

    /// <summary>How often a number of changes is halved until one is left.</summary>
    public static int Halvings(int count) =>
        count <= 1 ? 0 : 32 - System.Numerics.BitOperations.LeadingZeroCount((uint)count - 1);

    /// <summary>
    /// The chance of a fault a step at which both policies cost the same, all else as it is; null: one of them is dearer at any
    /// chance.
    /// </summary>
    public static decimal? BreakEven(IReadOnlyList<IReadOnlyList<Risk>> groups, GateCost gate)
    {
        Risk[][] At(decimal chance) => [.. groups.Select(g => g.Select(s => s with { Chance = chance }).ToArray())];
        // Mends cost both the same, so only tests and the search decide; the search grows with the chance.
        decimal Dearer(decimal chance) =>
            Batch(At(chance), gate).Minutes - Careful([.. At(chance).SelectMany(g => g)], gate).Minutes;
        if (Dearer(0) >= 0 || Dearer(1) <= 0)
            return null;
        (decimal low, decimal high) = (0m, 1m);
        for (int i = 0; i < 40; i++)
            if (Dearer((low + high) / 2) < 0)
                low = (low + high) / 2;
            else
                high = (low + high) / 2;
        return high;
    }
}
