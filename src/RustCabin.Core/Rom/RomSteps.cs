using RustCabin.Core.Build;
using RustCabin.Core.Planning;

namespace RustCabin.Core.Rom;

/// <summary>What burning and fitting a device adds to the build sheet: the proof, the burning, the legs and wires, the device into its socket.</summary>
public static class RomSteps
{
    const decimal ProofMinutes = 1,
        BurnMinutes = 12,
        CoverMinutes = 1,
        WireMinutes = 4,
        FitMinutes = 5;

    /// <summary>The proof and the burning, which are done before the case is opened for them.</summary>
    public static IEnumerable<Step> Prepare(PlannedUnit unit, RomPlan rom, int depth)
    {
        RomDevice device = RomDevice.Find(rom.Device)!;
        bool proved = RomProof.Holds(unit, rom);
        yield return new Step(
            $"proof-{rom.Site}",
            StepKind.Prove,
            $"Prove the {device.Name} for {rom.Site}",
            [
                rom.Image is null
                    ? "No image of it lies in the cabin: hold a dump of the burnt device against the original, then tick this."
                : proved ? $"Proved {rom.Proof!.At}: {rom.Proof.Words}"
                : "At the ROM station: what the processor would fetch is held against the image. Nothing is burnt before it passes.",
            ],
            depth,
            ProofMinutes,
            []
        )
        {
            Proved = rom.Image is null ? null : proved,
            Station = "ROM",
        };
        yield return new Step(
            $"burn-{rom.Site}",
            StepKind.Firmware,
            $"Burn the {device.Name}",
            [.. rom.Ops.Select(o => $"First {RomPlan.Words(o)}."), "Insert, identify, blank check, burn, verify, read back."],
            depth,
            BurnMinutes,
            [Caution.Of("static"), Caution.Of("ultraviolet")]
        );
        yield return new Step(
            $"cover-{rom.Site}",
            StepKind.Set,
            $"Cover the window of the {device.Name} and label it",
            [
                $"On the label: {string.Join(", ", RomLabel.Lines(unit, rom))}.",
                "Daylight erases it in weeks; a paper label alone does not keep it out.",
            ],
            depth,
            CoverMinutes,
            []
        );
    }

    /// <summary>Legs and wires, and the device into its socket.</summary>
    public static IEnumerable<Step> Fit(PlannedUnit unit, RomPlan rom, int depth)
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
                $"wire-{rom.Site}",
                StepKind.Set,
                $"Lift and link the legs of the {device.Name}",
                legs,
                depth,
                WireMinutes * legs.Length,
                [Caution.Of("hot"), Caution.Of("fumes")]
            );
        yield return new Step(
            $"fit-rom-{rom.Site}",
            StepKind.Fit,
            $"{device.Name} into {rom.Site}",
            [
                "Keep the original device, in foam, labelled.",
                .. wiring.Empty.Count > 0
                    ? [$"Contacts {string.Join(", ", wiring.Empty)} stay empty: it sits at the ground end."]
                    : (string[])[],
            ],
            depth,
            FitMinutes,
            [Caution.Of("static")]
        );
    }

    /// <summary>What is done with a tied leg, a tapped one with its place.</summary>
    public static string TieWords(PlannedUnit unit, RomDevice device, PinTie tie)
    {
        string net = device.Pins[tie.Pin - 1];
        return tie.To == WiredDevice.Tapped
            ? $"Wire leg {tie.Pin} ({net}) to {(Tap.Of(unit, net) is { Count: > 0 } at ? string.Join(" or ", at.Select(Tap.Words)) : $"where the board carries {net}")}"
            : $"Tie leg {tie.Pin} ({net}) to {tie.To}";
    }
}
