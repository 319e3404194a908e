namespace RustCabin.Core.Chips;

/// <summary>What is seen on a board that nobody knows: the chips as printed, and what else is on it.</summary>
public sealed record BoardSeen(IReadOnlyList<string> Markings, bool Cell, int SwitchPositions, int FlyLeads, bool Decoder);

/// <summary>
/// What a board may be: how likely among the proposals, 0 to 1, with its capacity in bytes, what each switch and lead probably
/// does, and the reasons.
/// </summary>
public sealed record BoardProposal(
    string What,
    ulong Bytes,
    double Score,
    IReadOnlyList<string> Why,
    IReadOnlyList<string> Switches,
    IReadOnlyList<string> Leads
);

/// <summary>
/// Proposes what an unknown board is, from the chips found and its extras. Source: docs/handbook/memory.md, Mystery boards.
/// </summary>
public static class MysteryBoard
{
    /// <summary>What a board may be, the likeliest first.</summary>
    public static IReadOnlyList<BoardProposal> Propose(BoardSeen seen)
    {
        ChipType[] chips = [.. seen.Markings.Select(m => Marking.Read(m).FirstOrDefault()?.Type).OfType<ChipType>()];
        var proposals = new List<BoardProposal>();
        foreach (var group in chips.GroupBy(c => c.Family))
        {
            ulong bytes = group.Aggregate(0ul, (sum, c) => sum + c.Depth * (ulong)c.Width / 8);
            int selects = group.Key == ChipType.Dram ? 0 : group.Count();
            string made = string.Join(", ", group.GroupBy(c => c.Organisation).Select(g => $"{g.Count()} x {g.Key}"));
            proposals.AddRange(
                group.Key switch
                {
                    ChipType.Sram => OfStatic(seen, bytes, made, selects),
                    ChipType.Eprom or "EEPROM" or "flash" or "mask ROM" => OfRom(seen, bytes, made, selects),
                    _ => OfDynamic(seen, group.ToArray(), made),
                }
            );
        }
        double sum = proposals.Sum(p => p.Score);
        return [.. proposals.Select(p => p with { Score = p.Score / sum }).OrderByDescending(p => p.Score)];
    }

    static IEnumerable<BoardProposal> OfStatic(BoardSeen seen, ulong bytes, string made, int selects)
    {
        string select = seen.Decoder
            ? $"{selects} chip selects come from the decoder"
            : $"{selects} chips want {selects} selects, and no decoder is seen: look for selects on the plug or the leads";
        if (seen.Cell)
            yield return new BoardProposal(
                "Memory kept alive by a cell",
                bytes,
                3,
                [$"{made}: static memory, {Size(bytes)}", "a cell: what it holds stays when the power goes", select],
                Switches(seen, "write protect", "which page or bank it answers to"),
                Leads(seen)
            );
        yield return new BoardProposal(
            seen.SwitchPositions > 0 ? "Static memory at an address set by its switches" : "Static memory expansion",
            bytes,
            seen.Cell ? 0.6 : 2,
            [
                $"{made}: static memory, {Size(bytes)}",
                seen.Cell ? "a cell, but it may serve a clock" : "no cell: what it holds goes with the power",
                select,
            ],
            Switches(seen, "address of the memory"),
            Leads(seen)
        );
    }

    static IEnumerable<BoardProposal> OfRom(BoardSeen seen, ulong bytes, string made, int selects)
    {
        yield return new BoardProposal(
            seen.SwitchPositions > 0 ? "ROM board with a choice of images" : "ROM board",
            bytes,
            2,
            [$"{made}: ROM, {Size(bytes)}", selects == 1 ? "one socket" : $"{selects} sockets"],
            Switches(seen, "which image or socket answers"),
            Leads(seen)
        );
    }

    static IEnumerable<BoardProposal> OfDynamic(BoardSeen seen, ChipType[] chips, string made)
    {
        foreach (int data in (int[])[8, 16, 32])
        foreach (int parity in (int[])[0, data / 8])
        {
            var kinds = chips.GroupBy(c => c.Organisation).ToArray();
            if (kinds.Any(k => k.Count() % new BankOfChips(k.First(), data, parity).Chips != 0))
                continue;
            ulong bytes = kinds.Aggregate(
                0ul,
                (sum, k) =>
                    sum
                    + new BankOfChips(k.First(), data, parity).Bytes
                        * (ulong)(k.Count() / new BankOfChips(k.First(), data, parity).Chips)
            );
            int banks = kinds.Sum(k => k.Count() / new BankOfChips(k.First(), data, parity).Chips);
            yield return new BoardProposal(
                $"{banks} {(banks == 1 ? "bank" : "banks")} of {data}-bit memory{(parity > 0 ? " with parity" : "")}",
                bytes,
                data == 8 ? 1.5 : 1,
                [
                    $"{made}: {new BankOfChips(kinds[0].First(), data, parity).Chips} chips make a bank of {data} data "
                        + $"bits{(parity > 0 ? $" and {parity} of parity" : "")}",
                    Size(bytes),
                ],
                Switches(seen, "size of the chips", "how many banks are filled"),
                Leads(seen)
            );
        }
    }

    static IReadOnlyList<string> Switches(BoardSeen seen, params string[] likely) =>
        [
            .. Enumerable
                .Range(0, seen.SwitchPositions)
                .Select(i => $"switch {i + 1}: probably {likely[Math.Min(i, likely.Length - 1)]}"),
        ];

    static IReadOnlyList<string> Leads(BoardSeen seen) =>
        [
            .. Enumerable
                .Range(0, seen.FlyLeads)
                .Select(i =>
                    i == 0
                        ? $"lead 1: likely a select or the write "
                            + $"strobe{(seen.Decoder ? ": it goes where the decoder's free input is" : "")}"
                        : $"lead {i + 1}: likely "
                            + $"{(i == 1 ? "the write strobe, or a higher address line" : "a higher address line")}"
                ),
        ];

    static string Size(ulong bytes) => new Units.ByteSize(bytes).ToString();
}
