using System.Globalization;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Memory;

/// <summary>
/// A listing that walks every bank of a window: it writes another pattern into each bank, then reads all back, so that two banks
/// that are one are found too.
/// Plain line-numbered BASIC, a statement a line, and the same as an outline for an assembler. Source: docs/handbook/memory.md,
/// Bank windows.
/// </summary>
/// <param name="SecondsPerPass">About, by the clock of the model: interpreted BASIC does some 250 statements a second at 1
/// MHz.</param>
/// <param name="CleanPasses">How many to ask for: a fault that shows in three passes of ten is then missed once in 24 or
/// less.</param>
public sealed record BankListing(
    ClaimName Owner,
    IReadOnlyList<string> Basic,
    IReadOnlyList<string> Assembly,
    double SecondsPerPass,
    int CleanPasses
)
{
    const int Step = 256;
    const double StatementsPerSecondAndMHz = 250;

    /// <summary>A listing for each window with a register that the first master can write; in the order of the claims.</summary>
    public static IReadOnlyList<BankListing> Of(PlannedUnit unit) =>
        [
            .. from claim in unit.Claims
            where claim is { Window: { Register: not null, Banks: > 1 }, Kind: Sheets.ClaimKind.Ram } && (claim.Masters & 1) != 0
            let register = unit.Claims.FirstOrDefault(c => c.Owner == claim.RegisterOwner && c.Writes)
            where register is not null && (register.Masters & 1) != 0
            select Make(unit, claim, register),
        ];

    static BankListing Make(PlannedUnit unit, DecodedClaim window, DecodedClaim register)
    {
        ulong step = Math.Min(Step, window.Size);
        int banks = window.Window!.Banks;
        double cells = banks * (double)(window.Size / step),
            mhz = (double)(unit.Model.ClockMHz ?? 1);
        return new BankListing(
            window.Owner,
            [.. Statements(window, register, step).Select((s, i) => $"{(i + 1) * 10} {s}")],
            InAssembly(window, register, step),
            cells * (5 + 5) / (StatementsPerSecondAndMHz * mhz),
            Math.Max(1, (int)Math.Ceiling(Math.Log(0.05) / Math.Log(0.7)))
        );
    }

    static string[] Statements(DecodedClaim window, DecodedClaim register, ulong step) =>
        [
            $"REM EVERY BANK OF THE WINDOW AT {N(window.Base)}",
            $"LET W={N(window.Base)}",
            $"LET S={N(window.Size)}",
            $"LET R={N(register.Base)}",
            $"LET N={window.Window!.Banks}",
            "LET F=0",
            "REM A PATTERN OF ITS OWN INTO EACH",
            "FOR B=0 TO N-1",
            "POKE R,B",
            $"FOR A=W TO W+S-1 STEP {step}",
            $"LET P=B*37+INT(A/{step})*89+1",
            "LET P=P-INT(P/256)*256",
            "POKE A,P",
            "NEXT A",
            "NEXT B",
            "REM AND ALL OF IT BACK",
            "FOR B=0 TO N-1",
            "POKE R,B",
            "LET G=0",
            $"FOR A=W TO W+S-1 STEP {step}",
            $"LET P=B*37+INT(A/{step})*89+1",
            "LET P=P-INT(P/256)*256",
            "IF PEEK(A)<>P THEN LET G=G+1",
            "NEXT A",
            "IF G>0 THEN PRINT \"BAD BANK \";B",
            "IF G>0 THEN LET F=F+1",
            "NEXT B",
            "IF F=0 THEN PRINT \"CLEAN PASS\"",
            "END",
        ];

    static string[] InAssembly(DecodedClaim window, DecodedClaim register, ulong step) =>
        [
            $"; {window.Window!.Banks} banks of {window.Size} bytes at ${window.Base:X}, register ${register.Base:X}",
            "write:  bank <- 0",
            $"wbank:  store bank -> ${register.Base:X}",
            $"        point <- ${window.Base:X}",
            $"wcell:  store low byte of (bank * 37 + point / {step} * 89 + 1) -> [point]",
            $"        point <- point + {step}; below ${window.Base + window.Size:X}: wcell",
            $"        bank <- bank + 1; below {window.Window!.Banks}: wbank",
            "read:   bank <- 0",
            $"rbank:  store bank -> ${register.Base:X}",
            $"        point <- ${window.Base:X}",
            "rcell:  load [point]; not the byte written: show bank, count a fault",
            $"        point <- point + {step}; below ${window.Base + window.Size:X}: rcell",
            $"        bank <- bank + 1; below {window.Window!.Banks}: rbank",
            "        no fault: a clean pass",
        ];

    static string N(ulong number) => number.ToString(CultureInfo.InvariantCulture);
}
