#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>What is done to a board or a case.</summary>
public enum ChangeAct
{
    Lift,
    Cut,
    Link,
    Wire,
    Remove,
    Scrape,
    Socket,
    Row,
    Insulate,
    Trim,
    Drill,
}

/// <summary>
/// One act of wiring. What it does decides which of its fields it has. Source: docs/handbook/wiring.md, Changes.
/// </summary>
public sealed record WireChange : ICompleted<WireChange>
{
    [Required, Display(Description = "What is done.")]
    public ChangeAct Do { get; init; }

    [RequiredIf("for lift and socket")]
    [OnSheet(Things.BoardChips), Display(Description = "The chip whose legs are lifted, or that is socketed.")]
    public string? Chip { get; init; }

    [RequiredIf("for lift")]
    [Range(1, 2000), OnSheet(Things.Legs), Display(ShortName = "leg", Description = "The legs that are lifted.")]
    public IReadOnlyList<int> Pins { get; init; } = [];

    [RequiredIf("for cut")]
    [OnSheet(Things.Nets), Display(Description = "The net whose trace is cut.")]
    public string? Net { get; init; }

    [RequiredIf("for cut")]
    [OnSheet(Things.Places), Display(Description = "The places that the cut parts from the rest of the net.")]
    public IReadOnlyList<string> Off { get; init; } = [];

    [RequiredIf("for link, wire and row")]
    [OneOrMore, OnSheet(Things.Places), Display(Description = "Where a lead or a link begins; the places of a row, in order.")]
    public IReadOnlyList<string> From { get; init; } = [];

    [RequiredIf("for link, wire and row")]
    [OneOrMore, OnSheet(Things.Places), Display(Description = "Where it ends; as many places as it has beginnings.")]
    public IReadOnlyList<string> To { get; init; } = [];

    [RequiredIf("for remove and scrape")]
    [OnSheet(Things.Points), Display(Description = "What is taken off, or scraped free.")]
    public string? Point { get; init; }

    [RequiredIf("for insulate, trim and drill")]
    [LongText, Display(Description = "Where, in words.")]
    public string Where { get; init; } = "";

    [Range(1, 10_000), UnitOf("mm"), Display(Name = "length", Description = "How long the lead is.")]
    public decimal? Mm { get; init; }

    [Range(4, 50), UnitOf("AWG"), Display(Description = "How thick the lead is.")]
    public int? Gauge { get; init; }

    [Display(Description = "The colour of the lead.")]
    public string? Colour { get; init; }

    [Display(Description = "Two named nets are meant to meet here.")]
    public bool Joins { get; init; }

    [Display(Description = "The lifted leg stays in the air.")]
    public bool LeftOpen { get; init; }

    [LongText, Display(Description = "What people get wrong here.")]
    public string Trap { get; init; } = "";

    [Id, Display(Description = "Only when this option of the part is chosen.")]
    public string? Option { get; init; }

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions on which it is done; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];

    [Range(0, 10_000), UnitOf("minutes"), Display(Description = "How long it takes; left out: what such an act usually takes.")]
    public decimal? Minutes { get; init; }

    [Range(0, 10_000), Display(Description = "How many joints are soldered; left out: counted.")]
    public int? Joints { get; init; }

    [OnSheet(Things.Cautions), Display(Description = "What can hurt, beside what such an act always brings.")]
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>The fields that an act must have.</summary>
    static string[] Musts(ChangeAct act) =>
        act switch
        {
            ChangeAct.Lift => ["chip", "pins"],
            ChangeAct.Cut => ["net", "off"],
            ChangeAct.Link or ChangeAct.Wire or ChangeAct.Row => ["from", "to"],
            ChangeAct.Remove or ChangeAct.Scrape => ["point"],
            ChangeAct.Socket => ["chip"],
            _ => ["where"],
        };

    static readonly string[] Own = ["chip", "pins", "net", "off", "from", "to", "point"];

    /// <inheritdoc/>
    public WireChange Completed(RecordReading read)
    {
        if (!read.Read("do"))
            return this;
        string[] musts = Musts(Do);
        string act = Do.ToString().ToLowerInvariant();
        foreach (string must in musts)
            if (!read.Has(must))
                read.Wrong(must, $"is missing: \"{act}\" wants it");
        foreach (string other in Own.Except(musts))
            if (read.Has(other))
                read.Wrong(other, $"does not go with \"{act}\"");
        if (Do is ChangeAct.Link or ChangeAct.Wire && (From.Count > 1 || To.Count > 1))
            read.Wrong("from", $"\"{act}\" goes from one place to one; \"row\" takes several");
        if (Do == ChangeAct.Row && From.Count != To.Count)
            read.Wrong("to", $"names {To.Count} places; \"from\" names {From.Count}");
        if (Do == ChangeAct.Lift && Pins.Distinct().Count() != Pins.Count)
            read.Wrong("pins", "names a leg twice");
        foreach ((string field, string wrong) in Undoable)
            if (read.Has(field))
                read.WrongIfNew(field, wrong);
        return this;
    }

    /// <summary>Why a point of a board cannot be taken off or scraped; empty: it can.</summary>
    public string Refuses(BoardPoint point) =>
        (Do, point.HasEnds) switch
        {
            (ChangeAct.Remove, false) => $"names a {Words<PointKind>.Of(point.Kind)}, which cannot be taken off",
            (ChangeAct.Scrape, true) => $"names a {Words<PointKind>.Of(point.Kind)}; what is scraped lies on one net",
            _ => "",
        };

    /// <summary>Why nobody can carry it out as it stands, whatever the board, each with its field. None: one can.</summary>
    public IEnumerable<(string Field, string Wrong)> Undoable
    {
        get
        {
            if (Do == ChangeAct.Lift && Pins.Count == 0)
                yield return ("pins", "names no leg");
            if (Do == ChangeAct.Cut && Off.Count == 0)
                yield return ("off", "names no place that the cut parts from the net");
            if (Do is not (ChangeAct.Link or ChangeAct.Wire or ChangeAct.Row))
                yield break;
            if (From.Count == 0)
                yield return ("from", "names no place");
            if (To.Count == 0)
                yield return ("to", "names no place");
            foreach (string place in From.Zip(To).Where(j => j.First == j.Second).Select(j => j.First).Distinct())
                yield return ("to", $"leads from {place} to itself");
        }
    }
}
