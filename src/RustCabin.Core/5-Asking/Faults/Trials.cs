using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Faults;

/// <summary>A combination that was tried.</summary>
public sealed record Trial
{
    /// <summary>The level of each factor.</summary>
    [Required, Display(Description = "The level of each factor.")]
    public OrderedDictionary<string, string> Set { get; init; } = [];

    /// <summary>It worked.</summary>
    [Required, Display(Description = "It worked.")]
    public bool Works { get; init; }
}

/// <summary>One level of one factor.</summary>
/// <param name="Factor">The factor.</param>
/// <param name="At">Its level.</param>
public readonly record struct Level(string Factor, string At)
{
    /// <summary>True if a combination has it.</summary>
    public bool In(IReadOnlyDictionary<string, string> set) => set.TryGetValue(Factor, out string? level) && level == At;
}

/// <summary>What <c>trials</c> takes.</summary>
public sealed record TrialsAsked : ICompleted<TrialsAsked>
{
    /// <summary>So many combinations at most.</summary>
    public const int Most = 100_000;

    /// <summary>What can be changed.</summary>
    [Required, Display(Description = "What can be changed, with what it can be.")]
    public OrderedDictionary<string, IReadOnlyList<string>> Factors { get; init; } = [];

    /// <summary>What was tried.</summary>
    [Required, Display(Description = "What was tried.")]
    public IReadOnlyList<Trial> Trials { get; init; } = [];

    /// <inheritdoc/>
    public TrialsAsked Completed(RecordReading read)
    {
        long all = 1;
        foreach ((string factor, IReadOnlyList<string> levels) in Factors)
        {
            if (levels.Count == 0 || levels.Distinct().Count() < levels.Count)
                read.Wrong($"factors.{factor}", "must have one level or more, each once");
            all = Math.Min(Most + 1L, all * Math.Max(1, levels.Count));
        }
        if (all > Most)
            read.Wrong("factors", $"make more than {Most:#,0} combinations");
        if (Trials.Count > Most)
            read.Wrong("trials", $"are {Trials.Count}; {Most:#,0} are the most");
        foreach ((int i, Trial trial) in Trials.Index())
        {
            foreach (string factor in Factors.Keys.Where(f => !trial.Set.ContainsKey(f)))
                read.Wrong($"trials[{i}].set.{factor}", "is missing");
            foreach ((string factor, string level) in trial.Set)
                if (!Factors.TryGetValue(factor, out IReadOnlyList<string>? levels))
                    read.Wrong($"trials[{i}].set.{factor}", $"\"{factor}\" is no factor");
                else if (!levels.Contains(level))
                    read.Wrong($"trials[{i}].set.{factor}", $"\"{level}\" is no level of \"{factor}\"");
        }
        return this;
    }
}

/// <summary>
/// What explains all failures and no success, and what to try next. Source: docs/handbook/faults.md, Trials.
/// </summary>
/// <param name="Singles">Single levels.</param>
/// <param name="Pairs">Pairs of levels; none while a single explains it.</param>
/// <param name="Next">The untried combination that splits the explanations best; null: there is none, or nothing to
/// split.</param>
public sealed record TrialReading(
    IReadOnlyList<Level> Singles,
    IReadOnlyList<(Level A, Level B)> Pairs,
    IReadOnlyDictionary<string, string>? Next
)
{
    /// <summary>Of what was tried.</summary>
    public static TrialReading Of(TrialsAsked asked)
    {
        var fails = asked.Trials.Where(t => !t.Works).Select(t => t.Set).ToList();
        var works = asked.Trials.Where(t => t.Works).Select(t => t.Set).ToList();
        if (fails.Count == 0)
            return new TrialReading([], [], null);
        // A level that explains all failures is in the first of them.
        Level[] first = [.. asked.Factors.Keys.Select(f => new Level(f, fails[0][f]))];
        Level[] always = [.. first.Where(l => fails.All(l.In))];
        Level[] singles = [.. always.Where(l => !works.Any(l.In))];
        (Level A, Level B)[] pairs =
            singles.Length > 0
                ? []
                :
                [
                    .. from a in always.Index()
                    from b in always.Skip(a.Index + 1)
                    where !works.Any(w => a.Item.In(w) && b.In(w))
                    select (a.Item, b),
                ];
        Func<IReadOnlyDictionary<string, string>, bool>[] explanations =
        [
            .. singles.Select(s => (Func<IReadOnlyDictionary<string, string>, bool>)s.In),
            .. pairs.Select(p => (Func<IReadOnlyDictionary<string, string>, bool>)(set => p.A.In(set) && p.B.In(set))),
        ];
        return new TrialReading(singles, pairs, explanations.Length < 2 ? null : Best(asked, explanations));
    }

    /// <summary>The untried combination for which as near to half of the explanations as can be predict a failure.</summary>
    static OrderedDictionary<string, string>? Best(
        TrialsAsked asked,
        IReadOnlyList<Func<IReadOnlyDictionary<string, string>, bool>> explanations
    )
    {
        string[] factors = [.. asked.Factors.Keys];
        HashSet<string> tried = [.. asked.Trials.Select(t => KeyOf(factors, t.Set))];
        OrderedDictionary<string, string>? best = null;
        int nearest = int.MaxValue;
        int[] at = new int[factors.Length];
        while (true)
        {
            Budget.Spend();
            OrderedDictionary<string, string> set = new(
                factors.Select((f, i) => KeyValuePair.Create(f, asked.Factors[f][at[i]]))
            );
            if (!tried.Contains(KeyOf(factors, set)))
            {
                int off = Math.Abs(2 * explanations.Count(e => e(set)) - explanations.Count);
                if (off < nearest)
                    (best, nearest) = (set, off);
            }
            int moving = factors.Length - 1;
            while (moving >= 0 && ++at[moving] == asked.Factors[factors[moving]].Count)
                at[moving--] = 0;
            if (moving < 0 || nearest == explanations.Count % 2)
                return best;
        }
    }

    static string KeyOf(string[] factors, IReadOnlyDictionary<string, string> set) =>
        string.Join('\0', factors.Select(f => set[f]));
}
