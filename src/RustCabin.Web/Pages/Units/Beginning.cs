using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Units;

/// <summary>How a job begins: from the shelf with one press, or from the unit's page with a name.</summary>
public static class Beginning
{
    /// <summary>
    /// Begins an empty job. Where the board is in doubt it goes to the clues, else to Memory; a part by itself has no map of
    /// memory and goes to Wiring.
    /// </summary>
    /// <returns>Where it goes on; or why it could not begin; neither: there is no such unit.</returns>
    public static (string? Url, string? Refused) Of(SheetRepository sheets, JobRepository jobs, string unit, string? name)
    {
        Pack all = sheets.All();
        if (all.FindUnit(unit) is not { } known)
            return (null, null);
        if (Naming.Begun(name) is var (called, refused) && refused is not null)
            return (null, refused.Why);
        string id = jobs.Begin(unit, called);
        Verdict board = Plan.For(all, known).Revision;
        bool doubt = PlannedUnit.Assumes(all.FindModel(known.Model)!, known, board);
        return ($"/jobs/{id}/{(doubt ? "identify" : FirstOf(all, known))}", null);
    }

    /// <summary>Begins a job that adds a part, named after it.</summary>
    /// <returns>Where it goes on; or why it could not begin; neither: there is no such unit.</returns>
    public static (string? Url, string? Refused) With(SheetRepository sheets, JobRepository jobs, string unit, Part part)
    {
        Pack all = sheets.All();
        if (all.FindUnit(unit) is null)
            return (null, null);
        StoredJob begun = jobs.Find(jobs.Begin(unit, part.Name))!;
        Press<Job> press = Parts.Add(JobView.Of(all, begun).At, part.Id);
        if (press.Refused is { } refused)
            return (null, refused.Why);
        jobs.Change(begun.Job.Id, begun.Version, press.What, press.Edit!);
        return ($"/jobs/{begun.Job.Id}/fit", null);
    }

    /// <summary>The station that a job opens with.</summary>
    public static string FirstOf(Pack all, Unit unit) => BenchedPart(all, unit) is null ? "memory" : "wiring";

    /// <summary>The part that a unit is; null: it is a machine.</summary>
    public static Part? BenchedPart(Pack all, Unit unit) =>
        all.Models.All(m => m.Id != unit.Model) ? all.FindPart(unit.Model) : null;
}
