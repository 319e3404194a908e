#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>One physical machine on the shelf. Source: docs/sheets.md, Unit.</summary>
public sealed record Unit
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Id, OnSheet(Things.Models), Display(Description = "The model that it is.")]
    public string Model { get; init; } = "";

    [Required, Display(Description = "What people call it.")]
    public string Name { get; init; } = "";

    [Usual, Display(Description = "What each clue showed.")]
    public OrderedDictionary<string, string> Seen { get; init; } = [];

    [Id, Usual, OnSheet(Things.Revisions), Display(Description = "The revision, where a person vouches for it.")]
    public string? Revision { get; init; }

    [Usual, OnSheet(Things.Firmware), Display(Description = "The firmware that it holds.")]
    public string? Firmware { get; init; }

    [Display(ShortName = "fitted part", Description = "The parts on it.")]
    public IReadOnlyList<FittedPart> Fitted { get; init; } = [];

    [Display(Description = "What it did before anything was touched; left out: nobody has looked yet.")]
    public Baseline? Baseline { get; init; }

    [Display(Description = "The short survey at intake; left out: not looked at.")]
    public Survey? Survey { get; init; }

    [
        OnSheet(Things.Switches),
        Display(ShortName = "switch", Description = "Switches of its own board that do not stand at factory.")
    ]
    public OrderedDictionary<string, string> Switches { get; init; } = [];

    [Display(Description = "Drivers and other software on it, by name, with their versions.")]
    public IReadOnlyDictionary<string, string> Software { get; init; } = new Dictionary<string, string>();

    [Display(Description = "Where it came from; left out: nobody has noted it.")]
    public Acquired? Acquired { get; init; }

    [Display(Description = "What it is meant for: to be kept, to be sold, or to be restored for another person.")]
    public UnitPurpose Purpose { get; init; }

    [Range(0, 1_000_000), Display(Description = "What it was worth before anything was touched, in the pack's currency.")]
    public decimal? Worth { get; init; }

    [Display(Description = "It is no longer worked on.")]
    public bool Retired { get; init; }

    [Display(ShortName = "belonging", Description = "Accessories and original pieces that belong to it.")]
    public IReadOnlyList<Belonging> Belongings { get; init; } = [];

    [Display(ShortName = "borrowed thing", Description = "What it has from another unit for a time.")]
    public IReadOnlyList<BorrowedThing> Borrowed { get; init; } = [];

    [Display(
        ShortName = "act of wiring",
        Description = "What was repaired or changed on its boards, beside what its parts ask for."
    )]
    public IReadOnlyList<WireChange> Changes { get; init; } = [];

    [Display(Description = "The inside of its case, for boards that seek a place; left out: not measured.")]
    public CaseInside? Inside { get; init; }

    [Display(ShortName = "photo under a board", Description = "Photos of its own boards, laid under their drawings.")]
    public IReadOnlyList<BoardPhoto> BoardPhotos { get; init; } = [];
}

/// <summary>A photo of this unit's own board, laid under the drawing by two places that were tapped on it.</summary>
public sealed record BoardPhoto
{
    [Required, Display(Description = "The board.")]
    public string Board { get; init; } = "";

    [Required, Range(1, 1_000_000_000), Display(Description = "The photo, by its number in this cabin.")]
    public int Photo { get; init; }

    [Required, Display(Description = "One place that was tapped.")]
    public Tapped One { get; init; } = new();

    [Required, Display(Description = "The other.")]
    public Tapped Other { get; init; } = new();
}

/// <summary>A place of the board as it was tapped on a photo.</summary>
public sealed record Tapped
{
    [Required, Display(Description = "The place, as on the sheets.")]
    public string Place { get; init; } = "";

    [Required, Range(0, 100_000), UnitOf("px"), Display(Name = "from the left", Description = "Where it is on the photo.")]
    public decimal X { get; init; }

    [Required, Range(0, 100_000), UnitOf("px"), Display(Name = "from the top", Description = "Where it is on the photo.")]
    public decimal Y { get; init; }
}

/// <summary>A part on a unit or in a job, with the switches that do not stand at factory.</summary>
public sealed record FittedPart
{
    [Required, Id, OnSheet(Things.Parts), Display(Description = "The part.")]
    public string Part { get; init; } = "";

    [Id, Usual, OnSheet(Things.Ways), Display(Description = "The way by which it is fitted.")]
    public string? Way { get; init; }

    [
        Id,
        OnSheet(Things.Sites),
        Display(
            Name = "where",
            Description = "The site that it sits on when its way names only a connector; left out: the first that is free."
        )
    ]
    public string? At { get; init; }

    [OnSheet(Things.Switches), Display(ShortName = "switch", Description = "Switches that do not stand at factory.")]
    public OrderedDictionary<string, string> Switches { get; init; } = [];

    [Display(Description = "Its version.")]
    public string? Version { get; init; }

    [Id, Display(ShortName = "option", Description = "The options that are chosen, of the part and of its way.")]
    public IReadOnlyList<string> Options { get; init; } = [];

    [Display(Description = "Whether it is done, half done or unproven.")]
    public FittedState State { get; init; }

    [LongText, Display(Description = "What else there is to say.")]
    public string Note { get; init; } = "";

    [Display(Description = "How single steps of its way were found; the others stand as its state says.")]
    public IReadOnlyDictionary<string, StepProof> Steps { get; init; } = new Dictionary<string, StepProof>();

    [
        EmptyPlaces,
        OnSheet(Things.ChipTypes),
        Display(
            Description = "The chips in its banks, bank 0 first: an organisation, with its access time where that is known "
                + "(256Kx1-150); null is an empty bank."
        )
    ]
    public IReadOnlyList<string?> Banks { get; init; } = [];
}

/// <summary>How a fitted part was found.</summary>
public enum FittedState
{
    Done,
    Half,
    Unproven,
}

/// <summary>How one step of inherited work was found.</summary>
public enum StepProof
{
    Done,
    Unproven,
    Missing,
}

/// <summary>What the unit did before anything was touched.</summary>
public sealed record Baseline
{
    [Display(Description = "A person has seen it work or fail.")]
    public bool Tested { get; init; }

    [Display(Description = "What it showed at power-up.")]
    public FirstReading? Reading { get; init; }

    [Display(Description = "What each function did before anything was touched; left out: not looked at.")]
    public IReadOnlyDictionary<string, FunctionState> Functions { get; init; } = new Dictionary<string, FunctionState>();

    [Display(Description = "Starts that were counted, where it does not start every time.")]
    public CountedStarts? Counted { get; init; }

    [Display(Description = "Rails measured under load.")]
    public IReadOnlyList<MeasuredRail> Rails { get; init; } = [];

    [Display(ShortName = "benchmark", Description = "Benchmark runs.")]
    public IReadOnlyList<BenchmarkRuns> Runs { get; init; } = [];

    [Display(Description = "What was noted.")]
    public IReadOnlyList<ConditionNote> Notes { get; init; } = [];
}

/// <summary>The reading at power-up before anything was touched.</summary>
public sealed record FirstReading
{
    [Display(Name = "when", Description = "When it was read.")]
    public string At { get; init; } = "";

    [Display(Description = "On a machine that shows no count: it started.")]
    public bool? Starts { get; init; }

    [Display(Description = "What the screen showed, line by line.")]
    public IReadOnlyList<SeenLine> Lines { get; init; } = [];

    /// <summary>The same as a gate's reading.</summary>
    public GateReading AsGate =>
        new()
        {
            Gate = StepId.Parse("baseline"),
            At = At,
            Starts = Starts,
            Lines = Lines,
        };
}

/// <summary>A rail as the meter showed it under load.</summary>
public sealed record MeasuredRail
{
    [Required, OnSheet(Things.Rails), Display(Description = "The rail.")]
    public string Rail { get; init; } = "";

    [Required, Range(-1000, 1000), UnitOf("V"), Display(Description = "What the meter showed.")]
    public decimal Volts { get; init; }
}

/// <summary>Runs of one benchmark.</summary>
public sealed record BenchmarkRuns
{
    [Required, Display(Description = "The benchmark.")]
    public string Name { get; init; } = "";

    [Range(0.000001, 10_000_000), UnitOf("s"), Display(Description = "The time of each run.")]
    public IReadOnlyList<decimal> Seconds { get; init; } = [];
}

/// <summary>Something seen at intake.</summary>
public sealed record ConditionNote
{
    [LongText, Usual, Display(Description = "What was seen.")]
    public string Text { get; init; } = "";

    [Display(Description = "It is a fault that was there before any work.")]
    public bool Fault { get; init; }
}

/// <summary>The state of a kind of thing at intake.</summary>
public enum Wear
{
    Sound,
    Doubtful,
    Bad,
}

/// <summary>The short survey at intake. Source: docs/handbook/baseline.md, Condition.</summary>
public sealed record Survey
{
    [Range(1940, 2200), Display(Description = "The year in which it was made.")]
    public int? Year { get; init; }

    [
        Range(1, 1000),
        UnitOf("V"),
        Display(Name = "supply made for", Description = "The mains voltage that its supply is made for.")
    ]
    public decimal? SuppliedForVolts { get; init; }

    [Range(1, 1000), UnitOf("V"), Display(Name = "mains here", Description = "The mains voltage where it is used.")]
    public decimal? MainsHereVolts { get; init; }

    [Display(Description = "How its capacitors look.")]
    public Wear? Capacitors { get; init; }

    [Display(Description = "How its cells look.")]
    public Wear? Cells { get; init; }

    [Display(Description = "How its copper and contacts look.")]
    public Wear? Corrosion { get; init; }

    [Display(Description = "How its plastic is.")]
    public Wear? Plastic { get; init; }

    [LongText, Display(Description = "What an earlier owner left half done.")]
    public string HalfDone { get; init; } = "";
}

/// <summary>An accessory or an original piece that belongs to the unit.</summary>
public sealed record Belonging
{
    [Required, Display(Description = "What it is.")]
    public string What { get; init; } = "";

    [Display(Description = "It is an original piece of the machine.")]
    public bool Original { get; init; }

    [LongText, Usual, Display(Description = "Where it is kept.")]
    public string Place { get; init; } = "";
}

/// <summary>A piece of software with what it needs.</summary>
public sealed record Title
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What people call it.")]
    public string Name { get; init; } = "";

    [
        Id,
        Usual,
        OnSheet(Things.Models),
        Display(Description = "The models that it was made for; left out: the sheet does not say, and any may run it.")
    ]
    public IReadOnlyList<string> Models { get; init; } = [];

    [Display(Description = "What must be there for it to run, all of them.")]
    public IReadOnlyList<Need> Needs { get; init; } = [];

    [OnSheet(Things.Regions), Display(Description = "The region that its image was made for; left out: any.")]
    public string? Region { get; init; }

    [Range(1, 100), Display(Description = "How many discs it has.")]
    public int Discs { get; init; } = 1;

    [Display(Description = "What it takes in all, in bytes.")]
    public ByteSize? Bytes { get; init; }

    [Display(Description = "Whose picture it uses: own or added; left out: own.")]
    public string? Picture { get; init; }

    [Display(Description = "Whose sound it uses: own or added; left out: own.")]
    public string? Sound { get; init; }

    [LongText, Display(Name = "how it is started", Description = "What a person does to start it, once the machine has started.")]
    public string Start { get; init; } = "";

    [Display(Name = "slot of its sound board", Description = "The slot in which it expects a sound board.")]
    public string? Slot { get; init; }

    [Display(Description = "The name of its file; that of disc 2 has -2 before the last point.")]
    public string? File { get; init; }

    [Display(Description = "What running it tries: functions, and claims of the machine.")]
    public IReadOnlyList<string> Exercises { get; init; } = [];

    [Range(0, 10_000), UnitOf("minutes"), Display(Description = "How long such a try takes.")]
    public decimal Minutes { get; init; } = 5;

    [Range(1, 1000), Display(Description = "Clean passes in a row that are asked of it.")]
    public int Passes { get; init; } = 1;

    /// <summary>Whether it was made for a model: one that its sheet names, or any where the sheet names none.</summary>
    public bool IsFor(Model model) => Models.Count == 0 || Models.Contains(model.Id);
}
