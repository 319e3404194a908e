using CsCheck;
using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Maps;

/// <summary>
/// The sweep against a decode of every address by the rule's own words, on random claims in a space of 256 addresses.
/// </summary>
public class MapProperties
{
    const int Bits = 8;

    static ResolvedMap Resolve(DecodedClaim[] claims) => AddressMap.Resolve(Bits, Claims.Masters, claims);

    static bool Decodes(DecodedClaim claim, ulong a) =>
        claim.Mask is { } mask
            ? ((a ^ claim.Base) & mask & ~(claim.Size - 1)) == 0
            : claim.Base <= a && a < claim.Base + claim.Size;

    /// <summary>Overlays here only name claims further on, so the question ends.</summary>
    static bool Answers(DecodedClaim[] claims, int index, ulong a, uint master) =>
        (claims[index].Masters & master) != 0
        && Decodes(claims[index], a)
        && !claims.Index().Any(o => o.Item.Overlays.Contains(claims[index].Owner) && Answers(claims, o.Index, a, master));

    static int[] Brute(DecodedClaim[] claims, ulong a, uint master) =>
        [.. Enumerable.Range(0, claims.Length).Where(i => Answers(claims, i, a, master))];

    [Fact]
    public void Every_address_lies_in_exactly_one_segment() =>
        Claims.Random.Sample(claims =>
        {
            ulong next = 0;
            foreach (Segment segment in Resolve(claims).Segments)
            {
                if (segment.From != next || segment.To < segment.From)
                    return false;
                next = segment.To + 1;
            }
            return next == 256;
        });

    [Fact]
    public void Touching_segments_differ() =>
        Claims.Random.Sample(claims =>
            Resolve(claims).Segments is var s
            && Enumerable.Range(1, s.Count - 1).All(i => !s[i].Claims.SequenceEqual(s[i - 1].Claims))
        );

    [Fact]
    public void Resolve_agrees_with_a_decode_of_every_address() =>
        Claims.Random.Sample(
            claims =>
            {
                ResolvedMap map = Resolve(claims);
                for (ulong a = 0; a < 256; a++)
                    foreach (uint master in (uint[])[Claims.Cpu, Claims.Video])
                        if (
                            !map.At(a)
                                .Claims.Where(c => (c.Masters & master) != 0)
                                .Select(c => c.Claim)
                                .SequenceEqual(Brute(claims, a, master))
                        )
                            return false;
                return true;
            },
            iter: 3000
        );

    [Fact]
    public void Fights_and_double_writes_agree_with_a_decode_of_every_address() =>
        Claims.Random.Sample(
            claims =>
            {
                ResolvedMap map = Resolve(claims);
                for (ulong a = 0; a < 256; a++)
                    foreach (uint master in (uint[])[Claims.Cpu, Claims.Video])
                    {
                        int[] here = Brute(claims, a, master);
                        bool reads = here.Count(i => claims[i].Reads) > 1;
                        bool drives = here.Any(d => claims[d].DrivesOnWrite && here.Any(w => w != d && claims[w].Writes));
                        bool twice = here.Count(i => claims[i].Writes) > 1;
                        if (map.Fights.Any(f => Holds(f, a, master)) != (reads || drives))
                            return false;
                        if (map.WritesTwice.Any(f => Holds(f, a, master)) != twice)
                            return false;
                    }
                return true;
            },
            iter: 3000
        );

    static bool Holds(Meeting meeting, ulong a, uint master) =>
        meeting.Range.From.Value <= a && a <= meeting.Range.To.Value && (meeting.Masters & master) != 0;

    [Fact]
    public void Reach_counts_every_byte_of_ram_once() =>
        Claims.Random.Sample(
            claims =>
            {
                ResolvedMap map = Resolve(claims);
                foreach ((int index, uint master) in ((int, uint)[])[(0, Claims.Cpu), (1, Claims.Video)])
                {
                    var bytes = new HashSet<(int, ulong)>();
                    for (ulong a = 0; a < 256; a++)
                        foreach (int i in Brute(claims, a, master).Where(i => claims[i].Kind == ClaimKind.Ram))
                            bytes.Add((i, claims[i].Mask is null ? a - claims[i].Base : a % claims[i].Size));
                    if ((ulong)bytes.Count != map.Reach[index].Bytes)
                        return false;
                }
                return true;
            },
            iter: 3000
        );

    [Fact]
    public void Mirrors_and_base_are_where_the_mask_decodes() =>
        Claims.Random.Sample(claims =>
        {
            ResolvedMap map = Resolve(claims);
            foreach ((int i, DecodedClaim claim) in claims.Index().Where(c => c.Item.Mask is not null))
            {
                ulong own = claim.Base & ~(claim.Size - 1);
                var mirrors = map.Mirrors().Where(m => m.Claim == i).Select(m => m.Base).ToHashSet();
                for (ulong a = 0; a < 256; a += claim.Size)
                    if (mirrors.Contains(a) != (Decodes(claim, a) && a != own))
                        return false;
            }
            return true;
        });
}
