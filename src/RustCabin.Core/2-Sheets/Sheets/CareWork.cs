#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>One work on the case itself. Source: docs/handbook/build.md, Case care.</summary>
public sealed record CareWork : ICompleted<CareWork>
{
    /// <summary>No stronger peroxide is sold to anybody.</summary>
    public const decimal Strongest = 50;

    [Required, Id, Display(Description = "Its name in the record.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What it is done to, or what the hole is for.")]
    public string What { get; init; } = "";

    [Required, Display(Description = "Whitened in a bath, whitened with a cream, or a hole.")]
    public CareAct Do { get; init; }

    [Id, OnSheet(Things.Access), Display(Description = "How far the case must be open for it; nothing: it stays closed.")]
    public string? Access { get; init; }

    [Range(0.1, 600), UnitOf("min"), Display(Description = "The work of one's hands; nothing: as the handbook has it.")]
    public decimal? Minutes { get; init; }

    [Range(0, 50), UnitOf("%"), Display(Description = "How strong the bath or the cream is, percent by weight.")]
    public decimal Percent { get; init; } = 10;

    [Range(0, 50), UnitOf("%"), Display(Description = "How strong the concentrate is, percent by weight.")]
    public decimal FromPercent { get; init; } = 35;

    [Display(Description = "How much light falls on it.")]
    public CareLight Light { get; init; }

    [Range(0.001, 10_000), UnitOf("l"), Display(Description = "How many litres a bath has; nothing: as the vessel is filled.")]
    public decimal? Litres { get; init; }

    [Display(Description = "The vessel of a bath, by its inside.")]
    public CareVessel? Vessel { get; init; }

    [Display(ShortName = "piece in the bath", Description = "Pieces that lie in the bath, each with the room that it takes up.")]
    public IReadOnlyList<BathPiece> Pieces { get; init; } = [];

    [Range(0.1, 100_000), UnitOf("cm2"), Display(Description = "The face that a cream covers.")]
    public decimal? AreaCm2 { get; init; }

    [Range(0.5, 500), UnitOf("mm"), Display(Description = "How wide the hole shall be.")]
    public decimal? HoleMm { get; init; }

    [RequiredIf("for a hole")]
    [
        Range(0.1, 10_000),
        UnitOf("mm"),
        Display(Description = "From the middle of the hole to the nearest edges, ribs and other holes.")
    ]
    public IReadOnlyList<decimal> EdgesMm { get; init; } = [];

    [Range(0, 1000), UnitOf("mm"), Display(Description = "How far the nearest thing behind the wall is; nothing: not measured.")]
    public decimal? BehindMm { get; init; }

    [Display(ShortName = "what comes off first", Description = "Metal, labels, springs that come off before it.")]
    public IReadOnlyList<string> OffFirst { get; init; } = [];

    /// <inheritdoc/>
    public CareWork Completed(RecordReading read)
    {
        // What was given and could not be read is told already.
        bool strength = !read.Has("percent") || read.Read("percent");
        if (Do != CareAct.Hole && strength && Percent <= 0)
            read.Wrong("percent", "must be above 0");
        if (Do == CareAct.Bath && strength && (!read.Has("fromPercent") || read.Read("fromPercent")) && FromPercent < Percent)
            read.Wrong("fromPercent", $"{FromPercent} % cannot be thinned to {Percent} %");
        if (Do == CareAct.Bath && !read.Has("litres") && !read.Has("vessel"))
            read.Wrong("litres", "a bath needs its litres, or its vessel");
        if (Do == CareAct.Cream && !read.Has("areaCm2"))
            read.Wrong("areaCm2", "a cream needs the face that it covers");
        if (Do == CareAct.Hole && (!read.Has("edgesMm") || read.Read("edgesMm")) && EdgesMm.Count == 0)
            read.Wrong("edgesMm", "a hole needs its distances to what is near it");
        return this;
    }
}

/// <summary>What is done to a case.</summary>
public enum CareAct
{
    Bath,
    Cream,
    Hole,
}

/// <summary>How much light falls on a bath or a cream: a dark room, an ultraviolet lamp, the sun.</summary>
public enum CareLight
{
    None,
    Lamp,
    Sun,
}

/// <summary>How a face stands: as it goes in, then against the look before: it has changed, it has not, or it
/// marbles.</summary>
public enum CareLook
{
    In,
    Whiter,
    Same,
    Marbled,
}

/// <summary>A vessel by its inside, and how high it is filled.</summary>
public sealed record CareVessel
{
    [Required, Range(0.1, 1000), UnitOf("cm"), Display(Description = "How long it is inside.")]
    public decimal LengthCm { get; init; }

    [Required, Range(0.1, 1000), UnitOf("cm"), Display(Description = "How wide it is inside.")]
    public decimal WidthCm { get; init; }

    [Required, Range(0.1, 1000), UnitOf("cm"), Display(Description = "How high it is filled, the pieces in it.")]
    public decimal FillCm { get; init; }
}

/// <summary>A piece that lies in a bath.</summary>
public sealed record BathPiece
{
    [Required, Display(Description = "What it is.")]
    public string What { get; init; } = "";

    [Range(0.1, 100_000), UnitOf("g"), Display(Description = "What it weighs; a case takes up a cubic centimetre for 1.05 g.")]
    public decimal? Grams { get; init; }

    [Range(0.1, 100_000), UnitOf("cm3"), Display(Description = "The room that it takes up, where that was measured.")]
    public decimal? Cm3 { get; init; }
}
