using RustCabin.Core.Sheets;

namespace RustCabin.Web.Stations;

/// <summary>The table in which starts are counted, one press a try, at the Baseline and at gates.</summary>
/// <param name="Press">The press that counts.</param>
/// <param name="Step">The gate; null: before anything was touched.</param>
/// <param name="Counted">What was counted; null: nothing.</param>
/// <param name="Before">What was counted before anything was touched, where this is another count; null: nothing.</param>
/// <param name="Locked">Nothing can be counted yet.</param>
public sealed record CountShown(string Press, StepId? Step, CountedStarts? Counted, CountedStarts? Before, bool Locked)
{
    /// <summary>The kinds of starts, as a person says them, cold first.</summary>
    public static readonly IReadOnlyList<(bool Warm, string Name)> Kinds = [(false, "cold"), (true, "warm")];

    /// <summary>What was counted of a kind.</summary>
    public CountedTries Of(bool warm) => (Counted ?? new CountedStarts()).Of(warm);

    /// <summary>The kind that is drawn: the one that failed before, else the one that fails here, else the cold one.</summary>
    bool Warm => (Before?.Failing ?? Counted?.Failing) is { } failing && (failing == Before?.Warm || failing == Counted?.Warm);

    /// <summary>The count that is drawn first: before the mend, where there is one; null: nothing was counted.</summary>
    public TryCount? First => Drawn(Before) ?? Drawn(Counted);

    /// <summary>The count after it; null: there is none.</summary>
    public TryCount? Second => Drawn(Before) is null ? null : Drawn(Counted);

    TryCount? Drawn(CountedStarts? counted) => counted?.Of(Warm) is { Tries: > 0 } tries ? tries.Plain : null;
}
