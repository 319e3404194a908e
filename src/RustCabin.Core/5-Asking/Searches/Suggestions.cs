using System.Numerics;
using RustCabin.Core.Fit;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Searches;

/// <summary>A want that some part of the cabin could give on this machine.</summary>
/// <param name="Words">In the trade's words.</param>
/// <param name="Want">The want.</param>
public sealed record Suggestion(string Words, Need Want);

/// <summary>What could be wanted of a machine.</summary>
public static class Suggestions
{
    /// <summary>
    /// What parts with a way into this board give, the next sizes of memory, and titles of such machines. Wants that stand
    /// already are left out.
    /// </summary>
    public static IReadOnlyList<Suggestion> Of(PlannedUnit unit, Pack pack)
    {
        Part[] parts = [.. pack.Parts.Where(p => FitMatrix.WaysInto(unit.Model, p, unit.Revision.Id).Any())];
        IEnumerable<Need> all =
        [
            .. unit.Model.Masters.Index().SelectMany(m => Sizes(unit, parts, m.Index, m.Item)),
            .. Faster(parts).Select(factor => new SpeedNeed(factor)),
            .. parts.Select(p => p.Capacity).OfType<ByteSize>().Distinct().Order().Take(2).Select(size => new StorageNeed(size)),
            .. Outcomes(parts).Select(outcome => new ProvidesNeed(outcome)),
            .. pack
                .Titles.Where(t => t.IsFor(unit.Model) && t.Needs.All(n => Possible(unit, n)))
                .Select(t => new TitleNeed(t.Id)),
        ];
        Need[] asked = [.. unit.Job?.Wants ?? []];
        return
        [
            .. all.Where(want => !asked.Any(want.AsksAs) && NeedCheck.Of(unit, [want]).All(a => a.Met != true))
                .Select(want => new Suggestion(NeedCheck.Words(want, unit) + From(want, parts), want)),
        ];
    }

    /// <summary>Whose word it is that stands for an outcome: a sheet's own word says little alone.</summary>
    static string From(Need want, Part[] parts) =>
        want is ProvidesNeed outcome
        && parts.Where(p => p.Provides.Contains(outcome.Outcome)).ToArray() is [var first, .. var more]
            ? $", as {first.Name} gives it{(more.Length > 0 ? $" and {more.Length} more" : "")}"
            : "";

    static IEnumerable<decimal> Faster(Part[] parts) =>
        parts.Select(p => Math.Floor(p.Speed.GetValueOrDefault("processor"))).Where(f => f > 1).Distinct().Order();

    static IEnumerable<string> Outcomes(Part[] parts) =>
        parts
            .SelectMany(p => p.Provides)
            .Distinct()
            .Where(p => p is not ("memory" or "speed" or "storage"))
            .Order(StringComparer.Ordinal);

    /// <summary>False for what no part can change about the machine.</summary>
    static bool Possible(PlannedUnit unit, Need need) =>
        (need is not MemoryNeed memory || unit.Model.Masters.Contains(memory.Master))
        && (need is not RegionNeed region || unit.Model.Region.Contains(region.Region));

    /// <summary>The next two doublings of what a master reaches, where parts here bring it memory at all.</summary>
    static IEnumerable<Need> Sizes(PlannedUnit unit, Part[] parts, int index, string master)
    {
        ulong reach = index < unit.Map.Reach.Count ? unit.Map.Reach[index].Bytes : 0,
            brings = Brings(parts, master),
            size = BitOperations.RoundUpToPowerOf2(reach + 1);
        for (int count = 0; brings > 0 && size <= reach + brings && count < 2; size *= 2, count++)
            yield return new MemoryNeed(master, new ByteSize(size));
    }

    /// <summary>The most that any part brings to a master, in bytes.</summary>
    static ulong Brings(Part[] parts, string master)
    {
        bool Reached(IReadOnlyList<string> masters) => masters.Count == 0 || masters.Contains(master);
        IEnumerable<ulong> claims = parts
            .SelectMany(p => p.Claims)
            .Where(c => c.Kind == ClaimKind.Ram && Reached(c.Masters))
            .Select(c => c.Size!.Value.Bytes * (ulong)(c.Window?.Banks ?? 1));
        IEnumerable<ulong> sets = parts
            .SelectMany(p => p.Sets)
            .Where(s => s.Size is not null && Reached(s.Masters))
            .Select(s => s.Size!.Value.Bytes);
        return claims.Concat(sets).DefaultIfEmpty(0ul).Max();
    }
}
