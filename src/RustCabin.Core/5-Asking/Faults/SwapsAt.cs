using RustCabin.Core.Bench;
using RustCabin.Core.Fit;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Faults;

/// <summary>
/// The swaps of a gate: to what each cause belongs, and which parts another unit on the shelf takes. Source:
/// docs/handbook/faults.md, Swaps.
/// </summary>
public static class SwapsAt
{
    /// <summary>So many of the likeliest causes of each thing are weighed, and so many in all.</summary>
    const int MostOfEach = 3,
        Most = 12;

    /// <summary>What <see cref="Swaps.Of"/> is asked of a gate, before anything was swapped.</summary>
    /// <param name="unit">The unit as it is planned.</param>
    /// <param name="found">The diagnosis of the gate.</param>
    /// <param name="shelf">The units of the cabin, with their models.</param>
    public static SwapsAsked Of(PlannedUnit unit, Diagnosis found, IReadOnlyList<(Unit Unit, Model Model)> shelf) =>
        new()
        {
            Causes =
            [
                .. found
                    .Causes.Where(c => c.Chance > 0)
                    .DistinctBy(c => c.Cause.Words)
                    .GroupBy(c => string.Join(", ", BelongsTo(unit, c.Cause)))
                    .SelectMany(g => g.Take(MostOfEach))
                    .OrderByDescending(c => c.Chance)
                    .Take(Most)
                    .Select(c => new SwapCause
                    {
                        Id = c.Cause.Words,
                        Prior = Math.Max(0.0001m, Math.Round((decimal)c.Chance, 4)),
                        Belongs = BelongsTo(unit, c.Cause),
                    }),
            ],
            Options =
            [
                .. from part in unit.Instances
                where
                    part.Way is { Reversible: true } && shelf.Any(s => s.Unit.Id != unit.Unit.Id && Takes(s.Unit, s.Model, part))
                let there = AccessPath.To(unit.Model, part).Sum(l => l.Minutes)
                select new SwapOption { Moved = [part.Title], Minutes = Math.Max(1, 2 * (there + part.Way!.Minutes)) },
            ],
        };

    /// <summary>What is not seated shows where part and machine are together; all else goes with the part, or stays.</summary>
    static IReadOnlyList<string> BelongsTo(PlannedUnit unit, Hypothesis cause) =>
        (cause.Instance, cause.Fault?.Kind) switch
        {
            (null, _) => [unit.Unit.Name],
            ({ } part, FaultKind.Unseated) => [part.Title, unit.Unit.Name],
            ({ } part, _) => [part.Title],
        };

    /// <summary>Nothing on the sheets bars the part from a unit, whichever of its boards it may be.</summary>
    static bool Takes(Unit unit, Model model, Instance part) =>
        (unit.Revision is { } board ? [board] : model.Revisions.Select(r => r.Id)).All(r =>
            FitMatrix.WaysInto(model, part.Part, r).Any()
        );
}
