namespace RustCabin.Core.Sheets;

/// <summary>
/// What may stand at one place of a pack: the one description from which the canonical order of an export and the published JSON Schema are
/// both made. <paramref name="Fields"/> is set for objects with known fields, in canonical order; <paramref name="Items"/> for lists and for
/// objects whose field names are the user's own.
/// </summary>
public sealed record Shape(
    ShapeKind Kind,
    IReadOnlyList<ShapeField>? Fields = null,
    Shape? Items = null,
    IReadOnlyList<string>? Words = null
)
{
    public static readonly Shape Id = new(ShapeKind.Id),
        Name = new(ShapeKind.Name),
        Text = new(ShapeKind.Text),
        Size = new(ShapeKind.Size),
        Address = new(ShapeKind.Address),
        Number = new(ShapeKind.Number),
        Whole = new(ShapeKind.Whole),
        Flag = new(ShapeKind.Flag),
        Any = new(ShapeKind.Any),
        NameOrNames = new(ShapeKind.NameOrNames),
        NameOrNull = new(ShapeKind.NameOrNull);

    public static Shape List(Shape items) => new(ShapeKind.List, Items: items);

    public static Shape Map(Shape values) => new(ShapeKind.Map, Items: values);

    public static Shape Word<T>()
        where T : struct, Enum => new(ShapeKind.Word, Words: [.. Sheets.Words<T>.All]);

    /// <summary>An object; a name that ends in <c>!</c> must be there.</summary>
    public static Shape Object(params (string Name, Shape Shape)[] fields) =>
        new(ShapeKind.Object, [.. fields.Select(f => new ShapeField(f.Name.TrimEnd('!'), f.Shape, f.Name.EndsWith('!')))]);
}

public enum ShapeKind
{
    Object,
    List,
    Map,
    Id,
    Name,
    Text,
    Word,
    Size,
    Address,
    Number,
    Whole,
    Flag,
    NameOrNames,
    NameOrNull,
    Any,
}

public sealed record ShapeField(string Name, Shape Shape, bool Required);
