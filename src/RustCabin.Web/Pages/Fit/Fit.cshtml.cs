using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Fit;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Fit;

/// <summary>The Fit station: every part of the cabin against the boards of this model, and what sits on this unit's sites.</summary>
public sealed class FitModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Station Station => Station.Named("Fit");

    /// <summary>Shows parts of one kind only; empty: all.</summary>
    [BindProperty(SupportsGet = true, Name = "kind")]
    public string? KindText { get; set; }

    /// <summary>Shows parts too of which nobody has said that they go into this model.</summary>
    [BindProperty(SupportsGet = true, Name = "all")]
    public bool All { get; set; }

    public PartKind? Kind => KindText is { Length: > 0 } text && Words<PartKind>.TryParse(text, out PartKind kind) ? kind : null;

    public IReadOnlyList<FitRow> Rows { get; private set; } = [];

    /// <summary>The kinds of which there are parts for this model.</summary>
    public IReadOnlyList<PartKind> Kinds { get; private set; } = [];

    public int Hidden { get; private set; }

    protected override void Loaded()
    {
        IReadOnlyList<FitRow> every = FitMatrix.Of(View.Model, View.Sheets.Parts);
        IReadOnlyList<FitRow> known = [.. every.Where(r => r.Cells.Any(c => c.Grade != FitGrade.Unknown))];
        Hidden = every.Count - known.Count;
        Kinds = [.. (All ? every : known).Select(r => r.Part.Kind).Distinct()];
        Rows = [.. (All ? every : known).Where(r => Kind is null || r.Part.Kind == Kind)];
    }

    public bool IsPlanned(Part part) => View.After.Instances.Any(i => i.Part.Id == part.Id);

    public string Link(PartKind? kind, bool all)
    {
        string[] query = [.. ((string[])[kind is { } k ? $"kind={Words<PartKind>.Of(k)}" : "", all ? "all=true" : ""]).Where(q => q.Length > 0)];
        return UrlOf(Station) + (query.Length > 0 ? $"?{string.Join('&', query)}" : "");
    }
}
