using RustCabin.Core.Rom;

namespace RustCabin.Core.Presses;

/// <summary>The eraser's lamp as it is set: dose in Ws/cm2, intensity in mW/cm2, what the lamp still gives in percent.</summary>
/// <param name="Dose">What the device wants.</param>
/// <param name="Intensity">What a new lamp gives at that distance.</param>
/// <param name="Lamp">What this lamp still gives of it.</param>
/// <param name="Heeded">The caution was ticked.</param>
public sealed record LampForm(string? Dose, string? Intensity, string? Lamp, bool Heeded)
{
    /// <summary>How long the lamp burns; false: <paramref name="wrong"/> says what is wrong with which field.</summary>
    public bool TryRead(out int seconds, out string wrong)
    {
        seconds = 0;
        wrong = "tick the caution first";
        if (!Heeded)
            return false;
        wrong = $"\"{Dose}\" is not a dose in Ws/cm2; type 15";
        if (!TypedNumber.TryParse(Dose, out decimal dose) || dose is <= 0 or > 1000)
            return false;
        wrong = $"\"{Intensity}\" is not an intensity in mW/cm2; type 12";
        if (!TypedNumber.TryParse(Intensity, out decimal intensity) || intensity is <= 0 or > 1000)
            return false;
        wrong = $"\"{Lamp}\" is not what the lamp still gives; type a share from 1 to 100 %";
        if (!TypedNumber.TryParse(Lamp, out decimal share) || share is <= 0 or > 100)
            return false;
        seconds = (int)Math.Ceiling(Erasing.Seconds(dose, intensity, share / 100));
        wrong = $"{seconds:#,0} s are more than a lamp is good for. Put the device nearer, or change the lamp";
        return seconds <= 1_000_000;
    }
}
