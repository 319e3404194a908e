using System.Numerics;

namespace RustCabin.Core.Maps;

/// <summary>More claims meet at the same addresses than an answer can list.</summary>
public sealed class MapTooDenseException(string message) : Exception(message);

/// <summary>
/// Resolves claims into an address map by a sweep over their ends: O(n log n) for n runs of addresses, plus the size of the
/// answer.
/// Source: docs/handbook/memory.md, Maps.
/// </summary>
public static class AddressMap
{
    /// <summary>
    /// Claims listed over all segments together; beyond it a map says nothing to a person, and would only fill the memory.
    /// </summary>
    public const int MostAnswers = 4_000_000;

    /// <summary>Masks may make so many mirrors of a machine's claims together; it is looked at before anything is made of
    /// them.</summary>
    public const int MostMirrors = 100_000;

    /// <summary>Refuses claims whose masks make too many mirrors.</summary>
    /// <exception cref="MapTooDenseException">More than <see cref="MostMirrors"/>.</exception>
    public static void DemandFewMirrors(int addressBits, IEnumerable<(ulong Size, ulong? Mask)> claims)
    {
        long mirrors = 0;
        foreach ((ulong size, ulong? mask) in claims)
            if (mask is { } lines)
                mirrors += (1L << Math.Min(40, BitOperations.PopCount(Decode.Space(addressBits) & ~(size - 1) & ~lines))) - 1;
        if (mirrors > MostMirrors)
            throw new MapTooDenseException($"the masks make {mirrors:#,0} mirrors; {MostMirrors:#,0} are the most");
    }

    /// <summary>Resolves. At most 32 masters, addresses of 1 to 40 bits.</summary>
    /// <exception cref="MapTooDenseException">More than <see cref="MostAnswers"/> entries.</exception>
    public static ResolvedMap Resolve(int addressBits, IReadOnlyList<string> masters, IReadOnlyList<DecodedClaim> claims)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(addressBits is >= 1 and <= 40, true, nameof(addressBits));
        DecodedClaim[] all = [.. claims];
        (ulong[] at, int[] what) = Ends(addressBits, all);
        List<Segment> segments = Sweep(Decode.Space(addressBits), at, what, new Overlays(all), all);
        int[] outside = [.. Enumerable.Range(0, all.Length).Where(i => Decode.LiesOutside(all[i], addressBits))];
        // Three independent readings of the same segments; worth a second core only on a large map.
        if (segments.Count < 20_000)
            return new ResolvedMap(
                addressBits,
                masters,
                all,
                segments,
                Contention.Fights(segments, all),
                Contention.WritesTwice(segments, all),
                outside,
                Reachable.Bytes(segments, all, masters.Count)
            );
        Task<IReadOnlyList<Meeting>> fights = Task.Run(() => Contention.Fights(segments, all));
        IReadOnlyList<Meeting> writesTwice = Contention.WritesTwice(segments, all);
        return new ResolvedMap(
            addressBits,
            masters,
            all,
            segments,
            fights.GetAwaiter().GetResult(),
            writesTwice,
            outside,
            Reachable.Bytes(segments, all, masters.Count)
        );
    }

    /// <summary>All beginnings (claim index) and ends (its complement) of all runs, in address order.</summary>
    static (ulong[] At, int[] What) Ends(int addressBits, DecodedClaim[] claims)
    {
        DemandFewMirrors(addressBits, claims.Select(c => (c.Size, c.Mask)));

        ulong last = Decode.Space(addressBits);
        var at = new List<ulong>(claims.Length * 2);
        var what = new List<int>(claims.Length * 2);
        for (int i = 0; i < claims.Length; i++)
        {
            if (claims[i] is { Mask: null } plain)
            {
                if (plain.Base <= last)
                    Add(plain.Base, Math.Min(last, plain.Base + (plain.Size - 1)), i);
                continue;
            }
            foreach ((ulong from, ulong to) in Decode.Runs(claims[i], addressBits))
                Add(from, to, i);
        }
        ulong[] keys = [.. at];
        int[] values = [.. what];
        Array.Sort(keys, values);
        return (keys, values);

        void Add(ulong from, ulong to, int claim)
        {
            at.Add(from);
            what.Add(claim);
            at.Add(to + 1);
            what.Add(~claim);
        }
    }

    static List<Segment> Sweep(ulong last, ulong[] at, int[] what, Overlays overlays, DecodedClaim[] claims)
    {
        var segments = new List<Segment>(at.Length + 1);
        var active = new List<int>();
        long answers = 0;
        ulong from = 0;
        int next = 0;
        while (true)
        {
            for (; next < at.Length && at[next] == from; next++)
                Toggle(active, what[next]);
            ulong to = next < at.Length && at[next] <= last ? at[next] - 1 : last;
            Answering[] here = overlays.Answer(active, claims);
            answers += here.Length;
            if (answers > MostAnswers)
                throw new MapTooDenseException($"more than {MostAnswers:#,0} claims answer over all segments together");
            if (segments.Count > 0 && segments[^1].Claims.AsSpan().SequenceEqual(here))
                segments[^1] = segments[^1] with { To = to };
            else
                segments.Add(new Segment(from, to, here));
            if (to == last)
                return segments;
            from = to + 1;
        }
    }

    /// <summary>
    /// Keeps the active claims in the order of their indexes; a run of the same claim can end where its next begins.
    /// </summary>
    static void Toggle(List<int> active, int what)
    {
        int claim = what < 0 ? ~what : what,
            place = active.BinarySearch(claim);
        if (what >= 0 && place < 0)
            active.Insert(~place, claim);
        else if (what < 0 && place >= 0)
            active.RemoveAt(place);
    }
}
