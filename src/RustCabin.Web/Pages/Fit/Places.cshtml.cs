using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Fit;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Fit;

/// <summary>
/// Places in the case: the inside as it was measured or marked on a photo, and where a board can lie. Source:
/// docs/handbook/fit.md, Places in the case.
/// </summary>
public class PlacesModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos) : StationPage(sheets, jobs)
{
    /// <summary>So many places are listed.</summary>
    public const int Listed = 8;

    public override Desk Desk => Desks.Of<FitDesk>();

    /// <summary>What seeks a place, by its name; left out: the first.</summary>
    [BindProperty(SupportsGet = true)]
    public string? What { get; set; }

    /// <summary>A photo that is to be marked.</summary>
    [BindProperty(SupportsGet = true)]
    public long? Photo { get; set; }

    public CaseInside Inside => View.Unit.Inside ?? new CaseInside();

    /// <summary>The room has a size.</summary>
    public bool IsMeasured => Inside is { WidthMm: > 0, DepthMm: > 0 };

    /// <summary>What seeks a place here; null: nothing does.</summary>
    public PlacedThing? Thing => View.Job.Places.FirstOrDefault(p => p.What == What) ?? View.Job.Places.LastOrDefault();

    public Placing? Found => field ??= IsMeasured && Thing is { } thing ? Placing.Of(CasePlaces.Asked(Inside, thing)) : null;

    /// <summary>The openings through which it goes without drilling.</summary>
    public IReadOnlyList<Opening> Openings =>
        Thing is { } thing ? CasePlaces.ThroughCase(View.After, thing.WidthMm, thing.HeightMm ?? thing.DepthMm) : [];

    public IReadOnlyList<PhotoLine> Photos => field ??= [.. photos.Of(View.Unit.Id).Where(p => !p.Hidden)];

    /// <summary>A size as it is typed: 70 x 45 x 12; empty: there is none.</summary>
    public static string Size(decimal? width, decimal? depth, decimal? height) =>
        width is null ? "" : $"{width:0.#} x {depth:0.#}{(height is { } high ? $" x {high:0.#}" : "")}";

    public string HrefOf(long photo) => $"/units/{View.Unit.Id}/photos/{photo}";

    /// <summary>The photo that lies under the drawing; null: none does, or it is not here any more.</summary>
    public string? Laid => Inside.Photo is { } under && Photos.Any(p => p.Id == under.Photo) ? HrefOf(under.Photo) : null;

    /// <summary>Parts of the job whose size is on their sheets, and that seek no place yet.</summary>
    public IEnumerable<Instance> Sized =>
        View.After.Instances.Where(i =>
            i.Part is { WidthMm: not null, DepthMm: not null } && View.Job.Places.All(p => p.What != i.Title)
        );

    public IActionResult OnPostRoom(string job, long version, string? size) => PressUnit(job, version, _ => Casing.Room(size));

    public IActionResult OnPostScale(string job, long version, long photo, TapsForm taps, string? length)
    {
        Photo = photo;
        return PressUnit(job, version, _ => Casing.Scale(Photos.Any(p => p.Id == photo) ? photo : null, taps, length));
    }

    public IActionResult OnPostMark(string job, long version, TapsForm taps, string? thing, string? height) =>
        PressUnit(job, version, at => Casing.Mark(at, taps, thing, height));

    public IActionResult OnPostStand(string job, long version, string? thing, string? where, string? height) =>
        PressUnit(job, version, at => Casing.Stand(at, thing, where, height));

    public IActionResult OnPostClear(string job, long version, int index) =>
        PressUnit(job, version, at => Casing.Clear(at, index));

    public IActionResult OnPostSeek(string job, long version, BoardForm form) => Press(job, version, _ => Casing.Seek(form));

    public IActionResult OnPostChoose(string job, long version, string thing, int place) =>
        Press(job, version, at => Casing.Choose(at, thing, place));

    public IActionResult OnPostDrop(string job, long version, string thing) => Press(job, version, at => Casing.Drop(at, thing));
}

/// <summary>The drilling mask of a board at true size, for paper.</summary>
public sealed class MaskModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos)
    : PlacesModel(sheets, jobs, photos);
