
namespace RustCabin.Core.Rom;

/// <summary>
/// What the processor would fetch from a device wired as planned and holding the planned bytes, against the image: <paramref name="Passed"/>, the first wrong address inside
/// the image (-1: none), and the comparison with its cause.
/// </summary>
public sealed record Proof(bool Passed, long FirstWrong, string Words, Compared? Compared);

/// <summary>
/// The planned device on the simulated bus: each leg gets what its contact, its wire or its tie carries, and no more. The wiring solver is not asked; its result is followed
/// leg by leg, so a mistake in it shows here. Source: domain.md, sections 2 and 5.
/// </summary>
public static class RomProof
{
    /// <param name="image">The bytes as the machine's processor must see them, from the socket's first address.</param>
    /// <param name="burnt">The file that the programmer is given: the low byte of each word first.</param>
    /// <param name="highFirst">True on a machine whose processor finds the high byte of a word at the even address.</param>
    /// <param name="switchAt">Where a leg is tied to a switch: false low, true high.</param>
    public static Proof Of(RomDevice device, IReadOnlyList<string> socket, RomWiring wiring, ReadOnlySpan<byte> image, ReadOnlySpan<byte> burnt, bool highFirst, bool switchAt = false)
    {
        if (!wiring.Fits) return new Proof(false, 0, "The device does not go into this socket.", null);
        if (burnt.Length > (long)device.Bytes) return new Proof(false, 0, $"{burnt.Length:#,0} bytes do not go into {device.Name}, which holds {device.Bytes:#,0}.", null);
        if (Legs(device, socket, wiring, switchAt) is not { } legs) return new Proof(false, 0, "A leg carries two nets at once.", null);

        int width = device.DataLines / 8, lines = socket.Where(Nets.IsAddress).Select(Number).DefaultIfEmpty(-1).Max() + 1;
        long words = Math.Min(1L << lines, image.Length / width);
        if (image.Length > (1L << lines) * width) return new Proof(false, (1L << lines) * width, $"The socket reaches {(1L << lines) * width:#,0} bytes; the image has {image.Length:#,0}.", null);
        byte[] seen = new byte[words * width];
        for (long w = 0; w < words; w++)
        {
            long at = 0;
            foreach ((int line, int from, bool level) in legs.Address)
                if (from >= 0 ? (w >> from & 1) != 0 : level) at |= 1L << line;
            for (int lane = 0; lane < width; lane++)
            {
                long place = at * width + lane;
                byte held = place < burnt.Length ? burnt[(int)place] : (byte)0xFF, got = 0;
                // Each data line lands on the contact that its leg reaches.
                foreach ((int line, int to) in legs.Data)
                    if (line / 8 == lane && (held >> (line & 7) & 1) != 0 && to / 8 == lane) got |= (byte)(1 << (to & 7));
                seen[w * width + (highFirst ? width - 1 - lane : lane)] = got;
            }
        }
        Compared compared = RomCompare.Of(image, seen);
        return compared.Cause == Difference.Equal ? new Proof(true, -1, $"Every byte of {image.Length:#,0} is fetched as it must be.", compared) : new Proof(false, compared.FirstWrong, compared.Words, compared);
    }

    sealed record Wired(IReadOnlyList<(int Line, int From, bool Level)> Address, IReadOnlyList<(int Line, int To)> Data);

    /// <summary>What each address and data leg is joined to; null where a leg is joined to two things.</summary>
    static Wired? Legs(RomDevice device, IReadOnlyList<string> socket, RomWiring wiring, bool switchAt)
    {
        int ahead = (socket.Count - device.Pins.Count) / 2;
        var address = new List<(int, int, bool)>();
        var data = new List<(int, int)>();
        for (int pin = 1; pin <= device.Pins.Count; pin++)
        {
            string own = device.Pins[pin - 1], contact = socket[pin + ahead - 1];
            string[] joined =
            [
                .. !wiring.Lift.Contains(pin) && contact != Nets.None ? [Nets.InReading(contact)] : (string[])[],
                .. wiring.Links.Where(l => l.DevicePin == pin).Select(l => Nets.InReading(socket[l.SocketPin - 1])), .. wiring.Ties.Where(t => t.Pin == pin).Select(t => t.To),
            ];
            if (joined.Distinct().Count() > 1) return null;
            string net = joined.FirstOrDefault() ?? Nets.None;
            if (Nets.IsAddress(own)) address.Add((Number(own), Nets.IsAddress(net) ? Number(net) : -1, net == Nets.Supply || (net == "switch" && switchAt)));
            else if (Nets.IsData(own) && Nets.IsData(net)) data.Add((Number(own), Number(net)));
        }
        return new Wired(address, data);
    }

    static int Number(string net) => int.Parse(net.AsSpan(1), System.Globalization.CultureInfo.InvariantCulture);
}
