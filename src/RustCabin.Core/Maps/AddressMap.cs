using System.Numerics;

namespace RustCabin.Core.Maps;

/// <summary>More claims meet at the same addresses than an answer can list.</summary>
public sealed class MapTooDenseException(string message) : Exception(message);

/// <summary>
/// Resolves claims into an address map by a sweep over their ends: O(n log n) for n runs of addresses, plus the size of the answer.
/// Source of the rules: domain.md, section 1.
/// </summary>
public static class AddressMap
{
    /// <summary>Claims listed over all segments together; beyond it a map says nothing to a person, and would only fill the memory.</summary>
    public const int MostAnswers = 4_000_000;

    /// <summary>Resolves. At most 32 masters, addresses of 1 to 40 bits.</summary>
    /// <exception cref="MapTooDenseException">More than <see cref="MostAnswers"/> entries.</exception>
    public static ResolvedMap Resolve(int addressBits, IReadOnlyList<string> masters, IReadOnlyList<DecodedClaim> claims)
    {
        ArgumentOutOfRangeException.ThrowIfNotEqual(addressBits is >= 1 and <= 40, true, nameof(addressBits));
        (ulong[] at, int[] what) = Ends(addressBits, claims);
        var overlays = new Overlays(claims);
        List<Segment> segments = Sweep(Decode.Space(addressBits), at, what, overlays, claims);
        return new ResolvedMap(
            addressBits, masters, claims, segments,
            Contention.Fights(segments, claims), Contention.WritesTwice(segments, claims),
            [.. Enumerable.Range(0, claims.Count).Where(i => Decode.LiesOutside(claims[i], addressBits))],
            Reachable.Bytes(segments, claims, masters.Count));
    }

    /// <summary>All beginnings (claim index) and ends (its complement) of all runs, in address order.</summary>
    static (ulong[] At, int[] What) Ends(int addressBits, IReadOnlyList<DecodedClaim> claims)
    {
        long images = claims.Sum(c => 1L << BitOperations.PopCount(Decode.FreeLines(c, addressBits)));
        if (images > MostAnswers) throw new MapTooDenseException($"the masks make {images:#,0} mirrors; {MostAnswers:#,0} are the most");
        var at = new List<ulong>(claims.Count * 2);
        var what = new List<int>(claims.Count * 2);
        for (int i = 0; i < claims.Count; i++)
            foreach ((ulong from, ulong to) in Decode.Runs(claims[i], addressBits))
            {
                at.Add(from);
                what.Add(i);
                at.Add(to + 1);
                what.Add(~i);
            }
        ulong[] keys = [.. at];
        int[] values = [.. what];
        Array.Sort(keys, values);
        return (keys, values);
    }

    static List<Segment> Sweep(ulong last, ulong[] at, int[] what, Overlays overlays, IReadOnlyList<DecodedClaim> claims)
    {
        var segments = new List<Segment>();
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
            if (segments.Count > 0 && segments[^1].Claims.AsSpan().SequenceEqual(here)) segments[^1] = segments[^1] with { To = to };
            else segments.Add(new Segment(from, to, here));
            if (to == last) return segments;
            from = to + 1;
        }
    }

    /// <summary>Keeps the active claims in the order of their indexes; a run of the same claim can end where its next begins.</summary>
    static void Toggle(List<int> active, int what)
    {
        int claim = what < 0 ? ~what : what, place = active.BinarySearch(claim);
        if (what >= 0 && place < 0) active.Insert(~place, claim);
        else if (what < 0 && place >= 0) active.RemoveAt(place);
    }
}
