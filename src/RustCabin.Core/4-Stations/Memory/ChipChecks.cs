using RustCabin.Core.Chips;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Memory;

/// <summary>The chips in a board's banks against what the board gives them. Source: docs/handbook/memory.md, Chips.</summary>
static class ChipChecks
{
    /// <summary>What is found of the chips in a unit's banks.</summary>
    public static IEnumerable<Finding> Of(PlannedUnit unit)
    {
        foreach (
            Instance instance in unit.Instances.Where(i => i.Part.Arrays.Count > 0 && i.Fitted.Banks.Any(b => b is not null))
        )
        {
            var banks = new FittedChips?[instance.Fitted.Banks.Count];
            foreach (FilledBank filled in FilledBank.Of(instance))
            {
                banks[filled.Index] = filled.Chips;
                foreach (Finding finding in OfBank(instance, filled.Index, filled.Array, filled.Chips))
                    yield return finding;
            }
            if (MixedWrongly(instance.Part, banks) is { } mixed)
                yield return Found(
                    MemoryFindings.ChipMix,
                    Severity.Stop,
                    instance,
                    "Chips that do not go together",
                    mixed,
                    [$"The board's sheet says: {instance.Part.Mix ?? "any"}; bank 0 is filled first."]
                );
            if (Switches(instance, banks) is { } switches)
                yield return switches;
        }
    }

    static IEnumerable<Finding> OfBank(Instance instance, int bank, MemoryArray array, FittedChips chips)
    {
        ChipType type = chips.Type;
        string where = $"bank {bank} of {instance.Title}";
        if (array.Types.Count > 0 && array.Types.All(t => ChipType.Find(t) != type))
            yield return Found(
                MemoryFindings.ChipMix,
                Severity.Stop,
                instance,
                $"{type.Organisation} is not for this board",
                $"{where} takes {string.Join(" or ", array.Types)}, not {type.Organisation}.",
                [$"The board's sheet lists the types of {array.Id}."]
            );
        if (array.AddressLines is { } lines && lines < type.AddressPins)
        {
            int missing = type.AddressPins - lines,
                columns = type.Family == ChipType.Dram ? Math.Max(0, type.Columns - lines) : 0,
                share = type.ShareReached(lines);
            yield return Found(
                MemoryFindings.ChipLines,
                Severity.Watch,
                instance,
                $"Only a part of {type.Organisation} is reached",
                $"The board drives {lines} address lines to {where}; {type.Organisation} has {type.AddressPins}: 1/{share} of "
                    + $"it is reached.",
                [
                    type.Family == ChipType.Dram
                        ? "Rows and columns share the lines: each that is missing leaves a quarter, or a half where it served "
                            + $"rows only ({type.AddressPins} row lines, {type.Columns} column lines)."
                        : "Each line that is missing leaves a half.",
                    $"{missing} of the rows and {columns} of the columns missing: 1/{share}.",
                    $"Tie {Legs(type, lines)} of each chip low or high; never leave a leg floating.",
                ]
            );
        }
        foreach (Finding found in Refreshed(instance, where, array, type).Concat(InTime(instance, where, array, chips)))
            yield return found;
        if (array.Supplies.Count > 0 && !array.Supplies.ToHashSet().SetEquals(type.Supplies))
            yield return Found(
                MemoryFindings.ChipSupply,
                Severity.Stop,
                instance,
                "Other supplies in the socket",
                $"{type.Organisation} wants {string.Join(" ", type.Supplies)} V; the sockets of {where} carry "
                    + $"{string.Join(" ", array.Supplies)} V.",
                ["A chip on the wrong supplies is destroyed, and may take its neighbours with it."]
            );
    }

    static IEnumerable<Finding> Refreshed(Instance instance, string where, MemoryArray array, ChipType type)
    {
        if (array.OwnRefresh && type.NoCounter is { } none)
            yield return Found(
                MemoryFindings.ChipRefresh,
                Severity.Stop,
                instance,
                $"{type.Organisation} does not refresh itself",
                $"{where} leaves refresh to the chips; {none}.",
                ["The board's sheet says that the chips' own counters are used.", $"{type.Organisation}: {none}."]
            );
        if (!array.OwnRefresh && type.Refresh.Count > 0 && (array.RefreshBits is not null || array.RefreshRowUs is not null))
        {
            (Refresh Rule, string? Fails)[] rules = [.. type.Refresh.Select(r => (r, RefreshFails(array, r)))];
            if (rules.Any(r => r.Fails is not null))
                yield return Found(
                    MemoryFindings.ChipRefresh,
                    rules.All(r => r.Fails is not null) ? Severity.Stop : Severity.Watch,
                    instance,
                    $"{type.Organisation} is not refreshed in time",
                    rules.All(r => r.Fails is not null)
                        ? $"{where}: {rules[0].Fails}."
                        : $"{where}: by maker, {type.Organisation} wants "
                            + $"{string.Join(" or ", type.Refresh.Select(r => $"{r.Rows} rows in {r.Ms} ms"))}; the board "
                            + $"does not give all of them.",
                    [.. rules.Select(r => $"{r.Rule.Rows} rows within {r.Rule.Ms} ms: {r.Fails ?? "the board gives it"}.")]
                );
        }
    }

    static IEnumerable<Finding> InTime(Instance instance, string where, MemoryArray array, FittedChips chips)
    {
        ChipType type = chips.Type;
        if (array.AccessNs is { } access && chips.Ns is { } ns && ns > access)
            yield return Found(
                MemoryFindings.ChipSpeed,
                Severity.Stop,
                instance,
                $"{ns} ns is too slow",
                $"The cycle of {where} allows {access} ns; these chips take {ns} ns.",
                [$"{ns} - {access} = {ns - access} ns too slow; as fast or faster is fine."]
            );
        else if (
            type.Family == ChipType.Dram
            && array.CycleNs is { } cycle
            && chips.Ns is { } fast
            && fast * array.CycleFactor > cycle
        )
            yield return Found(
                MemoryFindings.ChipSpeed,
                Severity.Stop,
                instance,
                $"{fast} ns does not recover in time",
                $"The whole cycle of {where} is {cycle} ns; these chips take {fast * array.CycleFactor:0.#} ns, "
                    + $"row and precharge.",
                [$"{fast} ns x {array.CycleFactor} = {fast * array.CycleFactor:0.#} ns; the board gives {cycle} ns."]
            );
    }

    /// <summary>The address legs that the board does not drive: A8, or A8 and A9.</summary>
    static string Legs(ChipType type, int lines) =>
        string.Join(" and ", Enumerable.Range(lines, type.AddressPins - lines).Select(n => $"A{n}"));

    static string? RefreshFails(MemoryArray array, Refresh rule)
    {
        if (array.RefreshBits is { } bits && 1L << bits < rule.Rows)
            return $"the refresh counter of {bits} bits reaches {1L << bits} of {rule.Rows} rows";
        if (array.RefreshRowUs is { } us && us * rule.Rows > rule.Ms * 1000)
            return $"{rule.Rows} rows every {us} us take {us * rule.Rows / 1000:0.##} ms, later than {rule.Ms} ms";
        return null;
    }

    static string? MixedWrongly(Part part, FittedChips?[] banks)
    {
        int filled = banks.TakeWhile(b => b is not null).Count();
        if (banks.Skip(filled).Any(b => b is not null))
            return $"Bank {filled} is empty before one that is filled.";
        MixRule mix = part.Mix is { } word ? MixRules.Of(word) ?? MixRule.Any : MixRule.Any;
        for (int i = 1; i < filled; i++)
            if (mix == MixRule.Alike && banks[i]!.Type != banks[0]!.Type)
                return $"All banks must hold the same; bank {i} holds {banks[i]!.Type.Organisation}, bank 0 "
                    + $"{banks[0]!.Type.Organisation}.";
            else if (mix == MixRule.LargerFirst && banks[i]!.Type.Depth > banks[i - 1]!.Type.Depth)
                return $"Larger chips come first; bank {i} is larger than bank {i - 1}.";
            else if (mix == MixRule.Pairs && i % 2 == 1 && banks[i]!.Type != banks[i - 1]!.Type)
                return $"Banks {i - 1} and {i} are a pair and must be alike.";
        return mix == MixRule.Pairs && filled % 2 == 1 ? $"Banks come in pairs; bank {filled} is empty." : null;
    }

    /// <summary>The row of a board's switch table for an arrangement; null where it has none.</summary>
    public static SwitchRow? RowFor(Part part, IReadOnlyList<ChipType?> banks) =>
        part.SwitchTable.FirstOrDefault(row =>
            Enumerable
                .Range(0, Math.Max(row.Arrangement.Count, banks.Count))
                .All(i =>
                    (row.Arrangement.ElementAtOrDefault(i) is { } t ? ChipType.Find(t) : null) == banks.ElementAtOrDefault(i)
                )
        );

    static Finding? Switches(Instance instance, FittedChips?[] banks)
    {
        if (RowFor(instance.Part, [.. banks.Select(b => b?.Type)]) is not { } row)
            return null;
        var moves = row
            .Positions.Where(p => instance.Positions.GetValueOrDefault(p.Key) != p.Value)
            .ToDictionary(p => p.Key, p => p.Value);
        return moves.Count == 0
            ? null
            : Found(
                MemoryFindings.ChipSwitches,
                Severity.Stop,
                instance,
                "Switches for other chips",
                $"With {string.Join(" and ", banks.Select(b => b?.Type.Organisation ?? "an empty bank"))}, "
                    + $"{string.Join(" and ", moves.Select(m => $"{m.Key} stands at {m.Value}"))}.",
                [
                    .. row.Positions.Select(p =>
                        $"{p.Key}: {p.Value} by the board's table, {instance.Positions.GetValueOrDefault(p.Key)} now."
                    ),
                ]
            ) with
            {
                Fix = Fix.Of(instance.Name, moves),
            };
    }

    static Finding Found(
        FindingKind kind,
        Severity severity,
        Instance instance,
        string title,
        string text,
        IReadOnlyList<string> why
    ) => new(kind, severity, title, [instance.Subject], char.ToUpperInvariant(text[0]) + text[1..], why);
}
