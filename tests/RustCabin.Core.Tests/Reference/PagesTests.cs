using RustCabin.Core.Packs;
using RustCabin.Core.Reference;

namespace RustCabin.Core.Tests.Reference;

/// <summary>The pages that are written from declarations are those in docs/.</summary>
public class PagesTests
{
    public static readonly TheoryData<string> Pages = new(Written.Keys);

    static Dictionary<string, Func<string>> Written =>
        new()
        {
            ["findings.md"] = () => FindingsPage.Text(Trail.Stations),
            ["rooms.md"] = Rooms.Page,
            ["sheets.md"] = SheetsPage.Text,
            ["schema/pack.schema.json"] = PackSchema.Text,
        };

    [Theory]
    [MemberData(nameof(Pages))]
    public void Is_as_the_declarations_say(string page) =>
        Assert.True(
            File.ReadAllText(Path.Combine(Repository.Docs, page)) == Written[page](),
            $"docs/{page} is out of date: ./cabin docs"
        );

    /// <summary>Not a test: writes the pages again (<c>./cabin docs</c>).</summary>
    [Fact(Explicit = true)]
    [Trait("Category", "Docs")]
    public void Write()
    {
        foreach ((string page, Func<string> text) in Written)
            File.WriteAllText(Path.Combine(Repository.Docs, page), text());
    }
}
