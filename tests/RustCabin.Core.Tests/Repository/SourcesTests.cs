using System.Text.RegularExpressions;

namespace RustCabin.Core.Tests;

/// <summary>Every <c>Source:</c> in the code names a page of this repository, and a heading that is on it.</summary>
public partial class SourcesTests
{
    [Fact]
    public void Each_names_a_page_and_a_heading_that_are_there()
    {
        var cited = ((string[])["src", "tests"])
            .SelectMany(folder => Repository.Files(folder, "*.cs"))
            .Where(f => !f.EndsWith("/SourcesTests.cs", StringComparison.Ordinal))
            .SelectMany(file => Sources(File.ReadAllText(file)).Select(source => (file, source)))
            .ToList();
        Assert.True(cited.Count > 60, $"only {cited.Count} sources were found");
        Assert.Empty(
            cited.Where(c => !Stands(c.source)).Select(c => $"{Path.GetRelativePath(Repository.Root, c.file)}: {c.source}")
        );
    }

    [Theory]
    [InlineData("docs/handbook/memory.md, Claims", true)]
    [InlineData("docs/handbook/memory.md", true)]
    [InlineData("docs/handbook/memory.md, Claim", false)]
    [InlineData("docs/handbook/memories.md", false)]
    [InlineData("a book", false)]
    public void A_source_by_a_hair(string source, bool stands) => Assert.Equal(stands, Stands(source));

    static bool Stands(string source)
    {
        string[] said = source.Split(", ", 2);
        string page = Path.Combine(Repository.Root, said[0]);
        if (!said[0].StartsWith("docs/", StringComparison.Ordinal) || !File.Exists(page))
            return false;
        return said.Length == 1 || File.ReadLines(page).Any(line => line.TrimStart('#', ' ') == said[1] && line.StartsWith('#'));
    }

    /// <summary>What follows the word in comments, put on one line, up to the full stop that ends it.</summary>
    static IEnumerable<string> Sources(string code) =>
        Cited().Matches(CommentBreak().Replace(code, " ")).Select(m => m.Groups[1].Value.Trim());

    [GeneratedRegex(@"\n\s*///?(?!\S)\s*")]
    private static partial Regex CommentBreak();

    [GeneratedRegex(@"Source:\s*(.+?)(?=\.(?:\s|<)|\.?\s*</|\.?\s*$)", RegexOptions.Multiline)]
    private static partial Regex Cited();
}
