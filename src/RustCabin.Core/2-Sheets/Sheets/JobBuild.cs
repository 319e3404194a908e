#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Sheets;

/// <summary>How a job is built, and what lies on the bench meanwhile. Source: docs/handbook/build.md, Schools.</summary>
public sealed record JobBuild : ICompleted<JobBuild>
{
    [Display(Description = "When it is tested: after every change, after each access level, or where one says.")]
    public School School { get; init; }

    [Display(ShortName = "gate of one's own", Description = "The gates of a school of one's own; the last one always stands.")]
    public IReadOnlyList<StepId> Gates { get; init; } = [];

    [Display(ShortName = "rate at a gate", Description = "Gates that pass only once clean tries in a row prove the mend.")]
    public IReadOnlyList<AskedRate> Rates { get; init; } = [];

    [Display(ShortName = "piece on the bench", Description = "Pieces that came out beside those that the model's sheet names.")]
    public IReadOnlyList<LyingPiece> Pieces { get; init; } = [];

    [Display(Description = "Pieces that are back in their places, by level and number.")]
    public IReadOnlyList<string> Back { get; init; } = [];

    [Display(Description = "Pieces that stay out on purpose, by level and number, each with the reason.")]
    public OrderedDictionary<string, string> LeftOut { get; init; } = [];

    [Id, OnSheet(Things.Service), Display(Description = "Pieces that are replaced while the case is open anyway.")]
    public IReadOnlyList<string> Extras { get; init; } = [];

    [Display(ShortName = "amount spent", Description = "What was really spent, in the pack's currency.")]
    public IReadOnlyList<Spent> Spent { get; init; } = [];

    [Display(ShortName = "note at a step", Description = "What was noted or photographed at steps.")]
    public IReadOnlyList<BenchNote> Notes { get; init; } = [];

    [Display(ShortName = "step that stands", Description = "Steps that were done and stand by themselves until they are ready.")]
    public IReadOnlyList<StandingStep> Standing { get; init; } = [];

    [Display(Description = "How each test of the test set went with the job done.")]
    public IReadOnlyDictionary<string, FunctionState> Tried { get; init; } = new Dictionary<string, FunctionState>();

    [Range(0, 200), UnitOf("dB"), Display(Name = "noise before", Description = "How loud it was before the job, at one metre.")]
    public decimal? NoiseBeforeDb { get; init; }

    [Range(0, 200), UnitOf("dB"), Display(Name = "noise after", Description = "How loud it is after the job, at one metre.")]
    public decimal? NoiseAfterDb { get; init; }

    [Display(Description = "To which ways one keeps at the iron, by what they are about.")]
    public OrderedDictionary<string, string> Habits { get; init; } = [];

    [Display(ShortName = "care of the case", Description = "What is whitened, and where a hole is made.")]
    public IReadOnlyList<CareWork> Care { get; init; } = [];

    /// <inheritdoc/>
    public JobBuild Completed(RecordReading read)
    {
        // A work is a step by its name.
        foreach ((int i, CareWork work) in Care.Index())
            if (Care.Take(i).Any(c => c.Id == work.Id))
                read.Wrong($"care[{i}].id", $"\"{work.Id}\" is used twice");
        return this;
    }
}

/// <summary>When a build is tested.</summary>
public enum School
{
    Careful,
    Batch,
    Own,
}

/// <summary>A piece that came out of the case and lies on the bench.</summary>
public sealed record LyingPiece
{
    [Required, Id, OnSheet(Things.Access), Display(Description = "The level at which it came out.")]
    public string Level { get; init; } = "";

    [Required, Display(Description = "What it is, one of it: screw, cable, card, shield, lead.")]
    public string What { get; init; } = "";

    [Range(1, 1000), Display(Description = "How many.")]
    public int Count { get; init; } = 1;

    [Range(0.1, 1000), UnitOf("mm"), Display(Name = "length", Description = "How long they are.")]
    public decimal? Mm { get; init; }

    [LongText, Display(Description = "Where it sat, or where it goes.")]
    public string Where { get; init; } = "";
}

/// <summary>An amount that was spent on a job.</summary>
public sealed record Spent
{
    [Required, Display(Description = "What it was spent on.")]
    public string What { get; init; } = "";

    [Display(Description = "Bought, taken from what was in hand, shared with others, a tool, or the post.")]
    public SpentKind Kind { get; init; }

    [Required, Range(-1_000_000, 1_000_000), Display(Description = "How much; less than nothing where it came back.")]
    public decimal Amount { get; init; }

    [Required, Display(Name = "when", Description = "The day, 2026-11-26.")]
    public string At { get; init; } = "";
}

/// <summary>What an amount went into.</summary>
public enum SpentKind
{
    Bought,
    InHand,
    Shared,
    Tool,
    Postage,
}

/// <summary>A step whose work is done and that stands by itself: glue that sets, a varnish that dries.</summary>
public sealed record StandingStep
{
    [Required, Display(Description = "The step.")]
    public StepId Step { get; init; } = StepId.None;

    [Required, Display(Name = "until", Description = "When it is ready, 2026-11-26T10:30:00Z.")]
    public string Until { get; init; } = "";

    [Display(Description = "What is done at it, in words.")]
    public string What { get; init; } = "";
}

/// <summary>What a person noted at a step, with a photo of the cabin or without.</summary>
public sealed record BenchNote
{
    [Required, Display(Description = "The step.")]
    public StepId Step { get; init; } = StepId.None;

    [Required, Display(Name = "when", Description = "When it was noted.")]
    public string At { get; init; } = "";

    [LongText, Display(Description = "What was noted.")]
    public string Text { get; init; } = "";

    [Range(1, 1_000_000_000), Display(Description = "The photo, by its number in this cabin.")]
    public int? Photo { get; init; }

    [Display(Description = "How a face that is whitened stands against the look before.")]
    public CareLook? Look { get; init; }
}
