using RustCabin.Core.Units;

namespace RustCabin.Core.Maps;

/// <summary>
/// Where claims get in each other's way. A fight is two drivers on the bus in one cycle: two claims that answer reads, or one
/// that drives on writes beside one that takes the write (there the writing master drives against it). Source:
/// docs/handbook/memory.md, Maps.
/// </summary>
static class Contention
{
    public static IReadOnlyList<Meeting> Fights(List<Segment> segments, DecodedClaim[] claims) =>
        Meetings(segments, here => FightingMasters(here, claims), (here, bit) => Fighters(here, bit, claims));

    public static IReadOnlyList<Meeting> WritesTwice(List<Segment> segments, DecodedClaim[] claims) =>
        Meetings(segments, here => Twice(here, claims, writes: true), (here, bit) => Seen(here, bit, claims, writes: true));

    /// <summary>The masters for which two or more claims answer reads, or take writes.</summary>
    static uint Twice(Answering[] here, DecodedClaim[] claims, bool writes)
    {
        uint once = 0,
            twice = 0;
        foreach (Answering answer in here)
            if (writes ? claims[answer.Claim].Writes : claims[answer.Claim].Reads)
            {
                uint masters = writes ? answer.Masters : answer.ReadBy;
                twice |= once & masters;
                once |= masters;
            }
        return twice;
    }

    static uint FightingMasters(Answering[] here, DecodedClaim[] claims)
    {
        uint fighting = Twice(here, claims, writes: false);
        foreach (Answering driver in here)
            if (claims[driver.Claim].DrivesOnWrite)
                foreach (Answering writer in here)
                    if (writer.Claim != driver.Claim && claims[writer.Claim].Writes)
                        fighting |= driver.Masters & writer.Masters;
        return fighting;
    }

    static int[] Fighters(Answering[] here, uint bit, DecodedClaim[] claims)
    {
        int[] readers = Seen(here, bit, claims, writes: false);
        if (Array.TrueForAll(here, a => !claims[a.Claim].DrivesOnWrite))
            return readers;
        int[] writers = Seen(here, bit, claims, writes: true);
        int[] drivers =
        [
            .. here.Where(a => (a.Masters & bit) != 0 && claims[a.Claim].DrivesOnWrite && writers.Any(w => w != a.Claim))
                .Select(a => a.Claim),
        ];
        if (drivers.Length == 0)
            return readers;
        return [.. (readers.Length > 1 ? readers : []).Concat(drivers).Concat(writers).Distinct().Order()];
    }

    static int[] Seen(Answering[] here, uint bit, DecodedClaim[] claims, bool writes)
    {
        int count = 0;
        foreach (Answering answer in here)
            if (Takes(answer, bit, claims, writes))
                count++;
        int[] seen = new int[count];
        foreach (Answering answer in here)
            if (Takes(answer, bit, claims, writes))
                seen[^count--] = answer.Claim;
        return seen;
    }

    static bool Takes(Answering answer, uint bit, DecodedClaim[] claims, bool writes) =>
        writes
            ? (answer.Masters & bit) != 0 && claims[answer.Claim].Writes
            : (answer.ReadBy & bit) != 0 && claims[answer.Claim].Reads;

    /// <summary>
    /// The meetings of all segments: those of one segment joined over masters, those of touching segments joined over addresses.
    /// </summary>
    static List<Meeting> Meetings(List<Segment> segments, Func<Answering[], uint> masters, Func<Answering[], uint, int[]> who)
    {
        var all = new List<Meeting>();
        var open = new List<Meeting>();
        var here = new List<Meeting>();
        foreach (Segment segment in segments)
        {
            here.Clear();
            if (segment.Claims.Length > 1)
                for (uint left = masters(segment.Claims); left != 0; left &= left - 1)
                    Join(here, segment, who(segment.Claims, left & (~left + 1)), left & (~left + 1));

            for (int i = 0; i < here.Count && open.Count > 0; i++)
            {
                int before = open.Count - 1;
                while (before >= 0 && !(open[before].Masters == here[i].Masters && Same(open[before].Claims, here[i].Claims)))
                    before--;
                if (before < 0)
                    continue;
                here[i] = here[i] with { Range = new AddressRange(open[before].Range.From, here[i].Range.To) };
                open.RemoveAt(before);
            }
            all.AddRange(open);
            (open, here) = (here, open);
        }
        all.AddRange(open);
        return all;
    }

    static void Join(List<Meeting> here, Segment segment, int[] who, uint bit)
    {
        int same = here.Count - 1;
        while (same >= 0 && !Same(here[same].Claims, who))
            same--;
        if (same < 0)
            here.Add(new Meeting(segment.Range, who, bit));
        else
            here[same] = here[same] with { Masters = here[same].Masters | bit };
    }

    static bool Same(int[] a, int[] b) => a.AsSpan().SequenceEqual(b);
}
