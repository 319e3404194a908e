using RustCabin.Core.Chips;
using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>A wire from a contact of the socket to a leg of the device that is lifted or hangs over nothing.</summary>
public sealed record WireLink(string Net, int SocketPin, int DevicePin);

/// <summary>A leg tied to GND, VCC or a switch.</summary>
public sealed record PinTie(int Pin, string To);

/// <summary>
/// A device wired into a socket: legs to lift, wires to link, legs to tie, and contacts that no leg reaches. <paramref
/// name="Fits"/> false: it cannot be done, and the findings say why. Pins are numbered on the device, contacts on the socket,
/// both from 1.
/// </summary>
public sealed record RomWiring(
    bool Fits,
    IReadOnlyList<int> Lift,
    IReadOnlyList<WireLink> Links,
    IReadOnlyList<PinTie> Ties,
    IReadOnlyList<int> Empty,
    IReadOnlyList<Finding> Findings
)
{
    /// <summary>
    /// Wires a device into a socket, lifting as few legs and then linking as few wires as can be: legs that meet their own net
    /// stay, legs over a dead contact are wired without lifting, the others are lifted. An address line that the socket lacks
    /// is tied low unless <paramref name="ties"/> says otherwise. Source: docs/handbook/rom.md, Devices and sockets.
    /// </summary>
    /// <param name="device">The device.</param>
    /// <param name="socket">The net of each contact, contact 1 first.</param>
    /// <param name="ties">By the device's net: GND, VCC or switch.</param>
    public static RomWiring Solve(RomDevice device, IReadOnlyList<string> socket, IReadOnlyDictionary<string, string> ties)
    {
        int ahead = (socket.Count - device.Pins.Count) / 2;
        if (Unlike(device, socket) is { } unlike)
            return unlike;
        var lift = new List<int>();
        var links = new List<WireLink>();
        var tied = new List<PinTie>();
        var findings = new List<Finding>();
        var low = new HashSet<string>();
        var carried = socket
            .Index()
            .Where(c => c.Item != Nets.None)
            .GroupBy(c => Nets.InReading(c.Item))
            .ToDictionary(g => g.Key, g => g.First().Index + 1);
        foreach ((int index, string own) in device.Pins.Index())
        {
            int pin = index + 1,
                contact = pin + ahead;
            if (own == Nets.None)
                continue;
            string wanted = Nets.InReading(own),
                here = Nets.InReading(socket[contact - 1]);
            string? tie =
                ties.GetValueOrDefault(own)
                ?? ties.GetValueOrDefault(wanted)
                ?? (wanted is Nets.Supply or Nets.Ground ? wanted : null);
            if (tie is null && !carried.ContainsKey(wanted))
            {
                bool selects = wanted is Enable or Select;
                if (!selects && !Nets.IsAddress(wanted))
                    return Cannot(
                        RomFindings.RomPins,
                        $"{device.Name} needs {wanted} on pin {pin}; the socket carries it nowhere.",
                        "Find the signal on the board, or take another device."
                    );
                tie = Nets.Ground;
                findings.Add(selects ? Always(device, wanted) : Half(wanted));
            }
            if (tie is not null && Undone(device, wanted, tie) is { } undone)
                return undone;
            if (tie == Nets.Ground && wanted is Enable or Select)
                low.Add(wanted);
            if (here == (tie ?? wanted))
                continue;
            if (socket[contact - 1] != Nets.None)
                lift.Add(pin);
            if (tie is not null)
                tied.Add(new PinTie(pin, tie));
            else
                links.Add(new WireLink(wanted, carried[wanted], pin));
        }

        if (NothingSelects(device, low) is { } bare)
            return bare;
        findings.AddRange(SeenAgain(device, socket));
        int[] empty = [.. Enumerable.Range(1, socket.Count).Where(c => c <= ahead || c > socket.Count - ahead)];
        return new RomWiring(true, lift, links, tied, empty, findings);
    }

    /// <summary>A device that is too large for the socket, or whose words are of another width; null: it goes in.</summary>
    static RomWiring? Unlike(RomDevice device, IReadOnlyList<string> socket)
    {
        if (device.Pins.Count > socket.Count || (socket.Count - device.Pins.Count) % 2 != 0)
            return Cannot(
                RomFindings.RomPins,
                $"{device.Name} has {device.Pins.Count} pins, the socket {socket.Count}.",
                "A smaller device may sit at the ground end of a larger socket, not the other way round."
            );
        int lanes = socket.Where(Nets.IsData).Distinct().Count();
        if (lanes != device.DataLines)
            return Cannot(
                RomFindings.RomLanes,
                $"{device.Name} is {device.DataLines} bits wide, the socket {lanes}.",
                "The words must be as wide; two devices of half the width hold a split image."
            );
        return null;
    }

    /// <summary>A device that nothing of the socket selects would drive the bus at all times; null: something does.</summary>
    static RomWiring? NothingSelects(RomDevice device, HashSet<string> low)
    {
        if (low.Contains(Select) && (low.Contains(Enable) || !device.Pins.Any(p => Nets.InReading(p) == Enable)))
            return Cannot(
                RomFindings.RomPins,
                $"Nothing selects {device.Name}: {string.Join(" and ", low.Order())} are tied low, so it always drives the bus.",
                $"One of {Select} and {Enable} must come from the socket."
            );
        return null;
    }

    /// <summary>A device with fewer address lines than the socket shows several times over.</summary>
    static IEnumerable<Finding> SeenAgain(RomDevice device, IReadOnlyList<string> socket)
    {
        string[] unread = [.. socket.Where(Nets.IsAddress).Distinct().Where(net => !device.Pins.Contains(net))];
        if (unread.Length > 0)
            yield return new Finding(
                RomFindings.RomSize,
                Severity.Watch,
                $"{device.Name} is smaller than the socket",
                [Subject.Unit],
                $"{device.Name} has no {string.Join(" and no ", unread)}: it is seen {1 << unread.Length} times over.",
                [
                    $"It holds {new Units.ByteSize(device.Bytes)}; the socket reaches "
                        + $"{new Units.ByteSize(device.Bytes << unread.Length)}.",
                ]
            );
    }

    static RomWiring Cannot(FindingKind kind, string text, string why) =>
        new(
            false,
            [],
            [],
            [],
            [],
            [new Finding(kind, Severity.Stop, "It does not go into this socket", [Subject.Unit], text, [why])]
        );

    const string Select = "/CE",
        Enable = "/OE";

    /// <summary>A tie with which the device can never answer, or answers wrongly; null: none of those.</summary>
    static RomWiring? Undone(RomDevice device, string wanted, string tie) =>
        wanted is Select or Enable && tie == Nets.Supply
            ? Cannot(
                RomFindings.RomPins,
                $"{wanted} of {device.Name} is tied high: it never {(wanted == Select ? "wakes" : "drives the bus")}.",
                $"{wanted} is active low: tie it low, or take it from the board."
            )
        : Nets.IsData(wanted)
            ? Cannot(
                RomFindings.RomPins,
                $"{wanted} of {device.Name} is tied: the bus would never see that bit.",
                "A data line comes from the socket."
            )
        : null;

    static Finding Half(string line) =>
        Lacking(
            $"The socket lacks {line}: it is tied low, and a half of the device is used.",
            "Tied high it is the other half; on a switch, both, one at a time."
        );

    static Finding Always(RomDevice device, string line) =>
        line == Enable
            ? Lacking(
                $"The socket has no {line}: it is tied low, and {device.Name} drives whenever it is selected.",
                $"{Select} alone then says when it drives, and it takes its access time from there."
            )
            : Lacking(
                $"The socket has no {line}: it is tied low, and {device.Name} is always awake.",
                $"{Enable} alone then says when it drives. It draws its full current all the time, and answers the sooner for it."
            );

    static Finding Lacking(string text, string why) =>
        new(RomFindings.RomLines, Severity.Note, "A line that the socket lacks", [Subject.Unit], text, [why]);
}
