namespace RustCabin.Core.Declared;

/// <summary>The text is an identifier: <c>[a-z0-9][a-z0-9-]*</c>, at most 200 characters.</summary>
[AttributeUsage(AttributeTargets.Property)]
public sealed class IdAttribute : Attribute;

/// <summary>The text is free: it may be empty, and has up to 4,000 characters. Without it a text is a name of 1 to
/// 200.</summary>
[AttributeUsage(AttributeTargets.Property)]
sealed class LongTextAttribute : Attribute;

/// <summary>The text is a whole page as it was printed, of up to 200,000 bytes.</summary>
[AttributeUsage(AttributeTargets.Property)]
sealed class WholeTextAttribute : Attribute;

/// <summary>The unit of a number, as a person reads it: <c>A</c>, <c>mm</c>, <c>minutes</c>.</summary>
/// <param name="sign">Its sign.</param>
[AttributeUsage(AttributeTargets.Property)]
sealed class UnitOfAttribute(string sign) : Attribute
{
    /// <summary>The unit's sign.</summary>
    public string Sign { get; } = sign;
}

/// <summary>The size must not be 0.</summary>
[AttributeUsage(AttributeTargets.Property)]
sealed class NotZeroAttribute : Attribute;

/// <summary>A single value may stand for a list of one.</summary>
[AttributeUsage(AttributeTargets.Property)]
sealed class OneOrMoreAttribute : Attribute;

/// <summary>Null in the list is an empty place.</summary>
[AttributeUsage(AttributeTargets.Property)]
sealed class EmptyPlacesAttribute : Attribute;

/// <summary>A size that may also stand as a plain number of bytes.</summary>
[AttributeUsage(AttributeTargets.Property)]
sealed class OrNumberAttribute : Attribute;

/// <summary>The field must be there in some cases; what is refused is told where the record is completed.</summary>
/// <param name="when">In which, to stand behind "must be there".</param>
[AttributeUsage(AttributeTargets.Property)]
public sealed class RequiredIfAttribute(string when) : Attribute
{
    /// <summary>In which cases: <c>without auto</c>.</summary>
    public string When => when;
}

/// <summary>The editor shows the field though nothing stands in it, since nearly every sheet wants it.</summary>
[AttributeUsage(AttributeTargets.Property)]
public sealed class UsualAttribute : Attribute;

/// <summary>
/// What the sheet says here is the name of a thing that stands on a sheet: the editor offers those, and nothing has to be
/// typed.
/// </summary>
/// <param name="things">Which things.</param>
[AttributeUsage(AttributeTargets.Property)]
sealed class OnSheetAttribute(Things things) : Attribute
{
    /// <summary>Which things.</summary>
    public Things Things { get; } = things;
}

/// <summary>Kinds of things that sheets name and other places of sheets refer to.</summary>
public enum Things
{
    /// <summary>Models of the cabin.</summary>
    Models,

    /// <summary>Parts of the cabin.</summary>
    Parts,

    /// <summary>Units of the cabin.</summary>
    Units,

    /// <summary>Titles of the cabin.</summary>
    Titles,

    /// <summary>Revisions of the model.</summary>
    Revisions,

    /// <summary>Bus masters of the model.</summary>
    Masters,

    /// <summary>Sites of the model, and of the part itself.</summary>
    Sites,

    /// <summary>Rails of the model, and those that the part brings.</summary>
    Rails,

    /// <summary>Claims of the sheet, and of the model with <c>model:</c> before them.</summary>
    Claims,

    /// <summary>Nets of the model's signals.</summary>
    Signals,

    /// <summary>Access levels of the model.</summary>
    Access,

    /// <summary>Pieces of the model that age.</summary>
    Service,

    /// <summary>Firmware of the model.</summary>
    Firmware,

    /// <summary>Openings of the model's case.</summary>
    Openings,

    /// <summary>Power paths of the model and the part.</summary>
    Paths,

    /// <summary>Connector families of the model's sites.</summary>
    Connectors,

    /// <summary>The switches of the part.</summary>
    Switches,

    /// <summary>Types of memory chips of the built-in table.</summary>
    ChipTypes,

    /// <summary>Cautions that the cabin knows.</summary>
    Cautions,

    /// <summary>Regions that models state.</summary>
    Regions,

    /// <summary>Ways of the part named beside it.</summary>
    Ways,

    /// <summary>Circuit boards of the sheet.</summary>
    Boards,

    /// <summary>Chips on the model's boards, and on those of the part.</summary>
    BoardChips,

    /// <summary>Points on the model's boards, and on those of the part.</summary>
    Points,

    /// <summary>Nets of the model, and of the part.</summary>
    Nets,

    /// <summary>Legs of the chip that is named beside them.</summary>
    Legs,

    /// <summary>Legs of the outline that is named beside them, each with a net.</summary>
    LegNets,

    /// <summary>Contacts of a connector in their order, each with a net.</summary>
    ContactNets,

    /// <summary>The signals of a chip's legs, which a standard pinout gives.</summary>
    Pinouts,

    /// <summary>Places of the model and of the part: legs, points, contacts, pads.</summary>
    Places,
}

/// <summary>
/// A record that is adjusted and checked once its fields are read: rules between its fields, defaults that follow from others.
/// </summary>
/// <typeparam name="T">The record itself.</typeparam>
interface ICompleted<out T>
{
    /// <summary>
    /// The record as it stands for the program. <paramref name="read"/> tells which fields were given, and takes what is wrong.
    /// </summary>
    T Completed(RecordReading read);
}

/// <summary>A value with a form of its own in JSON, such as a need, of which each kind has its own field.</summary>
/// <typeparam name="T">The value itself.</typeparam>
interface IOwnForm<T>
    where T : class
{
    /// <summary>What may stand in its place.</summary>
    static abstract Shape Shape { get; }

    /// <summary>Reads it; null, with what is wrong noted, when it does not read as one.</summary>
    static abstract T? Read(System.Text.Json.JsonElement element, SheetReading reading);

    /// <summary>Writes it as a sheet has it; null where nothing need stand.</summary>
    static abstract System.Text.Json.Nodes.JsonNode? Write(T value);
}
