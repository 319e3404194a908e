using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Cards;

/// <summary>What <c>storage/route</c> takes.</summary>
public sealed record RouteAsked : ICompleted<RouteAsked>
{
    /// <summary>So many legs at most.</summary>
    public const int MostLegs = 200;

    /// <summary>The file's size.</summary>
    [Required, OrNumber, Display(Description = "The file's size.")]
    public ByteSize Bytes { get; init; }

    /// <summary>Where it is, and where it is to be.</summary>
    [Required, Display(Description = "Where it is, and where it is to be.")]
    public IReadOnlyList<string> Ends { get; init; } = [];

    /// <summary>The ways that there are.</summary>
    [Required, Display(Description = "The ways that there are, each in one direction.")]
    public IReadOnlyList<RouteLeg> Legs { get; init; } = [];

    /// <inheritdoc/>
    public RouteAsked Completed(RecordReading read)
    {
        if (read.Read("ends") && Ends.Count != 2)
            read.Wrong("ends", $"must be two names, not {Ends.Count}");
        if (Legs.Count > MostLegs)
            read.Wrong("legs", $"are {Legs.Count}; {MostLegs} are allowed");
        return this;
    }
}

/// <summary>The quickest way to move a file. Source: docs/handbook/storage.md, Routes.</summary>
/// <param name="Legs">Its legs in order.</param>
/// <param name="Pieces">The most pieces that one of them takes.</param>
/// <param name="Minutes">All together.</param>
public sealed record FileRoute(IReadOnlyList<RouteLeg> Legs, long Pieces, double Minutes)
{
    /// <summary>The quickest; of equals the one with fewer legs; null: there is none.</summary>
    public static FileRoute? Of(RouteAsked asked)
    {
        long bytes = (long)asked.Bytes.Bytes;
        (string from, string to) = (asked.Ends[0], asked.Ends[1]);
        var best = new Dictionary<string, (double Minutes, int Count)> { [from] = (0, 0) };
        var by = new Dictionary<string, RouteLeg>();
        var open = new PriorityQueue<string, (double Minutes, int Count)>();
        open.Enqueue(from, (0, 0));
        var done = new HashSet<string>();
        while (open.TryDequeue(out string? here, out (double Minutes, int Count) at))
        {
            if (!done.Add(here))
                continue;
            if (here == to)
                return Back(bytes, from, to, by);
            foreach (RouteLeg leg in asked.Legs.Where(l => l.From == here))
            {
                (double Minutes, int Count) then = (at.Minutes + leg.MinutesOf(bytes), at.Count + 1);
                if (best.TryGetValue(leg.To, out (double Minutes, int Count) known) && known.CompareTo(then) <= 0)
                    continue;
                best[leg.To] = then;
                by[leg.To] = leg;
                open.Enqueue(leg.To, then);
            }
        }
        return null;
    }

    static FileRoute Back(long bytes, string from, string to, Dictionary<string, RouteLeg> by)
    {
        var legs = new List<RouteLeg>();
        for (string here = to; here != from; here = legs[0].From)
            legs.Insert(0, by[here]);
        return new FileRoute(
            legs,
            legs.Select(l => l.PiecesOf(bytes)).DefaultIfEmpty(1).Max(),
            legs.Sum(l => l.MinutesOf(bytes))
        );
    }
}
