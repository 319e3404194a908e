using System.Text.Json;
using System.Text.Json.Nodes;

namespace RustCabin.Core.Declared;

/// <summary>Lists. What an item says wrongly is left out of the list.</summary>
sealed class ListCodec<V>(Codec<V> items, bool oneOrMore) : Codec<IReadOnlyList<V>>
{
    public override Shape Shape { get; } = oneOrMore ? Shape.NameOrNames : Shape.List(items.Shape);

    public override bool TryRead(in JsonElement element, SheetReading reading, out IReadOnlyList<V> value)
    {
        value = [];
        if (oneOrMore && element.ValueKind != JsonValueKind.Array)
        {
            bool one = items.TryRead(element, reading, out V single);
            value = one ? [single] : [];
            return one;
        }
        if (element.ValueKind != JsonValueKind.Array)
            return Not("a list", element, reading);
        var list = new List<V>(element.GetArrayLength());
        int index = 0;
        foreach (JsonElement item in element.EnumerateArray())
        {
            reading.Into(index++);
            if (items.TryRead(item, reading, out V one))
                list.Add(one);
            reading.Out();
        }
        value = list;
        return true;
    }

    public override JsonNode? Write(IReadOnlyList<V> value) =>
        oneOrMore && value.Count == 1 ? items.Write(value[0]) : new JsonArray([.. value.Select(items.Write)]);

    public override bool IsNothing(IReadOnlyList<V> value) => value is null || value.Count == 0;

    public override bool Same(IReadOnlyList<V> one, IReadOnlyList<V> other) =>
        ReferenceEquals(one, other) || (one.Count == other.Count && one.Zip(other).All(p => items.Same(p.First, p.Second)));

    /// <summary>
    /// Items that are there still keep their JSON as it stood; one that was changed in its place is merged into its own; the
    /// others are written again.
    /// </summary>
    public override JsonNode? Merge(JsonNode? old, IReadOnlyList<V> before, IReadOnlyList<V> after)
    {
        if (old is not JsonArray json || json.Count != before.Count)
            return Write(after);
        int[] from = [.. Enumerable.Repeat(-1, after.Count)];
        bool[] taken = new bool[before.Count];
        for (int i = 0; i < after.Count; i++)
        for (int k = 0; k < before.Count && from[i] < 0; k++)
            if (
                !taken[k]
                && (
                    typeof(V).IsClass && after[i] is not string
                        ? ReferenceEquals(after[i], before[k])
                        : items.Same(after[i], before[k])
                )
            )
                (from[i], taken[k]) = (k, true);
        int[] left = [.. Enumerable.Range(0, before.Count).Where(k => !taken[k])];
        if (left.Length == from.Count(f => f < 0))
            foreach ((int n, int i) in Enumerable.Range(0, after.Count).Where(i => from[i] < 0).ToArray().Index())
                from[i] = left[n];
        return new JsonArray([
            .. after.Select(
                (item, i) =>
                    from[i] < 0 ? items.Write(item)
                    : items.Same(item, before[from[i]]) ? json[from[i]]?.DeepClone()
                    : items.Merge(json[from[i]]?.DeepClone(), before[from[i]], item)
            ),
        ]);
    }
}

/// <summary>
/// An object whose field names are the user's own (values of a clue, switch positions); the order of the sheet is kept.
/// </summary>
sealed class MapCodec<V, M>(Codec<V> values) : Codec<M>
    where M : class, IReadOnlyDictionary<string, V>
{
    public override Shape Shape { get; } = Shape.Map(values.Shape);

    public override bool TryRead(in JsonElement element, SheetReading reading, out M value)
    {
        var map = new OrderedDictionary<string, V>(StringComparer.Ordinal);
        value = (M)(object)map;
        if (element.ValueKind != JsonValueKind.Object)
            return Not("an object", element, reading);
        foreach (JsonProperty property in element.EnumerateObject())
        {
            reading.Into(property.Name);
            if (values.TryRead(property.Value, reading, out V one))
                map[property.Name] = one;
            reading.Out();
        }
        return true;
    }

    public override JsonNode? Write(M value) =>
        new JsonObject(value.Select(p => KeyValuePair.Create(p.Key, values.Write(p.Value))));

    public override bool IsNothing(M value) => value is null || value.Count == 0;

    public override bool Same(M one, M other) =>
        ReferenceEquals(one, other)
        || (one.Count == other.Count && one.All(p => other.TryGetValue(p.Key, out V? value) && values.Same(p.Value, value)));

    public override JsonNode? Merge(JsonNode? old, M before, M after)
    {
        if (old is not JsonObject json)
            return Write(after);
        foreach (string gone in before.Keys.Where(k => !after.ContainsKey(k)).ToList())
            json.Remove(gone);
        foreach ((string key, V value) in after)
            if (!before.TryGetValue(key, out V? was))
                json[key] = values.Write(value);
            else if (!values.Same(was, value))
                json[key] = values.Merge(json[key]?.DeepClone(), was, value);
        return json;
    }
}
