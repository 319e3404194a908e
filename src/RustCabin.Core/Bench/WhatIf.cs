using RustCabin.Core.Maps;
using RustCabin.Core.Memory;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Bench;

/// <summary>What the machine would show with a fault in it. <paramref name="Count"/> null: it does not start, and shows nothing.</summary>
public sealed record WhatIfResult(BusFault Fault, PowerUpCount? Count, string Why);

/// <summary>One fault at a time in the simulated machine, on the same bus as the prediction and, later, as faults and rehearsal.</summary>
public static class WhatIf
{
    /// <summary>The faults worth trying on a unit, by what is there: parts, switches, memory, registers, ROMs, rails.</summary>
    public static IReadOnlyList<BusFault> Offers(PlannedUnit unit)
    {
        var offers = new List<BusFault>();
        foreach (Instance instance in unit.Instances)
        {
            offers.Add(new BusFault(FaultKind.Unseated, instance.Name));
            foreach (Switch of in instance.Part.Switches)
                offers.AddRange(
                    of.Positions.Where(p => p != instance.Positions[of.Id])
                        .Select(p => new BusFault(FaultKind.SwitchMoved, instance.Name, Detail: $"{of.Id}={p}"))
                );
        }
        foreach (DecodedClaim claim in unit.Claims)
        {
            if (claim.Kind == ClaimKind.Ram)
            {
                int top = 63 - System.Numerics.BitOperations.LeadingZeroCount(Math.Max(2, claim.Size) - 1);
                offers.Add(new BusFault(FaultKind.StuckBit, claim.Owner, Bit: 0));
                offers.Add(new BusFault(FaultKind.MissingChip, claim.Owner, Bit: 0));
                offers.Add(new BusFault(FaultKind.AddressLine, claim.Owner, Bit: top));
                offers.Add(new BusFault(FaultKind.AddressLine, claim.Owner, Bit: Math.Max(0, top - 1), High: true));
                if (claim.Window is { Register: not null })
                    offers.Add(new BusFault(FaultKind.RandomBank, claim.Owner));
            }
            if (claim.Kind == ClaimKind.Rom)
            {
                offers.Add(new BusFault(FaultKind.RomImage, claim.Owner, Detail: "swapped byte by byte"));
                offers.Add(new BusFault(FaultKind.RomImage, claim.Owner, Detail: "doubled the wrong way"));
            }
        }
        offers.AddRange(unit.Rails.Select(r => new BusFault(FaultKind.RailMissing, r.Id)));
        return offers;
    }

    /// <summary>The machine with one fault. What a person sees is worked out by the same scans as the prediction.</summary>
    public static WhatIfResult Run(PlannedUnit unit, BusFault fault)
    {
        switch (fault.Kind)
        {
            case FaultKind.Unseated:
                return new WhatIfResult(
                    fault,
                    PowerUp.Run(Plan.With(unit, i => i.Name != fault.Subject)),
                    "Everything that the part answers to is gone."
                );
            case FaultKind.SwitchMoved:
                int at = fault.Detail.IndexOf('=');
                return new WhatIfResult(
                    fault,
                    PowerUp.Run(Plan.Moved(unit, fault.Subject, fault.Detail[..at], fault.Detail[(at + 1)..])),
                    "The part answers as that position says."
                );
            case FaultKind.RailMissing:
                return MissingRail(unit, fault);
            case FaultKind.RomImage:
                bool system = unit.Claims.Any(c =>
                    c.Owner == fault.Subject && c.Owner.StartsWith("model:", StringComparison.Ordinal)
                );
                return system
                    ? new WhatIfResult(
                        fault,
                        null,
                        "The first instruction that the processor fetches is not the one burnt: it does not start, and shows nothing."
                    )
                    : new WhatIfResult(
                        fault,
                        PowerUp.Run(unit),
                        "The part's own program does not run; the count is the firmware's and stays."
                    );
            case FaultKind.RandomBank:
                int? bank = new SimulatedBus(unit.Map, 0, [fault]).BankShown(fault.Subject);
                return new WhatIfResult(
                    fault,
                    PowerUp.Run(unit.Model, unit.Map, [fault]),
                    bank is { } shown
                        ? $"This time the window shows bank {shown} at the start; switch off and on, and it may be another."
                        : "This time the register selects a bank that is not there; switch off and on, and it may be another."
                );
            default:
                return new WhatIfResult(
                    fault,
                    PowerUp.Run(unit.Model, unit.Map, [fault]),
                    fault.Kind == FaultKind.AddressLine
                        ? "Two places lead to one cell: the count stops where the scan meets its own beginning again, or nowhere if the line lies inside one block."
                        : "The bits that are read are not the bits that were written: the count stops at the first block that the chip serves."
                );
        }
    }

    static WhatIfResult MissingRail(PlannedUnit unit, BusFault fault)
    {
        if (unit.Rails.FirstOrDefault(r => r.Id == fault.Subject) is { UsedAmps: > 0 })
            return new WhatIfResult(
                fault,
                null,
                $"The machine itself runs on {fault.Subject} V: it does not start, and shows nothing."
            );
        string[] dark =
        [
            .. unit.Instances.Where(i => i.Part.Draws.Any(d => d.Rail == fault.Subject && d.PeakAmps > 0)).Select(i => i.Name),
        ];
        return new WhatIfResult(
            fault,
            PowerUp.Run(Plan.With(unit, i => !dark.Contains(i.Name))),
            dark.Length == 0 ? "Nothing here draws from it." : "What draws from it does not answer."
        );
    }
}
