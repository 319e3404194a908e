using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Memory;

static class MemoryChecks
{
    /// <summary>
    /// MAP-UNSEEN: RAM that the first master reaches, but no power-up line counts and self-configuration did not place. Memory
    /// seen at a mirror is seen; what lies under an overlay is not there to be seen. A model without power-up lines says
    /// nothing about what its firmware looks at, so nothing is unseen there; what lies beyond a line's cap is told as
    /// MAP-BEYOND-LIMIT.
    /// </summary>
    public static IEnumerable<Finding> Unseen(PlannedUnit unit, PowerUpCount count)
    {
        if (unit.Model.PowerUp.Count == 0)
            yield break;
        IReadOnlyDictionary<int, ulong> there = Reachable.Within(
            unit.Map,
            [new(default, new(Decode.Space(unit.Model.AddressBits)))],
            master: 0
        );
        IReadOnlyDictionary<int, ulong> seen = Reachable.Within(
            unit.Map,
            Joined(count.Lines.SelectMany(l => l.Passed)),
            master: 0
        );
        foreach ((int index, DecodedClaim claim) in unit.Claims.Index().Where(c => !c.Item.Auto))
        {
            ulong unseen = there.GetValueOrDefault(index) - seen.GetValueOrDefault(index);
            if (unseen == 0)
                continue;
            yield return new Finding(
                MemoryFindings.MapUnseen,
                Severity.Watch,
                $"{new ByteSize(unseen)} is never looked at",
                [claim.Owner.Subject],
                $"{unit.OwnerName(claim.Owner)} holds {new ByteSize(unseen)} that no power-up count reaches and no card was "
                    + $"given.",
                [
                    $"{unit.NameOf(claim.Owner)}: {AddressRange.Of(claim.Base, claim.Size).ToScreen(unit.Model.AddressBits)}, "
                        + $"{new ByteSize(claim.Size)}.",
                    .. count.Lines.Select(l => $"Line \"{l.Label}\": {l.Uncapped}. {l.Why}"),
                ]
            );
        }
    }

    /// <summary>The same addresses in order and apart: lines may look at one place twice.</summary>
    static List<AddressRange> Joined(IEnumerable<AddressRange> ranges)
    {
        var joined = new List<AddressRange>();
        foreach (AddressRange range in ranges.OrderBy(r => r.From))
        {
            if (joined.Count == 0 || range.From.Value > joined[^1].To.Value)
                joined.Add(range);
            else if (range.To > joined[^1].To)
                joined[^1] = joined[^1] with { To = range.To };
        }
        return joined;
    }

    /// <summary>MAP-BEYOND-LIMIT: more RAM than a master of this model can use, or than a power-up line counts.</summary>
    public static IEnumerable<Finding> BeyondLimit(PlannedUnit unit, PowerUpCount count)
    {
        foreach ((int index, string master) in unit.Map.Masters.Index())
            if (unit.Model.MemoryLimits.TryGetValue(master, out ByteSize limit) && unit.Map.Reach[index] > limit)
                yield return Beyond(
                    unit,
                    unit.Map.Reach[index],
                    limit,
                    $"{IdText.Capital(MasterWords.The(master))} can reach {unit.Map.Reach[index]}",
                    $"the system uses {limit}",
                    [
                        $"The sheet of {unit.Model.Name} limits the memory of {MasterWords.The(master)} to {limit}.",
                        $"Reach of {MasterWords.The(master)}: {unit.Map.Reach[index]}.",
                    ]
                );

        foreach (CountedLine line in count.Lines.Where(l => l.Uncapped > l.Bytes))
            yield return Beyond(
                unit,
                line.Uncapped,
                line.Bytes,
                $"The line \"{line.Label}\" finds {line.Uncapped}",
                $"the firmware uses {line.Bytes}",
                [line.Why]
            );
    }

    static Finding Beyond(
        PlannedUnit unit,
        ByteSize fitted,
        ByteSize usable,
        string found,
        string used,
        IReadOnlyList<string> why
    ) =>
        new(
            MemoryFindings.MapBeyondLimit,
            Severity.Watch,
            $"{new ByteSize(fitted.Bytes - usable.Bytes)} cannot be used",
            unit.Instances.Where(i => unit.Claims.Any(c => c.Kind == ClaimKind.Ram && c.Owner.Subject == i.Subject))
                .Select(i => i.Subject)
                .DefaultIfEmpty(Subject.Unit)
                .ToArray(),
            $"{char.ToUpperInvariant(found[0])}{found[1..]}; {used}.",
            [
                .. why,
                $"Fitted {fitted}, usable {usable}: {fitted} - {usable} = {new ByteSize(fitted.Bytes - usable.Bytes)} to spare.",
            ]
        );
}
