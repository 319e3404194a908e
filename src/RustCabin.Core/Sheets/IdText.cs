namespace RustCabin.Core.Sheets;

/// <summary>Identifiers as words for a person: <c>lid-off</c> reads <c>lid off</c>.</summary>
public static class IdText
{
    public static string Plain(string id) => id.Replace('-', ' ');

    public static string Capital(string text) => text.Length == 0 ? text : char.ToUpperInvariant(text[0]) + text[1..];
}
