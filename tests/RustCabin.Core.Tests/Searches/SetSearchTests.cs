using RustCabin.Core.Planning;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Searches;

/// <summary>Build sets by hand, and against brute force over every choice of parts, ways and switches.</summary>
public sealed class SetSearchTests
{
    const string Sites = """
        , "autoWindows": [ { "id": "w", "base": "0x8000", "size": "16K" } ], "sites": [ { "id": "slot", "kind": "slot" },
            { "id": "slot-2", "kind": "slot" }, { "id": "cpu", "kind": "socket", "mount": "soldered" } ],
          "rails": [ { "id": "+5", "volts": 5, "amps": 1, "usedAmps": 0.4 } ]
        """;

    static string Board(
        string id,
        string size,
        decimal price,
        string way = "",
        string more = "",
        string site = "slot",
        string maker = ""
    ) =>
        $$"""
            { "id": "{{id}}", "name": "{{id}}", "maker": "{{maker}}", "kind": "memory", "ways": [ { "id": "w", "model": "m",
                "occupies": [ { "site": "{{site}}", "mode": "in" } ] {{way}} } ],
              "claims": [ { "id": "k", "kind": "ram", "auto": true, "size": "{{size}}" } ], "price": {{price}} {{more}} }
            """;

    static Machine Asking(string wants, string limits, params string[] parts) =>
        new()
        {
            More = Sites,
            Parts = string.Join(',', parts),
            Job = $$""" "add": [], "wants": [{{wants}}], "limits": { {{limits}} }""",
        };

    static BuildSets Find(Machine machine, IReadOnlyDictionary<string, int>? inHand = null) =>
        SetSearch.Find(SetQuestion.Of(Trail.Stations, machine.Pack, machine.Pack.Jobs[0], inHand));

    static string Memory(string size) => $$"""{ "memory": { "master": "cpu", "atLeast": "{{size}}" } }""";

    [Fact]
    public void Cheapest_first_and_what_is_in_hand_costs_nothing()
    {
        Machine machine = Asking(Memory("8K"), "", Board("dear", "8K", 30), Board("cheap", "8K", 20), Board("small", "4K", 5));
        Assert.Equal(["cheap"], Find(machine).Sets.Select(s => s.Parts.Single().Part.Id));
        BuildSets inHand = Find(machine, new Dictionary<string, int> { ["dear"] = 1 });
        Assert.Equal(("dear", 0m), (inHand.Sets[0].Parts.Single().Part.Id, inHand.Sets[0].Cost));
    }

    [Fact]
    public void Two_small_boards_do_what_no_single_one_does_and_neither_is_idle()
    {
        BuildSets found = Find(
            Asking(
                Memory("12K"),
                "",
                Board("a", "8K", 20),
                Board("b", "4K", 5, site: "slot-2"),
                Board("idle", "4K", 1, site: "cpu")
            )
        );
        Assert.Equal(["a.w+b.w"], found.Sets.Select(s => s.Key));
        Assert.Equal(25, found.Sets[0].Cost);
        Assert.Equal("idle", found.Left.Single().Part.Id);
        Assert.Contains("soldered", found.Left.Single().Why);
    }

    [Fact]
    public void A_part_that_another_needs_comes_with_it()
    {
        BuildSets found = Find(
            Asking(
                """{ "provides": "card" }""",
                "",
                Board("card", "4K", 10, more: """, "provides": ["card"], "needs": [ { "rail": "+12" } ]"""),
                """{ "id": "supply", "name": "supply", "kind": "power", "ways": [ { "id": "w", "model": "m" } ], "supplies": [ { "rail": "+12", "amps": 1 } ], "price": 7 }"""
            )
        );
        Assert.Equal(["card.w+supply.w"], found.Sets.Select(s => s.Key));
    }

    [Fact]
    public void Limits_leave_sets_out_and_the_clash_names_the_limit_that_is_too_tight()
    {
        string[] parts =
        [
            Board("cheap", "8K", 20, ", \"skill\": 4"),
            Board("easy", "8K", 50, ", \"skill\": 1"),
            Board("for-good", "8K", 10, ", \"reversible\": false, \"skill\": 2"),
        ];
        Assert.Equal(["for-good", "cheap", "easy"], Find(Asking(Memory("8K"), "", parts)).Sets.Select(s => s.Parts[0].Part.Id));
        Assert.Equal(["easy"], Find(Asking(Memory("8K"), "\"skill\": 1", parts)).Sets.Select(s => s.Parts[0].Part.Id));
        Assert.Equal(
            ["cheap", "easy"],
            Find(Asking(Memory("8K"), "\"reversible\": true", parts)).Sets.Select(s => s.Parts[0].Part.Id)
        );
        Assert.Equal(
            ["for-good", "easy"],
            Find(Asking(Memory("8K"), "\"skill\": 2", parts)).Sets.Select(s => s.Parts[0].Part.Id)
        );
        BuildSets none = Find(Asking(Memory("8K"), "\"skill\": 1, \"budget\": 49.99", parts));
        Assert.Empty(none.Sets);
        Assert.Equal(
            ["Wanted: 8 KiB that the processor reaches", "Spend at most 49.99 EUR", "Skill at most 1"],
            none.Clash.Select(c => c.Text)
        );
        Assert.Equal(
            [
                "It wants skill 4; the limit is 1.",
                "It costs 50.00; the budget is 49.99 EUR.",
                "It wants skill 2; the limit is 1.",
            ],
            none.Left.Select(l => l.Why)
        );
    }

    [Fact]
    public void The_frontier_is_what_no_other_set_beats()
    {
        BuildSets found = Find(
            Asking(
                Memory("8K"),
                "",
                Board("cheap", "8K", 20, ", \"skill\": 4"),
                Board("easy", "8K", 50, ", \"skill\": 1"),
                Board("worse", "8K", 60, ", \"skill\": 4")
            )
        );
        Assert.Equal(["cheap", "easy"], found.Sets.Select(s => s.Parts[0].Part.Id));
        Assert.Equal(
            [
                ["cheapest"],
                ["least skill"],
            ],
            found.Sets.Select(found.BestAt)
        );
    }

    [Fact]
    public void Wants_that_are_met_already_need_no_part()
    {
        Machine machine = Asking(Memory("4K"), "", Board("a", "8K", 20)) with
        {
            Claims = """{ "id": "base", "kind": "ram", "base": "0", "size": "4K" }""",
        };
        BuildSet only = Assert.Single(Find(machine).Sets);
        Assert.Empty(only.Parts);
        Assert.Equal((0m, 0, true, 0), (only.Cost, only.Skill, only.Reversible, only.Moves));
    }

    [Fact]
    public void A_part_to_keep_is_in_every_set_and_only_stock_is_only_stock()
    {
        string[] parts = [Board("a", "8K", 20), Board("b", "8K", 30, site: "slot-2")];
        Assert.Equal(["b.w"], Find(Asking(Memory("8K"), "\"keep\": [\"b\"]", parts)).Sets.Select(s => s.Key));
        Assert.Equal(
            ["b.w"],
            Find(Asking(Memory("8K"), "\"fromStock\": true", parts), new Dictionary<string, int> { ["b"] = 2 })
                .Sets.Select(s => s.Key)
        );
        Assert.Contains(
            "Only what lies in the cupboard",
            Find(Asking(Memory("8K"), "\"fromStock\": true", parts)).Clash.Select(c => c.Text)
        );
    }

    [Fact]
    public void A_search_tells_how_far_it_is_and_ends_when_it_is_called_off()
    {
        Machine machine = Asking(Memory("8K"), "", Board("a", "8K", 20), Board("b", "8K", 30), Board("c", "8K", 40));
        using var off = new CancellationTokenSource();
        var told = new List<SearchProgress>();
        Assert.Throws<OperationCanceledException>(() =>
            SetSearch.Find(
                SetQuestion.Of(Trail.Stations, machine.Pack, machine.Pack.Jobs[0]),
                progress =>
                {
                    told.Add(progress);
                    if (told.Count == 2)
                        off.Cancel();
                },
                cancel: off.Token
            )
        );
        Assert.Equal([(1, 0), (2, 1)], told.Select(t => (t.Tried, t.Found)));
    }

    [Fact]
    public void Every_set_that_no_other_beats_is_found_and_no_other()
    {
        int some = 0,
            none = 0,
            several = 0;
        for (int seed = 0; seed < 150; seed++)
        {
            var random = new Random(seed);
            Machine machine =
                seed % 2 == 0
                    ? RandomJob.Of(seed) with
                    {
                        Job =
                            $$""" "add": [], "wants": [ { "memory": { "master": "cpu", "atLeast": "{{(seed % 8 + 4) * 4}}K" } } ]""",
                    }
                    : Asking(
                        Memory(random.Next(2) == 0 ? "8K" : "12K"),
                        "",
                        [
                            .. Enumerable
                                .Range(0, 5)
                                .Select(i =>
                                    Board($"b{i}", random.Next(2) == 0 ? "4K" : "8K", 10, site: i % 2 == 0 ? "slot" : "slot-2")
                                ),
                        ]
                    );
            SetQuestion question = SetQuestion.Of(Trail.Stations, machine.Pack, machine.Pack.Jobs[0]);
            question = question with
            {
                Parts =
                [
                    .. question.Parts.Select(p =>
                        p with
                        {
                            Price = random.Next(1, 4) * 10,
                            Maker = random.Next(2) == 0 ? "Quay" : "Mole",
                            Ways = [p.Ways[0] with { Skill = random.Next(1, 4), Reversible = random.Next(2) == 0 }],
                        }
                    ),
                ],
            };
            BuildSets found = SetSearch.Find(question);
            Assert.Equal(Unbeaten(question).Order(), found.Sets.Select(s => s.Key).Order());
            Assert.True(found.Complete);
            several += found.Sets.Count > 1 ? 1 : 0;
            foreach (BuildSet set in found.Sets)
                Assert.DoesNotContain(Trail.Stations.Stops(set.Choice.Planned), _ => true);
            if (found.Sets.Count > 0)
                some++;
            else
            {
                none++;
                Assert.NotEmpty(found.Clash);
            }
        }
        Assert.True(some > 20 && none > 5 && several > 10, $"{some} with sets, {none} without, {several} with several");
    }

    /// <summary>By brute force: of all sets that work and hold no idle part, those that no other beats.</summary>
    static IEnumerable<string> Unbeaten(SetQuestion question)
    {
        var all = Smallest(question)
            .Select(key =>
            {
                Part[] parts =
                [
                    .. key.Split('+', StringSplitOptions.RemoveEmptyEntries)
                        .Select(p => question.Parts.Single(q => q.Id == p[..p.IndexOf('.')])),
                ];
                return (
                    Key: key,
                    Cost: parts.Sum(p => p.Price),
                    Skill: parts.Select(p => p.Ways[0].Skill).DefaultIfEmpty(0).Max(),
                    Good: parts.All(p => p.Ways[0].Reversible) ? 0 : 1,
                    Orders: parts.Select(p => p.Maker).Distinct().Count()
                );
            })
            .ToList();
        return all.Where(s =>
                !all.Any(o =>
                    o.Cost <= s.Cost
                    && o.Skill <= s.Skill
                    && o.Good <= s.Good
                    && o.Orders <= s.Orders
                    && (o.Cost, o.Skill, o.Good, o.Orders) != (s.Cost, s.Skill, s.Good, s.Orders)
                )
            )
            .Select(s => s.Key);
    }

    static IEnumerable<string> Smallest(SetQuestion question)
    {
        Instance[] all =
        [
            .. question.Parts.Select(p => new Instance(
                InstanceName.Parse(p.Id),
                p,
                p.Ways[0],
                p.Switches.ToDictionary(s => s.Id, s => s.Factory),
                true,
                new FittedPart { Part = p.Id, Way = "w" }
            )),
        ];
        var works = Enumerable
            .Range(0, 1 << all.Length)
            .Where(bits =>
                BruteForce.Passing(Plan.Of(question.Unit, [.. all.Where((_, i) => (bits >> i & 1) != 0)]), question.Wants).Any()
            )
            .ToList();
        return works
            .Where(bits => !works.Any(other => other != bits && (other & bits) == other))
            .Select(bits => string.Join('+', all.Where((_, i) => (bits >> i & 1) != 0).Select(i => $"{i.Part.Id}.w")));
    }
}
