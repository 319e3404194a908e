using RustCabin.Core.Units;

namespace RustCabin.Core.Maps;

/// <summary>
/// Where claims get in each other's way. A fight is two drivers on the bus in one cycle: two claims that answer reads, or one that drives
/// on writes beside one that takes the write (there the writing master drives against it). Source: domain.md, section 1.
/// </summary>
static class Contention
{
    public static IReadOnlyList<Meeting> Fights(IReadOnlyList<Segment> segments, IReadOnlyList<DecodedClaim> claims) =>
        Meetings(segments, (here, bit) =>
        {
            var found = new List<int>();
            int[] readers = [.. Seen(here, bit).Where(c => claims[c].Reads)];
            if (readers.Length > 1) found.AddRange(readers);
            int[] writers = [.. Seen(here, bit).Where(c => claims[c].Writes)];
            foreach (int driver in Seen(here, bit).Where(c => claims[c].DrivesOnWrite && writers.Any(w => w != c)))
                found.AddRange([driver, .. writers]);
            return [.. found.Distinct().Order()];
        });

    public static IReadOnlyList<Meeting> WritesTwice(IReadOnlyList<Segment> segments, IReadOnlyList<DecodedClaim> claims) =>
        Meetings(segments, (here, bit) => Seen(here, bit).Where(c => claims[c].Writes).ToArray() is { Length: > 1 } writers ? writers : []);

    static IEnumerable<int> Seen(Answering[] here, uint bit) => here.Where(a => (a.Masters & bit) != 0).Select(a => a.Claim);

    /// <summary>The meetings of all segments: those of one segment joined over masters, those of touching segments joined over addresses.</summary>
    static List<Meeting> Meetings(IReadOnlyList<Segment> segments, Func<Answering[], uint, int[]> find)
    {
        var all = new List<Meeting>();
        var open = new List<Meeting>();
        foreach (Segment segment in segments)
        {
            var here = new List<Meeting>();
            if (segment.Claims.Length > 1)
                foreach (uint bit in Bits(segment.Claims))
                    if (find(segment.Claims, bit) is { Length: > 0 } who)
                        Join(here, segment, who, bit);

            for (int i = 0; i < here.Count; i++)
                if (open.Find(o => o.Masters == here[i].Masters && o.Claims.SequenceEqual(here[i].Claims)) is { } before)
                {
                    here[i] = here[i] with { Range = new AddressRange(before.Range.From, here[i].Range.To) };
                    open.Remove(before);
                }
            all.AddRange(open);
            open = here;
        }
        all.AddRange(open);
        return all;
    }

    static void Join(List<Meeting> here, Segment segment, int[] who, uint bit)
    {
        int same = here.FindIndex(m => m.Claims.SequenceEqual(who));
        if (same < 0) here.Add(new Meeting(segment.Range, who, bit));
        else here[same] = here[same] with { Masters = here[same].Masters | bit };
    }

    static IEnumerable<uint> Bits(Answering[] here)
    {
        uint all = 0;
        foreach (Answering answer in here) all |= answer.Masters;
        for (; all != 0; all &= all - 1) yield return all & (~all + 1);
    }
}
