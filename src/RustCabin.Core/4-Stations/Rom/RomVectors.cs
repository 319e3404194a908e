using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Rom;

/// <summary>
/// A vector as an image has it: where it points, and whether a processor that starts there finds something that it can read.
/// </summary>
public sealed record VectorSeen(Vector Vector, ulong Target, bool Sound, string Words);

/// <summary>The reset vectors of an image, where the model says that they lie. Source: docs/handbook/rom.md, Images.</summary>
public static class RomVectors
{
    /// <summary>
    /// The vectors that lie in this socket's image, in the sheet's order; none where the sheet does not say which claim the
    /// socket answers.
    /// </summary>
    /// <param name="image">As the processor must see it.</param>
    public static IReadOnlyList<VectorSeen> Of(PlannedUnit unit, string site, byte[] image) =>
        [.. Places(unit, site, image.Length).Select(p => Seen(unit, p.Vector, image, p.At))];

    /// <summary>Writes a target into every vector that lies in the image: the claim's own beginning and 256 bytes on.</summary>
    public static void Write(PlannedUnit unit, string site, byte[] image)
    {
        foreach ((Vector vector, int at, DecodedClaim claim) in Places(unit, site, image.Length))
            for (int i = 0; i < vector.Bytes; i++)
                image[at + i] = (byte)(
                    (claim.Base + 0x100) >> 8 * (Order(unit, vector) == WordOrder.HighFirst ? vector.Bytes - 1 - i : i)
                );
    }

    static IEnumerable<(Vector Vector, int At, DecodedClaim Claim)> Places(PlannedUnit unit, string site, int length)
    {
        // A socket that holds one lane of a word has only a part of each vector.
        if (SocketPlace.Of(unit, site) is not { Lanes: 1 } place)
            yield break;
        DecodedClaim claim = unit.Map.Claims[place.Claim];
        foreach (Vector vector in unit.Model.Vectors)
        {
            ulong offset = vector.At.Value - claim.Base;
            if (vector.At.Value >= claim.Base && offset + (ulong)vector.Bytes <= (ulong)length)
                yield return (vector, (int)offset, claim);
        }
    }

    static WordOrder Order(PlannedUnit unit, Vector vector) => vector.Order ?? unit.Model.ByteOrder ?? WordOrder.LowFirst;

    static VectorSeen Seen(PlannedUnit unit, Vector vector, byte[] image, int at)
    {
        ulong target = Value(i => image[at + i]),
            swapped = Value(i => image[(at + i) ^ 1]);
        bool sound = Readable(target, out string there),
            other = (at & 1) == 0 && vector.Bytes % 2 == 0 && Readable(swapped, out _);
        return new VectorSeen(
            vector,
            target,
            sound,
            $"{vector.Id} at {vector.At.ToScreen(unit.Map.AddressBits)}: "
                + $"{new Address(target).ToScreen(unit.Map.AddressBits)}, {there}"
                + (
                    !sound && other
                        ? $"; with the bytes of its words swapped it is "
                            + $"{new Address(swapped).ToScreen(unit.Map.AddressBits)}: this image is swapped"
                        : ""
                )
        );

        ulong Value(Func<int, byte> read)
        {
            ulong value = 0;
            for (int i = 0; i < vector.Bytes; i++)
                value = value << 8 | read(Order(unit, vector) == WordOrder.HighFirst ? i : vector.Bytes - 1 - i);
            return value;
        }

        bool Readable(ulong address, out string words)
        {
            if (address > Decode.Space(unit.Map.AddressBits))
            {
                words = "beyond the last address";
                return false;
            }
            string[] answers =
            [
                .. unit
                    .Map.At(address)
                    .Claims.Select(a => unit.Map.Claims[a.Claim])
                    .Where(c => c.Reads && c.Kind is ClaimKind.Rom or ClaimKind.Ram)
                    .Select(c => unit.OwnerName(c.Owner)),
            ];
            words = answers.Length > 0 ? $"in {string.Join(" and ", answers)}" : "where no memory answers";
            return answers.Length > 0;
        }
    }
}
