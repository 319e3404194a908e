using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>One of the kinds of sheets that a pack holds.</summary>
/// <param name="Name">Its word: model, part, unit, job, title.</param>
/// <param name="Shape">What such a sheet looks like.</param>
/// <param name="IdsOf">The ids of those in a pack, in order.</param>
/// <param name="Read">Reads one by itself, without what it refers to.</param>
public sealed record SheetKind(
    string Name,
    Shape Shape,
    Func<Pack, IEnumerable<string>> IdsOf,
    Func<JsonElement, SheetReading, object?> Read
)
{
    /// <summary>A kind of machine.</summary>
    public static readonly SheetKind Model = Of<Model>("model", p => p.Models.Select(m => m.Id));

    /// <summary>An upgrade.</summary>
    public static readonly SheetKind Part = Of<Part>("part", p => p.Parts.Select(m => m.Id));

    /// <summary>A machine on the shelf.</summary>
    public static readonly SheetKind Unit = Of<Unit>("unit", p => p.Units.Select(m => m.Id));

    /// <summary>A planned change.</summary>
    public static readonly SheetKind Job = Of<Job>("job", p => p.Jobs.Select(m => m.Id));

    /// <summary>A piece of software.</summary>
    public static readonly SheetKind Title = Of<Title>("title", p => p.Titles.Select(m => m.Id));

    /// <summary>All kinds, in the order of a pack.</summary>
    public static readonly IReadOnlyList<SheetKind> All = [Model, Part, Unit, Job, Title];

    /// <summary>The field of a pack that holds them.</summary>
    public string Plural => $"{Name}s";

    /// <summary>A kind by its word; null: there is none.</summary>
    public static SheetKind? Named(string name) => All.FirstOrDefault(k => k.Name == name);

    static SheetKind Of<T>(string name, Func<Pack, IEnumerable<string>> ids)
        where T : class, new() => new(name, Declaration<T>.Shape, ids, (e, r) => Declaration<T>.Read(e, r));
}

/// <summary>A pack as it stands in a file.</summary>
public sealed record PackSheet : ICompleted<PackSheet>
{
    /// <summary>Which format it is of.</summary>
    [Required]
    [Display(Description = "The format: rustcabin.pack/1.")]
    public string Format { get; init; } = "";

    /// <summary>The currency of all its prices.</summary>
    [Display(Description = "The currency of all its prices, three capital letters.")]
    public string Currency { get; init; } = "EUR";

    /// <summary>Kinds of machines.</summary>
    [Display(Description = "Kinds of machines.")]
    public IReadOnlyList<Model> Models { get; init; } = [];

    /// <summary>Upgrades.</summary>
    [Display(Description = "Upgrades and components.")]
    public IReadOnlyList<Part> Parts { get; init; } = [];

    /// <summary>Machines on the shelf.</summary>
    [Display(Description = "Machines on the shelf.")]
    public IReadOnlyList<Unit> Units { get; init; } = [];

    /// <summary>Planned changes.</summary>
    [Display(Description = "Planned changes.")]
    public IReadOnlyList<Job> Jobs { get; init; } = [];

    /// <summary>Pieces of software.</summary>
    [Display(Description = "Pieces of software with what they need.")]
    public IReadOnlyList<Title> Titles { get; init; } = [];

    /// <summary>The sheets for the program.</summary>
    public Pack Pack => new(Currency, Models, Parts, Units, Jobs, Titles);

    /// <inheritdoc/>
    public PackSheet Completed(RecordReading read)
    {
        if (read.Read("format") && Format != Sheets.Pack.Format)
            read.Wrong("format", $"\"{Format}\" is not a format that this version reads; it reads \"{Sheets.Pack.Format}\"");
        if (Currency.Length != 3 || !Currency.All(char.IsAsciiLetterUpper))
            read.Wrong("currency", $"\"{Currency}\" is not a currency: three capital letters");
        return this;
    }
}
