#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>
/// One accepted manner of fitting a part, to one model (and revisions), or to anything with a connector free. Source:
/// docs/handbook/fit.md, Ways.
/// </summary>
public sealed record Way : ICompleted<Way>
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    /// <summary>What a person calls it.</summary>
    public string Called => IdText.Plain(Id);

    [Id, Usual, OnSheet(Things.Models), Display(Description = "The model that it fits.")]
    public string? Model { get; init; }

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revisions that it fits; left out: all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];

    [
        OnSheet(Things.Connectors),
        Display(Description = "The connector's family, in place of a model: it fits anything that has one free.")
    ]
    public string? Connector { get; init; }

    [Display(ShortName = "site it takes", Description = "Every site that it takes.")]
    public IReadOnlyList<Occupies> Occupies { get; init; } = [];

    [Id, OnSheet(Things.Sites), Display(Description = "The site in which software expects to find it; left out: anywhere.")]
    public string? Expects { get; init; }

    [LongText, Display(Description = "Posts, shields or ribs that must be trimmed.")]
    public IReadOnlyList<string> Trims { get; init; } = [];

    [Range(0, 100_000), Usual, UnitOf("minutes"), Display(Description = "How long the fitting takes.")]
    public decimal Minutes { get; init; }

    [Range(1, 5), Display(Description = "The skill that it asks for, 1 to 5.")]
    public int Skill { get; init; } = 1;

    [Display(Description = "It can be undone.")]
    public bool Reversible { get; init; } = true;

    [Range(0, 1), Display(Description = "The chance that something goes wrong; left out: one in twenty.")]
    public decimal? FaultChance { get; init; }

    [
        Range(0, 100_000),
        UnitOf("minutes"),
        Display(Description = "How long it takes to mend what went wrong, with the test; left out: as long as the fitting.")
    ]
    public decimal? MendMinutes { get; init; }

    [
        OnSheet(Things.Sites),
        Display(Description = "Sites and places that lie under it once it is in: what is to be done there comes first.")
    ]
    public IReadOnlyList<string> Covers { get; init; } = [];

    [Display(Description = "What must be there for this way, all of them.")]
    public IReadOnlyList<Need> Needs { get; init; } = [];

    [Display(Description = "Its steps in order; plain text will do.")]
    public IReadOnlyList<WayStep> Steps { get; init; } = [];

    [Display(Description = "Acts of wiring, in the order of work.")]
    public IReadOnlyList<WireChange> Changes { get; init; } = [];

    [Display(Description = "What can be chosen with this way.")]
    public IReadOnlyList<PartOption> Options { get; init; } = [];

    [OnSheet(Things.Cautions), Display(Description = "What can hurt.")]
    public IReadOnlyList<string> Cautions { get; init; } = [];

    [LongText, Display(Description = "Original pieces that come off and must be kept.")]
    public IReadOnlyList<string> Keeps { get; init; } = [];

    [Display(
        ShortName = "thing that is lost",
        Description = "What is given up for it: functions of the machine, or a port in words."
    )]
    public IReadOnlyList<string> Loses { get; init; } = [];

    [Display(ShortName = "tool", Description = "What is wanted in hand for it: a chip puller.")]
    public IReadOnlyList<string> Tools { get; init; } = [];

    [Display(ShortName = "lesson", Description = "What was learnt at its steps, shown to whoever does it next.")]
    public IReadOnlyList<Lesson> Lessons { get; init; } = [];

    [Display(Name = "hangs out", Description = "What hangs out of the case afterwards; left out: nothing.")]
    public string? HangsOut { get; init; }

    [Display(Description = "What then belongs to this unit only.")]
    public string? Special { get; init; }

    [Display(Description = "It may share its site with another.")]
    public bool Stacks { get; init; }

    [Display(Description = "It puts a socket where a chip is soldered.")]
    public bool FitsSocket { get; init; }

    /// <inheritdoc/>
    public Way Completed(RecordReading read)
    {
        if (!read.Has("model") && !read.Has("connector"))
            read.WrongHere("names neither a model nor a connector");
        return Steps.All(s => s.Id.Length > 0)
            ? this
            : this with
            {
                Steps = [.. Steps.Select((s, i) => s.Id.Length > 0 ? s : s with { Id = $"step-{i + 1}" })],
            };
    }
}

/// <summary>One step of a way. A plain text may stand for it; it is then called by its place: step-1, step-2.</summary>
public sealed record WayStep : IOwnForm<WayStep>
{
    [Id, Display(Description = "Its identifier; left out: step- and its place.")]
    public string Id { get; init; } = "";

    [LongText, Usual, Display(Description = "What is done.")]
    public string What { get; init; } = "";

    [LongText, Display(Description = "The reading that proves it done, such as closed to U7 leg 3; left out: look at it.")]
    public string Proof { get; init; } = "";

    [
        Range(0, 100_000),
        UnitOf("minutes"),
        Display(Name = "stands", Description = "How long it then stands by itself, such as glue that sets; work goes on.")
    ]
    public decimal WaitMinutes { get; init; }

    /// <inheritdoc/>
    public static Shape Shape { get; } = Declaration<WayStep>.Shape with { OrText = true };

    /// <inheritdoc/>
    public static WayStep? Read(JsonElement element, SheetReading reading)
    {
        if (element.ValueKind != JsonValueKind.String)
            return Declaration<WayStep>.Read(element, reading);
        return new TextCodec(ShapeKind.Name).TryRead(element, reading, out string what) ? new WayStep { What = what } : null;
    }

    /// <inheritdoc/>
    public static JsonNode? Write(WayStep value) => Declaration<WayStep>.Write(value);
}

/// <summary>A site that a way takes, or a signal that it taps.</summary>
public sealed record Occupies : ICompleted<Occupies>
{
    [Usual, OnSheet(Things.Sites), Display(Description = "The site, of the model or of another part (part:site).")]
    public string? Site { get; init; }

    [OnSheet(Things.Signals), Display(Description = "The signal that is tapped.")]
    public string? Signal { get; init; }

    [Required, Display(Description = "How it sits there.")]
    public SiteMode Mode { get; init; }

    [Display(Description = "Where its own orientation mark lies when it is fitted.")]
    public string? Mark { get; init; }

    [Display(Description = "It may share the site with another.")]
    public bool Stacks { get; init; }

    [Display(Description = "Neighbouring sites that it hangs over.")]
    public IReadOnlyList<Overhang> Overhangs { get; init; } = [];

    /// <inheritdoc/>
    public Occupies Completed(RecordReading read)
    {
        if (!read.Has("site") && !read.Has("signal"))
            read.WrongHere("names neither a site nor a signal");
        return this;
    }
}

/// <summary>
/// How a part sits on a site: fills it, goes between socket and chip, clips over a chip that stays, or taps a signal.
/// </summary>
public enum SiteMode
{
    In,
    Between,
    Over,
    Tap,
}

/// <summary>A neighbouring site that a part hangs over.</summary>
public sealed record Overhang
{
    [Required, Id, OnSheet(Things.Sites), Display(Description = "The neighbouring site.")]
    public string Site { get; init; } = "";

    [Required, Range(0, 10_000), UnitOf("mm"), Display(Name = "clearance", Description = "The height free under it there.")]
    public decimal ClearanceMm { get; init; }
}

/// <summary>Something that was learnt at a step of a way. Source: docs/handbook/build.md, Lessons.</summary>
public sealed record Lesson
{
    [Required, Display(Description = "The step, with the part's own name in place of its number.")]
    public string At { get; init; } = "";

    [Required, LongText, Display(Description = "What was learnt: easier before the board lies over it.")]
    public string Text { get; init; } = "";

    [Display(Description = "On which unit.")]
    public string By { get; init; } = "";
}
