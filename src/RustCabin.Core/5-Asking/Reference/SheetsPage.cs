using System.Text;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;

namespace RustCabin.Core.Reference;

/// <summary>Writes docs/sheets.md, the reference of every field of every sheet, from their declarations.</summary>
public static class SheetsPage
{
    /// <summary>The page's text.</summary>
    public static string Text()
    {
        var page = new StringBuilder(
            """
            # Sheets, field by field

            Every field that a pack may hold, in canonical order. How the sheets of a machine hang together is told in
            [packs.md](packs.md); the same as JSON Schema is
            [schema/pack.schema.json](schema/pack.schema.json). A star marks what must be there, one in brackets what must be
            there in some cases. Unknown fields are an error, except under `x`, which is kept and ignored.

            This page is written from the declarations (`./cabin docs`): one property of a record in
            `src/RustCabin.Core/2-Sheets/Sheets` says all of a field.

            """
        );
        var told = new HashSet<string>();
        var ahead = new Queue<Shape>([Declaration<PackSheet>.Shape]);
        while (ahead.TryDequeue(out Shape? shape))
        {
            if (!told.Add(shape.Record!))
                continue;
            page.Append($"\n## {Title(shape)}\n\n| field | holds | means |\n| --- | --- | --- |\n");
            foreach (ShapeField field in shape.Fields!)
            {
                page.Append($"| `{field.Name}`{Star(field)} | {Holds(field)} | {Means(field)} |\n");
                foreach (Shape inner in Records(field.Shape))
                    ahead.Enqueue(inner);
            }
        }
        return page.ToString();
    }

    /// <summary>How a field is marked that must be there, always or in some cases.</summary>
    static string Star(ShapeField field) =>
        field.Required ? " *"
        : field.RequiredIf.Length > 0 ? " (*)"
        : "";

    /// <summary>A record's name without what only the code needs of it.</summary>
    static string Title(Shape shape) => shape.Record == nameof(PackSheet) ? "Pack" : shape.Record!;

    static IEnumerable<Shape> Records(Shape shape) =>
        shape.Kind switch
        {
            ShapeKind.Object => [shape],
            ShapeKind.List or ShapeKind.Map => Records(shape.Items!),
            _ => shape.Choices ?? [],
        };

    static string Means(ShapeField field)
    {
        string range =
            field.Range is { } r && r != (decimal.MinValue, decimal.MaxValue)
                ? $" {r.From:#,0.######} to {r.To:#,0.######}."
                : "";
        string otherwise = field.Otherwise.Length > 0 ? $" Left out: `{field.Otherwise}`." : "";
        string unit = field.Unit.Length > 0 ? $" In {field.Unit}." : "";
        string must = field.RequiredIf.Length > 0 ? $" Must be there {field.RequiredIf}." : "";
        return $"{field.Help}{must}{unit}{range}{otherwise}";
    }

    static string Holds(ShapeField field) =>
        Holds(field.Shape) + (field.Things is { } things ? $" of {things.ToString().ToLowerInvariant()}" : "");

    static string Holds(Shape shape) =>
        shape.Kind switch
        {
            ShapeKind.Object when shape.OrText => $"[{shape.Record}](#{shape.Record!.ToLowerInvariant()}) or text",
            ShapeKind.Object => $"[{shape.Record}](#{shape.Record!.ToLowerInvariant()})",
            ShapeKind.List => $"list: {Holds(shape.Items!)}",
            ShapeKind.Map when shape.OrFlag => $"true or false, or {Holds(shape with { OrFlag = false })}",
            ShapeKind.Map => $"by name: {Holds(shape.Items!)}",
            ShapeKind.Id => "identifier",
            ShapeKind.Name => "name",
            ShapeKind.Text => "text",
            ShapeKind.Word => string.Join(", ", shape.Words!.Select(w => $"`{w}`")),
            ShapeKind.Size => "size",
            ShapeKind.SizeOrNumber => "size, or bytes",
            ShapeKind.Address => "address",
            ShapeKind.Number => "number",
            ShapeKind.Whole => "whole number",
            ShapeKind.Flag => "true or false",
            ShapeKind.NameOrNames => "name, or list of names",
            ShapeKind.NameOrNull => "name, or null",
            ShapeKind.Any when shape.Choices is { } choices => string.Join(" or ", choices.Select(Holds)),
            ShapeKind.Any => "anything",
            _ => throw new InvalidOperationException($"no words for {shape.Kind}"),
        };
}
