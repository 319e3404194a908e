using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

public enum PartKind
{
    Memory,
    Rom,
    Accelerator,
    Storage,
    Picture,
    Sound,
    Io,
    Power,
    Controller,
    Case,
    Adapter,
}

/// <summary>An upgrade or a component that can be fitted. Source of every field: formats.md, Part sheet.</summary>
public sealed record Part(
    string Id,
    string Name,
    string Maker,
    PartKind Kind,
    string Summary,
    IReadOnlyList<PartVersion> Versions,
    IReadOnlyList<Way> Ways,
    IReadOnlyList<Need> Needs,
    IReadOnlyList<string> Provides,
    IReadOnlyList<Switch> Switches,
    IReadOnlyList<Claim> Claims,
    IReadOnlyList<Draw> Draws,
    IReadOnlyList<Supply> Supplies,
    IReadOnlyList<SetChange> Sets,
    IReadOnlyList<Conflict> Conflicts,
    IReadOnlyList<Site> Sites,
    decimal? HeightMm,
    decimal HeatW,
    IReadOnlyList<string> Keeps,
    IReadOnlyList<string> Cautions,
    decimal Price,
    bool Stacks,
    IReadOnlyList<MemoryArray> Arrays,
    string? Mix,
    IReadOnlyList<SwitchRow> SwitchTable
)
{
    /// <summary>How many times faster a kind of work becomes: <c>processor</c>, <c>memory</c>, <c>storage</c>, <c>picture</c>.</summary>
    public IReadOnlyDictionary<string, decimal> Speed { get; init; } = new Dictionary<string, decimal>();

    /// <summary>The clock that the machine should read afterwards, in MHz; null: not said.</summary>
    public decimal? ClockMHz { get; init; }

    /// <summary>What a storage part holds; null: nothing, or not said.</summary>
    public ByteSize? Capacity { get; init; }

    /// <summary>The volts that its pins speak, and the most that they stand; null: not said.</summary>
    public decimal? LogicVolts { get; init; }
    public decimal? ToleratesVolts { get; init; }

    /// <summary>The pin that feeds it, with the range that it stands; null: not said.</summary>
    public Feed? Feed { get; init; }

    public IReadOnlyList<PowerPath> Paths { get; init; } = [];

    /// <summary>What a trigger board asks of a USB-C supply; null for other parts.</summary>
    public Trigger? Trigger { get; init; }

    /// <summary>The fixed profiles that a USB-C supply offers, and whether its cable is marked for more than 3 A.</summary>
    public IReadOnlyList<UsbProfile> Profiles { get; init; } = [];
    public bool MarkedCable { get; init; }

    /// <summary>What it measures, in millimetres; null: not said.</summary>
    public decimal? WidthMm { get; init; }
    public decimal? DepthMm { get; init; }
    public bool BareMetal { get; init; }
    public IReadOnlyList<Cable> Cables { get; init; } = [];
    public IReadOnlyList<Driver> Drivers { get; init; } = [];

    public Way? FindWay(string? id) => Ways.FirstOrDefault(w => w.Id == id);
}

/// <summary>
/// One bank of chips on a board: its bits, the types that it takes, and what the board gives them. Null or empty: the sheet does not say. Times in nanoseconds, the
/// time between two refreshed rows in microseconds; <paramref name="OwnRefresh"/>: the chips' own counters are used. Source: domain.md, section 3.
/// </summary>
public sealed record MemoryArray(
    string Id,
    int DataBits,
    int ParityBits,
    IReadOnlyList<string> Types,
    int? AddressLines,
    int? RefreshBits,
    decimal? RefreshRowUs,
    bool OwnRefresh,
    int? AccessNs,
    IReadOnlyList<string> Supplies,
    bool Socketed
);

/// <summary>Where the switches stand for one arrangement of the banks; null is an empty bank.</summary>
public sealed record SwitchRow(IReadOnlyList<string?> Arrangement, OrderedDictionary<string, string> Positions);

public sealed record PartVersion(string Id, IReadOnlyList<string> Errata);

/// <summary>
/// One accepted manner of fitting a part, to one model (and revisions), or to anything with a connector free. <paramref name="FitsSocket"/>: it puts a socket where a chip is soldered.
/// </summary>
public sealed record Way(
    string Id,
    string? Model,
    IReadOnlyList<string> Revisions,
    string? Connector,
    IReadOnlyList<Occupies> Occupies,
    decimal Minutes,
    int Skill,
    bool Reversible,
    decimal FaultChance,
    IReadOnlyList<Need> Needs,
    IReadOnlyList<string> Cautions,
    IReadOnlyList<string> Keeps,
    string? Special,
    bool Stacks,
    IReadOnlyList<WayStep> Steps,
    bool FitsSocket
)
{
    /// <summary>The site in which software expects to find it; null: anywhere.</summary>
    public string? Expects { get; init; }

    /// <summary>Posts, shields or ribs that must be trimmed.</summary>
    public IReadOnlyList<string> Trims { get; init; } = [];
}

/// <summary>What feeds a part: the rail that its feed pin is joined to, and the volts that it stands there.</summary>
public sealed record Feed(string Rail, decimal MinVolts, decimal MaxVolts);

/// <summary>The volts that a board takes from a USB-C supply, no others, and the amps that it wants.</summary>
public sealed record Trigger(decimal Volts, decimal Amps);

public sealed record UsbProfile(decimal Volts, decimal Amps);

/// <summary>A cable of a part: the opening that it passes (null: it stays inside), what it measures there in millimetres, and which way its contacts face.</summary>
public sealed record Cable(string What, string? Through, decimal WidthMm, decimal HeightMm, string? Into, Facing? ContactsFace);

public enum DriverOrder
{
    Before,
    After,
    Any,
}

/// <summary>Software that a part wants: <paramref name="AtLeast"/> is the oldest version that does; <paramref name="Order"/> whether it goes on before the part is fitted.</summary>
public sealed record Driver(string Name, string AtLeast, DriverOrder Order, string? Firmware);

/// <summary>One step of a way. <paramref name="Proof"/> is the reading that proves it done ("open", "closed to U7 leg 3"); empty: look at it.</summary>
public sealed record WayStep(string Id, string What, string Proof);

/// <summary>How a part sits on a site: fills it, goes between socket and chip, clips over a chip that stays, or taps a signal.</summary>
public enum SiteMode
{
    In,
    Between,
    Over,
    Tap,
}

public sealed record Occupies(string? Site, string? Signal, SiteMode Mode, bool Stacks)
{
    /// <summary>Where its own orientation mark lies when it is fitted.</summary>
    public string? Mark { get; init; }

    /// <summary>Neighbouring sites that it hangs over, and the height free under it there, in millimetres.</summary>
    public IReadOnlyList<Overhang> Overhangs { get; init; } = [];
}

public sealed record Overhang(string Site, decimal ClearanceMm);

public enum SwitchKind
{
    Jumper,
    Dip,
    Rotary,
    Link,
}

/// <summary>A jumper, DIP switch, rotary switch or solder link with named positions; <paramref name="Factory"/> is one of them.</summary>
public sealed record Switch(string Id, SwitchKind Kind, string Label, IReadOnlyList<string> Positions, string Factory);

/// <summary>What a part takes from a rail, in amps.</summary>
public sealed record Draw(string Rail, decimal TypicalAmps, decimal PeakAmps, Condition When)
{
    /// <summary>The path of the machine, or of a part, that the draw goes through; null: the board itself.</summary>
    public string? Path { get; init; }
}

/// <summary>A rail that a part brings; with <paramref name="Replaces"/> it stands in the place of the machine's own.</summary>
public sealed record Supply(string Rail, decimal Amps, bool Replaces);

/// <summary>What a part changes about a claim that is there already.</summary>
public sealed record SetChange(
    string Claim,
    ByteSize? Size,
    Address? Base,
    IReadOnlyList<string> Masters,
    bool Off,
    Condition When
);

public sealed record Conflict(string Part, string Why);
