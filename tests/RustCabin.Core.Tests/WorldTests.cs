using System.Globalization;
using System.Text.RegularExpressions;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Tests;

/// <summary>
/// The sample world as <c>docs/world.md</c> tells it, and the sheets that are drawn from it: each figure that the page names
/// stands on a sheet, and each claim of a model is told.
/// </summary>
public sealed partial class WorldTests
{
    static readonly string Page = File.ReadAllText(Path.Combine(Repository.Docs, "world.md"));

    static IEnumerable<(string Name, string Text)> Sections =>
        Page.Split("\n## ").Skip(1).Select(s => (s[..s.IndexOf('\n')].Trim(), s));

    static IEnumerable<string> Spans(string text) => CodeSpan().Matches(text).Select(m => m.Groups[1].Value);

    public static TheoryData<string> Models() => new(Demo.Packs.SelectMany(p => p.Models).Select(m => m.Id));

    [Fact]
    public void Each_model_has_its_section_and_each_section_its_model() =>
        Assert.Equal(Demo.Packs.SelectMany(p => p.Models).Select(m => m.Name).Order(), Sections.Select(s => s.Name).Order());

    [Theory]
    [MemberData(nameof(Models))]
    public void What_the_page_names_stands_on_the_sheets(string id)
    {
        Pack pack = Demo.Packs.Single(p => p.Models.Any(m => m.Id == id));
        Model model = pack.Models.Single(m => m.Id == id);
        string[] spans = [.. Spans(Sections.Single(s => s.Name == model.Name).Text)];
        var told = new List<Claim>();
        int clocks = 0;
        foreach (string span in spans)
        {
            if (ClaimSpan().Match(span) is { Success: true } claim)
                told.Add(Held(pack, model, claim));
            else if (ContactsSpan().Match(span) is { Success: true } row)
                Assert.Equal(row.Groups[2].Value, string.Join(' ', ContactsOf(pack, model, row.Groups[1].Value)));
            else if (ClockSpan().Match(span) is { Success: true } clock)
            {
                decimal mhz = decimal.Parse(clock.Groups[1].Value, CultureInfo.InvariantCulture);
                Assert.Contains(mhz, (IEnumerable<decimal?>)[model.ClockMHz, .. model.Pictures.Select(p => p.PixelClockMHz)]);
                clocks += mhz == model.ClockMHz ? 1 : 0;
            }
            else
                Assert.DoesNotMatch("0x|MHz|:", span);
        }
        Assert.Empty(model.Claims.Select(c => c.Id).Except(told.Select(c => c.Id)));
        Assert.Equal(1, clocks);
        foreach (Site site in model.Sites.Where(s => s.Contacts.Count > 0))
            Assert.Contains(spans, s => s.StartsWith($"{site.Id}: ", StringComparison.Ordinal));
    }

    /// <summary>The claim of the model, or of a part where the span names one first.</summary>
    static Claim Held(Pack pack, Model model, Match span)
    {
        string part = span.Groups[1].Value.Trim(),
            id = span.Groups[2].Value;
        Claim claim = (part.Length == 0 ? model.Claims : pack.Parts.Single(p => p.Id == part).Claims).Single(c => c.Id == id);
        Assert.True(Address.TryParse(span.Groups[3].Value, out Address at));
        Assert.Equal(at, claim.Base);
        Assert.True(ByteSize.TryParse(span.Groups[4].Value, out ByteSize size));
        Assert.Equal(size, claim.Size);
        return claim;
    }

    static IReadOnlyList<string> ContactsOf(Pack pack, Model model, string name) =>
        model.Sites.FirstOrDefault(s => s.Id == name)?.Contacts
        ?? pack.Parts.FirstOrDefault(p => p.Id == name)?.Contacts
        ?? pack.Parts.SelectMany(p => p.Sites.Select(s => (Name: $"{p.Id}:{s.Id}", s.Contacts)))
            .Single(s => s.Name == name)
            .Contacts;

    /// <summary>A title runs on machines of the model that it was made for, and on no other.</summary>
    [Fact]
    public void Each_title_belongs_to_models_of_the_world()
    {
        string[] models = [.. Demo.Packs.SelectMany(p => p.Models).Select(m => m.Id)];
        Title[] titles = [.. Demo.Packs.SelectMany(p => p.Titles)];
        Assert.True(titles.Length > 10);
        Assert.All(titles, t => Assert.NotEmpty(t.Models));
        Assert.All(titles, t => Assert.Empty(t.Models.Except(models)));
    }

    [GeneratedRegex("`([^`\n]+)`")]
    private static partial Regex CodeSpan();

    [GeneratedRegex("^([a-z0-9-]+ )?([a-z0-9-]+) (0x[0-9A-F]+) ([0-9]+[KM]?)$")]
    private static partial Regex ClaimSpan();

    [GeneratedRegex("^([a-z:-]+): (.+)$")]
    private static partial Regex ContactsSpan();

    [GeneratedRegex("^([0-9.]+) MHz$")]
    private static partial Regex ClockSpan();
}
