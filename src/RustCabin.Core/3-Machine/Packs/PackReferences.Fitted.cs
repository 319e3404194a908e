using RustCabin.Core.Chips;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>What a part that is fitted, or that a job adds, refers to.</summary>
static partial class PackReferences
{
    static IEnumerable<SheetError> CheckFitted(FittedPart fitted, string path, Model? model, Pack pack, Pack known)
    {
        if ((pack.FindPart(fitted.Part) ?? known.FindPart(fitted.Part)) is not { } part)
        {
            yield return new($"{path}.part", $"\"{fitted.Part}\" is not a part here");
            yield break;
        }
        if (fitted.At is { } at && !LocalName.Parse(at).OnPart && model is not null && model.FindSite(at) is null)
            yield return new($"{path}.at", $"\"{at}\" is not a site of {model.Id}");
        if (fitted.Way is { } way && part.FindWay(way) is null)
            yield return new($"{path}.way", $"\"{way}\" is not a way of {part.Id}");
        foreach (SheetError error in CheckPositions(fitted.Switches, $"{path}.switches", part.Switches))
            yield return error;
        foreach (SheetError error in CheckBanks(fitted.Banks, $"{path}.banks", part))
            yield return error;
        foreach (SetChange set in part.Sets.Where(s => s.Size is { IsPowerOfTwo: false }))
            if (
                (
                    model?.Claims.FirstOrDefault(c => set.Claim == $"{ClaimName.Model(c.Id)}")
                    ?? part.Claims.FirstOrDefault(c => c.Id == set.Claim)
                )
                is { Mask: not null }
                    or { Auto: true }
            )
                yield return new(
                    $"{path}.part",
                    $"{part.Id} sets {set.Claim} to a size that is not a power of two, which its decoder cannot hold apart"
                );
        // Only here is it known how wide the space is that a part's decoder meets.
        foreach (Claim claim in part.Claims)
            if (model is not null && TooFree(claim, model.AddressBits) is { } free)
                yield return new(
                    $"{path}.part",
                    $"claim \"{claim.Id}\" of {part.Id} leaves out {free} address lines on {model.Id}; "
                        + $"{Maps.Decode.MostFreeLines} are the most"
                );
    }

    static IEnumerable<SheetError> CheckBanks(IReadOnlyList<string?> banks, string path, Part part)
    {
        if (banks.Count > part.Arrays.Count)
            yield return new(path, $"{part.Id} has {part.Arrays.Count} banks, not {banks.Count}");
        foreach ((int i, string? bank) in banks.Index())
            if (bank is not null && !FittedChips.TryParse(bank, out _))
                yield return new($"{path}[{i}]", $"\"{bank}\" is not a type of the table, such as 256Kx1 or 256Kx1-150");
    }

    static IEnumerable<SheetError> CheckPositions(
        IEnumerable<KeyValuePair<string, string>> positions,
        string path,
        IReadOnlyList<Switch> switches
    )
    {
        foreach ((string id, string position) in positions)
        {
            if (switches.FirstOrDefault(s => s.Id == id) is not { } own)
                yield return new($"{path}.{id}", $"\"{id}\" is not a switch here");
            else if (!own.Positions.Contains(position))
                yield return new($"{path}.{id}", $"\"{position}\" is not a position of {id}: {string.Join(", ", own.Positions)}");
        }
    }
}
