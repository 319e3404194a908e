using System.Text.RegularExpressions;

namespace RustCabin.Core.Tests;

/// <summary>What is written for people to begin with: short, and no link that leads nowhere.</summary>
public sealed partial class DocsTests
{
    const int MostWords = 700;

    [GeneratedRegex(@"(?:\]\(|src="")(?<to>[^)\s""#]+)")]
    private static partial Regex Link { get; }

    [Fact]
    public void The_first_page_is_read_in_three_minutes() =>
        Assert.InRange(
            File.ReadAllText(Path.Combine(Repository.Root, "README.md"))
                .Split((char[])[' ', '\n'], StringSplitOptions.RemoveEmptyEntries)
                .Length,
            200,
            MostWords
        );

    [Fact]
    public void Each_link_of_a_page_leads_to_a_file_that_is_there()
    {
        string[] pages =
        [
            .. Repository.Files("docs", "*.md"),
            Path.Combine(Repository.Root, "README.md"),
            Path.Combine(Repository.Root, "CONTRIBUTING.md"),
        ];
        (string Page, string To)[] links =
        [
            .. from page in pages
            from found in Link.Matches(File.ReadAllText(page))
            let to = found.Groups["to"].Value
            where !to.StartsWith("http", StringComparison.Ordinal)
            select (page, to),
        ];
        Assert.True(links.Length > 60);
        Assert.Empty(
            links
                .Where(l => !Path.Exists(Path.Combine(Path.GetDirectoryName(l.Page)!, l.To)))
                .Select(l => $"{Path.GetRelativePath(Repository.Root, l.Page)}: {l.To}")
        );
    }

    /// <summary>Each picture is shown somewhere.</summary>
    [Fact]
    public void Each_picture_is_linked()
    {
        string all = string.Concat(
            Repository.Files("docs", "*.md").Append(Path.Combine(Repository.Root, "README.md")).Select(File.ReadAllText)
        );
        string[] pictures = [.. Repository.Files("docs/screenshots", "*.png").Select(f => $"screenshots/{Path.GetFileName(f)}")];
        Assert.InRange(pictures.Length, 10, 19);
        Assert.All(pictures, picture => Assert.Contains(picture, all));
    }
}
