using System.IO.Compression;
using System.Text;
using Markdig;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>A write-up of a job, with the photos that are chosen. Source: docs/handbook/passport.md, Ask and tell.</summary>
public sealed class TellModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<BuildDesk>();

    /// <summary>Photos that are left out, by their numbers.</summary>
    [BindProperty(SupportsGet = true)]
    public List<int> Without { get; set; } = [];

    /// <summary>The photos that were taken at steps of the job, each once.</summary>
    public IEnumerable<BenchNote> Photos =>
        (View.Job.Build?.Notes ?? []).Where(n => n.Photo is not null).DistinctBy(n => n.Photo);

    /// <summary>What was typed into notes is text: HTML in it is shown and not run.</summary>
    static readonly MarkdownPipeline Plain = new MarkdownPipelineBuilder().DisableHtml().Build();

    /// <summary>The write-up as it reads.</summary>
    public IHtmlContent Written =>
        new HtmlString(
            Markdown.ToHtml(TellText.Of(View.At, n => Without.Contains(n) ? null : $"/units/{View.Unit.Id}/photos/{n}"), Plain)
        );

    /// <summary>Where the file is saved from, with the choice of photos.</summary>
    public string FileUrl =>
        $"/jobs/{View.Job.Id}/tell.zip{QueryString.Create(Without.Select(w => KeyValuePair.Create("without", (string?)$"{w}")))}";

    /// <summary>The text as a file, and the text with its photos as one.</summary>
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes
            .MapGet(
                "/jobs/{job}/tell.md",
                (string job, SheetRepository sheets, JobRepository jobs) =>
                    jobs.Find(job) is { } stored
                        ? Results.Text(TellText.Of(JobView.Of(sheets.All(), stored).At), "text/markdown")
                        : Results.NotFound()
            )
            .ExcludeFromDescription();
        routes
            .MapGet(
                "/jobs/{job}/tell.zip",
                (string job, int[]? without, SheetRepository sheets, JobRepository jobs, PhotoRepository photos) =>
                    jobs.Find(job) is { } stored
                        ? Results.Bytes(
                            Packed(JobView.Of(sheets.All(), stored).At, without ?? [], photos),
                            "application/zip",
                            $"{job}.zip"
                        )
                        : Results.NotFound()
            )
            .ExcludeFromDescription();
    }

    static byte[] Packed(AtHand at, int[] without, PhotoRepository photos)
    {
        var kept = new Dictionary<int, string>();
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            string text = TellText.Of(at, number => without.Contains(number) ? null : Put(number));
            Write(zip, $"{at.Job.Id}.md", Encoding.UTF8.GetBytes(text));
            string? Put(int number)
            {
                if (kept.TryGetValue(number, out string? there))
                    return there;
                if (photos.Find(at.Unit.Id, number) is not { } photo)
                    return null;
                string name = $"photo-{number}.{photo.Kind.Split('/')[^1].Replace("jpeg", "jpg")}";
                Write(zip, name, photo.Bytes);
                return kept[number] = name;
            }
        }
        return bytes.ToArray();
    }

    static void Write(ZipArchive zip, string name, byte[] bytes)
    {
        using Stream to = zip.CreateEntry(name).Open();
        to.Write(bytes);
    }
}
