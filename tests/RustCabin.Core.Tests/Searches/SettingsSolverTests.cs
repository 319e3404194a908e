using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Tests.Searches;

/// <summary>
/// Settings against the checker, against brute force, and the clash when there is none. Source: docs/handbook/memory.md, Switches
/// and settings.
/// </summary>
public sealed class SettingsSolverTests
{
    static string TwoBases(string id, string a, string b) =>
        Machine.Part(
            id,
            $$"""
            , "switches": [ { "id": "J", "positions": ["low", "high"], "factory": "low" }, { "id": "K", "positions": ["red",
                "green"] } ],
              "claims": [ { "id": "a", "kind": "io", "base": "{{a}}", "size": "256", "when": { "J": "low" } }, { "id": "b",
                  "kind": "io", "base": "{{b}}", "size": "256", "when": { "J": "high" } } ]
            """,
            site: id
        );

    static Machine Cards(params string[] parts) =>
        new()
        {
            More =
                $", \"sites\": [{string.Join(',', Enumerable.Range(0, 9).Select(i => $$"""{ "id": "c{{i}}", "kind": "slot" }"""))}]",
            Parts = string.Join(',', parts),
            Job = Machine.Add([.. parts.Select((_, i) => $"c{i}")]),
        };

    [Fact]
    public void Of_two_cards_at_one_base_one_moves_and_a_switch_that_does_nothing_stays()
    {
        Settings found = SettingsSolver.Solve(
            Trail.Stations,
            Cards(TwoBases("c0", "0x8000", "0x8100"), TwoBases("c1", "0x8000", "0x8100")).Planned
        );
        Assert.Equal([1, 1], found.Solutions.Select(s => s.Moves));
        Assert.All(found.Solutions, s => Assert.NotEqual(s.Switches["c0"]["J"], s.Switches["c1"]["J"]));
        Assert.All(found.Solutions, s => Assert.Equal("red", s.Switches["c0"]["K"]));
        Assert.True(found.Complete);
        Assert.Empty(found.Clash);
    }

    [Fact]
    public void Three_cards_for_two_bases_clash_and_every_one_of_them_is_needed_for_it()
    {
        Machine machine = Cards(
            TwoBases("c0", "0x8000", "0x8100"),
            TwoBases("c1", "0x8000", "0x8100"),
            TwoBases("c2", "0x8000", "0x8100"),
            TwoBases("c3", "0x9000", "0x9100")
        );
        Settings found = SettingsSolver.Solve(Trail.Stations, machine.Planned);
        Assert.Empty(found.Solutions);
        Assert.Equal(["c0", "c1", "c2"], found.Clash.Select(c => $"{c.Instance}"));
        Assert.Contains(
            "can only sit at 0x8000 to 0x80ff or 0x8100 to 0x81ff".Replace(" to ", "\u2013"),
            found.Clash[0].Text.Replace("-", "\u2013").Replace(" to ", "\u2013")
        );
    }

    [Fact]
    public void A_want_moves_the_switch_that_gives_it_and_what_nothing_gives_is_the_clash()
    {
        string card = Machine.Part(
            "c0",
            """
            , "switches": [ { "id": "W", "positions": ["one", "two", "four"] } ],
              "claims": [ { "id": "k1", "kind": "ram", "base": "0", "size": "1K", "when": { "W": "one" } }, { "id": "k2",
                  "kind": "ram", "base": "0", "size": "2K", "when": { "W": "two" } }, { "id": "k4", "kind": "ram", "base": "0",
                  "size": "4K", "when": { "W": "four" } } ]
            """,
            site: "c0"
        );
        Machine Wanting(string size) =>
            Cards(card) with
            {
                Job = $$"""{{Machine.Add("c0")}}, "wants": [ { "memory": { "master": "cpu", "atLeast": "{{size}}" } } ]""",
            };
        Assert.Equal(
            ["two", "four"],
            SettingsSolver.Solve(Trail.Stations, Wanting("2K").Planned).Solutions.Select(s => s.Switches["c0"]["W"])
        );
        Settings none = SettingsSolver.Solve(Trail.Stations, Wanting("4097").Planned);
        Assert.Empty(none.Solutions);
        Assert.Equal("Wanted: 4,097 bytes that the processor reaches", Assert.Single(none.Clash).Text);
    }

    [Fact]
    public void Moves_are_counted_from_where_a_fitted_part_stands_and_from_factory_for_a_new_one()
    {
        Machine machine = Cards(TwoBases("c0", "0x8000", "0x8100"), TwoBases("c1", "0x8000", "0x8100")) with
        {
            Fitted = """{ "part": "c0", "way": "w", "switches": { "J": "high" } }""",
            Job = """ "add": [ { "part": "c1", "way": "w", "switches": { "J": "high" } } ]""",
        };
        Choice best = SettingsSolver.Solve(Trail.Stations, machine.Planned).Solutions[0];
        Assert.Equal(("high", "low", 0), (best.Switches["c0"]["J"], best.Switches["c1"]["J"], best.Moves));
    }

    [Fact]
    public void What_is_wrong_with_the_unit_itself_is_the_clash()
    {
        Machine machine = new()
        {
            Claims =
                """{ "id": "a", "kind": "ram", "base": "0", "size": "1K" }, { "id": "b", "kind": "ram", "base": "0", "size": "1K" }""",
        };
        Assert.StartsWith("The unit itself: ", Assert.Single(SettingsSolver.Solve(Trail.Stations, machine.Planned).Clash).Text);
    }

    [Fact]
    public void A_search_that_is_called_off_stops()
    {
        using var off = new CancellationTokenSource();
        off.Cancel();
        Assert.Throws<OperationCanceledException>(() =>
            SettingsSolver.Solve(Trail.Stations, Cards(TwoBases("c0", "0x8000", "0x8100")).Planned, cancel: off.Token)
        );
    }

    [Fact]
    public void A_thousand_random_jobs_agree_with_the_checker_and_small_ones_with_brute_force()
    {
        int solved = 0,
            clashed = 0,
            small = 0;
        for (int seed = 0; seed < 1000; seed++)
        {
            PlannedUnit job = RandomJob.Of(seed).Planned;
            Settings found = SettingsSolver.Solve(Trail.Stations, job, most: 200);
            foreach (Choice choice in found.Solutions)
            {
                Assert.DoesNotContain(
                    Trail.Stations.Run(choice.Planned, PowerUp.Run(choice.Planned)),
                    f => f.Severity == Severity.Stop
                );
                Assert.All(NeedCheck.Of(choice.Planned, job.Job!.Wants), a => Assert.True(a.Met));
            }
            Assert.Equal(found.Solutions.Select(s => s.Moves).Order(), found.Solutions.Select(s => s.Moves));
            if (found.Solutions.Count > 0)
                solved++;
            else
                clashed++;
            if (BruteForce.Positions(job) > 600)
                continue;
            small++;
            Dictionary<string, int> all = BruteForce.Of(job);
            Assert.True(
                all.Count == found.Solutions.Count
                    && found.Solutions.All(s => all.GetValueOrDefault(Effect.Of(s.Planned), -1) == s.Moves),
                $"seed {seed}: brute force finds {all.Count}, the solver {found.Solutions.Count}; moves "
                    + $"{string.Join(',', all.Values.Order())} against {string.Join(',', found.Solutions.Select(s => s.Moves))}"
            );
            if (found.Solutions.Count == 0)
                Minimal(job, found.Clash, seed);
        }
        // Both kinds must really have come up.
        Assert.True(solved > 200 && clashed > 100 && small > 600, $"{solved} solved, {clashed} clashed, {small} small");
    }

    /// <summary>The clash has no setting; without any one of its requirements there is one.</summary>
    static void Minimal(PlannedUnit job, IReadOnlyList<Requirement> clash, int seed)
    {
        InstanceName[] parts = [.. clash.Select(c => c.Instance).OfType<InstanceName>()];
        Need[] wants = [.. clash.Select(c => c.Want).OfType<Need>()];
        bool CanBe(IEnumerable<InstanceName> names, IEnumerable<Need> asked) =>
            BruteForce.Passing(Plan.With(job, i => names.Contains(i.Name)), [.. asked]).Any();
        Assert.NotEmpty(clash);
        Assert.False(CanBe(parts, wants), $"seed {seed}: the clash can be");
        foreach (InstanceName part in parts)
            Assert.True(CanBe(parts.Where(p => p != part), wants), $"seed {seed}: {part} is not needed for the clash");
        foreach (Need want in wants)
            Assert.True(CanBe(parts, wants.Where(w => w != want)), $"seed {seed}: a want is not needed for the clash");
    }
}
