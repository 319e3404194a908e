using RustCabin.Core.Faults;

namespace RustCabin.Core.Tests.Faults;

/// <summary>The fewest rules against every choice of rules, tried one by one.</summary>
public sealed class TrialRulesTests
{
    static TrialsAsked Asked(Random random)
    {
        var factors = new OrderedDictionary<string, IReadOnlyList<string>>();
        for (int f = 0; f < 3; f++)
            factors[$"f{f}"] = [.. Enumerable.Range(0, 2 + random.Next(2)).Select(l => $"{l}")];
        return new TrialsAsked
        {
            Factors = factors,
            Trials =
            [
                .. Enumerable
                    .Range(0, 3 + random.Next(5))
                    .Select(_ => new Trial
                    {
                        Set = new(factors.Select(f => KeyValuePair.Create(f.Key, f.Value[random.Next(f.Value.Count)]))),
                        Works = random.Next(2) == 0,
                    }),
            ],
        };
    }

    [Fact]
    public void They_cover_every_failure_no_success_and_are_the_fewest()
    {
        var random = new Random(17);
        int several = 0;
        for (int round = 0; round < 400; round++)
        {
            TrialsAsked asked = Asked(random);
            IReadOnlyList<TrialRule> rules = TrialRules.Of(asked);
            Trial[] fails = [.. asked.Trials.Where(t => !t.Works)];
            bool holds(TrialRule rule, Trial t) => rule.Levels.All(l => l.In(t.Set));
            if (rules.Count == 0)
                continue;
            Assert.All(fails, f => Assert.Contains(rules, r => holds(r, f)));
            Assert.All(asked.Trials.Where(t => t.Works), w => Assert.DoesNotContain(rules, r => holds(r, w)));
            several += rules.Count > 1 ? 1 : 0;
            // One rule fewer does not cover it: every choice of them is tried.
            Level[] levels = [.. asked.Factors.SelectMany(f => f.Value.Select(v => new Level(f.Key, v)))];
            Level[][] all =
            [
                .. levels.Select(l => (Level[])[l]).Concat(from a in levels from b in levels select (Level[])[a, b]),
            ];
            Level[][] clean = [.. all.Where(s => !asked.Trials.Any(t => t.Works && s.All(l => l.In(t.Set))))];
            bool covers(IEnumerable<Level[]> chosen) => fails.All(f => chosen.Any(s => s.All(l => l.In(f.Set))));
            if (rules.Count == 2)
                Assert.DoesNotContain(clean, c => covers([c]));
            if (rules.Count == 3)
                Assert.DoesNotContain(from a in clean from b in clean select (Level[][])[a, b], c => covers(c));
        }
        Assert.True(several > 40, $"{several}");
    }

    [Fact]
    public void Without_a_failure_there_is_nothing_to_explain_and_the_same_set_both_ways_is_explained_by_none()
    {
        var set = new OrderedDictionary<string, string> { ["a"] = "1" };
        TrialsAsked asked(params bool[] works) =>
            new()
            {
                Factors = new() { ["a"] = ["1"] },
                Trials = [.. works.Select(w => new Trial { Set = set, Works = w })],
            };
        Assert.Empty(TrialRules.Of(asked(true)));
        Assert.Empty(TrialRules.Of(asked(true, false)));
        Assert.Equal("a 1", Assert.Single(TrialRules.Of(asked(false))).Words);
    }
}
