using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Maps;

/// <summary>
/// The bytes of RAM that each master can read: the same byte behind two mirrors once, all banks of a window, nothing that lies
/// wholly under an overlay or outside the space. Source: docs/handbook/memory.md, Maps.
/// </summary>
static class Reachable
{
    public static IReadOnlyList<ByteSize> Bytes(List<Segment> segments, DecodedClaim[] claims, int masters)
    {
        var bytes = new ulong[masters];
        // A range shows each of its bytes once, so its segments add up; only images of a mask can show a byte again.
        foreach (Segment segment in segments)
        foreach (Answering answer in segment.Claims)
            if (claims[answer.Claim] is { Kind: ClaimKind.Ram, Reads: true, Mask: null } ram)
                for (int master = 0; master < masters; master++)
                    if ((answer.ReadBy >> master & 1) != 0)
                        bytes[master] += (segment.To - segment.From + 1) * Banks(ram);
        foreach ((int claim, List<(ulong From, ulong To, uint Masters)> seen) in Pieces(segments, claims, masked: true))
            for (int master = 0; master < masters; master++)
                bytes[master] += Union(seen, 1u << master) * Banks(claims[claim]);
        return [.. bytes.Select(b => new ByteSize(b))];
    }

    static ulong Banks(DecodedClaim claim) => (ulong)(claim.Window?.Banks ?? 1);

    /// <summary>
    /// For each RAM claim by index, how many of its bytes (of one bank) master number <paramref name="master"/> reaches at
    /// addresses inside
    /// <paramref name="ranges"/>, which must be in order and apart.
    /// </summary>
    public static IReadOnlyDictionary<int, ulong> Within(ResolvedMap map, IReadOnlyList<AddressRange> ranges, int master)
    {
        var inside = new List<Segment>();
        int next = 0;
        foreach (Segment segment in map.Segments)
        {
            while (next < ranges.Count && ranges[next].To.Value < segment.From)
                next++;
            for (int i = next; i < ranges.Count && ranges[i].From.Value <= segment.To; i++)
                inside.Add(
                    segment with
                    {
                        From = Math.Max(segment.From, ranges[i].From.Value),
                        To = Math.Min(segment.To, ranges[i].To.Value),
                    }
                );
        }
        return Pieces(inside, map.Claims, masked: false).ToDictionary(p => p.Key, p => Union(p.Value, 1u << master));
    }

    static Dictionary<int, List<(ulong From, ulong To, uint Masters)>> Pieces(
        List<Segment> segments,
        IReadOnlyList<DecodedClaim> claims,
        bool masked
    )
    {
        var pieces = new Dictionary<int, List<(ulong From, ulong To, uint Masters)>>();
        foreach (Segment segment in segments)
        foreach (Answering answer in segment.Claims)
            if (claims[answer.Claim] is { Kind: ClaimKind.Ram, Reads: true } ram && (ram.Mask is not null || !masked))
                Add(pieces, answer, ram, segment);
        return pieces;
    }

    /// <summary>Notes which bytes inside the claim a segment shows: a segment over several images shows all of it.</summary>
    static void Add(Dictionary<int, List<(ulong, ulong, uint)>> pieces, Answering answer, DecodedClaim ram, Segment segment)
    {
        if (!pieces.TryGetValue(answer.Claim, out List<(ulong, ulong, uint)>? list))
            pieces[answer.Claim] = list = [];
        if (segment.To - segment.From >= ram.Size - 1)
        {
            list.Add((0, ram.Size - 1, answer.ReadBy));
            return;
        }
        ulong from = Decode.Offset(ram, segment.From),
            to = Decode.Offset(ram, segment.To);
        if (from <= to)
            list.Add((from, to, answer.ReadBy));
        else
        {
            list.Add((from, ram.Size - 1, answer.ReadBy));
            list.Add((0, to, answer.ReadBy));
        }
    }

    static ulong Union(List<(ulong From, ulong To, uint Masters)> pieces, uint master)
    {
        ulong total = 0,
            next = 0;
        foreach ((ulong from, ulong to, _) in pieces.Where(p => (p.Masters & master) != 0).OrderBy(p => p.From))
        {
            ulong begin = Math.Max(from, next);
            if (to < begin)
                continue;
            total += to - begin + 1;
            next = to + 1;
        }
        return total;
    }
}
