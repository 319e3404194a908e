using System.Text;
using System.Text.Json.Nodes;

namespace RustCabin.Web.Tests;

/// <summary>What no sound program sends, made from a seed: the same seed makes the same.</summary>
sealed class Odd(Random random)
{
    static readonly string[] Texts =
    [
        "",
        " ",
        "0",
        "-1",
        "1e309",
        "99999999999999999999",
        "NaN",
        "16K",
        "0x10000",
        "$FFFF",
        "null",
        "{",
        "[]",
        "{}",
        "[{\"op\":\"swap\"}]",
        "é",
        "\u0000",
        "\ud83d\ude00",
        "\u202e",
        "a\r\nb",
        "'; drop table job; --",
        "<script>alert(1)</script>",
        "../../etc/passwd",
        "//elsewhere.example/",
        "%00",
        "%",
        "DIP-8",
        "PLCC-0",
        "2026-13-45",
        "true",
        "cpu",
        ":",
        "x:y:z",
        "revisions[x]",
        "models[999999]",
        "U7.999999",
        new string('9', 400),
        new string('(', 3000),
    ];

    public int Next(int below) => random.Next(below);

    public bool Once(int in_) => random.Next(in_) == 0;

    public T Of<T>(IReadOnlyList<T> list) => list[random.Next(list.Count)];

    public string Text() => Of(Texts);

    /// <summary>A value of any kind.</summary>
    public JsonNode? Value() =>
        random.Next(9) switch
        {
            0 => null,
            1 => JsonValue.Create(random.Next(2) == 0),
            2 => JsonValue.Create(random.Next(-2, 70)),
            3 => JsonValue.Create(Of((double[])[0.5, -1, 1e18, 4294967296, 1e308, 2147483648])),
            4 => new JsonArray(),
            5 => new JsonObject(),
            6 => new JsonArray(Value(), Value()),
            7 => new JsonObject { [Of((string[])["id", "x", "size", ""])] = Value() },
            _ => JsonValue.Create(Text()),
        };

    /// <summary>The text of a document with a few places changed; sometimes no document any more.</summary>
    public string Spoilt(JsonNode? document)
    {
        JsonNode? spoilt = document?.DeepClone();
        for (int times = random.Next(3); times >= 0; times--)
            spoilt = Changed(spoilt);
        string text = spoilt?.ToJsonString() ?? "null";
        return random.Next(20) switch
        {
            0 => text[..random.Next(text.Length + 1)],
            1 => text.Insert(random.Next(text.Length + 1), Text()),
            _ => text,
        };
    }

    JsonNode? Changed(JsonNode? root)
    {
        JsonNode?[] places = [.. Under(root)];
        JsonNode? place = Of(places);
        JsonNode? made = random.Next(4) == 0 ? Of(places)?.DeepClone() : Value();
        switch (place?.Parent)
        {
            case JsonObject parent when random.Next(5) == 0:
                parent.Remove(place.GetPropertyName());
                return root;
            case JsonObject parent:
                parent[place.GetPropertyName()] = made;
                return root;
            case JsonArray parent when random.Next(3) == 0:
                parent.Add(place.DeepClone());
                return root;
            case JsonArray parent:
                parent[place.GetElementIndex()] = made;
                return root;
            default:
                return random.Next(50) == 0 ? made : root;
        }
    }

    static IEnumerable<JsonNode?> Under(JsonNode? node)
    {
        yield return node;
        IEnumerable<JsonNode?> children = node switch
        {
            JsonObject o => o.Select(p => p.Value),
            JsonArray a => a,
            _ => [],
        };
        foreach (JsonNode? child in children.Where(c => c is not null))
        foreach (JsonNode? below in Under(child))
            yield return below;
    }

    /// <summary>A value that a schema of the OpenAPI document allows, mostly.</summary>
    /// <param name="schemas">The named schemas.</param>
    public JsonNode? Like(JsonNode? schema, JsonObject schemas, int depth = 0)
    {
        if (schema is not JsonObject s || depth > 9 || random.Next(60) == 0)
            return Value();
        if ((string?)s["$ref"] is { } name)
            return Like(schemas[name.Split('/')[^1]], schemas, depth + 1);
        if ((s["oneOf"] ?? s["anyOf"]) is JsonArray either)
            return Like(Of([.. either]), schemas, depth + 1);
        if (s["enum"] is JsonArray names)
            return Of([.. names])?.DeepClone();
        string? type = s["type"] is JsonArray types ? (string?)Of([.. types]) : (string?)s["type"];
        switch (type)
        {
            case "object":
                var made = new JsonObject();
                if (s["properties"] is JsonObject fields)
                    foreach ((string field, JsonNode? of) in fields)
                        if (random.Next(3) != 0 || s["required"] is JsonArray must && must.Any(m => (string?)m == field))
                            made[field] = Like(of, schemas, depth + 1);
                if (s["additionalProperties"] is JsonObject rest)
                    made[Text()] = Like(rest, schemas, depth + 1);
                return made;
            case "array":
                return new JsonArray([.. Enumerable.Range(0, random.Next(4)).Select(_ => Like(s["items"], schemas, depth + 1))]);
            case "integer":
            case "number":
                return JsonValue.Create(random.Next(-1, 40));
            case "boolean":
                return JsonValue.Create(random.Next(2) == 0);
            case "null":
                return null;
            default:
                return JsonValue.Create(random.Next(3) == 0 ? Text() : Of((string[])["a", "cpu", "16K", "0x4000", "DIP-28"]));
        }
    }

    public byte[] Bytes()
    {
        byte[] bytes = new byte[random.Next(3) == 0 ? 0 : 1 << random.Next(1, 12)];
        random.NextBytes(bytes);
        return random.Next(3) == 0 ? Encoding.UTF8.GetBytes(":10010000214601360121470136007EFE09D2190140\n" + Text()) : bytes;
    }
}
