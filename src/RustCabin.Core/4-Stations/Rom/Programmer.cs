using RustCabin.Core.Chips;
using RustCabin.Core.Images;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>What can be wrong with the simulated programmer's device or setting.</summary>
public enum ProgrammerFault
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>The device was not erased for long enough.</summary>
    UnderErased,

    /// <summary>One bit does not take.</summary>
    WeakBit,

    /// <summary>Another device is in the socket than the one set.</summary>
    WrongDevice,

    /// <summary>The programmer is set to exchange bytes.</summary>
    SwappedSetting,
}

/// <summary>One step at the programmer and what it showed.</summary>
public sealed record BurnResult(BurnStep Step, bool Passed, string Words);

/// <summary>
/// The simulated programmer that ships with the application: a device of 0xFF cells whose bits only go from 1 to 0, with a
/// fault if one is asked for. It stands in for a real one, and says so wherever it is shown. Source: docs/handbook/rom.md,
/// Burning.
/// </summary>
public sealed class Programmer
{
    readonly RomDevice _device;
    readonly ProgrammerFault _fault;
    readonly byte[] _cells;

    /// <param name="device">The device that the plan names.</param>
    /// <param name="fault">What is wrong.</param>
    /// <param name="seed">Gives the same faulty cells each time.</param>
    public Programmer(RomDevice device, ProgrammerFault fault = ProgrammerFault.None, int seed = 1)
    {
        (_device, _fault) = (device, fault);
        _cells = new byte[device.Bytes];
        Array.Fill(_cells, (byte)0xFF);
        var random = new Random(seed);
        if (fault == ProgrammerFault.UnderErased)
            for (int i = 0; i < Math.Max(3, _cells.Length / 5000); i++)
                _cells[random.Next(_cells.Length)] &= (byte)~(1 << random.Next(8));
    }

    /// <summary>Puts the device into the programmer.</summary>
    public BurnResult Insert() =>
        new(BurnStep.Insert, true, $"{_device.Name}, {_device.Pins.Count} pins, its mark at the lever.");

    /// <summary>Asks the device what it is.</summary>
    public BurnResult Identify() =>
        _fault == ProgrammerFault.WrongDevice
            ? new(
                BurnStep.Identify,
                false,
                $"The device answers as another type than {_device.Name}: look at its marking before anything is burnt."
            )
            : new(BurnStep.Identify, true, $"It answers as {_device.Name}.");

    /// <summary>Looks whether every bit is 1.</summary>
    public BurnResult Blank()
    {
        int at = Array.FindIndex(_cells, c => c != 0xFF);
        return at < 0
            ? new(BurnStep.Blank, true, $"All {_cells.Length:#,0} bytes are 0xFF.")
            : new(
                BurnStep.Blank,
                false,
                $"0x{at:x} holds 0x{_cells[at]:x2}: it is not erased through. Erase it longer; bits only go from 1 to 0."
            );
    }

    /// <summary>
    /// Burns from address 0. Bits that are 0 already stay so; a swapped setting writes the bytes of each word the other way
    /// round.
    /// </summary>
    public BurnResult Burn(ReadOnlySpan<byte> file)
    {
        if (file.Length > _cells.Length)
            return new(BurnStep.Burn, false, $"The file has {file.Length:#,0} bytes, {_device.Name} holds {_cells.Length:#,0}.");
        for (int i = 0; i < file.Length; i++)
        {
            int to = _fault == ProgrammerFault.SwappedSetting && file.Length % 2 == 0 ? i ^ 1 : i;
            _cells[to] &= file[i];
        }
        // A weak cell keeps its 1, or loses it again: the device reads another byte than was burnt.
        if (_fault == ProgrammerFault.WeakBit && file.Length > 0)
        {
            int at = file.Length / 3;
            while (at < file.Length - 1 && _cells[at] == 0xFF)
                at++;
            _cells[at] |= (byte)(~_cells[at] & -~_cells[at]);
        }
        return new(BurnStep.Burn, true, $"{file.Length:#,0} bytes burnt.");
    }

    /// <summary>
    /// The programmer compares with its own setting, so a swapped setting passes here: only the read-back on the machine's terms
    /// shows it.
    /// </summary>
    public BurnResult Verify(ReadOnlySpan<byte> file)
    {
        for (int i = 0; i < file.Length; i++)
        {
            int from = _fault == ProgrammerFault.SwappedSetting && file.Length % 2 == 0 ? i ^ 1 : i;
            if (_cells[from] != file[i])
                return new(BurnStep.Verify, false, $"0x{i:x} reads 0x{_cells[from]:x2}, and 0x{file[i]:x2} was burnt.");
        }
        return new(BurnStep.Verify, true, "Every byte reads as it was burnt.");
    }

    /// <summary>What the device holds, up to a length in bytes.</summary>
    public byte[] ReadBack(int length) => _cells[..Math.Min(length, _cells.Length)];

    /// <summary>
    /// Every step in order, ending at the first that fails; the read-back is held against the file and its difference named.
    /// </summary>
    public IReadOnlyList<BurnResult> Run(ReadOnlySpan<byte> file)
    {
        var results = new List<BurnResult> { Insert(), Identify() };
        if (results[^1].Passed)
            results.Add(Blank());
        if (results[^1].Passed)
            results.Add(Burn(file));
        if (results[^1].Passed)
            results.Add(Verify(file));
        if (!results[^1].Passed)
            return results;
        Compared compared = RomCompare.Of(file, ReadBack(file.Length));
        results.Add(
            new(
                BurnStep.ReadBack,
                compared.Cause == Difference.Equal,
                compared.Cause == Difference.Equal ? "The dump is the file." : compared.Words
            )
        );
        return results;
    }
}

/// <summary>
/// Ultraviolet erasing: seconds = dose / intensity. 15 Ws/cm2 at 12 mW/cm2 is 1250 s; an old lamp and distance make it longer.
/// Source: docs/handbook/rom.md, Burning.
/// </summary>
public static class Erasing
{
    /// <summary>The dose that erases most devices, in Ws/cm2.</summary>
    public const decimal UsualDose = 15;

    /// <summary>What a new lamp gives, in mW/cm2.</summary>
    public const decimal UsualIntensity = 12;

    /// <param name="dose">In watt seconds a square centimetre, above 0.</param>
    /// <param name="intensity">At the window, in milliwatts a square centimetre, above 0.</param>
    /// <param name="lampShare">What the lamp still gives of its first day, above 0 to 1.</param>
    public static decimal Seconds(decimal dose, decimal intensity, decimal lampShare = 1)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(dose);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(intensity);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(lampShare);
        return dose * 1000 / (intensity * lampShare);
    }
}
