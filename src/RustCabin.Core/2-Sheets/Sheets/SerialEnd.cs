#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// An end of a serial line: its clock over what divides it makes its speeds. Source: docs/handbook/wiring.md, Serial lines.
/// </summary>
public sealed record SerialEnd : ICompleted<SerialEnd>
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Range(0.001, 100_000_000_000), UnitOf("Hz"), Display(Name = "clock", Description = "Its clock.")]
    public decimal ClockHz { get; init; }

    [Required, Range(0.001, 1_000_000), Display(Description = "What always divides the clock, such as 16.")]
    public decimal Divide { get; init; } = 16;

    [Required, Range(1, 100_000_000), Display(Name = "least divisor", Description = "The least divisor that can be set.")]
    public int Least { get; init; } = 1;

    [Required, Range(1, 100_000_000), Display(Name = "largest divisor", Description = "The largest divisor that can be set.")]
    public int Most { get; init; } = 1;

    /// <inheritdoc/>
    public SerialEnd Completed(RecordReading read)
    {
        if (Most < Least)
            read.Wrong("most", $"is {Most}, below the least divisor {Least}");
        return this;
    }
}

/// <summary>A serial line as it is set: both ends alike. Source: docs/handbook/wiring.md, Serial lines.</summary>
public sealed record SerialSetting
{
    [Required, Display(Description = "One end, as it is called.")]
    public string A { get; init; } = "";

    [Required, Display(Description = "The other end, as it is called.")]
    public string B { get; init; } = "";

    [Required, Range(0.001, 100_000_000), Display(Description = "In bits a second.")]
    public decimal Speed { get; init; }

    [Required, Range(7, 8), Display(Description = "Data bits of a frame.")]
    public int Bits { get; init; } = 8;

    [Display(Description = "The parity bit: none, even, odd.")]
    public Parity Parity { get; init; }

    /// <summary>In words.</summary>
    public string Words => $"{Speed:0.##} bits a second, {Bits} data bits, parity {Parity.ToString().ToLowerInvariant()}";
}

/// <summary>The bit that keeps the count of ones.</summary>
public enum Parity
{
    None,
    Even,
    Odd,
}
