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
    public const string Format = "rustcabin.pack/1";
    public const int LargestBytes = 5_000_000;
    public const int MostSheets = 2000;

    public static readonly Pack Empty = new("EUR", [], [], [], [], []);

    public Model? FindModel(string id) => Models.FirstOrDefault(m => m.Id == id);

    public Part? FindPart(string id) => Parts.FirstOrDefault(p => p.Id == id);

    public Unit? FindUnit(string id) => Units.FirstOrDefault(u => u.Id == id);

    public Title? FindTitle(string id) => Titles.FirstOrDefault(t => t.Id == id);

    public Job? FindJob(string id) => Jobs.FirstOrDefault(j => j.Id == id);
}
