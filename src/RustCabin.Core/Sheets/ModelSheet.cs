using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>A kind of machine, as its sheet describes it. Source of every field: formats.md, Model sheet.</summary>
public sealed record Model(
    string Id,
    string Name,
    string Maker,
    string Summary,
    int AddressBits,
    int DataBits,
    decimal? ClockMHz,
    IReadOnlyList<string> Masters,
    IReadOnlyList<Revision> Revisions,
    IReadOnlyList<Clue> Clues,
    IReadOnlyList<AccessLevel> Access,
    IReadOnlyList<Claim> Claims,
    IReadOnlyList<AutoWindow> AutoWindows,
    IReadOnlyList<PowerUpLine> PowerUp,
    IReadOnlyDictionary<string, ByteSize> MemoryLimits,
    IReadOnlyList<Site> Sites,
    IReadOnlyList<Signal> Signals,
    IReadOnlyList<Rail> Rails,
    IReadOnlyList<Firmware> Firmware,
    IReadOnlyList<ServicePiece> Service,
    IReadOnlyList<string> Region
)
{
    public IReadOnlyList<PowerPath> Paths { get; init; } = [];
    public IReadOnlyList<Opening> Openings { get; init; } = [];

    /// <summary>Which byte of a word the processor finds at the even address; null: the sheet does not say.</summary>
    public WordOrder? ByteOrder { get; init; }

    /// <summary>What the processor fetches first after a reset.</summary>
    public IReadOnlyList<Vector> Vectors { get; init; } = [];

    /// <summary>How the case gets rid of heat; null: the sheet does not say.</summary>
    public Cooling? Cooling { get; init; }

    public Site? FindSite(string id) => Sites.FirstOrDefault(s => s.Id == id);

    public Revision? FindRevision(string? id) => Revisions.FirstOrDefault(r => r.Id == id);
}

/// <summary>One board version of a model.</summary>
public sealed record Revision(string Id, string Name);

/// <summary>Something to look at that tells revisions apart. <paramref name="Trust"/> is the chance, 0 to 1, that it speaks true.</summary>
public sealed record Clue(
    string Id,
    string Ask,
    string? Access,
    decimal Minutes,
    decimal Trust,
    OrderedDictionary<string, IReadOnlyList<string>> Values
);

/// <summary>How far a case is open, and what must come off to get there from <paramref name="From"/>.</summary>
public sealed record AccessLevel(
    string Id,
    string? From,
    decimal Minutes,
    IReadOnlyList<Removal> Remove,
    IReadOnlyList<string> Unplug,
    IReadOnlyList<string> Fragile,
    IReadOnlyList<string> Cautions
);

public sealed record Removal(string What, int Count, string Where);

public enum ClaimKind
{
    Ram,
    Rom,
    Io,
    Register,
}

/// <summary>Which bus cycles a claim answers to.</summary>
[Flags]
public enum BusAccess
{
    Read = 1,
    Write = 2,
    Both = 3,
}

public enum SpeedClass
{
    Board,
    Local,
    Contended,
}

public enum WindowReset
{
    Undefined,
    Defined,
    WrittenFirst,
}

/// <summary>A bank window: what is seen at once is the claim's size, what lies behind it is banks times that.</summary>
public sealed record Window(string? Register, int Banks, WindowReset Reset)
{
    /// <summary>The socket behind each bank, for windows whose banks are sockets.</summary>
    public IReadOnlyList<BankPage> Pages { get; init; } = [];
}

/// <summary>A bank of a window that is a socket, by the socket's id on the same sheet.</summary>
public sealed record BankPage(int Bank, string Site);

/// <summary>Where a machine keeps an address that it needs to start: so many <paramref name="Bytes"/> at <paramref name="At"/>; <paramref name="Order"/> null: the model's, or the low byte first.</summary>
public sealed record Vector(string Id, Address At, int Bytes, WordOrder? Order);

/// <summary>A range of addresses that something answers to, as a sheet writes it, before revision and switches are known.</summary>
public sealed record Claim(
    string Id,
    ClaimKind Kind,
    Address? Base,
    ByteSize? Size,
    Address? Mask,
    IReadOnlyList<string> Masters,
    IReadOnlyList<string> Revisions,
    BusAccess Access,
    bool DrivesOnWrite,
    IReadOnlyList<string> Overlays,
    SpeedClass Speed,
    bool Auto,
    Window? Window,
    Condition When
)
{
    /// <summary>The sockets whose devices answer it, one for each lane of the word, the lane of the lowest address first; empty: the sheet does not say.</summary>
    public IReadOnlyList<string> Sockets { get; init; } = [];
}

/// <summary>Where self-configuring cards are placed: from <paramref name="Base"/>, at the lowest free place.</summary>
public sealed record AutoWindow(string Id, Address Base, ByteSize Size);

/// <summary>One line that firmware counts at power-up. With <paramref name="Auto"/> it counts what self-configuration placed and scans nothing.</summary>
public sealed record PowerUpLine(string Label, bool Auto, Address From, Address To, ByteSize Step, ByteSize? Cap, bool StopAtGap);

/// <summary>Anything that a part occupies: socket, slot, pad, bay. <paramref name="HeightMm"/> is its free height.</summary>
public sealed record Site(
    string Id,
    string Kind,
    string? Package,
    string? Mount,
    decimal? HeightMm,
    string? Access,
    string? Connector,
    IReadOnlyList<string> Revisions,
    IReadOnlyList<string> Pinout,
    decimal? RomBudgetNs
)
{
    /// <summary>The volts that its pins speak; null: the sheet does not say.</summary>
    public decimal? LogicVolts { get; init; }

    /// <summary>Where the orientation mark (pin 1, notch) lies, such as <c>top-left</c>.</summary>
    public string? Mark { get; init; }

    /// <summary>The room beside it, in millimetres; null: not said.</summary>
    public decimal? WidthMm { get; init; }
    public decimal? DepthMm { get; init; }

    /// <summary>True if contacts lie bare under or beside it.</summary>
    public bool BareContacts { get; init; }

    /// <summary>Which way its contacts face, for a flat cable: up or down.</summary>
    public Facing? ContactsFace { get; init; }
}

public enum WordOrder
{
    HighFirst,
    LowFirst,
}

public enum Facing
{
    Up,
    Down,
}

/// <summary>One branch of a rail (a plug, a splitter, a trace, a cable): what it carries at most, in amps, and its resistance there and back, in ohms.</summary>
public sealed record PowerPath(string Id, string Rail, decimal Amps, decimal Ohms);

/// <summary>A hole in the case that a cable or a plug passes, in millimetres.</summary>
public sealed record Opening(string Id, decimal WidthMm, decimal HeightMm);

/// <summary>
/// How a case gets rid of heat. <paramref name="DegreesPerWatt"/>: rise = watts x this, for a case without a fan; <paramref name="Cfm"/> cubic feet a minute that its fan moves;
/// <paramref name="MaxRise"/> degrees allowed above the room; <paramref name="OwnWatts"/> what the unit makes by itself.
/// </summary>
public sealed record Cooling(decimal? DegreesPerWatt, decimal? Cfm, decimal MaxRise, decimal OwnWatts);

public sealed record Signal(string Net, IReadOnlyList<SignalPoint> At, IReadOnlyList<string> Revisions);

public sealed record SignalPoint(string Chip, int? Pin, string? Tap, IReadOnlyList<string> Revisions);

/// <summary>
/// A piece that ages and is replaced, with what a shop must know of it. <paramref name="Years"/>: after how many it is due. Source: domain.md, section 13.
/// </summary>
public sealed record ServicePiece(
    string Id,
    ServiceKind Kind,
    string What,
    string Where,
    string Value,
    decimal? Volts,
    string Polarity,
    string Size,
    int? Years,
    string? Access,
    IReadOnlyList<string> Revisions
);

public enum ServiceKind
{
    Capacitor,
    Cell,
    Belt,
    Filter,
    Other,
}

/// <summary>A supply rail. <paramref name="Tolerance"/> is the share of its volts that it may be off under load (0.05 unless the sheet says otherwise). Capacity is <paramref name="Amps"/> times <paramref name="Derate"/> (0.8 unless the sheet says otherwise).</summary>
public sealed record Rail(
    string Id,
    decimal Volts,
    decimal Amps,
    decimal UsedAmps,
    decimal Derate,
    decimal Tolerance,
    IReadOnlyList<string> Revisions
)
{
    /// <summary>The linear regulator that makes the rail; null: none, or the sheet does not say.</summary>
    public LinearRegulator? Regulator { get; init; }
}

/// <summary>A linear regulator: it turns (<paramref name="FromVolts"/> - rail's volts) x amps into heat, and stands <paramref name="MaxWatts"/> of it.</summary>
public sealed record LinearRegulator(decimal FromVolts, decimal MaxWatts);

public sealed record Firmware(
    string Id,
    ByteSize? Bytes,
    IReadOnlyList<string> Can,
    IReadOnlyDictionary<string, ByteSize> Uses,
    string? BasedOn
);
