using System.Buffers;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>
/// Writes a pack in its canonical form: fields in the order of its declaration, the user's own names and <c>x</c> as they
/// stood, numbers, addresses and sizes as typed, two spaces, LF, a line end at the end. What was written so, read and written
/// again, gives equal bytes.
/// </summary>
public static class CanonicalPack
{
    static readonly JsonWriterOptions Layout = new()
    {
        Indented = true,
        IndentSize = 2,
        NewLine = "\n",
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The canonical bytes of a pack that reads without error.</summary>
    public static byte[] Write(JsonElement pack)
    {
        var buffer = new ArrayBufferWriter<byte>();
        using (var writer = new Utf8JsonWriter(buffer, Layout))
            Write(writer, pack, Declaration<PackSheet>.Shape);
        buffer.Write("\n"u8);
        return buffer.WrittenSpan.ToArray();
    }

    /// <summary>The canonical bytes of one sheet.</summary>
    public static byte[] Write(System.Text.Json.Nodes.JsonObject sheet, Shape shape)
    {
        using JsonDocument document = JsonDocument.Parse(sheet.ToJsonString());
        var buffer = new ArrayBufferWriter<byte>();
        using (var writer = new Utf8JsonWriter(buffer, Layout))
            Write(writer, document.RootElement, shape);
        return buffer.WrittenSpan.ToArray();
    }

    static void Write(Utf8JsonWriter writer, JsonElement value, Shape shape)
    {
        switch (value.ValueKind)
        {
            case JsonValueKind.Object:
                writer.WriteStartObject();
                foreach ((string name, JsonElement child, Shape of) in Ordered(value, shape))
                {
                    writer.WritePropertyName(name);
                    Write(writer, child, of);
                }
                writer.WriteEndObject();
                break;
            case JsonValueKind.Array:
                writer.WriteStartArray();
                foreach (JsonElement item in value.EnumerateArray())
                    Write(writer, item, shape.Items ?? Shape.Any);
                writer.WriteEndArray();
                break;
            case JsonValueKind.Number:
                writer.WriteRawValue(value.GetRawText(), skipInputValidation: true);
                break;
            default:
                value.WriteTo(writer);
                break;
        }
    }

    static IEnumerable<(string Name, JsonElement Value, Shape Shape)> Ordered(JsonElement value, Shape shape)
    {
        if (shape.Fields is not { } fields)
            return value.EnumerateObject().Select(p => (p.Name, p.Value, shape.Items ?? Shape.Any));
        return fields
            .Where(f => value.TryGetProperty(f.Name, out _))
            .Select(f => (f.Name, value.GetProperty(f.Name), f.Shape))
            .Concat(
                value.EnumerateObject().Where(p => fields.All(f => f.Name != p.Name)).Select(p => (p.Name, p.Value, Shape.Any))
            );
    }

    /// <summary>
    /// A pack of sheets that are JSON each, put together as they stand; <paramref name="sheets"/> gives those of a kind (model,
    /// part, unit, job, title).
    /// </summary>
    public static byte[] Compose(string currency, Func<string, IEnumerable<string>> sheets)
    {
        var json = new StringBuilder($$"""{"format":"{{Pack.Format}}","currency":"{{currency}}" """);
        foreach (SheetKind kind in SheetKind.All)
            json.Append(",\"").Append(kind.Plural).Append("\":[").AppendJoin(',', sheets(kind.Name)).Append(']');
        return Encoding.UTF8.GetBytes(json.Append('}').ToString());
    }
}
