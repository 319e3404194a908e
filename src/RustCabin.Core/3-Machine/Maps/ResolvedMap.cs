using RustCabin.Core.Units;

namespace RustCabin.Core.Maps;

/// <summary>
/// A claim that answers in a segment, and the masters (bits) that get it there, overlays taken off. <paramref name="ReadBy"/> are
/// those whose reads it answers too, where the claim answers reads at all: an overlay may hide reads only.
/// </summary>
public readonly record struct Answering(int Claim, uint Masters, uint ReadBy)
{
    /// <summary>A claim that no overlay hides.</summary>
    public Answering(int claim, uint masters)
        : this(claim, masters, masters) { }
}

/// <summary>
/// Addresses in which the same claims answer, in the order of the claims. None answers where the list is empty.
/// </summary>
public readonly record struct Segment(ulong From, ulong To, Answering[] Claims)
{
    /// <summary>From its first to its last address.</summary>
    public AddressRange Range => new(new Address(From), new Address(To));
}

/// <summary>Claims (by index) that meet in a range as seen by some masters (bits).</summary>
public sealed record Meeting(AddressRange Range, int[] Claims, uint Masters);

/// <summary>A claim (by index) that answers a second time, at another base.</summary>
public sealed record Mirror(int Claim, ulong Base, ulong Size);

/// <summary>
/// The resolved address map of a machine. <paramref name="Segments"/> cover the whole space, upward, each address in exactly
/// one, gaps included. <paramref name="Reach"/> holds the bytes of RAM that each master can read, the same byte behind two
/// mirrors once.
/// </summary>
public sealed record ResolvedMap(
    int AddressBits,
    IReadOnlyList<string> Masters,
    IReadOnlyList<DecodedClaim> Claims,
    IReadOnlyList<Segment> Segments,
    IReadOnlyList<Meeting> Fights,
    IReadOnlyList<Meeting> WritesTwice,
    IReadOnlyList<int> Outside,
    IReadOnlyList<ByteSize> Reach
)
{
    /// <summary>Every image of a masked claim but the one at its own base.</summary>
    public IEnumerable<Mirror> Mirrors() =>
        from claim in Claims.Index()
        where claim.Item.Mask is not null
        let own = claim.Item.Base & ~(claim.Item.Size - 1)
        from image in Decode.Images(claim.Item, AddressBits)
        where image != own
        select new Mirror(claim.Index, image, claim.Item.Size);

    /// <summary>The segment that holds an address of the space.</summary>
    public Segment At(ulong address)
    {
        int low = 0,
            high = Segments.Count - 1;
        while (low < high)
        {
            int middle = (low + high + 1) / 2;
            if (Segments[middle].From <= address)
                low = middle;
            else
                high = middle - 1;
        }
        return Segments[low];
    }

    /// <summary>The names of the masters whose bits are set, in the model's order.</summary>
    public IEnumerable<string> MasterNames(uint bits) => Masters.Where((_, index) => (bits >> index & 1) != 0);
}
