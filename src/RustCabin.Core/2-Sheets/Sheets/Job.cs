#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>The planned change to one unit, and how far the build has come. Source: docs/sheets.md, Job.</summary>
public sealed record Job
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Id, OnSheet(Things.Units), Display(Description = "The unit.")]
    public string Unit { get; init; } = "";

    [Required, Display(Description = "What people call it.")]
    public string Name { get; init; } = "";

    [Display(ShortName = "part to add", Description = "Parts that it adds.")]
    public IReadOnlyList<FittedPart> Add { get; init; } = [];

    [Display(Description = "Fitted parts that it takes out, by their instances.")]
    public IReadOnlyList<string> Remove { get; init; } = [];

    [Display(Description = "Switches that it moves on parts that are fitted, by their instances.")]
    public IReadOnlyDictionary<string, OrderedDictionary<string, string>> Switches { get; init; } =
        new Dictionary<string, OrderedDictionary<string, string>>();

    [OnSheet(Things.Firmware), Display(Description = "The firmware that it puts in.")]
    public string? Firmware { get; init; }

    [Display(Description = "What the unit should do afterwards.")]
    public IReadOnlyList<Need> Wants { get; init; } = [];

    [Display(Description = "Other ways to come by it, weighed against the job as it is planned.")]
    public JobWays? Ways { get; init; }

    [Id, Display(Name = "comes after", Description = "The job of the same unit that comes before this one.")]
    public string? After { get; init; }

    [Display(ShortName = "answer", Description = "Answers to questions that were asked of others.")]
    public IReadOnlyList<HeardAnswer> Heard { get; init; } = [];

    [Display(
        Name = "originals wanted",
        ShortName = "original wanted",
        Description = "Copies that go out again when their original can be had below a price."
    )]
    public IReadOnlyList<OriginalWanted> Originals { get; init; } = [];

    [Display(Description = "How it came out, or what is tried next and when; left out: nobody has said.")]
    public JobOutcome? Outcome { get; init; }

    [Display(Description = "Within which bounds.")]
    public JobLimits Limits { get; init; } = new();

    [Display(Description = "Steps that are done.")]
    public IReadOnlyList<StepId> Done { get; init; } = [];

    [Display(Description = "Cautions that were read, by their steps.")]
    public IReadOnlyList<HeededCaution> Heeded { get; init; } = [];

    [Range(0, 100_000), UnitOf("minutes"), Display(Description = "Minutes that steps really took, where they were noted.")]
    public IReadOnlyDictionary<string, decimal> Took { get; init; } = new Dictionary<string, decimal>();

    /// <summary>The minutes that a step really took; null: none were noted.</summary>
    public decimal? MinutesOf(StepId step) =>
        Took.TryGetValue($"{step}", out decimal minutes) || (step.Was is { } was && Took.TryGetValue($"{was}", out minutes))
            ? minutes
            : null;

    [Display(Description = "What was seen at the gates, oldest first.")]
    public IReadOnlyList<GateReading> Readings { get; init; } = [];

    [Display(ShortName = "count of starts", Description = "Starts that were counted at the gates, one state of the job each.")]
    public IReadOnlyList<GateCount> Counts { get; init; } = [];

    [Display(
        Name = "ROM devices",
        ShortName = "ROM device",
        Description = "Devices that go into ROM sockets, one a site at most."
    )]
    public IReadOnlyList<RomPlan> Roms { get; init; } = [];

    [Display(Description = "What is known of the unit's speed.")]
    public SpeedRecord? Speed { get; init; }

    [EmptyPlaces, Display(Description = "Chips that go into the banks of a part, by its instance, as a fitted part's banks.")]
    public IReadOnlyDictionary<string, IReadOnlyList<string?>> Banks { get; init; } =
        new Dictionary<string, IReadOnlyList<string?>>();

    [Display(ShortName = "stage", Description = "Stages in which its banks are filled, each built and read by itself.")]
    public IReadOnlyList<JobStage> Stages { get; init; } = [];

    [Display(ShortName = "mend by hand", Description = "Mends that a person makes, each of which settles a finding.")]
    public IReadOnlyList<HandMend> Mends { get; init; } = [];

    [Display(
        ShortName = "act of wiring",
        Description = "Acts of wiring of its own, beside those of its parts: a repair, two leads changed over."
    )]
    public IReadOnlyList<WireChange> Changes { get; init; } = [];

    [Display(ShortName = "run of cables", Description = "Devices that are joined by cables.")]
    public IReadOnlyList<CableRun> Cables { get; init; } = [];

    [Display(ShortName = "thing that seeks a place", Description = "Boards that seek a place in the case, with the one chosen.")]
    public IReadOnlyList<PlacedThing> Places { get; init; } = [];

    [Display(Name = "serial lines", ShortName = "serial line", Description = "Serial lines as they are set, both ends alike.")]
    public IReadOnlyList<SerialSetting> Lines { get; init; } = [];

    [Display(ShortName = "card", Description = "Cards that go into parts, one a part at most.")]
    public IReadOnlyList<JobCard> Cards { get; init; } = [];

    [Display(Name = "release files", ShortName = "release file", Description = "Which file of a release went into which part.")]
    public IReadOnlyList<ReleaseTaken> Releases { get; init; } = [];

    [Display(Description = "What is known of the picture.")]
    public PictureRecord? Picture { get; init; }

    [Display(Description = "What was heard of the sound.")]
    public SoundRecord? Sound { get; init; }

    [Display(ShortName = "reading of the meter", Description = "What a meter showed between places that were changed.")]
    public IReadOnlyList<Probe> Probes { get; init; } = [];

    [Display(Description = "How it is built: by which school, and what lies on the bench.")]
    public JobBuild? Build { get; init; }

    [Display(Description = "What was found while a fault was sought.")]
    public JobFaults? Faults { get; init; }

    [Display(Description = "It is over: what was done is on the unit, and nothing more is to be done.")]
    public bool Ended { get; init; }

    [Display(Description = "The unit as it stood before, kept when the job was ended.")]
    public Unit? Was { get; init; }

    /// <summary>The unit that the job changes: of an ended job as it stood before, with what is on it now as its
    /// record.</summary>
    public Unit On(Unit unit) =>
        Was is { } was ? unit with { Fitted = was.Fitted, Firmware = was.Firmware, Changes = was.Changes } : unit;

    [Display(Description = "Other ways to set the same unit, such as the old split of memory that some titles need.")]
    public IReadOnlyList<NamedSetting> Settings { get; init; } = [];
}

/// <summary>What the user sets as bounds.</summary>
public sealed record JobLimits
{
    [Range(0, 100_000_000), Display(Description = "The most that it may cost, in the pack's currency.")]
    public decimal? Budget { get; init; }

    [Range(1, 5), Display(Description = "The most skill that there is, 1 to 5.")]
    public int? Skill { get; init; }

    [Display(Description = "All of it must be undoable.")]
    public bool Reversible { get; init; }

    [Display(Description = "Only parts that lie in the cupboard.")]
    public bool FromStock { get; init; }

    [Id, OnSheet(Things.Parts), Display(Description = "Parts that every proposal must hold.")]
    public IReadOnlyList<string> Keep { get; init; } = [];

    [Display(Name = "functions to keep", Description = "Functions and ports that must not be given up.")]
    public IReadOnlyList<string> KeepFunctions { get; init; } = [];

    [Display(Name = "may hang out", Description = "Something may hang out of the case afterwards.")]
    public bool Outside { get; init; } = true;

    [Display(Name = "may emulate", Description = "A part may emulate the processor in software or in a gate array.")]
    public bool Emulated { get; init; } = true;
}

/// <summary>What a meter showed between two places: a beep or none, or ohms. Source: docs/handbook/wiring.md,
/// Readings.</summary>
public sealed record Probe : ICompleted<Probe>
{
    [Required, Display(Description = "One place.")]
    public string From { get; init; } = "";

    [Required, Display(Description = "The other.")]
    public string To { get; init; } = "";

    [Display(Description = "It beeped; left out where ohms were read.")]
    public bool? Beep { get; init; }

    [Range(0, 1_000_000_000), UnitOf("ohms"), Display(Description = "What was read in ohms.")]
    public decimal? Ohms { get; init; }

    [Range(0, 1_000_000_000), UnitOf("ohms"), Display(Description = "Between a rail and ground: what was read before the work.")]
    public decimal? Before { get; init; }

    [Display(Description = "What it was taken on.")]
    public TakenOn? On { get; init; }

    /// <summary>What was read, in words.</summary>
    public string Said => Beep is { } beep ? (beep ? "beep" : "none") : $"{Ohms:0.##} ohms";

    /// <inheritdoc/>
    public Probe Completed(RecordReading read)
    {
        if (Beep is null && Ohms is null)
            read.WrongHere("says neither whether it beeped nor how many ohms were read");
        return this;
    }
}

/// <summary>A setting of a job with a name.</summary>
public sealed record NamedSetting
{
    [Required, Display(Description = "Its name.")]
    public string Name { get; init; } = "";

    [Display(Description = "Switch positions by instance, for what differs.")]
    public IReadOnlyDictionary<string, OrderedDictionary<string, string>> Switches { get; init; } =
        new Dictionary<string, OrderedDictionary<string, string>>();
}

/// <summary>
/// What was seen at a gate: the power-up lines in their order, or, on a machine that shows none, whether it started as before.
/// </summary>
public sealed record GateReading
{
    [Required, Display(Description = "The gate.")]
    public StepId Gate { get; init; } = StepId.None;

    [Required, Display(Name = "when", Description = "When it was read.")]
    public string At { get; init; } = "";

    [Display(Description = "On a machine that shows no count: it started.")]
    public bool? Starts { get; init; }

    [Display(Description = "What the screen showed, line by line.")]
    public IReadOnlyList<SeenLine> Lines { get; init; } = [];

    [Display(Description = "What it was taken on.")]
    public TakenOn? On { get; init; }
}

/// <summary>One line of a power-up screen as it was seen.</summary>
public sealed record SeenLine
{
    [Required, Display(Description = "What the screen calls it.")]
    public string Label { get; init; } = "";

    [Required, Display(Description = "What it counted.")]
    public ByteSize Bytes { get; init; }
}

/// <summary>
/// The work that is to be faster, the runs after the build (those before stand in the unit's baseline), the claims, and what a
/// benchmark read. Source: docs/handbook/speed.md.
/// </summary>
public sealed record SpeedRecord
{
    [Display(ShortName = "kind of work", Description = "The work that is to be faster, by its kinds.")]
    public IReadOnlyList<WorkShare> Work { get; init; } = [];

    [Display(ShortName = "benchmark", Description = "Benchmark runs after the build.")]
    public IReadOnlyList<BenchmarkRuns> After { get; init; } = [];

    [Display(Description = "What a person claims of the upgrade.")]
    public IReadOnlyList<SpeedClaim> Claims { get; init; } = [];

    [Display(Description = "Runs of a program at several sizes of its picture.")]
    public FrameRuns? Frames { get; init; }

    [Display(Description = "What a benchmark showed of the machine.")]
    public SpeedSeen? Seen { get; init; }
}

/// <summary>One kind of work of a piece of software that is to be faster.</summary>
public sealed record WorkShare
{
    [Required, Display(Description = "Its kind: processor, memory, storage, picture.")]
    public string Kind { get; init; } = "";

    [Required, Range(0, 1_000_000_000), UnitOf("s"), Display(Description = "How long it takes as the unit stands.")]
    public decimal Seconds { get; init; }
}

/// <summary>
/// What a person claims of the upgrade: so many times a reference unit of the shelf, or, without one, this unit before.
/// </summary>
public sealed record SpeedClaim
{
    [Required, Display(Description = "Who claims it.")]
    public string Who { get; init; } = "";

    [Required, Range(0.0001, 1_000_000), Display(Description = "So many times as fast.")]
    public decimal Ratio { get; init; }

    [Id, OnSheet(Things.Units), Display(Description = "The reference unit; left out: this unit before.")]
    public string? Unit { get; init; }

    [Id, OnSheet(Things.Models), Display(Description = "The model whose typical machine is the reference, where no unit is.")]
    public string? Model { get; init; }
}

/// <summary>What a benchmark showed of the machine; null: it does not show that.</summary>
public sealed record SpeedSeen
{
    [Range(0.001, 100_000), UnitOf("MHz"), Display(Name = "clock", Description = "The clock that it read.")]
    public decimal? ClockMHz { get; init; }

    [Display(Description = "It saw a coprocessor.")]
    public bool? Coprocessor { get; init; }

    [Display(Description = "The memory that it saw.")]
    public ByteSize? Memory { get; init; }
}

/// <summary>A mend that a person makes, such as a reset circuit: it settles one finding, and is proved.</summary>
public sealed record HandMend
{
    [Required, Display(Description = "The code of the finding that it settles.")]
    public string Finding { get; init; } = "";

    [Required, Display(Description = "What the finding is about: part:instance, model:thing, unit.")]
    public Subject Subject { get; init; } = Subject.None;

    [Required, Display(Description = "What is made.")]
    public string How { get; init; } = "";

    [LongText, Display(Description = "What proves it: a reading, or what is seen.")]
    public string Proof { get; init; } = "";

    [Display(Name = "when", Description = "When it was made.")]
    public string At { get; init; } = "";
}
