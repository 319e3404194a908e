using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Passport;

/// <summary>The Passport station: what is fitted to the unit and what happened to it.</summary>
public sealed class PassportModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<PassportDesk>();

    public IReadOnlyList<JobChange> History { get; private set; } = [];

    protected override void Loaded() => History = Jobs.History(View.Job.Id);

    /// <summary>Whether a part is on the unit by now, or only planned.</summary>
    public bool IsIn(Instance instance) =>
        !instance.Added || View.Progress.Steps.Any(s => s.Step.Id == Acts.Fit(instance.Name) && s.State == StepState.Done);

    public IEnumerable<StepProgress> Readings => View.Progress.Steps.Where(s => s.Reading is not null);

    /// <summary>Original pieces to keep: those that parts put aside, by part.</summary>
    public IEnumerable<(string Piece, string Part)> Kept =>
        from instance in View.After.Instances
        from piece in instance.Part.Keeps.Concat(instance.Way?.Keeps ?? []).Distinct()
        select (piece, instance.Title);
}
