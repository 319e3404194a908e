using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>What a build is expected to take by each school. Source: docs/handbook/build.md, Schools.</summary>
/// <param name="Careful">Tested after every change.</param>
/// <param name="Batch">Tested after each stay at one access level.</param>
/// <param name="Own">Tested where the user says; null: nothing is said.</param>
/// <param name="AllWell">The chance that nothing goes wrong.</param>
/// <param name="BreakEven">The chance of a fault a change at which careful and batch cost the same; null: one is always
/// dearer.</param>
/// <param name="Gate">What a gate costs.</param>
public sealed record Schools(
    Expectation Careful,
    Expectation Batch,
    Expectation? Own,
    decimal AllWell,
    decimal? BreakEven,
    GateCost Gate
)
{
    /// <summary>Those of an order of work.</summary>
    /// <param name="order">The work in its order.</param>
    /// <param name="model">Whose case it is.</param>
    /// <param name="own">Gates of one's own.</param>
    /// <param name="learnt">What one's own builds have taught; null: the sheets alone.</param>
    public static Schools Of(WorkOrder order, Model model, IReadOnlyList<StepId> own, Experience? learnt = null)
    {
        GateCost gate = CostOf(order, model, learnt);
        IReadOnlyList<IReadOnlyList<Risk>> risks(School school) =>
            [
                .. GateGroups
                    .Of(order.Works, school, own)
                    .Select(g => (IReadOnlyList<Risk>)[.. g.Where(IsChange).Select(w => RiskOf(w, learnt))])
                    .Where(g => g.Count > 0),
            ];
        IReadOnlyList<IReadOnlyList<Risk>> batch = risks(School.Batch);
        Risk[] all = [.. batch.SelectMany(g => g)];
        return new Schools(
            Expectation.Careful(all, gate),
            Expectation.Batch(batch, gate),
            own.Count == 0 ? null : Expectation.Batch(risks(School.Own), gate),
            Expectation.AllWell(all),
            Expectation.BreakEven(batch, gate),
            gate
        );
    }

    /// <summary>It changes the machine, so that a gate has something to say of it.</summary>
    static bool IsChange(Work work) => work.Gate is not null;

    static Risk RiskOf(Work work, Experience? learnt)
    {
        decimal minutes = learnt?.MinutesOf(work) ?? work.Minutes;
        return new Risk(minutes, learnt?.ChanceOf(work) ?? work.Chance, work.MendMinutes ?? minutes);
    }

    /// <summary>What a gate of a model costs: as its sheet says, else four minutes with the case as it is.</summary>
    static GateCost CostOf(WorkOrder order, Model model, Experience? learnt)
    {
        GateRule rule = model.Gate ?? new GateRule();
        decimal wayIn = order.Works.Max(w => (decimal?)w.Opens.Sum(l => l.Minutes)) ?? 0;
        return new GateCost
        {
            Minutes = learnt?.GateMinutes ?? rule.Minutes,
            ReopenMinutes = rule.ReopenMinutes ?? wayIn,
            NeedsClosed = rule.Case == GateCase.Closed,
        };
    }
}

/// <summary>Works with the gate behind them.</summary>
static class GateGroups
{
    /// <summary>
    /// An order cut where gates stand: behind every change, behind each stay at one access level, or where one says; what is
    /// proved alone stands alone by every school.
    /// </summary>
    public static IEnumerable<IReadOnlyList<Work>> Of(IReadOnlyList<Work> works, School school, IReadOnlyList<StepId> own)
    {
        var group = new List<Work>();
        foreach ((int i, Work work) in works.Index())
        {
            group.Add(work);
            if (work.Gate is null || !Ends(works, i, school, own))
                continue;
            yield return group;
            group = [];
        }
        if (group.Count > 0)
            yield return group;
    }

    static bool Ends(IReadOnlyList<Work> works, int at, School school, IReadOnlyList<StepId> own)
    {
        int next = at + 1;
        while (next < works.Count && works[next].Gate is null)
            next++;
        if (next == works.Count || works[at].Gate!.Alone || works[next].Gate!.Alone)
            return true;
        return school switch
        {
            School.Careful => true,
            School.Own => own.Contains(works[at].Gate!.Id),
            // The case is opened or closed on the way to the next change.
            _ => works.Take(next + 1).Skip(at + 1).Any(w => !w.Anywhere && !w.Opens.SequenceEqual(works[at].Opens)),
        };
    }
}
