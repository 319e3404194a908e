#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>
/// Something that a part, a way, a title or a user asks for. Each kind is a record of its own; what is made of it is told case
/// by case (<see cref="INeedCases{R}"/>), so that none is forgotten. Source: docs/handbook/wants.md, Needs.
/// </summary>
public abstract record Need : IOwnForm<Need>
{
    /// <summary>It is asked for on these revisions only; empty: on all.</summary>
    public IReadOnlyList<string> Revisions { get; init; } = [];

    /// <summary>It is asked for only while these switches stand so.</summary>
    public Condition When { get; init; } = Condition.Always;

    /// <summary>What it is on a sheet.</summary>
    protected abstract NeedForm Form { get; }

    /// <summary>What <paramref name="cases"/> makes of this kind.</summary>
    public abstract R On<R>(INeedCases<R> cases);

    /// <summary>The word of its kind, as sheets write it.</summary>
    public string Kind => Declaration<NeedForm>.Write(Form).First().Key;

    /// <summary>The thing that it names (a version, a net, a master); empty: it names none.</summary>
    public abstract string Named { get; }

    /// <summary>True if both ask for the same, wherever and whenever it holds.</summary>
    public bool AsksAs(Need other) => Form == other.Form;

    /// <inheritdoc/>
    public static Shape Shape => Declaration<NeedForm>.Shape;

    /// <inheritdoc/>
    public static Need? Read(JsonElement element, SheetReading reading)
    {
        if (Declaration<NeedForm>.Read(element, reading) is not { } form)
            return null;
        Need[] asked = [.. form.Asked];
        if (asked.Length > 1)
            reading.Wrong("names several needs: write each on its own");
        if (asked.Length == 0 && !form.Tried)
            reading.Wrong("names no need");
        return asked.Length == 1 ? asked[0] with { Revisions = form.Revisions, When = form.When } : new ProvidesNeed("");
    }

    /// <inheritdoc/>
    public static JsonNode? Write(Need value) =>
        Declaration<NeedForm>.Write(value.Form with { Revisions = value.Revisions, When = value.When });
}

/// <summary>A need as a sheet writes it: one of the fields, and where and when it holds.</summary>
public sealed record NeedForm : ICompleted<NeedForm>
{
    [OnSheet(Things.Firmware), Display(Description = "That firmware, a later one of the list, or one based on such.")]
    public string? Firmware { get; init; }

    [Display(Name = "firmware that can", Description = "Firmware that can do this.")]
    public string? Can { get; init; }

    [OnSheet(Things.Signals), Display(Description = "A signal that the board has.")]
    public string? Signal { get; init; }

    [OnSheet(Things.Parts), Display(Description = "Another part that is there.")]
    public string? Part { get; init; }

    [OnSheet(Things.Rails), Display(Description = "A supply rail.")]
    public string? Rail { get; init; }

    [OnSheet(Things.Sites), Display(Name = "free site", Description = "A site that nothing takes.")]
    public string? Free { get; init; }

    [OnSheet(Things.Regions), Display(Description = "A region that the machine was made for.")]
    public string? Region { get; init; }

    [Display(Description = "An outcome that some part gives.")]
    public string? Provides { get; init; }

    [OnSheet(Things.Titles), Display(Description = "A title that runs.")]
    public string? Title { get; init; }

    [Display(Description = "Memory that a master reaches.")]
    public MemoryAsked? Memory { get; init; }

    [Display(Description = "Room for files.")]
    public StorageAsked? Storage { get; init; }

    [Display(Description = "A processor so many times as fast.")]
    public SpeedAsked? Speed { get; init; }

    [Id, OnSheet(Things.Revisions), Display(Description = "It is asked for on these revisions only; left out: on all.")]
    public IReadOnlyList<string> Revisions { get; init; } = [];

    [
        OnSheet(Things.Switches),
        Display(Name = "when (switch = position)", Description = "It is asked for only while these switches stand so.")
    ]
    public Condition When { get; init; } = Condition.Always;

    /// <summary>One of its own fields was there, even if it did not read.</summary>
    internal bool Tried { get; private init; }

    /// <inheritdoc/>
    public NeedForm Completed(RecordReading read)
    {
        bool tried = false;
        foreach (ShapeField field in Declaration<NeedForm>.Shape.Fields!)
            tried |= field.Name is not ("revisions" or "when") && read.Has(field.Name);
        return this with { Tried = tried };
    }

    /// <summary>The needs that its fields name, in their order.</summary>
    internal IEnumerable<Need> Asked =>
        new Need?[]
        {
            Firmware is { } firmware ? new FirmwareNeed(firmware) : null,
            Can is { } can ? new CanNeed(can) : null,
            Signal is { } signal ? new SignalNeed(signal) : null,
            Part is { } part ? new PartNeed(part) : null,
            Rail is { } rail ? new RailNeed(rail) : null,
            Free is { } free ? new FreeNeed(free) : null,
            Region is { } region ? new RegionNeed(region) : null,
            Provides is { } provides ? new ProvidesNeed(provides) : null,
            Title is { } title ? new TitleNeed(title) : null,
            Memory is { } memory ? new MemoryNeed(memory.Master, memory.AtLeast, memory.Free) : null,
            Storage is { } storage ? new StorageNeed(storage.AtLeast) : null,
            Speed is { } speed ? new SpeedNeed(speed.AtLeast) : null,
        }.OfType<Need>();
}

/// <summary>Memory that is asked for.</summary>
public sealed record MemoryAsked
{
    [Required, OnSheet(Things.Masters), Display(Description = "The master that reaches it.")]
    public string Master { get; init; } = "";

    [Required, Usual, Display(Description = "How much at least.")]
    public ByteSize AtLeast { get; init; }

    [Display(Description = "What is left free once the system has loaded counts.")]
    public bool Free { get; init; }
}

/// <summary>Storage that is asked for.</summary>
public sealed record StorageAsked
{
    [Required, Usual, Display(Description = "How much at least.")]
    public ByteSize AtLeast { get; init; }
}

/// <summary>Speed that is asked for.</summary>
public sealed record SpeedAsked
{
    [Required, Range(0, 100_000), Display(Description = "So many times as fast at least.")]
    public decimal AtLeast { get; init; }
}

/// <summary>One answer for each kind of need.</summary>
/// <typeparam name="R">What is made of it.</typeparam>
public interface INeedCases<out R>
{
    R Firmware(FirmwareNeed need);
    R Can(CanNeed need);
    R Signal(SignalNeed need);
    R Part(PartNeed need);
    R Rail(RailNeed need);
    R Free(FreeNeed need);
    R Region(RegionNeed need);
    R Provides(ProvidesNeed need);
    R Title(TitleNeed need);
    R Memory(MemoryNeed need);
    R Storage(StorageNeed need);
    R Speed(SpeedNeed need);
}

/// <summary>That firmware, a later one of the list, or one based on such.</summary>
public sealed record FirmwareNeed(string Version) : Need
{
    public override string Named => Version;

    protected override NeedForm Form => new() { Firmware = Version };

    public override R On<R>(INeedCases<R> cases) => cases.Firmware(this);
}

/// <summary>Firmware that can do something.</summary>
public sealed record CanNeed(string What) : Need
{
    public override string Named => What;

    protected override NeedForm Form => new() { Can = What };

    public override R On<R>(INeedCases<R> cases) => cases.Can(this);
}

/// <summary>A signal that the board has.</summary>
public sealed record SignalNeed(string Net) : Need
{
    public override string Named => Net;

    protected override NeedForm Form => new() { Signal = Net };

    public override R On<R>(INeedCases<R> cases) => cases.Signal(this);
}

/// <summary>Another part that is there.</summary>
public sealed record PartNeed(string Id) : Need
{
    public override string Named => Id;

    protected override NeedForm Form => new() { Part = Id };

    public override R On<R>(INeedCases<R> cases) => cases.Part(this);
}

/// <summary>A supply rail.</summary>
public sealed record RailNeed(string Rail) : Need
{
    public override string Named => Rail;

    protected override NeedForm Form => new() { Rail = Rail };

    public override R On<R>(INeedCases<R> cases) => cases.Rail(this);
}

/// <summary>A site that nothing takes.</summary>
public sealed record FreeNeed(string Site) : Need
{
    public override string Named => Site;

    protected override NeedForm Form => new() { Free = Site };

    public override R On<R>(INeedCases<R> cases) => cases.Free(this);
}

/// <summary>A region that the machine was made for.</summary>
public sealed record RegionNeed(string Region) : Need
{
    public override string Named => Region;

    protected override NeedForm Form => new() { Region = Region };

    public override R On<R>(INeedCases<R> cases) => cases.Region(this);
}

/// <summary>An outcome that some part gives.</summary>
public sealed record ProvidesNeed(string Outcome) : Need
{
    public override string Named => Outcome;

    protected override NeedForm Form => new() { Provides = Outcome };

    public override R On<R>(INeedCases<R> cases) => cases.Provides(this);
}

/// <summary>A title that runs.</summary>
public sealed record TitleNeed(string Id) : Need
{
    public override string Named => Id;

    protected override NeedForm Form => new() { Title = Id };

    public override R On<R>(INeedCases<R> cases) => cases.Title(this);
}

/// <summary>Memory that a master reaches; with <paramref name="Free"/> what the firmware leaves of it.</summary>
public sealed record MemoryNeed(string Master, ByteSize AtLeast, bool Free = false) : Need
{
    public override string Named => Master;

    protected override NeedForm Form =>
        new()
        {
            Memory = new MemoryAsked
            {
                Master = Master,
                AtLeast = AtLeast,
                Free = Free,
            },
        };

    public override R On<R>(INeedCases<R> cases) => cases.Memory(this);
}

/// <summary>Room for files.</summary>
public sealed record StorageNeed(ByteSize AtLeast) : Need
{
    public override string Named => "";

    protected override NeedForm Form => new() { Storage = new StorageAsked { AtLeast = AtLeast } };

    public override R On<R>(INeedCases<R> cases) => cases.Storage(this);
}

/// <summary>A processor so many times as fast.</summary>
public sealed record SpeedNeed(decimal AtLeast) : Need
{
    public override string Named => "";

    protected override NeedForm Form => new() { Speed = new SpeedAsked { AtLeast = AtLeast } };

    public override R On<R>(INeedCases<R> cases) => cases.Speed(this);
}
