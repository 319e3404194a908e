using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Search;

public sealed record Hit(string Kind, string Name, string About, string? Href);

/// <summary>Search over names, makers and ids of units, jobs, parts and models.</summary>
public sealed class SearchModel(SheetRepository sheets, JobRepository jobs) : PageModel
{
    public string Asked { get; private set; } = "";
    public IReadOnlyList<Hit> Hits { get; private set; } = [];

    public void OnGet(string? q)
    {
        ViewData["Title"] = "Search";
        Asked = (q ?? "").Trim();
        if (Asked.Length == 0) return;
        Pack all = sheets.All();
        IReadOnlyList<Job> planned = jobs.All();
        Hits =
        [
            .. all.Units.Where(u => Meets(u.Name, u.Id, all.FindModel(u.Model)?.Name)).Select(u => new Hit("unit", u.Name, all.FindModel(u.Model)?.Name ?? "",
                planned.FirstOrDefault(j => j.Unit == u.Id) is { } job ? $"/jobs/{job.Id}/memory" : $"/#unit-{u.Id}")),
            .. planned.Where(j => Meets(j.Name, j.Id)).Select(j => new Hit("job", j.Name, all.FindUnit(j.Unit)?.Name ?? "", $"/jobs/{j.Id}/memory")),
            .. all.Parts.Where(p => Meets(p.Name, p.Id, p.Maker, p.Summary)).Select(p => new Hit("part", p.Name, p.Summary.Length > 0 ? p.Summary : p.Maker, null)),
            .. all.Models.Where(m => Meets(m.Name, m.Id, m.Maker, m.Summary)).Select(m => new Hit("model", m.Name, m.Summary, null)),
        ];
    }

    bool Meets(params string?[] texts) => Asked.Split(' ', StringSplitOptions.RemoveEmptyEntries).All(word => texts.Any(t => t?.Contains(word, StringComparison.OrdinalIgnoreCase) == true));
}
