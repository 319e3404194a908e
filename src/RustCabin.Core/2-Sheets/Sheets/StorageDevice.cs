#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using System.Runtime.Serialization;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>What a part is on a storage bus: a drive, an adapter for a card, an emulator. Source: docs/handbook/storage.md,
/// Host to card.</summary>
public sealed record StorageDevice
{
    [Required, Display(Description = "The bus that it speaks.")]
    public StorageBus Bus { get; init; }

    [Range(1, 200), Display(Description = "How many contacts its connector has.")]
    public int? Contacts { get; init; }

    [Display(Description = "Where its power comes from.")]
    public DevicePower Power { get; init; }

    [OnSheet(Things.Connectors), Display(Description = "The family of the power plug that it needs, such as drive-4.")]
    public string? Plug { get; init; }

    [Display(Description = "What it keeps its data on.")]
    public Media Media { get; init; }

    [NotZero, Display(Description = "The largest card that it takes.")]
    public ByteSize? LargestCard { get; init; }

    [Display(Description = "Kinds of cards that it takes, by their names.")]
    public IReadOnlyList<string> CardKinds { get; init; } = [];

    [Display(Description = "The file system that it reads on its card; left out: the host does.")]
    public FileSystem? FileSystem { get; init; }

    [Range(0, 15), Display(Description = "Its id where no switch sets it; on ata 0 is the first, 1 the second.")]
    public int? Id { get; init; }

    [OnSheet(Things.Switches), Display(Description = "The switch whose position is its id.")]
    public string? IdSwitch { get; init; }

    [Display(Description = "It terminates the cable: always, never, or while a switch stands so; left out: as is needed.")]
    public Terminates? Terminates { get; init; }

    [Display(Name = "terminator power", Description = "It feeds the terminators.")]
    public bool TerminatorPower { get; init; }

    [Display(Description = "How it takes several discs of one title.")]
    public DiscsBy? Discs { get; init; }

    [Display(Description = "The variant of the interface; the firmware that drives it must be of the same.")]
    public string? Variant { get; init; }

    /// <summary>True for what a card goes into, or what keeps images on one.</summary>
    public bool TakesCard => Media != Media.Drive;
}

/// <summary>Where a device's power comes from.</summary>
public enum DevicePower
{
    /// <summary>It needs none of its own.</summary>
    None,

    /// <summary>Out of the data cable.</summary>
    Cable,

    /// <summary>Out of a plug.</summary>
    Plug,
}

/// <summary>What a device keeps its data on.</summary>
public enum Media
{
    Drive,
    Cf,
    Sd,

    [EnumMember(Value = "microsd")]
    MicroSd,
    Image,
}

/// <summary>How a device takes several discs of one title.</summary>
public enum DiscsBy
{
    /// <summary>All in one folder.</summary>
    Folder,

    /// <summary>Changed by a press while it runs.</summary>
    Swap,

    /// <summary>Each on an id of its own.</summary>
    Each,
}

/// <summary>Whether a device terminates: true, false, or the switches with which it does.</summary>
/// <param name="Always">It always or never does; null: by its switches.</param>
/// <param name="When">The switches.</param>
public sealed record Terminates(bool? Always, Condition When) : IOwnForm<Terminates>
{
    /// <inheritdoc/>
    public static Shape Shape => Condition.Shape with { OrFlag = true };

    /// <inheritdoc/>
    public static Terminates? Read(JsonElement element, SheetReading reading) =>
        element.ValueKind is JsonValueKind.True or JsonValueKind.False
            ? new Terminates(element.ValueKind == JsonValueKind.True, Condition.Always)
        : Condition.Read(element, reading) is { } when ? new Terminates(null, when)
        : null;

    /// <inheritdoc/>
    public static JsonNode? Write(Terminates value) =>
        value.Always is { } always ? JsonValue.Create(always) : Condition.Write(value.When);
}

/// <summary>Files that a card must carry, made of a template and what is chosen. Source: docs/handbook/storage.md, Card
/// kit.</summary>
public sealed record CardKit : ICompleted<CardKit>
{
    [Required, Display(ShortName = "file", Description = "The files, each with its place on the card.")]
    public IReadOnlyList<KitFile> Files { get; init; } = [];

    [Display(ShortName = "choice", Description = "What is chosen for a job.")]
    public IReadOnlyList<KitChoice> Choices { get; init; } = [];

    /// <inheritdoc/>
    public CardKit Completed(RecordReading read)
    {
        foreach ((int i, KitFile file) in Files.Index())
        {
            foreach (string named in file.When.Keys.Select(k => k.Key).Where(k => Choices.All(c => c.Id != k)))
                read.Wrong($"files[{i}].when.{named}", $"\"{named}\" is not a choice of this kit");
            if (
                Files
                    .Take(i)
                    .Any(f => string.Equals(f.Path, file.Path, StringComparison.OrdinalIgnoreCase) && f.When == file.When)
            )
                read.Wrong($"files[{i}].path", $"\"{file.Path}\" stands twice");
        }
        foreach ((int i, KitChoice choice) in Choices.Index())
            if (Choices.Take(i).Any(c => c.Id == choice.Id))
                read.Wrong($"choices[{i}].id", $"\"{choice.Id}\" is used twice");
        return this;
    }
}

/// <summary>One file of a kit.</summary>
public sealed record KitFile : ICompleted<KitFile>
{
    [Required, Display(Description = "Its place on the card, with / between folders.")]
    public string Path { get; init; } = "";

    [LongText, Usual, Display(Description = "What stands in it; {choice} is replaced by what is chosen.")]
    public string Text { get; init; } = "";

    [Display(Name = "when (choice = value)", Description = "It is there only while these choices are made so.")]
    public Condition When { get; init; } = Condition.Always;

    /// <inheritdoc/>
    public KitFile Completed(RecordReading read)
    {
        if (Path.Length > 0 && !IsSafe(Path))
            read.Wrong("path", $"\"{Path}\" must stay on the card: no / at the front, no .. and no backslash");
        return this;
    }

    /// <summary>True for a path that stays on the card.</summary>
    public static bool IsSafe(string path) =>
        path[0] != '/'
        && !path.Contains('\\')
        && !path.Contains(':')
        && !path.Any(char.IsControl)
        && path.Split('/').All(p => p.Length > 0 && p is not ("." or ".."));
}

/// <summary>Something to be chosen for a kit.</summary>
public sealed record KitChoice : ICompleted<KitChoice>
{
    [Required, Id, Display(Description = "Its identifier, which files name as {id}.")]
    public string Id { get; init; } = "";

    [Required, Display(Description = "What is chosen, in words.")]
    public string Label { get; init; } = "";

    [MinLength(1), Usual, Display(Description = "What may be chosen.")]
    public IReadOnlyList<string> Values { get; init; } = [];

    [Usual, Display(Description = "What it is without a choice; left out: the first.")]
    public string Factory { get; init; } = "";

    /// <inheritdoc/>
    public KitChoice Completed(RecordReading read)
    {
        if (Values.Count == 0)
            read.Wrong("values", "needs at least one value");
        if (Factory.Length > 0 && Values.Count > 0 && !Values.Contains(Factory))
            read.Wrong("factory", $"\"{Factory}\" is not one of its values");
        return Factory.Length > 0 || Values.Count == 0 ? this : this with { Factory = Values[0] };
    }
}
