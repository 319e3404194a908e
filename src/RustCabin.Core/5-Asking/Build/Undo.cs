using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>
/// The way back: the steps of what was really done, reversed, and the machine that results, simulated. Source:
/// docs/handbook/passport.md, Undo.
/// </summary>
/// <param name="Steps">The steps, in order.</param>
/// <param name="Result">The unit after them.</param>
/// <param name="Count">What it then counts.</param>
/// <param name="Original">What it counted before anything was done.</param>
public sealed record Undo(IReadOnlyList<UndoStep> Steps, PlannedUnit Result, PowerUpCount Count, PowerUpCount Original)
{
    /// <summary>The machine counts again as it did.</summary>
    public bool IsOriginal => Count.Lines.Select(l => l.Bytes).SequenceEqual(Original.Lines.Select(l => l.Bytes));

    /// <summary>Something cannot be undone as it was.</summary>
    public bool HasNever => Steps.Any(s => s.Never.Length > 0);

    /// <summary>The way back from what is done of a build.</summary>
    public static Undo Of(BuildSheet sheet, PassportAsked record)
    {
        PlannedUnit now = record.Now;
        PlannedUnit before = record.Before;
        var steps = new List<UndoStep>();
        var levels = new List<AccessLevel>();
        PlannedUnit at = now;
        foreach (Step step in sheet.Steps.Reverse().Where(s => record.IsDone(s.Id)))
            if (Back(sheet.Stations, record, step, at) is { } back)
            {
                steps.Add(back.Step with { Cautions = [.. step.Cautions.Where(c => !Bare.IsOfPower(c.Id))] });
                if (!step.Runs && !back.Step.Stays)
                    levels.AddRange(AccessPath.Path(record.Unit.Model, step.Level));
                at = back.Then;
            }
        // The way back begins with the case: what is taken back lies where it was put in.
        AccessLevel[] open = [.. levels.DistinctBy(l => l.Id)];
        IReadOnlyList<AccessLevel> stands =
            sheet.Steps.LastOrDefault(s => record.IsDone(s.Id) && s.Kind != StepKind.Gate)?.State.Open ?? [];
        steps.InsertRange(0, open.Select((l, i) => Opening(l, i == 0, stands.Contains(l), record.Unit, sheet.Stations)));
        if (open.Length > 0)
            steps.Add(new UndoStep(Acts.CloseUp, "Close up", "", ""));
        // Switches of parts that stay are set back by their own steps; what is left is the machine as it was.
        return new Undo(steps, at, PowerUp.Run(at), PowerUp.Run(before));
    }

    static UndoStep Opening(AccessLevel level, bool first, bool stands, PlannedUnit unit, StationList stations) =>
        new(
            Acts.Open(level.Id),
            (first ? "Switch off, pull the plug. " : "") + $"{(stands ? "It stands open" : "Open")}: {IdText.Plain(level.Id)}",
            "",
            ""
        )
        {
            Cautions = [.. Hazards.AtOpening(level, unit).Select(stations.InFull).DistinctBy(c => c.Id)],
        };

    static (UndoStep Step, PlannedUnit Then)? Back(StationList stations, PassportAsked record, Step step, PlannedUnit at)
    {
        string kept = string.Join(
            ", ",
            Originals
                .At(record.Unit, step.Id)
                .Select(o =>
                    o.PlaceIn(record.Unit.Unit) is { Length: > 0 } place ? $"{o.What} ({place})" : $"{o.What} (no place is noted)"
                )
        );
        // A step of another version of the program has no act here; the job keeps it as it stands.
        return stations.ActOf(step.Id)?.Back(new BackAsked(record, step, at, kept));
    }
}
