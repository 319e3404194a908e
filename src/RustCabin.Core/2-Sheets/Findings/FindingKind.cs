namespace RustCabin.Core.Findings;

/// <summary>How much a finding weighs: it cannot work or can do damage; it works with a condition; it is worth knowing.</summary>
public enum Severity
{
    /// <summary>It cannot work, or can do damage.</summary>
    Stop,

    /// <summary>It works with a condition.</summary>
    Watch,

    /// <summary>It is worth knowing.</summary>
    Note,
}

/// <summary>
/// A kind of finding, declared once beside the checks that raise it. docs/findings.md is written from these.
/// </summary>
/// <param name="Code">Stable: outside programs may rely on it.</param>
/// <param name="Station">The station at which it is mended.</param>
/// <param name="Severities">How much it can weigh.</param>
public sealed record FindingKind(string Code, StationName Station, IReadOnlyList<Severity> Severities)
{
    /// <summary>What it says, and when it weighs how much.</summary>
    public required string Meaning { get; init; }

    /// <summary>What mends it.</summary>
    public required string Mend { get; init; }

    /// <summary>
    /// What a person can make that settles it, though no sheet shows it: said with a proof, it stands in the record. Empty: the
    /// plan itself must change.
    /// </summary>
    public IReadOnlyList<string> ByHand { get; init; } = [];

    /// <summary>Where this one is found of the same subjects too, that one says both: one mend serves both. Null: none.</summary>
    public FindingKind? SaidWith { get; init; }

    /// <summary>Other parts than the planned ones may mend it: sets are searched for.</summary>
    public bool ByOtherParts { get; init; }
}
