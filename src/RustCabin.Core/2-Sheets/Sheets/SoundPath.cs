#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>A voice or a group of them that comes out at a jack. Source: docs/handbook/picture-sound.md, Sound.</summary>
public sealed record SoundSource
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Display(Name = "goes to", Description = "The jack and its side: jack.left.")]
    public string To { get; init; } = "";

    [Range(0.0001, 1000), UnitOf("V"), Display(Name = "level", Description = "Its level, volts RMS.")]
    public decimal? Rms { get; init; }

    [Range(0, 10_000_000), UnitOf("ohms"), Display(Description = "What lies between it and the jack.")]
    public decimal? Ohms { get; init; }

    [LongText, Display(Name = "listing", Description = "A listing that plays it alone.")]
    public string Plays { get; init; } = "";
}

/// <summary>A jack with the contacts of its sides.</summary>
public sealed record Jack
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [
        OnSheet(Things.Places),
        Display(Description = "The contact of each side as the drawing marks it: left = tip; or the place where its lead ends.")
    ]
    public OrderedDictionary<string, string> Marked { get; init; } = [];
}

/// <summary>An input that feeds several sides.</summary>
public sealed record SoundInput
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Display(Description = "The sides that it feeds: jack.left, jack.right.")]
    public IReadOnlyList<string> To { get; init; } = [];

    [OnSheet(Things.Points), Display(Description = "What joins it to each of them, in their order: a resistor of the board.")]
    public IReadOnlyList<string> Through { get; init; } = [];

    [Range(0, 10_000_000), UnitOf("ohms"), Display(Description = "The resistor to each side.")]
    public decimal? Ohms { get; init; }

    [Range(0, 10_000_000), UnitOf("ohms"), Display(Name = "load", Description = "What stands from each side to ground.")]
    public decimal? LoadOhms { get; init; }
}

/// <summary>What an amplifier gives.</summary>
public sealed record Amplifier
{
    [Required, Range(0.0001, 100_000), UnitOf("W"), Display(Description = "The most that it gives.")]
    public decimal Watts { get; init; }

    [Required, Range(0.0001, 100_000), UnitOf("ohms"), Display(Description = "The least that it may be loaded with.")]
    public decimal MinOhms { get; init; }

    [Range(0.0001, 1000), UnitOf("V"), Display(Name = "level", Description = "Its level, volts RMS.")]
    public decimal? Rms { get; init; }
}

/// <summary>A speaker.</summary>
public sealed record SoundLoad
{
    [Required, Range(0.0001, 100_000), UnitOf("ohms"), Display(Description = "Its ohms.")]
    public decimal Ohms { get; init; }

    [Range(0.0001, 100_000), UnitOf("W"), Display(Description = "The most that it stands.")]
    public decimal? Watts { get; init; }
}

/// <summary>How speakers are joined.</summary>
public enum SpeakersWired
{
    Series,
    Parallel,
}

/// <summary>What a job knows of the picture: the mode, the display, what was saved and which colours are wanted.</summary>
public sealed record PictureRecord
{
    [Display(Description = "The mode, as pictures name it; left out: the first.")]
    public string? Mode { get; init; }

    [Display(Description = "The display that it is seen on.")]
    public Display? Display { get; init; }

    [Range(1, 1_000_000), Display(Description = "Samples of a line that the converter is set to; left out: as many as pixels.")]
    public int? SamplesPerLine { get; init; }

    [Range(0, 1023), Display(Description = "The phase that was saved.")]
    public int? Phase { get; init; }

    [Display(Description = "On what the phase was seen to stand still.")]
    public TakenOn? On { get; init; }

    [Display(ShortName = "colour", Description = "Colours that are wanted, as #rrggbb, entry by entry.")]
    public IReadOnlyList<string> Colours { get; init; } = [];
}

/// <summary>What a job knows of the sound: on which sides each side was heard when it played alone.</summary>
public sealed record SoundRecord : ICompleted<SoundRecord>
{
    /// <summary>The two sides.</summary>
    public const string Left = "left",
        Right = "right";

    /// <inheritdoc/>
    public SoundRecord Completed(RecordReading read)
    {
        foreach ((string side, IReadOnlyList<string> on) in Heard)
        foreach (string no in on.Prepend(side).Where(s => s is not (Left or Right)).Distinct())
            read.WrongIfNew($"heard.{side}", $"\"{no}\" is not left or right");
        return this;
    }

    [OneOrMore, Display(Description = "For each side played alone, the sides on which it was heard.")]
    public OrderedDictionary<string, IReadOnlyList<string>> Heard { get; init; } = [];

    [Display(Description = "On what the sides were heard.")]
    public TakenOn? On { get; init; }

    [Display(Description = "How the speakers are joined.")]
    public SpeakersWired Wired { get; init; }
}
