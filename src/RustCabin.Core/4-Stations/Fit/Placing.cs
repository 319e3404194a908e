using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Fit;

/// <summary>The size of something.</summary>
public sealed record PlaceSize
{
    /// <summary>Its width.</summary>
    [Required, Range(0, 100_000), UnitOf("mm"), Display(Name = "width", Description = "Its width, above 0.")]
    public decimal W { get; init; }

    /// <summary>Its height.</summary>
    [Required, Range(0, 100_000), UnitOf("mm"), Display(Name = "height", Description = "Its height, above 0.")]
    public decimal H { get; init; }
}

/// <summary>What stands in the case.</summary>
public sealed record TakenPlace
{
    /// <summary>How far from the left it begins.</summary>
    [Required, Range(-100_000, 100_000), UnitOf("mm"), Display(Description = "How far from the left it begins.")]
    public decimal X { get; init; }

    /// <summary>How far from below it begins.</summary>
    [Required, Range(-100_000, 100_000), UnitOf("mm"), Display(Description = "How far from below it begins.")]
    public decimal Y { get; init; }

    /// <summary>Its width.</summary>
    [Required, Range(0, 100_000), UnitOf("mm"), Display(Name = "width", Description = "Its width, above 0.")]
    public decimal W { get; init; }

    /// <summary>Its height.</summary>
    [Required, Range(0, 100_000), UnitOf("mm"), Display(Name = "height", Description = "Its height, above 0.")]
    public decimal H { get; init; }
}

/// <summary>The board that seeks a place.</summary>
public sealed record PlacedBoard
{
    /// <summary>Its width.</summary>
    [Required, Range(0, 100_000), UnitOf("mm"), Display(Name = "width", Description = "Its width, above 0.")]
    public decimal W { get; init; }

    /// <summary>Its height.</summary>
    [Required, Range(0, 100_000), UnitOf("mm"), Display(Name = "height", Description = "Its height, above 0.")]
    public decimal H { get; init; }

    /// <summary>It may be turned.</summary>
    [Display(Description = "It may be turned by a quarter.")]
    public bool Turn { get; init; }

    /// <summary>How far it keeps from what stands there.</summary>
    [Range(0, 10_000), UnitOf("mm"), Display(Description = "How far it keeps from what stands there.")]
    public decimal Margin { get; init; }
}

/// <summary>Where its lead comes from.</summary>
public sealed record PlacePoint
{
    /// <summary>From the left.</summary>
    [Required, Range(-100_000, 100_000), UnitOf("mm"), Display(Description = "From the left.")]
    public decimal X { get; init; }

    /// <summary>From below.</summary>
    [Required, Range(-100_000, 100_000), UnitOf("mm"), Display(Description = "From below.")]
    public decimal Y { get; init; }
}

/// <summary>What <c>place</c> takes.</summary>
public sealed record PlaceAsked : ICompleted<PlaceAsked>
{
    const int Most = 200;

    /// <summary>The room in the case.</summary>
    [Required, Display(Description = "The room in the case.")]
    public PlaceSize Area { get; init; } = new();

    /// <summary>What stands there.</summary>
    [Required, Display(Description = "What stands there.")]
    public IReadOnlyList<TakenPlace> Taken { get; init; } = [];

    /// <summary>The board.</summary>
    [Required, Display(Description = "The board that seeks a place.")]
    public PlacedBoard Board { get; init; } = new();

    /// <summary>Where its lead comes from; null: it has none.</summary>
    [Display(Description = "Where its lead comes from; left out: it has none.")]
    public PlacePoint? From { get; init; }

    /// <summary>How far its lead reaches; null: as far as needed.</summary>
    [Range(0, 100_000), UnitOf("mm"), Display(Description = "How far its lead reaches; left out: as far as needed.")]
    public decimal? Reach { get; init; }

    /// <inheritdoc/>
    public PlaceAsked Completed(RecordReading read)
    {
        if (Taken.Count > Most)
            read.Wrong("taken", $"are {Taken.Count}; {Most} are allowed");
        IEnumerable<(string, decimal)> sizes =
        [
            ("area.w", Area.W),
            ("area.h", Area.H),
            ("board.w", Board.W),
            ("board.h", Board.H),
            .. Taken.Take(Most).SelectMany((t, i) => ((string, decimal)[])[($"taken[{i}].w", t.W), ($"taken[{i}].h", t.H)]),
        ];
        foreach ((string field, decimal size) in sizes)
            if (size <= 0)
                read.Wrong(field, "must be above 0");
        return this;
    }
}

/// <summary>A place for the board.</summary>
/// <param name="X">Of its lower left corner, from the left.</param>
/// <param name="Y">From below.</param>
/// <param name="Turned">The board is turned by a quarter.</param>
/// <param name="Distance">From where its lead comes from to the nearest point of it; null: it has no lead.</param>
public sealed record FoundPlace(decimal X, decimal Y, bool Turned, double? Distance);

/// <summary>Where a board can lie in a case. Source: docs/handbook/fit.md, Places in the case.</summary>
/// <param name="Places">The nearest first, 100 at most.</param>
/// <param name="Count">How many there are.</param>
public sealed record Placing(IReadOnlyList<FoundPlace> Places, int Count)
{
    const int MostShown = 100;

    /// <summary>Finds all places.</summary>
    public static Placing Of(PlaceAsked asked)
    {
        (FoundPlace Place, decimal Far)[] all =
        [
            .. Found(asked, asked.Board.W, asked.Board.H, false),
            .. asked.Board.Turn && asked.Board.W != asked.Board.H ? Found(asked, asked.Board.H, asked.Board.W, true) : [],
        ];
        return new Placing(
            [
                .. all.OrderBy(p => p.Far)
                    .ThenBy(p => p.Place.Y)
                    .ThenBy(p => p.Place.X)
                    .ThenBy(p => p.Place.Turned)
                    .Take(MostShown)
                    .Select(p => p.Place),
            ],
            all.Length
        );
    }

    static IEnumerable<(FoundPlace, decimal)> Found(PlaceAsked asked, decimal w, decimal h, bool turned)
    {
        decimal margin = asked.Board.Margin;
        decimal[] xs = Corners(asked.Area.W, w, asked.Taken.Select(t => (t.X, t.W)), margin, asked.From?.X),
            ys = Corners(asked.Area.H, h, asked.Taken.Select(t => (t.Y, t.H)), margin, asked.From?.Y);
        foreach (decimal x in xs)
        {
            Budget.Spend();
            TakenPlace[] beside = [.. asked.Taken.Where(t => x < t.X + t.W + margin && t.X - margin < x + w)];
            foreach (decimal y in ys)
            {
                if (beside.Any(t => y < t.Y + t.H + margin && t.Y - margin < y + h))
                    continue;
                if (asked.From is not { } from)
                {
                    yield return (new FoundPlace(x, y, turned, null), 0);
                    continue;
                }
                decimal dx = Math.Max(0, Math.Max(x - from.X, from.X - x - w)),
                    dy = Math.Max(0, Math.Max(y - from.Y, from.Y - y - h)),
                    far = dx * dx + dy * dy;
                if (asked.Reach is not { } reach || far <= reach * reach)
                    yield return (new FoundPlace(x, y, turned, Math.Sqrt((double)far)), far);
            }
        }
    }

    /// <summary>
    /// Where a side can begin so that it touches something: the edges of the area, of what stands there, of the lead.
    /// </summary>
    static decimal[] Corners(
        decimal area,
        decimal size,
        IEnumerable<(decimal At, decimal Size)> taken,
        decimal margin,
        decimal? from
    ) =>
        [
            .. taken
                .SelectMany(t => (decimal[])[t.At - margin - size, t.At + t.Size + margin])
                .Append(0)
                .Append(area - size)
                .Concat(from is { } at ? [at - size, at] : [])
                .Where(v => v >= 0 && v + size <= area)
                .Distinct(),
        ];
}
