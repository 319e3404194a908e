using System.Security.Cryptography;
using System.Text;
using RustCabin.Core.Bench;
using RustCabin.Core.Chips;
using RustCabin.Core.Images;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Rom;

/// <summary>
/// What the processor would fetch from a device wired as planned and holding the planned bytes, against the image: <paramref
/// name="Passed"/>, the first wrong byte of the image (-1: none), and the comparison with its cause.
/// </summary>
public sealed record Proof(bool Passed, long FirstWrong, string Words, Compared? Compared)
{
    /// <summary>The machine's address of the first wrong byte, where the sheet says which claim the socket answers.</summary>
    public Address? At { get; init; }
}

/// <summary>
/// The planned device on the simulated bus, read through its socket and the machine's own decode. Each position of an image
/// selector is read and held against its own image.
/// Source: docs/handbook/rom.md, Proof.
/// </summary>
public static class RomProof
{
    /// <summary>Proves a plan: every image that it holds, at the switch position that selects it.</summary>
    /// <param name="images">As the processor must see them, the plan's own first.</param>
    /// <param name="burnt">The file that the programmer is given: the low byte of each word first.</param>
    public static Proof Of(PlannedUnit unit, RomPlan plan, IReadOnlyList<byte[]> images, byte[] burnt)
    {
        RomDevice device = RomDevice.Find(plan.Device)!;
        if (unit.FindSite(plan.Site) is not { Pinout.Count: > 0 } site)
            return new Proof(false, 0, $"This board has no socket {plan.Socket} whose contacts are known.", null);
        RomWiring wiring = RomWiring.Solve(device, site.Pinout, plan.Ties);
        SocketPlace? place = SocketPlace.Of(unit, plan.Site);
        bool highFirst = unit.Model.ByteOrder == WordOrder.HighFirst;
        IReadOnlyList<SelectorPosition> positions = ImageSelector.Of(device, wiring);
        int read = Math.Min(positions.Count, images.Count);
        foreach (SelectorPosition position in positions.Take(read))
        {
            // A whole image whose lanes the chain splits: this socket's device answers for its own lane only.
            byte[] image =
                place is { Lanes: > 1 } && plan.Ops.Any(o => o.Op == "split")
                    ? place.LaneOf(images[position.Index], device.DataLines / 8)
                    : images[position.Index];
            var levels = position.Levels.ToDictionary(l => l.Net, l => l.High);
            Proof one =
                Fits(device, site.Pinout, wiring, image, burnt)
                ?? (
                    WiredDevice.Make(device, site.Pinout, wiring, levels, highFirst) is not { } wired ? TwoNets
                    : place is null ? Straight(wired, image, burnt)
                    : Fetched(unit, place, wired, image, burnt)
                );
            if (!one.Passed)
                return one with { Words = Other(one, images, position) + one.Words };
        }
        string unread =
            images.Count > read
                ? $" {(images.Count - read == 1 ? "One image more is" : $"{images.Count - read} images more are")} in the "
                    + $"device and out of reach: put a line on a switch."
                : "";
        string where =
            read > 1 ? $", at each of {read} switch positions"
            : place is { Lanes: > 1 } ? $", in lane {place.Lane + 1} of {place.Lanes}"
            : "";
        return new Proof(true, -1, $"Every byte of {images[0].Length:#,0} is fetched as it must " + $"be{where}.{unread}", null);
    }

    /// <summary>Proves wiring and bytes by the socket's own addresses, where no machine is asked.</summary>
    /// <param name="image">The bytes as the machine's processor must see them, from the socket's first address.</param>
    /// <param name="burnt">The file that the programmer is given: the low byte of each word first.</param>
    /// <param name="highFirst">True on a machine whose processor finds the high byte of a word at the even address.</param>
    /// <param name="switchAt">Where legs are tied to a switch: false low, true high.</param>
    public static Proof Of(
        RomDevice device,
        IReadOnlyList<string> socket,
        RomWiring wiring,
        byte[] image,
        byte[] burnt,
        bool highFirst,
        bool switchAt = false
    )
    {
        if (Fits(device, socket, wiring, image, burnt) is { } wrong)
            return wrong;
        var levels = device.Pins.Where(Nets.IsAddress).Distinct().ToDictionary(p => p, _ => switchAt);
        return WiredDevice.Make(device, socket, wiring, levels, highFirst) is { } wired ? Straight(wired, image, burnt) : TwoNets;
    }

    /// <summary>The image as it is read by the socket's own addresses.</summary>
    static Proof Straight(WiredDevice wired, byte[] image, byte[] burnt)
    {
        byte[] seen = new byte[image.Length];
        for (int i = 0; i < seen.Length; i++)
            seen[i] = wired.Read(i, burnt);
        return Held(image, seen);
    }

    static readonly Proof TwoNets = new(false, 0, "A leg carries two nets at once.", null);

    /// <summary>What stands in the way before anything is read; null: nothing.</summary>
    static Proof? Fits(RomDevice device, IReadOnlyList<string> socket, RomWiring wiring, byte[] image, byte[] burnt)
    {
        if (!wiring.Fits)
            return new Proof(false, 0, "The device does not go into this socket.", null);
        if (burnt.Length > (long)device.Bytes)
            return new Proof(
                false,
                0,
                $"{burnt.Length:#,0} bytes do not go into {device.Name}, which holds {device.Bytes:#,0}.",
                null
            );
        if (image.Length == 0)
            return new Proof(false, 0, "The image is empty.", null);
        int width = device.DataLines / 8,
            tapped = wiring
                .Ties.Where(t => t.To == Nets.Tapped)
                .Select(t => WiredDevice.Number(device.Pins[t.Pin - 1]) + 1)
                .DefaultIfEmpty(0)
                .Max();
        int lines = Math.Max(tapped, socket.Where(Nets.IsAddress).Select(WiredDevice.Number).DefaultIfEmpty(-1).Max() + 1);
        long reach = (1L << lines) * width;
        return image.Length > reach
            ? new Proof(false, reach, $"The socket reaches {reach:#,0} bytes; the image has {image.Length:#,0}.", null)
            : null;
    }

    static Proof Held(byte[] image, byte[] seen)
    {
        Compared compared = RomCompare.Of(image, seen);
        return compared.Cause == Difference.Equal
            ? new Proof(true, -1, $"Every byte of {image.Length:#,0} is fetched as it must be.", compared)
            : new Proof(false, compared.FirstWrong, compared.Words, compared);
    }

    /// <summary>The image as the processor fetches it: the socket's claim shows its bank, and the whole map answers.</summary>
    static Proof Fetched(PlannedUnit unit, SocketPlace place, WiredDevice wired, byte[] image, byte[] burnt)
    {
        DecodedClaim claim = unit.Map.Claims[place.Claim];
        int master = System.Numerics.BitOperations.TrailingZeroCount(claim.Masters);
        string where(ulong address) => new Address(address).ToScreen(unit.Map.AddressBits);
        ulong end = place.OffsetOf(image.Length - 1, wired.Width);
        if (end >= claim.Size)
        {
            long shown = (long)claim.Size / place.Lanes;
            return new Proof(
                false,
                shown,
                $"The machine shows {new ByteSize((ulong)shown)} of this socket at {where(claim.Base)}; the image has "
                    + $"{new ByteSize((ulong)image.Length)}.",
                null
            )
            {
                At = new Address(claim.Base + claim.Size),
            };
        }
        var bus = new SimulatedBus(unit.Map, master);
        if (claim.RegisterOwner is { } owner && unit.Map.Claims.FirstOrDefault(c => c.Owner == owner) is { } register)
            bus.Write(register.Base, (byte)place.Bank);
        if (claim.Window is not null && bus.BankShown(claim.Owner) != place.Bank)
            return new Proof(
                false,
                0,
                $"Bank {place.Bank} of the window at {where(claim.Base)} is not shown, whatever its register is given.",
                null
            )
            {
                At = new Address(claim.Base),
            };
        bus.Put(
            place.Claim,
            (bank, offset) =>
                bank == place.Bank && place.LinesAt(claim.Base + offset, wired.Width) is >= 0 and var at
                    ? wired.Read(at, burnt)
                    : (byte)0xFF
        );
        return Answered(unit, place, wired, image, bus);
    }

    /// <summary>Every byte read over the bus: a lane's neighbours and whatever else answers there are on it too.</summary>
    static Proof Answered(PlannedUnit unit, SocketPlace place, WiredDevice wired, byte[] image, SimulatedBus bus)
    {
        DecodedClaim claim = unit.Map.Claims[place.Claim];
        int master = System.Numerics.BitOperations.TrailingZeroCount(claim.Masters);
        byte[] seen = new byte[image.Length];
        Segment here = unit.Map.Segments[0] with { To = 0, Claims = [] };
        for (int i = 0; i < seen.Length; i++)
        {
            ulong address = claim.Base + place.OffsetOf(i, wired.Width);
            if (i == 0 || address > here.To)
                here = unit.Map.At(address);
            if (!here.Claims.Any(a => a.Claim == place.Claim && (a.ReadBy & 1u << master) != 0))
                return new Proof(
                    false,
                    i,
                    $"At {new Address(address).ToScreen(unit.Map.AddressBits)} something else answers in its place.",
                    null
                )
                {
                    At = new Address(address),
                };
            seen[i] = bus.Read(address);
        }
        Proof held = Held(image, seen);
        long first = wired.ByteOf(place.LinesAt(claim.Base + place.OffsetOf(0, wired.Width), wired.Width));
        return held.Passed
            ? held
            : held with
            {
                Words =
                    held.Words
                    + (
                        first > 0
                            ? $" The machine reads the device from 0x{first:x} here, so the image must lie there too; doubled "
                                + $"until the device is full it does."
                            : ""
                    ),
                At = new Address(claim.Base + place.OffsetOf(held.FirstWrong, wired.Width)),
            };
    }

    /// <summary>What goes before the words of a position that fails.</summary>
    static string Other(Proof failed, IReadOnlyList<byte[]> images, SelectorPosition position) =>
        (position.Levels.Count > 0 ? $"With {position.Words}: " : "")
        + (
            images.Count > 1 && failed.Compared is not null && position.Levels.Count > 0
                ? $"image {position.Index + 1} is wanted there. "
                : ""
        );

    /// <summary>
    /// Stands for everything that a proof of this plan rests on: the plan, the socket of this board, and what answers there.
    /// Another key, another proof.
    /// </summary>
    public static string KeyOf(PlannedUnit unit, RomPlan plan)
    {
        var text = new StringBuilder(plan.Key)
            .Append('|')
            .AppendJoin(',', unit.FindSite(plan.Site)?.Pinout ?? [])
            .Append('|')
            .Append(unit.Model.ByteOrder);
        if (SocketPlace.Of(unit, plan.Site) is { } place)
        {
            DecodedClaim claim = unit.Map.Claims[place.Claim];
            text.Append('|')
                .Append(claim.Base)
                .Append(' ')
                .Append(claim.Size)
                .Append(' ')
                .Append(claim.Mask)
                .Append(' ')
                .Append(place.Bank)
                .Append(' ')
                .Append(place.Lane)
                .Append(' ')
                .Append(place.Lanes);
            foreach (Segment segment in unit.Map.Segments.Where(s => s.To >= claim.Base && s.From < claim.Base + claim.Size))
                text.Append('|')
                    .Append(segment.From)
                    .Append(':')
                    .AppendJoin(',', segment.Claims.Select(a => $"{unit.Map.Claims[a.Claim].Owner} {a.Masters}"));
        }
        return Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text.ToString())))[..16];
    }

    /// <summary>True where the plan's latest proof is of this very plan on this very board.</summary>
    public static bool IsFresh(PlannedUnit unit, RomPlan plan) => plan.Proof is { } proof && proof.Of == KeyOf(unit, plan);

    /// <summary>True if it was proved as it stands now.</summary>
    public static bool Holds(PlannedUnit unit, RomPlan plan) => plan.Proof is { Passed: true } && IsFresh(unit, plan);
}
