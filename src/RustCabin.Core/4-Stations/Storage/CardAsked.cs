using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using RustCabin.Core.Cards;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Storage;

/// <summary>What <c>storage/plan</c> and <c>storage/image</c> take: a card, what its host can pass, and its partitions.</summary>
public sealed record CardAsked : ICompleted<CardAsked>
{
    /// <summary>So many files in all at most.</summary>
    public const int MostFiles = 100_000;

    /// <summary>The card as its label says.</summary>
    [Required, Display(Description = "The card as its label says: 32 GB.")]
    public string Card { get; init; } = "";

    /// <summary>What the host can pass.</summary>
    [Display(Description = "What the host can pass.")]
    public HostLimits Host { get; init; } = new();

    /// <summary>The partitions.</summary>
    [Required, Display(Description = "The partitions, in order.")]
    public IReadOnlyList<CardPartition> Partitions { get; init; } = [];

    /// <summary>Reads what a program sent, in which null stands for what is left out.</summary>
    public static Reading<CardAsked> Read(JsonElement json) => Nulls.Read<CardAsked>(json);

    /// <summary>The card divided.</summary>
    public CardLayout Layout =>
        CardLayout.Of(
            CardLabel.Parse(Card, out _)!,
            Host,
            [.. Partitions.Select(p => (p, (IReadOnlyList<long>)[.. p.Files.Select(f => (long)f.Bytes)]))]
        );

    /// <inheritdoc/>
    public CardAsked Completed(RecordReading read)
    {
        if (read.Read("card") && CardLabel.Parse(Card, out string wrong) is null)
            read.Wrong("card", wrong);
        foreach ((string path, string why) in CardPartition.Many(Partitions, CardLayout.MostOf(Host.Table)))
            read.Wrong(path, why);
        if (Partitions.Sum(p => p.Files.Count) > MostFiles)
            read.Wrong("partitions", $"hold more than {MostFiles:#,0} files");
        return this;
    }
}

/// <summary>What <c>storage/names</c> takes.</summary>
public sealed record NamesAsked : ICompleted<NamesAsked>
{
    /// <summary>The rule.</summary>
    [Required, Display(Description = "The rule: 8.3, 31 or 255.")]
    public NameRule Rule { get; init; }

    /// <summary>The names, as they are.</summary>
    [Required, LongText, Display(Description = "The names, as they are.")]
    public IReadOnlyList<string> Names { get; init; } = [];

    /// <inheritdoc/>
    public NamesAsked Completed(RecordReading read)
    {
        if (Names.Count > ShortNames.Most)
            read.Wrong("names", $"are {Names.Count:#,0}; {ShortNames.Most:#,0} are allowed");
        return this;
    }
}
