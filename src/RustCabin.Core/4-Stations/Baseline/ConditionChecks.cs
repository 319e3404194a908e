using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Baseline;

/// <summary>A piece to be replaced, and why now.</summary>
public sealed record Replacement(ServicePiece Piece, string Why);

/// <summary>
/// What the survey at intake means: findings, and the list of pieces to replace. Source: docs/handbook/baseline.md, Condition.
/// </summary>
public static class ConditionChecks
{
    /// <summary>Mains voltages this share apart are the same mains (220 and 240 V; 100 and 115 V are not 230 V).</summary>
    const decimal SameMains = 0.12m;

    /// <summary>What the survey means, as findings.</summary>
    public static IEnumerable<Finding> Found(PlannedUnit unit)
    {
        if (unit.Unit.Survey is not { } survey)
            yield break;
        if (survey is { SuppliedForVolts: { } made, MainsHereVolts: { } here } && Math.Abs(made - here) > here * SameMains)
            yield return new Finding(
                BaselineFindings.CondMains,
                Severity.Stop,
                $"Supply for {made:0} V, mains here {here:0} V",
                [Subject.Unit],
                $"The supply of {unit.Unit.Name} is made for {made:0} V and the mains here is {here:0} V. Do not plug it in.",
                [
                    $"{made:0} and {here:0} V are {Math.Abs(made - here) / here * 100:0} % apart; up to {SameMains * 100:0} % "
                        + $"counts as the same mains.",
                    "A supply, a transformer or a conversion for this mains is needed. " + Caution.Of("mains").Text,
                ]
            );
        foreach (Finding worn in Worn(unit, survey))
            yield return worn;
        if (survey.HalfDone.Length > 0)
            yield return new Finding(
                BaselineFindings.CondHalfDone,
                Severity.Watch,
                "An earlier owner left work half done",
                [Subject.Unit],
                survey.HalfDone,
                [
                    "What was found half done belongs to a way of a part: put the part on the unit as unproven, and its steps "
                        + "get readings before power-on.",
                ]
            );
    }

    static IEnumerable<Finding> Worn(PlannedUnit unit, Survey survey)
    {
        if (survey.Capacitors is Wear.Bad)
            yield return Watch(
                BaselineFindings.CondCapacitors,
                "Capacitors bulge or leak",
                "Capacitors that bulge or leak short rails and eat tracks: replace them before the first power-on.",
                unit,
                ServiceKind.Capacitor,
                "capacitors"
            );
        if (survey.Cells is Wear.Bad)
            yield return Watch(
                BaselineFindings.CondCell,
                "A cell leaks",
                "What leaks from a cell goes on eating copper: take it out first, clean, and look for tracks that are gone.",
                unit,
                ServiceKind.Cell,
                "leaking"
            );
        if (survey.Corrosion is Wear.Bad)
            yield return Watch(
                BaselineFindings.CondCorrosion,
                "Corrosion on the board",
                "Corroded legs and sockets make contact today and not tomorrow: clean them and measure the tracks before "
                    + "trusting a reading.",
                unit,
                null,
                null
            );
        if (survey.Plastic is Wear.Bad)
            yield return new Finding(
                BaselineFindings.CondPlastic,
                Severity.Note,
                "Brittle plastic",
                [Subject.Unit],
                "Catches and posts may break: warm the case to room temperature, release catches with a flat tool, keep every "
                    + "piece that comes off.",
                ["The survey says that the plastic is brittle."]
            );
    }

    static Finding Watch(FindingKind kind, string title, string text, PlannedUnit unit, ServiceKind? aged, string? caution) =>
        new(
            kind,
            Severity.Watch,
            title,
            [Subject.Unit],
            text,
            [
                .. unit.Model.Service.Where(p => p.Kind == aged && unit.Holds(p.Revisions)).Select(Describe),
                .. caution is null ? (string[])[] : [Caution.Of(caution).Text],
            ]
        );

    /// <summary>
    /// The pieces to replace: those whose kind was found bad or doubtful, and those past their years in <paramref name="year"/>.
    /// In the order of the sheet.
    /// </summary>
    public static IReadOnlyList<Replacement> Replacements(PlannedUnit unit, int year)
    {
        if (unit.Unit.Survey is not { } survey)
            return [];
        var due = new List<Replacement>();
        foreach (ServicePiece piece in unit.Model.Service.Where(p => unit.Holds(p.Revisions)))
        {
            Wear? seen = piece.Kind switch
            {
                ServiceKind.Capacitor => survey.Capacitors,
                ServiceKind.Cell => survey.Cells,
                _ => null,
            };
            if (seen is Wear.Bad)
                due.Add(new Replacement(piece, "found bad"));
            else if (seen is Wear.Doubtful)
                due.Add(new Replacement(piece, "found doubtful"));
            else if (survey.Year is { } made && piece.Years is { } years && year - made > years)
                due.Add(new Replacement(piece, $"{year - made} years old, due after {years}"));
        }
        return due;
    }

    /// <summary>A piece as a shop wants it: value, voltage, size, polarity, place.</summary>
    public static string Describe(ServicePiece piece) =>
        string.Join(
            ", ",
            (
                (string[])
                    [piece.What, piece.Value, piece.Volts is { } v ? $"{v:0.##} V" : "", piece.Size, piece.Polarity, piece.Where]
            ).Where(s => s.Length > 0)
        );
}
