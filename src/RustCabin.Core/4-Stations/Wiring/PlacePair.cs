namespace RustCabin.Core.Wiring;

/// <summary>
/// Two places that a meter is held to, written <c>from|to</c>. Source: docs/handbook/wiring.md, Continuity table.
/// </summary>
/// <param name="From">One place, as answers name it.</param>
/// <param name="To">The other.</param>
public readonly record struct PlacePair(string From, string To)
{
    const string LookWord = "probe:";

    /// <summary>Reads a pair; null: the text does not read as one.</summary>
    public static PlacePair? Parse(string text) => text.Split('|') is [var from, var to] ? new(from, to) : null;

    /// <summary>The pair that is looked at; null: it is a look at something else.</summary>
    public static PlacePair? Looked(string look) =>
        look.StartsWith(LookWord, StringComparison.Ordinal) ? Parse(look[LookWord.Length..]) : null;

    /// <summary>How it is named among what is looked at.</summary>
    public string Look => $"{LookWord}{this}";

    /// <summary>The same, measured the other way round.</summary>
    public PlacePair Turned => new(To, From);

    /// <inheritdoc/>
    public override string ToString() => $"{From}|{To}";
}
