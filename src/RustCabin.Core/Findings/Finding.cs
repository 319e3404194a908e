namespace RustCabin.Core.Findings;

/// <summary>Switch positions by instance that mend a finding, tried out before they are offered.</summary>
/// <param name="Switches">Positions by instance and switch.</param>
public sealed record Fix(IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches);

/// <summary>What a check has to say of one unit.</summary>
/// <param name="Kind">What kind it is.</param>
/// <param name="Severity">How much it weighs; one of its kind's.</param>
/// <param name="Title">A few words for the tray.</param>
/// <param name="Subjects">What it is about: <c>model:thing</c>, <c>part:instance</c>, <c>unit</c>, <c>job</c>.</param>
/// <param name="Text">What is so.</param>
/// <param name="Why">The steps, to be followed with a pocket calculator.</param>
/// <param name="Fix">What mends it in one press; null: nothing that is known.</param>
public sealed record Finding(
    FindingKind Kind,
    Severity Severity,
    string Title,
    IReadOnlyList<string> Subjects,
    string Text,
    IReadOnlyList<string> Why,
    Fix? Fix = null
)
{
    /// <summary>Its kind's code.</summary>
    public string Code => Kind.Code;

    /// <summary>The station at which it is mended.</summary>
    public string Station => Kind.Station;
}
