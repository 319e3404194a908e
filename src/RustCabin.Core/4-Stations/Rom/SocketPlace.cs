using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>
/// Where the machine's own decode puts a ROM socket: the index of its claim on the map, the bank of a window (0: none), and
/// which of <paramref name="Lanes"/> lanes of the word its device holds.
/// </summary>
public sealed record SocketPlace(int Claim, int Bank, int Lane, int Lanes)
{
    /// <summary>The place of a socket; null where no sheet says which claim it answers.</summary>
    /// <param name="site">The socket: an id of the model's, or <c>part:site</c>.</param>
    public static SocketPlace? Of(PlannedUnit unit, string site)
    {
        foreach ((int index, DecodedClaim claim) in unit.Map.Claims.Index())
        {
            if (Inside(claim.Owner, site) is not { } own)
                continue;
            if (Array.IndexOf([.. claim.Sockets], own) is >= 0 and var lane)
                return new SocketPlace(index, 0, lane, claim.Sockets.Count);
            if (claim.Window?.Pages.FirstOrDefault(p => p.Site == own) is { } page)
                return new SocketPlace(index, page.Bank, 0, 1);
        }
        return null;
    }

    /// <summary>The site's id on the sheet that the owner is from; null where it is another sheet's.</summary>
    static string? Inside(ClaimName owner, string site) =>
        LocalName.Parse(site) is var local && owner.Of == local.Owner ? local.Id : null;

    /// <summary>The claim's offset of a byte of this socket's image, for a device of <paramref name="width"/> bytes.</summary>
    public ulong OffsetOf(long at, int width) => (ulong)(at / width * width * Lanes + Lane * width + at % width);

    /// <summary>The bytes of a whole image that this socket's device holds.</summary>
    public byte[] LaneOf(byte[] whole, int width) => [.. whole.Where((_, i) => i / width % Lanes == Lane)];

    /// <summary>
    /// What the socket's address lines carry at an address of the machine, as a byte address of its device; -1 where another
    /// lane answers. The lines are the machine's own, so a socket that has more of them than its claim needs is not read from
    /// its first byte.
    /// </summary>
    public long LinesAt(ulong address, int width) =>
        (long)(address / (ulong)width % (ulong)Lanes) == Lane
            ? (long)(address / ((ulong)width * (ulong)Lanes)) * width + (long)(address % (ulong)width)
            : -1;
}
