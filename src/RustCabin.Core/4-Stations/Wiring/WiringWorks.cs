using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Wiring;

/// <summary>What wiring brings to a build: a step for each change, and the proof with a meter before power.</summary>
public static class WiringWorks
{
    const decimal LineMinutes = 0.5m;

    /// <summary>The work of the parts that a job adds.</summary>
    public static IEnumerable<Work> Of(BuildAsked asked)
    {
        PlacedChange[] changes = [.. PlacedChange.ToDo(asked.Before, asked.After)];
        if (changes.Length == 0)
            yield break;
        foreach (IGrouping<Instance?, PlacedChange> part in changes.GroupBy(c => c.Instance))
            yield return new Work(WorkTime.Wiring, [.. part.Select(c => StepOf(c, asked.After.Job))])
            {
                Opens = part.Key is { } instance
                    ? AccessPath.To(asked.After.Model, instance)
                    : AccessPath.Deepest(asked.After.Model),
            };
        IReadOnlyList<Probed> table = Wired.Of(asked.After).Readings;
        if (table.Count > 0)
            yield return new Work(WorkTime.Wiring, [Proof(table, changes)])
            {
                Opens = changes
                    .Select(c =>
                        c.Instance is { } on ? AccessPath.To(asked.After.Model, on) : AccessPath.Deepest(asked.After.Model)
                    )
                    .MaxBy(o => o.Count)!,
            };
    }

    static Step StepOf(PlacedChange placed, Job? job)
    {
        HabitWay[] habits = [.. Habit.At(placed.Change.Do, job)];
        return new(
            placed.Step,
            StepKind.Fit,
            placed.Words,
            [
                .. habits.SelectMany(h => h.First),
                .. placed.Change.Trap.Length > 0 ? [$"Trap: {placed.Change.Trap}"] : (string[])[],
                .. placed.Change.LeftOpen ? ["It stays in the air."] : (string[])[],
                .. habits.SelectMany(h => h.Then),
                .. habits.Select(h => h.Sign).Where(s => s.Length > 0),
            ],
            Math.Max(LineMinutes, MinutesOf(placed) + habits.Sum(h => h.Minutes))
        )
        {
            Instance = placed.Instance,
            Station = WiringStation.Here,
            Cautions = [.. CautionsOf(placed.Change.Do).Concat(placed.Change.Cautions).Distinct().Select(Caution.Of)],
        };
    }

    static Step Proof(IReadOnlyList<Probed> table, IReadOnlyList<PlacedChange> changes)
    {
        int agree = table.Count(l => l.Agrees == true),
            differ = table.Count(l => l.Agrees == false);
        return new Step(
            WiringActs.ProbeWiring,
            StepKind.Prove,
            $"Prove the wiring with a meter, {table.Count} readings",
            [
                differ > 0 ? $"{differ} of {table.Count} readings differ: no power until they agree."
                : agree < table.Count ? $"{agree} of {table.Count} readings are taken. Power off, plug out, no chip's power on."
                : "Every reading agrees.",
            ],
            LineMinutes * table.Count
        )
        {
            Station = WiringStation.Here,
            Proved = agree == table.Count,
            Needs = [.. changes.Select(c => c.Step)],
        };
    }

    static IEnumerable<string> CautionsOf(ChangeAct act) =>
        act switch
        {
            ChangeAct.Drill or ChangeAct.Trim => ["drilling"],
            ChangeAct.Insulate => [],
            ChangeAct.Cut or ChangeAct.Scrape => ["static"],
            _ => ["static", "hot", "fumes"],
        };

    /// <summary>How long a change takes: as its sheet says, else what such an act usually takes.</summary>
    public static decimal MinutesOf(PlacedChange placed) =>
        placed.Change.Minutes
        ?? placed.Change.Do switch
        {
            ChangeAct.Lift => 2 * placed.Change.Pins.Count,
            ChangeAct.Socket => 25,
            ChangeAct.Row => 1.5m * placed.Change.From.Count,
            ChangeAct.Trim or ChangeAct.Drill => 10,
            ChangeAct.Wire => 5,
            _ => 4,
        };
}
