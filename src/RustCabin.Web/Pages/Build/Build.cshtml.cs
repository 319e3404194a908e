using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>The Build station: the steps in order, their cautions, and the gates with what must be read and what was.</summary>
public sealed class BuildModel(SheetRepository sheets, JobRepository jobs, TimeProvider clock) : StationPage(sheets, jobs)
{
    public override Station Station => Station.Named("Build");

    /// <summary>What was typed at a gate, kept when it could not be taken, with what is wrong by line.</summary>
    public IReadOnlyList<string> Typed { get; private set; } = [];
    public IReadOnlyDictionary<int, string> Wrong { get; private set; } = new Dictionary<int, string>();
    public string? TypedAt { get; private set; }

    public IReadOnlyList<string> Explained(StepProgress step) =>
        step is { State: StepState.Differs, Reading: { } reading, Step.At: { } at } ? Explanations.Of(at, reading) : [];

    public IActionResult OnPostTick(string job, long version, string step, bool done, string? took) =>
        Change(
            job,
            version,
            view =>
            {
                if (
                    view.Progress.Steps.FirstOrDefault(s => s.Step.Id == step) is not { } at
                    || at.Step.Kind == StepKind.Gate
                    || at.Step.Proved is not null
                )
                    return null;
                if (done && at.State == StepState.Locked)
                    throw new ArgumentException("a gate before this step has not passed");
                if (done && !at.AllHeeded)
                    throw new ArgumentException($"tick the cautions of \"{at.Step.Title}\" first");
                decimal? minutes = null;
                if (done && !string.IsNullOrWhiteSpace(took))
                    minutes =
                        TypedNumber.TryParse(took, out decimal typed) && typed is > 0 and < 100_000
                            ? typed
                            : throw new ArgumentException($"\"{took}\" is not a number of minutes");
                return (
                    done
                        ? $"Done: {at.Step.Title}{(minutes is null ? "" : $", in {minutes} min")}"
                        : $"Not done after all: {at.Step.Title}",
                    json => JobEdits.Took(JobEdits.Tick(json, step, done), step, minutes)
                );
            }
        );

    public IActionResult OnPostHeed(string job, long version, string step, string caution, bool heeded) =>
        Change(
            job,
            version,
            view =>
                view.Progress.Steps.FirstOrDefault(s => s.Step.Id == step)?.Step.Cautions.FirstOrDefault(c => c.Id == caution)
                    is { } known
                    ? (
                        $"Caution {(heeded ? "read" : "unticked")}: {known.Title}",
                        json => JobEdits.Heed(json, step, caution, heeded)
                    )
                    : null
        );

    public IActionResult OnPostRead(string job, long version, string step, List<string> seen)
    {
        (Typed, TypedAt) = ([.. seen.Select(s => s ?? "")], step);
        if (!Load(job))
            return NotFound();
        if (View.Progress.Steps.FirstOrDefault(s => s.Step.Id == step) is not { Step.Expected: { } expected })
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
                    $"Read at \"{view.Progress.Steps.First(s => s.Step.Id == step).Step.Title}\": "
                        + string.Join(", ", lines.Select(l => $"{l.Label} {l.Bytes}")),
                    json => JobEdits.Read(json, new GateReading(step, Now(), lines, null))
                )
        );
    }

    /// <summary>A gate of a machine that shows no count: it starts as before, or it does not.</summary>
    public IActionResult OnPostStarts(string job, long version, string step, bool starts) =>
        Change(
            job,
            version,
            view =>
                view.Progress.Steps.Any(s => s.Step.Id == step && s.Step.Expected is { Lines.Count: 0 })
                    ? (
                        starts ? "Starts as before" : "Does not start as before",
                        json => JobEdits.Read(json, new GateReading(step, Now(), [], starts))
                    )
                    : null
        );

    string Now() => clock.GetUtcNow().ToString("yyyy-MM-dd'T'HH:mm:ss'Z'");
}
