using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>The devices of a job in their sockets: wiring, speed, byte order, and whether the plan has been proved. Source: domain.md, section 5.</summary>
static class RomChecks
{
    public static IEnumerable<Finding> Of(PlannedUnit unit) => (unit.Job?.Roms ?? []).SelectMany(rom => OfOne(unit, rom));

    static IEnumerable<Finding> OfOne(PlannedUnit unit, RomPlan rom)
    {
        string subject = $"model:{rom.Site}";
        RomDevice device = RomDevice.Find(rom.Device)!;
        if (unit.FindSite(rom.Site) is not { } site || site.Pinout.Count == 0)
        {
            yield return new Finding("ROM-PINS", Severity.Stop, "ROM", $"No socket {rom.Site}", [subject], $"This board has no ROM socket {rom.Site} whose contacts are known.", ["Its sheet must name the net of each contact."]);
            yield break;
        }
        foreach (Finding finding in RomWiring.Solve(device, site.Pinout, rom.Ties).Findings) yield return finding with { Subjects = [subject] };
        if (rom.Ns is { } ns && DeviceChoice.Speed(subject, device.Name, ns, site.RomBudgetNs) is { } slow) yield return slow;
        if (unit.Model.ByteOrder is { } order && device.DataLines == 16 && rom.Image is not null && (rom.Ops.Count(o => o.Op == "swap16") % 2 == 1) != (order == WordOrder.HighFirst))
            yield return new Finding("ROM-ORDER", Severity.Stop, "ROM", order == WordOrder.HighFirst ? "The bytes want swapping" : "The bytes are swapped", [subject],
                order == WordOrder.HighFirst ? $"The processor of the {unit.Model.Name} finds the high byte first, the programmer writes the low one first: unswapped, the machine does not start." : $"Programmer and processor agree about the low byte: swapped, the {unit.Model.Name} does not start.",
                ["A word-wide device is burnt from a file of bytes; swap exactly when the two disagree."]);
        if (rom.Proof is { } proof && proof.Of == rom.Key && !proof.Passed)
            yield return new Finding("ROM-PROOF", Severity.Stop, "ROM", "The proof fails", [subject], proof.Words, [$"Read through the socket on the simulated bus, {proof.At}."]);
        else if (rom.Image is not null && !rom.Proved)
            yield return new Finding("ROM-PROOF", Severity.Watch, "ROM", "Not proved yet", [subject], $"Read the planned {device.Name} through {rom.Site} on the simulated bus before it is burnt{(rom.Proof is null ? "" : "; the plan has changed since the last time")}.", ["What the processor would fetch is held against the image, byte for byte."]);
    }
}
