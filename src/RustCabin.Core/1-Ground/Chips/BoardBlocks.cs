namespace RustCabin.Core.Chips;

/// <summary>A block of a board that nobody knows: what it probably is for, by its chips.</summary>
/// <param name="What">What it is for.</param>
/// <param name="Chips">The chips that make it, as people say their numbers, with how many.</param>
/// <param name="Why">What says so.</param>
public sealed record BoardBlock(string What, IReadOnlyList<string> Chips, string Why);

/// <summary>
/// Reads an unknown board as blocks: address decoder, latch, bank register, buffer. Source: docs/handbook/memory.md, Other chips.
/// </summary>
public static class BoardBlocks
{
    /// <summary>The blocks of a board, those that memory needs first.</summary>
    /// <param name="markings">What is printed on its chips, one each.</param>
    public static IReadOnlyList<BoardBlock> Of(IReadOnlyList<string> markings)
    {
        (string Marking, OtherChip? Other)[] read = [.. markings.Select(m => (m, LogicMarking.Read(m).FirstOrDefault()))];
        OtherChip[] others = [.. read.Select(r => r.Other).OfType<OtherChip>()];
        ChipType[] memory =
        [
            .. read.Where(r => r.Other is null).Select(r => Marking.Read(r.Marking).FirstOrDefault()?.Type).OfType<ChipType>(),
        ];
        bool dynamic = memory.Any(t => t.Family == ChipType.Dram),
            any = memory.Length > 0,
            twoRegisters = others.Count(o => o.Block is "register" or "latch") > 1;
        return
        [
            .. others
                .GroupBy(o => What(o, dynamic, any, twoRegisters))
                .Where(g => g.Key is not null)
                .OrderBy(g => g.Key!.Value.Order)
                .Select(g => new BoardBlock(
                    g.Key!.Value.What,
                    [.. g.GroupBy(o => o.Number).Select(n => n.Count() == 1 ? n.Key : $"{n.Count()} x {n.Key}")],
                    g.Key!.Value.Why
                )),
        ];
    }

    static (int Order, string What, string Why)? What(OtherChip chip, bool dynamic, bool memory, bool twoRegisters) =>
        chip.Block switch
        {
            "decoder" => (0, "Address decoder", "a decoder picks one chip of several by the upper address lines"),
            "array logic" => (1, "Address decoder or control", "array logic holds the equations of the board; it may be locked"),
            "comparator" => (2, "Address comparator", "it compares the address with switches or links"),
            "latch" when chip.Legs.Contains("LE") => (3, "Address latch", "it holds the address while lines carry data"),
            "register" or "latch" when memory => (
                4,
                twoRegisters ? "Bank registers" : "Bank register",
                "a program writes into it which part of the memory answers"
            ),
            "register" or "latch" => (4, "Register", "a program writes into it"),
            "multiplexer" when dynamic => (5, "Row and column of the address", "dynamic memory takes its address in two halves"),
            "multiplexer" => (5, "Selector", "it lets one of several through"),
            "counter" when dynamic => (6, "Refresh counter", "dynamic memory wants every row read again and again"),
            "counter" => (6, "Counter or divider", "it divides a clock"),
            "buffer" or "transceiver" => (7, "Buffer of the bus", "it carries the lines of the bus onto the board"),
            "shift register" => (8, "Bits one after the other", "it turns bytes into bits, or bits into bytes"),
            "gate" or "inverter" => (9, "Control", "gates join the lines of control"),
            "monostable" or "timer" => (10, "Timing", "it makes a pulse"),
            "crystal" => (11, "Clock", "a clock of its own"),
            "regulator" => (12, "Supply", "it makes a voltage of its own"),
            "level shifter" => (13, "Level shifter", "it lets two voltages speak"),
            "line driver" => (14, "Line", "it speaks over a cable"),
            _ => null,
        };
}
