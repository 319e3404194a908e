namespace RustCabin.Core.Sheets;

/// <summary>
/// A <c>when</c> of a sheet: holds if every switch named stands in one of the positions listed for it. A key is an own switch of the
/// part, or <c>instance.switch</c> of another. Source: formats.md, Part sheet.
/// </summary>
public sealed record Condition(IReadOnlyList<KeyValuePair<string, IReadOnlyList<string>>> Keys)
{
    public static readonly Condition Always = new([]);

    public static Condition Read(Fields fields) =>
        fields.Map<IReadOnlyList<string>>("when", fields.OneOrMore) is { Count: > 0 } map ? new([.. map]) : Always;

    /// <summary>Whether it holds. <paramref name="positionOf"/> gives the position of a key, or null for a switch that is not there.</summary>
    public bool Holds(Func<string, string?> positionOf) =>
        Keys.All(key => positionOf(key.Key) is { } position && key.Value.Contains(position));

    /// <summary>True if it asks after <paramref name="switchId"/> at all.</summary>
    public bool Names(string switchId) => Keys.Any(key => key.Key == switchId);
}
