using RustCabin.Core.Chips;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Rom;

/// <summary>
/// What burning and fitting a device adds to a build: the proof, the burning, the legs and wires, the device into its socket.
/// </summary>
public static class RomSteps
{
    const decimal ProofMinutes = 1,
        BurnMinutes = 12,
        CoverMinutes = 1,
        WireMinutes = 4,
        FitMinutes = 5;

    /// <summary>
    /// The work of one device: what is prepared with the case as it is, then what is done at the socket, and its gate.
    /// </summary>
    public static IEnumerable<Work> Of(PlannedUnit unit, RomPlan rom)
    {
        yield return new Work(WorkTime.Firmware, [.. Prepare(unit, rom)]) { Anywhere = true };
        Step[] fit = [.. Fit(unit, rom)];
        Site? socket = unit.FindSite(rom.Site);
        yield return new Work(WorkTime.Firmware, fit)
        {
            Opens = socket is { } site ? AccessPath.Path(unit.Model, site.Access) : [],
            Anywhere = socket?.Access is null,
            After = [.. Carriers(unit, rom).Select(i => Acts.Fit(i.Name))],
            Touches = [rom.Site],
            Gate = new GateAsked(
                Acts.CountRom(rom.Site),
                $"with the new {rom.Device} in {rom.Socket}",
                [.. fit.Select(s => s.Id)]
            )
            {
                Alone = true,
            },
        };
    }

    /// <summary>Parts of the job that bring the socket, or put one where a chip is soldered.</summary>
    static IEnumerable<Instance> Carriers(PlannedUnit unit, RomPlan rom) =>
        unit.Instances.Where(i =>
            i.Added
            && (
                rom.Site.StartsWith($"{i.Name}:", StringComparison.Ordinal)
                || i.Occupied.Any(o => o.Site == rom.Site && (i.Way!.FitsSocket || o.Mode == SiteMode.Between))
            )
        );

    /// <summary>The proof and the burning, which are done before the case is opened for them.</summary>
    static IEnumerable<Step> Prepare(PlannedUnit unit, RomPlan rom)
    {
        RomDevice device = RomDevice.Find(rom.Device)!;
        bool proved = RomProof.Holds(unit, rom);
        string proof =
            rom.Image is null
                ? "No image of it lies in the cabin: hold a dump of the burnt device against the original, then tick this."
            : proved ? $"Proved {rom.Proof!.At}: {rom.Proof.Words}"
            : "At the ROM station: what the processor would fetch is held against the image. Nothing is burnt before it passes.";
        yield return new Step(
            RomActs.Proof(rom.Site),
            StepKind.Prove,
            $"Prove the {device.Name} for {rom.Socket}",
            [proof],
            ProofMinutes
        )
        {
            Proved = rom.Image is null ? null : proved,
            Station = RomStation.Here,
        };
        string[] burn = [.. rom.Ops.Select(o => $"First {o.Words}."), "Insert, identify, blank check, burn, verify, read back."];
        yield return new Step(RomActs.Burn(rom.Site), StepKind.Firmware, $"Burn the {device.Name}", burn, BurnMinutes)
        {
            Cautions = [Caution.Of("static"), Caution.Of("ultraviolet")],
            Needs = [RomActs.Proof(rom.Site)],
        };
        string[] cover =
        [
            $"On the label: {string.Join(", ", RomLabel.Lines(unit, rom))}.",
            "Daylight erases it in weeks; a paper label alone does not keep it out.",
        ];
        string window = $"Cover the window of the {device.Name} and label it";
        yield return new Step(RomActs.Cover(rom.Site), StepKind.Set, window, cover, CoverMinutes)
        {
            Needs = [RomActs.Burn(rom.Site)],
        };
    }

    /// <summary>Legs and wires, and the device into its socket.</summary>
    static IEnumerable<Step> Fit(PlannedUnit unit, RomPlan rom)
    {
        RomDevice device = RomDevice.Find(rom.Device)!;
        if (unit.FindSite(rom.Site) is not { Pinout.Count: > 0 } site)
            yield break;
        RomWiring wiring = RomWiring.Solve(device, site.Pinout, rom.Ties);
        string[] legs =
        [
            .. wiring.Lift.Select(p => $"Lift leg {p} ({device.Pins[p - 1]})."),
            .. wiring.Links.Select(l => $"Link {l.Net} from contact {l.SocketPin} to leg {l.DevicePin}."),
            .. wiring.Ties.Select(t => $"{TieWords(unit, device, t)}."),
        ];
        if (legs.Length > 0)
            yield return new Step(
                RomActs.Wire(rom.Site),
                StepKind.Set,
                $"Lift and link the legs of the {device.Name}",
                legs,
                WireMinutes * legs.Length
            )
            {
                Cautions = [Caution.Of("hot"), Caution.Of("fumes")],
            };
        string[] keep =
        [
            "Keep the original device, in foam, labelled.",
            .. wiring.Empty.Count > 0
                ? [$"Contacts {string.Join(", ", wiring.Empty)} stay empty: it sits at the ground end."]
                : (string[])[],
        ];
        yield return new Step(Acts.FitRom(rom.Site), StepKind.Fit, $"{device.Name} into {rom.Socket}", keep, FitMinutes)
        {
            Cautions = [Caution.Of("static")],
            Needs = [RomActs.Burn(rom.Site), .. legs.Length > 0 ? [RomActs.Wire(rom.Site)] : (StepId[])[]],
        };
    }

    /// <summary>What is done with a tied leg, a tapped one with its place.</summary>
    public static string TieWords(PlannedUnit unit, RomDevice device, PinTie tie)
    {
        string net = device.Pins[tie.Pin - 1];
        if (tie.To != Nets.Tapped)
            return $"Tie leg {tie.Pin} ({net}) to {tie.To}";
        string places = string.Join(" or ", Tap.Of(unit, net).Select(Tap.Words));
        return $"Wire leg {tie.Pin} ({net}) to {(places.Length > 0 ? places : $"where the board carries {net}")}";
    }
}
