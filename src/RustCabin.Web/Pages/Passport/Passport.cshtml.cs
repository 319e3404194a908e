using RustCabin.Core;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;
using RustCabin.Core.Wiring;
using RustCabin.Data;
using RustCabin.Web.Drawings;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Passport;

/// <summary>The Passport station: what is fitted to the unit and what happened to it.</summary>
public class PassportModel(SheetRepository sheets, JobRepository jobs, TimeProvider clock) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<PassportDesk>();

    public IReadOnlyList<JobChange> History { get; private set; } = [];

    /// <summary>What the stations write, part by part.</summary>
    public ILookup<PassportPart, PassportLine> Lines { get; private set; } =
        Enumerable.Empty<PassportLine>().ToLookup(l => l.Part);

    protected override void Loaded()
    {
        History = Jobs.History(View.Job.Id);
        Lines = Trail.Stations.Passport(Asked);
    }

    PassportAsked Asked => View.Record;

    /// <summary>The unit as it stands, without what is only planned.</summary>
    public PlannedUnit Now => Asked.Now;

    /// <summary>Minutes that were really noted for the steps that are done; null: none was.</summary>
    public decimal? Took =>
        View.Job.Took.Count == 0
            ? null
            : View.Progress.Steps.Where(s => s.State == StepState.Done).Sum(s => View.Job.MinutesOf(s.Step.Id) ?? 0);

    /// <summary>Whether a part is on the unit by now, or only planned.</summary>
    public bool IsIn(Instance instance) => Asked.IsIn(instance);

    /// <summary>The readings of the gates as they came, wrong ones too.</summary>
    public IReadOnlyList<ReadingTold> Readings => field ??= ReadingsTold.OfGates(View.Progress, View.Job, Preferences.Size);

    /// <summary>What the meter read, line by line.</summary>
    public IReadOnlyList<ReadingTold> Meter => field ??= ReadingsTold.OfMeter(View.After);

    /// <summary>Everything that the sheet does, as it would be taken back.</summary>
    /// <summary>The parts of the record under a heading of their own that hold something.</summary>
    public IEnumerable<PassportPart> Sections => Trail.Stations.PassportParts.Where(p => !p.HasOwnPlace && Lines[p].Any());

    public Undo UndoOfAll => field ??= Undo.Of(View.Sheet, Asked with { IsDone = _ => true });

    /// <summary>Each step that took minutes, planned and real.</summary>
    public IReadOnlyList<(string Title, decimal Planned, decimal Real)> Minutes =>
        [
            .. from step in View.Progress.Steps
            let real = View.Job.MinutesOf(step.Step.Id)
            where real is not null
            select (step.Step.Title, step.Step.Minutes, real.Value),
        ];

    /// <summary>The way back from what was really done.</summary>
    public Undo Undo => field ??= Undo.Of(View.Sheet, Asked);

    /// <summary>The wiring as the job leaves it; null: nothing of it was made yet.</summary>
    public Wired? Wired => field ??= WiredDone > 0 ? Wired.Of(View.After) : null;

    /// <summary>How many changes of the wiring there are, and how many of them are made.</summary>
    public int WiredAll => PlacedChange.Of(View.After).Count;

    public int WiredDone => PlacedChange.Of(View.After).Count(c => Asked.IsDone(c.Step));

    /// <summary>The boards on which a change was made, to be drawn.</summary>
    public IEnumerable<BoardPlan> WiredBoards
    {
        get
        {
            if (Wired is not { } wired)
                return [];
            int[] touched = [.. wired.Changes.Where(c => Asked.IsDone(c.Step)).SelectMany(wired.Touched)];
            return BoardPlan.With(BoardPlan.All(wired, below: false), touched);
        }
    }

    /// <summary>The day of a moment of the record; empty: none was noted.</summary>
    public string Day(string moment) => moment.Length >= 10 ? $"{moment[..10]}," : "";

    /// <summary>The day, as a label writes it.</summary>
    public string Today => clock.GetUtcNow().ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>Other jobs of this unit, ended ones too.</summary>
    public IEnumerable<Core.Sheets.Job> Others => Jobs.All().Where(j => j.Unit == View.Job.Unit && j.Id != View.Job.Id);

    /// <summary>What is to be looked at again.</summary>
    public IReadOnlyList<Reminder> Reminders =>
        field ??= Core.Build.Reminders.Of(Asked, DateOnly.FromDateTime(clock.GetUtcNow().UtcDateTime));

    /// <summary>Readings and burns with their times, the oldest first.</summary>
    public IReadOnlyList<(DateTimeOffset At, string What, bool Agrees)> Line =>
        [
            .. (
                from step in View.Progress.Steps
                where step.Step.Expected is not null
                from read in View.Job.Readings
                where read.Gate == step.Step.Id
                let at = DateTimeOffset.TryParse(read.At, out DateTimeOffset when) ? when : (DateTimeOffset?)null
                where at is not null
                select (at.Value, step.Step.Title, Core.Bench.Comparison.Of(step.Step.Expected!, read).Agrees)
            ).OrderBy(l => l.Item1),
        ];
}
