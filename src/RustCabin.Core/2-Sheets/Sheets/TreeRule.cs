using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>In which order files get their numbers.</summary>
public enum TreeSort
{
    /// <summary>By their paths.</summary>
    Name,

    /// <summary>By the number that each name begins with.</summary>
    Number,
}

/// <summary>A place that the device itself wants a file in.</summary>
public sealed record TreeSlot
{
    /// <summary>The path.</summary>
    [Required, LongText, Display(Description = "The path of the file.")]
    public string Path { get; init; } = "";

    /// <summary>What it is.</summary>
    [Display(Description = "What stands there.")]
    public string What { get; init; } = "";
}

/// <summary>How the files of a card must lie.</summary>
public sealed record TreeRule : ICompleted<TreeRule>
{
    /// <summary>What stands for the number, the title and the ending of a file.</summary>
    internal const string NumberWord = "{nn}",
        TitleWord = "{title}",
        EndingWord = "{ending}";

    /// <summary>So many slots at most.</summary>
    public const int MostSlots = 100_000;

    /// <summary>The path of a file, with {nn}, {title} and {ending} where those stand.</summary>
    [Required, LongText, Display(Description = "The path of a file, with {nn}, {title} and {ending} where those stand.")]
    public string Pattern { get; init; } = "";

    /// <summary>How many files the card may hold.</summary>
    [Required, Range(1, 100_000), Display(Description = "How many files the card may hold.")]
    public int Most { get; init; }

    /// <summary>The names that the host reads.</summary>
    [Required, Display(Description = "The names that the host reads: 8.3, 31 or 255.")]
    public NameRule Names { get; init; }

    /// <summary>The endings that it opens; empty: any.</summary>
    [Display(Description = "The endings that it opens; left out: any.")]
    public IReadOnlyList<string> Formats { get; init; } = [];

    /// <summary>Places that the device itself wants a file in.</summary>
    [Display(Description = "Places that the device itself wants a file in.")]
    public IReadOnlyList<TreeSlot> Slots { get; init; } = [];

    /// <summary>In which order files get their numbers.</summary>
    [Display(Description = "In which order files get their numbers: by their paths, or by the number that each begins with.")]
    public TreeSort Sort { get; init; }

    /// <inheritdoc/>
    public TreeRule Completed(RecordReading read)
    {
        if (Slots.Count > MostSlots)
            read.Wrong("slots", $"are {Slots.Count:#,0}; {MostSlots:#,0} are allowed");
        if (Unknown(Pattern) is { } word)
            read.Wrong("pattern", $"{{{word}}} is not one of {{nn}}, {{title}}, {{ending}}");
        return this;
    }

    /// <summary>The first word of a pattern that stands for nothing; null: there is none.</summary>
    static string? Unknown(string pattern)
    {
        string left = pattern.Replace(NumberWord, "").Replace(TitleWord, "").Replace(EndingWord, "");
        int open = left.IndexOf('{');
        int close = open < 0 ? -1 : left.IndexOf('}', open);
        return close < 0 ? null : left[(open + 1)..close];
    }
}
