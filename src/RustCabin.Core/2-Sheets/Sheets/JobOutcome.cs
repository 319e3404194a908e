#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>What became of a job. Source: docs/handbook/build.md, Outcome.</summary>
public sealed record JobOutcome : ICompleted<JobOutcome>
{
    [Required, Display(Description = "It works, it works with limits, or it is parked.")]
    public OutcomeKind Kind { get; init; }

    [LongText, Display(Description = "The limits, or what is tried next.")]
    public string Words { get; init; } = "";

    [Display(Name = "until", Description = "The day on which a parked job goes on, 2026-11-26; left out: nobody has said.")]
    public string? On { get; init; }

    /// <summary>The day on which a parked job goes on; null: it is not parked, or nobody has said.</summary>
    public DateOnly? Until => Kind == OutcomeKind.Parked ? Moments.Day(On) : null;

    /// <summary>It rests on a day: parked, and the day has not come. Without a day it rests until it is taken up.</summary>
    public bool Rests(DateOnly today) => Kind == OutcomeKind.Parked && !(Until <= today);

    /// <summary>As people say it.</summary>
    public string Said =>
        (
            Kind switch
            {
                OutcomeKind.Works => "it works",
                OutcomeKind.WithLimits => "it works with limits",
                _ => "parked" + (Until is { } day ? $" until {day:yyyy-MM-dd}" : ""),
            }
        ) + (Words.Length > 0 ? $": {Words}" : "");

    /// <inheritdoc/>
    public JobOutcome Completed(RecordReading read)
    {
        if (On is not null && Moments.Day(On) is null)
            read.Wrong("on", $"\"{On}\" is not a day, such as 2026-11-26");
        return this;
    }
}

/// <summary>How a job came out.</summary>
public enum OutcomeKind
{
    Works,
    WithLimits,
    Parked,
}

/// <summary>A copy that goes out again when its original can be had below a price.</summary>
public sealed record OriginalWanted
{
    [Required, Id, OnSheet(Things.Parts), Display(Description = "The copy.")]
    public string Copy { get; init; } = "";

    [Required, Range(0.01, 10_000_000), Display(Name = "under", Description = "The price below which, in the pack's currency.")]
    public decimal Under { get; init; }
}
