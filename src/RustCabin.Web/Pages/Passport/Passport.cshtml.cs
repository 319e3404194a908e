using RustCabin.Core;
using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Passport;

/// <summary>The Passport station: what is fitted to the unit and what happened to it.</summary>
public sealed class PassportModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<PassportDesk>();

    public IReadOnlyList<JobChange> History { get; private set; } = [];

    /// <summary>What the stations write, part by part.</summary>
    public ILookup<PassportPart, PassportLine> Lines { get; private set; } =
        Enumerable.Empty<PassportLine>().ToLookup(l => l.Part);

    protected override void Loaded()
    {
        History = Jobs.History(View.Job.Id);
        Lines = Trail.Passport(Asked);
    }

    PassportAsked Asked => View.Record;

    /// <summary>The unit as it stands, without what is only planned.</summary>
    public PlannedUnit Now => Asked.Now;

    /// <summary>Minutes that were really noted for the steps that are done; null: none was.</summary>
    public decimal? Took =>
        View.Job.Took.Count == 0
            ? null
            : View.Progress.Steps.Where(s => s.State == StepState.Done).Sum(s => View.Job.Took.GetValueOrDefault($"{s.Step.Id}"));

    /// <summary>Whether a part is on the unit by now, or only planned.</summary>
    public bool IsIn(Instance instance) => Asked.IsIn(instance);

    public IEnumerable<StepProgress> Readings => View.Progress.Steps.Where(s => s.Reading is not null);
}
