using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Presses;

/// <summary>
/// A claim as it is typed: who says so, how many times as fast, against which unit of the shelf or typical machine.
/// </summary>
public sealed record ClaimForm(string? Who, string? Ratio, string? Unit)
{
    /// <summary>Before the id of a model whose typical machine is the reference.</summary>
    public const string TypicalWord = "typical:";

    /// <summary>The claim; false: <paramref name="wrong"/> says what is wrong with which field.</summary>
    public bool TryRead(out SpeedClaim claim, out string wrong)
    {
        bool named = Texts.TryNeeded<SpeedClaim>(nameof(SpeedClaim.Who), Who, out string who);
        claim = new SpeedClaim { Who = who };
        wrong = $"say who claims it, in {Texts.Most<SpeedClaim>(nameof(SpeedClaim.Who))} characters at most";
        if (!named)
            return false;
        wrong = $"\"{Ratio?.Trim()}\" is not how many times as fast; type 1.00";
        if (!TypedNumber.TryParse(Ratio, out decimal times) || times is <= 0 or > 1_000_000)
            return false;
        claim = (Unit ?? "").Split(TypicalWord) is [_, var model]
            ? claim with
            {
                Ratio = times,
                Model = model,
            }
            : claim with
            {
                Ratio = times,
                Unit = string.IsNullOrEmpty(Unit) ? null : Unit,
            };
        return true;
    }
}

/// <summary>What a benchmark reads, as it is typed: a clock in MHz, whether it finds a coprocessor, memory as a size.</summary>
public sealed record SeenForm(string? Clock, string? Coprocessor, string? Memory)
{
    /// <summary>What was seen, empty fields left out; false: <paramref name="wrong"/> says which field is wrong.</summary>
    public bool TryRead(out SpeedSeen seen, out string wrong)
    {
        (string clock, string memory) = ((Clock ?? "").Trim(), (Memory ?? "").Trim());
        decimal? mhz = null;
        ByteSize? bytes = null;
        seen = new SpeedSeen();
        wrong = $"\"{clock}\" is not a clock in MHz";
        if (clock.Length > 0)
            if (TypedNumber.TryParse(clock, out decimal value) && value is > 0 and <= 100_000)
                mhz = value;
            else
                return false;
        wrong = $"\"{memory}\" is not a size; type 4096K or 4M";
        if (memory.Length > 0)
            if (ByteSize.TryTyped(memory, out ByteSize size))
                bytes = size;
            else
                return false;
        seen = new SpeedSeen
        {
            ClockMHz = mhz,
            Coprocessor = Coprocessor switch
            {
                "yes" => true,
                "no" => false,
                _ => null,
            },
            Memory = bytes,
        };
        return true;
    }
}
