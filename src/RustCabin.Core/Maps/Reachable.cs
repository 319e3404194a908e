using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Maps;

/// <summary>
/// The bytes of RAM that each master can read: the same byte behind two mirrors once, all banks of a window, nothing that lies wholly
/// under an overlay or outside the space. Source: domain.md, section 1.
/// </summary>
static class Reachable
{
    public static IReadOnlyList<ByteSize> Bytes(IReadOnlyList<Segment> segments, IReadOnlyList<DecodedClaim> claims, int masters)
    {
        var pieces = new Dictionary<int, List<(ulong From, ulong To, uint Masters)>>();
        foreach (Segment segment in segments)
            foreach (Answering answer in segment.Claims)
                if (claims[answer.Claim] is { Kind: ClaimKind.Ram, Reads: true } ram)
                    Add(pieces, answer, ram, segment);

        var bytes = new ulong[masters];
        foreach ((int claim, List<(ulong From, ulong To, uint Masters)> seen) in pieces)
            for (int master = 0; master < masters; master++)
                bytes[master] += Union(seen.Where(p => (p.Masters >> master & 1) != 0)) * (ulong)(claims[claim].Window?.Banks ?? 1);
        return [.. bytes.Select(b => new ByteSize(b))];
    }

    /// <summary>Notes which bytes inside the claim a segment shows: a segment over several images shows all of it.</summary>
    static void Add(Dictionary<int, List<(ulong, ulong, uint)>> pieces, Answering answer, DecodedClaim ram, Segment segment)
    {
        if (!pieces.TryGetValue(answer.Claim, out List<(ulong, ulong, uint)>? list)) pieces[answer.Claim] = list = [];
        if (segment.To - segment.From >= ram.Size - 1)
        {
            list.Add((0, ram.Size - 1, answer.Masters));
            return;
        }
        ulong from = Decode.Offset(ram, segment.From), to = Decode.Offset(ram, segment.To);
        if (from <= to) list.Add((from, to, answer.Masters));
        else
        {
            list.Add((from, ram.Size - 1, answer.Masters));
            list.Add((0, to, answer.Masters));
        }
    }

    static ulong Union(IEnumerable<(ulong From, ulong To, uint Masters)> pieces)
    {
        ulong total = 0, next = 0;
        foreach ((ulong from, ulong to, _) in pieces.OrderBy(p => p.From))
        {
            ulong begin = Math.Max(from, next);
            if (to < begin) continue;
            total += to - begin + 1;
            next = to + 1;
        }
        return total;
    }
}
