namespace RustCabin.Core.Declared;

/// <summary>
/// What may stand at one place of JSON: derived from the declaration of a record, and what the canonical order of an export,
/// the published schema, the editor and the reference page are all made from. <paramref name="Fields"/> is set for objects with
/// known fields, in canonical order;
/// <paramref name="Items"/> for lists and for objects whose field names are the user's own.
/// </summary>
/// <param name="Kind">What kind of value.</param>
/// <param name="Fields">For an object, its fields.</param>
/// <param name="Items">For a list or a map, what each item is.</param>
/// <param name="Words">For a word, those that there are.</param>
/// <param name="Record">For an object, the name of its record.</param>
public sealed record Shape(
    ShapeKind Kind,
    IReadOnlyList<ShapeField>? Fields = null,
    Shape? Items = null,
    IReadOnlyList<string>? Words = null,
    string? Record = null
)
{
    /// <summary>A name, a text, and the other plain kinds.</summary>
    public static readonly Shape Name = new(ShapeKind.Name),
        Text = new(ShapeKind.Text),
        WholeText = new(ShapeKind.WholeText),
        Id = new(ShapeKind.Id),
        Size = new(ShapeKind.Size),
        Address = new(ShapeKind.Address),
        Number = new(ShapeKind.Number),
        Whole = new(ShapeKind.Whole),
        Flag = new(ShapeKind.Flag),
        Any = new(ShapeKind.Any),
        NameOrNames = new(ShapeKind.NameOrNames),
        NameOrNull = new(ShapeKind.NameOrNull),
        SizeOrNumber = new(ShapeKind.SizeOrNumber);

    /// <summary>A list of such items.</summary>
    public static Shape List(Shape items) => new(ShapeKind.List, Items: items);

    /// <summary>An object whose field names are the user's own.</summary>
    public static Shape Map(Shape values) => new(ShapeKind.Map, Items: values);

    /// <summary>One of the words of <typeparamref name="T"/>.</summary>
    public static Shape Word<T>()
        where T : struct, Enum => new(ShapeKind.Word, Words: [.. Words<T>.All]);

    /// <summary>A plain text may stand for the object, as its main field.</summary>
    public bool OrText { get; init; }

    /// <summary>True or false may stand for the map.</summary>
    public bool OrFlag { get; init; }

    /// <summary>Where any of several forms may stand, those; null elsewhere.</summary>
    public IReadOnlyList<Shape>? Choices { get; init; }

    /// <summary>The field of that name; null: there is none.</summary>
    public ShapeField? Field(string name) => Fields?.FirstOrDefault(f => f.Name == name);
}

/// <summary>
/// Kinds of values. <see cref="NameOrNames"/>: one name, or a list; <see cref="NameOrNull"/>: a name, or null for an empty place.
/// </summary>
public enum ShapeKind
{
    /// <summary>Known fields.</summary>
    Object,

    /// <summary>A list.</summary>
    List,

    /// <summary>Fields of the user's own naming.</summary>
    Map,

    /// <summary>An identifier.</summary>
    Id,

    /// <summary>A name, 1 to 200 characters.</summary>
    Name,

    /// <summary>Free text, up to 4,000 characters.</summary>
    Text,

    /// <summary>A page as it was printed, up to 200,000 bytes.</summary>
    WholeText,

    /// <summary>One of some words.</summary>
    Word,

    /// <summary>A size as text.</summary>
    Size,

    /// <summary>A size as text, or a number of bytes.</summary>
    SizeOrNumber,

    /// <summary>An address as text.</summary>
    Address,

    /// <summary>A number.</summary>
    Number,

    /// <summary>A whole number.</summary>
    Whole,

    /// <summary>True or false.</summary>
    Flag,

    /// <summary>One name, or a list of them.</summary>
    NameOrNames,

    /// <summary>A name, or null for an empty place.</summary>
    NameOrNull,

    /// <summary>Whatever stands there.</summary>
    Any,
}

/// <summary>One field of an object as its property declares it.</summary>
/// <param name="Name">Its name in JSON.</param>
/// <param name="Shape">What may stand in it.</param>
/// <param name="Required">It must be there.</param>
public sealed record ShapeField(string Name, Shape Shape, bool Required)
{
    /// <summary>What a form calls it: the declared name, else its own name in words.</summary>
    public string Label { get; init; } = "";

    /// <summary>What one thing of a list is called; empty: the label without its plural s.</summary>
    public string One { get; init; } = "";

    /// <summary>What it means, in a sentence.</summary>
    public string Help { get; init; } = "";

    /// <summary>The unit of a number; empty: none.</summary>
    public string Unit { get; init; } = "";

    /// <summary>The least and the most that a number may be; null: no bound.</summary>
    public (decimal From, decimal To)? Range { get; init; }

    /// <summary>What it is when it is left out, as a sheet would write it; empty: nothing.</summary>
    public string Otherwise { get; init; } = "";

    /// <summary>The things that may stand in it; null: what the user types.</summary>
    public Things? Things { get; init; }

    /// <summary>In which cases it must be there; empty: always where it is required, else never.</summary>
    public string RequiredIf { get; init; } = "";

    /// <summary>The editor shows it though nothing stands in it.</summary>
    public bool Usual { get; init; }
}
