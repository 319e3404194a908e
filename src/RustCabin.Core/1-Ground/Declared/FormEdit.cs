using System.Globalization;
using System.Text.Json.Nodes;

namespace RustCabin.Core.Declared;

/// <summary>
/// What the fields of a form make of a sheet: the text that a field shows for what stands at its place, and the JSON that a
/// text means. A text that does not mean what its place wants is put there as it was typed, so that the reader's error tells,
/// and nothing typed is lost.
/// </summary>
public static class FormEdit
{
    /// <summary>The shape of a place of a sheet; null where the path does not lead to one.</summary>
    public static Shape? ShapeAt(Shape root, string path)
    {
        Shape? shape = root;
        foreach (string step in path.Replace("[", ".[").Split('.', StringSplitOptions.RemoveEmptyEntries))
            shape = shape switch
            {
                { Kind: ShapeKind.Object } when step[0] != '[' => shape.Field(step)?.Shape,
                { Kind: ShapeKind.List } when step[0] == '[' => shape.Items,
                _ => null,
            };
        return shape;
    }

    /// <summary>
    /// What a field shows: lists with commas, maps a line each as <c>key = value</c>, flags as yes and no, nothing as nothing.
    /// </summary>
    public static string Text(Shape shape, JsonNode? value) =>
        (shape.Kind, value) switch
        {
            (_, null) => "",
            (ShapeKind.List, JsonArray list) when shape.Items!.Kind == ShapeKind.List => string.Join(
                "\n",
                list.Select(l => Text(shape.Items, l))
            ),
            (ShapeKind.List, JsonArray list) => string.Join(", ", list.Select(Plain)),
            (ShapeKind.NameOrNames, JsonArray list) => string.Join(", ", list.Select(Plain)),
            (ShapeKind.Map, JsonObject map) => string.Join("\n", map.Select(p => $"{p.Key} = {Text(shape.Items!, p.Value)}")),
            (ShapeKind.Flag or ShapeKind.Map, JsonValue flag) when flag.TryGetValue(out bool on) => on ? "yes" : "no",
            _ => Plain(value),
        };

    static string Plain(JsonNode? node) =>
        node is JsonValue value && value.TryGetValue(out string? text) ? text : node?.ToJsonString() ?? "";

    /// <summary>The JSON that a text means at a place of this shape; null for an empty text.</summary>
    public static JsonNode? Parse(Shape shape, string text)
    {
        text = text.Replace("\r\n", "\n").Trim();
        if (text.Length == 0)
            return null;
        switch (shape.Kind)
        {
            case ShapeKind.Number or ShapeKind.Whole:
                return decimal.TryParse(
                    text.Replace(',', '.'),
                    NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
                    CultureInfo.InvariantCulture,
                    out decimal number
                )
                    ? JsonValue.Create(number)
                    : JsonValue.Create(text);
            case ShapeKind.Flag:
                return text is "yes" ? JsonValue.Create(true)
                    : text is "no" ? JsonValue.Create(false)
                    : JsonValue.Create(text);
            case ShapeKind.List when shape.Items!.Kind == ShapeKind.List:
                return new JsonArray([
                    .. text.Split(['\n', ';'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                        .Select(line => Parse(shape.Items, line)),
                ]);
            case ShapeKind.List:
                return new JsonArray([.. Items(text).Select(item => Parse(shape.Items!, item))]);
            case ShapeKind.NameOrNames:
                string[] names = [.. Items(text)];
                return names.Length == 1
                    ? JsonValue.Create(names[0])
                    : new JsonArray([.. names.Select(n => JsonValue.Create(n))]);
            case ShapeKind.Size or ShapeKind.SizeOrNumber:
                // Sizes as the pages show them, 16 KiB or 4,352 KiB, are put down as sheets write them.
                return JsonValue.Create(Units.ByteSize.TrySpoken(text, out Units.ByteSize size) ? size.ToSheet() : text);
            case ShapeKind.Map when shape.OrFlag && text is "yes" or "no":
                return JsonValue.Create(text == "yes");
            case ShapeKind.Map:
                return ParseMap(shape, text);
            default:
                return JsonValue.Create(text);
        }
    }

    static IEnumerable<string> Items(string text) =>
        text.Split([',', '\n'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    static JsonObject ParseMap(Shape shape, string text)
    {
        var map = new JsonObject();
        foreach (string line in text.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            int at = line.LastIndexOf('=');
            string key = (at < 0 ? line : line[..at]).Trim();
            if (key.Length > 0)
                map[key] = at < 0 ? JsonValue.Create("") : Parse(shape.Items!, line[(at + 1)..]) ?? JsonValue.Create("");
        }
        return map;
    }

    /// <summary>
    /// Puts what was typed at each place into the sheet; places whose text is what they show already are left alone. Values of
    /// one place that came apart (ticks) are taken as a list.
    /// </summary>
    public static JsonObject Apply(JsonObject sheet, Shape root, IEnumerable<(string Path, IReadOnlyList<string> Values)> typed)
    {
        JsonObject edited = sheet.DeepClone().AsObject();
        foreach ((string path, IReadOnlyList<string> values) in typed)
        {
            if (ShapeAt(root, path) is not { } shape)
                continue;
            string text = values.Count == 1 ? values[0] : string.Join(", ", values.Where(v => v.Length > 0));
            if (text.Replace("\r\n", "\n").Trim() == Text(shape, JsonPath.Get(edited, path)).Trim())
                continue;
            if (shape.Kind == ShapeKind.Id && path.EndsWith("].id", StringComparison.Ordinal))
                Name(edited, root, path, text);
            else
                JsonPath.Put(edited, path, Parse(shape, text));
        }
        return edited;
    }

    /// <summary>
    /// A thing of a list is called otherwise. Its id is made from the name, and whatever of the sheet names the thing goes
    /// along.
    /// </summary>
    static void Name(JsonObject sheet, Shape root, string path, string name)
    {
        string was = Plain(JsonPath.Get(sheet, path));
        if (name.Trim() == IdText.Plain(was))
            return;
        string id = IdText.Of(name);
        JsonPath.Put(sheet, path, Parse(Shape.Id, id.Length > 0 ? id : name));
        string list = path[..path.LastIndexOf('[')];
        list = list[(list.LastIndexOf('.') + 1)..];
        if (id.Length > 0 && was.Length > 0 && ThingsOf(list) is { } things)
            Rename(sheet, root, things, was, id);
    }

    /// <summary>The things that a list of a sheet holds, as fields ask for them; null: no field does.</summary>
    static Things? ThingsOf(string list) =>
        list == "chips" ? Things.BoardChips
        : Enum.TryParse(list, ignoreCase: true, out Things things) ? things
        : null;

    /// <summary>In every field that names such things, one name becomes another.</summary>
    static void Rename(JsonNode? node, Shape shape, Things things, string was, string name)
    {
        if (node is JsonObject fields && shape.Kind == ShapeKind.Object)
            foreach (ShapeField field in shape.Fields!)
                if (field.Things == things && fields[field.Name] is { } named)
                    fields[field.Name] = Renamed(named, was, name);
                else
                    Rename(fields[field.Name], field.Shape, things, was, name);
        else if (node is JsonArray items && shape is { Kind: ShapeKind.List, Items: { } of })
            foreach (JsonNode? item in items)
                Rename(item, of, things, was, name);
    }

    static JsonNode? Renamed(JsonNode? value, string was, string name) =>
        value switch
        {
            JsonArray list => new JsonArray([.. list.Select(v => Renamed(v?.DeepClone(), was, name))]),
            JsonObject map => new JsonObject(
                map.Select(p => KeyValuePair.Create(p.Key == was ? name : p.Key, Renamed(p.Value?.DeepClone(), was, name)))
            ),
            JsonValue text when Plain(text) == was => JsonValue.Create(name),
            _ => value?.DeepClone(),
        };

    /// <summary>
    /// Sets switches of a condition or a setting, each given as <c>switch=position</c>; an empty position takes the switch out.
    /// Others that stand there stay.
    /// </summary>
    public static void Stand(JsonObject sheet, string path, IReadOnlyList<string> stands)
    {
        foreach (string one in stands)
        {
            int at = one.LastIndexOf('=');
            if (at < 1)
                continue;
            string place = $"{path}[\"{one[..at]}\"]",
                position = one[(at + 1)..];
            if (position != Text(Shape.NameOrNames, JsonPath.Get(sheet, place)))
                JsonPath.Put(sheet, place, Parse(Shape.NameOrNames, position));
        }
    }

    /// <summary>
    /// The sheet with every plain text that stands for an object written as that object, so that each of its fields has a
    /// place.
    /// </summary>
    public static void Spread(JsonNode? node, Shape shape)
    {
        if (node is JsonObject fields && shape.Kind == ShapeKind.Object)
            foreach (ShapeField field in shape.Fields!)
                Spread(fields[field.Name], field.Shape);
        else if (node is JsonArray items && shape is { Kind: ShapeKind.List, Items: { } of })
            for (int i = 0; i < items.Count; i++)
                if (of.OrText && items[i] is JsonValue text)
                    items[i] = new JsonObject { [of.Fields!.First(f => f.Usual).Name] = text.DeepClone() };
                else
                    Spread(items[i], of);
    }

    /// <summary>
    /// A new thing of a shape, its required fields filled with something that reads, to be changed: ids are free among
    /// <paramref name="taken"/>.
    /// </summary>
    public static JsonNode Blank(Shape shape, string noun, ISet<string> taken) =>
        shape.Kind switch
        {
            ShapeKind.Object => new JsonObject(
                shape
                    .Fields!.Where(f => f.Required)
                    .Select(f => KeyValuePair.Create(f.Name, (JsonNode?)Blank(f.Shape, f.Name == "id" ? noun : f.Name, taken)))
            ),
            ShapeKind.List => new JsonArray(),
            ShapeKind.Map => new JsonObject(),
            ShapeKind.Number or ShapeKind.Whole => JsonValue.Create(1),
            ShapeKind.Flag => JsonValue.Create(true),
            ShapeKind.Word => JsonValue.Create(shape.Words![0]),
            ShapeKind.Size or ShapeKind.SizeOrNumber => JsonValue.Create("64K"),
            ShapeKind.Address => JsonValue.Create("0x0000"),
            _ => JsonValue.Create(Free(noun, taken)),
        };

    static string Free(string noun, ISet<string> taken) =>
        Enumerable.Range(1, int.MaxValue).Select(n => $"{noun}-{n}").First(id => !taken.Contains(id));
}
