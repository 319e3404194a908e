using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Tests;

/// <summary>Typed changes as they are kept: merged into the JSON of the sheet.</summary>
static class Edited
{
    /// <summary>The JSON of a sheet after a change, which must mean something to it.</summary>
    public static JsonObject Of<T>(JsonObject json, Func<T, T?> change)
        where T : class, new() => Declaration<T>.Edit(json, change)!;

    /// <summary>The same for JSON as text.</summary>
    public static JsonObject Of<T>(string json, Func<T, T?> change)
        where T : class, new() => Of(JsonNode.Parse(json)!.AsObject(), change);

    /// <summary>A record from its JSON, which must read without an error.</summary>
    public static T Read<T>(string json)
        where T : class, new()
    {
        using var document = System.Text.Json.JsonDocument.Parse(json);
        Reading<T> reading = Declaration<T>.Read(document.RootElement);
        Assert.Empty(reading.Errors);
        return reading.Value!;
    }
}
