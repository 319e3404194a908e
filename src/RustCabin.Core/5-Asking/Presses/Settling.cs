using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>How a job comes out, and what is wanted in place of a copy. Source: docs/handbook/build.md, Outcome.</summary>
public static class Settling
{
    /// <summary>How a job that ends came out, or why it cannot be said so.</summary>
    /// <param name="kind">It works, or with limits; empty: nobody has said.</param>
    /// <param name="words">The limits.</param>
    public static (JobOutcome? Outcome, Refusal? Refused) Ended(string? kind, string? words)
    {
        if (string.IsNullOrWhiteSpace(kind))
            return (null, null);
        if (!Words<OutcomeKind>.TryParse(kind, out OutcomeKind how) || how == OutcomeKind.Parked)
            return (null, Refuse("outcome", $"Nothing was ended: \"{kind}\" is no way to come out."));
        if (!Texts.TryOptional<JobOutcome>(nameof(JobOutcome.Words), words, out string said))
            return (null, TooLong("Nothing was ended"));
        return how == OutcomeKind.WithLimits && said.Length == 0
            ? (null, Refuse("words", "Nothing was ended: say which limits it has."))
            : (new JobOutcome { Kind = how, Words = said }, null);
    }

    /// <summary>Parks a job with what is tried next, and the day on which it goes on.</summary>
    /// <param name="next">What is tried next.</param>
    /// <param name="day">The day; empty: nobody has said.</param>
    public static Press<Job> Park(string? next, string? day)
    {
        if (!Texts.TryNeeded<JobOutcome>(nameof(JobOutcome.Words), next, out string words))
            return Refuse("next", "Nothing was parked: say what is tried next.");
        string on = Texts.Of(day);
        if (on.Length > 0 && Moments.Day(on) is null)
            return Refuse("day", $"Nothing was parked: \"{day}\" is no day such as 2026-11-26.");
        var parked = new JobOutcome
        {
            Kind = OutcomeKind.Parked,
            Words = words,
            On = on.Length > 0 ? on : null,
        };
        return Change($"Parked: {words}", j => j with { Outcome = parked });
    }

    /// <summary>Takes a parked job up again.</summary>
    public static Press<Job> GoOn(AtHand at) =>
        at.Job.Outcome is { Kind: OutcomeKind.Parked } ? Change("Taken up", j => j with { Outcome = null }) : Gone;

    /// <summary>Wants the original in place of a copy of the plan, below a price; an empty price wants it no longer.</summary>
    public static Press<Job> Original(AtHand at, string copy, string? under)
    {
        if (at.After.Parts.FirstOrDefault(p => p.Part.Id == copy && p.Part.CopyOf is not null) is not { } part)
            return Gone;
        if (Texts.Of(under).Length == 0)
            return Change(
                $"The original of {part.Part.Name} is not wanted",
                j => j with { Originals = [.. j.Originals.Where(o => o.Copy != copy)] }
            );
        if (!TypedNumber.TryParse(under, out decimal price) || price is < 0.01m or > 10_000_000)
            return Refuse("under", $"Nothing was changed: \"{under}\" is no price.");
        return Change(
            $"The original of {part.Part.Name} is wanted under {price:0.00}",
            j =>
                j with
                {
                    Originals = [.. j.Originals.Where(o => o.Copy != copy), new OriginalWanted { Copy = copy, Under = price }],
                }
        );
    }

    static Refusal TooLong(string what) =>
        Refuse("words", $"{what}: {Texts.Most<JobOutcome>(nameof(JobOutcome.Words)):#,0} letters at most.");
}
