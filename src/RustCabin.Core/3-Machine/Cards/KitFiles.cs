using System.IO.Compression;
using System.Text;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Cards;

/// <summary>What of a kit is missing on a card, stands there beside it, or is written otherwise.</summary>
/// <param name="Missing">Files of the kit that are not on the card.</param>
/// <param name="Misplaced">Files that are there, but in another folder, with where.</param>
/// <param name="Further">Files on the card that are not of the kit.</param>
public sealed record KitReading(
    IReadOnlyList<string> Missing,
    IReadOnlyList<(string Wanted, string Found)> Misplaced,
    IReadOnlyList<string> Further
)
{
    /// <summary>All of the kit is in its place.</summary>
    public bool Agrees => Missing.Count == 0 && Misplaced.Count == 0;
}

/// <summary>The files of a card kit with what is chosen put in. Source: docs/handbook/storage.md, Card kit.</summary>
public static class KitFiles
{
    /// <summary>Letters of a pasted listing that are looked at, at most.</summary>
    public const int MostListing = 1_000_000;

    /// <summary>What is chosen: the job's choices where they are valid, else the factory's.</summary>
    public static IReadOnlyDictionary<string, string> Chosen(CardKit kit, IReadOnlyDictionary<string, string> choices) =>
        kit.Choices.ToDictionary(
            c => c.Id,
            c => choices.GetValueOrDefault(c.Id) is { } value && c.Values.Contains(value) ? value : c.Factory
        );

    /// <summary>The files, each with its text.</summary>
    public static IReadOnlyList<(string Path, string Text)> Of(CardKit kit, IReadOnlyDictionary<string, string> choices)
    {
        IReadOnlyDictionary<string, string> chosen = Chosen(kit, choices);
        return
        [
            .. kit
                .Files.Where(f => f.When.Holds(chosen.GetValueOrDefault))
                .Select(f => (f.Path, Filled(f.Text, chosen)))
                .DistinctBy(f => f.Path, StringComparer.OrdinalIgnoreCase),
        ];
    }

    static string Filled(string text, IReadOnlyDictionary<string, string> chosen) =>
        chosen.Aggregate(text, (now, choice) => now.Replace($"{{{choice.Key}}}", choice.Value, StringComparison.Ordinal));

    /// <summary>The files as a zip, the same for the same choices.</summary>
    public static byte[] Zip(IReadOnlyList<(string Path, string Text)> files)
    {
        using var into = new MemoryStream();
        using (var zip = new ZipArchive(into, ZipArchiveMode.Create, leaveOpen: true))
            foreach ((string path, string text) in files)
            {
                ZipArchiveEntry entry = zip.CreateEntry(path, CompressionLevel.Optimal);
                entry.LastWriteTime = new DateTimeOffset(1990, 1, 1, 0, 0, 0, TimeSpan.Zero);
                using Stream file = entry.Open();
                file.Write(Encoding.UTF8.GetBytes(text));
            }
        return into.ToArray();
    }

    /// <summary>
    /// Holds a card's listing against the kit: a path a line, whatever stands before the first folder that the kit knows.
    /// </summary>
    public static KitReading Compare(IReadOnlyList<(string Path, string Text)> files, string listing)
    {
        string[] found =
        [
            .. listing
                .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(l => l.Replace('\\', '/').TrimStart('.').Trim('/'))
                .Where(l => l.Length > 0)
                .Distinct(StringComparer.OrdinalIgnoreCase),
        ];
        bool at(string line, string path) => string.Equals(line, path, StringComparison.OrdinalIgnoreCase);
        var missing = new List<string>();
        var misplaced = new List<(string, string)>();
        var seen = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach ((string path, string _) in files)
        {
            string name = path[(path.LastIndexOf('/') + 1)..];
            if (found.FirstOrDefault(l => at(l, path)) is { } right)
                seen.Add(right);
            else if (
                found.FirstOrDefault(l =>
                    (at(l, name) || l.EndsWith($"/{name}", StringComparison.OrdinalIgnoreCase)) && !files.Any(f => at(l, f.Path))
                ) is
                { } elsewhere
            )
            {
                seen.Add(elsewhere);
                misplaced.Add((path, elsewhere));
            }
            else
                missing.Add(path);
        }
        // A folder that the kit's files lie in is no further file.
        bool isFolder(string line) =>
            files.Any(f => f.Path.StartsWith($"{line}/", StringComparison.OrdinalIgnoreCase))
            || found.Any(l => l.StartsWith($"{line}/", StringComparison.OrdinalIgnoreCase));
        return new KitReading(missing, misplaced, [.. found.Where(l => !seen.Contains(l) && !isFolder(l))]);
    }
}
