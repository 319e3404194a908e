using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Rom;

/// <summary>What <c>rom/wiring</c> takes: a device and a socket.</summary>
public sealed record WiringAsked : ICompleted<WiringAsked>
{
    /// <summary>The device's name.</summary>
    [Required, Display(Description = "The device, of the built-in table: 27C400.")]
    public string Device { get; init; } = "";

    /// <summary>The net of each contact.</summary>
    [Display(Description = "The net of each contact, contact 1 first; 8 to 64, an even number.")]
    public IReadOnlyList<string> Socket { get; init; } = [];

    /// <summary>What lines are tied to that the socket lacks.</summary>
    [Display(Description = "What lines are tied to that the socket lacks, by net: GND, VCC or switch.")]
    public IReadOnlyDictionary<string, string> Ties { get; init; } = new Dictionary<string, string>();

    /// <summary>The wiring itself; the device must be one of the table.</summary>
    public RomWiring Wiring => RomWiring.Solve(RomDevice.Find(Device)!, Socket, Ties);

    /// <inheritdoc/>
    public WiringAsked Completed(RecordReading read)
    {
        if (Device.Length > 0 && RomDevice.Find(Device) is null)
            read.Wrong(
                "device",
                $"\"{Device}\" is not a device of the table: {string.Join(", ", RomDevice.All.Select(d => d.Name))}"
            );
        if (Socket.Count is < 8 or > 64 || Socket.Count % 2 != 0)
            read.Wrong("socket", $"must name an even number of contacts, 8 to 64, not {Socket.Count}");
        foreach ((string net, string to) in Ties)
            if (to is not (Nets.Ground or Nets.Supply or Nets.Switched))
                read.Wrong($"ties.{net}", $"\"{to}\" is not GND, VCC or switch");
        return this;
    }
}
