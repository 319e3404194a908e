using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Pages.Sheets.Fields;

/// <summary>What is wrong at a place.</summary>
/// <param name="Text">In words.</param>
/// <param name="Said">False: nothing stands there yet, so it is asked for and not wrong.</param>
public sealed record Complaint(string Text, bool Said)
{
    /// <summary>How it looks.</summary>
    public string Look => Said ? "wrong" : "unsaid";
}

/// <summary>A piece of a form: one field, or the fields of a thing.</summary>
public abstract record FormPart;

/// <summary>The fields of an object, or of the sheet itself.</summary>
/// <param name="Path">Its place; empty: the sheet.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Open">The fields that are always seen: what must be said, is usual, or is said.</param>
/// <param name="Folded">The others.</param>
/// <param name="Wrong">What is wrong with the object itself.</param>
public sealed record FieldsAt(
    string Path,
    string Name,
    IReadOnlyList<FieldAt> Open,
    IReadOnlyList<FieldAt> Folded,
    IReadOnlyList<Complaint> Wrong
) : FormPart;

/// <summary>A field at its place, with what stands in it.</summary>
public sealed record FieldAt(SheetFields Sheet, string Path, ShapeField Field, JsonNode? Value) : FormPart
{
    public bool IsPlain => FieldInput.IsPlain(Field.Shape);

    public bool IsObject => Field.Shape.Kind == ShapeKind.Object;

    public bool IsItems => IsList(Field.Shape);

    /// <summary>True for things within a thing, which have a frame of their own.</summary>
    public bool IsInner => !IsPlain && Field.Shape.Kind != ShapeKind.Any;

    /// <summary>True for a list of objects.</summary>
    public static bool IsList(Shape shape) => shape is { Kind: ShapeKind.List, Items.Kind: ShapeKind.Object };

    /// <summary>The fields of the object that it is.</summary>
    public FieldsAt Fields => Sheet.Within(Path, Field.Shape, Value);

    /// <summary>The things of the list that it is, each with its place and name.</summary>
    public IEnumerable<(FieldsAt Fields, string Path, string Name)> Items =>
        (Value as JsonArray ?? [])
            .Index()
            .Select(item =>
            {
                string at = $"{Path}[{item.Index}]";
                return (
                    Sheet.Within(at, Field.Shape.Items!, item.Item),
                    at,
                    item.Item is JsonObject o ? SheetFields.NameOf(o) : ""
                );
            });

    /// <summary>What is wrong with the list itself.</summary>
    public IReadOnlyList<Complaint> Wrong => Sheet.Wrong(Path);

    /// <summary>What it is filled with.</summary>
    public FieldInput Input => Sheet.Input(this);

    /// <summary>One thing of the list, with its article.</summary>
    public string A => OneOf(Field);

    /// <summary>One thing of a list, with its article.</summary>
    public static string OneOf(ShapeField field)
    {
        string one =
            field.One.Length > 0 ? field.One
            : field.Shape.Kind != ShapeKind.Object && field.Label.EndsWith('s') ? IdText.Singular(field.Label)
            : field.Label;
        return "aeiou".Contains(one[0]) ? $"an {one}" : $"a {one}";
    }
}
