using RustCabin.Core.Bench;
using RustCabin.Core.Fit;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Faults;

/// <summary>
/// A swap with another unit as something to look at: a part goes over there, where all else is known to be good, or a part of
/// the same kind that works there comes here. Source: docs/handbook/faults.md, Swaps.
/// </summary>
/// <param name="What">The look, with its outcomes and minutes.</param>
/// <param name="Part">What is moved, or what something known to be good stands in for.</param>
/// <param name="Other">The other unit.</param>
/// <param name="Out">The part goes over there; else the one from there comes here.</param>
public sealed record SwapLook(Observable What, Instance Part, Unit Other, bool Out)
{
    /// <summary>The fault shows.</summary>
    public const string Shows = "the fault shows";

    /// <summary>It works.</summary>
    public const string Works = "it works";

    /// <summary>What can hurt on the way in at either machine, by the words of their sheets.</summary>
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>
    /// What a cause shows: over there, where all that it belongs to went along; here, where nothing of it was taken out.
    /// </summary>
    /// <param name="belongs">The things that must be together for it to show.</param>
    public string Predicts(IReadOnlyCollection<string> belongs) =>
        (Out ? belongs.All(b => b == Part.Title) : !belongs.Contains(Part.Title)) ? Shows : Works;
}

/// <summary>
/// The swaps of a gate: to what each cause belongs, and which parts another unit on the shelf takes or lends. Source:
/// docs/handbook/faults.md, Swaps.
/// </summary>
static class SwapsAt
{
    const string Word = "swap",
        OutWord = "out",
        InWord = "in";

    /// <summary>So many units are tried for a part, those that cost least first.</summary>
    const int MostTried = 3;

    /// <summary>Switching on over there, and back here.</summary>
    const decimal StartMinutes = 4;

    /// <summary>
    /// What lies between part and machine shows where both are together; all else goes with the part, or stays.
    /// </summary>
    public static IReadOnlyList<string> BelongsTo(PlannedUnit unit, Hypothesis cause) =>
        cause switch
        {
            { Instance: null } => [unit.Unit.Name],
            { Instance: { } part, IsBetween: true } => [part.Title, unit.Unit.Name],
            { Instance: { } part } => [part.Title],
        };

    /// <summary>The swaps that were made, and the best that could be made of each part, each way round.</summary>
    /// <param name="stations">The stations; a swap that one of them stops is none.</param>
    /// <param name="sheets">Every sheet of the cabin.</param>
    /// <param name="at">The unit as it should stand.</param>
    /// <param name="looks">What was looked at, by name.</param>
    public static IReadOnlyList<SwapLook> Of(StationList stations, Pack sheets, PlannedUnit at, IEnumerable<string> looks)
    {
        SwapLook[] made = [.. looks.Select(l => Made(sheets, at, l)).OfType<SwapLook>()];
        Unit[] good = [.. sheets.Units.Where(u => u.Id != at.Unit.Id && IsKnownGood(sheets, u))];
        return
        [
            .. made,
            .. from part in at.Parts
            where part.Way is { Reversible: true } && IsSafe(AccessPath.To(at.Model, part))
            from swap in (SwapLook?[])[OutOf(stations, sheets, at, part, good), InFrom(sheets, at, part, good)]
            where swap is not null && !made.Any(m => m.Part.Name == part.Name && m.Out == swap.Out)
            select swap,
        ];
    }

    /// <summary>A person saw it work, and nobody is at work on it.</summary>
    static bool IsKnownGood(Pack sheets, Unit unit) =>
        unit
            is {
                Retired: false,
                Baseline: { Tested: true, Reading: { Starts: not false }, Counted: null or { Failing: null } } seen
            }
        && !seen.Notes.Any(n => n.Fault)
        && !sheets.Jobs.Any(j => j is { Ended: false, Done.Count: > 0 } && j.Unit == unit.Id);

    static SwapLook? OutOf(StationList stations, Pack sheets, PlannedUnit at, Instance part, Unit[] good) =>
        (
            from unit in good
            let model = sheets.FindModel(unit.Model)
            where model is not null
            let way = WayInto(model, unit, part)
            where way is not null
            let minutes = Minutes(at, part) + Minutes(model, way) + StartMinutes
            orderby unit.Model != at.Model.Id, minutes
            select (unit, model, way, minutes)
        )
            .Take(MostTried)
            .Where(o => Goes(stations, sheets, o.unit, part, o.way))
            .Select(o => Out(at, part, o.unit, o.minutes) with { Cautions = Mind(at, part, o.model, o.way) })
            .FirstOrDefault();

    static SwapLook? InFrom(Pack sheets, PlannedUnit at, Instance part, Unit[] good) =>
        (
            from unit in good
            let model = sheets.FindModel(unit.Model)
            where model is not null && unit.Fitted.Any(f => f.Part == part.Part.Id && f.State == FittedState.Done)
            let there = Plan.For(sheets, unit).Instances.FirstOrDefault(i => i.Part.Id == part.Part.Id)
            where there?.Way is { Reversible: true } && IsSafe(AccessPath.To(model, there))
            let minutes = Minutes(at, part) + Minutes(model, there.Way!) + StartMinutes
            orderby minutes
            select In(part, unit, minutes) with
            {
                Cautions = Mind(at, part, model, there.Way!),
            }
        ).FirstOrDefault();

    /// <summary>What the sheets warn of: on the way in at both machines, and with the part.</summary>
    static IReadOnlyList<string> Mind(PlannedUnit at, Instance part, Model there, Way way) =>
        [
            .. AccessPath
                .To(at.Model, part)
                .Concat(Opens(there, way))
                .SelectMany(l => l.Cautions)
                .Concat(part.Part.Cautions)
                .Distinct(),
        ];

    /// <summary>The quickest way that nothing on the sheets bars, on whichever of its boards the unit may be.</summary>
    static Way? WayInto(Model model, Unit unit, Instance part)
    {
        string[] boards = unit.Revision is { } known ? [known] : [.. model.Revisions.Select(r => r.Id)];
        return boards
            .Select(board => FitMatrix.WaysInto(model, part.Part, board))
            .Aggregate((all, more) => all.Intersect(more))
            .Where(w => w.Reversible && IsSafe(Opens(model, w)))
            .MinBy(w => w.Minutes);
    }

    static IReadOnlyList<AccessLevel> Opens(Model model, Way way) =>
        way.Occupies.Select(o => AccessPath.Path(model, o.Site is { } site ? model.FindSite(site)?.Access : null))
            .MaxBy(p => p.Count)
        ?? [];

    static bool IsSafe(IReadOnlyList<AccessLevel> opens) => new Look("", "", 0, "", "") { Opens = opens }.IsSafe;

    /// <summary>In and out again, the way there and back included.</summary>
    static decimal Minutes(PlannedUnit at, Instance part) =>
        2 * (AccessPath.To(at.Model, part).Sum(l => l.Minutes) + part.Way!.Minutes);

    static decimal Minutes(Model model, Way way) => 2 * (Opens(model, way).Sum(l => l.Minutes) + way.Minutes);

    /// <summary>No station stops the other unit with the part in it.</summary>
    static bool Goes(StationList stations, Pack sheets, Unit unit, Instance part, Way way)
    {
        var job = new Job
        {
            Id = Word,
            Unit = unit.Id,
            Name = Word,
            Add = [part.Fitted with { Way = way.Id, At = null }],
        };
        PlannedUnit planned = Plan.For(sheets with { Jobs = [job] }, job);
        return !stations.Run(planned, PowerUp.Run(planned)).Any(f => f.Severity == Findings.Severity.Stop);
    }

    static SwapLook? Made(Pack sheets, PlannedUnit at, string look) =>
        look.Split(':') is [Word, var how, var name, var unit]
        && at.Instances.FirstOrDefault(i => i.Name == name) is { } part
        && sheets.Units.FirstOrDefault(u => u.Id == unit) is { } other
            ? how == OutWord
                ? Out(at, part, other, null)
                : In(part, other, null)
            : null;

    static SwapLook Out(PlannedUnit at, Instance part, Unit other, decimal? minutes) =>
        new(
            Asked(part, other, OutWord, $"Put {part.Title} of {at.Unit.Name} into {other.Name}, and switch on there", minutes),
            part,
            other,
            true
        );

    static SwapLook In(Instance part, Unit other, decimal? minutes) =>
        new(
            Asked(part, other, InWord, $"Put the {part.Title} of {other.Name} here in the place of this one", minutes),
            part,
            other,
            false
        );

    static Observable Asked(Instance part, Unit other, string how, string words, decimal? minutes) =>
        new($"{Word}:{how}:{part.Name}:{other.Id}", [SwapLook.Shows, SwapLook.Works])
        {
            Words = words,
            Minutes = minutes,
            State = LookState.SwitchedOn,
            Needs = "both plugs out while hands are inside; then the machine running",
        };
}
