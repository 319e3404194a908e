using RustCabin.Core.Faults;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Bench;

/// <summary>
/// What one line of the power-up count shows, and why it stopped there. <paramref name="Passed"/> are the addresses found good;
/// <paramref name="Uncapped"/> what the scan found before the line's cap.
/// </summary>
public sealed record CountedLine(string Label, ByteSize Bytes, ByteSize Uncapped, IReadOnlyList<AddressRange> Passed, string Why);

/// <summary>What the screen shows at power-up, line by line.</summary>
public sealed record PowerUpCount(IReadOnlyList<CountedLine> Lines)
{
    /// <summary>The sum of its lines.</summary>
    public ByteSize Total => new(Lines.Aggregate(0ul, (sum, line) => sum + line.Bytes.Bytes));
}

/// <summary>
/// The model's power-up scans, run on the simulated bus as its first master sees it: the first and last word of each block are
/// tried with two patterns and their complements, aliasing is tried against the scan's beginning from the second block on.
/// Source: docs/handbook/memory.md, Simulated bus.
/// </summary>
public static class PowerUp
{
    /// <summary>The count of a planned unit.</summary>
    public static PowerUpCount Run(PlannedUnit planned) => Run(planned.Model, planned.Map);

    /// <summary>
    /// The same with faults in cells and registers. Those that change the plan itself are <see cref="WhatIf"/>'s.
    /// </summary>
    public static PowerUpCount Run(Model model, ResolvedMap map, IReadOnlyList<BusFault>? faults = null)
    {
        int word = Math.Max(1, model.DataBits / 8);
        var bus = new SimulatedBus(map, master: 0, faults, word) { KeepsLast = model.Undriven == Undriven.Last };
        return new PowerUpCount([
            .. model.PowerUp.Select(line => line.Auto ? CountPlaced(line, map) : Scan(line, bus, word, model.AddressBits)),
        ]);
    }

    static CountedLine CountPlaced(PowerUpLine line, ResolvedMap map)
    {
        (int Index, DecodedClaim Item)[] all = [.. map.Claims.Index().Where(c => c.Item is { Auto: true, Kind: ClaimKind.Ram })];
        IReadOnlyDictionary<int, ulong> reached = Reachable.Within(
            map,
            [.. all.Select(c => AddressRange.Of(c.Item.Base, c.Item.Size)).OrderBy(r => r.From)],
            master: 0
        );
        DecodedClaim[] placed = [.. all.Where(c => reached.GetValueOrDefault(c.Index) > 0).Select(c => c.Item)];
        ByteSize found = new(all.Aggregate(0ul, (sum, c) => sum + reached.GetValueOrDefault(c.Index)));
        string first = map.Masters[0];
        string why =
            placed.Length > 0 ? $"Self-configuration placed {string.Join(" and ", placed.Select(c => new ByteSize(c.Size)))}."
            : all.Length > 0
                ? $"Self-configuration placed {string.Join(" and ", all.Select(c => new ByteSize(c.Item.Size)))}, "
                    + $"which {first} does not reach."
            : "Self-configuration placed no memory.";
        return Capped(line, found, [.. placed.Select(c => AddressRange.Of(c.Base, c.Size))], why);
    }

    static CountedLine Scan(PowerUpLine line, SimulatedBus bus, int word, int addressBits)
    {
        ulong step = line.Step.Bytes,
            found = 0;
        var passed = new List<AddressRange>();
        // What a block is held against: the scan's beginning; where that may be empty, the first block that passed.
        ulong? beginning = line.StopAtGap ? line.From.Value : null;
        string why = $"Every block of {line.Step} up to {new Address(line.To.Value - 1).ToScreen(addressBits)} answered.";
        for (ulong at = line.From.Value; at + step <= line.To.Value; at += step)
        {
            string? failure =
                Probe.Block(bus, at, step, word)
                ?? (
                    beginning is { } first && at > first && Probe.Aliases(bus, first, at, word)
                        ? $"shows the same memory as {new Address(first).ToScreen(addressBits)}"
                        : null
                );
            if (failure is null)
            {
                beginning ??= at;
                found += step;
                Extend(passed, AddressRange.Of(at, step));
                continue;
            }
            if (line.StopAtGap)
            {
                why = $"The block at {new Address(at).ToScreen(addressBits)} {failure}: the count stops there.";
                break;
            }
            why = "Blocks that do not answer are passed over.";
        }
        return Capped(line, new ByteSize(found), passed, why);
    }

    static void Extend(List<AddressRange> passed, AddressRange block)
    {
        if (passed.Count > 0 && passed[^1].To.Value + 1 == block.From.Value)
            passed[^1] = passed[^1] with { To = block.To };
        else
            passed.Add(block);
    }

    static CountedLine Capped(PowerUpLine line, ByteSize found, IReadOnlyList<AddressRange> passed, string why) =>
        line.Cap is { } cap && found > cap
            ? new CountedLine(line.Label, cap, found, passed, $"{why} The firmware counts no further than {cap}.")
            : new CountedLine(line.Label, found, found, passed, why);
}
