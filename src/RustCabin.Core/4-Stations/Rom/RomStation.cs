using RustCabin.Core.Bench;
using RustCabin.Core.Chips;
using RustCabin.Core.Choices;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Findings;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Rom;

/// <summary>Image, device and socket. Source: docs/handbook/rom.md.</summary>
public sealed class RomStation : Station
{
    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("ROM");

    /// <inheritdoc/>
    public override StationName Name => Here;

    /// <summary>What was burnt.</summary>
    public static readonly PassportPart BurntPart = new("Burnt", 10) { HasOwnPlace = true };

    /// <summary>
    /// A device of one's own goes out with the socket that it is in, and nothing of the machine is changed by burning it.
    /// </summary>
    public override IReadOnlyList<Act> OwnActs { get; } =
    [
        Act.Traceless(RomActs.ProofWord),
        Act.Traceless(RomActs.BurnWord),
        Act.Traceless(RomActs.CoverWord),
        Act.Traceless(RomActs.WireWord),
    ];

    /// <inheritdoc/>
    public override IReadOnlyList<PassportPart> PassportParts { get; } = [BurntPart];

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => RomFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } =
    [Check.On(Rests.Parts, RomChecks.Of), Check.On(Rests.All, RomChecks.Proofs)];

    /// <inheritdoc/>
    public override IEnumerable<Work> Works(BuildAsked asked) =>
        (asked.After.Job?.Roms ?? []).SelectMany(rom => RomSteps.Of(asked.After, rom));

    /// <summary>An image that was swapped or doubled wrongly.</summary>
    public override IEnumerable<Slip> Slips(PlannedUnit unit) =>
        from claim in unit.Claims
        where claim.Kind == ClaimKind.Rom
        from how in (string[])["swapped byte by byte", "doubled the wrong way"]
        select new Slip(new BusFault(FaultKind.RomImage, claim.Owner.ToString(), Detail: how), _ => Wrongly(unit, claim));

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) => Images(at).Concat(RomHypotheses.Of(at));

    /// <inheritdoc/>
    public override IEnumerable<Sight> Sights(PlannedUnit at) => RomHypotheses.Sights(at);

    /// <summary>An image that is swapped, old, or only in part there, of a device that a job puts in.</summary>
    static IEnumerable<Hypothesis> Images(PlannedUnit at) =>
        from rom in at.Job?.Roms ?? []
        from claim in at.Claims
        where claim.Kind == ClaimKind.Rom && (claim.Sockets.Count == 0 || claim.Sockets.Contains(rom.Site))
        group claim by rom into claims
        let rom = claims.Key
        let claim = claims.First()
        select new Hypothesis(
            $"image:{rom.Site}",
            $"the {rom.Device} that went into {rom.Socket} holds a swapped, another or half an image",
            Work.UsualChance / 2,
            Shown.Of(Wrongly(at, claim).Item1)
        )
        {
            Effect = new Effect { IsDead = claim.Owner.Instance is null },
            Fault = new BusFault(FaultKind.RomImage, claim.Owner.ToString(), Detail: "swapped byte by byte"),
            Mend = "Read the device back, hold the dump against the image, and burn it again.",
            MendMinutes = 25,
            Look = new Look($"dump:{rom.Site}", $"Read the {rom.Device} of {rom.Socket} back and compare", 8, "equal", "differs")
            {
                Opens = at.FindSite(rom.Site) is { } site ? AccessPath.Path(at.Model, site.Access) : [],
            },
        };

    static (PowerUpCount?, string) Wrongly(PlannedUnit unit, DecodedClaim claim) =>
        claim.Owner.Instance is null
            ? (
                null,
                "The first instruction that the processor fetches is not the one burnt: it does not start, and shows nothing."
            )
            : (PowerUp.Run(unit), "The part's own program does not run; the count is the firmware's and stays.");

    /// <inheritdoc/>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked)
    {
        foreach (RomPlan rom in asked.Unit.Job?.Roms ?? [])
        {
            yield return new PassportLine(
                PassportPart.Fitted,
                rom.Device + (rom.Burns.LastOrDefault(b => b.Passed)?.Image is { Length: > 0 } image ? $" with {image}" : ""),
                rom.Site,
                string.Join(", ", rom.Ties.Select(t => $"{t.Key} to {t.Value}")),
                asked.IsDone(Acts.FitRom(rom.Site)) ? "fitted" : "planned"
            )
            {
                Label = rom.Device,
            };
            foreach (PassportLine line in Burnt(rom, asked.IsDone(RomActs.Cover(rom.Site))))
                yield return line;
            if (asked.IsDone(RomActs.Burn(rom.Site)) && !rom.Burns.Any(b => b.Passed))
                yield return new PassportLine(
                    BurntPart,
                    rom.Device,
                    rom.Site,
                    "",
                    "Burnt outside of the cabin's programmer: ticked by hand, no verify noted."
                );
        }
    }

    /// <summary>What was burnt for a socket, in its order, failed tries too.</summary>
    /// <param name="rom">What is planned for the socket.</param>
    /// <param name="covered">The window of the last good one is covered.</param>
    public static IEnumerable<PassportLine> Burnt(RomPlan rom, bool covered) =>
        from burn in rom.Burns
        let last = burn == rom.Burns.LastOrDefault(b => b.Passed)
        select new PassportLine(
            BurntPart,
            burn.Device
                + (burn.Batch.Length > 0 ? $", batch {burn.Batch}" : "")
                + (burn.Image.Length > 0 ? $", {burn.Image}" : "")
                + (burn.Erasures > 0 ? $", erased {burn.Erasures} times" : ""),
            rom.Site,
            burn.Setting,
            burn.InWords
                + (
                    !burn.Passed ? ""
                    : burn.Covered || (last && covered) ? " Window covered."
                    : " Window not covered yet."
                )
        )
        {
            At = burn.At,
            Label = burn.Label,
            Passed = burn.Passed,
        };

    /// <summary>Devices that are burnt.</summary>
    public override IEnumerable<Piece> Pieces(PlannedUnit unit) =>
        from rom in unit.Job?.Roms ?? []
        let device = RomDevice.Find(rom.Device)!
        let step = RomActs.Burn(rom.Site)
        select new Piece(StockKind.Chip, $"{device.Name}, ROM device", 1, item => DeviceStock.Is(item, device))
        {
            Step = step,
            Done = unit.Job!.Done.Contains(step),
        };

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit)
    {
        foreach (Site socket in (unit.Job?.Roms ?? []).Select(r => unit.FindSite(r.Site)).OfType<Site>())
        {
            if (socket.Pinout.Count == 0)
                yield return MissingFact.OfModel(
                    unit,
                    nameof(Model.Sites),
                    $"the pins of {socket.Called}",
                    "which legs of the device are lifted or linked"
                );
            if (socket.RomBudgetNs is null)
                yield return MissingFact.OfModel(
                    unit,
                    nameof(Model.Sites),
                    $"how long a ROM in {socket.Called} has to answer",
                    "whether the device is fast enough"
                );
        }
    }

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) => unit.Job?.Roms.Count > 0 ? Far.Clear : Far.Empty;
}
