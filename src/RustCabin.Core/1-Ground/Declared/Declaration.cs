using System.Buffers;
using System.Reflection;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace RustCabin.Core.Declared;

/// <summary>
/// What a record's properties declare of its JSON: reading with every error and its path, writing, changes merged into JSON
/// that is there, and its shape. A property stands under its name in camel case; the order of the properties is the canonical
/// one. A field that is missing leaves the property at its default.
/// </summary>
/// <typeparam name="T">The record.</typeparam>
public static class Declaration<T>
    where T : class, new()
{
    static readonly Field<T>[] Fields =
    [
        .. typeof(T)
            .GetProperties(BindingFlags.Public | BindingFlags.Instance)
            .Where(p => p.SetMethod is not null)
            .OrderBy(p => p.MetadataToken)
            .Select(p => Field<T>.Of(p)),
    ];

    static readonly IReadOnlyList<ShapeField> Declared = [.. Fields.Select(f => f.Declared)];

    /// <summary>What the record looks like in JSON.</summary>
    public static Shape Shape { get; } = new(ShapeKind.Object, Declared, Record: typeof(T).Name);

    /// <summary>Reads a whole body: the value, or every error in it.</summary>
    /// <param name="root">JSON of any kind.</param>
    /// <param name="path">Where it stands, for the errors; empty: it is the whole.</param>
    /// <param name="kept">It is stored already.</param>
    public static Reading<T> Read(JsonElement root, string path = "", bool kept = false)
    {
        var reading = new SheetReading(path) { IsKept = kept };
        try
        {
            T? value = Read(root, reading);
            return Reading<T>.Of(value, reading.Errors);
        }
        catch (TooWrongException)
        {
            return new Reading<T>(null, reading.Errors);
        }
    }

    /// <summary>
    /// Reads one object; null, with an error, when it does not read as one. <c>x</c> is kept for others and never read.
    /// </summary>
    /// <param name="element">JSON of any kind.</param>
    /// <param name="reading">Takes what is wrong.</param>
    public static T? Read(in JsonElement element, SheetReading reading)
    {
        if (element.ValueKind != JsonValueKind.Object)
        {
            reading.Wrong($"must be an object, not {JsonKind.Of(element)}");
            return null;
        }
        JsonElement[] slots = ArrayPool<JsonElement>.Shared.Rent(Fields.Length);
        Span<Given> given = stackalloc Given[Fields.Length];
        given.Clear();
        List<string>? unknown = Sort(element, slots, given);
        var value = new T();
        for (int i = 0; i < Fields.Length; i++)
            if (given[i] != Given.No)
            {
                reading.Into(Fields[i].Declared.Name);
                given[i] = Fields[i].Read(slots[i], reading, value) ? Given.Well : Given.Wrongly;
                reading.Out();
            }
            else if (Fields[i].IsDemanded)
                reading.Wrong(Fields[i].Declared.Name, "is missing");
        if (value is ICompleted<T> open)
            value = open.Completed(new RecordReading(reading, given, Declared));
        foreach (string name in unknown ?? [])
            reading.Wrong(name, "is not a field of this sheet");
        ArrayPool<JsonElement>.Shared.Return(slots, clearArray: true);
        return value;
    }

    /// <summary>
    /// Puts what the object has into the places of the fields; sheets mostly keep the canonical order, so the next field is
    /// looked at first.
    /// </summary>
    static List<string>? Sort(in JsonElement element, JsonElement[] slots, Span<Given> given)
    {
        List<string>? unknown = null;
        int next = 0;
        foreach (JsonProperty property in element.EnumerateObject())
        {
            int at = -1;
            for (int k = 0; k < Fields.Length && at < 0; k++)
            {
                int i = next + k < Fields.Length ? next + k : next + k - Fields.Length;
                if (property.NameEquals(Fields[i].Utf8))
                    at = i;
            }
            if (at >= 0)
                (slots[at], given[at], next) = (property.Value, Given.Wrongly, at + 1 < Fields.Length ? at + 1 : 0);
            else if (!property.NameEquals("x"u8))
                (unknown ??= []).Add(property.Name);
        }
        return unknown;
    }

    /// <summary>Writes a record as a sheet has it; what is as it would be without the field is left out.</summary>
    public static JsonObject Write(T value)
    {
        var json = new JsonObject();
        foreach (Field<T> field in Fields)
            if (field.Write(value) is { } node)
                json[field.Declared.Name] = node;
        return json;
    }

    /// <summary>
    /// The JSON of <paramref name="before"/> with what <paramref name="after"/> changes: everything else in it (sizes as typed,
    /// <c>x</c>, the order of fields) stays as it was.
    /// </summary>
    public static JsonObject Merge(JsonObject json, T before, T after)
    {
        foreach (Field<T> field in Fields)
            field.Merge(json, before, after);
        return json;
    }

    /// <summary>True if both say the same in every field.</summary>
    public static bool Same(T one, T other) => ReferenceEquals(one, other) || Fields.All(f => f.Same(one, other));

    /// <summary>
    /// Reads a sheet, changes it, and gives its JSON with the change; null: the change means nothing to it. The JSON given is
    /// left alone.
    /// </summary>
    /// <exception cref="ArgumentException">The JSON does not read.</exception>
    public static JsonObject? Edit(JsonObject json, Func<T, T?> change)
    {
        using JsonDocument document = JsonDocument.Parse(json.ToJsonString());
        Reading<T> read = Read(document.RootElement, kept: true);
        T before = read.Value ?? throw new ArgumentException(string.Join("; ", read.Errors));
        return change(before) is { } after ? Merge(json.DeepClone().AsObject(), before, after) : null;
    }
}
