#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>A supply rail. Its capacity is its amps times its derating. Source: docs/handbook/fit.md, Power.</summary>
public sealed record Rail
{
    [Required, Display(Description = "Its name, such as +5.")]
    public string Id { get; init; } = "";

    [Required, Range(-1000, 1000), UnitOf("V"), Display(Description = "Its voltage.")]
    public decimal Volts { get; init; }

    [Required, Range(0, 10_000), UnitOf("A"), Display(Description = "What the supply gives on it when new.")]
    public decimal Amps { get; init; }

    [Range(0, 10_000), Usual, UnitOf("A"), Display(Name = "used", Description = "What the bare machine takes of it.")]
    public decimal UsedAmps { get; init; }

    [Range(0.01, 1), Display(Description = "The share that an aged supply still gives.")]
    public decimal Derate { get; init; } = 0.8m;

    [Range(0.001, 1), Display(Description = "The share of its volts that it may be off under load.")]
    public decimal Tolerance { get; init; } = 0.05m;

    [Display(Description = "The linear regulator that makes it; left out: none, or not said.")]
    public LinearRegulator? Regulator { get; init; }

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions that have it; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];
}

/// <summary>A linear regulator: it turns (from - to volts) x amps into heat.</summary>
public sealed record LinearRegulator
{
    [Required, Range(-1000, 1000), UnitOf("V"), Display(Description = "The volts that it is fed.")]
    public decimal FromVolts { get; init; }

    [Required, Range(0.01, 10_000), UnitOf("W"), Display(Description = "The heat that it stands.")]
    public decimal MaxWatts { get; init; }
}

/// <summary>One branch of a rail: a plug, a splitter, a trace, a cable.</summary>
public sealed record PowerPath
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, OnSheet(Things.Rails), Display(Description = "The rail that it branches from.")]
    public string Rail { get; init; } = "";

    [Required, Range(0, 10_000), UnitOf("A"), Display(Description = "What it carries at most.")]
    public decimal Amps { get; init; }

    [Range(0, 10_000), UnitOf("ohm"), Display(Description = "Its resistance there and back.")]
    public decimal Ohms { get; init; }
}

/// <summary>How a case gets rid of heat.</summary>
public sealed record Cooling
{
    [Range(0.001, 1000), Display(Description = "The rise of each watt, for a case without a fan.")]
    public decimal? DegreesPerWatt { get; init; }

    [Range(0.001, 10_000), Display(Description = "Cubic feet a minute that its fan moves.")]
    public decimal? Cfm { get; init; }

    [Required, Range(0.1, 200), UnitOf("degrees"), Display(Description = "The rise above the room that is allowed.")]
    public decimal MaxRise { get; init; }

    [Range(0, 100_000), UnitOf("W"), Display(Description = "What the unit makes by itself.")]
    public decimal OwnWatts { get; init; }
}

/// <summary>What a part takes from a rail.</summary>
public sealed record Draw : ICompleted<Draw>
{
    [Required, OnSheet(Things.Rails), Display(Description = "The rail that it is taken from.")]
    public string Rail { get; init; } = "";

    [Range(0, 10_000), Usual, UnitOf("A"), Display(Name = "typical", Description = "What it mostly takes; left out: as at peak.")]
    public decimal TypicalAmps { get; init; }

    [
        Range(0, 10_000),
        Usual,
        UnitOf("A"),
        Display(Name = "at peak", Description = "The most that it takes; left out: as typically.")
    ]
    public decimal PeakAmps { get; init; }

    [OnSheet(Things.Paths), Display(Description = "The path that it goes through; left out: the board itself.")]
    public string? Path { get; init; }

    [
        OnSheet(Things.Switches),
        Display(Name = "when (switch = position)", Description = "It is taken only while these switches stand so.")
    ]
    public Condition When { get; init; } = Condition.Always;

    /// <inheritdoc/>
    public Draw Completed(RecordReading read)
    {
        bool typical = read.Read("typicalAmps"),
            peak = read.Read("peakAmps");
        if (typical && peak && PeakAmps < TypicalAmps)
            read.Wrong("peakAmps", "must not be less than \"typicalAmps\"");
        return this with { TypicalAmps = typical ? TypicalAmps : PeakAmps, PeakAmps = peak ? PeakAmps : TypicalAmps };
    }
}

/// <summary>A rail that a part brings.</summary>
public sealed record Supply
{
    [Required, OnSheet(Things.Rails), Display(Description = "The rail.")]
    public string Rail { get; init; } = "";

    [Required, Range(0, 10_000), UnitOf("A"), Display(Description = "What it gives on it.")]
    public decimal Amps { get; init; }

    [Display(Description = "It stands in the place of the machine's own.")]
    public bool Replaces { get; init; }

    [Display(Description = "It is a rail of its own, joined to the other only at ground; it feeds what its part draws.")]
    public bool Isolated { get; init; }

    [Range(0.1, 1), Display(Description = "The share of its amps that age leaves.")]
    public decimal Derate { get; init; } = 0.8m;
}

/// <summary>What feeds a part: the rail that its feed pin is joined to, and the volts that it stands there.</summary>
public sealed record Feed : ICompleted<Feed>
{
    [Required, OnSheet(Things.Rails), Display(Description = "The rail that its feed pin is joined to.")]
    public string Rail { get; init; } = "";

    [Required, Range(0, 1000), UnitOf("V"), Display(Description = "The least that it works with.")]
    public decimal MinVolts { get; init; }

    [Required, Range(0, 1000), UnitOf("V"), Display(Description = "The most that it stands.")]
    public decimal MaxVolts { get; init; }

    /// <inheritdoc/>
    public Feed Completed(RecordReading read)
    {
        if (MaxVolts < MinVolts)
            read.Wrong("maxVolts", "must not be less than \"minVolts\"");
        return this;
    }
}

/// <summary>The volts that a board takes from a USB-C supply, no others, and the amps that it wants.</summary>
public sealed record Trigger
{
    [Required, Range(1, 100), UnitOf("V"), Display(Description = "The one voltage that it takes.")]
    public decimal Volts { get; init; }

    [Required, Range(0, 100), UnitOf("A"), Display(Description = "What it wants.")]
    public decimal Amps { get; init; }
}

/// <summary>One fixed profile of a USB-C supply.</summary>
public sealed record UsbProfile
{
    [Required, Range(1, 100), UnitOf("V"), Display(Description = "Its voltage.")]
    public decimal Volts { get; init; }

    [Required, Range(0, 100), UnitOf("A"), Display(Description = "What it gives there.")]
    public decimal Amps { get; init; }
}
