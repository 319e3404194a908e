using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Wiring;

/// <summary>What <c>pins</c> takes: pins of an outline, as seen from one side.</summary>
public sealed record PinsAsked : ICompleted<PinsAsked>
{
    /// <summary>The outline.</summary>
    [
        Required,
        Display(
            Description = "The outline: DIP, SOIC, PLCC, QFP, HEADER or DSUB with its pins, such as QFP-64 or QFP-100(30,20)."
        )
    ]
    public string Package { get; init; } = "";

    /// <summary>Seen from above or below.</summary>
    [Display(Description = "From where it is seen.")]
    public View View { get; init; } = View.Above;

    /// <summary>The pins asked for.</summary>
    [Range(1, ChipOutline.MostPins), Display(Description = "The pins asked for, from 1.")]
    public IReadOnlyList<decimal> Pins { get; init; } = [];

    /// <summary>The outline itself; it must be one.</summary>
    public ChipOutline Outline =>
        ChipOutline.TryParse(Package, out ChipOutline outline) ? outline : throw new FormatException(Package);

    /// <inheritdoc/>
    public PinsAsked Completed(RecordReading read)
    {
        bool known = ChipOutline.TryParse(Package, out ChipOutline outline);
        if (!known && Package.Length > 0)
            read.Wrong(
                "package",
                $"\"{Package}\" is not an outline: DIP, SOIC, PLCC, QFP, HEADER or DSUB with its pins, such as QFP-64 or "
                    + $"QFP-100(30,20)"
            );
        if (known && Pins.Count > outline.Pins)
        {
            read.Wrong("pins", $"{Pins.Count} are asked for; {Package} has {outline.Pins}");
            return this;
        }
        foreach ((int i, decimal pin) in Pins.Index())
            if (pin != decimal.Truncate(pin) || (known && pin > outline.Pins))
                read.Wrong($"pins[{i}]", $"{Package} has no pin {pin}");
        return this;
    }
}
