using RustCabin.Core.Stations;

namespace RustCabin.Core.Faults;

/// <summary>What can be seen or measured, and what it may show.</summary>
/// <param name="Id">Its name.</param>
/// <param name="Outcomes">What it may show, two at least.</param>
public sealed record Observable(string Id, IReadOnlyList<string> Outcomes)
{
    /// <summary>Minutes that looking takes, getting there included; null: it is not offered as a check.</summary>
    public decimal? Minutes { get; init; }

    /// <summary>In words.</summary>
    public string Words { get; init; } = "";

    /// <summary>What it wants of the machine.</summary>
    public LookState State { get; init; }

    /// <summary>The chance that a cause shows something else there than it predicts; null: the usual one.</summary>
    public double? Miss { get; init; }

    /// <summary>The chance that a cause shows what it predicts there.</summary>
    public double Hit => Miss is { } miss ? 1 - miss : Posterior.Predicted;

    /// <summary>The state that it needs, in a few words: the machine running; plug out, lid off.</summary>
    public string Needs { get; init; } = "";

    /// <summary>What every cause shows that names nothing else; null: such a cause says nothing of it.</summary>
    public string? Usual { get; init; }
}

/// <summary>A cause with what it would show. It says nothing of what it does not name.</summary>
/// <param name="Id">Its name.</param>
/// <param name="Weight">How likely it is beforehand, against the others.</param>
/// <param name="Predicts">The outcome of each observable that it says something of.</param>
public sealed record Suspect(string Id, double Weight, IReadOnlyDictionary<string, string> Predicts)
{
    /// <summary>The machine does not start with it: a look that wants it running shows nothing.</summary>
    public bool IsDark { get; init; }

    /// <summary>It says nothing of anything, not even the usual.</summary>
    public bool IsSilent { get; init; }

    /// <summary>What it predicts of something; null: nothing.</summary>
    public string? PredictionOf(Observable at)
    {
        if (IsDark && at is { State: LookState.Running, Usual: not null })
            return Sight.Dead;
        return Predicts.GetValueOrDefault(at.Id) ?? (IsSilent ? null : at.Usual);
    }
}

/// <summary>The check that tells most a minute.</summary>
/// <param name="What">What is looked at.</param>
/// <param name="Bits">How much it is expected to tell.</param>
public sealed record NextLook(Observable What, double Bits);

/// <summary>
/// How likely each cause is after what was seen. Source: docs/handbook/faults.md, Posterior.
/// </summary>
/// <param name="Chances">Of each cause, in the order asked.</param>
/// <param name="Other">Of none of these.</param>
public sealed record Posterior(IReadOnlyList<double> Chances, double Other)
{
    /// <summary>The chance that none of the named causes is it, beforehand.</summary>
    public const double OtherPrior = 0.02;

    /// <summary>The chance that a cause shows what it predicts: one odd reading never rules a cause out.</summary>
    public const double Predicted = 0.98;

    /// <summary>A check that tells less is not worth a name.</summary>
    public const double LeastBits = 1e-9;

    /// <summary>After what was seen.</summary>
    /// <param name="causes">The causes; their weights are scaled to what none of these leaves.</param>
    /// <param name="observables">What can be seen.</param>
    /// <param name="seen">What was.</param>
    /// <param name="logs">What else speaks of each cause, and of none of these: logarithms of chances; null: nothing.</param>
    public static Posterior Of(
        IReadOnlyList<Suspect> causes,
        IReadOnlyList<Observable> observables,
        IReadOnlyDictionary<string, string> seen,
        IReadOnlyList<double>? logs = null
    )
    {
        double[] chances = Priors(causes);
        if (logs is not null)
            for (int i = 0; i < chances.Length; i++)
                chances[i] *= Math.Exp(logs[i] - logs.Max());
        foreach (Observable at in observables)
            if (seen.TryGetValue(at.Id, out string? outcome))
                Weigh(chances, causes, at, outcome);
        double all = chances.Sum();
        return new Posterior([.. chances[..^1].Select(c => c / all)], chances[^1] / all);
    }

    static double[] Priors(IReadOnlyList<Suspect> causes)
    {
        double all = causes.Sum(c => c.Weight);
        return [.. causes.Select(c => all > 0 ? (1 - OtherPrior) * c.Weight / all : 0), OtherPrior];
    }

    static void Weigh(double[] chances, IReadOnlyList<Suspect> causes, Observable at, string outcome)
    {
        for (int i = 0; i < causes.Count; i++)
            chances[i] *= Likelihood(causes[i], at, outcome);
        chances[^1] *= 1.0 / at.Outcomes.Count;
    }

    /// <summary>
    /// The chance that a cause shows an outcome: what it predicts nearly always, the others share the rest; of what it says
    /// nothing each is as likely.
    /// </summary>
    public static double Likelihood(Suspect cause, Observable at, string outcome) =>
        cause.PredictionOf(at) is not { } predicted ? 1.0 / at.Outcomes.Count
        : predicted == outcome ? at.Hit
        : (1 - at.Hit) / (at.Outcomes.Count - 1);

    /// <summary>
    /// How much is expected of looking at something, in bits, none of these included: how open its outcome is, less how open it
    /// is to a person who knows the cause.
    /// </summary>
    public double BitsOf(IReadOnlyList<Suspect> causes, Observable at)
    {
        int n = at.Outcomes.Count;
        double hit = at.Hit,
            miss = (1 - hit) / (n - 1),
            silent = Other,
            told = 0;
        Span<double> predicted = n <= 64 ? stackalloc double[n] : new double[n];
        for (int i = 0; i < causes.Count; i++)
            if (causes[i].PredictionOf(at) is not { } shown)
                silent += Chances[i];
            else if (IndexOf(at.Outcomes, shown) is >= 0 and var outcome)
                (predicted[outcome], told) = (predicted[outcome] + Chances[i], told + Chances[i]);
        double open = 0;
        foreach (double here in predicted)
            open += Units.Bits.Surprise(hit * here + miss * (told - here) + silent / n);
        return open - told * (Units.Bits.Surprise(hit) + (n - 1) * Units.Bits.Surprise(miss)) - silent * Math.Log2(n);
    }

    static int IndexOf(IReadOnlyList<string> outcomes, string outcome)
    {
        for (int i = 0; i < outcomes.Count; i++)
            if (outcomes[i] == outcome)
                return i;
        return -1;
    }

    /// <summary>The look that tells most a minute, of equals the first; null: none tells anything.</summary>
    public NextLook? Next(
        IReadOnlyList<Suspect> causes,
        IEnumerable<Observable> observables,
        IReadOnlyDictionary<string, string> seen
    )
    {
        NextLook? best = null;
        double most = 0;
        foreach (Observable at in observables.Where(o => o.Minutes is not null && !seen.ContainsKey(o.Id)))
        {
            double bits = BitsOf(causes, at);
            double rate = bits / (double)Math.Max(0.01m, at.Minutes!.Value);
            if (bits > LeastBits && rate > most * (1 + 1e-12))
                (best, most) = (new NextLook(at, bits), rate);
        }
        return best;
    }
}
