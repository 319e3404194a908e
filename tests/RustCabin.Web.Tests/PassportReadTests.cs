using System.Text.RegularExpressions;
using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;

namespace RustCabin.Web.Tests;

/// <summary>
/// Five demo jobs are walked to the end, and the passport is read aloud: each of its lines stands in
/// <c>Passports/JOB.txt</c> and was checked by hand against the steps of the job.
/// </summary>
public sealed partial class PassportReadTests : OnACabin
{
    [Theory]
    [InlineData("loft-clerk-ledger")]
    [InlineData("mast-disc-picture")]
    [InlineData("watch-porthole-system")]
    [InlineData("ferry-satchel-stack")]
    [InlineData("slip-2-system")]
    public async Task Every_line_is_what_was_done(string job)
    {
        await ToTheEnd(Cabin, job);
        string told = string.Join('\n', Lines(await Cabin.Page($"/jobs/{job}/passport")));
        string file = Path.Combine(AppContext.BaseDirectory, "Passports", $"{job}.txt");
        if (Environment.GetEnvironmentVariable("CABIN_READ") is { } folder)
            await File.WriteAllTextAsync(Path.Combine(folder, $"{job}.txt"), told + "\n");
        Assert.Equal((await File.ReadAllTextAsync(file)).TrimEnd(), told);
    }

    /// <summary>The panels but that of the dated changes: heading, then what stands under it, without what is
    /// pressed.</summary>
    static IEnumerable<string> Lines(IHtmlDocument passport)
    {
        foreach (IElement press in passport.QuerySelectorAll("main form").ToList())
            press.Remove();
        foreach (IElement panel in passport.QuerySelectorAll("main section.panel"))
        {
            if (panel.GetAttribute("aria-labelledby") == "history-title")
                continue;
            yield return "# " + Plain(panel.QuerySelector("h2")!);
            foreach (IElement line in panel.QuerySelectorAll("li, tbody tr, p"))
                if (line.ParentElement!.Closest("li, tr") is null && Plain(line) is { Length: > 0 } text)
                    yield return text;
        }
    }

    static string Plain(IElement of) =>
        of is IHtmlTableRowElement row
            ? string.Join(" | ", row.Children.Select(Plain))
            : Spaces().Replace(of.TextContent, " ").Trim();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();
}
