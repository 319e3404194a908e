using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Search;

/// <summary>One thing found, where it stands, and what was found in it: pieces of text, those that match marked.</summary>
public sealed record Hit(string Kind, string Name, string Href, IReadOnlyList<(string Text, bool Found)> Extract);

/// <summary>Search over everything: sheets, jobs, cupboard, photos, and every line of what was done.</summary>
public sealed class SearchModel(SearchRepository search, JobRepository jobs) : PageModel
{
    public string Asked { get; private set; } = "";
    public IReadOnlyList<Hit> Hits { get; private set; } = [];
    public IReadOnlyList<FoundLine> Log { get; private set; } = [];

    public void OnGet(string? q)
    {
        ViewData["Title"] = "Search";
        Asked = (q ?? "").Trim();
        ILookup<string, JobName> jobsOf = jobs.Names().ToLookup(j => j.Unit);
        Hits =
        [
            .. search
                .Things(Asked)
                .Select(f => new Hit(f.Kind, f.Title.Length > 0 ? f.Title : f.Key, Href(f, jobsOf), Pieces(f.Extract))),
        ];
        Log = search.Log(Asked);
    }

    static string Href(Found found, ILookup<string, JobName> jobsOf) =>
        found.Kind switch
        {
            "job" => $"/jobs/{found.Key}/memory",
            "unit" or "photo" => jobsOf[found.Key].FirstOrDefault() is { } job
                ? $"/jobs/{job.Id}/{(found.Kind == "photo" ? "baseline" : "memory")}"
                : $"/#unit-{found.Key}",
            "stock" => $"/cupboard#stock-{found.Key}",
            _ => $"/sheets/{found.Kind}s/{found.Key}",
        };

    /// <summary>The extract cut at the marks that the search put around what it found.</summary>
    static List<(string, bool)> Pieces(string extract)
    {
        var pieces = new List<(string, bool)>();
        foreach (string piece in extract.Split(SearchRepository.WordBegins))
        {
            int end = piece.IndexOf(SearchRepository.WordEnds);
            if (end >= 0)
                pieces.Add((piece[..end], true));
            if (piece[(end + 1)..] is { Length: > 0 } rest)
                pieces.Add((rest, false));
        }
        return pieces;
    }
}
