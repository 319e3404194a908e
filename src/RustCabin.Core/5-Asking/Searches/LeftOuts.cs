using RustCabin.Core.Fit;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Searches;

/// <summary>Why a part that would give a want is in no set.</summary>
static class LeftOuts
{
    public static IReadOnlyList<LeftOut> Of(SetQuestion question, IReadOnlyList<BuildSet> sets, CancellationToken cancel)
    {
        HashSet<string> used =
        [
            .. sets.SelectMany(s => s.Parts).Select(p => p.Part.Id),
            .. question.Unit.Instances.Select(i => i.Part.Id),
        ];
        return
        [
            .. question
                .Parts.Where(p =>
                    !used.Contains(p.Id)
                    && question.Wants.Any(w => Tempts(question.Unit, p, w))
                    && p.Ways.Any(w => w.Model == question.Unit.Model.Id || w.Connector is not null)
                )
                .Select(p => new LeftOut(p, Why(question, p, sets, cancel))),
        ];
    }

    static bool Tempts(PlannedUnit unit, Part part, Need want) => NeedRules.Of(want).Tempts(unit, part);

    static string Why(SetQuestion question, Part part, IReadOnlyList<BuildSet> sets, CancellationToken cancel)
    {
        PlannedUnit unit = question.Unit;
        JobLimits limits = question.Limits;
        FitCell cell = FitMatrix.Cell(unit.Model, part, unit.Revision.Id);
        Way[] ways = [.. FitMatrix.WaysInto(unit.Model, part, unit.Revision.Id)];
        if (ways.Length == 0)
            return $"It does not fit {unit.Model.FindRevision(unit.Revision.Id)?.Name ?? unit.Revision.Id}: "
                + $"{cell.Why.FirstOrDefault()}";
        if (limits.Skill is { } skill && ways.All(w => w.Skill > skill))
            return $"It wants skill {ways.Min(w => w.Skill)}; the limit is {skill}.";
        if (limits.Reversible && ways.All(w => !w.Reversible))
            return "It cannot be undone, and all must be.";
        if (limits.FromStock && !question.HasInHand(part))
            return "It is not in the cupboard.";
        if (limits.Budget is { } budget && !question.HasInHand(part) && part.Price > budget)
            return $"It costs {part.Price:0.00}; the budget is {budget:0.00} {unit.Currency}.";

        var alone = ways.Select(w => Plan.Of(unit, [.. unit.Instances, SetSearch.NewInstance(part, w)])).ToList();
        if (alone.All(plan => !SettingsSolver.CanBe(question.Stations, plan, [], cancel)))
            return question
                    .Stations.Stops(alone[0])
                    .Select(s => s.Finding)
                    .OrderByDescending(f => f.Subjects.Contains(Subject.Part(InstanceName.First(part.Id))))
                    .FirstOrDefault()
                    ?.Text
                ?? "No setting of its switches goes with what is fitted.";
        string lack =
            alone
                .Select(plan => NeedCheck.Of(plan, question.Wants).FirstOrDefault(a => a.Met != true)?.Text)
                .Where(t => t is not null)
                .FirstOrDefault()
            ?? "";
        if (sets.Count == 0)
            return lack.Length > 0 ? $"It goes in, but does not give {lack}." : "It goes in, but not within the other limits.";
        Part? instead = sets[0]
            .Parts.Select(p => p.Part)
            .FirstOrDefault(p => question.Wants.Any(w => Tempts(unit, part, w) && Tempts(unit, p, w)));
        return instead is not null
            ? $"It goes in at {part.Price:0.00}, but {instead.Name} gives the same for no more."
            : $"It goes in, but no set needs it{(lack.Length > 0 ? $": alone it does not give {lack}" : "")}.";
    }
}
