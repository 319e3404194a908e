using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>
/// The ordered steps of a job, one change and one test at a time: the untouched machine first, then the work that the stations
/// bring, each piece with its gate,
/// then the case closed in reverse. Source: docs/handbook/build.md, Steps.
/// </summary>
/// <param name="Steps">The steps, in order.</param>
/// <param name="Levels">The access levels of the model, outermost first.</param>
public sealed record BuildSheet(IReadOnlyList<Step> Steps, IReadOnlyList<string> Levels)
{
    /// <summary>Minutes allowed for switching on and reading the screen; learnt from the log later on.</summary>
    public const decimal GateMinutes = 4;

    /// <summary>How long all of it takes.</summary>
    public decimal Minutes => Steps.Sum(s => s.Minutes);

    /// <summary>The sheet that leads from the unit as it stands to the plan of the job.</summary>
    public static BuildSheet For(PlannedUnit before, PlannedUnit after)
    {
        var asked = new BuildAsked(before, after);
        ILookup<bool, Work> works = Trail
            .Stations.SelectMany(s => s.Works(asked))
            .OrderBy(w => w.Time)
            .ToLookup(w => w.Time == WorkTime.BeforePower);
        var steps = new List<Step>();
        int depth = 0;
        foreach (Work work in works[true])
            Add(steps, before.Model, work, ref depth);
        steps.Add(Untouched(before, depth));
        foreach (Work work in works[false])
            Add(steps, after.Model, work, ref depth);
        if (depth > 0)
            steps.Add(CloseUp(after.Model, depth));
        string[] levels = [.. after.Model.Access.Select(a => a.Id)];
        return new BuildSheet(steps, levels.Length > 0 ? levels : ["closed"]);
    }

    /// <summary>Opens the case as far as the work asks for, level by level; does it; reads what its gate asks.</summary>
    static void Add(List<Step> steps, Model model, Work work, ref int depth)
    {
        foreach (AccessLevel level in work.Opens.Skip(depth))
            steps.Add(Opening(model, level));
        depth = Math.Max(depth, work.Opens.Count);
        foreach (Step step in work.Steps)
            steps.Add(step with { Depth = depth });
        if (work.Gate is { } gate)
            steps.Add(Gate(gate, depth));
    }

    static Step Untouched(PlannedUnit before, int depth)
    {
        string so = depth == 0 ? "Nothing is opened yet." : "Only what came with the unit is in it.";
        string detail = $"{so} A fault that shows now is not the upgrade's.";
        return Gate(Acts.Untouched, "Test it untouched", detail, before, depth);
    }

    static Step Gate(GateAsked gate, int depth)
    {
        string detail =
            depth == 0
                ? "Switch on and read the screen."
                : "The case is open: nothing loose on the board, hands off, then switch on and read the screen.";
        Step step = Gate(gate.Id, $"Power up {gate.With}", detail, gate.At, depth);
        return step with { Needs = gate.Needs, Details = [.. step.Details, .. gate.Sees] };
    }

    static Step Gate(StepId id, string title, string detail, PlannedUnit at, int depth) =>
        new(id, StepKind.Gate, title, [detail], GateMinutes)
        {
            Depth = depth,
            At = at,
            Expected = PowerUp.Run(at),
        };

    static Step Opening(Model model, AccessLevel level) =>
        new(Acts.Open(level.Id), StepKind.Open, IdText.Capital(IdText.Plain(level.Id)), [.. AccessPath.Off(level)], level.Minutes)
        {
            Depth = AccessPath.DepthOf(model, level),
            Cautions = [.. level.Cautions.Select(Caution.Of)],
        };

    static Step CloseUp(Model model, int depth)
    {
        AccessLevel[] open = [.. model.Access.Where(a => AccessPath.DepthOf(model, a) is > 0 and var d && d <= depth).Reverse()];
        return new Step(Acts.Close, StepKind.Close, "Close up", [.. open.SelectMany(AccessPath.Back)], open.Sum(a => a.Minutes));
    }
}
