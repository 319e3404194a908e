using System.Globalization;
using System.Text.Json.Nodes;
using RustCabin.Core.Units;

namespace RustCabin.Web.Pages.Tools;

/// <summary>What was typed into the fields of a tool, as calls take it.</summary>
static class TypedLines
{
    /// <summary>A number where the text is one; else the text, which the reading refuses; null where nothing stands.</summary>
    public static JsonNode? Number(string? text) => Number(text, share: false);

    /// <summary>The same, where a number before a percent sign is a hundredth of it.</summary>
    public static JsonNode? NumberOrShare(string? text) => Number(text, (text ?? "").Trim().EndsWith('%'));

    static JsonNode? Number(string? text, bool share)
    {
        string plain = (text ?? "").Trim();
        string figure = share ? plain.TrimEnd('%', ' ') : plain;
        return plain.Length == 0 ? null
            : decimal.TryParse(figure, NumberStyles.Float, CultureInfo.InvariantCulture, out decimal number)
                ? JsonValue.Create(share ? number / 100 : number)
            : JsonValue.Create(plain);
    }

    /// <summary>A text; null where nothing stands.</summary>
    public static JsonNode? Text(string text) => text.Trim().Length == 0 ? null : JsonValue.Create(text.Trim());

    /// <summary>A size in bytes; what is none is handed on as it was typed, and refused.</summary>
    public static JsonNode? Bytes(string text) =>
        ByteSize.TryTyped(text.Trim(), out ByteSize size) ? JsonValue.Create((decimal)size.Bytes) : JsonValue.Create(text);

    /// <summary>Words apart by blanks or commas.</summary>
    public static string[] Words(string text) =>
        text.Split([' ', ',', ';', '\n', '\r', '\t'], StringSplitOptions.RemoveEmptyEntries);

    /// <summary>Lines that hold something, each in its fields, apart by commas, semicolons or tabs.</summary>
    public static IEnumerable<string[]> Rows(string text) => Rows(text, ',', ';', '\t').Where(r => r.Length > 0);

    /// <summary>Lines that hold something, each in its fields.</summary>
    public static IEnumerable<string[]> Rows(string? text, params char[] between) =>
        (text ?? "")
            .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Take(1_001)
            .Select(l => l.Split(between, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries));
}
