using System.Text.Json.Nodes;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>
/// A pattern from which the sheet of one's own machine or part is begun; the patterns ship as data beside this file. Each machine
/// has its access levels in place, the closed case among them.
/// </summary>
/// <param name="Id">What the address calls it.</param>
/// <param name="About">What kind of machine or part it is.</param>
/// <param name="Sheet">The sheet to begin with, without id and name.</param>
public sealed record Pattern(string Id, string About, JsonObject Sheet)
{
    const string PartWord = "part-";

    /// <summary>Those of machines.</summary>
    public static IReadOnlyList<Pattern> Machines { get; } =
    [.. ((string[])["8-bit", "16-bit", "console", "portable"]).Select(Read)];

    /// <summary>Those of parts.</summary>
    public static IReadOnlyList<Pattern> Parts { get; } =
    [
        .. (
            (string[])
                [
                    "memory-board",
                    "bank-board",
                    "accelerator",
                    "rom-device",
                    "card-adapter",
                    "picture-converter",
                    "sound-board",
                    "line-board",
                ]
        ).Select(id => Read(PartWord + id)),
    ];

    /// <summary>What a person calls it.</summary>
    public string Title => (IsPart ? Id[PartWord.Length..] : Id).Replace('-', IsPart ? ' ' : '-');

    /// <summary>It is of a part.</summary>
    bool IsPart => Id.StartsWith(PartWord, StringComparison.Ordinal);

    /// <summary>A pattern of a kind of sheet by its id; null: there is none.</summary>
    public static Pattern? Of(string kind, string? id) => (kind == "part" ? Parts : Machines).FirstOrDefault(p => p.Id == id);

    static Pattern Read(string id)
    {
        using Stream data =
            typeof(Pattern).Assembly.GetManifestResourceStream($"pattern.{id}.json")
            ?? throw new InvalidOperationException($"The pattern {id} is missing.");
        JsonObject json = JsonNode.Parse(data)!.AsObject();
        return new Pattern(id, (string)json["about"]!, json["sheet"]!.AsObject());
    }
}
