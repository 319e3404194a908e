using System.Globalization;
using RustCabin.Core.Chips;

namespace RustCabin.Core.Rom;

/// <summary>
/// A device in its socket, read leg by leg: each leg gets what its contact, its wire or its tie carries, and no more. The
/// wiring solver is not asked; its result is followed, so a mistake in it shows here. Source: docs/handbook/rom.md, Proof.
/// </summary>
sealed class WiredDevice
{
    readonly (int Line, int From, bool Level)[] _address;
    readonly (int Line, int To)[] _data;
    readonly bool _highFirst;

    WiredDevice(RomDevice device, (int, int, bool)[] address, (int, int)[] data, bool highFirst)
    {
        (_address, _data, _highFirst) = (address, data, highFirst);
        Width = device.DataLines / 8;
    }

    /// <summary>Bytes of a word.</summary>
    public int Width { get; }

    /// <summary>Null where a leg is joined to two nets.</summary>
    /// <param name="levels">Where a leg is tied to a switch: high or not, by the device's net; low where it is not named.</param>
    public static WiredDevice? Make(
        RomDevice device,
        IReadOnlyList<string> socket,
        RomWiring wiring,
        IReadOnlyDictionary<string, bool> levels,
        bool highFirst
    )
    {
        int ahead = (socket.Count - device.Pins.Count) / 2;
        var address = new List<(int, int, bool)>();
        var data = new List<(int, int)>();
        for (int pin = 1; pin <= device.Pins.Count; pin++)
        {
            string own = device.Pins[pin - 1],
                contact = socket[pin + ahead - 1];
            string[] joined =
            [
                .. !wiring.Lift.Contains(pin) && contact != Nets.None ? [Nets.InReading(contact)] : (string[])[],
                .. wiring.Links.Where(l => l.DevicePin == pin).Select(l => Nets.InReading(socket[l.SocketPin - 1])),
                .. wiring.Ties.Where(t => t.Pin == pin).Select(t => t.To == Nets.Tapped ? own : t.To),
            ];
            if (joined.Distinct().Count() > 1)
                return null;
            string net = joined.FirstOrDefault() ?? Nets.None;
            if (Nets.IsAddress(own))
                address.Add(
                    (
                        Number(own),
                        Nets.IsAddress(net) ? Number(net) : -1,
                        net == Nets.Supply || (net == "switch" && levels.GetValueOrDefault(own))
                    )
                );
            else if (Nets.IsData(own) && Nets.IsData(net))
                data.Add((Number(own), Number(net)));
        }
        return new WiredDevice(device, [.. address], [.. data], highFirst);
    }

    /// <summary>The byte of the device's own contents that a word and lane of the socket reach.</summary>
    long Place(long word, int lane)
    {
        long at = 0;
        foreach ((int line, int from, bool level) in _address)
            if (from >= 0 ? (word >> from & 1) != 0 : level)
                at |= 1L << line;
        return at * Width + lane;
    }

    /// <summary>The byte of the device that is reached at a byte address of the socket.</summary>
    public long ByteOf(long address) => Place(address / Width, (int)(address % Width));

    /// <summary>
    /// What the processor gets at a byte address of the socket, from a device that holds <paramref name="burnt"/> and is blank
    /// behind it.
    /// </summary>
    public byte Read(long address, ReadOnlySpan<byte> burnt)
    {
        int seen = (int)(address % Width),
            lane = _highFirst ? Width - 1 - seen : seen;
        long place = Place(address / Width, lane);
        byte held = place < burnt.Length ? burnt[(int)place] : (byte)0xFF,
            got = 0;
        // Each data line lands on the contact that its leg reaches.
        foreach ((int line, int to) in _data)
            if (line / 8 == lane && (held >> (line & 7) & 1) != 0 && to / 8 == lane)
                got |= (byte)(1 << (to & 7));
        return got;
    }

    public static int Number(string net) => int.Parse(net.AsSpan(1), CultureInfo.InvariantCulture);
}
