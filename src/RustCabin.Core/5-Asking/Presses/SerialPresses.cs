using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>How serial lines are set. Source: docs/handbook/wiring.md, Serial lines.</summary>
public static class SerialPresses
{
    /// <summary>Keeps a setting of a line between an end of the unit and another end, or a terminal.</summary>
    /// <param name="at">The job.</param>
    /// <param name="a">The end of the unit, by its name.</param>
    /// <param name="b">What is joined to it, by its name.</param>
    /// <param name="speed">In bits a second.</param>
    /// <param name="bits">Data bits, 7 or 8.</param>
    /// <param name="parity">The parity bit.</param>
    public static Press<Job> Set(AtHand at, string a, string b, string? speed, int bits, string? parity)
    {
        string[] ends = [.. SerialEnds.Of(at.After).Append(SerialEnds.Terminal).Select(e => e.Name)];
        if (a == b || !ends.Contains(a) || !ends.Contains(b))
            return Refuse("a", "Nothing was changed: choose two ends that this unit has.");
        if (!TypedNumber.TryParse(speed, out decimal value) || value is < 1 or > 100_000_000)
            return Refuse("speed", $"Nothing was changed: \"{speed}\" is no speed; type 9600.");
        if (bits is not (7 or 8) || !Words<Parity>.TryParse(parity ?? "none", out Parity kind))
            return Gone;
        var line = new SerialSetting
        {
            A = a,
            B = b,
            Speed = value,
            Bits = bits,
            Parity = kind,
        };
        return Change($"Serial line {a} to {b}: {line.Words}", j => WiringEdits.Set(j, line));
    }

    /// <summary>Forgets how a line is set.</summary>
    public static Press<Job> Unset(AtHand at, string a, string b) =>
        at.Job.Lines.Any(l => l.A == a && l.B == b)
            ? Change($"Serial line {a} to {b}: not set", j => WiringEdits.Unset(j, a, b))
            : Gone;
}
