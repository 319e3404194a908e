using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>What is written on a burnt device: it must still be known in ten years, out of its machine.</summary>
public static class RomLabel
{
    /// <summary>A label holds so many lines of so many letters.</summary>
    public const int MostLines = 4,
        MostLetters = 24;

    /// <summary>The user's own lines, or the device, the unit and socket, and the firmware with the sum of the file.</summary>
    /// <param name="crc">The file's CRC-32 as hex, where it is known.</param>
    public static IReadOnlyList<string> Lines(PlannedUnit unit, RomPlan plan, string? crc = null) =>
        plan.Label is { } own
            ? [.. own.Split('\n').Select(l => l.Trim()).Where(l => l.Length > 0)]
            :
            [
                .. new[]
                {
                    $"{unit.Model.Name} {plan.Socket}",
                    unit.Unit.Name,
                    $"{plan.Device}{(unit.Firmware is { } firmware ? $", system {firmware}" : "")}",
                    crc is null ? "" : $"crc {crc}",
                }
                    .Where(l => l.Length > 0)
                    .Select(l => l.Length > MostLetters ? l[..MostLetters] : l),
            ];

    /// <summary>Why lines do not go on a label; null: they do.</summary>
    public static string? Wrong(IReadOnlyList<string> lines) =>
        lines.Count > MostLines ? $"a label holds {MostLines} lines"
        : lines.FirstOrDefault(l => l.Length > MostLetters) is { } wide ? $"\"{wide}\" has more than {MostLetters} letters"
        : null;
}
