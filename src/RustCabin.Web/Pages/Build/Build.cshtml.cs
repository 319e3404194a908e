using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>The Build station: the steps in order, their cautions, and the gates with what must be read and what was.</summary>
public sealed class BuildModel(SheetRepository sheets, JobRepository jobs, TimeProvider clock) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<BuildDesk>();

    /// <summary>What was typed at a gate, kept when it could not be taken, with what is wrong by line.</summary>
    public IReadOnlyList<string> Typed { get; private set; } = [];
    public IReadOnlyDictionary<int, string> Wrong { get; private set; } = new Dictionary<int, string>();
    public string? TypedAt { get; private set; }

    public IReadOnlyList<string> Explained(StepProgress step) =>
        step is { State: StepState.Differs, Reading: { } reading, Step.At: { } at } ? Explanations.Of(at, reading) : [];

    public IActionResult OnPostTick(string job, long version, string step, bool done, string? took)
    {
        if (!Load(job))
            return NotFound();
        if (Find(step) is not { Step: { Kind: not StepKind.Gate, Proved: null } known } at)
            return Change(job, version, _ => null);
        if (done && at.State == StepState.Locked)
            return Refuse("Nothing was changed: a gate before this step has not passed");
        if (done && !at.AllHeeded)
            return Refuse($"Nothing was changed: tick the cautions of \"{known.Title}\" first");
        decimal? minutes = null;
        if (done && !string.IsNullOrWhiteSpace(took))
            if (TypedNumber.TryParse(took, out decimal typed) && typed is > 0 and < 100_000)
                minutes = typed;
            else
                return Refuse($"Nothing was changed: \"{took}\" is not a number of minutes");
        string what = done
            ? $"Done: {known.Title}{(minutes is null ? "" : $", in {minutes} min")}"
            : $"Not done after all: {known.Title}";
        return Change(job, version, _ => (what, j => JobEdits.Took(JobEdits.Tick(j, known.Id, done), known.Id, minutes)));
    }

    /// <summary>A step of the sheet by its id as a form sends it; null: there is none.</summary>
    StepProgress? Find(string step) => View.Progress.Steps.FirstOrDefault(s => s.Step.Id == StepId.Parse(step));

    public IActionResult OnPostHeed(string job, long version, string step, string caution, bool heeded) =>
        Change(
            job,
            version,
            view =>
                Find(step)?.Step.Cautions.FirstOrDefault(c => c.Id == caution) is { } known
                    ? (
                        $"Caution {(heeded ? "read" : "unticked")}: {known.Title}",
                        json => JobEdits.Heed(json, StepId.Parse(step), caution, heeded)
                    )
                    : null
        );

    public IActionResult OnPostRead(string job, long version, string step, List<string> seen)
    {
        (Typed, TypedAt) = ([.. seen.Select(s => s ?? "")], step);
        if (!Load(job))
            return NotFound();
        if (Find(step) is not { Step.Expected: { } expected })
            return NotFound();

        (IReadOnlyList<SeenLine> lines, IReadOnlyDictionary<int, string> wrong) = ScreenReading.Parse(expected, Typed);
        if (wrong.Count > 0)
        {
            Wrong = wrong;
            return Refuse(
                StatusCodes.Status422UnprocessableEntity,
                "The reading was not taken: " + string.Join("; ", wrong.Values) + "."
            );
        }
        return Change(
            job,
            version,
            view =>
                (
                    $"Read at \"{Find(step)!.Step.Title}\": " + string.Join(", ", lines.Select(l => $"{l.Label} {l.Bytes}")),
                    json =>
                        JobEdits.Read(
                            json,
                            new GateReading
                            {
                                Gate = StepId.Parse(step),
                                At = Now(),
                                Lines = lines,
                            }
                        )
                )
        );
    }

    /// <summary>A gate of a machine that shows no count: it starts as before, or it does not.</summary>
    public IActionResult OnPostStarts(string job, long version, string step, bool starts) =>
        Change(
            job,
            version,
            view =>
                Find(step) is { Step.Expected.Lines.Count: 0 }
                    ? (
                        starts ? "Starts as before" : "Does not start as before",
                        json =>
                            JobEdits.Read(
                                json,
                                new GateReading
                                {
                                    Gate = StepId.Parse(step),
                                    At = Now(),
                                    Starts = starts,
                                }
                            )
                    )
                    : null
        );

    string Now() => clock.GetUtcNow().ToString("yyyy-MM-dd'T'HH:mm:ss'Z'");
}
