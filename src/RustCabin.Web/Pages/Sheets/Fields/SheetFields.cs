using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Pages.Sheets.Fields;

/// <summary>
/// What a form shows of a sheet, by its declaration: which fields stand open and which behind a fold, what each is called and
/// what is wrong with it. The pages of <c>Fields</c> show it.
/// </summary>
/// <param name="root">What the sheet looks like.</param>
/// <param name="sheet">The sheet.</param>
/// <param name="errors">What is wrong with it.</param>
/// <param name="things">What its fields may name.</param>
public sealed class SheetFields(Shape root, JsonObject sheet, IReadOnlyList<SheetError> errors, ThingsAtHand things)
{
    /// <summary>One section of the sheet: an object's fields, or a list's items.</summary>
    public FieldAt At(string name)
    {
        ShapeField field = root.Field(name) ?? throw new ArgumentException($"\"{name}\" is no field of this sheet", nameof(name));
        return new FieldAt(this, name, field, sheet[name]);
    }

    /// <summary>The plain fields of the sheet itself, without its lists and objects.</summary>
    public FieldsAt Top() => Fields("", root.Fields!.Where(f => FieldInput.IsPlain(f.Shape) && !IsMade(root, f)), sheet, "it");

    /// <summary>One field by its place: <c>claims[0].base</c>.</summary>
    public FieldAt One(string path)
    {
        int dot = path.LastIndexOf('.');
        ShapeField field =
            FormEdit.ShapeAt(root, path[..dot])?.Field(path[(dot + 1)..])
            ?? throw new ArgumentException($"\"{path}\" is no field of this sheet", nameof(path));
        return new FieldAt(this, path, field, JsonPath.Get(sheet, path));
    }

    /// <summary>What a thing says beside the fields that a drawing has.</summary>
    /// <param name="path">The place of the thing.</param>
    /// <param name="drawn">The names of the fields that are drawn.</param>
    public FieldsAt Others(string path, params string[] drawn)
    {
        Shape shape = FormEdit.ShapeAt(root, path) ?? throw new ArgumentException($"\"{path}\" is no place", nameof(path));
        return Within(
            path,
            shape with
            {
                Fields = [.. shape.Fields!.Where(f => !drawn.Contains(f.Name))],
            },
            JsonPath.Get(sheet, path)
        );
    }

    /// <summary>The fields of an object at a place.</summary>
    internal FieldsAt Within(string path, Shape shape, JsonNode? value)
    {
        var here = value as JsonObject;
        return Fields(
            path,
            shape.Fields!.Where(f => !IsMade(shape, f) && !IsDrawn(path, f)),
            here,
            here is null ? "it" : NameOf(here)
        );
    }

    FieldsAt Fields(string path, IEnumerable<ShapeField> fields, JsonObject? here, string name)
    {
        ILookup<bool, FieldAt> open = fields
            .Select(f => new FieldAt(this, path.Length == 0 ? f.Name : $"{path}.{f.Name}", f, here?[f.Name]))
            .ToLookup(f => f.Field.Required || f.Field.Usual || f.Value is not null);
        return new FieldsAt(path, name, [.. open[true]], [.. open[false]], Wrong(path));
    }

    /// <summary>What a thing is called, by its place.</summary>
    public string NameAt(string path) => JsonPath.Get(sheet, path) is JsonObject o ? NameOf(o) : "";

    /// <summary>The lists whose things say on which boards they are.</summary>
    public IEnumerable<ShapeField> OnBoards =>
        Sections.Where(s =>
            FieldAt.IsList(s.Shape) && s.Shape.Items!.Fields!.Any(IsBoards) && sheet[s.Name] is JsonArray { Count: > 0 }
        );

    /// <summary>The lists and objects of the sheet, in canonical order.</summary>
    public IEnumerable<ShapeField> Sections =>
        root.Fields!.Where(f => !FieldInput.IsPlain(f.Shape) && f.Shape.Kind != ShapeKind.Any);

    /// <summary>What is wrong with the thing itself at a place; what holds nothing yet is only not said.</summary>
    internal IReadOnlyList<Complaint> Wrong(string path) =>
        [
            .. errors
                .Where(e => e.Path == path && path.Length > 0)
                .Select(e => new Complaint(e.Message, JsonPath.Get(sheet, path) is JsonArray { Count: > 0 } or JsonObject)),
        ];

    /// <summary>What a plain field is filled with.</summary>
    internal FieldInput Input(FieldAt at) => FieldInput.Of(at, errors, things);

    /// <summary>An identifier that is made of the name beside it is not asked for.</summary>
    static bool IsMade(Shape shape, ShapeField field) => field.Name == "id" && shape.Field("name") is not null;

    /// <summary>The boards that have a thing are ticked in one table for all things, where the sheet itself has
    /// boards.</summary>
    static bool IsBoards(ShapeField field) => field is { Things: Things.Revisions, Shape.Kind: ShapeKind.List };

    bool IsDrawn(string path, ShapeField field) =>
        IsBoards(field) && root.Field("revisions") is not null && path.Count(c => c == '[') == 1 && !path.Contains('.');

    /// <summary>What an item is called: the first of its fields that names it.</summary>
    internal static string NameOf(JsonObject item) =>
        ((string[])["name", "id", "label", "do", "net", "site", "signal", "what", "part", "rail", "claim", "chip"])
            .Select(f => item[f]?.ToString())
            .FirstOrDefault(t => t is { Length: > 0 })
            is { } named
            ? IdText.Is(named)
                ? IdText.Plain(named)
                : named
            : "it";
}
