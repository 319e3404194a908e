namespace RustCabin.Core.Chips;

/// <summary>
/// A pinout that every maker keeps to, chosen by the number of its chip. Source: docs/handbook/memory.md, Other chips.
/// </summary>
/// <param name="Name">The number.</param>
/// <param name="What">What the chip is.</param>
/// <param name="Legs">The signal of each leg, leg 1 first; n is not connected, / active low.</param>
public sealed record StandardPinout(string Name, string What, IReadOnlyList<string> Legs)
{
    /// <summary>Every pinout of the tables: memory, ROM devices, all other chips.</summary>
    public static IReadOnlyList<StandardPinout> All { get; } =
    [
        .. ChipType
            .ForBanks.Where(t => t.Legs is not null)
            .Select(t => new StandardPinout(t.Numbers[0], $"{t.Family} {t.Organisation}", t.Legs!)),
        .. RomDevice.All.Select(d => new StandardPinout(d.Name, $"ROM of {d.Bytes / 1024} KiB", d.Pins)),
        .. LogicChip.All.Where(c => c.Legs.Count > 3).Select(c => new StandardPinout(c.Number, c.What, c.Legs)),
    ];

    /// <summary>Those with so many legs.</summary>
    public static IEnumerable<StandardPinout> With(int legs) => All.Where(p => p.Legs.Count == legs);

    /// <summary>A pinout by what a person types: a number, or a whole marking; null: none is known.</summary>
    public static StandardPinout? Find(string typed)
    {
        string text = typed.Trim();
        if (All.FirstOrDefault(p => p.Name.Equals(text, StringComparison.OrdinalIgnoreCase)) is { } known)
            return known;
        if (RomDevice.Find(text) is { } device)
            return All.First(p => p.Name == device.Name);
        return LogicMarking.Read(text) is [{ Pins: > 3 } logic, ..] ? new StandardPinout(logic.Number, logic.What, logic.Legs)
            : Marking.Read(text) is [{ Type.Legs: { } legs } memory, ..]
                ? new StandardPinout(text, $"{memory.Type.Family} {memory.Type.Organisation}", legs)
            : null;
    }
}
