using RustCabin.Core.Units;

namespace RustCabin.Core.Faults;

/// <summary>A level, or two together, that is in some failures and in no success.</summary>
/// <param name="Levels">One level, or two.</param>
public sealed record TrialRule(IReadOnlyList<Level> Levels)
{
    /// <summary>In words.</summary>
    public string Words => string.Join(" with ", Levels.Select(l => $"{l.Factor} {l.At}"));

    /// <summary>True if a combination has its levels.</summary>
    public bool In(IReadOnlyDictionary<string, string> set) => Levels.All(l => l.In(set));
}

/// <summary>
/// The fewest rules that cover all failures and no success, where no single level and no pair explains them all. Source:
/// docs/handbook/faults.md, Trials.
/// </summary>
public static class TrialRules
{
    /// <summary>So many rules are looked for at most; more explain nothing.</summary>
    public const int Most = 3;

    /// <summary>So many different combinations that failed are weighed at most.</summary>
    const int MostFails = 64;

    /// <summary>The fewest; none where so many do not cover it.</summary>
    public static IReadOnlyList<TrialRule> Of(TrialsAsked asked)
    {
        var works = asked.Trials.Where(t => t.Works).Select(t => t.Set).ToList();
        // One combination that failed twice asks for no more than one that failed once.
        var fails = asked
            .Trials.Where(t => !t.Works)
            .Select(t => t.Set)
            .DistinctBy(s => string.Join('\0', s.Select(f => $"{f.Key}\0{f.Value}")))
            .ToList();
        if (fails.Count is 0 or > MostFails)
            return [];
        (TrialRule Rule, ulong Covers)[] rules = [.. Undominated(Rules(asked).Where(r => !works.Any(r.In)), fails)];
        ulong all = fails.Count == MostFails ? ulong.MaxValue : (1UL << fails.Count) - 1;
        for (int many = 1; many <= Most; many++)
            if (Cover(rules, [], all, many) is { } found)
                return found;
        return [];
    }

    /// <summary>Single levels, then pairs of two factors.</summary>
    static IEnumerable<TrialRule> Rules(TrialsAsked asked)
    {
        Level[] levels = [.. asked.Factors.SelectMany(f => f.Value.Select(v => new Level(f.Key, v)))];
        return
        [
            .. levels.Select(l => new TrialRule([l])),
            .. from a in levels.Index()
            from b in levels.Skip(a.Index + 1)
            where a.Item.Factor != b.Factor
            select new TrialRule([a.Item, b]),
        ];
    }

    /// <summary>Rules with the failures that each covers, a bit each; one that another covers with more is left out.</summary>
    static IEnumerable<(TrialRule Rule, ulong Covers)> Undominated(
        IEnumerable<TrialRule> rules,
        IReadOnlyList<OrderedDictionary<string, string>> fails
    )
    {
        var kept = new List<(TrialRule Rule, ulong Covers)>();
        foreach (
            (TrialRule rule, ulong covers) in rules
                .Select(r =>
                    (r, Covers: fails.Index().Where(f => r.In(f.Item)).Aggregate(0UL, (all, f) => all | (1UL << f.Index)))
                )
                .Where(r => r.Covers != 0)
                .OrderByDescending(r => ulong.PopCount(r.Covers))
        )
        {
            Budget.Spend();
            if (kept.All(k => (covers & ~k.Covers) != 0))
                kept.Add((rule, covers));
        }
        return kept;
    }

    /// <summary>Rules that cover what is open, at most so many; the first open failure must be covered by one of them.</summary>
    static IReadOnlyList<TrialRule>? Cover(
        (TrialRule Rule, ulong Covers)[] rules,
        IReadOnlyList<TrialRule> taken,
        ulong open,
        int left
    )
    {
        Budget.Spend();
        if (open == 0)
            return taken;
        if (left == 0)
            return null;
        ulong first = open & (~open + 1);
        foreach ((TrialRule rule, ulong covers) in rules)
            if ((covers & first) != 0 && Cover(rules, [.. taken, rule], open & ~covers, left - 1) is { } found)
                return found;
        return null;
    }
}
