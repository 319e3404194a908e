namespace RustCabin.Core.Memory;

/// <summary>One slot for a module; 0 bytes: empty.</summary>
public sealed record ModuleSlot(string Name, ulong Bytes);

/// <summary>
/// A size of module: how many lie in hand, what one more costs (null: it cannot be bought), and the slots that take it (null:
/// any).
/// </summary>
public sealed record ModuleKind(ulong Bytes, int InHand, decimal? Price, IReadOnlyCollection<string>? Slots = null);

/// <summary>
/// One way to reach the target. <paramref name="Slots"/> after it, in order; what is bought and swapped; what comes out.
/// </summary>
public sealed record ModulePlan(
    IReadOnlyList<ulong> Slots,
    ulong Total,
    ulong Usable,
    int Bought,
    int Swaps,
    decimal Cost,
    IReadOnlyList<ulong> TakenOut
)
{
    /// <summary>Bytes that are there and cannot be used.</summary>
    public ulong Unused => Total - Usable;
}

/// <summary>
/// Modules in slots: the target with the fewest purchases, then the fewest swaps, then the least left unused. Source:
/// docs/handbook/memory.md, Arrangements.
/// </summary>
public static class Modules
{
    /// <summary>More slots are not tried.</summary>
    public const int MostSlots = 16;

    /// <param name="slots">The slots in their order.</param>
    /// <param name="kinds">The sizes that go in; those fitted may be put back in other slots.</param>
    /// <param name="cap">What the machine uses at most, in bytes.</param>
    /// <param name="target">Bytes wanted; usable ones count.</param>
    /// <param name="largerFirst">The rule of the slots: no module is larger than the one before it, and empty slots come
    /// last.</param>
    public static IReadOnlyList<ModulePlan> Of(
        IReadOnlyList<ModuleSlot> slots,
        IReadOnlyList<ModuleKind> kinds,
        ulong cap,
        ulong target,
        bool largerFirst
    )
    {
        ArgumentOutOfRangeException.ThrowIfGreaterThan(slots.Count, MostSlots);
        var sizes = kinds
            .Select(k => k.Bytes)
            .Concat(slots.Select(s => s.Bytes))
            .Where(b => b > 0)
            .Distinct()
            .OrderDescending()
            .ToArray();
        var plans = new List<ModulePlan>();
        // How many of each size, whatever the slot: which slot holds which follows from keeping what is in place.
        Count(
            sizes,
            0,
            slots.Count,
            [],
            counts =>
            {
                ulong total = sizes.Zip(counts).Aggregate(0ul, (sum, c) => sum + c.First * (ulong)c.Second);
                if (Math.Min(total, cap) < Math.Min(target, cap) || total < target && cap >= target)
                    return;
                if (Make(slots, kinds, sizes, counts, cap, total, largerFirst) is { } plan)
                    plans.Add(plan);
            }
        );
        return [.. plans.OrderBy(p => p.Bought).ThenBy(p => p.Swaps).ThenBy(p => p.Cost).ThenBy(p => p.Unused)];
    }

    static void Count(ulong[] sizes, int at, int left, List<int> counts, Action<IReadOnlyList<int>> use)
    {
        if (at == sizes.Length)
        {
            use(counts);
            return;
        }
        for (int n = 0; n <= left; n++)
        {
            counts.Add(n);
            Count(sizes, at + 1, left - n, counts, use);
            counts.RemoveAt(counts.Count - 1);
        }
    }

    static ModulePlan? Make(
        IReadOnlyList<ModuleSlot> slots,
        IReadOnlyList<ModuleKind> kinds,
        ulong[] sizes,
        IReadOnlyList<int> counts,
        ulong cap,
        ulong total,
        bool largerFirst
    )
    {
        int bought = 0;
        decimal cost = 0;
        for (int i = 0; i < sizes.Length; i++)
        {
            int fitted = slots.Count(s => s.Bytes == sizes[i]),
                missing = counts[i] - fitted - (kinds.FirstOrDefault(k => k.Bytes == sizes[i])?.InHand ?? 0);
            if (missing <= 0)
                continue;
            if (kinds.FirstOrDefault(k => k.Bytes == sizes[i])?.Price is not { } price)
                return null;
            bought += missing;
            cost += missing * price;
        }
        if ((largerFirst ? Sorted(sizes, counts, slots.Count) : Kept(slots, kinds, sizes, counts)) is not { } after)
            return null;
        int swaps = slots.Zip(after).Count(p => p.First.Bytes != p.Second);
        var outs = sizes.SelectMany(
            (size, i) => Enumerable.Repeat(size, Math.Max(0, slots.Count(s => s.Bytes == size) - counts[i]))
        );
        return new ModulePlan(after, total, Math.Min(total, cap), bought, swaps, cost, [.. outs]);
    }

    static ulong[] Sorted(ulong[] sizes, IReadOnlyList<int> counts, int slots) =>
        [.. sizes.SelectMany((size, i) => Enumerable.Repeat(size, counts[i])), .. Enumerable.Repeat(0ul, slots - counts.Sum())];

    /// <summary>
    /// Sizes that few slots take are placed first; each keeps the places that it has and then takes the first that are free.
    /// Null: they do not go in.
    /// </summary>
    static ulong[]? Kept(
        IReadOnlyList<ModuleSlot> slots,
        IReadOnlyList<ModuleKind> kinds,
        ulong[] sizes,
        IReadOnlyList<int> counts
    )
    {
        var after = new ulong[slots.Count];
        foreach ((ulong size, int count) in sizes.Zip(counts).OrderBy(c => Fits(c.First).Length))
        {
            int[] places =
            [
                .. Fits(size).Where(i => after[i] == 0).OrderBy(i => slots[i].Bytes == size ? 0 : 1).ThenBy(i => i).Take(count),
            ];
            if (places.Length < count)
                return null;
            foreach (int place in places)
                after[place] = size;
        }
        return after;

        int[] Fits(ulong size) =>
            kinds.FirstOrDefault(k => k.Bytes == size)?.Slots is { } own
                ? [.. Enumerable.Range(0, slots.Count).Where(i => own.Contains(slots[i].Name))]
                : [.. Enumerable.Range(0, slots.Count)];
    }
}
