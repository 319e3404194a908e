using System.Text;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Reference;

/// <summary>
/// The reference marks a field as required if, and only if, a sheet without it is refused: every field of every record that the
/// demo uses is left out once.
/// </summary>
public sealed class RequiredTests
{
    /// <summary>So many sheets without a field are tried: some are refused for another reason.</summary>
    const int Tries = 3;

    [Fact]
    public void What_is_marked_is_what_is_refused_when_it_is_left_out()
    {
        var refused = new Dictionary<(string Record, string Field), List<bool>>();
        var marked = new Dictionary<(string, string), ShapeField>();
        foreach (string file in Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "demo"), "*.json").Order())
        {
            JsonObject pack = JsonNode.Parse(File.ReadAllText(file))!.AsObject();
            foreach ((Shape shape, JsonObject at) in Records(Declaration<PackSheet>.Shape, pack).ToList())
            foreach (ShapeField field in shape.Fields!)
            {
                (string, string) key = (shape.Record!, field.Name);
                List<bool> known = refused.TryGetValue(key, out List<bool>? all) ? all : refused[key] = [];
                marked[key] = field;
                // What must be there in some cases is tried until one of them comes.
                bool enough = field.RequiredIf.Length > 0 ? known.Contains(true) : known.Count >= Tries || known.Contains(false);
                if (enough || !at.ContainsKey(field.Name))
                    continue;
                known.Add(Refuses(pack, at, field.Name));
            }
        }
        string[] wrong =
        [
            .. refused
                .Where(r => r.Value.Count > 0 && marked[r.Key].RequiredIf.Length == 0)
                .Where(r => marked[r.Key].Required != r.Value.All(v => v))
                .Select(r => $"{r.Key.Record}.{r.Key.Field} is {(marked[r.Key].Required ? "" : "not ")}marked"),
        ];
        // What must be there in some cases is refused in one of them, and is not refused always.
        Assert.All(
            refused.Where(r => r.Value.Count > 0 && marked[r.Key].RequiredIf.Length > 0),
            r => Assert.True(r.Value.Contains(true), $"{r.Key.Record}.{r.Key.Field} is never refused")
        );
        Assert.True(wrong.Length == 0, string.Join("\n", wrong));
        Assert.True(refused.Count(r => r.Value.Count > 0) > 200, $"{refused.Count} fields were left out");
    }

    static bool Refuses(JsonObject pack, JsonObject at, string field)
    {
        JsonNode? was = at[field];
        int place = at.IndexOf(field);
        at.Remove(field);
        Reading<Pack> read = Sample.Read(Encoding.UTF8.GetBytes(pack.ToJsonString()));
        string path = at.GetPath()[1..].TrimStart('.');
        at.Insert(place, field, was);
        string name = path.Length == 0 ? field : $"{path}.{field}";
        return read.Errors.Any(e => e.Path == name);
    }

    static IEnumerable<(Shape, JsonObject)> Records(Shape shape, JsonNode? node) =>
        (shape.Kind, node) switch
        {
            (ShapeKind.Object, JsonObject own) => shape
                .Fields!.Where(f => own[f.Name] is not null)
                .SelectMany(f => Records(f.Shape, own[f.Name]))
                .Prepend((shape, own)),
            (ShapeKind.List, JsonArray list) => list.SelectMany(i => Records(shape.Items!, i)),
            (ShapeKind.Map, JsonObject map) => map.SelectMany(m => Records(shape.Items!, m.Value)),
            _ => [],
        };
}
