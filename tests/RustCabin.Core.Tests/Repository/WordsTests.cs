using System.Text.RegularExpressions;

namespace RustCabin.Core.Tests;

/// <summary>
/// Words that are not used stand nowhere: in no code or comment, no doc, no page and no finding (docs/words.md).
/// </summary>
public sealed partial class WordsTests
{
    static readonly string[] Kinds = ["*.cs", "*.md", "*.cshtml", "*.js", "*.json"];

    static IEnumerable<string> Texts =>
        ((string[])["src", "tests", "bench", "docs", "demo"])
            .SelectMany(folder => Kinds.SelectMany(kind => Repository.Files(folder, kind)))
            .Concat(((string[])["README.md", "CONTRIBUTING.md"]).Select(name => Path.Combine(Repository.Root, name)))
            .Where(file => Path.GetFileName(file) is not ("words.md" or "packages.lock.json" or "axe.min.js"))
            .Where(file => !file.Contains("/wwwroot/lib/", StringComparison.Ordinal));

    [GeneratedRegex(@"^\| (?<word>[^|]+) \| (?<means>[^|]+) \| (?<not>[^|]+) \|$", RegexOptions.Multiline)]
    private static partial Regex Row();

    static string[] NotUsed =>
        [
            .. Row()
                .Matches(File.ReadAllText(Path.Combine(Repository.Root, "docs/words.md")))
                .Select(row => row.Groups["not"].Value.Trim())
                .Where(cell => cell is not ("not used" or "---"))
                .SelectMany(cell => cell.Split(", ")),
        ];

    [Fact]
    public void Words_that_are_not_used_stand_nowhere()
    {
        string[] words = NotUsed;
        Assert.True(words.Length > 10, "the table is read");
        var any = new Regex($@"\b({string.Join('|', words.Select(Regex.Escape))})\b", RegexOptions.IgnoreCase);
        Assert.Empty(
            from file in Texts
            from line in File.ReadLines(file).Index()
            let found = any.Match(line.Item)
            where found.Success
            select $"{Path.GetRelativePath(Repository.Root, file)}:{line.Index + 1} {found.Value}"
        );
    }
}
