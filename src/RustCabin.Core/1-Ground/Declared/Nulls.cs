using System.Text.Json;
using System.Text.Json.Nodes;

namespace RustCabin.Core.Declared;

/// <summary>Reads what programs send, in which null stands for what is left out.</summary>
public static class Nulls
{
    /// <summary>Reads a record; a field that is null counts as left out.</summary>
    public static Reading<T> Read<T>(JsonElement json)
        where T : class, new() => Declaration<T>.Read(Dropped(json));

    /// <summary>The same without fields that are null.</summary>
    public static JsonElement Dropped(JsonElement json)
    {
        JsonNode? node = JsonNode.Parse(json.GetRawText());
        Drop(node);
        using JsonDocument bare = JsonDocument.Parse(node?.ToJsonString() ?? "null");
        return bare.RootElement.Clone();
    }

    static void Drop(JsonNode? node)
    {
        if (node is JsonArray list)
            foreach (JsonNode? item in list)
                Drop(item);
        if (node is not JsonObject map)
            return;
        foreach (string gone in map.Where(p => p.Value is null).Select(p => p.Key).ToList())
            map.Remove(gone);
        foreach ((string _, JsonNode? value) in map)
            Drop(value);
    }
}
