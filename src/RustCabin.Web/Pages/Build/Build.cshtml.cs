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
public partial class BuildModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos, TimeProvider clock)
    : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<BuildDesk>();

    /// <summary>What was typed at a gate, kept when it could not be taken, with what is wrong by line.</summary>
    public IReadOnlyList<string> Typed { get; private set; } = [];
    public IReadOnlyDictionary<int, string> Wrong { get; private set; } = new Dictionary<int, string>();
    public string? TypedAt { get; private set; }

    /// <summary>The causes of a reading that differs, and what to look at next; null: it does not differ.</summary>
    public Diagnosis? Explained(StepProgress step) =>
        step is { State: StepState.Differs, Step.At: not null } ? Faults.FaultsAt.Of(View, step) : null;

    /// <summary>Notes how many minutes a step that is done really took.</summary>
    public IActionResult OnPostTook(string job, long version, string step, string? took)
    {
        if (!Load(job))
            return NotFound();
        if (!TryMinutes(took, out decimal? minutes, out string wrong))
            return Refuse($"Nothing was changed: {wrong}");
        return Change(
            job,
            version,
            _ =>
                Find(step) is { State: StepState.Done } at
                    ? (
                        minutes is null ? $"No minutes noted after all: {at.Step.Title}" : $"Took {minutes} min: {at.Step.Title}",
                        j => JobEdits.Took(j, at.Step.Id, minutes)
                    )
                    : null
        );
    }

    static bool TryMinutes(string? typed, out decimal? minutes, out string wrong)
    {
        (minutes, wrong) = (null, $"\"{typed}\" is not a number of minutes");
        if (string.IsNullOrWhiteSpace(typed))
            return true;
        bool read = TypedNumber.TryParse(typed, out decimal value) && value is > 0 and < 100_000;
        minutes = read ? value : null;
        return read;
    }

    public IActionResult OnPostTick(string job, long version, string step, bool done, string? took, string? proof)
    {
        if (!Load(job))
            return NotFound();
        if (Find(step) is not { Step: { Kind: not StepKind.Gate, Proved: null } known } at)
            return Change(job, version, _ => null);
        if (done && at.State == StepState.Locked)
            return Refuse("Nothing was changed: a gate before this step has not passed");
        if (done && !at.AllHeeded)
            return Refuse($"Nothing was changed: tick the cautions of \"{known.Title}\" first");
        if (done && Ledger.Missing(Pieces, known) is { Count: > 0 } missing)
            return Refuse(
                $"Nothing was changed: {string.Join(", ", missing.Select(m => m.Words))} of the bench "
                    + "must be back in place, or be left out with a reason, before the case is closed"
            );
        if (done && at.Waits.Count > 0)
            return Refuse($"Nothing was changed: first {string.Join(", ", at.Waits.Select(w => $"\"{w.Title}\""))}");
        decimal? minutes = null;
        if (done && !TryMinutes(took, out minutes, out string wrong))
            return Refuse($"Nothing was changed: {wrong}");
        string proved = (proof ?? "").Trim();
        if (done && known.Kind == StepKind.Mend && proved.Length is 0 or > 500)
            return Refuse("Nothing was changed: say in up to 500 letters what proves it, a reading or what you see");
        string what = done
            ? $"Done: {known.Title}"
                + (proved.Length > 0 ? $", proved by {proved}" : "")
                + (minutes is null ? "" : $", in {minutes} min")
            : $"Not done after all: {known.Title}";
        return Change(
            job,
            version,
            _ =>
                (
                    what,
                    j =>
                        JobEdits.Took(
                            known.Kind == StepKind.Mend
                                ? done
                                    ? JobEdits.MakeMend(j, known.Id, proved, Moment())
                                    : JobEdits.Tick(JobEdits.MakeMend(j, known.Id, "", ""), known.Id, false)
                                : JobEdits.Tick(j, known.Id, done),
                            known.Id,
                            minutes
                        )
                )
        );
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

    /// <summary>
    /// Steps that a gate is about and that are not ticked yet: a reading that is typed early is not taken for one of them,
    /// unless they are ticked with it.
    /// </summary>
    IActionResult? Early(StepProgress gate, bool tick)
    {
        if (gate.State == StepState.Locked)
            return Refuse("The reading was not taken: a gate before this one has not passed.");
        if (gate.Waits.Count == 0)
            return null;
        string open = string.Join(", ", gate.Waits.Select(w => $"\"{w.Title}\""));
        if (!tick)
        {
            OfferTick = true;
            return Refuse($"The reading was not taken: {open} {(gate.Waits.Count == 1 ? "is" : "are")} not ticked.");
        }
        return gate.Waits.FirstOrDefault(w => View.Progress.Steps.First(s => s.Step == w) is { AllHeeded: false }) is { } careful
            ? Refuse($"The reading was not taken: tick the cautions of \"{careful.Title}\" first.")
            : null;
    }

    /// <summary>The gate offers to tick what it is about, with the reading.</summary>
    public bool OfferTick { get; private set; }

    public IActionResult OnPostRead(string job, long version, string step, List<string> seen, bool tick)
    {
        (Typed, TypedAt) = ([.. seen.Select(s => s ?? "")], step);
        if (!Load(job))
            return NotFound();
        if (Find(step) is not { Step.Expected: { } expected } gate)
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
        if (Early(gate, tick) is { } early)
            return early;
        return Change(
            job,
            version,
            view =>
                (
                    (tick && gate.Waits.Count > 0 ? $"Done: {string.Join(", ", gate.Waits.Select(w => w.Title))}. " : "")
                        + $"Read at \"{gate.Step.Title}\": "
                        + string.Join(", ", lines.Select(l => $"{l.Label} {l.Bytes}")),
                    json =>
                        JobEdits.Read(
                            gate.Waits.Aggregate(json, (j, w) => JobEdits.Tick(j, w.Id, true)),
                            new GateReading
                            {
                                Gate = StepId.Parse(step),
                                At = Moment(),
                                Lines = lines,
                            }
                        )
                )
        );
    }

    /// <summary>A gate of a machine that shows no count: it starts as before, or it does not.</summary>
    public IActionResult OnPostStarts(string job, long version, string step, bool starts, bool tick)
    {
        if (!Load(job))
            return NotFound();
        if (Find(step) is not { } gate)
            return NotFound();
        (TypedAt, TypedStarts) = (step, starts);
        if (Early(gate, tick) is { } early)
            return early;
        return Change(
            job,
            version,
            view =>
                Find(step) is { Step.Expected.Lines.Count: 0 }
                    ? (
                        (tick && gate.Waits.Count > 0 ? $"Done: {string.Join(", ", gate.Waits.Select(w => w.Title))}. " : "")
                            + (starts ? "Starts as before" : "Does not start as before"),
                        json =>
                            JobEdits.Read(
                                gate.Waits.Aggregate(json, (j, w) => JobEdits.Tick(j, w.Id, true)),
                                new GateReading
                                {
                                    Gate = StepId.Parse(step),
                                    At = Moment(),
                                    Starts = starts,
                                }
                            )
                    )
                    : null
        );
    }

    /// <summary>What was said of a machine that shows no count, and not taken.</summary>
    public bool TypedStarts { get; private set; }
}
