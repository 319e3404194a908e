namespace RustCabin.Core.Tests;

/// <summary>
/// Lines of at most 130 columns and files of less than 400 lines. Source: docs/architecture.md, Layout of files.
/// </summary>
public class LinesTests
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
