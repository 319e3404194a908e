#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>A kind of machine, as its sheet describes it. Source: docs/sheets.md, Model.</summary>
public sealed record Model
{
    /// <summary>The widest address space that a sheet may state, in bits.</summary>
    public const int WidestAddress = 40;

    /// <summary>Address lines of a port space of which the sheet does not say how wide it is.</summary>
    public const int UsualIoBits = 16;

    [Required, Id, Display(Description = "Its identifier, by which other sheets name it.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What people call it.")]
    public string Name { get; init; } = "";

    [LongText, Usual, Display(Description = "Who made it.")]
    public string Maker { get; init; } = "";

    [LongText, Usual, Display(Description = "A sentence on what it is.")]
    public string Summary { get; init; } = "";

    [Required, Range(1, WidestAddress), UnitOf("bits"), Display(Description = "The width of the address space.")]
    public int AddressBits { get; init; }

    [Required, Range(1, 128), UnitOf("bits"), Display(Description = "The width of the data bus.")]
    public int DataBits { get; init; }

    [Usual, Range(0.001, 100_000), UnitOf("MHz"), Display(Name = "clock", Description = "The processor's clock.")]
    public decimal? ClockMHz { get; init; }

    [Display(Description = "Which byte of a word the processor finds at the even address; left out: the sheet does not say.")]
    public WordOrder? ByteOrder { get; init; }

    [Range(8, 16), UnitOf("bits"), Display(Description = "The width of the port space, 8 or 16; left out: it has none.")]
    public int? IoBits { get; init; }

    [Display(Description = "What a read gives that nothing answers: ones (0xFF), or what was last on the bus.")]
    public Undriven Undriven { get; init; }

    [
        MinLength(1),
        Usual,
        Id,
        Display(
            Description = "What can drive the bus: the processor, video, a disc controller. The first is the one that counts "
                + "memory."
        )
    ]
    public IReadOnlyList<string> Masters { get; init; } = [];

    [Display(Description = "What the processor fetches first after a reset.")]
    public IReadOnlyList<Vector> Vectors { get; init; } = [];

    [Display(Description = "What it needs to start at all; left out: its first fetch, and its lowest page of memory.")]
    public MachineStart? Start { get; init; }

    [MinLength(1), Usual, Display(Description = "The board versions.")]
    public IReadOnlyList<Revision> Revisions { get; init; } = [];

    [Display(Description = "What to look at to tell revisions apart.")]
    public IReadOnlyList<Clue> Clues { get; init; } = [];

    [Usual, Display(ShortName = "access level", Description = "How far the case can be open, outermost first.")]
    public IReadOnlyList<AccessLevel> Access { get; init; } = [];

    [Display(Description = "The ranges of addresses that something answers to.")]
    public IReadOnlyList<Claim> Claims { get; init; } = [];

    [Display(
        ShortName = "switch",
        Description = "Jumpers and switches of its own board. Its claims name them in their conditions."
    )]
    public IReadOnlyList<Switch> Switches { get; init; } = [];

    [Display(Name = "self-configuration windows", Description = "Where self-configuring cards are placed.")]
    public IReadOnlyList<AutoWindow> AutoWindows { get; init; } = [];

    [Display(Name = "power-up lines", Description = "What the firmware counts at power-up, line by line.")]
    public IReadOnlyList<PowerUpLine> PowerUp { get; init; } = [];

    [Display(Description = "What the system can use at most.")]
    public ModelLimits? Limits { get; init; }

    [Display(Description = "Everything on it that a part occupies or taps.")]
    public IReadOnlyList<Site> Sites { get; init; } = [];

    [Display(Description = "Signals that upgrades tap, with the places where they lie.")]
    public IReadOnlyList<Signal> Signals { get; init; } = [];

    [Display(Description = "Its circuit boards.")]
    public IReadOnlyList<Board> Boards { get; init; } = [];

    [Display(Description = "Chips on its boards, with the nets of their legs.")]
    public IReadOnlyList<BoardChip> Chips { get; init; } = [];

    [Display(Description = "Test points, pads, vias, traces, resistors and links on its boards.")]
    public IReadOnlyList<BoardPoint> Points { get; init; } = [];

    [Display(Name = "names of nets", Description = "Other names of a net, understood wherever it is named.")]
    public OrderedDictionary<string, IReadOnlyList<string>> NetNames { get; init; } = [];

    [Display(Description = "The supply rails.")]
    public IReadOnlyList<Rail> Rails { get; init; } = [];

    [Display(Name = "power paths", Description = "Branches of a rail with a limit of their own.")]
    public IReadOnlyList<PowerPath> Paths { get; init; } = [];

    [Display(Description = "Holes in the case that a cable or a plug passes.")]
    public IReadOnlyList<Opening> Openings { get; init; } = [];

    [Display(Description = "How the case gets rid of heat; left out: the sheet does not say.")]
    public Cooling? Cooling { get; init; }

    [Display(Description = "The regions that it was made for, such as 50Hz.")]
    public IReadOnlyList<string> Region { get; init; } = [];

    [Usual, Display(ShortName = "firmware", Description = "Its firmware, oldest first.")]
    public IReadOnlyList<Firmware> Firmware { get; init; } = [];

    [Display(ShortName = "storage host", Description = "What drives and cards come to.")]
    public IReadOnlyList<StorageHost> Hosts { get; init; } = [];

    [Display(
        Name = "routes for files",
        ShortName = "leg",
        Description = "Ways on which files come and go, each in one direction; the machine is called machine."
    )]
    public IReadOnlyList<RouteLeg> Routes { get; init; } = [];

    [Display(ShortName = "function", Description = "What it can do and a person can try, before a job and after it.")]
    public IReadOnlyList<MachineFunction> Functions { get; init; } = [];

    [Display(
        Name = "start-ups",
        ShortName = "start-up",
        Description = "The ways in which it is started, with the memory that each takes."
    )]
    public IReadOnlyList<StartUp> StartUps { get; init; } = [];

    [Display(ShortName = "line of use", Description = "How it is used, for the operating card.")]
    public IReadOnlyList<UseLine> Use { get; init; } = [];

    [Display(ShortName = "message", Description = "What it says on the screen when something is wrong.")]
    public IReadOnlyList<Message> Messages { get; init; } = [];

    [Display(Name = "typical runs", ShortName = "benchmark", Description = "Runs of a typical machine, with their source.")]
    public IReadOnlyList<TypicalRuns> Runs { get; init; } = [];

    [Display(ShortName = "source of a fact", Description = "Where facts of this sheet are from, and how far they are trusted.")]
    public IReadOnlyList<FactSource> Sources { get; init; } = [];

    [Display(
        Name = "serial lines",
        ShortName = "serial end",
        Description = "Its ends of serial lines, with what makes their speeds."
    )]
    public IReadOnlyList<SerialEnd> Serial { get; init; } = [];

    [Display(ShortName = "picture", Description = "Pictures that it puts out.")]
    public IReadOnlyList<PictureMode> Pictures { get; init; } = [];

    [Display(Description = "Its colours.")]
    public Palette? Palette { get; init; }

    [Display(ShortName = "sound", Description = "What plays where.")]
    public IReadOnlyList<SoundSource> Sounds { get; init; } = [];

    [Display(ShortName = "jack", Description = "Its jacks.")]
    public IReadOnlyList<Jack> Jacks { get; init; } = [];

    [Display(ShortName = "input", Description = "Inputs that feed several sides.")]
    public IReadOnlyList<SoundInput> Inputs { get; init; } = [];

    [Display(Description = "What a test of it takes; left out: four minutes with the case as it is.")]
    public GateRule? Gate { get; init; }

    [Display(ShortName = "piece to service", Description = "Pieces that age and are replaced.")]
    public IReadOnlyList<ServicePiece> Service { get; init; } = [];

    /// <summary>The most memory that the system can use of what a master reaches, by master.</summary>
    public IReadOnlyDictionary<string, ByteSize> MemoryLimits => Limits?.Memory ?? ModelLimits.None;

    /// <summary>A site by its id; null: there is none.</summary>
    public Site? FindSite(string id) => Sites.FirstOrDefault(s => s.Id == id);

    /// <summary>A revision by its id; null: there is none.</summary>
    public Revision? FindRevision(string? id) => Revisions.FirstOrDefault(r => r.Id == id);
}

/// <summary>What the system can use at most.</summary>
public sealed record ModelLimits
{
    internal static readonly IReadOnlyDictionary<string, ByteSize> None = new Dictionary<string, ByteSize>();

    [Display(Description = "Memory that the system can use, by master.")]
    public IReadOnlyDictionary<string, ByteSize> Memory { get; init; } = None;
}

/// <summary>Which byte of a word comes first.</summary>
public enum WordOrder
{
    HighFirst,
    LowFirst,
}

/// <summary>Where a machine keeps an address that it needs to start.</summary>
public sealed record Vector
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Display(Name = "where", Description = "The address at which it stands.")]
    public Address At { get; init; }

    [Required, Range(1, 8), Display(Description = "How many bytes it has.")]
    public int Bytes { get; init; }

    [Display(Description = "Its byte order; left out: the model's, or the low byte first.")]
    public WordOrder? Order { get; init; }
}

/// <summary>One board version of a model.</summary>
public sealed record Revision
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What people call it.")]
    public string Name { get; init; } = "";
}

/// <summary>Something to look at that tells revisions apart.</summary>
public sealed record Clue
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [LongText, Usual, Display(Name = "look at", Description = "What to look at, in words.")]
    public string Ask { get; init; } = "";

    [Id, Usual, OnSheet(Things.Access), Display(Description = "How far the case must be open to see it.")]
    public string? Access { get; init; }

    [Range(0, 10_000), Usual, UnitOf("minutes"), Display(Description = "How long the look takes.")]
    public decimal Minutes { get; init; } = 1;

    [Required, Range(0, 1), Display(Name = "trust, 0 to 1", Description = "The chance that it speaks true.")]
    public decimal Trust { get; init; }

    [
        Usual,
        OneOrMore,
        OnSheet(Things.Revisions),
        Display(Description = "What it may show, each with the revisions that it speaks for.")
    ]
    public OrderedDictionary<string, IReadOnlyList<string>> Values { get; init; } = [];
}

/// <summary>Where self-configuring cards are placed.</summary>
public sealed record AutoWindow
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [Required, Usual, Display(Description = "Where it begins; cards get the lowest free place.")]
    public Address Base { get; init; }

    [Required, Usual, Display(Description = "How large it is.")]
    public ByteSize Size { get; init; }
}

/// <summary>
/// One line that firmware counts at power-up. With <see cref="Auto"/> it counts what self-configuration placed and scans
/// nothing.
/// </summary>
public sealed record PowerUpLine : ICompleted<PowerUpLine>
{
    /// <summary>A line of more blocks than this would hold the page up; 64 MiB in steps of 1 KiB is allowed.</summary>
    const ulong MostBlocks = 65_536;

    [Required, Display(Description = "What the screen calls it.")]
    public string Label { get; init; } = "";

    [Display(Description = "It counts what self-configuration placed and scans nothing.")]
    public bool Auto { get; init; }

    [RequiredIf("without auto")]
    [Usual, Display(Description = "Where the scan begins.")]
    public Address From { get; init; }

    [RequiredIf("without auto")]
    [Usual, Display(Description = "The first address behind the scan.")]
    public Address To { get; init; }

    [RequiredIf("without auto")]
    [Usual, Display(Description = "The size of a block, of which the first and the last word are probed.")]
    public ByteSize Step { get; init; }

    [Display(Description = "The most that the line counts.")]
    public ByteSize? Cap { get; init; }

    [Display(Description = "Whether the scan ends at the first block that fails.")]
    public bool StopAtGap { get; init; } = true;

    /// <inheritdoc/>
    public PowerUpLine Completed(RecordReading read)
    {
        if (Auto)
            return this;
        foreach (string needed in (string[])["from", "to", "step"])
            if (!read.Has(needed))
                read.Wrong(needed, "is missing");
        bool both = read.Read("from") && read.Read("to");
        if (read.Read("step") && Step.Bytes == 0)
            read.Wrong("step", "must not be 0");
        if (both && From >= To)
            read.Wrong("to", "must lie above \"from\"");
        else if (both && Step.Bytes > 0 && (To.Value - From.Value) / Step.Bytes > MostBlocks)
            read.Wrong("step", $"makes more than {MostBlocks:#,0} blocks");
        return this;
    }
}

/// <summary>A version of a machine's firmware.</summary>
public sealed record Firmware
{
    [Required, Display(Description = "Its version.")]
    public string Id { get; init; } = "";

    [OnSheet(Things.Firmware), Display(Description = "The version that it is a changed form of.")]
    public string? BasedOn { get; init; }

    [Display(Description = "How large its image is.")]
    public ByteSize? Bytes { get; init; }

    [Display(Name = "can do", Description = "What it can do that others cannot, such as start-from-drive.")]
    public IReadOnlyList<string> Can { get; init; } = [];

    [Display(Description = "The variant of an interface that it drives.")]
    public string? Variant { get; init; }

    [Display(Description = "What it takes of the memory that each master reaches.")]
    public IReadOnlyDictionary<string, ByteSize> Uses { get; init; } = ModelLimits.None;
}
