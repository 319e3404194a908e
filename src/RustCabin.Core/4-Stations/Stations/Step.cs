using RustCabin.Core.Bench;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Stations;

/// <summary>Kinds of steps.</summary>
public enum StepKind
{
    /// <summary>A reading decides whether to go on.</summary>
    Gate,

    /// <summary>The case is opened a level further.</summary>
    Open,

    /// <summary>Something is set up.</summary>
    Set,

    /// <summary>Something comes out.</summary>
    Remove,

    /// <summary>Something goes in.</summary>
    Fit,

    /// <summary>Software is changed.</summary>
    Firmware,

    /// <summary>The case is closed.</summary>
    Close,

    /// <summary>The machine is switched off and unplugged, so that hands may go in again.</summary>
    Off,

    /// <summary>Something is proved.</summary>
    Prove,

    /// <summary>A mend is made by hand, and ticked with what proves it.</summary>
    Mend,
}

/// <summary>One step of a build: what to do, and for a gate what the unit is then.</summary>
/// <param name="Id">The same for the same change, so that a tick stays on its step when others come and go.</param>
/// <param name="Kind">What kind of step.</param>
/// <param name="Title">What is done, in a few words.</param>
/// <param name="Details">What to mind, line by line.</param>
/// <param name="Minutes">How long it takes.</param>
public sealed record Step(StepId Id, StepKind Kind, string Title, IReadOnlyList<string> Details, decimal Minutes)
{
    /// <summary>How far open the case is: 0 closed, 1 at the first access level, and so on. The build sheet sets it.</summary>
    public int Depth { get; init; }

    /// <summary>In what state the machine is for it. The build sheet sets it.</summary>
    public CaseState State { get; init; } = CaseState.Closed;

    /// <summary>Minutes that it then stands by itself: what needs it waits for them, other work goes on.</summary>
    public decimal Wait { get; init; }

    /// <summary>The machine runs while it is done.</summary>
    public bool Runs { get; init; }

    /// <summary>The access level at which it is done. The build sheet sets it.</summary>
    public string Level { get; init; } = "";

    /// <summary>What can hurt.</summary>
    public IReadOnlyList<Caution> Cautions { get; init; } = [];

    /// <summary>The instance that it is about; null: none.</summary>
    public Instance? Instance { get; init; }

    /// <summary>For a gate, the instances that have changed since the gate before it.</summary>
    public IReadOnlyList<Instance> Instances { get; init; } = [];

    /// <summary>The access level that it opens; null: none.</summary>
    public AccessLevel? Opens { get; init; }

    /// <summary>The access levels that it closes, the inmost first.</summary>
    public IReadOnlyList<AccessLevel> Closes { get; init; } = [];

    /// <summary>For a gate, the unit as it stands there.</summary>
    public PlannedUnit? At { get; init; }

    /// <summary>For a gate, what must be read.</summary>
    public PowerUpCount? Expected { get; init; }

    /// <summary>
    /// For a proof by simulation, whether it holds; it cannot be ticked by hand, and locks what follows until it does. Null:
    /// the step is ticked.
    /// </summary>
    public bool? Proved { get; init; }

    /// <summary>It bars the way by what it shows, not by a tick: a reading, or a proof by simulation.</summary>
    public bool IsGate => Kind == StepKind.Gate || Proved is not null;

    /// <summary>The station at which the step is done; null: the build itself.</summary>
    public StationName? Station { get; init; }

    /// <summary>Steps that must come before it on every sheet.</summary>
    public IReadOnlyList<StepId> Needs { get; init; } = [];
}

/// <summary>When a piece of work has its place in a build, one after the other.</summary>
public enum WorkTime
{
    /// <summary>Before the first power-on.</summary>
    BeforePower,

    /// <summary>After the machine was tested untouched, before anything is opened.</summary>
    Before,

    /// <summary>Firmware comes first and is proved by itself, unless what it needs is not there yet.</summary>
    Firmware,

    /// <summary>Things come out.</summary>
    Out,

    /// <summary>The board is changed and proved with a meter.</summary>
    Wiring,

    /// <summary>Things go in.</summary>
    In,

    /// <summary>Software that comes last.</summary>
    Last,

    /// <summary>Just before a gate, which rests on it.</summary>
    AtGate,
}

/// <summary>A piece of work that a station brings to a build.</summary>
/// <param name="Time">When it has its place.</param>
/// <param name="Steps">Its steps, in order.</param>
public sealed record Work(WorkTime Time, IReadOnlyList<Step> Steps)
{
    /// <summary>The access levels to pass before it, outermost first; those that are open already stay.</summary>
    public IReadOnlyList<AccessLevel> Opens { get; init; } = [];

    /// <summary>It can be done however far the case is open.</summary>
    public bool Anywhere { get; init; }

    /// <summary>The gate behind it; null: none.</summary>
    public GateAsked? Gate { get; init; }

    /// <summary>The gate before which it has its place; null: the last. For <see cref="WorkTime.AtGate"/>.</summary>
    public StepId? Before { get; init; }

    /// <summary>The chance that it goes wrong, 0 to 1.</summary>
    public decimal Chance { get; init; } = UsualChance;

    /// <summary>How long it takes to mend what went wrong; null: as long as the work itself.</summary>
    public decimal? MendMinutes { get; init; }

    /// <summary>Works that must come before it, by their steps; those that its steps need come before it anyway.</summary>
    public IReadOnlyList<StepId> After { get; init; } = [];

    /// <summary>Sites and places where it is done.</summary>
    public IReadOnlyList<string> Touches { get; init; } = [];

    /// <summary>Sites and places that lie under it afterwards.</summary>
    public IReadOnlyList<string> Covers { get; init; } = [];

    /// <summary>How long it takes.</summary>
    public decimal Minutes => Steps.Sum(s => s.Minutes);

    /// <summary>The chance that something goes wrong where no sheet says another.</summary>
    public const decimal UsualChance = 0.05m;

    /// <summary>The chance that something goes wrong with a part: as its way says, else the usual one, as without a
    /// part.</summary>
    public static decimal ChanceOf(Instance? part) => part?.Way?.FaultChance ?? UsualChance;
}

/// <summary>A gate that a piece of work asks for: power up and read.</summary>
/// <param name="Id">Its step.</param>
/// <param name="With">What is new, as in "power up with ...".</param>
/// <param name="Needs">Steps that must come before it.</param>
public sealed record GateAsked(StepId Id, string With, IReadOnlyList<StepId> Needs)
{
    /// <summary>It is proved by itself, whatever the school.</summary>
    public bool Alone { get; init; }

    /// <summary>What else must be seen, line by line.</summary>
    public IReadOnlyList<string> Sees { get; init; } = [];
}

/// <summary>What a build asks stations for: the unit before and after.</summary>
/// <param name="Before">The unit as it stands.</param>
/// <param name="After">The unit as the job plans it.</param>
public sealed record BuildAsked(PlannedUnit Before, PlannedUnit After);
