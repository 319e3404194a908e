namespace RustCabin.Core.Faults;

/// <summary>A level, or two together, that is in some failures and in no success.</summary>
/// <param name="Levels">One level, or two.</param>
/// <param name="Fails">The failures that it covers, by their places among the failures.</param>
public sealed record TrialRule(IReadOnlyList<Level> Levels, IReadOnlyList<int> Fails)
{
    /// <summary>In words.</summary>
    public string Words => string.Join(" with ", Levels.Select(l => $"{l.Factor} {l.At}"));
}

/// <summary>
/// The fewest rules that cover all failures and no success, where no single level and no pair explains them all. Source:
/// docs/handbook/faults.md, Trials.
/// </summary>
public static class TrialRules
{
    /// <summary>So many rules are looked for at most; more explain nothing.</summary>
    public const int Most = 4;

    /// <summary>The fewest; none where so many do not cover it.</summary>
    public static IReadOnlyList<TrialRule> Of(TrialsAsked asked)
    {
        Trial[] fails = [.. asked.Trials.Where(t => !t.Works)],
            works = [.. asked.Trials.Where(t => t.Works)];
        if (fails.Length == 0)
            return [];
        Level[] levels = [.. asked.Factors.SelectMany(f => f.Value.Select(v => new Level(f.Key, v)))];
        IEnumerable<Level[]> sets =
        [
            .. levels.Select(l => (Level[])[l]),
            .. from a in levels.Index()
            from b in levels.Skip(a.Index + 1)
            where a.Item.Factor != b.Factor
            select (Level[])[a.Item, b],
        ];
        TrialRule[] rules =
        [
            .. from set in sets
            where !works.Any(w => set.All(l => l.In(w.Set)))
            let covers = fails.Index().Where(f => set.All(l => l.In(f.Item.Set))).Select(f => f.Index).ToArray()
            where covers.Length > 0
            orderby covers.Length descending
            select new TrialRule(set, covers),
        ];
        for (int many = 1; many <= Most; many++)
            if (Cover(rules, [], Enumerable.Range(0, fails.Length).ToHashSet(), many) is { } found)
                return found;
        return [];
    }

    /// <summary>Rules that cover what is open, at most so many; the first open failure must be covered by one of them.</summary>
    static IReadOnlyList<TrialRule>? Cover(TrialRule[] rules, IReadOnlyList<TrialRule> taken, HashSet<int> open, int left)
    {
        if (open.Count == 0)
            return taken;
        if (left == 0)
            return null;
        int first = open.Min();
        foreach (TrialRule rule in rules.Where(r => r.Fails.Contains(first)))
            if (Cover(rules, [.. taken, rule], [.. open.Except(rule.Fails)], left - 1) is { } found)
                return found;
        return null;
    }
}
