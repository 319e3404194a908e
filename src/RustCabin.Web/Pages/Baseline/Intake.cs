using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Baseline;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Baseline;

/// <summary>What is seen at intake: the survey, notes, photos, inherited work, and what belongs to the unit.</summary>
public sealed partial class BaselineModel
{
    /// <summary>The kinds of things that age, with what each state is called for it.</summary>
    public static readonly (string Field, string Ask, string[] States)[] Surveyed =
    [
        ("capacitors", "Capacitors", ["sound", "doubtful", "bulging or leaking"]),
        ("cells", "Cells and batteries", ["none or sound", "old", "leaking"]),
        ("corrosion", "Corrosion", ["none", "traces", "heavy"]),
        ("plastic", "Plastic", ["sound", "yellowed", "brittle"]),
    ];

    public IReadOnlyList<PhotoLine> Photos { get; private set; } = [];

    public Wear? StateOf(string field) => View.Unit.Survey is { } survey ? StateIn(survey, field) : null;

    static Wear? StateIn(Survey survey, string field) =>
        field switch
        {
            "capacitors" => survey.Capacitors,
            "cells" => survey.Cells,
            "corrosion" => survey.Corrosion,
            "plastic" => survey.Plastic,
            _ => throw new ArgumentException($"\"{field}\" is no question of the survey", nameof(field)),
        };

    static Survey With(Survey survey, string field, Wear? state) =>
        field switch
        {
            "capacitors" => survey with { Capacitors = state },
            "cells" => survey with { Cells = state },
            "corrosion" => survey with { Corrosion = state },
            "plastic" => survey with { Plastic = state },
            _ => throw new ArgumentException($"\"{field}\" is no question of the survey", nameof(field)),
        };

    public IReadOnlyList<Replacement> Replacements => ConditionChecks.Replacements(View.Before, clock.GetUtcNow().Year);

    /// <summary>The parts that came with the unit and the steps of their ways.</summary>
    public IEnumerable<(int Index, Instance Instance, InheritedStep[] Steps)> CameWith =>
        View.Before.Instances.Index().Select(i => (i.Index, i.Item, Inherited.Steps(View.Before, i.Item).ToArray()));

    public IActionResult OnPostSurvey(string job, long version, string field, string? state) =>
        ChangeUnit(
            job,
            version,
            _ =>
            {
                Wear? found = null;
                if (Surveyed.FirstOrDefault(s => s.Field == field) is not { Field: not null } asked)
                    return null;
                if (!string.IsNullOrEmpty(state))
                    if (Words<Wear>.TryParse(state, out Wear read))
                        found = read;
                    else
                        return null;
                string told = found is { } wear ? asked.States[(int)wear] : "not looked at after all";
                return ($"{asked.Ask}: {told}", unit => BaselineEdits.Survey(unit, s => With(s, field, found)));
            }
        );

    /// <summary>Year, the two mains voltages and what was left half done; empty fields are taken back.</summary>
    public IActionResult OnPostAge(string job, long version, AgeForm form)
    {
        if (!Load(job))
            return NotFound();
        return form.TryRead(out Survey age, out string wrong)
            ? ChangeUnit(
                job,
                version,
                _ =>
                    (
                        "Age and mains noted",
                        unit =>
                            BaselineEdits.Survey(
                                unit,
                                s =>
                                    s with
                                    {
                                        Year = age.Year,
                                        SuppliedForVolts = age.SuppliedForVolts,
                                        MainsHereVolts = age.MainsHereVolts,
                                        HalfDone = age.HalfDone,
                                    }
                            )
                    )
            )
            : Refuse($"Nothing was changed: {wrong}.");
    }

    public IActionResult OnPostNote(string job, long version, string? text, bool fault)
    {
        if (!Load(job))
            return NotFound();
        return string.IsNullOrWhiteSpace(text)
            ? Refuse(StatusCodes.Status422UnprocessableEntity, "Nothing was changed: write what you saw.")
            : ChangeUnit(
                job,
                version,
                _ =>
                    (
                        fault ? "A fault that was there before noted" : "Condition noted",
                        unit => BaselineEdits.Note(unit, text.Trim(), fault)
                    )
            );
    }

    public IActionResult OnPostDropNote(string job, long version, int index) =>
        ChangeUnit(
            job,
            version,
            view =>
                index >= 0 && index < (view.Unit.Baseline?.Notes.Count ?? 0)
                    ? ("Note taken away", unit => BaselineEdits.DropNote(unit, index))
                    : null
        );

    public IActionResult OnPostBelongs(string job, long version, string? what, bool original, string? place)
    {
        if (!Load(job))
            return NotFound();
        return string.IsNullOrWhiteSpace(what)
            ? Refuse(StatusCodes.Status422UnprocessableEntity, "Nothing was changed: write what belongs to the unit.")
            : ChangeUnit(
                job,
                version,
                _ =>
                    (
                        $"Belongs to it: {what.Trim()}",
                        unit =>
                            BaselineEdits.Belongs(
                                unit,
                                new Belonging
                                {
                                    What = what.Trim(),
                                    Original = original,
                                    Place = (place ?? "").Trim(),
                                }
                            )
                    )
            );
    }

    public IActionResult OnPostDropBelonging(string job, long version, int index) =>
        ChangeUnit(
            job,
            version,
            view =>
                index >= 0 && index < view.Unit.Belongings.Count
                    ? (
                        $"Not with it any more: {view.Unit.Belongings[index].What}",
                        unit => BaselineEdits.DropBelonging(unit, index)
                    )
                    : null
        );

    public IActionResult OnPostFound(string job, long version, int fitted, string step, string proof) =>
        ChangeUnit(
            job,
            version,
            view =>
                fitted >= 0
                && fitted < view.Before.Instances.Count
                && Words<StepProof>.TryParse(proof, out StepProof found)
                && Inherited.Steps(view.Before, view.Before.Instances[fitted]).FirstOrDefault(s => s.Step.Id == step) is { } known
                    ? ($"{known.Step.What}: {proof}", unit => BaselineEdits.Found(unit, fitted, step, found))
                    : null
        );

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
