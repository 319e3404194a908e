using System.Text.RegularExpressions;

namespace RustCabin.Core.Tests;

/// <summary>
/// Lines of at most 130 columns and files of less than 400 lines. Source: docs/architecture.md, Layout of files.
/// </summary>
public partial class LinesTests
{
    const int Columns = 130,
        Lines = 400;

    static IEnumerable<string> Sources =>
        ((string[])["src", "tests", "bench"]).SelectMany(folder =>
            ((string[])["*.cs", "*.cshtml", "*.css", "*.js"]).SelectMany(p => Repository.Files(folder, p))
        );

    [Fact]
    public void No_line_is_wider_than_130_columns() =>
        Assert.Empty(
            Sources.SelectMany(file =>
                Written(File.ReadAllLines(file))
                    .Where(l => l.Text.Length > Columns)
                    .Select(l => $"{Path.GetRelativePath(Repository.Root, file)}:{l.Number} is {l.Text.Length} wide")
            )
        );

    [Fact]
    public void No_file_is_as_long_as_400_lines() =>
        Assert.Empty(
            Sources
                .Select(file => (file, Lines: File.ReadLines(file).Count()))
                .Where(f => f.Lines >= Lines)
                .Select(f => $"{Path.GetRelativePath(Repository.Root, f.file)} has {f.Lines} lines")
        );

    /// <summary>The namespace of a file has a line of its own, and what is in it stands at the margin.</summary>
    [Fact]
    public void No_file_goes_in_for_its_namespace() =>
        Assert.Empty(
            from file in Sources
            where file.EndsWith(".cs", StringComparison.Ordinal)
            from line in Written(File.ReadAllLines(file))
            where GoesIn(line.Text)
            select $"{Path.GetRelativePath(Repository.Root, file)}:{line.Number}"
        );

    static bool GoesIn(string line) => line.StartsWith("namespace ", StringComparison.Ordinal) && !line.EndsWith(';');

    [Theory]
    [InlineData("namespace RustCabin;", false)]
    [InlineData("namespace RustCabin", true)]
    [InlineData("namespace RustCabin {", true)]
    public void A_namespace_that_goes_in(string line, bool goesIn) => Assert.Equal(goesIn, GoesIn(line));

    /// <summary>
    /// A comment goes on in its line: the next word stands below only where it has no room, or a sentence has ended.
    /// </summary>
    [Fact]
    public void No_comment_is_broken_in_mid_sentence() =>
        Assert.Empty(
            from file in Sources
            where file.EndsWith(".cs", StringComparison.Ordinal)
            let lines = File.ReadAllLines(file)
            from pair in lines.Zip(lines.Skip(1)).Index()
            where IsBroken(pair.Item.First, pair.Item.Second)
            select $"{Path.GetRelativePath(Repository.Root, file)}:{pair.Index + 1}"
        );

    const int Room = 110;

    static bool IsBroken(string line, string next)
    {
        Match one = Comment().Match(line),
            two = Comment().Match(next);
        if (!one.Success || !two.Success || one.Groups["begins"].Value != two.Groups["begins"].Value)
            return false;
        string word = two.Groups["text"].Value.Split(' ')[0];
        return !word.StartsWith('<')
            && !(word.Length > 0 && (char.IsDigit(word[0]) || word[0] is '-' or '*'))
            && !Ended().IsMatch(one.Groups["text"].Value)
            && line.Length + 1 + word.Length <= Room;
    }

    [GeneratedRegex(@"^(?<begins>\s*///?) (?<text>.*)$")]
    private static partial Regex Comment();

    [GeneratedRegex("[.:;!?>]$")]
    private static partial Regex Ended();

    [Theory]
    [InlineData("// a sentence that stops", "// short of its end", true)]
    [InlineData("// A sentence that ends.", "// Another.", false)]
    [InlineData("// a sentence", "    // of another place", false)]
    [InlineData("/// <summary>A text that ends here</summary>", "/// <param name=\"x\">more</param>", false)]
    public void A_comment_that_is_broken(string line, string next, bool broken) => Assert.Equal(broken, IsBroken(line, next));

    [Theory]
    [InlineData(130, 0)]
    [InlineData(131, 1)]
    public void A_line_by_a_hair(int wide, int found) =>
        Assert.Equal(found, Written([new string('x', wide)]).Count(l => l.Text.Length > Columns));

    /// <summary>The lines that a person lays out: a sample that is quoted between three quotation marks stays as it is.</summary>
    static IEnumerable<(int Number, string Text)> Written(string[] lines)
    {
        var quoted = false;
        for (var i = 0; i < lines.Length; i++)
        {
            bool turns = lines[i].Split("\"\"\"").Length % 2 == 0;
            if (!quoted && !turns && !lines[i].Contains("\"\"\"", StringComparison.Ordinal))
                yield return (i + 1, lines[i]);
            quoted ^= turns;
        }
    }
}
