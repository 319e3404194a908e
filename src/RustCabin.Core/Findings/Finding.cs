namespace RustCabin.Core.Findings;

/// <summary>How much a finding weighs: it cannot work or can do damage; it works with a condition; it is worth knowing.</summary>
public enum Severity
{
    Stop,
    Watch,
    Note,
}

/// <summary>Switch positions by instance that mend a finding, tried out before they are offered.</summary>
public sealed record Fix(IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches);

/// <summary>
/// What a check has to say. <paramref name="Code"/> is stable and stands in docs/findings.md. <paramref name="Title"/> is a few words for
/// the tray; <paramref name="Station"/> where it is mended; <paramref name="Why"/> the steps, to be followed with a pocket calculator.
/// </summary>
public sealed record Finding(
    string Code,
    Severity Severity,
    string Station,
    string Title,
    IReadOnlyList<string> Subjects,
    string Text,
    IReadOnlyList<string> Why,
    Fix? Fix = null
);
