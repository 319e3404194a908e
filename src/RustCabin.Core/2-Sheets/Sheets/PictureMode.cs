#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>A picture that a machine or a part puts out. Source: docs/handbook/picture-sound.md, Timing.</summary>
public sealed record PictureMode
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Range(0.001, 10_000), UnitOf("MHz"), Display(Name = "pixel clock", Description = "How many pixels a second.")]
    public decimal PixelClockMHz { get; init; }

    [Required, Range(1, 100_000), Display(Description = "Pixels of a whole line, blanked ones too.")]
    public int PixelsPerLine { get; init; }

    [Required, Range(1, 100_000), Display(Description = "Lines of a whole picture, of an interlaced one both fields together.")]
    public int Lines { get; init; }

    [Display(Description = "Its lines come in two fields.")]
    public bool Interlaced { get; init; }

    [Display(Description = "The part that is seen.")]
    public VisiblePart? Visible { get; init; }

    [Range(0.01, 100), Display(Description = "Width over height of one pixel as it should look.")]
    public decimal PixelAspect { get; init; } = 1;

    [Display(Description = "The sync signals that it has: hsync and vsync, or csync.")]
    public IReadOnlyList<string> Syncs { get; init; } = [];

    [LongText, Display(Name = "comes out at", Description = "Where it comes out.")]
    public string Out { get; init; } = "";

    [OnSheet(Things.Masters), Display(Name = "drawn by", Description = "The master whose memory it is drawn from.")]
    public string? Memory { get; init; }

    [Range(1, 4096), UnitOf("bytes"), Display(Description = "Lines begin at multiples of so many bytes.")]
    public int LineAlign { get; init; } = 1;

    [Range(1, 16), Display(Description = "Pictures that are kept at once.")]
    public int Buffers { get; init; } = 1;

    [Id, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];

    [OnSheet(Things.Switches), Display(Name = "when (switch = position)", Description = "It is there only while these stand so.")]
    public Condition When { get; init; } = Condition.Always;
}

/// <summary>The part of a picture that is seen.</summary>
public sealed record VisiblePart
{
    [Required, Range(1, 16_384), UnitOf("pixels"), Display(Description = "How wide it is.")]
    public int Width { get; init; }

    [Required, Range(1, 16_384), UnitOf("pixels"), Display(Description = "How high it is.")]
    public int Height { get; init; }

    [Required, Range(1, 64), Display(Description = "Bits of a pixel.")]
    public int Bits { get; init; }
}

/// <summary>The colours of a machine or a part. Source: docs/handbook/picture-sound.md, Palettes.</summary>
public sealed record Palette : ICompleted<Palette>
{
    /// <summary>The fewest and the most levels of a channel.</summary>
    public const int Fewest = 2,
        Most = 256;

    [Required, Range(Fewest, Most), Display(Description = "Levels of red, green and blue.")]
    public IReadOnlyList<int> Levels { get; init; } = [];

    [Range(1, 65_536), Display(Description = "How many colours are there at once.")]
    public int AtOnce { get; init; } = 16;

    [LongText, Display(Description = "The machine's own command for an entry, with {n}, {r}, {g} and {b}.")]
    public string Command { get; init; } = "";

    [Display(ShortName = "fixed entry", Description = "Entries that cannot be changed, by their levels.")]
    public IReadOnlyList<PaletteEntry> Fixed { get; init; } = [];

    /// <inheritdoc/>
    public Palette Completed(RecordReading read)
    {
        if (read.Read("levels") && Levels.Count != 3)
            read.Wrong("levels", $"are red, green and blue: three, not {Levels.Count}");
        return this;
    }
}

/// <summary>An entry of a palette: its red, green and blue levels, written <c>[5, 4, 1]</c>.</summary>
public sealed record PaletteEntry(int Red, int Green, int Blue) : IOwnForm<PaletteEntry>
{
    /// <inheritdoc/>
    public static Shape Shape => Shape.List(Shape.Whole);

    /// <inheritdoc/>
    public static PaletteEntry? Read(JsonElement element, SheetReading reading)
    {
        if (
            element.ValueKind == JsonValueKind.Array
            && element.GetArrayLength() == 3
            && element
                .EnumerateArray()
                .All(e => e.ValueKind == JsonValueKind.Number && e.TryGetInt32(out int n) && n is >= 0 and < Palette.Most)
        )
            return new PaletteEntry(element[0].GetInt32(), element[1].GetInt32(), element[2].GetInt32());
        reading.Wrong("must be three levels, such as [0, 0, 0]");
        return null;
    }

    /// <inheritdoc/>
    public static JsonNode? Write(PaletteEntry value) => new JsonArray(value.Red, value.Green, value.Blue);
}

/// <summary>How a converter samples a picture. Source: docs/handbook/picture-sound.md, Sampling.</summary>
public sealed record Sampler
{
    [Required, Range(0.001, 10_000), UnitOf("MHz"), Display(Name = "fastest", Description = "Its fastest clock.")]
    public decimal MaxMHz { get; init; }

    [Range(1, 64), Display(Description = "Samples of a pixel that it can take.")]
    public IReadOnlyList<int> PerPixel { get; init; } = [1];

    [Range(1, 1024), Display(Description = "Phases at which it can sample.")]
    public int Phases { get; init; } = 16;

    [OnSheet(Things.Nets), Display(Description = "Signals that it needs at its site, such as csync.")]
    public IReadOnlyList<string> Needs { get; init; } = [];

    [Display(Description = "It doubles the lines.")]
    public bool Doubles { get; init; }
}

/// <summary>A display of one's own: what it locks onto, and its panel.</summary>
public sealed record Display : ICompleted<Display>
{
    [Display(Description = "What it is called.")]
    public string? Id { get; init; }

    [Required, Range(0.001, 10_000), UnitOf("kHz"), Display(Description = "Lines a second that it locks onto, from and to.")]
    public IReadOnlyList<decimal> LineKHz { get; init; } = [];

    [Required, Range(0.001, 10_000), UnitOf("Hz"), Display(Description = "Fields a second that it locks onto, from and to.")]
    public IReadOnlyList<decimal> FieldHz { get; init; } = [];

    [Range(1, 32_768), UnitOf("pixels"), Display(Description = "Its panel, width and height.")]
    public IReadOnlyList<int> Panel { get; init; } = [];

    [Display(Description = "It weaves two fields.")]
    public bool Interlace { get; init; } = true;

    /// <inheritdoc/>
    public Display Completed(RecordReading read)
    {
        foreach (
            (string name, IReadOnlyList<decimal> range) in ((string, IReadOnlyList<decimal>)[])
                [("lineKHz", LineKHz), ("fieldHz", FieldHz)]
        )
            if (read.Read(name) && (range.Count != 2 || range[0] > range[1]))
                read.Wrong(name, "must be two numbers, the smaller first");
        if (Panel.Count is not (0 or 2))
            read.Wrong("panel", "must be width and height");
        return this;
    }
}
