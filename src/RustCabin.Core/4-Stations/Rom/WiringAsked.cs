using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Rom;

/// <summary>What <c>rom/wiring</c> takes: a device and a socket.</summary>
public sealed record WiringAsked : ICompleted<WiringAsked>
{
    /// <summary>The device.</summary>
    [Required, Display(Description = "The device, of the built-in table: 27C400.")]
    public NamedDevice? Device { get; init; }

    /// <summary>The net of each contact.</summary>
    [Display(Description = "The net of each contact, contact 1 first; 8 to 64, an even number.")]
    public IReadOnlyList<string> Socket { get; init; } = [];

    /// <summary>What lines are tied to that the socket lacks.</summary>
    [Display(Description = "What lines are tied to that the socket lacks, by net: GND, VCC or switch.")]
    public IReadOnlyDictionary<string, string> Ties { get; init; } = new Dictionary<string, string>();

    /// <summary>The wiring itself, once nothing was wrong with the question.</summary>
    public RomWiring Wiring => RomWiring.Solve(Device!.Device, Socket, Ties);

    /// <inheritdoc/>
    public WiringAsked Completed(RecordReading read)
    {
        if (Socket.Count is < 8 or > 64 || Socket.Count % 2 != 0)
            read.Wrong("socket", $"must name an even number of contacts, 8 to 64, not {Socket.Count}");
        foreach ((string net, string to) in Ties)
            if (to is not (Nets.Ground or Nets.Supply or Nets.Switched))
                read.Wrong($"ties.{net}", $"\"{to}\" is not GND, VCC or switch");
        return this;
    }
}

/// <summary>A device of the built-in table, by its name.</summary>
public sealed record NamedDevice(RomDevice Device) : IOwnForm<NamedDevice>
{
    /// <inheritdoc/>
    public static Shape Shape => Shape.Name;

    /// <inheritdoc/>
    public static NamedDevice? Read(JsonElement element, SheetReading reading)
    {
        string name = element.ValueKind == JsonValueKind.String ? element.GetString()! : "";
        if (RomDevice.Find(name) is { } device)
            return new NamedDevice(device);
        string all = string.Join(", ", RomDevice.All.Select(d => d.Name));
        reading.Wrong(
            element.ValueKind == JsonValueKind.String
                ? $"\"{name}\" is not a device of the table: {all}"
                : "must be text, the name of a device such as 27C400"
        );
        return null;
    }

    /// <inheritdoc/>
    public static JsonNode? Write(NamedDevice value) => value.Device.Name;
}
