using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>How one end of a serial line makes its speed: its clock over what divides it.</summary>
public sealed record LineEnd : ICompleted<LineEnd>
{
    /// <summary>Its clock.</summary>
    [Required, Range(0.001, 100_000_000_000), UnitOf("Hz"), Display(Name = "clock", Description = "Its clock.")]
    public decimal ClockHz { get; init; }

    /// <summary>What always divides it.</summary>
    [Required, Range(0.001, 1_000_000), Display(Description = "What always divides the clock, such as 16.")]
    public decimal Divide { get; init; }

    /// <summary>The least divisor that can be set.</summary>
    [Required, Range(1, 100_000_000), Display(Name = "least divisor", Description = "The least divisor that can be set.")]
    public int Least { get; init; }

    /// <summary>The largest divisor that can be set.</summary>
    [Required, Range(1, 100_000_000), Display(Name = "largest divisor", Description = "The largest divisor that can be set.")]
    public int Most { get; init; }

    /// <inheritdoc/>
    public LineEnd Completed(RecordReading read)
    {
        if (Most < Least)
            read.Wrong("most", $"is {Most}, below the least divisor {Least}");
        return this;
    }

    /// <summary>The divisor whose speed is nearest to a wanted one; of two the lower.</summary>
    internal int DivisorFor(decimal wanted)
    {
        decimal exact = ClockHz / Divide / wanted;
        int low =
            exact <= Least ? Least
            : exact >= Most ? Most
            : (int)exact;
        if (low >= Most)
            return Most;
        decimal above = ClockHz / (Divide * low) - wanted,
            below = wanted - ClockHz / (Divide * (low + 1));
        return above <= below ? low : low + 1;
    }

    /// <summary>An end of a sheet.</summary>
    public static LineEnd Of(SerialEnd end) =>
        new()
        {
            ClockHz = end.ClockHz,
            Divide = end.Divide,
            Least = end.Least,
            Most = end.Most,
        };

    internal decimal SpeedAt(int divisor) => ClockHz / (Divide * divisor);
}

/// <summary>What <c>line/speeds</c> takes.</summary>
public sealed record SpeedsAsked : ICompleted<SpeedsAsked>
{
    const int MostWants = 1_000;

    /// <summary>One end.</summary>
    [Required, Display(Description = "One end of the line.")]
    public LineEnd A { get; init; } = new();

    /// <summary>The other end.</summary>
    [Required, Display(Description = "The other end.")]
    public LineEnd B { get; init; } = new();

    /// <summary>The speeds that are wanted.</summary>
    [Required, Display(Description = "The nominal speeds, in bits a second.")]
    public IReadOnlyList<decimal> Wants { get; init; } = [];

    /// <inheritdoc/>
    public SpeedsAsked Completed(RecordReading read)
    {
        if (Wants.Count > MostWants)
            read.Wrong("wants", $"are {Wants.Count:#,0}; {MostWants:#,0} are allowed");
        foreach ((int i, decimal want) in Wants.Index())
            if (want is < 0.001m or > 10_000_000_000)
                read.Wrong($"wants[{i}]", "must lie between 0.001 and 10,000,000,000");
        return this;
    }
}

/// <summary>What one end makes of a speed.</summary>
/// <param name="Divisor">The divisor that is set.</param>
/// <param name="Speed">In bits a second.</param>
/// <param name="Error">Of the nominal speed, signed.</param>
public sealed record MadeSpeed(int Divisor, double Speed, double Error);

/// <summary>A nominal speed, and what both ends make of it.</summary>
/// <param name="Wanted">The nominal speed.</param>
/// <param name="A">What one end makes.</param>
/// <param name="B">What the other makes.</param>
/// <param name="Apart">How far the two are apart, of the second's speed.</param>
/// <param name="Works">Both are near enough to it, and to each other.</param>
public sealed record LineSpeed(decimal Wanted, MadeSpeed A, MadeSpeed B, double Apart, bool Works);

/// <summary>The speeds that two ends of a serial line make. Source: docs/handbook/wiring.md, Serial lines.</summary>
public sealed record LineSpeeds(IReadOnlyList<LineSpeed> Speeds)
{
    /// <summary>
    /// Two ends, and each end and the nominal speed, may be so far apart: half a bit over a frame would be 5 %.
    /// </summary>
    const decimal Near = 0.025m;

    /// <summary>The speeds that lines are usually set to, in bits a second.</summary>
    public static readonly IReadOnlyList<decimal> Usual =
    [
        110,
        150,
        300,
        600,
        1200,
        2400,
        4800,
        7200,
        9600,
        14400,
        19200,
        31250,
        38400,
        57600,
        115200,
    ];

    /// <summary>In the order asked.</summary>
    public static LineSpeeds Of(SpeedsAsked asked) => new([.. asked.Wants.Select(w => Of(asked.A, asked.B, w))]);

    static LineSpeed Of(LineEnd a, LineEnd b, decimal wanted)
    {
        (int da, int db) = (a.DivisorFor(wanted), b.DivisorFor(wanted));
        (decimal sa, decimal sb) = (a.SpeedAt(da), b.SpeedAt(db));
        return new LineSpeed(
            wanted,
            new MadeSpeed(da, (double)sa, (double)((sa - wanted) / wanted)),
            new MadeSpeed(db, (double)sb, (double)((sb - wanted) / wanted)),
            (double)(Math.Abs(sa - sb) / sb),
            Math.Abs(sa - sb) <= Near * sb && Math.Abs(sa - wanted) <= Near * wanted && Math.Abs(sb - wanted) <= Near * wanted
        );
    }
}
