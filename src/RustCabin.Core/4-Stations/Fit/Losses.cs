using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Fit;

/// <summary>
/// What is given up for a part: functions and ports that its way takes away, and what hangs out of the case afterwards. Source:
/// docs/handbook/functions.md, What is given up.
/// </summary>
static class Losses
{
    /// <summary>What a way takes away, in words: of a function of the machine what it can do, else as the sheet has it.</summary>
    public static IReadOnlyList<string> Of(Model model, Way? way) => [.. (way?.Loses ?? []).Select(l => Called(model, l))];

    static string Called(Model model, string lost) =>
        model.Functions.FirstOrDefault(f => f.Id == lost)?.Called ?? (IdText.Is(lost) ? IdText.Plain(lost) : lost);

    /// <summary>
    /// What a job must keep and a part takes away by a way; with <c>outside</c> false also that something hangs out, with
    /// <c>emulated</c> false that the processor is emulated.
    /// </summary>
    public static IReadOnlyList<string> Kept(Model model, JobLimits limits, Part part, Way? way) =>
        [
            .. (way?.Loses ?? [])
                .Where(l => limits.KeepFunctions.Any(k => Same(k, l) || Same(k, Called(model, l))))
                .Select(l => Called(model, l)),
            .. !limits.Outside && way?.HangsOut is { } hangs ? [$"nothing hangs out ({hangs})"] : (string[])[],
            .. !limits.Emulated && part.Emulates ? ["a processor that is not emulated"] : (string[])[],
        ];

    static bool Same(string one, string other) =>
        string.Equals(IdText.Of(one), IdText.Of(other), StringComparison.Ordinal) && IdText.Of(one).Length > 0;

    /// <summary>FIT-LOSES: stop where what is to be kept is lost, else a watch with the way that does not lose it.</summary>
    public static IEnumerable<Finding> Check(PlannedUnit unit)
    {
        JobLimits limits = unit.Job?.Limits ?? new JobLimits();
        foreach (Instance part in unit.Instances.Where(i => i.Added))
        {
            IReadOnlyList<string> lost = Of(unit.Model, part.Way),
                kept = Kept(unit.Model, limits, part.Part, part.Way);
            if (lost.Count == 0 && kept.Count == 0)
                continue;
            string given = string.Join(", ", kept.Count > 0 ? kept : lost);
            yield return new Finding(
                FitFindings.FitLoses,
                kept.Count > 0 ? Severity.Stop : Severity.Watch,
                kept.Count > 0 ? $"{part.Title} takes what is to be kept" : $"{part.Title} takes something away",
                [part.Subject],
                $"Way \"{part.Way?.Called ?? "as fitted"}\" of {part.Title} gives up: {string.Join(", ", lost.Union(kept))}."
                    + (kept.Count > 0 ? $" To be kept is: {given}." : ""),
                [
                    .. Others(unit, part)
                        .Select(w =>
                            Of(unit.Model, w) is { Count: > 0 } some
                                ? $"Way \"{w.Called}\" gives up: {string.Join(", ", some)}."
                                : $"Way \"{w.Called}\" gives up nothing of it: {w.Minutes:0} minutes, skill {w.Skill}."
                        )
                        .DefaultIfEmpty("The sheet has no other way of it into this machine."),
                ]
            );
        }
    }

    /// <summary>The other ways of a part into this machine, those that give up least first.</summary>
    static IEnumerable<Way> Others(PlannedUnit unit, Instance part) =>
        FitMatrix.WaysInto(unit.Model, part.Part, unit.Revision.Id).Where(w => w.Id != part.Way?.Id).OrderBy(w => w.Loses.Count);

    /// <summary>Other ways of a part that keep what is to be kept; each is tried before it is offered.</summary>
    public static IEnumerable<Proposal> Proposals(PlannedUnit unit) =>
        from part in unit.Instances
        where part.Added && Kept(unit.Model, unit.Job?.Limits ?? new JobLimits(), part.Part, part.Way).Count > 0
        from way in Others(unit, part)
        where Kept(unit.Model, unit.Job!.Limits, part.Part, way).Count == 0
        select new Proposal(
            new Fix { Ways = new Dictionary<string, string> { [part.Name] = way.Id } },
            Plan.Of(
                unit,
                [
                    .. unit.Instances.Select(i =>
                        i.Name == part.Name ? i with { Way = way, Fitted = i.Fitted with { Way = way.Id } } : i
                    ),
                ]
            )
        );
}
