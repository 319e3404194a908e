using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Baseline;
using RustCabin.Core.Build;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>What is done on the way: the school, the gates of one's own, pieces on the bench, jobs on the side,
/// notes.</summary>
public partial class BuildModel
{
    /// <summary>What one's own builds have taught.</summary>
    public Experience Learnt =>
        field ??= Experience.Of([
            .. Jobs.Stored()
                .Where(j => j.Job.Took.Count > 0 || j.Job.Readings.Count > 0)
                .Select(j => TaughtBy.Of(View.Sheets, j)),
        ]);

    static readonly PerJob<Taught> TaughtBy = new(view => Taught.By(view.Sheet, view.Job));

    /// <summary>What the build is expected to take by each school, with what was learnt.</summary>
    public Schools Schools => field ??= Schools.Of(View.Sheet.Order, View.Model, View.Job.Build?.Gates ?? [], Learnt);

    /// <summary>Pieces that are out of the case, level by level.</summary>
    public IReadOnlyList<LedgerPiece> Pieces => field ??= Ledger.Of(View.Sheet, View.Job);

    /// <summary>Pieces that can be replaced at a level that is opened anyway, those that are due first.</summary>
    public IEnumerable<(ServicePiece Piece, string Due, bool Taken)> Extras => Closing.Extras(View.At, clock.GetUtcNow().Year);

    /// <summary>Other jobs of this unit that are not ended: their steps may go with this opening.</summary>
    public IEnumerable<Job> Others => Jobs.All().Where(j => j.Unit == View.Job.Unit && j.Id != View.Job.Id && !j.Ended);

    /// <summary>Clues that can be looked at while the case is open, and were not yet.</summary>
    public IEnumerable<Clue> Looks =>
        View.Unit.Revision is not null
            ? []
            : View.Model.Clues.Where(c =>
                !View.Unit.Seen.ContainsKey(c.Id) && View.Sheet.Steps.Any(s => s.Opens is { } level && level.Id == c.Access)
            );

    /// <summary>Notes and photos of a step, each with its place in the record.</summary>
    public IEnumerable<(int Index, BenchNote Note)> NotesAt(StepId step) =>
        (View.Job.Build?.Notes ?? []).Index().Where(n => step.Is(n.Item.Step));

    /// <summary>The gates that a school of one's own may have, with whether each stands.</summary>
    public IEnumerable<OwnGate> OwnGates => Gating.Own(View.At);

    public IActionResult OnPostSchool(string job, long version, string school) =>
        Press(job, version, at => Gating.School(at, school));

    public IActionResult OnPostGate(string job, long version, StepId gate, bool there) =>
        Press(job, version, at => Gating.Gate(at, gate, there));

    public IActionResult OnPostBack(string job, long version, string piece, bool back) =>
        Press(job, version, at => Closing.Back(at, piece, back));

    /// <summary>Everything that a closing step waits for is back, the last out first.</summary>
    public IActionResult OnPostAllBack(string job, long version, StepId step) =>
        Press(job, version, at => Closing.AllBack(at, step));

    public IActionResult OnPostLeaveOut(string job, long version, string piece, string? why) =>
        Press(job, version, at => Closing.LeaveOut(at, piece, why));

    public IActionResult OnPostLay(
        string job,
        long version,
        string level,
        string? what,
        string? count,
        string? mm,
        string? where
    ) => Press(job, version, at => Closing.Lay(at, level, what, count, mm, where));

    public IActionResult OnPostExtra(string job, long version, string piece, bool taken) =>
        Press(job, version, at => Closing.Extra(at, clock.GetUtcNow().Year, piece, taken));

    /// <summary>What is noted at a step; its picture is looked into and kept with the unit first.</summary>
    public async Task<IActionResult> OnPostNoteAsync(
        string job,
        long version,
        StepId step,
        string? text,
        string? look,
        List<IFormFile> photo,
        CancellationToken cancel
    )
    {
        if (!Load(job))
            return NotFound();
        if (Gating.Noted(AtThisMoment, step, text, look, photo.Count > 0) is var (noted, refused) && noted is null)
            return Refuse(refused!);
        (IReadOnlyList<Photo> read, int status, string wrong) = await PhotoUpload.Read(photo.Take(1), cancel);
        if (wrong.Length > 0)
            return Refuse(status, wrong);
        string title = $"{View.At.Find(step)!.Step.Title}: {noted.Text}".TrimEnd(':', ' ');
        long? number = null;
        if (read.Count > 0 && (number = photos.Add(View.Unit.Id, read[0], title)) is null)
            return Refuse(StatusCodes.Status422UnprocessableEntity, "Nothing was noted: this unit keeps no more pictures.");
        return Press(job, version, at => Gating.Note(at, noted with { Photo = (int?)number }));
    }

    public IActionResult OnPostForget(string job, long version, int note) => Press(job, version, at => Gating.Forget(at, note));
}
