#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>The card that a job puts into a part, and how it is divided. Source: docs/handbook/storage.md, Partitions.</summary>
public sealed record JobCard : ICompleted<JobCard>
{
    [Required, Display(Description = "The instance of the part that it goes into.")]
    public string On { get; init; } = "";

    [Required, Display(Description = "Its size as the label says: 32 GB.")]
    public string Labelled { get; init; } = "";

    [Display(ShortName = "partition", Description = "Its partitions, in order.")]
    public IReadOnlyList<CardPartition> Partitions { get; init; } = [];

    [Display(Description = "What is chosen for the kit.")]
    public OrderedDictionary<string, string> Choices { get; init; } = [];

    [Display(Description = "What stands on each id, where the part takes several: an image, a title.")]
    public OrderedDictionary<string, string> Ids { get; init; } = [];

    [Display(Description = "How its contents come onto it.")]
    public CardOrigin Origin { get; init; }

    [LongText, Display(Description = "Where they come from: the card that it is cloned from, the image, the discs.")]
    public string From { get; init; } = "";

    /// <inheritdoc/>
    public JobCard Completed(RecordReading read)
    {
        foreach ((string path, string why) in CardPartition.Many(Partitions, CardPartition.Most))
            read.Wrong(path, why);
        return this;
    }
}

/// <summary>How a card's contents came onto it.</summary>
public enum CardOrigin
{
    /// <summary>By the plan.</summary>
    Plan,

    /// <summary>Made by an emulator on another computer.</summary>
    Emulator,

    /// <summary>From the machine's own discs.</summary>
    Discs,

    /// <summary>Cloned from another card.</summary>
    Clone,

    /// <summary>A finished image.</summary>
    Image,
}

/// <summary>A partition of a card: so large, or what is left.</summary>
public sealed record CardPartition : ICompleted<CardPartition>
{
    /// <summary>No card has more, in whatever table.</summary>
    public const int Most = 24;

    /// <summary>What is wrong with how many there are, by their places.</summary>
    public static IEnumerable<(string Path, string Why)> Many(IReadOnlyList<CardPartition> all, int most)
    {
        if (all.Count > most)
            yield return ("partitions", $"are {all.Count}; {most} are allowed");
        if (all.Index().Where(p => p.Item.Rest).Skip(1).Select(p => p.Index).FirstOrDefault() is > 0 and var second)
            yield return ($"partitions[{second}].rest", "stands twice: one partition takes what is left");
    }

    [Required, Display(Description = "Its name.")]
    public string Name { get; init; } = "";

    [RequiredIf("without rest")]
    [NotZero, OrNumber, Usual, Display(Description = "Its size; left out with rest.")]
    public ByteSize? Size { get; init; }

    [Usual, Display(Description = "It takes what is left within what the host can pass.")]
    public bool Rest { get; init; }

    [Usual, Display(Description = "Its file system.")]
    public FileSystem Fs { get; init; }

    [NotZero, OrNumber, Display(Description = "The size of a cluster; left out: the smallest that is valid.")]
    public ByteSize? Cluster { get; init; }

    [Display(Description = "The machine starts from it.")]
    public bool Start { get; init; }

    [Display(Description = "The type byte of a native one in a PC table, as two hex digits; left out: da.")]
    public string? Type { get; init; }

    [OnSheet(Things.Titles), Display(Description = "Titles that it holds.")]
    public IReadOnlyList<string> Holds { get; init; } = [];

    [OrNumber, Display(Description = "Sizes of other files that it holds, in bytes.")]
    public IReadOnlyList<ByteSize> Files { get; init; } = [];

    /// <inheritdoc/>
    public CardPartition Completed(RecordReading read)
    {
        if (Rest && Size is not null)
            read.Wrong("rest", "and \"size\" cannot both be given");
        else if (!Rest && !read.Has("size"))
            read.Wrong("size", "is missing: give a size, or rest");
        if (Type is { } type && (type.Length != 2 || !type.All(char.IsAsciiHexDigit) || type == "00"))
            read.Wrong("type", $"\"{type}\" is not two hex digits of a type");
        return this;
    }
}
