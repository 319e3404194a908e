using System.Diagnostics.CodeAnalysis;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// What a finding or a mend is about: a part that is fitted (<c>part:fathom</c>), a thing of the machine (<c>model:ram</c>), the
/// unit or the job as a whole. Source: docs/handbook/build.md, Mends by hand.
/// </summary>
public sealed record Subject : IOwnForm<Subject>, IParsable<Subject>
{
    const string PartWord = "part:",
        ModelWord = "model:";

    readonly string _text;

    Subject(string text) => _text = text;

    /// <summary>Nothing was said.</summary>
    public static readonly Subject None = new("");

    /// <summary>The unit as a whole.</summary>
    public static readonly Subject Unit = new("unit");

    /// <summary>The job as a whole.</summary>
    public static readonly Subject Job = new("job");

    /// <summary>A part that is fitted, or is to be.</summary>
    public static Subject Part(InstanceName instance) => new(PartWord + instance);

    /// <summary>A thing of the machine: a claim, a rail, a socket.</summary>
    public static Subject Model(string id) => new(ModelWord + id);

    /// <summary>What a call asked about alone, without a unit: a card, a picture, a device on a bus.</summary>
    public static Subject Asked(string what) => new(what);

    /// <summary>Reads a subject as sheets write it; any text is one.</summary>
    public static Subject Parse(string text) => new(text);

    /// <inheritdoc/>
    public static Subject Parse(string s, IFormatProvider? provider) => Parse(s);

    /// <inheritdoc/>
    public static bool TryParse(
        [NotNullWhen(true)] string? s,
        IFormatProvider? provider,
        [MaybeNullWhen(false)] out Subject result
    ) => (result = s is null ? null : Parse(s)) is not null;

    /// <summary>The id of a thing of the machine; null: it is no such thing.</summary>
    public string? InModel => After(ModelWord);

    /// <summary>
    /// What follows the word <c>part:</c>: the instance in a finding, the part's own thing on its sheet; null: it begins with
    /// something else.
    /// </summary>
    public string? InPart => After(PartWord);

    string? After(string word) => _text.StartsWith(word, StringComparison.Ordinal) ? _text[word.Length..] : null;

    /// <summary>As sheets write it.</summary>
    public override string ToString() => _text;

    /// <inheritdoc/>
    public static Shape Shape => Shape.Name;

    /// <inheritdoc/>
    public static Subject? Read(JsonElement element, SheetReading reading) =>
        new TextCodec(ShapeKind.Name).TryRead(element, reading, out string text) ? Parse(text) : null;

    /// <inheritdoc/>
    public static JsonNode? Write(Subject value) => JsonValue.Create(value._text);
}
