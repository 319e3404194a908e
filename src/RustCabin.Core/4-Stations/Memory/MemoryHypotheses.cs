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
        string what = at.NameOf(claim.Owner);
        Hypothesis of(string id, string words, decimal weight, BusFault fault) =>
            Hypothesis.Of(at, id, words, weight, Effect.In(fault)) with
            {
                Instance = part,
                Fault = fault,
            };
        Look running(string id, string words, decimal minutes, string usual, string shows) =>
            new(id, words, minutes, usual, shows) { State = LookState.Running };

        // A word fails whichever of its bits sticks, so one run serves for all of them.
        Shown stuck = Effect.In(new BusFault(FaultKind.StuckBit, claim.Owner.ToString(), Bit: 0)).On(at);
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
                Effect = Effect.In(new BusFault(FaultKind.StuckBit, claim.Owner.ToString(), Bit: bit)),
                Mend = $"Reflow the leg of data bit {bit}, or change the chip that holds it.",
                MendMinutes = 12,
                Look = running(
                    $"bits:{claim.Owner}",
                    $"Write and read {what} bit by bit",
                    BitsMinutes,
                    "every bit",
                    $"bit {bit}"
                ),
            };
        int lines = 64 - BitOperations.LeadingZeroCount(claim.Size - 1);
        for (int line = 0; line < lines; line++)
            yield return of(
                $"address:{claim.Owner}:{line}",
                $"address line {line} of {what} sticks",
                tenth / lines,
                new BusFault(FaultKind.AddressLine, claim.Owner.ToString(), Bit: line)
            ) with
            {
                Mend = $"Measure A{line} from chip to chip, and mend the leg or trace where it stops.",
                MendMinutes = 15,
                Look = running(
                    $"lines:{claim.Owner}",
                    $"Write one place of {what} and read where it shows again",
                    BitsMinutes,
                    "nowhere else",
                    $"at 1 << {line}"
                ),
            };
        foreach (Hypothesis other in Whole(claim, what, tenth, opens, of, running))
            yield return other;
    }

    /// <summary>What befalls the whole of a memory and not one of its lines.</summary>
    static IEnumerable<Hypothesis> Whole(
        DecodedClaim claim,
        string what,
        decimal tenth,
        IReadOnlyList<AccessLevel> opens,
        Func<string, string, decimal, BusFault, Hypothesis> of,
        Func<string, string, decimal, string, string, Look> running
    )
    {
        yield return of(
            $"chip:{claim.Owner}",
            $"a chip of {what} is missing, turned or of another type",
            tenth,
            new BusFault(FaultKind.MissingChip, claim.Owner.ToString(), Bit: 0)
        ) with
        {
            Mend = "Compare the marks and the markings of the chips with the plan; turn or change the odd one.",
            MendMinutes = 10,
            Look = new Look(
                $"chips:{claim.Owner}",
                $"Look at the chips of {what}: marks all one way, markings alike",
                ChipMinutes,
                "alike",
                "one is odd"
            )
            {
                Opens = opens,
            },
        };
        if (claim.Window is { Register: not null })
            yield return of(
                $"register:{claim.Owner}",
                $"the bank register of {what} starts anywhere",
                tenth,
                new BusFault(FaultKind.RandomBank, claim.Owner.ToString())
            ) with
            {
                Mend = "A reset circuit on the register's clear leg, or a program that sets it first.",
                MendMinutes = 30,
                Look = running(
                    $"again:{claim.Owner}",
                    "Switch off and on three times",
                    AgainMinutes,
                    "the same each time",
                    "it changes"
                ),
            };
    }
}
