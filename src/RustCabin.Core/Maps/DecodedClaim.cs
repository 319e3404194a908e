using RustCabin.Core.Sheets;

namespace RustCabin.Core.Maps;

/// <summary>
/// A claim whose place is settled: revision, switches and self-configuration are resolved. It answers to the masters in
/// <paramref name="Masters"/> (bit k is master k of the model). <paramref name="Base"/> and <paramref name="Size"/> in bytes, size not 0;
/// with a <paramref name="Mask"/> it answers where <c>(a &amp; mask) == (base &amp; mask)</c>, mask bits inside the size not counting.
/// <paramref name="Overlays"/> holds the owners that it switches off where it answers.
/// </summary>
public sealed record DecodedClaim(
    string Owner, ClaimKind Kind, ulong Base, ulong Size, ulong? Mask, BusAccess Access, uint Masters,
    bool DrivesOnWrite, IReadOnlyList<string> Overlays, Window? Window, bool Auto)
{
    public bool Reads => (Access & BusAccess.Read) != 0;
    public bool Writes => (Access & BusAccess.Write) != 0;

    /// <summary>All the bytes that lie behind the claim: its size, times its banks where it is a window.</summary>
    public ulong BytesBehind => Size * (ulong)(Window?.Banks ?? 1);
}
