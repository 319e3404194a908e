namespace RustCabin.Core.Declared;

/// <summary>Identifiers as words for a person: <c>lid-off</c> reads <c>lid off</c>.</summary>
public static class IdText
{
    /// <summary>True for what may name a sheet or a thing on it: <c>[a-z0-9][a-z0-9-]*</c>.</summary>
    public static bool Is(string text) =>
        text.Length > 0 && text[0] != '-' && text.All(c => c is (>= 'a' and <= 'z') or (>= '0' and <= '9') or '-');

    /// <summary>With blanks for hyphens.</summary>
    public static string Plain(string id) => id.Replace('-', ' ');

    /// <summary>With a capital letter first.</summary>
    public static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];
}
