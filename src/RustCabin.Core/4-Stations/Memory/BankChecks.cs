using RustCabin.Core.Findings;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Memory;

static class BankChecks
{
    /// <summary>
    /// BANK-RESET: a bank register whose value at power-up is not defined: a stop, or a watch where firmware writes it before it
    /// uses the window. Source: docs/handbook/memory.md, Bank windows.
    /// </summary>
    public static IEnumerable<Finding> Reset(PlannedUnit unit)
    {
        foreach (DecodedClaim claim in unit.Claims)
        {
            if (claim.Window is not { Register: not null } window || window.Reset == WindowReset.Defined)
                continue;
            bool written = window.Reset == WindowReset.WrittenFirst;
            string shows = written
                ? "; its software must write it before it uses the window"
                : ": another of its banks shows each time";
            yield return new Finding(
                MemoryFindings.BankReset,
                written ? Severity.Watch : Severity.Stop,
                "Which bank shows at the start",
                [claim.Owner.Subject],
                $"The bank register of {unit.OwnerName(claim.Owner)} may hold anything at " + $"power-up{shows}.",
                [
                    $"{window.Banks} banks of {new Units.ByteSize(claim.Size)} behind one window; the register is a latch "
                        + $"without a reset.",
                    written
                        ? "The sheet says that the register is written first. Programs that use the window without it see a "
                            + "bank by chance."
                        : "A program that is in one bank is then not where the machine looks for it.",
                    "Mend: a reset circuit; the Memory station works out its resistor and capacitor.",
                ]
            );
        }
    }
}
