using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Pasted;

/// <summary>An act as a program sends it: the fields that its <c>do</c> wants.</summary>
public sealed record AskedAct
{
    /// <summary>What is done.</summary>
    [Required, Display(Description = "What is done: lift, cut, wire, link, remove, scrape, socket, or another word.")]
    public string Do { get; init; } = "";

    /// <summary>Of lift and socket: the chip.</summary>
    [Display(Description = "Of lift and socket: the chip.")]
    public string? Chip { get; init; }

    /// <summary>Of lift: the legs.</summary>
    [Display(Description = "Of lift: the legs.")]
    public IReadOnlyList<int> Pins { get; init; } = [];

    /// <summary>Of cut: the two places.</summary>
    [Display(Description = "Of cut: the two places.")]
    public IReadOnlyList<string> Between { get; init; } = [];

    /// <summary>Of wire: one end.</summary>
    [Display(Description = "Of wire: one end.")]
    public string? From { get; init; }

    /// <summary>Of wire: the other end.</summary>
    [Display(Description = "Of wire: the other end.")]
    public string? To { get; init; }

    /// <summary>Of wire: its length.</summary>
    [Range(0, 10_000), UnitOf("mm"), Display(Description = "Of wire: its length.")]
    public decimal? Mm { get; init; }

    /// <summary>Of wire: its colour.</summary>
    [Display(Description = "Of wire: its colour.")]
    public string? Colour { get; init; }

    /// <summary>Of link, remove and scrape: the point.</summary>
    [Display(Description = "Of link, remove and scrape: the point.")]
    public string? Point { get; init; }

    /// <summary>Of a cut without two places, and of other acts: where.</summary>
    [Display(Description = "Of a cut without two places, and of other acts: where.")]
    public string? Where { get; init; }

    /// <summary>The act; null: fields are missing.</summary>
    internal GuideAct? Act =>
        (Do, Chip, From, To, Point, Where) switch
        {
            ("lift", { } chip, _, _, _, _) when Pins.Count > 0 => new LiftAct(chip, Pins),
            ("socket", { } chip, _, _, _, _) => new SocketAct(chip),
            ("cut", _, _, _, _, _) when Between.Count == 2 => new CutAct(Between),
            ("wire", _, { } from, { } to, _, _) => new WireAct(from, to, Mm, Colour),
            ("link" or "remove" or "scrape", _, _, _, { } point, _) => new PointAct(Do, point),
            (not ("lift" or "socket" or "wire" or "link" or "remove" or "scrape"), _, _, _, _, { } where) => new PlainAct(
                Do,
                where
            ),
            _ => null,
        };
}

/// <summary>What <c>acts/compare</c> takes.</summary>
public sealed record ActsAsked : ICompleted<ActsAsked>
{
    /// <summary>So many acts of a guide at most.</summary>
    public const int Most = 2_000;

    /// <summary>One guide.</summary>
    [Required, Display(Description = "The acts of one guide, as paste reads them.")]
    public IReadOnlyList<AskedAct> A { get; init; } = [];

    /// <summary>The other guide.</summary>
    [Required, Display(Description = "The acts of the other guide.")]
    public IReadOnlyList<AskedAct> B { get; init; } = [];

    /// <inheritdoc/>
    public ActsAsked Completed(RecordReading read)
    {
        foreach (
            (string field, IReadOnlyList<AskedAct> acts) in (ReadOnlySpan<(string, IReadOnlyList<AskedAct>)>)[("a", A), ("b", B)]
        )
        {
            if (acts.Count > Most)
                read.Wrong(field, $"are {acts.Count:#,0}; {Most:#,0} are allowed");
            for (int i = 0; i < acts.Count; i++)
                if (acts[i].Act is null)
                    read.Wrong($"{field}[{i}]", $"lacks what \"{acts[i].Do}\" wants");
        }
        return this;
    }
}

/// <summary>What a meter would show between two places, which decides between two guides.</summary>
public sealed record ActsReading(string From, string To);

/// <summary>An act of one guide against an act of the other.</summary>
/// <param name="A">The act of the first guide, counted from 0.</param>
/// <param name="B">The act of the second guide.</param>
/// <param name="Why">Why they cannot both be right.</param>
/// <param name="Reading">What decides between them.</param>
public sealed record ActsAgainst(int A, int B, string Why, ActsReading Reading);

/// <summary>
/// Two guides for the same work, held against each other. Source: docs/handbook/paste.md, Two guides.
/// </summary>
/// <param name="Both">Acts of both: place in the first guide, place in the second.</param>
/// <param name="OnlyA">Acts of the first alone.</param>
/// <param name="OnlyB">Acts of the second alone.</param>
/// <param name="Against">Acts that contradict each other.</param>
public sealed record ActsCompared(
    IReadOnlyList<IReadOnlyList<int>> Both,
    IReadOnlyList<int> OnlyA,
    IReadOnlyList<int> OnlyB,
    IReadOnlyList<ActsAgainst> Against
)
{
    /// <summary>Compares what a program sent.</summary>
    public static ActsCompared Of(ActsAsked asked) => Of([.. asked.A.Select(a => a.Act!)], [.. asked.B.Select(b => b.Act!)]);

    /// <summary>Compares two guides.</summary>
    public static ActsCompared Of(IReadOnlyList<GuideAct> a, IReadOnlyList<GuideAct> b)
    {
        (Guide one, Guide other) = (new Guide(a), new Guide(b));
        var both = new SortedSet<(int A, int B)>();
        both.UnionWith(one.AlikeIn(other));
        both.UnionWith(other.AlikeIn(one).Select(p => (p.B, p.A)));
        HashSet<int> inA = [.. both.Select(p => p.A)],
            inB = [.. both.Select(p => p.B)];
        ActsAgainst[] against =
        [
            .. one.RivalsOf(other, inA, inB)
                .Concat(one.LiftsAgainst(other))
                .Concat(other.LiftsAgainst(one).Select(Turned))
                .Concat(one.CutsAgainst(other, inA))
                .Concat(other.CutsAgainst(one, inB).Select(Turned))
                .OrderBy(x => x.A)
                .ThenBy(x => x.B),
        ];
        return new ActsCompared(
            [.. both.Select(p => (int[])[p.A, p.B])],
            [.. one.Alone(other, inA, [.. against.Select(x => x.A)])],
            [.. other.Alone(one, inB, [.. against.Select(x => x.B)])],
            against
        );
    }

    static ActsAgainst Turned(ActsAgainst against) => against with { A = against.B, B = against.A };
}
