using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Build;

/// <summary>One step back.</summary>
/// <param name="Of">The step that it takes back.</param>
/// <param name="Title">What is done.</param>
/// <param name="Needs">What it needs: an original with its place, a part; empty: nothing.</param>
/// <param name="Never">Why it can never be undone as it was; empty: it can.</param>
public sealed record UndoStep(StepId Of, string Title, string Needs, string Never);

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
        PlannedUnit at = now;
        foreach (Step step in sheet.Steps.Reverse().Where(s => record.IsDone(s.Id)))
            if (Back(record, step, at) is { } back)
            {
                steps.Add(back.Step);
                at = back.Then;
            }
        // Switches of parts that stay are set back by their own steps; what is left is the machine as it was.
        return new Undo(steps, at, PowerUp.Run(at), PowerUp.Run(before));
    }

    static (UndoStep Step, PlannedUnit Then)? Back(PassportAsked record, Step step, PlannedUnit at)
    {
        Unit unit = record.Unit.Unit;
        string kept = string.Join(
            ", ",
            Originals
                .At(record.Unit, step.Id)
                .Select(o => o.PlaceIn(unit) is { Length: > 0 } place ? $"{o.What} ({place})" : $"{o.What}, no place noted")
        );
        Instance? part = step.Instance;
        switch (step.Id.Act)
        {
            case "fit" when part is not null:
                return (
                    new UndoStep(
                        step.Id,
                        $"Take out {part.Title}",
                        kept,
                        part.Way?.Reversible == false ? $"{part.Title} was fitted in a way that cannot be undone" : ""
                    ),
                    Plan.With(at, i => i.Name != part.Name)
                );
            case "fit" when step.Id.About.StartsWith("rom-", StringComparison.Ordinal):
                return (new UndoStep(step.Id, $"The original device back into {step.Id.About[4..]}", kept, ""), at);
            case "remove" when part is not null:
                return (
                    new UndoStep(step.Id, $"Fit {part.Title} again, as it was", part.Title, ""),
                    Plan.Of(
                        at,
                        [
                            .. record
                                .Before.Instances.Where(i => i.Name == part.Name || at.Find(i.Name) is not null)
                                .Select(i => at.Find(i.Name) ?? i),
                            .. at.Instances.Where(i => record.Before.Find(i.Name) is null),
                        ]
                    )
                );
            case "set" when part is not null && record.Before.Find(part.Name) is { } was:
                return (
                    new UndoStep(step.Id, $"Set {part.Title} back: {Moved(part, was)}", "", ""),
                    Plan.Of(at, [.. at.Instances.Select(i => i.Name == part.Name ? was : i)])
                );
            case "firmware":
                return (
                    new UndoStep(step.Id, $"Firmware {record.Before.Firmware ?? "as it was"} back in", kept, ""),
                    at with
                    {
                        Firmware = record.Before.Firmware,
                    }
                );
            case "change":
                return PlacedChange.Of(record.Unit).FirstOrDefault(c => c.Step == step.Id) is { } change
                    ? (Back(step.Id, change), at)
                    : null;
            case "care":
                return (
                    new UndoStep(
                        step.Id,
                        $"Nothing to take back: {step.Title}",
                        "",
                        "what was whitened or drilled does not become what it was"
                    ),
                    at
                );
            case "service":
                return (
                    new UndoStep(
                        step.Id,
                        $"Nothing to take back: {IdText.Plain(step.Id.About)} was replaced",
                        "",
                        "a worn piece is not put back"
                    ),
                    at
                );
            default:
                return null;
        }
    }

    static string Moved(Instance now, Instance was) =>
        string.Join(", ", was.Positions.Where(p => p.Value != now.Positions[p.Key]).Select(p => $"{p.Key} {p.Value}"));

    static UndoStep Back(StepId step, PlacedChange change) =>
        change.Change.Do switch
        {
            ChangeAct.Link or ChangeAct.Wire or ChangeAct.Row => new UndoStep(step, $"Unsolder: {change.Words}", "", ""),
            ChangeAct.Lift => new UndoStep(step, $"Solder down again: {change.Words}", "", ""),
            ChangeAct.Remove => new UndoStep(step, $"Solder {change.Named(change.Change.Point!)} in again", "what came off", ""),
            ChangeAct.Insulate => new UndoStep(step, $"Take off the insulation: {change.Change.Where}", "", ""),
            ChangeAct.Cut => new UndoStep(
                step,
                $"Bridge the cut of {change.Change.Net}",
                "a short wire",
                "the trace stays cut under the bridge"
            ),
            ChangeAct.Scrape => new UndoStep(
                step,
                $"Cover {change.Named(change.Change.Point!)} again",
                "solder mask",
                "the mask is gone there"
            ),
            ChangeAct.Socket => new UndoStep(
                step,
                $"The socket of {change.Named(change.Change.Chip!)} can stay",
                "",
                "the chip is socketed now"
            ),
            _ => new UndoStep(step, $"{change.Words}", "", "metal or plastic that is gone does not come back"),
        };
}
