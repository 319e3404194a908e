using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Fit;
using RustCabin.Core.Needs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Switches;

namespace RustCabin.Core.Sets;

/// <summary>How far a search is: plans put before the checker, and sets found so far.</summary>
public sealed record SearchProgress(int Tried, int Found);

/// <summary>
/// Complete sets of parts with their settings that give every want within the limits. Candidates are all parts that are not
/// fitted. No set holds a part that it could do
/// without. Source: docs/handbook/wants.md, Build sets.
/// </summary>
public static class SetSearch
{
    /// <summary>So many sets are listed at most.</summary>
    public const int Most = 12;

    /// <summary>The sets, and what kept other parts out.</summary>
    public static BuildSets Find(SetQuestion question, Action<SearchProgress>? tell = null, CancellationToken cancel = default)
    {
        var found = new List<BuildSet>();
        int tried = 0;
        void Told(int _) => tell?.Invoke(new SearchProgress(++tried, found.Count));
        try
        {
            Seek(question, found, Most, Told, cancel);
            // What is better in another respect than all that is cheap.
            if (found.Count > 0 && found.Min(s => s.Skill) is > 1 and var skill)
                Seek(question with { Limits = question.Limits with { Skill = skill - 1 } }, found, found.Count + 1, Told, cancel);
            if (found.Count > 0 && found.All(s => !s.Reversible))
                Seek(question with { Limits = question.Limits with { Reversible = true } }, found, found.Count + 1, Told, cancel);
            if (found.Count > 0 && found.Min(s => s.Orders) is > 1 and var orders)
                Seek(question, found, found.Count + 1, Told, cancel, orders - 1);
            IReadOnlyList<Requirement> clash = found.Count > 0 ? [] : ClashOf(question, cancel);
            BuildSet[] sets =
            [
                .. found
                    .OrderBy(s => s.Cost)
                    .ThenBy(s => s.Skill)
                    .ThenBy(s => s.Watches)
                    .ThenBy(s => s.Parts.Count)
                    .ThenBy(s => s.Moves),
            ];
            return new BuildSets(sets, clash, LeftOuts.Of(question, sets, cancel), found.Count < Most);
        }
        catch (TooManyTriedException)
        {
            return new BuildSets([.. found.OrderBy(s => s.Cost)], [], [], false);
        }
    }

    static void Seek(
        SetQuestion question,
        List<BuildSet> found,
        int most,
        Action<int> told,
        CancellationToken cancel,
        int? orders = null
    )
    {
        if (ModelOf(question) is not { } asked)
            return;
        (ChoiceModel model, Candidate[] all) = asked;
        (int Index, Part Part, Way Way)[] offered =
        [
            .. all.Index().Where(c => c.Item.Optional).Select(c => (c.Index, c.Item.Instance.Part, c.Item.Instance.Way!)),
        ];
        if (orders is { } few)
            model.CapGroups(
                offered.Where(o => !question.HasInHand(o.Part)).GroupBy(o => MakerOf(o.Part)).Select(g => g.Select(o => o.Index)),
                few
            );

        // Cheapest first; among equals the fewest parts, then the least skill, then the fewest moves.
        var aim =
            model.Weighed(offered.Select(o => (o.Index, Cents(question, o.Part) * 1_000_000 + 100_000 + o.Way.Skill * 1000)))
            + model.Moves;
        HashSet<string> known = [.. found.Select(f => f.Key)];
        while (found.Count < most && model.Best(aim, told, cancel) is { } choice)
        {
            BuildSet set = SetOf(question, choice);
            if (known.Add(set.Key))
                found.Add(set);
            model.OtherParts();
        }
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
            Trail.Run(choice.Planned, PowerUp.Run(choice.Planned)).Count(f => f.Severity == Severity.Watch)
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
        var model = new ChoiceModel(question.Unit, all, question.Wants, Trail.Checker);
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
            part.Id,
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
            .. question.Unit.Instances.Select(i => new Requirement($"{i.Title} stays", Instance: i.Name)),
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
            return Clash.Of(Plan.With(question.Unit, _ => false), [], cancel);
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
