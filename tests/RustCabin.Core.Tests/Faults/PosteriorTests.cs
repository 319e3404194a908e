using RustCabin.Core.Faults;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Faults;

/// <summary>Chances against Bayes by hand, trials and repairs against every possibility, rehearsals against the best
/// line.</summary>
public sealed class PosteriorTests
{
    static (Suspect[] Causes, Observable[] At, Dictionary<string, string> Truth) Case(Random random, int causes, int checks)
    {
        Observable[] at =
        [
            .. Enumerable
                .Range(0, checks)
                .Select(o => new Observable($"o{o}", [.. Enumerable.Range(0, random.Next(2, 4)).Select(k => $"{k}")])
                {
                    Minutes = random.Next(1, 12),
                }),
        ];
        Suspect[] all =
        [
            .. Enumerable
                .Range(0, causes)
                .Select(c => new Suspect(
                    $"c{c}",
                    random.Next(1, 20),
                    at.Where(_ => random.NextDouble() < 0.85)
                        .ToDictionary(o => o.Id, o => o.Outcomes[random.Next(o.Outcomes.Count)])
                )),
        ];
        var seen = at.Where(_ => random.NextDouble() < 0.5)
            .ToDictionary(o => o.Id, o => o.Outcomes[random.Next(o.Outcomes.Count)]);
        return (all, at, seen);
    }

    [Fact]
    public void Chances_equal_bayes_and_the_next_look_the_most_bits_a_minute()
    {
        var random = new Random(3);
        for (int i = 0; i < 1000; i++)
        {
            (Suspect[] causes, Observable[] at, Dictionary<string, string> seen) = Case(
                random,
                random.Next(1, 8),
                random.Next(1, 6)
            );
            double sum = causes.Sum(c => c.Weight);
            double[] joint =
            [
                .. causes.Select(c =>
                    at.Where(o => seen.ContainsKey(o.Id))
                        .Aggregate(
                            0.98 * c.Weight / sum,
                            (p, o) =>
                                p
                                * (
                                    c.Predicts.TryGetValue(o.Id, out string? w)
                                        ? w == seen[o.Id]
                                            ? 0.98
                                            : 0.02 / (o.Outcomes.Count - 1)
                                        : 1.0 / o.Outcomes.Count
                                )
                        )
                ),
                at.Where(o => seen.ContainsKey(o.Id)).Aggregate(0.02, (p, o) => p / o.Outcomes.Count),
            ];
            var posterior = Posterior.Of(causes, at, seen);
            for (int c = 0; c < causes.Length; c++)
                Assert.Equal(joint[c] / joint.Sum(), posterior.Chances[c], 12);
            Assert.Equal(joint[^1] / joint.Sum(), posterior.Other, 12);

            double Bits(Observable o)
            {
                static double H(IEnumerable<double> p) => p.Where(x => x > 0).Sum(x => -x * Math.Log2(x));
                double left = 0;
                foreach (string outcome in o.Outcomes)
                {
                    var then = new Dictionary<string, string>(seen) { [o.Id] = outcome };
                    double chance =
                        causes.Zip(posterior.Chances, (c, p) => p * Posterior.Likelihood(c, o, outcome)).Sum()
                        + posterior.Other / o.Outcomes.Count;
                    var after = Posterior.Of(causes, at, then);
                    left += chance * H([.. after.Chances, after.Other]);
                }
                return H([.. posterior.Chances, posterior.Other]) - left;
            }
            var open = at.Where(o => !seen.ContainsKey(o.Id)).Select(o => (o, Bits: Bits(o))).Where(b => b.Bits > 1e-9).ToList();
            NextLook? next = posterior.Next(causes, at, seen);
            Assert.Equal(open.Count > 0, next is not null);
            if (next is null)
                continue;
            Assert.Equal(Bits(next.What), next.Bits, 9);
            double best = open.Max(b => b.Bits / (double)b.o.Minutes!);
            Assert.Equal(best, next.Bits / (double)next.What.Minutes!, 9);
        }
    }

    [Fact]
    public void The_advice_needs_little_more_than_the_best_search_there_is()
    {
        var random = new Random(17);
        double greedy = 0,
            best = 0;
        for (int i = 0; i < 300; i++)
        {
            (Suspect[] causes, Observable[] at, _) = Case(random, random.Next(2, 7), random.Next(1, 6));
            // What a cause does not name shows its first outcome, so that each look has one answer.
            string Answer(Suspect c, Observable o) => c.Predicts.GetValueOrDefault(o.Id, o.Outcomes[0]);
            causes = [.. causes.Select(c => c with { Predicts = at.ToDictionary(o => o.Id, o => Answer(c, o)) })];
            double sum = causes.Sum(c => c.Weight);
            foreach (Suspect truth in causes)
            {
                var seen = new Dictionary<string, string>();
                double minutes = 0;
                while (true)
                {
                    Suspect[] left = [.. causes.Where(c => seen.All(s => c.Predicts[s.Key] == s.Value))];
                    if (at.All(o => left.Select(c => c.Predicts[o.Id]).Distinct().Count() < 2))
                        break;
                    NextLook next = Posterior.Of(causes, at, seen).Next(causes, at, seen)!;
                    seen[next.What.Id] = truth.Predicts[next.What.Id];
                    minutes += (double)next.What.Minutes!;
                }
                Assert.Contains(truth, causes.Where(c => seen.All(s => c.Predicts[s.Key] == s.Value)));
                greedy += truth.Weight / sum * minutes;
            }
            double Least(Suspect[] left)
            {
                double least = double.MaxValue;
                foreach (Observable o in at)
                {
                    var parts = left.GroupBy(c => c.Predicts[o.Id]).ToList();
                    if (parts.Count > 1)
                        least = Math.Min(
                            least,
                            (double)o.Minutes! * left.Sum(c => c.Weight) / sum + parts.Sum(p => Least([.. p]))
                        );
                }
                return least == double.MaxValue ? 0 : least;
            }
            best += Least(causes);
        }
        Assert.True(greedy <= 1.3 * best, $"{greedy / best:0.000} times the best");
    }

    [Fact]
    public void A_thousand_rehearsals_end_with_the_fault_or_what_no_look_parts_from_it()
    {
        int rounds = 0,
            named = 0,
            decided = 0;
        var machines = Demo.Jobs.Select(j => (j.Job.Id, At: Core.Planning.Plan.For(j.Pack, j.Job))).ToList();
        for (int seed = 0; rounds < 1000; seed++)
        {
            var difficulty = (Difficulty)(seed % 5);
            if (difficulty == Difficulty.Pair)
                continue;
            (string id, Core.Planning.PlannedUnit at) = machines[seed % machines.Count];
            if (Rehearsal.Of(Trail.Stations, at, new Round(id, difficulty, seed)) is not { } round)
                continue;
            rounds++;
            var line = round.BestLine();
            var seen = round.SeenAfter(line.Select(a => a.What.Id));
            Diagnosis end = round.After(seen);
            bool first = round.IsIt(end.Causes[0].Cause.Id);
            // Else nothing that is allowed is left that would part them, and nothing that was seen speaks against it.
            Assert.True(
                first || (end.Next is null && end.Causes.First(c => round.IsIt(c.Cause.Id)).Fits),
                $"{new Round(id, difficulty, seed).Code}: {round.Hidden[0].Id}, said {end.Causes[0].Cause.Id} "
                    + $"{end.Causes[0].Chance:0.000}, next {end.Next?.What.Id}"
            );
            // Where its own look is dangerous, or wants a dead machine to run, nobody can name it for sure.
            Hypothesis hidden = round.Hidden[0];
            if (!hidden.Look!.IsSafe || (hidden.Shows.Starts == false && hidden.Look.State == LookState.Running))
                continue;
            decided++;
            named += first ? 1 : 0;
        }
        Assert.True(decided > 600 && named > 0.95 * decided, $"{named} of {decided} were named");
    }

    [Fact]
    public void A_round_has_a_code_that_leads_back_to_it()
    {
        var random = new Random(5);
        for (int i = 0; i < 500; i++)
        {
            var round = new Round($"job-{i}", (Difficulty)random.Next(5), random.Next());
            Assert.Equal(round, Round.Parse(round.Code));
        }
        foreach (string? odd in (string?[])[null, "", "x", "x.", "x.l", "x.z1", "x.lu", "x.l99999999999", ".l1"])
            Assert.Null(Round.Parse(odd));
    }

    [Fact]
    public void Trials_equal_every_explanation_tried()
    {
        var random = new Random(23);
        for (int i = 0; i < 500; i++)
        {
            var asked = new TrialsAsked
            {
                Factors = new(
                    Enumerable
                        .Range(0, random.Next(1, 4))
                        .Select(f =>
                            KeyValuePair.Create(
                                $"f{f}",
                                (IReadOnlyList<string>)[.. Enumerable.Range(0, random.Next(1, 4)).Select(l => $"{l}")]
                            )
                        )
                ),
            };
            OrderedDictionary<string, string> Any() =>
                new(asked.Factors.Select(f => KeyValuePair.Create(f.Key, f.Value[random.Next(f.Value.Count)])));
            asked = asked with
            {
                Trials =
                [
                    .. Enumerable.Range(0, random.Next(0, 6)).Select(_ => new Trial { Set = Any(), Works = random.Next(2) == 0 }),
                ],
            };
            var fails = asked.Trials.Where(t => !t.Works).ToList();
            var works = asked.Trials.Where(t => t.Works).ToList();
            Level[] all = [.. asked.Factors.SelectMany(f => f.Value.Select(l => new Level(f.Key, l)))];
            Level[] singles =
                fails.Count == 0 ? [] : [.. all.Where(l => fails.All(t => l.In(t.Set)) && !works.Any(t => l.In(t.Set)))];
            (Level, Level)[] pairs =
                fails.Count == 0 || singles.Length > 0
                    ? []
                    :
                    [
                        .. from a in all.Index()
                        from b in all.Skip(a.Index + 1)
                        where a.Item.Factor != b.Factor
                        where fails.All(t => a.Item.In(t.Set) && b.In(t.Set)) && !works.Any(t => a.Item.In(t.Set) && b.In(t.Set))
                        select (a.Item, b),
                    ];
            var read = TrialReading.Of(asked);
            Assert.Equal(singles, read.Singles);
            Assert.Equal(pairs, read.Pairs);
            int count = singles.Length + pairs.Length;
            // Every combination, the last factor moving fastest.
            IEnumerable<Dictionary<string, string>> sets = [new()];
            foreach ((string factor, IReadOnlyList<string> levels) in asked.Factors)
                sets = [.. sets.SelectMany(s => levels.Select(l => new Dictionary<string, string>(s) { [factor] = l }))];
            var next =
                count < 2
                    ? null
                    : sets.Where(s => !asked.Trials.Any(t => t.Set.All(x => s[x.Key] == x.Value)))
                        .OrderBy(s =>
                            Math.Abs(2 * (singles.Count(l => l.In(s)) + pairs.Count(p => p.Item1.In(s) && p.Item2.In(s))) - count)
                        )
                        .FirstOrDefault();
            Assert.Equal(next, read.Next?.ToDictionary());
        }
    }

    [Fact]
    public void Whatever_stands_behind_a_thousand_sound_trials_is_told_too()
    {
        string sound = string.Join(',', Enumerable.Repeat("""{ "set": { "f": "1" }, "works": true }""", 1200));
        using var json = System.Text.Json.JsonDocument.Parse(
            $$"""{ "factors": { "f": ["1"] }, "trials": [{{sound}}, { "set": {}, "works": false }] }"""
        );
        var error = Assert.Single(Core.Declared.Declaration<TrialsAsked>.Read(json.RootElement).Errors);
        Assert.Equal("trials[1200].set.f", error.Path);
    }

    [Fact]
    public void Wires_of_a_repair_are_the_shortest_that_join_all()
    {
        var random = new Random(29);
        for (int i = 0; i < 400; i++)
        {
            RepairLeg[] legs =
            [
                .. Enumerable
                    .Range(0, random.Next(2, 7))
                    .Select(l => new RepairLeg
                    {
                        Place = $"U{l}.5",
                        Net = "a2",
                        XMm = random.Next(50),
                        YMm = random.Next(50),
                    }),
                new RepairLeg { Place = "U1.6", Net = "other" },
            ];
            string[] broken = [.. legs.SkipLast(1).Where(_ => random.Next(2) == 0).Select(l => l.Place)];
            if (broken.Length == 0)
                continue;
            string[][] joined =
                random.Next(2) == 0
                    ? []
                    :
                    [
                        [legs[0].Place, legs[1].Place],
                    ];
            var repair = Repair.Of(
                new RepairAsked
                {
                    Legs = legs,
                    Broken = broken,
                    Joined = joined,
                }
            );
            // Every spanning tree over the groups, by brute force over sets of edges.
            int[] group = [.. Enumerable.Range(0, legs.Length - 1)];
            void Join(int[] g, int a, int b)
            {
                int from = g[a];
                for (int k = 0; k < g.Length; k++)
                    if (g[k] == from)
                        g[k] = g[b];
            }
            int[] whole = [.. Enumerable.Range(0, legs.Length - 1).Where(l => !broken.Contains(legs[l].Place))];
            foreach (int place in whole)
                Join(group, whole[0], place);
            if (joined.Length > 0)
                Join(group, 0, 1);
            double Best(int[] g)
            {
                if (g.Distinct().Count() == 1)
                    return 0;
                double best = double.MaxValue;
                // The first group must be joined to some other.
                for (int a = 0; a < g.Length; a++)
                for (int b = 0; b < g.Length; b++)
                    if (g[a] == g[0] && g[b] != g[0])
                    {
                        int[] then = [.. g];
                        Join(then, a, b);
                        double mm = Math.Sqrt(
                            Math.Pow((double)(legs[a].XMm - legs[b].XMm)!, 2) + Math.Pow((double)(legs[a].YMm - legs[b].YMm)!, 2)
                        );
                        best = Math.Min(best, mm + Best(then));
                    }
                return best;
            }
            if (legs.Length <= 6)
                Assert.Equal(Best(group), repair.Wires.Sum(w => w.Mm!.Value), 6);
            Assert.Equal(group.Distinct().Count() - 1, repair.Wires.Count);
        }
    }

    [Fact]
    public void A_fault_that_comes_and_goes_is_told_from_the_count()
    {
        // Three of ten: from a tenth to half of a hundred, by Beta(3.5, 7.5).
        Assert.InRange(Intermittent.Quantile(3, 10, 0.05), 0.10, 0.13);
        Assert.InRange(Intermittent.Quantile(3, 10, 0.95), 0.53, 0.57);
        Assert.Equal(0.04, Intermittent.Missed(0.3, 9), 2);
    }
}
