using RustCabin.Core.Sheets;

namespace RustCabin.Core.Maps;

/// <summary>
/// A claim whose place is settled: revision, switches and self-configuration are resolved. It answers to the masters in
/// <paramref name="Masters"/> (bit k is master k of the model). <paramref name="Base"/> and <paramref name="Size"/> in bytes,
/// size not 0;
/// with a <paramref name="Mask"/> it answers where <c>(a &amp; mask) == (base &amp; mask)</c>, mask bits inside the size not
/// counting.
/// <paramref name="Overlays"/> holds the owners that it switches off where it answers.
/// </summary>
public sealed record DecodedClaim(
    ClaimName Owner,
    ClaimKind Kind,
    ulong Base,
    ulong Size,
    ulong? Mask,
    BusAccess Access,
    uint Masters,
    bool DrivesOnWrite,
    IReadOnlyList<ClaimName> Overlays,
    Window? Window,
    bool Auto
)
{
    /// <summary>
    /// The sockets whose devices answer it, one for each lane, as <see cref="Claim.Sockets"/>; the bank's pages stand in <see
    /// cref="Window"/>.
    /// </summary>
    public IReadOnlyList<string> Sockets { get; init; } = [];

    /// <summary>The space that it lies in.</summary>
    public BusSpace Space { get; init; }

    /// <summary>What of the claims that it switches off it hides.</summary>
    public Hides Hides { get; init; }

    /// <summary>True if it answers a read.</summary>
    public bool Reads => (Access & BusAccess.Read) != 0;

    /// <summary>True if it takes a write.</summary>
    public bool Writes => (Access & BusAccess.Write) != 0;

    /// <summary>
    /// The owner of the claim that is a window's bank register: one of the same sheet, unless the window names another's; null
    /// for what has none.
    /// </summary>
    public ClaimName? RegisterOwner => Window?.Register is { } register ? ClaimName.On(Owner.Of, register) : null;

    /// <summary>All the bytes that lie behind the claim: its size, times its banks where it is a window.</summary>
    public ulong BytesBehind => Size * (ulong)(Window?.Banks ?? 1);

    /// <summary>
    /// A sheet's claim put at <paramref name="from"/>. Masters are those it names, or all of <paramref name="masters"/> when it
    /// names none.
    /// Its size must be there.
    /// </summary>
    public static DecodedClaim From(
        Claim claim,
        ClaimName owner,
        ulong from,
        IReadOnlyList<string> masters,
        IReadOnlyList<ClaimName> overlays
    )
    {
        uint bits = 0;
        foreach ((int bit, string master) in masters.Index())
            if (claim.Masters.Count == 0 || claim.Masters.Contains(master))
                bits |= 1u << bit;
        return new DecodedClaim(
            owner,
            claim.Kind,
            from,
            claim.Size!.Value.Bytes,
            claim.Mask?.Value,
            claim.Access,
            bits,
            claim.DrivesOnWrite,
            overlays,
            claim.Window,
            claim.Auto
        )
        {
            Sockets = claim.Sockets,
            Hides = claim.Hides,
            Space = claim.Space,
        };
    }
}
