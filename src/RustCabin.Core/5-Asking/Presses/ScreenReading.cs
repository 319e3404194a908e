using RustCabin.Core.Bench;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Presses;

/// <summary>What was typed for a power-up count, line by line.</summary>
static class ScreenReading
{
    /// <summary>The lines, or for each line that could not be taken what is wrong with it.</summary>
    public static (IReadOnlyList<SeenLine> Lines, IReadOnlyDictionary<int, string> Wrong) Parse(
        PowerUpCount expected,
        IReadOnlyList<string> typed
    )
    {
        var lines = new List<SeenLine>();
        var wrong = new Dictionary<int, string>();
        foreach ((int i, CountedLine line) in expected.Lines.Index())
            if (InBytes(typed.ElementAtOrDefault(i) ?? "", line.Bytes) is { } bytes)
                wrong[i] = $"{line.Label}: {typed[i].Trim()} looks like bytes, which are {bytes}; type {bytes.ToSheet()}";
            else if (ByteSize.TryTyped(typed.ElementAtOrDefault(i) ?? "", out ByteSize size))
                lines.Add(new SeenLine { Label = line.Label, Bytes = size });
            else
                wrong[i] =
                    (typed.ElementAtOrDefault(i) ?? "").Trim().Length == 0
                        ? $"{line.Label}: type what the screen shows, 0 if nothing"
                        : $"{line.Label}: \"{typed[i]}\" is not a size; type 4096, 4096K or 4M";
        return (lines, wrong);
    }

    /// <summary>
    /// A plain figure that no machine of this size could count in KiB, and that is a round number of them as bytes; else null.
    /// </summary>
    static ByteSize? InBytes(string typed, ByteSize expected) =>
        ulong.TryParse(typed.Trim().Replace(",", ""), out ulong figure)
        && figure >= 1024
        && figure % 1024 == 0
        && figure > Math.Max(expected.Bytes, 1 << 16) / 64
        && (figure == expected.Bytes || figure >= 1 << 16)
            ? new ByteSize(figure)
            : null;
}
