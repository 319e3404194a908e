using System.ComponentModel.DataAnnotations;
using System.Globalization;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.PictureSound;

/// <summary>What <c>picture/palette</c> takes.</summary>
public sealed record PaletteAsked : ICompleted<PaletteAsked>
{
    /// <summary>So many colours at most.</summary>
    public const int MostWanted = 65_536;

    /// <summary>Levels of red, green and blue.</summary>
    [Required, Range(Palette.Fewest, Palette.Most), Display(Description = "Levels of red, green and blue.")]
    public IReadOnlyList<int> Levels { get; init; } = [];

    /// <summary>The colours that are wanted.</summary>
    [Required, Display(Description = "The colours that are wanted, as #rrggbb.")]
    public IReadOnlyList<string> Wanted { get; init; } = [];

    /// <inheritdoc/>
    public PaletteAsked Completed(RecordReading read)
    {
        if (read.Read("levels") && Levels.Count != 3)
            read.Wrong("levels", $"are red, green and blue: three, not {Levels.Count}");
        if (Wanted.Count > MostWanted)
            read.Wrong("wanted", $"are {Wanted.Count:#,0}; {MostWanted:#,0} are allowed");
        foreach ((int i, string colour) in Wanted.Index())
            if (Colours.Parse(colour) is null)
                read.Wrong($"wanted[{i}]", $"\"{colour}\" is not a colour such as #7a5a30");
        return this;
    }
}

/// <summary>A colour as a machine can show it.</summary>
/// <param name="Entry">Its levels, red, green, blue.</param>
/// <param name="Shown">As it looks, <c>#80662b</c>.</param>
public sealed record NearestColour(IReadOnlyList<int> Entry, string Shown);

/// <summary>Colours that a machine can show. Source: docs/handbook/picture-sound.md, Palettes.</summary>
public static class Colours
{
    /// <summary>How many there are.</summary>
    public static long Count(IReadOnlyList<int> levels) => levels.Aggregate(1L, (all, l) => all * l);

    /// <summary>The nearest entry, channel by channel, halves up.</summary>
    public static NearestColour Nearest(IReadOnlyList<int> levels, string colour)
    {
        int[] wanted = Parse(colour)!,
            entry = [.. wanted.Zip(levels, (c, l) => (2 * c * (l - 1) + 255) / 510)];
        return new NearestColour(entry, Shown(levels, entry));
    }

    /// <summary>How an entry looks.</summary>
    public static string Shown(IReadOnlyList<int> levels, IReadOnlyList<int> entry) =>
        "#"
        + string.Concat(
            entry.Zip(levels, (e, l) => ((2 * e * 255 + l - 1) / (2 * (l - 1))).ToString("x2", CultureInfo.InvariantCulture))
        );

    /// <summary>Red, green and blue of <c>#rrggbb</c>; null: it does not read as one.</summary>
    public static int[]? Parse(string colour) =>
        colour.Length == 7
        && colour[0] == '#'
        && int.TryParse(colour.AsSpan(1), NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out int all)
            ? [all >> 16, (all >> 8) & 0xFF, all & 0xFF]
            : null;

    /// <summary>The machine's own command for an entry.</summary>
    public static string Command(Palette palette, int number, IReadOnlyList<int> entry) =>
        palette
            .Command.Replace("{n}", $"{number}", StringComparison.Ordinal)
            .Replace("{r}", $"{entry[0]}", StringComparison.Ordinal)
            .Replace("{g}", $"{entry[1]}", StringComparison.Ordinal)
            .Replace("{b}", $"{entry[2]}", StringComparison.Ordinal);
}
