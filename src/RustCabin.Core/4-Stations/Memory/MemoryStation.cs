using System.Numerics;
using RustCabin.Core.Bench;
using RustCabin.Core.Chips;
using RustCabin.Core.Choices;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Findings;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Memory;

/// <summary>Who answers where, and what the machine counts. Source: docs/handbook/memory.md.</summary>
public sealed class MemoryStation : Station
{
    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Memory");

    /// <inheritdoc/>
    public override StationName Name => Here;

    /// <inheritdoc/>
    public override bool SwitchesHelp => true;

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => MemoryFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } =
    [
        Check.On(Rests.All, MapChecks.Fights, MapChecks.Rule),
        Check.On(Rests.All, MapChecks.WritesTwice),
        Check.On(Rests.All, MapChecks.Outside),
        Check.On(Rests.All, MapChecks.NoRoom),
        Check.On(Rests.All, ChipChecks.Of),
        Check.On(Rests.All, BankChecks.Reset),
        new Check(Rests.All, MemoryChecks.Unseen),
        new Check(Rests.All, MemoryChecks.BeyondLimit),
    ];

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) => MemoryHypotheses.Of(at);

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Marginals(PlannedUnit at) => MemoryMarginals.Of(at);

    /// <summary>
    /// A bit that sticks, a chip that is missing, an address line that is open or stuck, a bank register that starts anywhere.
    /// </summary>
    public override IEnumerable<Slip> Slips(PlannedUnit unit)
    {
        const string Bits =
            "The bits that are read are not the bits that were written: the count stops at the first block that the chip serves.";
        const string Line =
            "Two places lead to one cell: the count stops where the scan meets its own beginning again, or nowhere if the "
            + "line lies inside one block.";
        foreach (DecodedClaim claim in unit.Claims.Where(c => c.Kind == ClaimKind.Ram))
        {
            int top = 63 - BitOperations.LeadingZeroCount(Math.Max(2, claim.Size) - 1);
            yield return Cell(unit, new BusFault(FaultKind.StuckBit, claim.Owner.ToString(), Bit: 0), Bits);
            yield return Cell(unit, new BusFault(FaultKind.MissingChip, claim.Owner.ToString(), Bit: 0), Bits);
            yield return Cell(unit, new BusFault(FaultKind.AddressLine, claim.Owner.ToString(), Bit: top), Line);
            yield return Cell(
                unit,
                new BusFault(FaultKind.AddressLine, claim.Owner.ToString(), Bit: Math.Max(0, top - 1), High: true),
                Line
            );
            if (claim.Window is { Register: not null })
                yield return RandomBank(unit, new BusFault(FaultKind.RandomBank, claim.Owner.ToString()));
        }
    }

    static Slip Cell(PlannedUnit unit, BusFault fault, string why) => new(fault, like => Effect.In(like).CountAndWhy(unit, why));

    static Slip RandomBank(PlannedUnit unit, BusFault fault) =>
        new(
            fault,
            like =>
            {
                string shown = new SimulatedBus(unit.Map, 0, [like]).BankShown(fault.Claim) is { } bank
                    ? $"This time the window shows bank {bank} at the start; switch off and on, and it may be another."
                    : "This time the register selects a bank that is not there; switch off and on, and it may be another.";
                return (Effect.In(like).Count(unit), shown);
            }
        );

    /// <summary>The chips that go into the banks of parts, by type.</summary>
    public override IEnumerable<Piece> Pieces(PlannedUnit unit) =>
        from instance in unit.Instances
        where unit.Job?.Banks.ContainsKey(instance.Name) == true
        let step = Acts.Set(instance.Name)
        from bank in FilledBank.Of(instance)
        group bank.Made.Chips by (step, bank.Chips.Type) into all
        select new Piece(
            StockKind.Chip,
            $"{all.Key.Type.Organisation} for {unit.Unit.Name}",
            all.Sum(),
            item => item.Kind == StockKind.Chip && ChipType.Find(item.Item) == all.Key.Type
        )
        {
            Step = all.Key.step,
            Done = unit.Job!.Done.Contains(all.Key.step),
        };

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit)
    {
        if (unit.Model.Claims.Count == 0)
            yield return MissingFact.OfModel(unit, nameof(Model.Claims), "its map", "who answers where");
        foreach (
            Instance part in unit.Instances.Where(i => i is { Added: true, Part.Kind: PartKind.Memory, Part.Claims.Count: 0 })
        )
            yield return MissingFact.OfPart(
                part,
                nameof(Part.Claims),
                $"where {part.Title} answers",
                "what fights it, and what the machine counts"
            );
    }

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) => Far.Clear;
}
