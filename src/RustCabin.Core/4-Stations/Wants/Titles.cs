using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wants;

/// <summary>
/// Whether a title runs on one plan, and what is missing. <paramref name="Runs"/> null: the sheets do not say all of it.
/// </summary>
public sealed record TitleRun(bool? Runs, IReadOnlyList<string> Missing);

/// <summary>One title against several plans of a unit: as it stands, as planned, and under each named setting.</summary>
public sealed record TitleRow(Title Title, IReadOnlyList<TitleRun> Runs);

/// <summary>Which titles run.</summary>
public static class Titles
{
    /// <summary>A row for each title that was made for the model of these plans, a cell for each plan.</summary>
    public static IReadOnlyList<TitleRow> Table(IEnumerable<Title> titles, IReadOnlyList<PlannedUnit> plans) =>
        [
            .. titles
                .Where(title => plans.All(plan => title.IsFor(plan.Model)))
                .Select(title => new TitleRow(title, [.. plans.Select(plan => Run(plan, title))])),
        ];

    /// <summary>The titles of a plan under each of its start-ups; none: its sheet names none.</summary>
    public static (IReadOnlyList<StartUp> StartUps, IReadOnlyList<TitleRow> Rows) UnderStartUps(
        PlannedUnit plan,
        IEnumerable<Title> titles
    )
    {
        StartUp[] starts = [.. plan.StartUps];
        return (starts, starts.Length == 0 ? [] : Table(titles, [.. starts.Select(s => plan with { StartUp = s })]));
    }

    /// <summary>Whether a title runs on a planned unit, and what it lacks.</summary>
    public static TitleRun Run(PlannedUnit plan, Title title)
    {
        if (!title.IsFor(plan.Model))
            return new TitleRun(false, [$"another model than the {plan.Model.Name}"]);
        IReadOnlyList<NeedAnswer> answers = NeedCheck.Of(plan, title.Needs);
        return new TitleRun(
            answers.Any(a => a.Met == false) ? false
                : answers.Any(a => a.Met is null) ? null
                : true,
            [.. answers.Where(a => a.Met != true).Select(a => a.Met == false ? a.Text : $"not known: {a.Text}")]
        );
    }
}
