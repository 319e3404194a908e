using CsCheck;
using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Maps;

/// <summary>Claims for tests: written by hand, and random ones in a small space.</summary>
static class Claims
{
    public const uint Cpu = 1,
        Video = 2;
    public static readonly string[] Masters = ["cpu", "video"];

    public static DecodedClaim Ram(string owner, ulong from, ulong size, uint masters = Cpu) =>
        Of(owner, ClaimKind.Ram, from, size, masters);

    public static DecodedClaim RomClaim(string owner, ulong from, ulong size, uint masters = Cpu) =>
        Of(owner, ClaimKind.Rom, from, size, masters) with
        {
            Access = BusAccess.Read,
        };

    public static DecodedClaim Register(string owner, ulong from, ulong size) =>
        Of(owner, ClaimKind.Register, from, size, Cpu) with
        {
            Access = BusAccess.Write,
        };

    static DecodedClaim Of(string owner, ClaimKind kind, ulong from, ulong size, uint masters) =>
        new(ClaimName.Parse(owner), kind, from, size, null, BusAccess.Both, masters, false, [], null, false);

    public static ResolvedMap Resolve(int bits, params DecodedClaim[] claims) => AddressMap.Resolve(bits, Masters, claims);

    /// <summary>
    /// Up to eight claims in a space of 8 bits: ranges (some beyond the end), masks, overlays of claims further on in the list.
    /// </summary>
    public static readonly Gen<DecodedClaim[]> Random = Gen.Select(
            Gen.Int[0, 255],
            Gen.Int[1, 90],
            Gen.Int[0, 5],
            Gen.Int[0, 255],
            Gen.Int[1, 3],
            Gen.Int[0, 3],
            Gen.Int[0, 7],
            Gen.Bool
        )
        .Array[0, 8]
        .Select(raw =>
            raw.Select(
                    (r, i) =>
                    {
                        (int from, int length, int log, int mask, int masters, int look, int over, bool masked) = r;
                        var claim = Ram($"c{i}", (ulong)from, masked ? 1ul << log : (ulong)length, (uint)masters) with
                        {
                            Mask = masked ? (ulong)mask : null,
                            Overlays = over > i && over < raw.Length ? [ClaimName.Parse($"c{over}")] : [],
                        };
                        return look switch
                        {
                            0 => claim with { Kind = ClaimKind.Rom, Access = BusAccess.Read, DrivesOnWrite = over % 2 == 0 },
                            1 => claim with { Kind = ClaimKind.Register, Access = BusAccess.Write },
                            _ => claim,
                        };
                    }
                )
                .ToArray()
        );
}
