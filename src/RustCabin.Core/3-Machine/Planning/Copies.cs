using System.Runtime.CompilerServices;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Planning;

/// <summary>
/// A copy of a part, with what is known to be wrong with its original: errata and faults hold unless they are struck out.
/// Source: docs/handbook/fit.md, Copies.
/// </summary>
public static class Copies
{
    static readonly ConditionalWeakTable<Part, WithOriginal> Known = [];

    sealed record WithOriginal(Part Original, Part Whole);

    /// <summary>The part as it must be taken: itself where it is no copy, or its original has no sheet here.</summary>
    public static Part Whole(Pack pack, Part part)
    {
        if (part.CopyOf is not { } id || id == part.Id || pack.FindPart(id) is not { } original)
            return part;
        // The same record as long as neither sheet changes: whatever keeps what it worked out of a part finds it.
        if (Known.TryGetValue(part, out WithOriginal? kept) && ReferenceEquals(kept.Original, original))
            return kept.Whole;
        Part whole = Of(part, original);
        Known.AddOrUpdate(part, new WithOriginal(original, whole));
        return whole;
    }

    /// <summary>What of the original holds for the copy, in the original's order: the words of its errata and faults.</summary>
    public static IEnumerable<string> Inherited(Part copy, Part original)
    {
        Part whole = Of(copy, original);
        var holds = Words(whole).ToHashSet(StringComparer.Ordinal);
        return Words(original).Distinct().Where(w => w.Length > 0 && holds.Contains(w));

        static IEnumerable<string> Words(Part part) =>
            part.Versions.SelectMany(v => v.Errata).Concat(part.Faults.Select(f => f.Cause));
    }

    static Part Of(Part copy, Part original)
    {
        // A copy without versions of its own has those of its original.
        PartVersion[] versions =
        [
            .. copy.Versions.Select(v =>
                v with
                {
                    Errata =
                    [
                        .. v.Errata,
                        .. original.Versions.Where(o => o.Id == v.Id).SelectMany(o => o.Errata).Where(e => !IsStruck(copy, e)),
                    ],
                }
            ),
            .. copy.Versions.Count > 0
                ? []
                : original.Versions.Select(v => v with { Errata = [.. v.Errata.Where(e => !IsStruck(copy, e))] }),
        ];
        PartFault[] faults =
        [
            .. copy.Faults,
            .. original.Faults.Where(f =>
                !copy.Struck.Contains(f.Id) && !IsStruck(copy, f.Cause) && copy.Faults.All(c => c.Id != f.Id)
            ),
        ];
        return copy with { Versions = versions, Faults = faults };
    }

    static bool IsStruck(Part copy, string words) =>
        copy.Struck.Any(s => string.Equals(s, words, StringComparison.OrdinalIgnoreCase));
}
