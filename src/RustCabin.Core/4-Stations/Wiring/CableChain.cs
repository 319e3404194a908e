using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>A piece of cable, or an adapter.</summary>
public sealed record CablePiece
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "Its name.")]
    public string Id { get; init; } = "";

    /// <summary>One end.</summary>
    [Required, Display(Description = "One end.")]
    public CableEnd A { get; init; } = new();

    /// <summary>The other end.</summary>
    [Required, Display(Description = "The other end.")]
    public CableEnd B { get; init; } = new();

    /// <summary>It changes the two directions over.</summary>
    [Display(Description = "It changes the two directions over.")]
    public bool Crossing { get; init; }

    /// <summary>As it is typed and kept: <c>DB-25 f, DE-9 m, crossing</c>.</summary>
    public string Text => $"{A.Text}, {B.Text}{(Crossing ? $", {CrossingWord}" : "")}";

    /// <summary>True for a piece that does the same, whichever way round.</summary>
    public bool IsLike(CablePiece other) =>
        Crossing == other.Crossing && ((A == other.A && B == other.B) || (A == other.B && B == other.A));

    const string CrossingWord = "crossing";

    /// <summary>Reads a piece as it is typed; false: it does not read as one.</summary>
    public static bool TryParse(string name, string text, out CablePiece piece)
    {
        string[] words = text.Split(',', StringSplitOptions.TrimEntries);
        piece = new CablePiece { Id = name };
        if (
            words.Length is not (2 or 3)
            || (words.Length == 3 && words[2] is not (CrossingWord or "straight"))
            || !CableEnd.TryParse(words[0], out CableEnd a)
            || !CableEnd.TryParse(words[1], out CableEnd b)
        )
            return false;
        piece = piece with { A = a, B = b, Crossing = words is [_, _, CrossingWord] };
        return true;
    }
}

/// <summary>What <c>cables</c> takes: two devices, and the pieces at hand.</summary>
public sealed record CablesAsked : ICompleted<CablesAsked>
{
    /// <summary>So many pieces are taken at most.</summary>
    public const int MostPieces = 32;

    /// <summary>The one device's own connector.</summary>
    [Required, Display(Description = "The one device's own connector.")]
    public DeviceEnd From { get; init; } = new();

    /// <summary>The other's.</summary>
    [Required, Display(Description = "The other device's own connector.")]
    public DeviceEnd To { get; init; } = new();

    /// <summary>What is at hand.</summary>
    [Display(Description = "The pieces at hand; each serves once.")]
    public IReadOnlyList<CablePiece> Pieces { get; init; } = [];

    /// <inheritdoc/>
    public CablesAsked Completed(RecordReading read)
    {
        if (Pieces.Count > MostPieces)
            read.Wrong("pieces", $"{Pieces.Count} pieces are given; {MostPieces} are the most");
        foreach ((int i, CablePiece piece) in Pieces.Index())
            if (Pieces.Take(i).Any(p => p.Id == piece.Id))
                read.Wrong($"pieces[{i}].id", $"\"{piece.Id}\" is used twice");
        return this;
    }
}

/// <summary>A piece in a chain.</summary>
/// <param name="Piece">Its name.</param>
/// <param name="Turned">Its b end faces where the chain begins.</param>
public sealed record CableLink(string Piece, bool Turned);

/// <summary>
/// The shortest chain of pieces that joins two devices, or the one piece that would do alone. Every joint mates, and the
/// directions are crossed an odd number of times between equals, else an even one. Source: docs/handbook/wiring.md, Cables.
/// </summary>
/// <param name="Links">The pieces from the one to the other; null: there is no chain.</param>
/// <param name="Missing">The piece that would do; null: there is a chain, or no cable can.</param>
public sealed record CableChain(IReadOnlyList<CableLink>? Links, CablePiece? Missing)
{
    /// <summary>A joint yet to be made: what the next end must be, and whether the directions are crossed so far.</summary>
    internal readonly record struct Here(string Family, Gender Wants, bool Crossed);

    /// <summary>So many steps are tried one by one; beyond them the question is solved as a flow.</summary>
    const int MostTries = 20_000;

    /// <summary>Finds it.</summary>
    public static CableChain Of(CablesAsked asked)
    {
        if (asked.From.Level != asked.To.Level)
            return new CableChain(null, null);
        bool crossing = asked.From.Role == asked.To.Role;
        var goal = new Here(asked.To.Family, asked.To.Gender, crossing);
        var start = new Here(asked.From.Family, Other(asked.From.Gender), false);
        // How many pieces each joint is from the goal when a piece may serve again: never too many.
        Dictionary<Here, int> least = Distances(asked.Pieces, goal);
        if (least.TryGetValue(start, out int shortest))
        {
            // Nearly always a shortest walk takes no piece twice, and a few tries find it.
            int tries = MostTries;
            for (int most = shortest; most <= asked.Pieces.Count && tries > 0; most++)
                if (Search(asked.Pieces, start, goal, most, least, [], [], ref tries) is { } found)
                    return new CableChain(found, null);
            if (tries <= 0 && CableFlow.Of(asked.Pieces, start, goal) is { } solved)
                return new CableChain(solved, null);
        }
        return new CableChain(
            null,
            new CablePiece
            {
                A = new CableEnd { Family = asked.From.Family, Gender = Other(asked.From.Gender) },
                B = new CableEnd { Family = asked.To.Family, Gender = Other(asked.To.Gender) },
                Crossing = crossing,
            }
        );
    }

    internal static Gender Other(Gender gender) => gender == Gender.M ? Gender.F : Gender.M;

    internal static IEnumerable<(CableLink Link, CableEnd Near, CableEnd Far, bool Crossing)> Ends(
        IEnumerable<CablePiece> pieces
    ) =>
        pieces.SelectMany(p =>
            ((CableLink, CableEnd, CableEnd, bool)[])
                [(new CableLink(p.Id, false), p.A, p.B, p.Crossing), (new CableLink(p.Id, true), p.B, p.A, p.Crossing)]
        );

    /// <summary>The joint behind a piece.</summary>
    internal static Here Behind(Here here, CableEnd far, bool crossing) =>
        new(far.Family, Other(far.Gender), here.Crossed ^ crossing);

    static Dictionary<Here, int> Distances(IReadOnlyList<CablePiece> pieces, Here goal)
    {
        var known = new Dictionary<Here, int> { [goal] = 0 };
        var queue = new Queue<Here>([goal]);
        while (queue.TryDequeue(out Here at))
            foreach ((_, CableEnd near, CableEnd far, bool crossing) in Ends(pieces))
                if (far.Family == at.Family && Other(far.Gender) == at.Wants)
                {
                    var before = new Here(near.Family, near.Gender, at.Crossed ^ crossing);
                    if (known.TryAdd(before, known[at] + 1))
                        queue.Enqueue(before);
                }
        return known;
    }

    /// <summary>A chain of just so many pieces, the first in their order; a joint never comes twice in a shortest
    /// one.</summary>
    static IReadOnlyList<CableLink>? Search(
        IReadOnlyList<CablePiece> pieces,
        Here here,
        Here goal,
        int left,
        Dictionary<Here, int> least,
        HashSet<Here> passed,
        List<CableLink> links,
        ref int tries
    )
    {
        if (--tries < 0)
            return null;
        if (left == 0)
            return here == goal ? [.. links] : null;
        if (!passed.Add(here))
            return null;
        foreach ((CableLink link, CableEnd near, CableEnd far, bool crossing) in Ends(pieces))
        {
            Here behind = Behind(here, far, crossing);
            if (
                near.Family != here.Family
                || near.Gender != here.Wants
                || links.Any(l => l.Piece == link.Piece)
                || !least.TryGetValue(behind, out int needs)
                || needs > left - 1
            )
                continue;
            links.Add(link);
            if (Search(pieces, behind, goal, left - 1, least, passed, links, ref tries) is { } found)
                return found;
            links.RemoveAt(links.Count - 1);
        }
        passed.Remove(here);
        return null;
    }
}
