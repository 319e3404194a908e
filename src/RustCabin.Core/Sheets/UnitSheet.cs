using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>One physical machine on the shelf. Source of every field: formats.md, Unit, job, title.</summary>
public sealed record Unit(
    string Id,
    string Model,
    string Name,
    OrderedDictionary<string, string> Seen,
    string? Revision,
    string? Firmware,
    IReadOnlyList<FittedPart> Fitted,
    Baseline? Baseline,
    Survey? Survey,
    IReadOnlyList<Belonging> Belongings
)
{
    /// <summary>Drivers and other software on the unit, by name, with their versions.</summary>
    public IReadOnlyDictionary<string, string> Software { get; init; } = new Dictionary<string, string>();
}

/// <summary>
/// A part on a unit or in a job, with the switches that do not stand at factory. <paramref name="Steps"/> says of single steps of its way, by
/// their ids, how they were found; the others stand as <paramref name="State"/> says.
/// </summary>
public sealed record FittedPart(
    string Part,
    string? Way,
    OrderedDictionary<string, string> Switches,
    string? Version,
    FittedState State,
    string Note,
    IReadOnlyDictionary<string, StepProof> Steps
)
{
    /// <summary>The chips in its banks, bank 0 first: an organisation, with its access time where that is known (<c>256Kx1-150</c>); null is an empty bank.</summary>
    public IReadOnlyList<string?> Banks { get; init; } = [];

    /// <summary>The site that a part sits on when its way names only a connector; null: the first that is free.</summary>
    public string? At { get; init; }
}

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

/// <summary>
/// What the unit did before anything was touched: the reading at power-up (as <see cref="GateReading"/>), rails measured under load in volts, benchmark
/// runs in seconds, and what was noted. Null on a unit: nobody has looked yet.
/// </summary>
public sealed record Baseline(
    bool Tested,
    GateReading? Reading,
    IReadOnlyList<MeasuredRail> Rails,
    IReadOnlyList<BenchmarkRuns> Runs,
    IReadOnlyList<ConditionNote> Notes
);

/// <summary>A rail as the meter showed it, in volts, under load.</summary>
public sealed record MeasuredRail(string Rail, decimal Volts);

/// <summary>Runs of one benchmark, in seconds.</summary>
public sealed record BenchmarkRuns(string Name, IReadOnlyList<decimal> Seconds);

/// <summary>Something seen at intake. <paramref name="Fault"/>: it is a fault that was there before any work.</summary>
public sealed record ConditionNote(string Text, bool Fault);

/// <summary>The state of a kind of thing at intake; unknown until looked at.</summary>
public enum Wear
{
    Sound,
    Doubtful,
    Bad,
}

/// <summary>
/// The short survey at intake: year made, mains voltage the supply is made for and that of the place it is used in, and the state of what ages.
/// Null: not looked at. Source: domain.md, section 13.
/// </summary>
public sealed record Survey(
    int? Year,
    decimal? SuppliedForVolts,
    decimal? MainsHereVolts,
    Wear? Capacitors,
    Wear? Cells,
    Wear? Corrosion,
    Wear? Plastic,
    string HalfDone
);

/// <summary>An accessory or an original piece that belongs to the unit, and where it is kept.</summary>
public sealed record Belonging(string What, bool Original, string Place);

/// <summary>The planned change to one unit, and how far the build has come.</summary>
public sealed record Job(
    string Id,
    string Unit,
    string Name,
    IReadOnlyList<FittedPart> Add,
    IReadOnlyList<string> Remove,
    string? Firmware,
    IReadOnlyList<Need> Wants,
    JobLimits Limits,
    IReadOnlyDictionary<string, OrderedDictionary<string, string>> Switches,
    IReadOnlyList<string> Done,
    IReadOnlyList<string> Heeded,
    IReadOnlyList<GateReading> Readings
)
{
    /// <summary>Minutes that steps really took, by the step's id, where the user noted them.</summary>
    public IReadOnlyDictionary<string, decimal> Took { get; init; } = new Dictionary<string, decimal>();

    /// <summary>The chips that the job puts into the banks of a part, by instance, as <see cref="FittedPart.Banks"/>.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string?>> Banks { get; init; } =
        new Dictionary<string, IReadOnlyList<string?>>();

    /// <summary>Other ways to set the same unit, by name: switch positions by instance, for what differs.</summary>
    public IReadOnlyList<NamedSetting> Settings { get; init; } = [];

    /// <summary>Devices that the job puts into ROM sockets, one a site at most.</summary>
    public IReadOnlyList<Rom.RomPlan> Roms { get; init; } = [];

    /// <summary>What is known of the unit's speed; null: nothing yet.</summary>
    public SpeedRecord? Speed { get; init; }
}

/// <summary>A setting of a job with a name, such as the old split of memory that some titles need.</summary>
public sealed record NamedSetting(string Name, IReadOnlyDictionary<string, OrderedDictionary<string, string>> Switches);

/// <summary>What the user sets as bounds: money, skill 1 to 5, and whether all must be undoable. Null: no bound.</summary>
public sealed record JobLimits(decimal? Budget, int? Skill, bool Reversible)
{
    /// <summary>Only parts that lie in the cupboard.</summary>
    public bool FromStock { get; init; }

    /// <summary>Parts that every proposal must hold, by their sheets' ids.</summary>
    public IReadOnlyList<string> Keep { get; init; } = [];
}

/// <summary>One kind of work of a piece of software that is to be faster, in seconds as the unit stands: <c>processor</c>, <c>memory</c>, <c>storage</c>, <c>picture</c>.</summary>
public sealed record WorkShare(string Kind, decimal Seconds);

/// <summary>What somebody claims of the upgrade: so many times a reference unit of the shelf, or, without one, this unit before.</summary>
public sealed record SpeedClaim(string Who, decimal Ratio, string? Unit);

/// <summary>What a benchmark showed of the machine; null: it does not show that.</summary>
public sealed record SpeedSeen(decimal? ClockMHz, bool? Coprocessor, ByteSize? Memory);

/// <summary>The work that is to be faster, the runs after the build (those before stand in the unit's baseline), the claims, and what a benchmark read. Source: domain.md, section 6.</summary>
public sealed record SpeedRecord(
    IReadOnlyList<WorkShare> Work,
    IReadOnlyList<BenchmarkRuns> After,
    IReadOnlyList<SpeedClaim> Claims,
    SpeedSeen? Seen
);

/// <summary>
/// What was seen at a gate: the power-up lines in their order, as the machine showed them, or, on a machine that shows none,
/// whether it started as before.
/// </summary>
public sealed record GateReading(string Gate, string At, IReadOnlyList<SeenLine> Lines, bool? Starts);

public sealed record SeenLine(string Label, ByteSize Bytes);

public sealed record Title(string Id, string Name, IReadOnlyList<Need> Needs);
