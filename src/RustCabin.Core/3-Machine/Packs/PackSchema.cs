using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>
/// The JSON Schema (draft 2020-12) of a pack, made from the declarations of its sheets. docs/schema holds it; a test keeps the
/// two alike.
/// </summary>
public static class PackSchema
{
    static readonly JsonSerializerOptions Layout = new()
    {
        WriteIndented = true,
        NewLine = "\n",
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The schema's text, as docs/schema/pack.schema.json holds it.</summary>
    public static string Text()
    {
        var schemas = new SchemaWriter("#/$defs/");
        var whole = new JsonObject { ["$schema"] = "https://json-schema.org/draft/2020-12/schema", ["title"] = Pack.Format };
        JsonObject pack = schemas.Fields(Declaration<PackSheet>.Shape);
        pack["properties"]!["format"] = new JsonObject { ["const"] = Pack.Format };
        foreach ((string name, JsonNode? value) in pack.ToList())
            whole[name] = value!.DeepClone();
        whole["$defs"] = schemas.Definitions();
        return whole.ToJsonString(Layout) + "\n";
    }
}
