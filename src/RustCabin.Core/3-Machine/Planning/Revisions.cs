using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Planning;

/// <summary>A revision and how likely it is, from 0 to 1.</summary>
public sealed record RevisionChance(string Id, double Probability);

/// <summary>A clue that speaks for other revisions than the one taken.</summary>
public sealed record Contradiction(string Clue, IReadOnlyList<string> Says);

/// <summary>
/// The revision taken (the confirmed one, else the likeliest), with the clues' probability for it, and the clues against it.
/// </summary>
public sealed record Verdict(
    string Id,
    double Probability,
    IReadOnlyList<RevisionChance> All,
    IReadOnlyList<Contradiction> Contradictions,
    IReadOnlyList<string> Agreeing
);

/// <summary>A clue to look at next: the doubt it is expected to take away, in bits, and its minutes.</summary>
public sealed record NextClue(string Clue, double Bits, decimal Minutes);

/// <summary>
/// Which board is it: Bayes over the clues seen, from a flat prior. A clue says a value it lists for a revision with its trust,
/// each other value with (1 - trust) / (values - 1); where it lists a revision nowhere, 1 / values. A clue with one listed
/// value counts as having two. Source: docs/handbook/identify.md, Probabilities.
/// </summary>
public static class Revisions
{
    /// <summary>
    /// Identifies. <paramref name="confirmed"/> is a revision that the user vouches for; probabilities stay the clues'.
    /// </summary>
    public static Verdict Identify(Model model, IReadOnlyDictionary<string, string> seen, string? confirmed)
    {
        double[] chance = [.. model.Revisions.Select(_ => 1.0)];
        Clue[] read = [.. model.Clues.Where(c => seen.ContainsKey(c.Id))];
        foreach (Clue clue in read)
            for (int i = 0; i < chance.Length; i++)
                chance[i] *= Likelihood(clue, seen[clue.Id], model.Revisions[i].Id);

        double total = chance.Sum();
        RevisionChance[] all =
        [
            .. model.Revisions.Select((r, i) => new RevisionChance(r.Id, total > 0 ? chance[i] / total : 1.0 / chance.Length)),
        ];
        RevisionChance taken = all.FirstOrDefault(r => r.Id == confirmed) ?? all.MaxBy(r => r.Probability)!;

        // A value that the sheet does not list says nothing for any revision, and so contradicts none.
        ILookup<bool, Clue> listed = read.Where(c => c.Values.ContainsKey(seen[c.Id]))
            .ToLookup(c => c.Values[seen[c.Id]].Contains(taken.Id));
        return new Verdict(
            taken.Id,
            taken.Probability,
            all,
            [.. listed[false].Select(c => new Contradiction(c.Id, c.Values[seen[c.Id]]))],
            [.. listed[true].OrderByDescending(c => c.Trust).Select(c => c.Id)]
        );
    }

    /// <summary>
    /// The chance, 0 to 1, that the clue shows <paramref name="value"/> on a board of <paramref name="revision"/>.
    /// </summary>
    public static double Likelihood(Clue clue, string value, string revision)
    {
        // A single listed value has an implied other beside it, so that seeing the listed one speaks for its revisions.
        bool single = clue.Values.Count == 1;
        int values = single ? 2 : clue.Values.Count;
        bool listsRevision = clue.Values.Any(v => v.Value.Contains(revision));
        bool listed = clue.Values.TryGetValue(value, out IReadOnlyList<string>? says);
        if (!listsRevision || (!listed && !single))
            return 1.0 / Math.Max(1, values);
        return listed && says!.Contains(revision) ? (double)clue.Trust : (1 - (double)clue.Trust) / (values - 1);
    }

    /// <summary>
    /// The look that tells most for its time: the unseen clue with the most expected bits per minute, or null when none would
    /// tell anything.
    /// <paramref name="allowed"/> leaves clues out, such as those behind a closed lid.
    /// </summary>
    public static NextClue? Next(Model model, IReadOnlyDictionary<string, string> seen, Func<Clue, bool>? allowed = null)
    {
        double[] now = [.. Identify(model, seen, null).All.Select(r => r.Probability)];
        return model
            .Clues.Where(c => !seen.ContainsKey(c.Id) && (allowed is null || allowed(c)))
            .Select(c => new NextClue(c.Id, ExpectedBits(model, c, now), c.Minutes))
            .Where(n => n.Bits > 1e-9)
            .MaxBy(n => n.Bits / (double)Math.Max(n.Minutes, 0.01m));
    }

    /// <summary>
    /// How much doubt a look at the clue is expected to take away: entropy now less the mean entropy after, over the values it
    /// lists; where it lists one, over that and the implied other.
    /// </summary>
    static double ExpectedBits(Model model, Clue clue, double[] now)
    {
        bool single = clue.Values.Count == 1;
        int values = single ? 2 : clue.Values.Count;
        double trust = (double)clue.Trust,
            others = (1 - trust) / (values - 1);
        var at = model.Revisions.Index().ToDictionary(r => r.Item.Id, r => r.Index);
        int[][] says =
        [
            .. clue.Values.Values.Select(v => v.Where(at.ContainsKey).Select(r => at[r]).Distinct().ToArray()),
            .. single ? [(int[])[]] : (int[][])[],
        ];
        int[] listed = [.. says.SelectMany(s => s).Distinct()];
        // A revision that no value lists shows each alike; of the others only those that a value lists stand out for it.
        Mass all = Mass.Of(now, Enumerable.Range(0, now.Length)),
            known = Mass.Of(now, listed),
            unlisted = all.Less(known);
        double after = 0,
            sum = 0;
        foreach (int[] spoken in says)
        {
            Budget.Spend();
            Mass here = Mass.Of(now, spoken);
            (Mass Of, double By)[] parts = [(unlisted, 1.0 / values), (known.Less(here), others), (here, trust)];
            double chance = parts.Sum(p => p.Of.Sum * p.By);
            if (chance <= 0)
                continue;
            sum += chance;
            // Entropy of what is left, times its chance: every share is scaled by one of three likelihoods.
            after += chance * Math.Log2(chance) - parts.Sum(p => p.Of.Scaled(p.By));
        }
        return sum > 0 ? Math.Max(0, Entropy(now) - after / sum) : 0;
    }

    /// <summary>Some chances together: their sum, and the sum of p log2 p.</summary>
    readonly record struct Mass(double Sum, double Log)
    {
        public static Mass Of(double[] chances, IEnumerable<int> at)
        {
            double sum = 0,
                log = 0;
            foreach (double p in at.Select(i => chances[i]).Where(p => p > 0))
                (sum, log) = (sum + p, log + p * Math.Log2(p));
            return new Mass(sum, log);
        }

        public Mass Less(Mass other) => new(Math.Max(0, Sum - other.Sum), Log - other.Log);

        /// <summary>The sum of (p l) log2 (p l).</summary>
        public double Scaled(double by) => by > 0 && Sum > 0 ? by * Log + by * Math.Log2(by) * Sum : 0;
    }

    static double Entropy(IEnumerable<double> chances) => -chances.Where(p => p > 0).Sum(p => p * Math.Log2(p));
}
