#pragma warning disable CS1591 // each field is described by its annotation
using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Sheets;

/// <summary>A fault that a part is known for. Source: docs/handbook/faults.md, Causes.</summary>
public sealed record PartFault
{
    [Required, Id, Display(Description = "Its identifier.")]
    public string Id { get; init; } = "";

    [LongText, Display(Description = "What is wrong, in words.")]
    public string Cause { get; init; } = "";

    [Range(0, 1_000_000), Display(Description = "How likely it is beforehand, against a part's chance of fault.")]
    public decimal Weight { get; init; } = 0.01m;

    [Display(Description = "What the machine then shows: whether it starts, the lines of its count, anything else by its name.")]
    public FaultShows Shows { get; init; } = FaultShows.Nothing;

    [Range(0.001, 0.999), Display(Description = "The share of cold starts that work with it; left out: it does not come and go.")]
    public decimal? Cold { get; init; }

    [Range(0.001, 0.999), Display(Description = "The share of warm starts that work with it; left out: as of cold ones.")]
    public decimal? Warm { get; init; }

    [LongText, Display(Description = "What decides whether it is this.")]
    public string Check { get; init; } = "";

    [LongText, Display(Description = "What mends it.")]
    public string Mend { get; init; } = "";
}

/// <summary>What a machine with a known fault shows; words alone predict nothing.</summary>
public sealed record FaultShows : IOwnForm<FaultShows>
{
    /// <summary>Nothing is said.</summary>
    public static readonly FaultShows Nothing = new();

    [Display(Description = "Whether it starts; left out: as predicted.")]
    public bool? Starts { get; init; }

    [OrNumber, Display(ShortName = "line", Description = "What the lines of its count show, in their order; none: not said.")]
    public IReadOnlyList<ByteSize> Lines { get; init; } = [];

    [Display(Description = "What else is seen, by what is looked at: picture = garbage.")]
    public OrderedDictionary<string, string> Also { get; init; } = [];

    [LongText, Display(Description = "In words.")]
    public string Words { get; init; } = "";

    /// <inheritdoc/>
    public static Shape Shape { get; } = Declaration<FaultShows>.Shape with { OrText = true };

    /// <inheritdoc/>
    public static FaultShows? Read(JsonElement element, SheetReading reading)
    {
        if (element.ValueKind == JsonValueKind.String)
            return new TextCodec(ShapeKind.Name).TryRead(element, reading, out string words)
                ? new FaultShows { Words = words }
                : null;
        return element.ValueKind == JsonValueKind.Object
            ? Declaration<FaultShows>.Read(Nulls.Dropped(element), reading)
            : Declaration<FaultShows>.Read(element, reading);
    }

    /// <inheritdoc/>
    public static JsonNode? Write(FaultShows value) => Declaration<FaultShows>.Write(value);
}
