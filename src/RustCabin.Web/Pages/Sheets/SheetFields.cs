using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Html;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>
/// Writes the fields of a sheet from its declaration: labels, help, units and what may be chosen come from there. A card for
/// each item of a list; what is wrong stands under its field. Every value is encoded: a sheet is data.
/// </summary>
/// <param name="root">What the sheet looks like.</param>
/// <param name="sheet">The sheet.</param>
/// <param name="errors">What is wrong with it.</param>
/// <param name="things">What its fields may name.</param>
public sealed class SheetFields(Shape root, JsonObject sheet, IReadOnlyList<SheetError> errors, ThingsAtHand things)
{
    readonly StringBuilder _html = new();
    FieldInputs Inputs => new(_html, errors, things);

    /// <summary>The fields of one section of the sheet: an object's, or a list's items with a button for one more.</summary>
    public IHtmlContent At(string name)
    {
        _html.Clear();
        ShapeField field = root.Field(name) ?? throw new ArgumentException($"\"{name}\" is no field of this sheet", nameof(name));
        Write(name, field, sheet[name]);
        return new HtmlString(_html.ToString());
    }

    /// <summary>The plain fields of the sheet itself, without its lists and objects.</summary>
    public IHtmlContent Top()
    {
        _html.Clear();
        ILookup<bool, ShapeField> fields = root.Fields!.Where(f => FieldInputs.IsPlain(f.Shape) && !IsMade(root, f))
            .ToLookup(f => f.Required || f.Usual || sheet[f.Name] is not null);
        _html.Append("<div class=\"fields\">");
        foreach (ShapeField field in fields[true])
            Write(field.Name, field, sheet[field.Name]);
        _html.Append("</div>");
        if (fields[false].Any())
            WriteMore("", [.. fields[false]], "it");
        return new HtmlString(_html.ToString());
    }

    /// <summary>The input of one plain field, by its place: <c>claims[0].base</c>.</summary>
    public IHtmlContent One(string path)
    {
        _html.Clear();
        int dot = path.LastIndexOf('.');
        ShapeField field =
            FormEdit.ShapeAt(root, path[..dot])?.Field(path[(dot + 1)..])
            ?? throw new ArgumentException($"\"{path}\" is no field of this sheet", nameof(path));
        Write(path, field, JsonPath.Get(sheet, path));
        return new HtmlString(_html.ToString());
    }

    /// <summary>What a thing says beside the fields that a drawing has.</summary>
    /// <param name="path">The place of the thing.</param>
    /// <param name="drawn">The names of the fields that are drawn.</param>
    public IHtmlContent Others(string path, params string[] drawn)
    {
        _html.Clear();
        Shape shape = FormEdit.ShapeAt(root, path) ?? throw new ArgumentException($"\"{path}\" is no place", nameof(path));
        WriteObject(
            path,
            shape with
            {
                Fields = [.. shape.Fields!.Where(f => !drawn.Contains(f.Name))],
            },
            JsonPath.Get(sheet, path)
        );
        return new HtmlString(_html.ToString());
    }

    /// <summary>What a thing is called, by its place.</summary>
    public string NameAt(string path) => JsonPath.Get(sheet, path) is JsonObject o ? Name(o) : "";

    /// <summary>The lists whose things say on which boards they are.</summary>
    public IEnumerable<ShapeField> OnBoards =>
        Sections.Where(s =>
            IsItems(s.Shape) && s.Shape.Items!.Fields!.Any(IsBoards) && sheet[s.Name] is JsonArray { Count: > 0 }
        );

    /// <summary>An identifier that is made of the name beside it is not asked for.</summary>
    static bool IsMade(Shape shape, ShapeField field) => field.Name == "id" && shape.Field("name") is not null;

    /// <summary>The boards that have a thing are ticked in one table for all things, where the sheet itself has
    /// boards.</summary>
    static bool IsBoards(ShapeField field) => field is { Things: Things.Revisions, Shape.Kind: ShapeKind.List };

    bool IsDrawn(string path, ShapeField field) =>
        IsBoards(field) && root.Field("revisions") is not null && path.Count(c => c == '[') == 1 && !path.Contains('.');

    /// <summary>The lists and objects of the sheet, in canonical order.</summary>
    public IEnumerable<ShapeField> Sections =>
        root.Fields!.Where(f => !FieldInputs.IsPlain(f.Shape) && f.Shape.Kind != ShapeKind.Any);

    void Write(string path, ShapeField field, JsonNode? value)
    {
        if (field.Shape.Kind == ShapeKind.Object)
            WriteObject(path, field.Shape, value);
        else if (IsItems(field.Shape))
            WriteItems(path, field, value as JsonArray);
        else if (FieldInputs.IsPlain(field.Shape))
            Inputs.Write(path, field, value);
        else if (value is not null)
            _html.Append($"<p class=\"muted\">{E(field.Label)}: in the JSON beside</p>");
    }

    static bool IsItems(Shape shape) => shape is { Kind: ShapeKind.List, Items.Kind: ShapeKind.Object };

    void WriteItems(string path, ShapeField field, JsonArray? items)
    {
        Wrong(path);
        Shape shape = field.Shape.Items!;
        _html.Append($"<div class=\"items{(shape.Fields!.Count <= 3 ? " columns" : "")}\">");
        for (int i = 0; i < (items?.Count ?? 0); i++)
        {
            string at = $"{path}[{i}]",
                name = items![i] is JsonObject o ? Name(o) : "";
            _html.Append($"<div class=\"item\" id=\"item-{E(at)}\"><div class=\"item-head\"><b>{E(name)}</b>");
            Button("up", at, "Up", $"Up with {name}", i == 0);
            Button("drop", at, "Take out", $"Take out {name}", false);
            _html.Append("</div>");
            WriteObject(at, shape, items[i]);
            _html.Append("</div>");
        }
        _html.Append("</div>");
        Button("add", path, $"Add {A(field)}", $"Add {A(field)}", false);
    }

    void WriteObject(string path, Shape shape, JsonNode? value)
    {
        Wrong(path);
        var here = value as JsonObject;
        ILookup<bool, ShapeField> fields = shape
            .Fields!.Where(f => !IsMade(shape, f) && !IsDrawn(path, f))
            .ToLookup(f => f.Required || f.Usual || here?[f.Name] is not null);
        _html.Append("<div class=\"fields\">");
        foreach (ShapeField field in fields[true].Where(f => FieldInputs.IsPlain(f.Shape)))
            Write(Sub(path, field.Name), field, here?[field.Name]);
        _html.Append("</div>");
        foreach (ShapeField field in fields[true].Where(f => !FieldInputs.IsPlain(f.Shape) && f.Shape.Kind != ShapeKind.Any))
        {
            string at = Sub(path, field.Name);
            _html.Append($"<fieldset class=\"inner\"><legend>{E(field.Label)}");
            if (field.Shape.Kind == ShapeKind.Object)
                Button("drop", at, "Take out", $"Take out {field.Label}", false);
            _html.Append("</legend>");
            Write(at, field, here?[field.Name]);
            _html.Append("</fieldset>");
        }
        if (fields[false].Any())
            WriteMore(path, [.. fields[false]], here is null ? "it" : Name(here));
    }

    /// <summary>Fields that few sheets want, behind a fold.</summary>
    void WriteMore(string path, IReadOnlyList<ShapeField> fields, string name)
    {
        _html.Append(
            $"<details class=\"more\" id=\"more-{E(path)}\"><summary>more about {E(name)}</summary><div class=\"fields\">"
        );
        foreach (ShapeField field in fields.Where(f => FieldInputs.IsPlain(f.Shape)))
            Write(Sub(path, field.Name), field, null);
        _html.Append("</div>");
        foreach (ShapeField field in fields.Where(f => f.Shape.Kind == ShapeKind.Object || IsItems(f.Shape)))
            Button("add", Sub(path, field.Name), $"Add {A(field)}", $"Add {A(field)} to {name}", false);
        _html.Append("</details>");
    }

    void Wrong(string path)
    {
        foreach (SheetError error in errors.Where(e => e.Path == path && path.Length > 0))
            _html.Append(
                $"<p class=\"{(JsonPath.Get(sheet, path) is JsonArray { Count: > 0 } or JsonObject ? "wrong" : "unsaid")}\">"
                    + $"{E(error.Message)}</p>"
            );
    }

    void Button(string op, string path, string text, string label, bool disabled) =>
        _html.Append(
            $"<button class=\"btn act quiet\" name=\"op\" value=\"{op} {E(path)}\" "
                + $"aria-label=\"{E(label)}\"{(disabled ? " disabled" : "")}>{E(text)}</button>"
        );

    /// <summary>What an item is called: the first of its fields that names it.</summary>
    static string Name(JsonObject item) =>
        ((string[])["name", "id", "label", "do", "net", "site", "signal", "what", "part", "rail", "claim", "chip"])
            .Select(f => item[f]?.ToString())
            .FirstOrDefault(t => t is { Length: > 0 })
            is { } named
            ? IdText.Is(named)
                ? IdText.Plain(named)
                : named
            : "it";

    static string Sub(string path, string field) => path.Length == 0 ? field : $"{path}.{field}";

    /// <summary>One thing of a list, with its article.</summary>
    public static string A(ShapeField field) => One(field) is var one && "aeiou".Contains(one[0]) ? $"an {one}" : $"a {one}";

    static string One(ShapeField field) =>
        field.One.Length > 0 ? field.One
        : field.Shape.Kind != ShapeKind.Object && field.Label.EndsWith('s') ? IdText.Singular(field.Label)
        : field.Label;

    static string E(string text) => HtmlEncoder.Default.Encode(text);
}
