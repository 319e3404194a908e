#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// Other ways to come by what is wanted, weighed against the job as it is planned. Source: docs/handbook/wants.md, Other ways.
/// </summary>
public sealed record JobWays : ICompleted<JobWays>
{
    /// <summary>So many ways at most beside the job itself.</summary>
    public const int Most = 40;

    [Range(0, 1_000_000), Display(Name = "an hour is worth", Description = "What an hour is worth, in the pack's currency.")]
    public decimal HourWorth { get; init; }

    [Display(ShortName = "way", Description = "The ways that there are beside the job as it is planned.")]
    public IReadOnlyList<JobWay> Ways { get; init; } = [];

    /// <inheritdoc/>
    public JobWays Completed(RecordReading read)
    {
        if (Ways.Count > Most)
            read.Wrong("ways", $"are {Ways.Count}; {Most} are allowed");
        foreach ((int i, JobWay way) in Ways.Index())
            if (Ways.Take(i).Any(w => w.Name == way.Name))
                read.Wrong($"ways[{i}].name", $"\"{way.Name}\" is used twice");
        return this;
    }
}

/// <summary>One way: repair, replace, emulate, another unit, have it done.</summary>
public sealed record JobWay
{
    [Required, Display(Description = "What people call it.")]
    public string Name { get; init; } = "";

    [Range(-1_000_000, 1_000_000), Display(Description = "What it costs; less than nothing: something is sold.")]
    public decimal Money { get; init; }

    [Range(0, 100_000), UnitOf("hours"), Display(Description = "How long it takes.")]
    public decimal Hours { get; init; }

    [Range(0, 1), Display(Description = "The chance that it works at once.")]
    public decimal Chance { get; init; } = 1;

    [Range(0, 100_000), UnitOf("hours"), Display(Description = "How long it takes to mend when it goes wrong.")]
    public decimal MendHours { get; init; }

    [Range(-1_000_000, 1_000_000), Display(Description = "What that costs.")]
    public decimal MendMoney { get; init; }

    [LongText, Display(Description = "What is lost by it.")]
    public string Loses { get; init; } = "";

    [Display(Name = "can be undone", Description = "All of it can be undone.")]
    public bool Undoable { get; init; }
}
