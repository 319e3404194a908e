using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Baseline;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Baseline;

/// <summary>What is seen at intake: the survey, notes, photos, inherited work, and what belongs to the unit.</summary>
public sealed partial class BaselineModel
{
    public IReadOnlyList<PhotoLine> Photos { get; private set; } = [];

    public Wear? StateOf(SurveyQuestion asked) => View.Unit.Survey is { } survey ? asked.Of(survey) : null;

    public IReadOnlyList<Replacement> Replacements => ConditionChecks.Replacements(View.Before, clock.GetUtcNow().Year);

    /// <summary>The parts that came with the unit and the steps of their ways.</summary>
    public IEnumerable<(int Index, Instance Instance, InheritedStep[] Steps)> CameWith =>
        View.Before.Instances.Index().Select(i => (i.Index, i.Item, Inherited.Steps(View.Before, i.Item).ToArray()));

    public IActionResult OnPostSurvey(string job, long version, string field, string? state) =>
        PressUnit(job, version, _ => Surveying.Survey(field, state));

    /// <summary>Year, the two mains voltages and what was left half done; empty fields are taken back.</summary>
    public IActionResult OnPostAge(string job, long version, AgeForm form) => PressUnit(job, version, _ => Surveying.Age(form));

    public IActionResult OnPostNote(string job, long version, string? text, bool fault) =>
        PressUnit(job, version, _ => Surveying.Note(text, fault));

    public IActionResult OnPostDropNote(string job, long version, int index) =>
        PressUnit(job, version, at => Surveying.DropNote(at, index));

    public IActionResult OnPostBelongs(string job, long version, string? what, bool original, string? place) =>
        PressUnit(job, version, _ => Surveying.Belongs(what, original, place));

    public IActionResult OnPostDropBelonging(string job, long version, int index) =>
        PressUnit(job, version, at => Surveying.DropBelonging(at, index));

    public IActionResult OnPostFound(string job, long version, int fitted, string step, string proof) =>
        PressUnit(job, version, at => Surveying.Found(at, fitted, step, proof));

    /// <summary>
    /// Takes pictures in. Each is looked into: what is no picture by its contents is refused, whatever it is called.
    /// </summary>
    public async Task<IActionResult> OnPostPhotoAsync(string job, List<IFormFile> photo, string? note, CancellationToken cancel)
    {
        if (!Load(job))
            return NotFound();
        if (photo.Count == 0)
            return Refuse(StatusCodes.Status422UnprocessableEntity, "Pick a picture: PNG, JPEG or WebP.");
        if (note?.Length > TextLimits.Longest)
            return Refuse(StatusCodes.Status422UnprocessableEntity, $"The note is longer than {TextLimits.Longest} characters.");
        (IReadOnlyList<Photo> read, int status, string wrong) = await PhotoUpload.Read(photo, cancel);
        if (wrong.Length > 0)
            return Refuse(status, wrong);
        return read.All(p => photos.Add(View.Unit.Id, p, (note ?? "").Trim()) is not null)
            ? LocalRedirect(UrlOf(Desk) + "#photos")
            : Refuse(StatusCodes.Status422UnprocessableEntity, $"A unit keeps {PhotoRepository.MostOfUnit} pictures at most.");
    }

    public IActionResult OnPostHide(string job, long photo, bool hidden)
    {
        if (!Load(job))
            return NotFound();
        photos.Hide(View.Unit.Id, photo, hidden);
        return LocalRedirect(UrlOf(Desk) + "#photos");
    }
}
