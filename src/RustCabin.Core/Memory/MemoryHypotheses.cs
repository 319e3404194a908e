using System.Numerics;
using RustCabin.Core.Bench;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Memory;

/// <summary>
/// What can go wrong with memory: a data bit, an address line, a chip, a bank register. Source: docs/handbook/faults.md, Causes.
/// </summary>
static class MemoryHypotheses
{
    const decimal BitsMinutes = 6,
        ChipMinutes = 3,
        AgainMinutes = 3;

    public static IEnumerable<Hypothesis> Of(PlannedUnit at) =>
        at.Claims.Where(c => c.Kind == ClaimKind.Ram && c.Size > 1).SelectMany(claim => Of(at, claim));

    static IEnumerable<Hypothesis> Of(PlannedUnit at, DecodedClaim claim)
    {
        Instance? part = claim.Owner.Instance is { } name ? at.Find(name) : null;
        IReadOnlyList<AccessLevel> opens = part is null ? AccessPath.Deepest(at.Model) : AccessPath.To(at.Model, part);
        decimal tenth = Work.ChanceOf(part) / 10;
        string what = at.OwnerName(claim.Owner);
        Shown with(BusFault fault) => Shown.Of(PowerUp.Run(at.Model, at.Map, [fault]));
        Look look(string id, string words, decimal minutes, string usual, string shows) =>
            new(id, words, minutes, usual, shows) { Opens = opens };

        // A word fails whichever of its bits sticks, so one run serves for all of them.
        Shown stuck = with(new BusFault(FaultKind.StuckBit, claim.Owner.ToString(), Bit: 0));
        for (int bit = 0; bit < at.Model.DataBits; bit++)
            yield return new Hypothesis(
                $"data:{claim.Owner}:{bit}",
                $"data bit {bit} of {what} sticks",
                tenth / at.Model.DataBits,
                stuck
            )
            {
                Instance = part,
                Fault = new BusFault(FaultKind.StuckBit, claim.Owner.ToString(), Bit: bit),
                Mend = $"Reflow the leg of data bit {bit}, or change the chip that holds it.",
                MendMinutes = 12,
                Look = look($"bits:{claim.Owner}", $"Write and read {what} bit by bit", BitsMinutes, "every bit", $"bit {bit}"),
            };
        int lines = 64 - BitOperations.LeadingZeroCount(claim.Size - 1);
        for (int line = 0; line < lines; line++)
            yield return new Hypothesis(
                $"address:{claim.Owner}:{line}",
                $"address line {line} of {what} sticks",
                tenth / lines,
                with(new BusFault(FaultKind.AddressLine, claim.Owner.ToString(), Bit: line))
            )
            {
                Instance = part,
                Fault = new BusFault(FaultKind.AddressLine, claim.Owner.ToString(), Bit: line),
                Mend = $"Measure A{line} from chip to chip, and mend the leg or trace where it stops.",
                MendMinutes = 15,
                Look = look(
                    $"lines:{claim.Owner}",
                    $"Write one place of {what} and read where it shows again",
                    BitsMinutes,
                    "nowhere else",
                    $"at 1 << {line}"
                ),
            };
        yield return new Hypothesis(
            $"chip:{claim.Owner}",
            $"a chip of {what} is missing, turned or of another type",
            tenth,
            with(new BusFault(FaultKind.MissingChip, claim.Owner.ToString(), Bit: 0))
        )
        {
            Instance = part,
            Fault = new BusFault(FaultKind.MissingChip, claim.Owner.ToString(), Bit: 0),
            Mend = "Compare the marks and the markings of the chips with the plan; turn or change the odd one.",
            MendMinutes = 10,
            Look = look(
                $"chips:{claim.Owner}",
                $"Look at the chips of {what}: marks all one way, markings alike",
                ChipMinutes,
                "alike",
                "one is odd"
            ),
        };
        if (claim.Window is { Register: not null })
            yield return new Hypothesis(
                $"register:{claim.Owner}",
                $"the bank register of {what} starts anywhere",
                tenth,
                with(new BusFault(FaultKind.RandomBank, claim.Owner.ToString()))
            )
            {
                Instance = part,
                Fault = new BusFault(FaultKind.RandomBank, claim.Owner.ToString()),
                Mend = "A reset circuit on the register's clear leg, or a program that sets it first.",
                MendMinutes = 30,
                Look = new Look(
                    $"again:{claim.Owner}",
                    "Switch off and on three times",
                    AgainMinutes,
                    "the same each time",
                    "it changes"
                ),
            };
    }
}
