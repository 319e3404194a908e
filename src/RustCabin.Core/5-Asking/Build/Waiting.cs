using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>A task of one pair of hands.</summary>
/// <param name="Minutes">How long the hands are at it.</param>
/// <param name="Wait">How long it then stands by itself.</param>
/// <param name="After">Tasks whose work of hands comes before it.</param>
/// <param name="Rests">Tasks that must have stood before it.</param>
public sealed record WaitTask(decimal Minutes, decimal Wait, IReadOnlyList<int> After, IReadOnlyList<int> Rests);

/// <summary>
/// Waits are filled with other work: of all orders that the needs allow, the one by which all is ready soonest; of equals the
/// one listed earliest. Source: docs/handbook/build.md, Waits.
/// </summary>
public static class Waiting
{
    /// <summary>So many beginnings of orders are looked at; beyond it the best so far stands, never longer than as
    /// listed.</summary>
    const int MostTried = 20_000;

    /// <summary>When all is ready, in minutes from the beginning.</summary>
    /// <param name="tasks">The tasks.</param>
    /// <param name="order">The order in which the hands do them.</param>
    public static decimal Elapsed(IReadOnlyList<WaitTask> tasks, IReadOnlyList<int> order)
    {
        var ready = new decimal[tasks.Count];
        decimal hands = 0;
        foreach (int i in order)
        {
            hands = tasks[i].Rests.Aggregate(hands, (start, r) => Math.Max(start, ready[r])) + tasks[i].Minutes;
            ready[i] = hands + tasks[i].Wait;
        }
        return order.Aggregate(hands, (end, i) => Math.Max(end, ready[i]));
    }

    /// <summary>The order by which all is ready soonest.</summary>
    /// <param name="tasks">The tasks, each behind those that it needs.</param>
    public static IReadOnlyList<int> Order(IReadOnlyList<WaitTask> tasks)
    {
        int[] listed = [.. Enumerable.Range(0, tasks.Count)];
        return tasks.All(t => t.Wait == 0) ? listed : new Search(tasks, listed).Run();
    }

    /// <summary>From the listed order on, each that is not sure to end later is looked at.</summary>
    sealed class Search(IReadOnlyList<WaitTask> tasks, int[] listed)
    {
        readonly decimal[] _ready = new decimal[tasks.Count];
        readonly bool[] _done = new bool[tasks.Count];
        readonly List<int> _order = [];
        int[] _best = listed;
        decimal _soonest = Elapsed(tasks, listed);
        int _tried;

        public IReadOnlyList<int> Run()
        {
            Look(0, 0);
            return _best;
        }

        void Look(decimal hands, decimal end)
        {
            if (_order.Count == tasks.Count)
            {
                (_soonest, _best) = (end, [.. _order]);
                return;
            }
            for (int i = 0; i < tasks.Count && _tried < MostTried; i++)
            {
                if (_done[i] || !tasks[i].After.All(Done) || !tasks[i].Rests.All(Done))
                    continue;
                _tried++;
                decimal done = tasks[i].Rests.Aggregate(hands, (start, r) => Math.Max(start, _ready[r])) + tasks[i].Minutes,
                    last = Math.Max(end, done + tasks[i].Wait);
                (_done[i], _ready[i]) = (true, done + tasks[i].Wait);
                _order.Add(i);
                if (AtLeast(done, last) < _soonest)
                    Look(done, last);
                _order.RemoveAt(_order.Count - 1);
                _done[i] = false;
            }
        }

        bool Done(int task) => _done[task];

        /// <summary>Not sooner than this: the hands have the rest to do, and each that stands has yet to be done.</summary>
        decimal AtLeast(decimal hands, decimal end)
        {
            decimal rest = 0,
                stands = end;
            for (int i = 0; i < tasks.Count; i++)
                if (!_done[i])
                {
                    rest += tasks[i].Minutes;
                    stands = Math.Max(stands, hands + tasks[i].Minutes + tasks[i].Wait);
                }
            return Math.Max(hands + rest, stands);
        }
    }

    /// <summary>A gate and a case that is closed rest on all that stands by then; another step on what it needs.</summary>
    public static bool RestsOnAll(Step step) => step.Kind is StepKind.Gate or StepKind.Close;

    /// <summary>
    /// The steps of works that are done one after the other at one level, waits filled. The steps of a work stay in their order
    /// but for what one of them waits for, and so do works of different times and what would lie over another.
    /// </summary>
    internal static IReadOnlyList<Step> Filled(IReadOnlyList<Work> works)
    {
        (Work Work, Step Step)[] all = [.. works.SelectMany(w => w.Steps.Select(s => (w, s)))];
        // What runs or is proved cuts the work in two; and without a wait there is nothing to fill.
        if (all.All(s => s.Step.Wait == 0) || all.Any(s => s.Step.Runs || s.Step.IsGate))
            return [.. all.Select(s => s.Step)];
        WaitTask[] tasks = [.. all.Index().Select(t => TaskOf(all, t.Index))];
        return [.. Order(tasks).Select(i => all[i].Step)];
    }

    static WaitTask TaskOf((Work Work, Step Step)[] all, int at)
    {
        (Work work, Step step) = all[at];
        int[] earlier = [.. Enumerable.Range(0, at)];
        int[] rests = [.. earlier.Where(e => step.Needs.Contains(all[e].Step.Id) || work.After.Contains(all[e].Step.Id))];
        return new WaitTask(
            step.Minutes,
            step.Wait,
            [
                .. earlier.Where(e =>
                    all[e].Work == work
                    || all[e].Work.Time != work.Time
                    || work.Covers.Intersect(all[e].Work.Touches).Any()
                    || work.Touches.Intersect(all[e].Work.Covers).Any()
                ),
            ],
            rests
        );
    }

    /// <summary>Until when a step of a job stands, in ISO 8601; null: it does not.</summary>
    public static string? UntilOf(Job? job, StepId step) => job?.Build?.Standing.FirstOrDefault(s => s.Step == step)?.Until;

    /// <summary>Steps that still stand, and that another rests on.</summary>
    public static IEnumerable<Step> Before(Step step, IEnumerable<Step> earlier, Job? job) =>
        earlier.Where(e => UntilOf(job, e.Id) is not null && (RestsOnAll(step) || step.Needs.Contains(e.Id)));

    /// <summary>How long a build takes with its waits, minutes: what of them is not filled comes on top.</summary>
    public static decimal Elapsed(IReadOnlyList<Step> steps)
    {
        var places = steps.Index().ToLookup(s => s.Item.Id, s => s.Index);
        WaitTask[] tasks =
        [
            .. steps
                .Index()
                .Select(s => new WaitTask(
                    s.Item.Minutes,
                    s.Item.Wait,
                    [],
                    RestsOnAll(s.Item)
                        ? [.. Enumerable.Range(0, s.Index).Where(i => steps[i].Wait > 0)]
                        : [.. s.Item.Needs.SelectMany(n => places[n]).Where(i => i < s.Index)]
                )),
        ];
        return Elapsed(tasks, [.. Enumerable.Range(0, steps.Count)]);
    }

    /// <summary>What is done while a step stands: the steps behind it up to the first that rests on it.</summary>
    public static IReadOnlyList<Step> Meanwhile(IReadOnlyList<Step> steps, Step standing)
    {
        decimal left = standing.Wait;
        var filled = new List<Step>();
        foreach (Step step in steps.SkipWhile(s => s.Id != standing.Id).Skip(1))
        {
            if (left <= 0 || RestsOnAll(step) || step.Needs.Contains(standing.Id))
                break;
            filled.Add(step);
            left -= step.Minutes;
        }
        return filled;
    }
}
