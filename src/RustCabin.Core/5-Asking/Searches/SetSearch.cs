using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Fit;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Searches;

/// <summary>How far a search is: plans put before the checker, and sets found so far.</summary>
public sealed record SearchProgress(int Tried, int Found);

/// <summary>
/// Complete sets of parts with their settings that give every want within the limits. Candidates are all parts that are not
/// fitted. No set holds a part that it could do without. Source: docs/handbook/wants.md, Build sets.
/// </summary>
public static class SetSearch
{
    /// <summary>So many sets of one cost are looked at for each bound; more are told as not complete.</summary>
    const int MostAlike = 24;

    /// <summary>What sets are held under, on the way round the frontier: skill, whether it can be undone, and orders.</summary>
    sealed record Bound(int? Skill, bool Reversible, int? Orders);

    /// <summary>
    /// Every set that no other beats in cost, skill, undo and orders, and what kept other parts out. The cheapest set under a
    /// bound can only be beaten in another respect by one that is held under a tighter bound, so each cheapest set asks again
    /// with less skill, with undo, and with fewer orders, until nothing is left.
    /// </summary>
    public static BuildSets Find(
        SetQuestion question,
        Action<SearchProgress>? tell = null,
        TimeSpan? within = null,
        CancellationToken cancel = default
    )
    {
        using var patience = new Patience(within, cancel);
        cancel = patience.Token;
        var found = new Dictionary<string, BuildSet>();
        int tried = 0;
        bool complete = true;
        void Told(int _) => tell?.Invoke(new SearchProgress(++tried, found.Count));
        try
        {
            var seen = new HashSet<Bound>();
            var open = new Queue<Bound>([new Bound(null, false, null)]);
            while (open.TryDequeue(out Bound? bound))
            {
                if (!seen.Add(bound))
                    continue;
                (List<BuildSet> cheapest, bool all) = Cheapest(question, bound, found, Told, cancel);
                complete &= all;
                if (cheapest.Count == 0)
                    continue;
                BuildSet best = Ordered(cheapest).First();
                if (best.Skill > 1)
                    open.Enqueue(bound with { Skill = best.Skill - 1 });
                if (!best.Reversible)
                    open.Enqueue(bound with { Reversible = true });
                if (best.Orders > 1)
                    open.Enqueue(bound with { Orders = best.Orders - 1 });
            }
            IReadOnlyList<Requirement> clash = found.Count > 0 ? [] : ClashOf(question, cancel);
            BuildSet[] sets = Frontier(found.Values);
            return new BuildSets(sets, clash, LeftOuts.Of(question, sets, cancel), complete);
        }
        catch (TooManyTriedException)
        {
            return new BuildSets(Frontier(found.Values), [], [], false);
        }
        catch (Exception over) when (over is OutOfTimeException || (over is OperationCanceledException && patience.IsOver))
        {
            return new BuildSets(Frontier(found.Values), [], [], false) { Decided = false };
        }
    }

    static BuildSet[] Frontier(IReadOnlyCollection<BuildSet> found) => [.. Ordered(found.Where(s => !found.Any(s.IsBeatenBy)))];

    /// <summary>Cheapest first; at equal cost what can be undone, then the least skill.</summary>
    static IEnumerable<BuildSet> Ordered(IEnumerable<BuildSet> sets) =>
        sets.OrderBy(s => s.Cost)
            .ThenByDescending(s => s.Reversible)
            .ThenBy(s => s.Skill)
            .ThenBy(s => s.Orders)
            .ThenBy(s => s.Watches)
            .ThenBy(s => s.Parts.Count)
            .ThenBy(s => s.Moves);

    /// <summary>All sets of the least cost under a bound, kept in <paramref name="known"/> as they are found; false: there are
    /// more of them than are looked at.</summary>
    static (List<BuildSet> Sets, bool All) Cheapest(
        SetQuestion question,
        Bound bound,
        Dictionary<string, BuildSet> known,
        Action<int> told,
        CancellationToken cancel
    )
    {
        SetQuestion under = question with
        {
            Limits = question.Limits with
            {
                Skill = Math.Min(bound.Skill ?? int.MaxValue, question.Limits.Skill ?? int.MaxValue)
                    is < int.MaxValue
                        and var skill
                    ? skill
                    : null,
                Reversible = question.Limits.Reversible || bound.Reversible,
            },
        };
        var found = new List<BuildSet>();
        if (ModelOf(under) is not { } asked)
            return (found, true);
        (ChoiceModel model, Candidate[] all) = asked;
        (int Index, Part Part, Way Way)[] offered =
        [
            .. all.Index().Where(c => c.Item.Optional).Select(c => (c.Index, c.Item.Instance.Part, c.Item.Instance.Way!)),
        ];
        if (bound.Orders is { } few)
            model.CapGroups(
                offered.Where(o => !question.HasInHand(o.Part)).GroupBy(o => MakerOf(o.Part)).Select(g => g.Select(o => o.Index)),
                few
            );

        // Cheapest first; among equals the fewest parts, then the least skill, then the fewest moves.
        var aim =
            model.Weighed(offered.Select(o => (o.Index, Cents(question, o.Part) * 1_000_000 + 100_000 + o.Way.Skill * 1000)))
            + model.Moves;
        while (model.Best(aim, told, cancel) is { } choice)
        {
            BuildSet set = SetOf(question, choice);
            if (found.Count > 0 && set.Cost > found[0].Cost)
                return (found, true);
            if (found.Count == MostAlike)
                return (found, false);
            found.Add(set);
            known.TryAdd(set.Key, set);
            model.OtherParts();
        }
        return (found, true);
    }

    static BuildSet SetOf(SetQuestion question, Choice choice)
    {
        (Part Part, Way Way)[] parts = [.. choice.Planned.Instances.Where(i => i.Added).Select(i => (i.Part, i.Way!))];
        Part[] bought = [.. parts.Select(p => p.Part).Where(p => !question.HasInHand(p))];
        return new BuildSet(
            choice,
            parts,
            bought.Sum(p => p.Price),
            parts.Select(p => p.Way.Skill).DefaultIfEmpty(0).Max(),
            parts.All(p => p.Way.Reversible),
            bought.Select(MakerOf).Distinct().Count(),
            question.Stations.Run(choice.Planned, PowerUp.Run(choice.Planned)).Count(f => f.Severity == Severity.Watch)
        );
    }

    static string MakerOf(Part part) => part.Maker.Length > 0 ? part.Maker : part.Id;

    static long Cents(SetQuestion question, Part part) => question.HasInHand(part) ? 0 : (long)Math.Round(part.Price * 100);

    /// <summary>The model of a question, or null where a part that must be there cannot be.</summary>
    static (ChoiceModel Model, Candidate[] All)? ModelOf(SetQuestion question)
    {
        JobLimits limits = question.Limits;
        Candidate[] all =
        [
            .. question.Unit.Instances.Select(i => new Candidate(i, Optional: false)),
            .. from part in question.Parts
            where question.Unit.Instances.All(i => i.Part.Id != part.Id) && (!limits.FromStock || question.HasInHand(part))
            from way in FitMatrix.WaysInto(question.Unit.Model, part, question.Unit.Revision.Id)
            where (limits.Skill is not { } skill || way.Skill <= skill) && (!limits.Reversible || way.Reversible)
            select new Candidate(NewInstance(part, way), Optional: true),
        ];
        var model = new ChoiceModel(question.Unit, all, question.Wants, question.Stations.Checker);
        if (limits.Budget is { } budget)
            model.Cap(
                all.Index().Where(c => c.Item.Optional).Select(c => (c.Index, Cents(question, c.Item.Instance.Part))),
                (long)Math.Floor(budget * 100)
            );
        foreach (string keep in limits.Keep.Where(k => question.Unit.Instances.All(i => i.Part.Id != k)))
        {
            int[] ways = [.. all.Index().Where(c => c.Item.Instance.Part.Id == keep).Select(c => c.Index)];
            if (ways.Length == 0)
                return null;
            model.OneOf(ways);
        }
        return (model, all);
    }

    /// <summary>A part as it comes, its switches at factory.</summary>
    internal static Instance NewInstance(Part part, Way way) =>
        new(
            InstanceName.First(part.Id),
            part,
            way,
            part.Switches.ToDictionary(s => s.Id, s => s.Factory),
            Added: true,
            new FittedPart { Part = part.Id, Way = way.Id }
        );

    static bool CanBe(SetQuestion question, CancellationToken cancel) =>
        ModelOf(question) is { } asked && asked.Model.Best(asked.Model.Moves, cancel: cancel) is not null;

    static IReadOnlyList<Requirement> ClashOf(SetQuestion question, CancellationToken cancel)
    {
        JobLimits limits = question.Limits;
        Requirement budget = new($"Spend at most {limits.Budget:0.00} {question.Unit.Currency}"),
            skill = new($"Skill at most {limits.Skill}"),
            undone = new("All can be undone"),
            stock = new("Only what lies in the cupboard");
        Dictionary<Requirement, string> kept = limits.Keep.ToDictionary(k => new Requirement(
            $"{question.Parts.FirstOrDefault(p => p.Id == k)?.Name ?? k} must be in it"
        ));
        Requirement[] all =
        [
            .. question.Wants.Select(w => new Requirement($"Wanted: {NeedCheck.Words(w, question.Unit)}", Want: w)),
            .. kept.Keys,
            .. limits.FromStock ? [stock] : (Requirement[])[],
            .. limits.Budget is null ? [] : (Requirement[])[budget],
            .. limits.Skill is null ? [] : (Requirement[])[skill],
            .. limits.Reversible ? [undone] : (Requirement[])[],
            .. question.Unit.Parts.Select(i => new Requirement($"{i.Title} stays", Instance: i.Name)),
        ];
        SetQuestion With(IReadOnlyCollection<Requirement> some) =>
            question with
            {
                Unit = Plan.With(question.Unit, i => some.Any(r => r.Instance == i.Name)),
                Wants = [.. some.Select(r => r.Want).OfType<Need>()],
                Limits = new JobLimits
                {
                    Budget = some.Contains(budget) ? limits.Budget : null,
                    Skill = some.Contains(skill) ? limits.Skill : null,
                    Reversible = some.Contains(undone),
                    FromStock = some.Contains(stock),
                    Keep = [.. some.Where(kept.ContainsKey).Select(r => kept[r])],
                },
                // What is taken off for the sake of the question is no candidate.
                Parts = [.. question.Parts.Where(p => question.Unit.Instances.All(i => i.Part.Id != p.Id))],
            };
        if (!CanBe(With([]), cancel))
            return Clash.Of(question.Stations, Plan.With(question.Unit, _ => false), [], cancel);
        return Smallest.Clash(
            all,
            some => CanBe(With(some), cancel),
            one =>
                one.Instance is { } name
                    ? Clash.WithDependents(question.Unit, name).SelectMany(n => all.Where(a => a.Instance == n))
                    : []
        );
    }
}
