using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// A <c>when</c> of a sheet: holds if every switch named stands in one of the positions listed for it. A key is an own switch
/// of the part, or <c>instance.switch</c> of another. Source: docs/packs.md, Conditions.
/// </summary>
/// <param name="Keys">Switches with the positions that do.</param>
public sealed record Condition(IReadOnlyList<KeyValuePair<string, IReadOnlyList<string>>> Keys) : IOwnForm<Condition>
{
    static readonly MapCodec<IReadOnlyList<string>, OrderedDictionary<string, IReadOnlyList<string>>> Form = new(
        new ListCodec<string>(new TextCodec(ShapeKind.Name), oneOrMore: true)
    );

    /// <summary>Holds whatever stands where.</summary>
    public static readonly Condition Always = new([]);

    /// <inheritdoc/>
    public static Shape Shape => Form.Shape;

    /// <inheritdoc/>
    public static Condition? Read(JsonElement element, SheetReading reading) =>
        Form.TryRead(element, reading, out var map) && map.Count > 0 ? new Condition([.. map]) : Always;

    /// <inheritdoc/>
    public static JsonNode? Write(Condition value) => value.Keys.Count == 0 ? null : Form.Write(new(value.Keys));

    /// <summary>
    /// Whether it holds. <paramref name="positionOf"/> gives the position of a key, or null for a switch that is not there.
    /// </summary>
    public bool Holds(Func<string, string?> positionOf) =>
        Keys.All(key => positionOf(key.Key) is { } position && key.Value.Contains(position));

    /// <summary>True if it asks after <paramref name="switchId"/> at all.</summary>
    public bool Names(string switchId) => Keys.Any(key => key.Key == switchId);
}
