using System.Text.Json.Nodes;

namespace RustCabin.Web.Tests;

/// <summary>
/// Makes a body as heavy as its schema lets it be: each list and each map of it gets many more of what it holds, under other
/// names, one at a time and all together; each number its largest.
/// </summary>
sealed class Grown(JsonObject schemas)
{
    /// <summary>The places of a body that can grow, as the way to each: names, and 0 for the first of a list.</summary>
    public IReadOnlyList<string[]> Places(JsonNode body, JsonNode schema) => [.. Under(body, schema, [])];

    IEnumerable<string[]> Under(JsonNode? node, JsonNode? schema, string[] way)
    {
        JsonObject? shape = Of(schema);
        switch (node)
        {
            case JsonArray { Count: > 0 } list:
                yield return way;
                foreach (string[] place in Under(list[0], Under(shape, "items"), [.. way, "0"]))
                    yield return place;
                break;
            case JsonObject map when Under(shape, "properties") is null && map.Count > 0:
                yield return way;
                foreach (
                    string[] place in Under(map.First().Value, Under(shape, "additionalProperties"), [.. way, map.First().Key])
                )
                    yield return place;
                break;
            case JsonObject one:
                foreach ((string name, JsonNode? child) in one)
                foreach (string[] place in Under(child, Under(Under(shape, "properties"), name), [.. way, name]))
                    yield return place;
                break;
        }
    }

    static JsonNode? Under(JsonNode? node, string name) => node is JsonObject one ? one[name] : null;

    JsonObject? Of(JsonNode? schema) =>
        (string?)schema?["$ref"] is { } name ? Of(schemas[name.Split('/')[^1]]) : schema as JsonObject;

    /// <summary>The body with so many at one place.</summary>
    /// <param name="body">It stays as it is.</param>
    /// <param name="place">One of <see cref="Places"/>.</param>
    /// <param name="count">How many stand there then.</param>
    /// <param name="alike">They are copies; else their names and numbers differ.</param>
    public static JsonNode At(JsonNode body, string[] place, int count, bool alike)
    {
        JsonNode grown = body.DeepClone();
        JsonNode? at = grown;
        foreach (string name in place)
            at = at is JsonArray list ? list[int.Parse(name)] : at?[name];
        count = (int)Math.Min(count, Letters / (1 + (Size(at) / Math.Max(1, Count(at)))));
        if (at is JsonArray many)
            for (int i = many.Count, n = many.Count; i < count; i++)
                many.Add(Other(many[i % n]!.DeepClone(), alike ? 0 : i));
        else if (at is JsonObject map)
            for (
                (int i, (string Key, JsonNode? Value)[] all) = (map.Count, [.. map.Select(p => (p.Key, p.Value))]);
                i < count;
                i++
            )
                map[$"{all[i % all.Length].Key}{i}"] = all[i % all.Length].Value?.DeepClone();
        return grown;
    }

    /// <summary>No body that a call takes has more letters.</summary>
    const int Letters = 4_500_000;

    static int Size(JsonNode? node) => node?.ToJsonString().Length ?? 0;

    static int Count(JsonNode? node) =>
        node is JsonArray list ? list.Count
        : node is JsonObject map ? map.Count
        : 0;

    static readonly string[] Names = ["id", "name", "place", "item"];

    static JsonNode Other(JsonNode node, int number)
    {
        if (number == 0)
            return node;
        switch (node)
        {
            case JsonObject one:
                foreach (string name in Names)
                    if (one[name] is JsonValue value && value.TryGetValue(out string? text))
                        one[name] = $"{text}{number}";
                return one;
            case JsonValue value when value.TryGetValue(out string? text):
                return JsonValue.Create($"{text}{number}");
            case JsonValue value when value.TryGetValue(out double count):
                return JsonValue.Create(count + number);
            default:
                return node;
        }
    }

    /// <summary>The body with each number of a record at the largest that its schema allows.</summary>
    public JsonNode Largest(JsonNode body, JsonNode schema)
    {
        JsonNode grown = body.DeepClone();
        Raise(grown, schema);
        return grown;
    }

    void Raise(JsonNode? node, JsonNode? schema)
    {
        JsonObject? shape = Of(schema);
        if (node is JsonArray list)
            foreach (JsonNode? item in list)
                Raise(item, Under(shape, "items"));
        if (node is not JsonObject one)
            return;
        foreach ((string name, JsonNode? child) in one.ToList())
            if ((Under(Under(shape, "properties"), name) ?? Under(shape, "additionalProperties")) is not { } of)
                continue;
            else if (child is JsonValue && Under(Of(of), "maximum") is { } most)
                one[name] = most.DeepClone();
            else
                Raise(child, of);
    }
}
