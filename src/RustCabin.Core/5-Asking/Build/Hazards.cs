using RustCabin.Core.Baseline;
using RustCabin.Core.Declared;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>
/// What can hurt at a step, from what is done there and how far the case is open, beside what the sheets name; each says what
/// brought it in. Source: docs/handbook/build.md, Cautions.
/// </summary>
static class Hazards
{
    /// <summary>The cautions of a step, each once.</summary>
    public static IReadOnlyList<Caution> Of(StationList stations, Step step, IReadOnlyList<AccessLevel> open, PlannedUnit unit) =>
        [.. All(step, open, unit).Select(stations.InFull).DistinctBy(c => c.Id)];

    static IEnumerable<Caution> All(Step step, IReadOnlyList<AccessLevel> open, PlannedUnit unit)
    {
        foreach (Caution own in step.Cautions)
            yield return own.Why.Length > 0 ? own : own with { Why = $"the sheet names it for \"{step.Title}\"" };
        if (step.Opens is { } level)
            foreach (Caution caution in AtOpening(level, unit))
                yield return caution;
        // It ran: what lies bare is charged again, and is read again before a hand goes in.
        if (step.Kind == StepKind.Off)
            foreach (Bare bare in step.State.Bare)
                yield return bare.Caution;
        if (step.State.IsLive)
            yield return Caution.Of(Caution.LiveWord) with
            {
                Why = $"it runs open, and bare lies: {step.State.BareWords}",
            };
        bool works = step.Kind is StepKind.Fit or StepKind.Remove or StepKind.Mend;
        // What an open level brings stays there: a step under it has its caution too, and one reading serves for all.
        if (works)
            foreach (AccessLevel under in open)
            foreach (Caution caution in AtOpening(under, unit))
                yield return caution with
                {
                    Why = $"the case is open: {IdText.Plain(under.Id)}",
                };
        if (step.Kind is StepKind.Fit or StepKind.Remove && step.Instance is not null)
            yield return Caution.Of("static") with
            {
                Why = $"chips of {step.Instance.Title} are in hand",
            };
    }

    /// <summary>What lies behind a level: as its sheet says, and the pieces that age there.</summary>
    public static IEnumerable<Caution> AtOpening(AccessLevel level, PlannedUnit unit)
    {
        foreach (Bare bare in Bare.At(level, unit))
            yield return bare.Caution;
        foreach (string word in level.Cautions.Where(w => !Bare.IsOfPower(w)))
            yield return Caution.Of(word) with
            {
                Why = $"the model's sheet names it for {IdText.Plain(level.Id)}",
            };
        Survey? survey = unit.Unit.Survey;
        foreach (ServicePiece piece in unit.Model.Service.Where(p => p.Access == level.Id && unit.Holds(p.Revisions)))
        {
            if (piece.Kind == ServiceKind.Cell && survey?.Cells is Wear.Bad)
                yield return BaselineStation.Leaking with
                {
                    Why = $"{piece.What} was found bad",
                };
        }
    }
}
