using RustCabin.Core.Sheets;

namespace RustCabin.Core.Faults;

/// <summary>What was seen of a machine. What was not looked at is not here, which is not the same as "no".</summary>
public sealed record Seen
{
    /// <summary>What the lines of its count showed, in their order; null: not read.</summary>
    public IReadOnlyList<ulong>? Lines { get; init; }

    /// <summary>Whether it starts; null: not said.</summary>
    public bool? Starts { get; init; }

    /// <summary>Starts that were counted; null: none were.</summary>
    public CountedStarts? Counted { get; init; }

    /// <summary>It started sometimes, and sometimes it did not.</summary>
    public bool ComesAndGoes => Counted?.Failing is not null && new[] { Counted.Cold, Counted.Warm }.Any(c => c?.Works > 0);

    /// <summary>All else, by what was looked at.</summary>
    public IReadOnlyDictionary<string, string> Looks { get; init; } = new Dictionary<string, string>();
}
