using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>All models, parts and titles of the cabin, and the drafts that wait.</summary>
public sealed class SheetsModel(SheetRepository sheets, DraftRepository drafts) : PageModel
{
    /// <summary>Each model with the count of its units and its bare map on its first board.</summary>
    public IReadOnlyList<(Model Model, int Units, PlannedUnit Example)> Models { get; private set; } = [];
    public IReadOnlyList<Part> Parts { get; private set; } = [];
    public IReadOnlyList<Core.Sheets.Title> Titles { get; private set; } = [];
    public IReadOnlyList<(string Kind, string Key)> Drafts { get; private set; } = [];

    /// <summary>Only sheets that have all these words.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Find { get; set; }

    /// <summary>Only parts of this kind.</summary>
    [BindProperty(SupportsGet = true)]
    public PartKind? Kind { get; set; }

    /// <summary>How many parts there are of each kind, of those that have the words.</summary>
    public IReadOnlyList<(PartKind Kind, int Count)> Kinds { get; private set; } = [];

    /// <summary>Models by their id, for the names of what a part is for.</summary>
    IReadOnlyDictionary<string, string> _names = new Dictionary<string, string>();

    /// <summary>What a part is for: models by their names, connectors as they are called.</summary>
    public string For(Part part) =>
        string.Join(
            ", ",
            part.Ways.Select(w => w.Model is { } model ? _names.GetValueOrDefault(model, model) : w.Connector).Distinct()
        );

    /// <summary>The page with parts of another kind.</summary>
    public string UrlOf(PartKind? kind) =>
        "/sheets"
        + QueryString.Create(
            new Dictionary<string, string?>
            {
                ["find"] = string.IsNullOrWhiteSpace(Find) ? null : Find,
                ["kind"] = kind?.ToString().ToLowerInvariant(),
            }.Where(q => q.Value is not null)
        );

    public void OnGet()
    {
        string[] words = (Find ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        bool Has(string text) => words.All(w => text.Contains(w, StringComparison.OrdinalIgnoreCase));
        ViewData["Title"] = "Sheets";
        Pack all = sheets.All();
        _names = all.Models.ToDictionary(m => m.Id, m => m.Name);
        Models =
        [
            .. all
                .Models.Where(m => Has($"{m.Name} {m.Maker} {m.Summary}"))
                .Select(m => (m, all.Units.Count(u => u.Model == m.Id), Plan.Bare(all, m))),
        ];
        Part[] found =
        [
            .. all
                .Parts.Where(p => Has($"{p.Name} {p.Maker} {p.Summary} {For(p)}"))
                .OrderBy(p => p.Name, StringComparer.OrdinalIgnoreCase),
        ];
        Kinds = [.. found.CountBy(p => p.Kind).OrderBy(k => k.Key).Select(k => (k.Key, k.Value))];
        Parts = [.. found.Where(p => Kind is null || p.Kind == Kind)];
        Titles = [.. all.Titles.Where(t => Has(t.Name))];
        Drafts = drafts.All();
    }
}
