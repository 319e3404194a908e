using RustCabin.Core.Chips;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Planning;

/// <summary>One filled bank of a part: its place from 0, what the board gives it, and the chips in it.</summary>
sealed record FilledBank(int Index, MemoryArray Array, FittedChips Chips)
{
    /// <summary>The chips that it takes, counted.</summary>
    public BankOfChips Made => new(Chips.Type, Array.DataBits, Array.ParityBits);

    /// <summary>The filled banks of a part, bank 0 first.</summary>
    public static IEnumerable<FilledBank> Of(Instance instance)
    {
        foreach ((int i, (MemoryArray array, string? text)) in instance.Part.Arrays.Zip(instance.Fitted.Banks).Index())
            if (text is not null && FittedChips.TryParse(text, out FittedChips chips))
                yield return new FilledBank(i, array, chips);
    }
}
