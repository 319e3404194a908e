using RustCabin.Core.Chips;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Rom;

/// <summary>
/// The devices of a job in their sockets: wiring, speed, byte order, and whether the plan has been proved. Source:
/// docs/handbook/rom.md, Devices and sockets.
/// </summary>
static class RomChecks
{
    public static IEnumerable<Finding> Of(PlannedUnit unit) => (unit.Job?.Roms ?? []).SelectMany(rom => OfOne(unit, rom));

    static IEnumerable<Finding> OfOne(PlannedUnit unit, RomPlan rom)
    {
        Subject subject = Subject.Model(rom.Site);
        RomDevice device = RomDevice.Find(rom.Device)!;
        if (unit.FindSite(rom.Site) is not { } site || site.Pinout.Count == 0)
        {
            yield return new Finding(
                RomFindings.RomPins,
                Severity.Stop,
                $"No socket {rom.Socket}",
                [subject],
                $"This board has no ROM socket {rom.Socket} whose contacts are known.",
                ["Its sheet must name the net of each contact."]
            );
            yield break;
        }
        RomWiring wiring = RomWiring.Solve(device, site.Pinout, rom.Ties);
        foreach (Finding finding in wiring.Findings)
            yield return finding with
            {
                Subjects = [subject],
                Why = finding.Kind == RomFindings.RomLines ? [.. finding.Why, .. Taps(unit, device, site)] : finding.Why,
            };
        foreach (Finding finding in Room(unit, rom, device, site, wiring))
            yield return finding with
            {
                Subjects = [subject],
            };
        if (rom.Ns is { } ns && DeviceChoice.Speed(subject, device.Name, ns, site.RomBudgetNs) is { } slow)
            yield return slow;
        if (
            unit.Model.ByteOrder is { } order
            && device.DataLines == 16
            && rom.Image is not null
            && (rom.Ops.Count(o => o.Op == "swap16") % 2 == 1) != (order == WordOrder.HighFirst)
        )
            yield return new Finding(
                RomFindings.RomOrder,
                Severity.Stop,
                order == WordOrder.HighFirst ? "The bytes want swapping" : "The bytes are swapped",
                [subject],
                order == WordOrder.HighFirst
                    ? $"The processor of the {unit.Model.Name} finds the high byte first, the programmer writes the low one "
                        + $"first: unswapped, the machine does not start."
                    : $"Programmer and processor agree about the low byte: swapped, the {unit.Model.Name} does not start.",
                ["A word-wide device is burnt from a file of bytes; swap exactly when the two disagree."]
            );
    }

    /// <summary>
    /// ROM-PROOF: it is of this plan on this board with whatever else answers there, so it rests on the whole unit.
    /// </summary>
    public static IEnumerable<Finding> Proofs(PlannedUnit unit) =>
        (unit.Job?.Roms ?? [])
            .Where(r => unit.FindSite(r.Site) is { Pinout.Count: > 0 })
            .SelectMany(rom => ProofOf(unit, rom, Subject.Model(rom.Site)));

    static IEnumerable<Finding> ProofOf(PlannedUnit unit, RomPlan rom, Subject subject)
    {
        if (rom.Proof is { Passed: false } proof && RomProof.IsFresh(unit, rom))
            yield return new Finding(
                RomFindings.RomProof,
                Severity.Stop,
                "The proof fails",
                [subject],
                proof.Words,
                [$"Read through the socket on the simulated bus, {proof.At}."]
            );
        else if (rom.Image is not null && !RomProof.Holds(unit, rom))
            yield return new Finding(
                RomFindings.RomProof,
                Severity.Watch,
                "Not proved yet",
                [subject],
                $"Read the planned {rom.Device} through {rom.Socket} on the simulated bus before it is "
                    + $"burnt{(rom.Proof is null ? "" : "; the plan or the board has changed since the last time")}.",
                ["What the processor would fetch is held against the image, byte for byte."]
            );
    }

    /// <summary>
    /// ROM-SIZE where the images are more than the device, ROM-LINES where the socket reaches less than the image or a tap has no
    /// place.
    /// </summary>
    static IEnumerable<Finding> Room(PlannedUnit unit, RomPlan rom, RomDevice device, Site site, RomWiring wiring)
    {
        if (!wiring.Fits)
            yield break;
        // What the chain cuts down is not all of it to go in.
        int? whole = rom.Ops.Any(o => o.Op is "slice" or "split") ? null : rom.Bytes;
        if (whole is { } bytes && (ulong)bytes > device.Bytes)
            yield return new Finding(
                RomFindings.RomSize,
                Severity.Stop,
                $"{new ByteSize((ulong)bytes)} into {new ByteSize(device.Bytes)}",
                [],
                $"The {(rom.Further.Count > 0 ? "images have" : "image has")} {bytes:#,0} bytes; a {device.Name} holds "
                    + $"{device.Bytes:#,0}.",
                ["Take a larger device, or fewer images."]
            );
        ulong reach = Reach(device, site, wiring);
        int missing = Missing(device, site).Count;
        if (whole is { } own && rom.Further.Count == 0 && (ulong)own <= device.Bytes && (ulong)own > reach)
            yield return new Finding(
                RomFindings.RomLines,
                Severity.Stop,
                "A part of the image is out of reach",
                [],
                $"Of the image's {new ByteSize((ulong)own)} the socket reaches {new ByteSize(reach)}.",
                [
                    $"The socket carries {missing} address {(missing == 1 ? "line" : "lines")} less than the {device.Name} has.",
                    .. Taps(unit, device, site),
                ]
            );
        foreach (
            string net in wiring
                .Ties.Where(t => t.To == Nets.Tapped)
                .Select(t => device.Pins[t.Pin - 1])
                .Where(net => Tap.Of(unit, net).Count == 0)
        )
            yield return new Finding(
                RomFindings.RomLines,
                Severity.Stop,
                $"No place to tap {net}",
                [],
                $"{net} is to be tapped on the board, and the sheet of the {unit.Model.Name} names no place that carries it.",
                [$"Add {net} to its signals, or tie the leg."]
            );
    }

    static IReadOnlyList<string> Missing(RomDevice device, Site site) =>
        [.. device.Pins.Where(Nets.IsAddress).Distinct().Except(site.Pinout)];

    /// <summary>The bytes of the device that one switch position reaches.</summary>
    static ulong Reach(RomDevice device, Site site, RomWiring wiring) =>
        device.Bytes
        >> Missing(device, site).Count(net => wiring.Ties.All(t => device.Pins[t.Pin - 1] != net || t.To != Nets.Tapped));

    /// <summary>Where each line that the socket lacks can be tapped on this board.</summary>
    static IEnumerable<string> Taps(PlannedUnit unit, RomDevice device, Site site) =>
        Missing(device, site)
            .Select(net =>
                Tap.Of(unit, net) is { Count: > 0 } at
                    ? $"{net} can be tapped at {string.Join(" or ", at.Select(Tap.Words))}."
                    : $"No sheet says where this board carries {net}."
            );
}
