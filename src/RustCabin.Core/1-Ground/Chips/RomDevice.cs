using System.Text.Json;

namespace RustCabin.Core.Chips;

/// <summary>
/// A memory device of the pinout table, which ships as data (rom-devices.json): the net of each pin, pin 1 first. <c>/</c> is
/// active low, <c>n</c> not connected; a name with <c>+</c> carries all its parts. Source: docs/handbook/rom.md, Devices and
/// sockets.
/// </summary>
public sealed record RomDevice(string Name, IReadOnlyList<string> Aliases, IReadOnlyList<string> Pins)
{
    static readonly IReadOnlyList<RomDevice> Loaded = Load();

    /// <summary>Every device of the table.</summary>
    public static IReadOnlyList<RomDevice> All => Loaded;

    /// <summary>The device of a name, as <c>27C400</c>; null where the table has none.</summary>
    public static RomDevice? Find(string name) =>
        Loaded.FirstOrDefault(d =>
            d.Name.Equals(name.Trim(), StringComparison.OrdinalIgnoreCase)
            || d.Aliases.Contains(name.Trim(), StringComparer.OrdinalIgnoreCase)
        );

    /// <summary>Address lines and data lines.</summary>
    public int AddressLines { get; } = Pins.Count(p => Nets.IsAddress(p));

    /// <summary>Its data legs.</summary>
    public int DataLines { get; } = Pins.Count(p => Nets.IsData(p));

    /// <summary>Bytes that it holds.</summary>
    public ulong Bytes => (1ul << AddressLines) * (ulong)DataLines / 8;

    static IReadOnlyList<RomDevice> Load()
    {
        using Stream data =
            typeof(RomDevice).Assembly.GetManifestResourceStream("rom-devices.json")
            ?? throw new InvalidOperationException("The table of ROM devices is missing.");
        return JsonSerializer.Deserialize<RomDevice[]>(data, JsonSerializerOptions.Web)!;
    }
}

/// <summary>What the names of nets mean on a memory device or its socket.</summary>
public static class Nets
{
    /// <summary>A contact that leads nowhere.</summary>
    public const string None = "n";

    /// <summary>Ground; a tie to it is low.</summary>
    public const string Ground = "GND";

    /// <summary>The supply; a tie to it is high.</summary>
    public const string Supply = "VCC";

    /// <summary>A tie to a switch.</summary>
    public const string Switched = "switch";

    /// <summary>A tie to where the board carries the line.</summary>
    public const string Tapped = "tap";

    /// <summary>True for an address line.</summary>
    public static bool IsAddress(string net) =>
        net.Length > 1 && net[0] == 'A' && net.AsSpan(1).IndexOfAnyExceptInRange('0', '9') < 0;

    /// <summary>True for a data line.</summary>
    public static bool IsData(string net) =>
        net.Length > 1 && net[0] == 'D' && net.AsSpan(1).IndexOfAnyExceptInRange('0', '9') < 0;

    /// <summary>
    /// What a pin must be given so that the device can be read: programming pins rest at the supply, the word mode is taken.
    /// </summary>
    public static string InReading(string pin) =>
        pin switch
        {
            "VPP" or "/PGM" or "/BYTE+VPP" or "/BYTE" => Supply,
            "/OE+VPP" => "/OE",
            _ => pin,
        };
}
