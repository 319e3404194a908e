using System.Text.Json.Nodes;

namespace RustCabin.Core.Declared;

/// <summary>
/// Writes shapes as JSON Schema (draft 2020-12). Records become definitions, each once; <paramref name="at"/> is what refers to
/// one.
/// </summary>
/// <param name="at">What stands before a definition's name in a reference, such as <c>#/$defs/</c>.</param>
public sealed class SchemaWriter(string at)
{
    readonly SortedDictionary<string, JsonObject> _defined = new(StringComparer.Ordinal);

    /// <summary>The definitions that what was written refers to, by name.</summary>
    public JsonObject Definitions() => new(_defined.Select(d => KeyValuePair.Create(d.Key, (JsonNode?)d.Value.DeepClone())));

    /// <summary>The schema of a shape; of a record, a reference to its definition.</summary>
    public JsonObject Of(Shape shape) =>
        shape.Kind switch
        {
            ShapeKind.Object when shape.OrText => AnyOf(Of(Shape.Name), Of(shape with { OrText = false })),
            ShapeKind.Object => Reference(shape),
            ShapeKind.List => new() { ["type"] = "array", ["items"] = Of(shape.Items!) },
            ShapeKind.Map when shape.OrFlag => AnyOf(Of(Shape.Flag), Of(shape with { OrFlag = false })),
            ShapeKind.Map => new() { ["type"] = "object", ["additionalProperties"] = Of(shape.Items!) },
            ShapeKind.Id => new()
            {
                ["type"] = "string",
                ["pattern"] = "^[a-z0-9][a-z0-9-]*$",
                ["maxLength"] = TextLimits.LongestName,
            },
            ShapeKind.Name => new()
            {
                ["type"] = "string",
                ["minLength"] = 1,
                ["maxLength"] = TextLimits.LongestName,
            },
            ShapeKind.Text => new() { ["type"] = "string", ["maxLength"] = TextLimits.Longest },
            ShapeKind.WholeText => new() { ["type"] = "string", ["maxLength"] = TextLimits.LongestWhole },
            ShapeKind.Word => new() { ["enum"] = new JsonArray([.. shape.Words!.Select(w => JsonValue.Create(w))]) },
            ShapeKind.Size or ShapeKind.Address => new() { ["type"] = "string", ["pattern"] = "^(0x[0-9A-Fa-f]+|[0-9]+[KMG]?)$" },
            ShapeKind.SizeOrNumber => AnyOf(Of(Shape.Size), new JsonObject { ["type"] = "number", ["minimum"] = 0 }),
            ShapeKind.Number => new() { ["type"] = "number" },
            ShapeKind.Whole => new() { ["type"] = "integer" },
            ShapeKind.Flag => new() { ["type"] = "boolean" },
            ShapeKind.NameOrNames => AnyOf(Of(Shape.Name), Of(Shape.List(Shape.Name))),
            ShapeKind.NameOrNull => AnyOf(Of(Shape.Name), new JsonObject { ["type"] = "null" }),
            ShapeKind.Any when shape.Choices is { } choices => AnyOf([.. choices.Select(Of)]),
            ShapeKind.Any => [],
            _ => throw new InvalidOperationException($"no schema for {shape.Kind}"),
        };

    /// <summary>The schema of a record itself, with its fields.</summary>
    public JsonObject Fields(Shape shape)
    {
        var properties = new JsonObject();
        foreach (ShapeField field in shape.Fields!)
            properties[field.Name] = Field(field);
        properties["x"] = new JsonObject { ["description"] = "kept and ignored" };
        var schema = new JsonObject
        {
            ["type"] = "object",
            ["properties"] = properties,
            ["additionalProperties"] = false,
        };
        string[] required = [.. shape.Fields!.Where(f => f.Required).Select(f => f.Name)];
        if (required.Length > 0)
            schema["required"] = new JsonArray([.. required.Select(r => JsonValue.Create(r))]);
        return schema;
    }

    JsonObject Field(ShapeField field)
    {
        JsonObject schema = Of(field.Shape);
        string unit = field.Unit.Length > 0 ? $" In {field.Unit}." : "";
        schema["description"] = field.Help + unit;
        if (field.Range is { } range)
        {
            JsonObject bounded = schema;
            while ((bounded["items"] ?? bounded["additionalProperties"]) is JsonObject inner)
                bounded = inner;
            bounded["minimum"] = range.From;
            bounded["maximum"] = range.To;
        }
        return schema;
    }

    JsonObject Reference(Shape shape)
    {
        string name = shape.Record ?? throw new InvalidOperationException("an object without a record");
        if (!_defined.ContainsKey(name))
        {
            _defined[name] = [];
            _defined[name] = Fields(shape);
        }
        return new JsonObject { ["$ref"] = at + name };
    }

    static JsonObject AnyOf(params JsonObject[] some) => new() { ["anyOf"] = new JsonArray([.. some.Select(s => (JsonNode)s)]) };
}
