using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace RustCabin.Core.Sheets;

/// <summary>The JSON Schema (draft 2020-12) of a pack, made from the same shapes as the canonical order. docs/schema holds it; a test keeps the two alike.</summary>
public static class PackSchema
{
    static readonly JsonSerializerOptions Layout = new()
    {
        WriteIndented = true,
        NewLine = "\n",
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static string Text()
    {
        JsonObject schema = Of(PackShape.Pack);
        schema["properties"]!["format"] = new JsonObject { ["const"] = Pack.Format };
        var whole = new JsonObject { ["$schema"] = "https://json-schema.org/draft/2020-12/schema", ["title"] = Pack.Format };
        foreach ((string name, JsonNode? value) in schema.ToList())
            whole[name] = value!.DeepClone();
        return whole.ToJsonString(Layout) + "\n";
    }

    static JsonObject Of(Shape shape) =>
        shape.Kind switch
        {
            ShapeKind.Object => OfObject(shape),
            ShapeKind.List => new() { ["type"] = "array", ["items"] = Of(shape.Items!) },
            ShapeKind.Map => new() { ["type"] = "object", ["additionalProperties"] = Of(shape.Items!) },
            ShapeKind.Id => new()
            {
                ["type"] = "string",
                ["pattern"] = "^[a-z0-9][a-z0-9-]*$",
                ["maxLength"] = 200,
            },
            ShapeKind.Name => new()
            {
                ["type"] = "string",
                ["minLength"] = 1,
                ["maxLength"] = 200,
            },
            ShapeKind.Text => new() { ["type"] = "string", ["maxLength"] = Fields.LongestText },
            ShapeKind.Word => new() { ["enum"] = new JsonArray([.. shape.Words!.Select(w => JsonValue.Create(w))]) },
            ShapeKind.Size or ShapeKind.Address => new() { ["type"] = "string", ["pattern"] = "^(0x[0-9A-Fa-f]+|[0-9]+[KMG]?)$" },
            ShapeKind.Number => new() { ["type"] = "number" },
            ShapeKind.Whole => new() { ["type"] = "integer" },
            ShapeKind.Flag => new() { ["type"] = "boolean" },
            ShapeKind.NameOrNames => new() { ["anyOf"] = new JsonArray(Of(Shape.Name), Of(Shape.List(Shape.Name))) },
            ShapeKind.NameOrNull => new() { ["anyOf"] = new JsonArray(Of(Shape.Name), new JsonObject { ["type"] = "null" }) },
            _ => [],
        };

    static JsonObject OfObject(Shape shape)
    {
        var properties = new JsonObject();
        foreach (ShapeField field in shape.Fields!)
            properties[field.Name] = Of(field.Shape);
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
}
