#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>A jumper, DIP switch, rotary switch or solder link with named positions.</summary>
public sealed record Switch : ICompleted<Switch>
{
    [Required, Display(Description = "Its name as printed on the board.")]
    public string Id { get; init; } = "";

    [Display(Description = "What kind of switch.")]
    public SwitchKind Kind { get; init; }

    [LongText, Usual, Display(Description = "What it does, in a word.")]
    public string Label { get; init; } = "";

    [MinLength(1), Usual, Display(Description = "Its positions, by name.")]
    public IReadOnlyList<string> Positions { get; init; } = [];

    [Usual, Display(Description = "The position in which it leaves the factory; left out: the first.")]
    public string Factory { get; init; } = "";

    [Display(Description = "For a line in a file: the file's place on the card.")]
    public string? File { get; init; }

    [Display(Description = "For a line in a file: the line, with {position} where the position stands; left out: it alone.")]
    public string? Line { get; init; }

    [Id, Display(Description = "For a line in a file: the choice of the part's card kit that it makes.")]
    public string? Choice { get; init; }

    /// <summary>The line that stands in the file in a position.</summary>
    public string LineAt(string position) => Line?.Replace("{position}", position, StringComparison.Ordinal) ?? position;

    /// <inheritdoc/>
    public Switch Completed(RecordReading read)
    {
        if (Kind == SwitchKind.File && string.IsNullOrEmpty(File))
            read.Wrong("file", "must be there for a line in a file");
        if (Kind != SwitchKind.File && (File ?? Line ?? Choice) is not null)
            read.Wrong("kind", "must be file where a file, a line or a choice is said");
        if (Positions.Count == 0)
            read.Wrong("positions", "needs at least one position");
        if (Positions.Distinct().Count() != Positions.Count)
            read.Wrong("positions", "names a position twice");
        if (Factory.Length > 0 && Positions.Count > 0 && !Positions.Contains(Factory))
            read.Wrong("factory", $"\"{Factory}\" is not one of its positions");
        return Factory.Length > 0 || Positions.Count == 0 ? this : this with { Factory = Positions[0] };
    }
}

/// <summary>Kinds of switches.</summary>
public enum SwitchKind
{
    Jumper,
    Dip,
    Rotary,
    Link,
    File,
}
