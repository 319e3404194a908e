using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Findings;

/// <summary>What mends a finding in one press, tried out before it is offered: switches moved, or a card divided again.</summary>
public sealed record Fix
{
    /// <summary>Positions by instance and switch.</summary>
    public IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches { get; init; } =
        new Dictionary<string, IReadOnlyDictionary<string, string>>();

    /// <summary>The partitions of a card, by the instance that takes it.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<CardPartition>> Cards { get; init; } =
        new Dictionary<string, IReadOnlyList<CardPartition>>();

    /// <summary>Other ways by which parts are fitted, by instance.</summary>
    public IReadOnlyDictionary<string, string> Ways { get; init; } = new Dictionary<string, string>();

    /// <summary>What changes on the cards, in words; empty: nothing.</summary>
    public string Divides { get; init; } = "";

    /// <summary>What the press does, in words: "Set W1 to low".</summary>
    public string Words =>
        string.Join(
            ", ",
            [
                .. Switches.SelectMany(i => i.Value.Select(s => $"Set {s.Key} to {s.Value}")),
                .. Divides.Length > 0 ? [Divides] : (string[])[],
                .. Ways.Select(w => $"Fit {IdText.Plain(w.Key)} by the way {IdText.Plain(w.Value)}"),
            ]
        );

    /// <summary>The moves of one instance's switches.</summary>
    public static Fix Of(InstanceName instance, IReadOnlyDictionary<string, string> moves) =>
        new() { Switches = new Dictionary<string, IReadOnlyDictionary<string, string>> { [instance] = moves } };
}

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
    IReadOnlyList<Subject> Subjects,
    string Text,
    IReadOnlyList<string> Why,
    Fix? Fix = null
)
{
    /// <summary>Its kind's code.</summary>
    public string Code => Kind.Code;

    /// <summary>The station at which it is mended.</summary>
    public StationName Station => Kind.Station;
}
