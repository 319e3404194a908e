using System.Reflection;
using Markdig;
using Markdig.Renderers.Html;
using Markdig.Syntax;
using Markdig.Syntax.Inlines;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Handbook;

/// <summary>
/// A page of the handbook, read from what ships in the application, and made into HTML when it is first asked for.
/// </summary>
/// <param name="Name">Its name in addresses, that of its file.</param>
/// <param name="Title">Its first heading.</param>
/// <param name="Text">Its Markdown.</param>
public sealed record HandbookPage(string Name, string Title, string Text)
{
    const string Prefix = "handbook.";

    static readonly MarkdownPipeline Pipeline = new MarkdownPipelineBuilder()
        .UsePipeTables()
        .UseAutoIdentifiers(Markdig.Extensions.AutoIdentifiers.AutoIdentifierOptions.GitHub)
        .DisableHtml()
        .Build();

    /// <summary>Pages that are of no single station, in the order in which they are needed.</summary>
    static readonly string[] General = ["functions", "paste", "packs", "sheets", "findings", "formats", "words"];

    /// <summary>All pages: the stations in the order of the trail, then what is of all of them.</summary>
    public static IReadOnlyList<HandbookPage> All { get; } =
    [.. Desks.Trail.Select(d => d.Slug).Concat(General).Select(Read).OfType<HandbookPage>()];

    static HandbookPage? Read(string name)
    {
        using Stream? file = Assembly.GetExecutingAssembly().GetManifestResourceStream($"{Prefix}{name}.md");
        if (file is null)
            return null;
        string text = new StreamReader(file).ReadToEnd();
        return new HandbookPage(name, text.Split('\n')[0].TrimStart('#', ' '), text);
    }

    /// <summary>The page as HTML; links to other pages lead to them as they are served here.</summary>
    public string Html => field ??= Render();

    string Render()
    {
        MarkdownDocument read = Markdown.Parse(Text, Pipeline);
        foreach (LinkInline link in read.Descendants<LinkInline>().Where(l => l.Url is not null))
            link.Url = Served(link.Url!);
        foreach (Markdig.Extensions.Tables.Table table in read.Descendants<Markdig.Extensions.Tables.Table>())
            table.GetAttributes().AddClass("table");
        return read.ToHtml(Pipeline);
    }

    static string Served(string url)
    {
        string file = url.Split('#')[0];
        string name = Path.GetFileNameWithoutExtension(file);
        return file.EndsWith("pack.schema.json", StringComparison.Ordinal) ? "/schema/pack.schema.json"
            : file.EndsWith(".md", StringComparison.Ordinal) && All.Any(p => p.Name == name)
                ? $"/handbook/{name}{url[file.Length..]}"
            : url;
    }
}
