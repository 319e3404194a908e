using System.Text.Json;

namespace RustCabin.Core.Packs;

/// <summary>One field that differs between two versions of a sheet; null where a side has no such field.</summary>
public sealed record FieldChange(string Path, string? Before, string? After);

/// <summary>
/// Compares two versions of a sheet field by field. Items of lists that carry an <c>id</c> are matched by it, others by their
/// place.
/// </summary>
public static class SheetChanges
{
    /// <summary>The differences, in the order of the older sheet and then of what is new.</summary>
    public static IEnumerable<FieldChange> Between(JsonElement before, JsonElement after, string path = "")
    {
        if (before.ValueKind == JsonValueKind.Object && after.ValueKind == JsonValueKind.Object)
            return Fields(Named(before), Named(after), name => path.Length == 0 ? name : $"{path}.{name}");
        if (before.ValueKind == JsonValueKind.Array && after.ValueKind == JsonValueKind.Array)
            return Fields(Items(before), Items(after), item => $"{path}[{item}]");
        return JsonElement.DeepEquals(before, after) ? [] : [new FieldChange(path, Plain(before), Plain(after))];
    }

    static IEnumerable<FieldChange> Fields(
        OrderedDictionary<string, JsonElement> before,
        OrderedDictionary<string, JsonElement> after,
        Func<string, string> pathOf
    )
    {
        foreach ((string name, JsonElement was) in before)
            if (!after.TryGetValue(name, out JsonElement now))
                yield return new FieldChange(pathOf(name), Plain(was), null);
            else
                foreach (FieldChange change in Between(was, now, pathOf(name)))
                    yield return change;
        foreach ((string name, JsonElement now) in after)
            if (!before.ContainsKey(name))
                yield return new FieldChange(pathOf(name), null, Plain(now));
    }

    static OrderedDictionary<string, JsonElement> Named(JsonElement value) =>
        new(value.EnumerateObject().Select(p => KeyValuePair.Create(p.Name, p.Value)));

    static OrderedDictionary<string, JsonElement> Items(JsonElement list)
    {
        var items = new OrderedDictionary<string, JsonElement>();
        foreach ((int index, JsonElement item) in list.EnumerateArray().Index())
            items[
                item.ValueKind == JsonValueKind.Object
                && item.TryGetProperty("id", out JsonElement id)
                && id.ValueKind == JsonValueKind.String
                && id.GetString() is { } name
                && !items.ContainsKey(name)
                    ? name
                    : $"{index}"
            ] = item;
        return items;
    }

    static string Plain(JsonElement value) => value.ValueKind == JsonValueKind.String ? value.GetString()! : value.GetRawText();
}
