using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Declared;
using RustCabin.Core.Fit;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Fit;

/// <summary>
/// The Fit station: every part of the cabin against the boards of this model, and what sits on this unit's sites.
/// </summary>
public sealed class FitModel(SheetRepository sheets, JobRepository jobs, StockRepository stock) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<FitDesk>();

    /// <summary>Shows parts of one kind only; empty: all.</summary>
    [BindProperty(SupportsGet = true, Name = "kind")]
    public string? KindText { get; set; }

    /// <summary>Shows parts too of which nobody has said that they go into this model.</summary>
    [BindProperty(SupportsGet = true, Name = "all")]
    public bool All { get; set; }

    /// <summary>Shows parts that serve one want only; empty: all.</summary>
    [BindProperty(SupportsGet = true, Name = "want")]
    public string? Want { get; set; }

    /// <summary>Shows parts in the store cupboard only.</summary>
    [BindProperty(SupportsGet = true, Name = "stock")]
    public bool InStock { get; set; }

    /// <summary>What the parts of this model are for, those that the job wants first.</summary>
    public IReadOnlyList<string> Wants { get; private set; } = [];

    /// <summary>Copies of the plan, each with its original and what is wanted of that.</summary>
    public IEnumerable<(Part Part, Part Original, OriginalWanted? Wish)> Copies =>
        from part in View.After.Parts.Select(p => View.Sheets.FindPart(p.Part.Id)!).DistinctBy(p => p.Id)
        let original = part.CopyOf is { } id ? View.Sheets.FindPart(id) : null
        where original is not null
        select (part, original, View.Job.Originals.FirstOrDefault(o => o.Copy == part.Id));

    /// <summary>Wants the original in place of a copy, below a price.</summary>
    public IActionResult OnPostOriginal(string job, long version, string copy, string? under) =>
        Press(job, version, at => Settling.Original(at, copy, under));

    /// <summary>How many of a part lie in the cupboard.</summary>
    public int InHand(Part part) => _inHand.GetValueOrDefault(part.Id);

    Dictionary<string, int> _inHand = [];

    public PartKind? Kind => KindText is { Length: > 0 } text && Words<PartKind>.TryParse(text, out PartKind kind) ? kind : null;

    /// <summary>The parts that are shown. Each is planned to see what it brings, so that a press does not wait for it.</summary>
    public IReadOnlyList<FitRow> Rows => field ??= [.. _shown.Select(Planned)];

    IReadOnlyList<FitRow> _shown = [];

    /// <summary>The kinds of which there are parts for this model.</summary>
    public IReadOnlyList<PartKind> Kinds { get; private set; } = [];

    public int Hidden { get; private set; }

    protected override void Loaded()
    {
        IReadOnlyList<FitRow> every = FitMatrix.Of(View.Model, View.Sheets.Parts);
        IReadOnlyList<FitRow> known = [.. every.Where(r => r.Cells.Any(c => c.Grade != FitGrade.Unknown))];
        Hidden = every.Count - known.Count;
        Kinds = [.. (All ? every : known).Select(r => r.Part.Kind).Distinct()];
        _inHand = stock
            .All()
            .Where(s => s.Item.Kind == Core.Cupboard.StockKind.Part)
            .GroupBy(s => s.Item.Item)
            .ToDictionary(g => g.Key, g => g.Sum(s => s.Item.Count));
        var wanted = View.Job.Wants.Select(w => w is ProvidesNeed outcome ? outcome.Outcome : w.Kind).ToHashSet();
        Wants =
        [
            .. known
                .SelectMany(r => r.Part.Provides)
                .Distinct()
                .OrderBy(p => !wanted.Contains(p))
                .ThenBy(p => p, StringComparer.Ordinal),
        ];
        _shown =
        [
            .. (All ? every : known).Where(r =>
                (Kind is null || r.Part.Kind == Kind)
                && (string.IsNullOrEmpty(Want) || r.Part.Provides.Contains(Want))
                && (!InStock || InHand(r.Part) > 0)
            ),
        ];
    }

    /// <summary>What the sheets say, and, for the board at hand, what the plan says if the part came to it.</summary>
    FitRow Planned(FitRow row) =>
        IsPlanned(row.Part)
            ? row
            : row with
            {
                Cells =
                [
                    .. row.Cells.Select(c => c.Revision == View.After.Revision.Id ? FitPlanned.Of(View.At, row.Part, c) : c),
                ],
            };

    public bool IsPlanned(Part part) => View.After.Instances.Any(i => i.Part.Id == part.Id);

    public string Link(PartKind? kind = null, bool? all = null, string? want = null, bool? stock = null)
    {
        string[] query =
        [
            .. kind is { } k ? [$"kind={Words<PartKind>.Of(k)}"] : (string[])[],
            .. all ?? All ? ["all=true"] : (string[])[],
            .. (want ?? Want) is { Length: > 0 } w ? [$"want={Uri.EscapeDataString(w)}"] : (string[])[],
            .. stock ?? InStock ? ["stock=true"] : (string[])[],
        ];
        return UrlOf(Desk) + (query.Length > 0 ? $"?{string.Join('&', query)}" : "");
    }
}
