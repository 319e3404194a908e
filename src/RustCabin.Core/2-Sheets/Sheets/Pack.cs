namespace RustCabin.Core.Sheets;

/// <summary>Models, parts, units, jobs and titles read together, in the order of the file, with one currency.</summary>
public sealed record Pack(
    string Currency,
    IReadOnlyList<Model> Models,
    IReadOnlyList<Part> Parts,
    IReadOnlyList<Unit> Units,
    IReadOnlyList<Job> Jobs,
    IReadOnlyList<Title> Titles
)
{
    /// <summary>The format that is read and written.</summary>
    public const string Format = "rustcabin.pack/1";

    /// <summary>No pack is larger, in bytes.</summary>
    public const int LargestBytes = 5_000_000;

    /// <summary>No pack holds more sheets.</summary>
    public const int MostSheets = 2000;

    /// <summary>A pack with nothing in it.</summary>
    public static readonly Pack Empty = new("EUR", [], [], [], [], []);

    /// <summary>
    /// The model of an id, or the part of that id as it lies on the bench by itself; null where there is neither.
    /// </summary>
    public Model? FindModel(string id) =>
        Found.In(Models, m => m.Id, id) ?? (FindPart(id) is { IsBoard: true } part ? part.OnTheBench() : null);

    /// <summary>The part of an id; null where there is none.</summary>
    public Part? FindPart(string id) => Found.In(Parts, p => p.Id, id);

    /// <summary>The unit of an id; null where there is none.</summary>
    public Unit? FindUnit(string id) => Found.In(Units, u => u.Id, id);

    /// <summary>The title of an id; null where there is none.</summary>
    public Title? FindTitle(string id) => Found.In(Titles, t => t.Id, id);

    /// <summary>The job of an id; null where there is none.</summary>
    public Job? FindJob(string id) => Found.In(Jobs, j => j.Id, id);
}
