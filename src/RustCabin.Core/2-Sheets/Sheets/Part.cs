#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>An upgrade or a component that can be fitted. Source: docs/sheets.md, Part.</summary>
public sealed record Part : ICompleted<Part>
{
    [Required, Id, Display(Description = "Its identifier, by which other sheets name it.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What people call it.")]
    public string Name { get; init; } = "";

    [LongText, Usual, Display(Description = "Who made it.")]
    public string Maker { get; init; } = "";

    [Required, Display(Description = "What kind of upgrade.")]
    public PartKind Kind { get; init; }

    [LongText, Usual, Display(Description = "A sentence on what it does.")]
    public string Summary { get; init; } = "";

    [Display(Description = "Its versions, with what is known to be wrong with them.")]
    public IReadOnlyList<PartVersion> Versions { get; init; } = [];

    [Display(Description = "What to look at to tell its versions apart, when it lies on the bench.")]
    public IReadOnlyList<Clue> Clues { get; init; } = [];

    [Display(Description = "The accepted manners of fitting it.")]
    public IReadOnlyList<Way> Ways { get; init; } = [];

    [Display(Description = "The connector's family.")]
    public Unread Connector { get; init; }

    [Display(Description = "Whether the connector has pins or holes.")]
    public Gender? Gender { get; init; }

    [OnSheet(Things.ContactNets), Display(Description = "The net that each of its contacts wants, in order; n takes any.")]
    public IReadOnlyList<string> Contacts { get; init; } = [];

    [Display(Description = "Its pads, to which leads go; others name them part:pad.")]
    public IReadOnlyList<Pad> Pads { get; init; } = [];

    [Display(Description = "Its own circuit boards.")]
    public IReadOnlyList<Board> Boards { get; init; } = [];

    [Display(Description = "Chips on its own boards; others name their legs part:U1.3.")]
    public IReadOnlyList<BoardChip> Chips { get; init; } = [];

    [Display(Description = "Points on its own boards.")]
    public IReadOnlyList<BoardPoint> Points { get; init; } = [];

    [Display(ShortName = "access level", Description = "How far its own case can be open, outermost first.")]
    public IReadOnlyList<AccessLevel> Access { get; init; } = [];

    [Display(ShortName = "piece to service", Description = "Pieces of its own that age and are replaced.")]
    public IReadOnlyList<ServicePiece> Service { get; init; } = [];

    [Display(Name = "names of nets", Description = "Other names of a net, understood wherever it is named.")]
    public OrderedDictionary<string, IReadOnlyList<string>> NetNames { get; init; } = [];

    [Display(Description = "What can be chosen with it.")]
    public IReadOnlyList<PartOption> Options { get; init; } = [];

    [Display(Description = "Sites that it brings; others name them part:site.")]
    public IReadOnlyList<Site> Sites { get; init; } = [];

    [Display(Description = "What must be there for it to work, all of them.")]
    public IReadOnlyList<Need> Needs { get; init; } = [];

    [Usual, Display(Description = "Outcomes that it gives, such as memory or sound.")]
    public IReadOnlyList<string> Provides { get; init; } = [];

    [Display(Description = "Parts that do not go with it.")]
    public IReadOnlyList<Conflict> Conflicts { get; init; } = [];

    [Display(ShortName = "known pair", Description = "What a person has tried with it, and how that went.")]
    public IReadOnlyList<KnownPair> Known { get; init; } = [];

    [Display(ShortName = "line of use", Description = "How it is used, for the operating card.")]
    public IReadOnlyList<UseLine> Use { get; init; } = [];

    [Display(ShortName = "function", Description = "What it brings that a person can try.")]
    public IReadOnlyList<MachineFunction> Functions { get; init; } = [];

    [Display(ShortName = "switch", Description = "Its jumpers, switches and solder links.")]
    public IReadOnlyList<Switch> Switches { get; init; } = [];

    [Display(Description = "The ranges of addresses that it answers to.")]
    public IReadOnlyList<Claim> Claims { get; init; } = [];

    [Display(Description = "What it changes about claims that are there already.")]
    public IReadOnlyList<SetChange> Sets { get; init; } = [];

    [Display(Description = "Its banks of memory chips, bank 0 first.")]
    public IReadOnlyList<MemoryArray> Arrays { get; init; } = [];

    [Display(Description = "Which mixes of banks it allows: any, alike, larger-first, pairs.")]
    public string? Mix { get; init; }

    [Display(ShortName = "marking", Description = "Numbers of memory chips that the built-in table does not have.")]
    public IReadOnlyList<Chips.MarkedNumber> Markings { get; init; } = [];

    [Display(ShortName = "row of the switch table", Description = "Where the switches stand for each arrangement of the banks.")]
    public IReadOnlyList<SwitchRow> SwitchTable { get; init; } = [];

    [Display(Description = "What it is on a storage bus.")]
    public StorageDevice? Storage { get; init; }

    [Display(ShortName = "storage host", Description = "What drives and cards come to that it brings.")]
    public IReadOnlyList<StorageHost> Hosts { get; init; } = [];

    [Display(
        Name = "routes for files",
        ShortName = "leg",
        Description = "Ways on which files come and go, each in one direction; the machine is called machine."
    )]
    public IReadOnlyList<RouteLeg> Routes { get; init; } = [];

    [Display(ShortName = "message", Description = "What it says on the screen when something is wrong.")]
    public IReadOnlyList<Message> Messages { get; init; } = [];

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

    [Display(Description = "How it samples a picture.")]
    public Sampler? Samples { get; init; }

    [Display(Description = "Its amplifier.")]
    public Amplifier? Amplifier { get; init; }

    [Display(ShortName = "speaker", Description = "Speakers that it drives.")]
    public IReadOnlyList<SoundLoad> Loads { get; init; } = [];

    [Display(Name = "card kit", Description = "Files that its card must carry.")]
    public CardKit? CardKit { get; init; }

    [Display(Name = "card tree", Description = "How the files of its card must lie.")]
    public TreeRule? Tree { get; init; }

    [Display(ShortName = "release", Description = "How the files of its firmware are called, for which variant and part.")]
    public IReadOnlyList<ReleaseRule> Releases { get; init; } = [];

    [Display(Description = "What a storage part holds.")]
    public ByteSize? Capacity { get; init; }

    [
        Range(0.001, 100_000),
        Display(Description = "How many times faster a kind of work becomes: processor, memory, storage, picture.")
    ]
    public IReadOnlyDictionary<string, decimal> Speed { get; init; } = new Dictionary<string, decimal>();

    [
        Range(0.001, 100_000),
        Usual,
        UnitOf("MHz"),
        Display(Name = "clock", Description = "The clock that the machine should read afterwards.")
    ]
    public decimal? ClockMHz { get; init; }

    [Range(0.1, 1000), UnitOf("V"), Display(Description = "The volts that its pins speak.")]
    public decimal? LogicVolts { get; init; }

    [Range(0.1, 1000), UnitOf("V"), Display(Description = "The most that its pins stand.")]
    public decimal? ToleratesVolts { get; init; }

    [Display(Description = "The pin that feeds it, with the range that it stands.")]
    public Feed? Feed { get; init; }

    [Display(Description = "Software that it wants.")]
    public IReadOnlyList<Driver> Drivers { get; init; } = [];

    [Display(Description = "What it takes from the rails.")]
    public IReadOnlyList<Draw> Draws { get; init; } = [];

    [Display(Name = "power paths", Description = "Branches of a rail that it brings, with limits of their own.")]
    public IReadOnlyList<PowerPath> Paths { get; init; } = [];

    [Display(Description = "What a trigger board asks of a USB-C supply.")]
    public Trigger? Trigger { get; init; }

    [Display(Description = "The fixed profiles that a USB-C supply offers.")]
    public IReadOnlyList<UsbProfile> Profiles { get; init; } = [];

    [Display(Description = "Its cable is marked for more than 3 A.")]
    public bool MarkedCable { get; init; }

    [Display(ShortName = "supply", Description = "Rails that it brings.")]
    public IReadOnlyList<Supply> Supplies { get; init; } = [];

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "height", Description = "How high it is.")]
    public decimal? HeightMm { get; init; }

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "width", Description = "How wide it is.")]
    public decimal? WidthMm { get; init; }

    [Range(0, 10_000), UnitOf("mm"), Display(Name = "depth", Description = "How deep it is.")]
    public decimal? DepthMm { get; init; }

    [Display(Description = "It has bare metal below, which must not touch bare contacts.")]
    public bool BareMetal { get; init; }

    [Display(Description = "Its cables.")]
    public IReadOnlyList<Cable> Cables { get; init; } = [];

    [Range(0, 100_000), UnitOf("W"), Display(Name = "heat", Description = "The heat that it makes.")]
    public decimal HeatW { get; init; }

    [Display(ShortName = "fan", Description = "Its fans.")]
    public IReadOnlyList<PartFan> Fans { get; init; } = [];

    [Display(Name = "hot plug", Description = "It may be plugged in and out while the machine runs; left out: never.")]
    public bool HotPlug { get; init; }

    [LongText, Display(Description = "Original pieces that come off and must be kept.")]
    public IReadOnlyList<string> Keeps { get; init; } = [];

    [OnSheet(Things.Cautions), Display(Description = "What can hurt when it is fitted.")]
    public IReadOnlyList<string> Cautions { get; init; } = [];

    [Display(Description = "It emulates the processor, in software or in a gate array.")]
    public bool Emulates { get; init; }

    [Display(Description = "It may share its site with another.")]
    public bool Stacks { get; init; }

    [Display(ShortName = "known fault", Description = "Faults that it is known for.")]
    public IReadOnlyList<PartFault> Faults { get; init; } = [];

    [Display(Name = "bill of materials", ShortName = "line of the bill", Description = "What goes where on its bare board.")]
    public IReadOnlyList<BomLine> Bom { get; init; } = [];

    [Display(ShortName = "program", Description = "Devices on its board that hold a program.")]
    public IReadOnlyList<BoardProgram> Programs { get; init; } = [];

    [Display(Name = "bare board", Description = "The bare board, for whoever populates it; left out: it comes populated only.")]
    public BareBoard? Bare { get; init; }

    [
        Id,
        OnSheet(Things.Parts),
        Display(
            Name = "copy of",
            Description = "The part of which it is a copy: what is known to be wrong with that holds for it too."
        )
    ]
    public string? CopyOf { get; init; }

    [
        LongText,
        Display(
            Name = "does not hold for the copy",
            ShortName = "fault that it has not",
            Description = "Known faults of the original, by id, and its errata, by their words, that the copy has not."
        )
    ]
    public IReadOnlyList<string> Struck { get; init; } = [];

    [Range(0, 10_000_000), Usual, Display(Description = "What it costs, in the pack's currency.")]
    public decimal Price { get; init; }

    /// <summary>A way by its id; null: there is none.</summary>
    public Way? FindWay(string? id) => Ways.FirstOrDefault(w => w.Id == id);

    /// <summary>True if it has boards or chips of its own, so that there is something to work on.</summary>
    public bool IsBoard => Boards.Count > 0 || Chips.Count > 0 || Points.Count > 0;

    /// <summary>
    /// The part by itself on the bench, as the thing that a unit is: its own boards, sites, access levels, functions and pieces
    /// to service, its versions told apart by its clues, and no memory that anything counts. Source: docs/handbook/wiring.md,
    /// Parts on the bench.
    /// </summary>
    public Model OnTheBench() =>
        new()
        {
            Id = Id,
            Name = Name,
            Maker = Maker,
            Summary = Summary,
            AddressBits = 1,
            DataBits = 8,
            Masters = ["bench"],
            Revisions =
                Versions.Count > 0
                    ? [.. Versions.Select(v => new Revision { Id = IdText.Of(v.Id), Name = $"Version {v.Id}" })]
                    : [new Revision { Id = "as-built", Name = "as built" }],
            Clues =
            [
                .. Clues.Select(c =>
                    c with
                    {
                        Values = new OrderedDictionary<string, IReadOnlyList<string>>(
                            c.Values.Select(v =>
                                KeyValuePair.Create(v.Key, (IReadOnlyList<string>)[.. v.Value.Select(IdText.Of)])
                            )
                        ),
                    }
                ),
            ],
            Functions = Functions,
            Access = Access,
            Sites = Sites,
            Boards = Boards,
            Chips = Chips,
            Points = Points,
            NetNames = NetNames,
            Service = Service,
        };

    /// <inheritdoc/>
    public Part Completed(RecordReading read)
    {
        if (Mix is not null && RustCabin.Core.Chips.MixRules.Of(Mix) is null)
            read.Wrong("mix", $"\"{Mix}\" is not one of {RustCabin.Core.Chips.MixRules.All}");
        return this;
    }
}

/// <summary>Kinds of upgrades.</summary>
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

/// <summary>Where the switches stand for one arrangement of the banks.</summary>
public sealed record SwitchRow
{
    [EmptyPlaces, OnSheet(Things.ChipTypes), Display(Description = "The type in each bank, bank 0 first; null is an empty bank.")]
    public IReadOnlyList<string?> Arrangement { get; init; } = [];

    [Usual, OnSheet(Things.Switches), Display(Description = "Where each switch stands then.")]
    public OrderedDictionary<string, string> Positions { get; init; } = [];
}

/// <summary>A version of a part.</summary>
public sealed record PartVersion
{
    [Required, Display(Description = "Its name.")]
    public string Id { get; init; } = "";

    [LongText, Display(ShortName = "erratum", Description = "What is known to be wrong with it.")]
    public IReadOnlyList<string> Errata { get; init; } = [];
}
