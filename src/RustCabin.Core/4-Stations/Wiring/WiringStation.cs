using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Wiring;

/// <summary>Legs, traces, links, connectors and cables. Source: docs/handbook/wiring.md.</summary>
public sealed class WiringStation : Station
{
    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Wiring");

    /// <inheritdoc/>
    public override StationName Name => Here;

    /// <inheritdoc/>
    public override IReadOnlyList<Act> OwnActs => WiringActs.All;

    /// <inheritdoc/>
    public override IReadOnlyList<PassportPart> PassportParts { get; } = [PassportPart.Wired];

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => WiringFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } = [Check.On(Rests.Parts, WiringChecks.Of), Check.On(Rests.Parts, Read)];

    /// <inheritdoc/>
    public override IEnumerable<Work> Works(BuildAsked asked) => WiringWorks.Of(asked).Concat(CableRuns.Works(asked.After));

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) => WiringHypotheses.Of(at).Concat(CableHypotheses.Of(at));

    /// <inheritdoc/>
    public override IEnumerable<Sight> Sights(PlannedUnit at) => CableHypotheses.Sights(at);

    /// <inheritdoc/>
    public override IEnumerable<Piece> Pieces(PlannedUnit unit) => CableRuns.Wanted(unit);

    /// <inheritdoc/>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked) =>
        PlacedChange
            .MadeOn(asked.Unit)
            .Select(c => Line(c, "done"))
            .Concat(PlacedChange.Of(asked.Unit).Select(c => Line(c, asked.IsDone(c.Step) ? "done" : "planned")))
            .Concat(
                (asked.Unit.Job?.Lines ?? []).Select(line => new PassportLine(
                    PassportPart.Wired,
                    $"Serial line: {line.A}",
                    line.B,
                    line.Words,
                    "set"
                ))
            )
            .Concat(
                (asked.Unit.Job?.Cables ?? []).Select(run => new PassportLine(
                    PassportPart.Wired,
                    $"Cables: {run.What}",
                    $"{run.From.Text} to {run.To.Text}",
                    "",
                    asked.IsDone(WiringActs.Cables(run.Id)) ? "joined" : "planned"
                ))
            );

    /// <summary>WIRE-READS: lines of the table that the meter contradicts.</summary>
    static IEnumerable<Finding> Read(PlannedUnit unit) =>
        unit.Job is not { Probes.Count: > 0 } || !Wired.IsAny(unit)
            ? []
            : from line in Wired.Of(unit).Readings
            where line.Agrees == false
            let rail = line.Line.Proves == Proves.Rail
            select new Finding(
                WiringFindings.Reads,
                rail ? Severity.Stop : Severity.Watch,
                $"{line.From} to {line.To}: {(rail ? "a rail is shorted" : "the meter differs")}",
                [rail ? Subject.Unit : Verdicts.Rests(Wired.Of(unit), line.Line).First().Subject],
                $"{line.From} to {line.To} must read {line.Must}, and does not. {line.Cause}",
                ["Power stays off until it reads as it must."]
            );

    static PassportLine Line(PlacedChange placed, string state) =>
        new(
            PassportPart.Wired,
            placed.Words,
            placed.Title,
            placed.Change.Trap.Length > 0 ? $"Trap: {placed.Change.Trap}" : "",
            state + (placed.Change.Do is ChangeAct.Cut or ChangeAct.Drill or ChangeAct.Trim ? ", cannot be undone as it was" : "")
        );

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit) =>
        unit.Model.Boards.Count == 0 && PlacedChange.Of(unit).Count > 0
            ?
            [
                MissingFact.OfModel(
                    unit,
                    nameof(Model.Boards),
                    "its board, and where chips and points lie",
                    "a drawing of the work, leg by leg"
                ),
            ]
            : [];

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) =>
        PlacedChange.Of(unit).Count == 0 ? Far.Empty
        : Wired.Of(unit).Readings.All(l => l.Agrees == true) ? Far.Clear
        : Far.InHand;
}
