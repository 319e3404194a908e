using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Baseline;
using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>What is done on the way: the school, the gates of one's own, pieces on the bench, jobs on the side,
/// notes.</summary>
public partial class BuildModel
{
    /// <summary>What one's own builds have taught.</summary>
    public Experience Learnt =>
        field ??= Experience.Of(
            Jobs.Stored()
                .Where(j => j.Job.Took.Count > 0 || j.Job.Readings.Count > 0)
                .Select(j => (JobView.Of(View.Sheets, j).Sheet, j.Job))
        );

    /// <summary>What the build is expected to take by each school, with what was learnt.</summary>
    public Schools Schools => field ??= Schools.Of(View.Sheet.Order, View.Model, View.Job.Build?.Gates ?? [], Learnt);

    /// <summary>Pieces that are out of the case, level by level.</summary>
    public IReadOnlyList<LedgerPiece> Pieces => field ??= Ledger.Of(View.Sheet, View.Job);

    /// <summary>Pieces that can be replaced at a level that is opened anyway, those that are due first.</summary>
    public IEnumerable<(ServicePiece Piece, string Due, bool Taken)> Extras
    {
        get
        {
            IReadOnlyList<Replacement> due = ConditionChecks.Replacements(View.Before, clock.GetUtcNow().Year);
            HashSet<string> open = [.. View.Sheet.Steps.Select(s => s.Opens?.Id).OfType<string>()];
            IReadOnlyList<string> taken = View.Job.Build?.Extras ?? [];
            return View
                .Model.Service.Where(p => View.After.Holds(p.Revisions) && (p.Access is null || open.Contains(p.Access)))
                .Select(p => (p, due.FirstOrDefault(d => d.Piece == p)?.Why ?? "", taken.Contains(p.Id)))
                .Where(p => p.Item2.Length > 0 || p.Item3);
        }
    }

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
        (View.Job.Build?.Notes ?? []).Index().Where(n => n.Item.Step == step);

    /// <summary>The gates that a school of one's own may have, with whether each stands.</summary>
    public IEnumerable<(StepId Gate, string With, bool There, bool Always)> OwnGates
    {
        get
        {
            GateAsked[] all = [.. View.Sheet.Order.Works.Select(w => w.Gate).OfType<GateAsked>()];
            IReadOnlyList<StepId> own = View.Job.Build?.Gates ?? [];
            return all.Select(
                (g, i) =>
                {
                    bool always = i == all.Length - 1 || g.Alone || all[i + 1].Alone;
                    return (g.Id, g.With, always || own.Contains(g.Id), always);
                }
            );
        }
    }

    public IActionResult OnPostSchool(string job, long version, string school) =>
        Change(
            job,
            version,
            view =>
                Words<School>.TryParse(school, out School to) && to != view.Sheet.School
                    ? (
                        $"Built {SchoolWords(to)}",
                        j => BuildEdits.To(j, to, [.. view.Sheet.Steps.Where(s => s.Kind == StepKind.Gate).Select(s => s.Id)])
                    )
                    : null
        );

    /// <summary>A school in a few words.</summary>
    public static string SchoolWords(School school) =>
        school switch
        {
            School.Careful => "with a test after every change",
            School.Batch => "with a test after each access level",
            _ => "with tests of one's own choice",
        };

    public IActionResult OnPostGate(string job, long version, string gate, bool there) =>
        Change(
            job,
            version,
            _ =>
                OwnGates.FirstOrDefault(g => $"{g.Gate}" == gate) is { Gate: { } known, Always: false } at
                    ? ($"{(there ? "A gate" : "No gate")} {at.With}", j => BuildEdits.Gate(j, known, there))
                    : null
        );

    public IActionResult OnPostBack(string job, long version, string piece, bool back) =>
        Change(
            job,
            version,
            _ =>
                Pieces.FirstOrDefault(p => p.Key == piece) is { } known
                    ? ($"{known.Words} {(back ? "back in place" : "not back after all")}", j => BuildEdits.Back(j, piece, back))
                    : null
        );

    /// <summary>Everything that a closing step waits for is back, the last out first.</summary>
    public IActionResult OnPostAllBack(string job, long version, string step)
    {
        if (!Load(job))
            return NotFound();
        IReadOnlyList<LedgerPiece> missing = Find(step) is { } at ? Ledger.Missing(Pieces, at.Step) : [];
        return Change(
            job,
            version,
            _ =>
                missing.Count > 0
                    ? (
                        $"Back in place: {string.Join(", ", missing.Select(m => m.Words))}",
                        j => missing.Aggregate(j, (all, m) => BuildEdits.Back(all, m.Key, true))
                    )
                    : null
        );
    }

    public IActionResult OnPostLeaveOut(string job, long version, string piece, string? why)
    {
        if (!Load(job))
            return NotFound();
        string reason = (why ?? "").Trim();
        if (reason.Length is 0 or > 500)
            return Refuse("Nothing was changed: say in up to 500 letters why it stays out.");
        return Change(
            job,
            version,
            _ =>
                Pieces.FirstOrDefault(p => p.Key == piece) is { } known
                    ? ($"{known.Words} left out: {reason}", j => BuildEdits.LeaveOut(j, piece, reason))
                    : null
        );
    }

    public IActionResult OnPostLay(string job, long version, string level, string? what, string? count, string? mm, string? where)
    {
        if (!Load(job))
            return NotFound();
        string name = (what ?? "").Trim();
        if (name.Length is 0 or > 200 || (where ?? "").Length > 500)
            return Refuse("Nothing was changed: say what came out, in up to 200 letters.");
        if (!TypedNumber.TryParse(count ?? "1", out decimal many) || many is < 1 or > 1000 || many % 1 != 0)
            return Refuse($"Nothing was changed: \"{count}\" is not a number of pieces from 1 to 1,000.");
        decimal length = 0;
        if (!string.IsNullOrWhiteSpace(mm) && (!TypedNumber.TryParse(mm, out length) || length is < 0.1m or > 1000))
            return Refuse($"Nothing was changed: \"{mm}\" is not a length in millimetres.");
        return Change(
            job,
            version,
            view =>
                view.Sheet.Steps.Any(s => s.Opens?.Id == level)
                    ? (
                        $"On the bench: {IdText.Counted((int)many, name)}",
                        j =>
                            BuildEdits.Lay(
                                j,
                                new LyingPiece
                                {
                                    Level = level,
                                    What = name,
                                    Count = (int)many,
                                    Mm = length > 0 ? length : null,
                                    Where = (where ?? "").Trim(),
                                }
                            )
                    )
                    : null
        );
    }

    public IActionResult OnPostExtra(string job, long version, string piece, bool taken) =>
        Change(
            job,
            version,
            _ =>
                Extras.FirstOrDefault(e => e.Piece.Id == piece).Piece is { } known
                    ? (
                        taken ? $"While it is open: {known.What}" : $"Left for another time: {known.What}",
                        j => BuildEdits.Extra(j, piece, taken)
                    )
                    : null
        );

    public async Task<IActionResult> OnPostNoteAsync(
        string job,
        long version,
        string step,
        string? text,
        string? look,
        List<IFormFile> photo,
        CancellationToken cancel
    )
    {
        if (!Load(job))
            return NotFound();
        string words = (text ?? "").Trim();
        if (words.Length > 2000)
            return Refuse("Nothing was noted: 2,000 letters at most.");
        CareLook? seen = Words<CareLook>.TryParse(look ?? "", out CareLook known) ? known : null;
        if (words.Length == 0 && photo.Count == 0 && seen is null)
            return Refuse("Nothing was noted: write something, or pick a picture.");
        if (Find(step) is not { } at)
            return Refuse("Nothing was noted: this step is not on the sheet any more.");
        (IReadOnlyList<Photo> read, int status, string wrong) = await PhotoUpload.Read(photo.Take(1), cancel);
        if (wrong.Length > 0)
            return Refuse(status, wrong);
        long? number = null;
        if (read.Count > 0 && (number = photos.Add(View.Unit.Id, read[0], $"{at.Step.Title}: {words}".TrimEnd(':', ' '))) is null)
            return Refuse("Nothing was noted: this unit keeps no more pictures.");
        string said =
            words.Length > 0 ? words
            : seen is { } how ? Words<CareLook>.Of(how)
            : "a picture";
        return Change(
            job,
            version,
            _ =>
                (
                    $"Noted at \"{at.Step.Title}\": {said}",
                    j =>
                        BuildEdits.Note(
                            j,
                            new BenchNote
                            {
                                Step = at.Step.Id,
                                At = Moment(),
                                Text = words,
                                Photo = (int?)number,
                                Look = seen,
                            }
                        )
                )
        );
    }

    public IActionResult OnPostForget(string job, long version, int note) =>
        Change(
            job,
            version,
            view =>
                note >= 0 && note < (view.Job.Build?.Notes.Count ?? 0)
                    ? ("A note taken away", j => BuildEdits.Forget(j, note))
                    : null
        );
}
