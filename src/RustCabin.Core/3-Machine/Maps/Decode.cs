using System.Numerics;

namespace RustCabin.Core.Maps;

/// <summary>Where one claim answers: its own place, and with a mask every image that the decoder cannot tell from it.</summary>
public static class Decode
{
    /// <summary>A mask may leave out so many address lines at most, which makes 65,536 images.</summary>
    public const int MostFreeLines = 16;

    /// <summary>The address lines above the claim's size that its mask leaves out, as bits.</summary>
    public static ulong FreeLines(DecodedClaim claim, int addressBits) =>
        claim.Mask is { } mask ? Space(addressBits) & ~(claim.Size - 1) & ~mask : 0;

    /// <summary>The highest address of a space of <paramref name="addressBits"/> lines; also the mask of those lines.</summary>
    public static ulong Space(int addressBits) => (1ul << addressBits) - 1;

    /// <summary>
    /// The beginnings of all images inside the space, upward, the claim's own among them. A claim without a mask has one.
    /// An image of a masked claim is aligned to its size, since address bits inside the size are not decoded.
    /// </summary>
    public static IEnumerable<ulong> Images(DecodedClaim claim, int addressBits)
    {
        if (claim.Mask is not { } mask)
        {
            if (claim.Base <= Space(addressBits))
                yield return claim.Base;
            yield break;
        }
        ulong fixedBits = claim.Base & mask & ~(claim.Size - 1);
        if (fixedBits > Space(addressBits))
            yield break;
        ulong free = FreeLines(claim, addressBits),
            subset = 0;
        do
        {
            yield return fixedBits | subset;
            subset = (subset - free) & free;
        } while (subset != 0);
    }

    /// <summary>
    /// The same places as <see cref="Images"/>, touching ones joined, inclusive of <c>To</c> and cut off at the end of the space.
    /// </summary>
    public static IEnumerable<(ulong From, ulong To)> Runs(DecodedClaim claim, int addressBits)
    {
        ulong last = Space(addressBits);
        (ulong From, ulong To)? run = null;
        foreach (ulong image in Images(claim, addressBits))
        {
            ulong to = Math.Min(last, image + (claim.Size - 1));
            if (run is { } open && open.To + 1 == image)
                run = (open.From, to);
            else
            {
                if (run is { } done)
                    yield return done;
                run = (image, to);
            }
        }
        if (run is { } end)
            yield return end;
    }

    /// <summary>The byte inside the claim (without its bank) that an address lies on.</summary>
    public static ulong Offset(DecodedClaim claim, ulong address) =>
        claim.Mask is null ? address - claim.Base : address & (claim.Size - 1);

    /// <summary>True if any part of the claim lies beyond the last address of the space.</summary>
    /// <remarks>A masked claim lies where its decoded bits put it; address lines that the mask leaves out do not count.</remarks>
    public static bool LiesOutside(DecodedClaim claim, int addressBits) =>
        claim.Mask is { } mask
            ? claim.Size - 1 > Space(addressBits) || (claim.Base & mask & ~(claim.Size - 1)) > Space(addressBits)
            : BitOperations.Log2(claim.Base | 1) >= addressBits || claim.Base + (claim.Size - 1) > Space(addressBits);
}
