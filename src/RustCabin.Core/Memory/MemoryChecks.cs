using RustCabin.Core.Findings;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Memory;

static class MemoryChecks
{
    /// <summary>
    /// MAP-UNSEEN: RAM that no power-up line counts and self-configuration did not place. A model without power-up lines says nothing
    /// about what its firmware looks at, so nothing is unseen there. What lies beyond a line's cap is told as MAP-BEYOND-LIMIT.
    /// </summary>
    public static IEnumerable<Finding> Unseen(PlannedUnit unit, PowerUpCount count)
    {
        if (unit.Model.PowerUp.Count == 0) yield break;
        AddressRange[] seen = [.. count.Lines.SelectMany(l => l.Passed).OrderBy(r => r.From)];
        foreach (DecodedClaim claim in unit.Claims.Where(c => c is { Kind: ClaimKind.Ram, Auto: false }))
        {
            // The best of its images counts: memory that is seen at a mirror is seen.
            ulong unseen = Decode.Images(claim, unit.Model.AddressBits).Select(image => Missed(image, image + (claim.Size - 1), seen)).DefaultIfEmpty(0ul).Min();
            if (unseen == 0) continue;
            yield return new Finding(
                "MAP-UNSEEN", Severity.Watch, "Memory", $"{new ByteSize(unseen)} is never looked at", [PlannedUnit.SubjectOf(claim.Owner)],
                $"{unit.OwnerName(claim.Owner)} holds {new ByteSize(unseen)} that no power-up count reaches and no card was given.",
                [
                    $"{claim.Owner}: {AddressRange.Of(claim.Base, claim.Size).ToScreen(unit.Model.AddressBits)}, {new ByteSize(claim.Size)}.",
                    .. count.Lines.Select(l => $"Line \"{l.Label}\": {l.Uncapped}. {l.Why}"),
                ]);
        }
    }

    static ulong Missed(ulong first, ulong last, AddressRange[] seen)
    {
        ulong covered = 0;
        foreach (AddressRange r in seen)
        {
            ulong from = Math.Max(first, r.From.Value), to = Math.Min(last, r.To.Value);
            if (from <= to) covered += to - from + 1;
        }
        ulong size = last - first + 1;
        return size - Math.Min(size, covered);
    }

    /// <summary>MAP-BEYOND-LIMIT: more RAM than a master of this model can use, or than a power-up line counts.</summary>
    public static IEnumerable<Finding> BeyondLimit(PlannedUnit unit, PowerUpCount count)
    {
        foreach ((int index, string master) in unit.Map.Masters.Index())
            if (unit.Model.MemoryLimits.TryGetValue(master, out ByteSize limit) && unit.Map.Reach[index] > limit)
                yield return Beyond(unit, unit.Map.Reach[index], limit, $"{master} can reach {unit.Map.Reach[index]}", $"the system uses {limit}",
                    [$"The sheet of {unit.Model.Name} limits the memory of {master} to {limit}.", $"Reach of {master}: {unit.Map.Reach[index]}."]);

        foreach (CountedLine line in count.Lines.Where(l => l.Uncapped > l.Bytes))
            yield return Beyond(unit, line.Uncapped, line.Bytes, $"The line \"{line.Label}\" finds {line.Uncapped}", $"the firmware uses {line.Bytes}", [line.Why]);
    }

    static Finding Beyond(PlannedUnit unit, ByteSize fitted, ByteSize usable, string found, string used, IReadOnlyList<string> why) => new(
        "MAP-BEYOND-LIMIT", Severity.Watch, "Memory", $"{new ByteSize(fitted.Bytes - usable.Bytes)} cannot be used",
        unit.Instances.Where(i => unit.Claims.Any(c => c.Kind == ClaimKind.Ram && PlannedUnit.SubjectOf(c.Owner) == i.Subject)).Select(i => i.Subject).DefaultIfEmpty("unit").ToArray(),
        $"{char.ToUpperInvariant(found[0])}{found[1..]}; {used}.",
        [.. why, $"Fitted {fitted}, usable {usable}: {fitted} - {usable} = {new ByteSize(fitted.Bytes - usable.Bytes)} to spare."]);
}
