using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Faults;

/// <summary>A cause, and what must be together for it to show.</summary>
public sealed record SwapCause
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "Its name.")]
    public string Id { get; init; } = "";

    /// <summary>How likely it is beforehand, against the others.</summary>
    [Required, Range(0, 1_000_000_000), Display(Description = "How likely it is beforehand, against the others.")]
    public decimal Prior { get; init; }

    /// <summary>The things that must all be together for it to show.</summary>
    [Required, Display(Description = "The things that must all be together for it to show.")]
    public IReadOnlyList<string> Belongs { get; init; } = [];
}

/// <summary>Things that were moved to where all else is known to be good, and what came of it.</summary>
public sealed record SwapDone
{
    /// <summary>What was moved.</summary>
    [Required, Display(Description = "What was moved to where all else is known to be good.")]
    public IReadOnlyList<string> Moved { get; init; } = [];

    /// <summary>The fault showed there.</summary>
    [Required, Display(Description = "The fault showed there.")]
    public bool Shows { get; init; }
}

/// <summary>Things that could be moved.</summary>
public sealed record SwapOption
{
    /// <summary>What would be moved.</summary>
    [Required, Display(Description = "What would be moved.")]
    public IReadOnlyList<string> Moved { get; init; } = [];

    /// <summary>How long that takes.</summary>
    [Required, Range(0, 1_000_000), UnitOf("minutes"), Display(Description = "How long that takes, above 0.")]
    public decimal Minutes { get; init; }
}

/// <summary>What <c>faults/swaps</c> takes.</summary>
public sealed record SwapsAsked : ICompleted<SwapsAsked>
{
    const int Most = 1_000;

    /// <summary>The causes.</summary>
    [Required, Display(Description = "The causes that are known of.")]
    public IReadOnlyList<SwapCause> Causes { get; init; } = [];

    /// <summary>Swaps that were made.</summary>
    [Required, Display(Description = "Swaps that were made.")]
    public IReadOnlyList<SwapDone> Done { get; init; } = [];

    /// <summary>Swaps that could be made.</summary>
    [Required, Display(Description = "Swaps that could be made.")]
    public IReadOnlyList<SwapOption> Options { get; init; } = [];

    /// <inheritdoc/>
    public SwapsAsked Completed(RecordReading read)
    {
        foreach (
            (string list, int count) in (ReadOnlySpan<(string, int)>)
                [("causes", Causes.Count), ("done", Done.Count), ("options", Options.Count)]
        )
            if (count > Most)
                read.Wrong(list, $"are {count:#,0}; {Most:#,0} are allowed");
        if (Causes.Count > 0 && Causes.All(c => c.Prior == 0))
            read.Wrong("causes", "have no prior above 0");
        var ids = new HashSet<string>();
        foreach ((int i, SwapCause cause) in Causes.Index())
        {
            if (!ids.Add(cause.Id))
                read.Wrong($"causes[{i}].id", $"\"{cause.Id}\" is used twice");
            if (cause.Belongs.Count == 0)
                read.Wrong($"causes[{i}].belongs", "must not be empty");
        }
        foreach ((int i, SwapDone done) in Done.Index())
            if (done.Moved.Count == 0)
                read.Wrong($"done[{i}].moved", "must not be empty");
        foreach ((int i, SwapOption option) in Options.Index())
        {
            if (option.Moved.Count == 0)
                read.Wrong($"options[{i}].moved", "must not be empty");
            if (option.Minutes <= 0)
                read.Wrong($"options[{i}].minutes", "must be above 0");
        }
        return this;
    }
}

/// <summary>A cause after the swaps.</summary>
public sealed record SwappedCause(string Id, double Probability);

/// <summary>The swap that tells most a minute.</summary>
public sealed record NextSwap(IReadOnlyList<string> Moved, double Bits, decimal Minutes);

/// <summary>
/// What swaps say: a cause shows where all that it belongs to was moved. Source: docs/handbook/faults.md, Swaps.
/// </summary>
/// <param name="Causes">The likeliest first, equals by id.</param>
/// <param name="Other">None of these.</param>
/// <param name="Next">What to swap next; null: no swap tells anything.</param>
public sealed record Swaps(IReadOnlyList<SwappedCause> Causes, double Other, NextSwap? Next)
{
    const double Shows = Posterior.Predicted,
        OtherShows = 0.5,
        Same = 1e-12;

    /// <summary>Weighs the causes, and finds the next swap.</summary>
    public static Swaps Of(SwapsAsked asked)
    {
        HashSet<string>[] belongs = [.. asked.Causes.Select(c => c.Belongs.ToHashSet())];
        double all = asked.Causes.Sum(c => (double)c.Prior);
        double[] chances =
        [
            .. asked.Causes.Select(c => (1 - Posterior.OtherPrior) * (double)c.Prior / all),
            asked.Causes.Count > 0 ? Posterior.OtherPrior : 1,
        ];
        foreach (SwapDone done in asked.Done)
        {
            HashSet<string> moved = [.. done.Moved];
            for (int i = 0; i < chances.Length; i++)
            {
                double shows = ShowsOf(belongs, i, moved);
                chances[i] *= done.Shows ? shows : 1 - shows;
            }
            double sum = chances.Sum();
            for (int i = 0; i < chances.Length; i++)
                chances[i] /= sum;
        }
        return new Swaps(
            [
                .. asked
                    .Causes.Select((c, i) => new SwappedCause(c.Id, chances[i]))
                    .OrderByDescending(c => Math.Round(c.Probability, 12))
                    .ThenBy(c => c.Id, StringComparer.Ordinal),
            ],
            chances[^1],
            NextOf(asked, belongs, chances)
        );
    }

    /// <summary>The chance that a cause shows where some things were moved; the last is none of these.</summary>
    static double ShowsOf(HashSet<string>[] belongs, int cause, HashSet<string> moved) =>
        cause == belongs.Length ? OtherShows
        : belongs[cause].IsSubsetOf(moved) ? Shows
        : 1 - Shows;

    static NextSwap? NextOf(SwapsAsked asked, HashSet<string>[] belongs, double[] chances)
    {
        List<HashSet<string>> made = [.. asked.Done.Select(d => d.Moved.ToHashSet())];
        NextSwap? best = null;
        double rate = 0;
        foreach (SwapOption option in asked.Options)
        {
            Units.Budget.Spend();
            HashSet<string> moved = [.. option.Moved];
            double[] shows = [.. Enumerable.Range(0, chances.Length).Select(i => ShowsOf(belongs, i, moved))];
            if (made.Any(moved.SetEquals) || shows[..^1].Distinct().Count() < 2)
                continue;
            double bits =
                    Units.Bits.Open(chances.Zip(shows, (c, s) => c * s).Sum())
                    - chances.Zip(shows, (c, s) => c * Units.Bits.Open(s)).Sum(),
                per = bits / (double)option.Minutes;
            if (best is null || per > rate + Same * Math.Abs(rate))
                (best, rate) = (new NextSwap(option.Moved, bits, option.Minutes), per);
        }
        return best;
    }
}
