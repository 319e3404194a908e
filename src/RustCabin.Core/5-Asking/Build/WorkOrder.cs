using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>
/// The work between the untouched machine and what comes last, in its order: the needs first, then the fewest changes of
/// access, then what is easier before something lies over it, then the order of the stations. Source: docs/handbook/build.md,
/// Order.
/// </summary>
/// <param name="Works">The works, in order.</param>
/// <param name="Ordering">How the order was found; null: there were too many, and they stand as the stations brought
/// them.</param>
public sealed record WorkOrder(IReadOnlyList<Work> Works, Ordering? Ordering)
{
    /// <summary>Puts works in order.</summary>
    /// <param name="works">The works, by time, within that by station.</param>
    /// <param name="model">Whose case it is.</param>
    public static WorkOrder Of(IReadOnlyList<Work> works, Model model)
    {
        Work[] listed = [.. Uncovered(works)];
        if (listed.Length is 0 or > OrderAsked.Most)
            return new WorkOrder(works, null);
        var stepsOf = listed.Index().SelectMany(w => w.Item.Steps.Select(s => (s.Id, w.Index))).ToLookup(s => s.Id, s => s.Index);
        var needs = new bool[listed.Length, listed.Length];
        foreach ((int i, Work work) in listed.Index())
        foreach (StepId id in work.Steps.SelectMany(s => s.Needs).Concat(work.After))
        foreach (int before in stepsOf[id])
            Wait(needs, i, before);
        // What comes at an earlier time comes earlier, unless a need says the contrary.
        foreach ((int i, Work work) in listed.Index())
        foreach ((int before, Work earlier) in listed.Index())
            if (Earlier(earlier, work))
                Wait(needs, i, before);
        string[] levels = [.. listed.Select((_, i) => LevelOf(listed, i))];
        var asked = new OrderAsked
        {
            Levels = LevelsOf(model, levels),
            Steps =
            [
                .. listed
                    .Index()
                    .Select(w => new OrderStep
                    {
                        Id = $"{w.Index}",
                        Level = levels[w.Index],
                        After = [.. Enumerable.Range(0, listed.Length).Where(b => needs[w.Index, b]).Select(b => $"{b}")],
                    }),
            ],
        };
        var ordering = Ordering.Of(asked, AtMost);
        return new WorkOrder([.. ordering.Order.Select(i => listed[i])], ordering);
    }

    /// <summary>A page waits no longer for the proof.</summary>
    static readonly TimeSpan AtMost = TimeSpan.FromSeconds(2);

    /// <summary>True if one comes before the other for what kind of work it is.</summary>
    static bool Earlier(Work one, Work other)
    {
        // A socket that something still sits in is freed first.
        if (other.Time == WorkTime.Firmware && one.Time == WorkTime.Out)
            return one.Touches.Intersect(other.Touches).Any();
        if (one.Time == WorkTime.Firmware && other.Time == WorkTime.Out)
            return !one.Touches.Intersect(other.Touches).Any();
        return one.Time < other.Time;
    }

    /// <summary>
    /// A work waits for another, and for all that the other waits for; where sheets have two wait for each other, the first
    /// that was said holds.
    /// </summary>
    static void Wait(bool[,] needs, int work, int before)
    {
        if (work == before || needs[before, work])
            return;
        int n = needs.GetLength(0);
        for (int a = 0; a < n; a++)
            if (a == work || needs[a, work])
                for (int b = 0; b < n; b++)
                    needs[a, b] |= b == before || needs[before, b];
    }

    /// <summary>The works with each before what will lie over it, as far as they do not wait for one another in a
    /// circle.</summary>
    static IEnumerable<Work> Uncovered(IReadOnlyList<Work> works)
    {
        var left = works.ToList();
        while (left.Count > 0)
        {
            Work next =
                left.FirstOrDefault(w => !left.Any(o => o != w && w.Covers.Intersect(o.Touches).Any() && o.Time == w.Time))
                ?? left[0];
            left.Remove(next);
            yield return next;
        }
    }

    /// <summary>Its level; what can be done anywhere is done where its neighbours are.</summary>
    static string LevelOf(Work[] works, int at)
    {
        Work work = works[at];
        if (!work.Anywhere)
            return work.Opens.LastOrDefault()?.Id ?? "";
        IEnumerable<Work> near = works
            .Skip(at + 1)
            .TakeWhile(w => w.Time == work.Time)
            .Concat(works.Take(at).Reverse())
            .Concat(works.Skip(at + 1));
        return near.FirstOrDefault(w => !w.Anywhere)?.Opens.LastOrDefault()?.Id ?? "";
    }

    /// <summary>The levels that are needed, as a tree below the closed case, which has no name here.</summary>
    static IReadOnlyList<OrderLevel> LevelsOf(Model model, IEnumerable<string> used)
    {
        HashSet<string> all = [.. used.SelectMany(l => AccessPath.Path(model, l)).Select(l => l.Id)];
        return
        [
            new OrderLevel(),
            .. model
                .Access.Where(a => all.Contains(a.Id))
                .DistinctBy(a => a.Id)
                .Select(a => new OrderLevel
                {
                    Id = a.Id,
                    From = a.From is { } from && all.Contains(from) ? from : "",
                    Minutes = a.Minutes,
                }),
        ];
    }
}
