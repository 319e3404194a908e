using System.Text.Json;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>
/// One JSON object of a pack while it is read. Every getter names the field it wants, notes what is wrong with it under its
/// path, and goes on, so that one reading tells all errors. <see cref="Read{T}"/> then reports the fields that nobody asked for.
/// </summary>
public sealed class Fields
{
    /// <summary>No text field of a pack is longer.</summary>
    public const int LongestText = 4000;
    const int LongestName = 200;

    readonly JsonElement _object;
    readonly string _path;
    readonly List<SheetError> _errors;
    readonly HashSet<string> _asked = new(StringComparer.Ordinal) { "x" };

    Fields(JsonElement element, string path, List<SheetError> errors) => (_object, _path, _errors) = (element, path, errors);

    /// <summary>Reads one object; null, with an error, when <paramref name="element"/> is none. <c>x</c> is kept for others and never read.</summary>
    public static T? Read<T>(JsonElement element, string path, List<SheetError> errors, Func<Fields, T> read)
        where T : class
    {
        if (element.ValueKind != JsonValueKind.Object)
        {
            errors.Add(new SheetError(path, $"must be an object, not {Kind(element)}"));
            return null;
        }
        var fields = new Fields(element, path, errors);
        T value = read(fields);
        foreach (JsonProperty property in element.EnumerateObject())
            if (!fields._asked.Contains(property.Name))
                fields.Wrong(property.Name, "is not a field of this sheet");
        return value;
    }

    public string PathOf(string name) => _path.Length == 0 ? name : $"{_path}.{name}";

    public void Wrong(string name, string message) => _errors.Add(new SheetError(PathOf(name), message));

    public void WrongHere(string message) => _errors.Add(new SheetError(_path, message));

    public bool Has(string name) => _object.TryGetProperty(name, out _);

    /// <summary>An identifier: <c>[a-z0-9][a-z0-9-]*</c>, at most 200 characters.</summary>
    public string Id(string name) => Optional(name, ReadId) ?? Missing(name, "");

    public string? IdOrNull(string name) => Optional(name, ReadId);

    public IReadOnlyList<string> Ids(string name) => List(name, ReadId);

    /// <summary>A short name as the trade writes it (a switch, a rail, a net, a position): 1 to 200 characters.</summary>
    public string Name(string name) => Optional(name, ReadName) ?? Missing(name, "");

    public string? NameOrNull(string name) => Optional(name, ReadName);

    public IReadOnlyList<string> Names(string name) => List(name, ReadName);

    /// <summary>A list of names in which null stands for an empty place.</summary>
    public IReadOnlyList<string?> NamesOrNulls(string name) =>
        [.. List(name, ReadNameOrNull).Select(n => n.Length == 0 ? null : n)];

    /// <summary>Lists of names with empty places, by the user's own keys.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string?>> NamesOrNullsMap(string name) =>
        Map<IReadOnlyList<string?>>(
            name,
            (e, p) =>
            {
                if (e.ValueKind == JsonValueKind.Array)
                    return [.. ReadList(e, p, ReadNameOrNull).Select(n => n.Length == 0 ? null : n)];
                _errors.Add(new SheetError(p, $"must be a list, not {Kind(e)}"));
                return null;
            }
        );

    string? ReadNameOrNull(JsonElement element, string path) =>
        element.ValueKind == JsonValueKind.Null ? "" : ReadName(element, path);

    /// <summary>Free text, empty when left out.</summary>
    public string Text(string name) => Optional(name, (e, p) => ReadText(e, p, LongestText)) ?? "";

    public IReadOnlyList<string> Texts(string name) => List(name, (e, p) => ReadText(e, p, LongestText));

    public decimal? Number(string name, decimal from, decimal to) =>
        Optional<decimal?>(name, (e, p) => ReadNumber(e, p, from, to));

    public decimal NumberRequired(string name, decimal from, decimal to) => Number(name, from, to) ?? Missing(name, 0m);

    public int? Whole(string name, int from, int to)
    {
        decimal? number = Number(name, from, to);
        if (number is null)
            return null;
        if (number == decimal.Truncate(number.Value))
            return (int)number;
        Wrong(name, $"must be a whole number, not {number}");
        return null;
    }

    public bool? Flag(string name) =>
        Optional<bool?>(
            name,
            (e, p) =>
            {
                if (e.ValueKind is JsonValueKind.True or JsonValueKind.False)
                    return e.GetBoolean();
                _errors.Add(new SheetError(p, $"must be true or false, not {Kind(e)}"));
                return null;
            }
        );

    public Address? AddressOrNull(string name) =>
        Optional<Address?>(
            name,
            (e, p) =>
            {
                if (ReadName(e, p) is not { } text)
                    return null;
                if (Address.TryParse(text, out Address address))
                    return address;
                _errors.Add(new SheetError(p, $"\"{text}\" is not an address"));
                return null;
            }
        );

    public ByteSize? Size(string name) => Optional(name, ReadSize);

    /// <summary>A size as text (<c>512K</c>), or a plain number of bytes.</summary>
    public ByteSize? SizeOrNumber(string name) =>
        _object.TryGetProperty(name, out JsonElement given) && given.ValueKind == JsonValueKind.Number
            ? Number(name, 0, 1L << 41) is { } bytes
                ? new ByteSize((ulong)bytes)
                : null
            : Size(name);

    /// <summary>One word of the kebab-case members of <typeparamref name="T"/>; the error lists them.</summary>
    public T? Word<T>(string name)
        where T : struct, Enum => Optional<T?>(name, ReadWord<T>);

    T? ReadWord<T>(JsonElement element, string path)
        where T : struct, Enum
    {
        if (ReadName(element, path) is not { } word)
            return null;
        if (Words<T>.TryParse(word, out T value))
            return value;
        _errors.Add(new SheetError(path, $"\"{word}\" is not one of {string.Join(", ", Words<T>.All)}"));
        return null;
    }

    public T Require<T>(string name, T? value)
        where T : struct => value ?? Missing(name, default(T));

    public T? Child<T>(string name, Func<Fields, T> read)
        where T : class => Optional(name, (e, p) => Read(e, p, _errors, read));

    public T? ReadChild<T>(JsonElement element, string path, Func<Fields, T> read)
        where T : class => Read(element, path, _errors, read);

    public IReadOnlyList<T> Children<T>(string name, Func<Fields, T> read)
        where T : class => List(name, (e, p) => Read(e, p, _errors, read));

    /// <summary>An object whose field names are the user's own (values of a clue, switch positions); the order of the sheet is kept.</summary>
    public OrderedDictionary<string, T> Map<T>(string name, Func<JsonElement, string, T?> read)
        where T : notnull => Take(name, out JsonElement element) ? ReadMap(element, PathOf(name), read) : [];

    OrderedDictionary<string, T> ReadMap<T>(JsonElement element, string path, Func<JsonElement, string, T?> read)
        where T : notnull
    {
        var map = new OrderedDictionary<string, T>(StringComparer.Ordinal);
        if (element.ValueKind != JsonValueKind.Object)
        {
            _errors.Add(new SheetError(path, $"must be an object, not {Kind(element)}"));
            return map;
        }
        foreach (JsonProperty property in element.EnumerateObject())
            if (read(property.Value, $"{path}.{property.Name}") is { } value)
                map[property.Name] = value;
        return map;
    }

    public OrderedDictionary<string, string> NameMap(string name) => Map(name, ReadName);

    /// <summary>An object of objects of names: switch positions for each instance.</summary>
    public OrderedDictionary<string, OrderedDictionary<string, string>> NameMaps(string name) =>
        Map(name, (e, p) => (OrderedDictionary<string, string>?)ReadMap(e, p, ReadName));

    /// <summary>An object of words of <typeparamref name="T"/>, as <see cref="Word{T}"/> reads them.</summary>
    public OrderedDictionary<string, T> WordMap<T>(string name)
        where T : struct, Enum =>
        new(Map<object>(name, (e, p) => ReadWord<T>(e, p)).Select(pair => KeyValuePair.Create(pair.Key, (T)pair.Value)));

    public OrderedDictionary<string, ByteSize> SizeMap(string name) =>
        new(Map<object>(name, (e, p) => ReadSize(e, p)).Select(pair => KeyValuePair.Create(pair.Key, (ByteSize)pair.Value)));

    public OrderedDictionary<string, decimal> NumberMap(string name, decimal from, decimal to) =>
        new(
            Map<object>(name, (e, p) => ReadNumber(e, p, from, to))
                .Select(pair => KeyValuePair.Create(pair.Key, (decimal)pair.Value))
        );

    /// <summary>A list, or a single value standing for a list of one (positions in <c>when</c>).</summary>
    public IReadOnlyList<string>? OneOrMore(JsonElement element, string path) =>
        element.ValueKind == JsonValueKind.Array ? ReadList(element, path, ReadName)
        : ReadName(element, path) is { } one ? [one]
        : null;

    public IReadOnlyList<T> List<T>(string name, Func<JsonElement, string, T?> read)
    {
        if (!Take(name, out JsonElement element))
            return [];
        if (element.ValueKind == JsonValueKind.Array)
            return ReadList(element, PathOf(name), read);
        Wrong(name, $"must be a list, not {Kind(element)}");
        return [];
    }

    static List<T> ReadList<T>(JsonElement array, string path, Func<JsonElement, string, T?> read)
    {
        var list = new List<T>(array.GetArrayLength());
        int index = 0;
        foreach (JsonElement item in array.EnumerateArray())
            if (read(item, $"{path}[{index++}]") is { } value)
                list.Add(value);
        return list;
    }

    /// <summary>Takes a field that a later station will read, whatever stands in it.</summary>
    public void Later(string name) => _asked.Add(name);

    bool Take(string name, out JsonElement element)
    {
        _asked.Add(name);
        return _object.TryGetProperty(name, out element);
    }

    T? Optional<T>(string name, Func<JsonElement, string, T?> read) =>
        Take(name, out JsonElement element) ? read(element, PathOf(name)) : default;

    T Missing<T>(string name, T instead)
    {
        if (!Has(name))
            Wrong(name, "is missing");
        return instead;
    }

    string? ReadId(JsonElement element, string path)
    {
        if (ReadName(element, path) is not { } text)
            return null;
        if (IsId(text))
            return text;
        _errors.Add(
            new SheetError(path, $"\"{text}\" is not an identifier: small letters, digits and hyphens, a letter or digit first")
        );
        return null;
    }

    /// <summary>True for what may name a sheet or a thing on it: <c>[a-z0-9][a-z0-9-]*</c>.</summary>
    public static bool IsId(string text) =>
        text.Length > 0 && text[0] != '-' && text.All(c => c is (>= 'a' and <= 'z') or (>= '0' and <= '9') or '-');

    public string? ReadName(JsonElement element, string path)
    {
        string? text = ReadText(element, path, LongestName);
        if (text is not { Length: 0 })
            return text;
        _errors.Add(new SheetError(path, "must not be empty"));
        return null;
    }

    string? ReadText(JsonElement element, string path, int longest)
    {
        if (element.ValueKind != JsonValueKind.String)
        {
            _errors.Add(new SheetError(path, $"must be text, not {Kind(element)}"));
            return null;
        }
        string text = element.GetString()!;
        if (text.Length <= longest)
            return text;
        _errors.Add(new SheetError(path, $"is {text.Length} characters long; {longest} are allowed"));
        return null;
    }

    public decimal? ReadNumber(JsonElement element, string path, decimal from, decimal to)
    {
        if (element.ValueKind != JsonValueKind.Number || !element.TryGetDecimal(out decimal number))
            _errors.Add(new SheetError(path, $"must be a number, not {Kind(element)}"));
        else if (number < from || number > to)
            _errors.Add(new SheetError(path, $"must lie from {from} to {to}, not {number}"));
        else
            return number;
        return null;
    }

    ByteSize? ReadSize(JsonElement element, string path)
    {
        if (ReadName(element, path) is not { } text)
            return null;
        if (ByteSize.TryParse(text, out ByteSize size))
            return size;
        _errors.Add(new SheetError(path, $"\"{text}\" is not a size"));
        return null;
    }

    static string Kind(JsonElement element) =>
        element.ValueKind switch
        {
            JsonValueKind.Object => "an object",
            JsonValueKind.Array => "a list",
            JsonValueKind.String => "text",
            JsonValueKind.Number => element.GetRawText() is { Length: < 40 } raw ? raw : "a number out of range",
            JsonValueKind.Null => "null",
            _ => element.GetRawText(),
        };
}
