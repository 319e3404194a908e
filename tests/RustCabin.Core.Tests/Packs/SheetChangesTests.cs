using System.Text.Json;
using RustCabin.Core.Packs;

namespace RustCabin.Core.Tests.Packs;

public class SheetChangesTests
{
    static FieldChange[] Between(string before, string after)
    {
        using JsonDocument a = JsonDocument.Parse(before),
            b = JsonDocument.Parse(after);
        return [.. SheetChanges.Between(a.RootElement, b.RootElement)];
    }

    [Theory]
    [InlineData("""{"a":1}""", """{"a":1}""")]
    [InlineData("""{"a":1,"b":2}""", """{"b":2,"a":1}""")]
    [InlineData("""{"a":[]}""", """{"a":[]}""")]
    public void The_same_in_other_words_is_no_change(string before, string after) => Assert.Empty(Between(before, after));

    [Theory]
    [InlineData("""{"a":1}""", """{"a":2}""", "a", "1", "2")]
    [InlineData("""{"a":"x"}""", """{}""", "a", "x", null)]
    [InlineData("""{}""", """{"a":{"b":1}}""", "a", null, """{"b":1}""")]
    [InlineData(
        """{"c":[{"id":"p","n":1},{"id":"q","n":2}]}""",
        """{"c":[{"id":"q","n":3},{"id":"p","n":1}]}""",
        "c[q].n",
        "2",
        "3"
    )]
    [InlineData("""{"c":["x","y"]}""", """{"c":["x","z"]}""", "c[1]", "y", "z")]
    [InlineData("""{"c":[{"id":"p"}]}""", """{"c":[]}""", "c[p]", """{"id":"p"}""", null)]
    public void A_change_is_told_with_its_path(string before, string after, string path, string? was, string? now) =>
        Assert.Equal([new FieldChange(path, was, now)], Between(before, after));
}
