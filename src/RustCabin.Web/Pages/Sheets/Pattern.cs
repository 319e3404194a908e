using System.Text.Json.Nodes;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>
/// A pattern from which the sheet of one's own machine is begun; the patterns ship as data beside this file. Each has its access
/// levels in place, the closed case among them.
/// </summary>
/// <param name="Id">What the address calls it.</param>
/// <param name="About">What kind of machine it is.</param>
public sealed record Pattern(string Id, string About, JsonObject Sheet)
{
    /// <summary>Those that ship.</summary>
    public static IReadOnlyList<Pattern> All { get; } = [.. ((string[])["8-bit", "16-bit", "console", "portable"]).Select(Read)];

    /// <summary>A pattern by its id; null: there is none.</summary>
    public static Pattern? Of(string? id) => All.FirstOrDefault(p => p.Id == id);

    static Pattern Read(string id)
    {
        using Stream data =
            typeof(Pattern).Assembly.GetManifestResourceStream($"pattern.{id}.json")
            ?? throw new InvalidOperationException($"The pattern {id} is missing.");
        JsonObject json = JsonNode.Parse(data)!.AsObject();
        return new Pattern(id, (string)json["about"]!, json["sheet"]!.AsObject());
    }
}
