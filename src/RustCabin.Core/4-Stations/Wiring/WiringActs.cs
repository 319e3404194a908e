using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Wiring;

/// <summary>The steps of wiring, with their ways back.</summary>
public static class WiringActs
{
    /// <summary>All of them.</summary>
    internal static readonly IReadOnlyList<Act> All =
    [
        Act.Traceless("probe"),
        new("cables", a => a.Takes($"Unplug again: {a.Step.Title}", a.At)),
        new(
            "change",
            a =>
                PlacedChange.Of(a.Record.Unit).FirstOrDefault(c => c.Step == a.Step.Id) is { } change
                    ? (Back(a.Step.Id, change), a.At)
                    : null
        ),
    ];

    /// <summary>A run of cables is plugged together.</summary>
    public static StepId Cables(string run) => new("cables", run);

    /// <summary>The wiring is proved with a meter.</summary>
    public static readonly StepId ProbeWiring = new("probe", "wiring");

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
            ChangeAct.Trim or ChangeAct.Drill => new UndoStep(
                step,
                $"{change.Words}",
                "",
                "metal or plastic that is gone does not come back"
            ),
            _ => throw new InvalidOperationException($"{change.Change.Do} has no way back"),
        };
}
