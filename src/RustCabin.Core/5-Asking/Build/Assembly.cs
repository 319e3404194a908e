using RustCabin.Core.Chips;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Build;

/// <summary>When a piece goes onto a bare board: the flat ones first, so that the board can lie on its face.</summary>
public enum AssemblyStage
{
    /// <summary>Resistors, diodes, coils.</summary>
    Flat,

    /// <summary>Sockets, and chips that are soldered.</summary>
    Chips,

    /// <summary>Capacitors, transistors, crystals.</summary>
    Standing,

    /// <summary>Connectors, switches, and all else that is tall.</summary>
    Tall,

    /// <summary>What is pushed into a socket, after the last joint.</summary>
    Socketed,
}

/// <summary>So many of a thing of the cupboard.</summary>
public sealed record TakenThing(StockItem Thing, int Count);

/// <summary>A line of a bill of materials against the cupboard.</summary>
/// <param name="Line">The line.</param>
/// <param name="Stage">When it goes on.</param>
/// <param name="Taken">What lies in the cupboard for it, and how many of each; at most as many as are wanted.</param>
/// <param name="Coming">How many of what is missing are ordered.</param>
/// <param name="Price">What one costs: as the sheet says, else as the cupboard does; null: nobody has said.</param>
/// <param name="Joints">Solder joints in all; null: neither sheet nor marking says.</param>
public sealed record AssemblyLine(
    BomLine Line,
    AssemblyStage Stage,
    IReadOnlyList<TakenThing> Taken,
    int Coming,
    decimal? Price,
    int? Joints
)
{
    /// <summary>How many of them lie in the cupboard.</summary>
    public int InHand => Taken.Sum(t => t.Count);

    /// <summary>How many must still be got.</summary>
    public int Missing => Line.Pieces - InHand;
}

/// <summary>
/// A bare board to be populated: what goes where in which order, what of it is in hand, and whether it is bought or built.
/// Source: docs/handbook/build.md, Assembly.
/// </summary>
/// <param name="Part">The part.</param>
/// <param name="Lines">Its lines, in the order in which they go on.</param>
public sealed record Assembly(Part Part, IReadOnlyList<AssemblyLine> Lines)
{
    /// <summary>Minutes to find, place and look at one piece.</summary>
    public const decimal MinutesPerPiece = 0.5m;

    /// <summary>Pieces in all.</summary>
    public int Pieces => Lines.Sum(l => l.Line.Pieces);

    /// <summary>Solder joints, as far as they are known.</summary>
    public int Joints => Lines.Sum(l => l.Joints ?? 0);

    /// <summary>Pieces of which nothing says how many joints they have.</summary>
    public int Uncounted => Lines.Where(l => l.Joints is null).Sum(l => l.Line.Pieces);

    /// <summary>What the bare board and the missing pieces cost, as far as prices are known.</summary>
    public decimal Money => (Part.Bare?.Price ?? 0) + Lines.Sum(l => l.Missing * (l.Price ?? 0));

    /// <summary>Missing pieces without a price.</summary>
    public int Unpriced => Lines.Where(l => l.Price is null).Sum(l => l.Missing);

    /// <summary>The work in minutes: as the sheet says, else as the joints and pieces come to.</summary>
    /// <param name="perJoint">Minutes a joint, learnt or as the handbook has it.</param>
    public decimal Minutes(decimal perJoint) => Part.Bare?.Minutes ?? Joints * perJoint + Pieces * MinutesPerPiece;

    /// <summary>
    /// What an hour of one's own saves by building, in the pack's currency; below nothing: building is dearer as well. Null:
    /// the sheet says no price of the populated board, or a piece has none.
    /// </summary>
    /// <param name="perJoint">Minutes a joint.</param>
    public decimal? SavedAnHour(decimal perJoint) =>
        Part.Price > 0 && Unpriced == 0 && Minutes(perJoint) is > 0 and var minutes ? (Part.Price - Money) * 60 / minutes : null;

    /// <summary>A part's bill of materials against a cupboard. A thing of the cupboard serves one line only.</summary>
    /// <param name="part">The part.</param>
    /// <param name="stock">What lies there.</param>
    public static Assembly Of(Part part, IReadOnlyList<StockItem> stock)
    {
        // Two packets of the same are two things, even where all that is said of them is alike.
        var left = new Dictionary<StockItem, int>(ReferenceEqualityComparer.Instance);
        var coming = new Dictionary<StockItem, int>(ReferenceEqualityComparer.Instance);
        foreach (StockItem thing in stock)
            (left[thing], coming[thing]) = (thing.Count, thing.Ordered);
        var lines = new List<AssemblyLine>();
        foreach (BomLine line in part.Bom)
        {
            StockItem[] same = [.. stock.Where(s => Serves(line.What, s))];
            TakenThing[] taken = [.. Take(same, left, line.Pieces)];
            lines.Add(
                new AssemblyLine(
                    line,
                    StageOf(line),
                    taken,
                    Take(same, coming, line.Pieces - taken.Sum(t => t.Count)).Sum(t => t.Count),
                    line.Price ?? same.Min(s => s.Price),
                    line.Socketed ? 0 : JointsOf(part, line) * line.Pieces
                )
            );
        }
        return new Assembly(part, [.. lines.OrderBy(l => l.Stage)]);
    }

    static IEnumerable<TakenThing> Take(IEnumerable<StockItem> same, Dictionary<StockItem, int> left, int wanted)
    {
        foreach (StockItem one in same)
        {
            int now = Math.Min(left[one], wanted);
            left[one] -= now;
            wanted -= now;
            if (now > 0)
                yield return new TakenThing(one, now);
        }
    }

    /// <summary>
    /// A thing of the cupboard serves for a marking when it is called so, apart from case and blanks, or when both are chips of
    /// one organisation that nothing doubts.
    /// </summary>
    public static bool Serves(string what, StockItem thing) =>
        Bare(thing.Name) == Bare(what)
        || thing.Kind == StockKind.Chip && thing.Item.Length > 0 && Marking.Sure(what)?.Type.Organisation == thing.Item;

    static string Bare(string text) => string.Concat(text.Where(c => !char.IsWhiteSpace(c))).ToUpperInvariant();

    /// <summary>When a line goes on, by the letters of its first place.</summary>
    static AssemblyStage StageOf(BomLine line) =>
        line.Socketed
            ? AssemblyStage.Socketed
            : Letters(line) switch
            {
                "R" or "RN" or "D" or "F" or "FB" or "L" or "LK" => AssemblyStage.Flat,
                "U" or "IC" or "XU" => AssemblyStage.Chips,
                "C" or "Q" or "X" or "Y" or "K" => AssemblyStage.Standing,
                "" when Marking.Sure(line.What) is not null => AssemblyStage.Chips,
                _ => AssemblyStage.Tall,
            };

    /// <summary>Joints of one piece: as the line says, as its outline on the sheet has, as its marking tells, or by its
    /// place.</summary>
    static int? JointsOf(Part part, BomLine line) =>
        line.Joints
        ?? part.Chips.FirstOrDefault(c => line.Refs.Contains(c.Id))?.Outline.Pins
        ?? Marking.Sure(line.What)?.Type.Pins
        ?? Letters(line) switch
        {
            "R" or "C" or "D" or "F" or "FB" or "L" or "LK" or "X" or "Y" => 2,
            "Q" => 3,
            _ => null,
        };

    static string Letters(BomLine line) => string.Concat((line.Refs.FirstOrDefault() ?? "").TakeWhile(char.IsAsciiLetterUpper));
}
