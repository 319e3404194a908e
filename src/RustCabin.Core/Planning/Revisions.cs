using RustCabin.Core.Sheets;

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
/// each other
/// value with (1 - trust) / (values - 1); where it lists a revision nowhere, 1 / values. A clue with one listed value counts as
/// having two. Source: docs/handbook/identify.md,
/// Probabilities.
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
        double after = 0,
            all = 0;
        foreach (string value in clue.Values.Count == 1 ? clue.Values.Keys.Append(Other) : clue.Values.Keys)
        {
            double[] joint = [.. now.Select((p, i) => p * Likelihood(clue, value, model.Revisions[i].Id))];
            double chance = joint.Sum();
            if (chance <= 0)
                continue;
            all += chance;
            after += chance * Entropy(joint.Select(j => j / chance));
        }
        return all > 0 ? Entropy(now) - after / all : 0;
    }

    /// <summary>The value of a clue that lists only one, where something else is seen; no sheet can list it.</summary>
    const string Other = "";

    static double Entropy(IEnumerable<double> chances) => -chances.Where(p => p > 0).Sum(p => p * Math.Log2(p));
}
