using RustCabin.Core.Faults;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Faults;

/// <summary>What is seen and heard of a running machine, and what it tells.</summary>
public sealed class SightTests
{
    static Diagnosis Of(PlannedUnit at, params (string What, string Showed)[] seen) =>
        Diagnosis.Of(Trail.Stations, at, [], new Seen { Starts = true, Looks = seen.ToDictionary(s => s.What, s => s.Showed) });

    static readonly Machine Bus = new()
    {
        Claims = """{ "id": "ram", "kind": "ram", "base": "0x0000", "size": "16K" }""",
        PowerUp = """{ "label": "ram", "from": "0x0000", "to": "0x8000", "step": "4K" }""",
        More = """
            , "sites": [ { "id": "one", "kind": "connector", "connector": "scsi-50" }, { "id": "two", "kind": "connector", "connector": "scsi-50" } ],
            "hosts": [ { "id": "bus", "bus": "scsi", "site": "one", "contacts": 50, "hostId": 7, "ids": 8, "terminates": true, "terminatorPower": true } ]
            """,
        Parts = $"{Drive("a", 0)}, {Drive("b", 1)}",
        Job = Machine.Add("a", "b"),
    };

    static string Drive(string id, int number) =>
        $$"""
            { "id": "{{id}}", "name": "{{id}}", "kind": "storage", "ways": [ { "id": "w", "model": "m", "occupies": [ { "site": "one", "mode": "tap" } ] } ],
              "storage": { "bus": "scsi", "contacts": 50, "media": "sd", "id": {{number}} }, "heatW": {{number * 2}},
              "messages": [ { "text": "{{id}} not found", "means": "nothing answers", "suspects": ["seat:{{id}}"] } ] }
            """;

    [Fact]
    public void Sights_of_one_name_are_one()
    {
        Sight sight = Assert.Single(
            Sight.Merged([
                new Sight("picture", "Look", 1, "right", ["none", "rolling"]) { Dark = "none" },
                new Sight("picture", "Look again", 2, "right", ["stripes", "none"]) { InCall = true },
            ])
        );
        Assert.Equal(["right", "none", "rolling", "stripes"], sight.Outcomes);
        Assert.Equal(("Look", false), (sight.Words, sight.InCall));
    }

    [Fact]
    public void A_cause_shows_its_own_else_the_usual_and_dark_ones_nothing()
    {
        var sight = new Sight("picture", "Look", 1, "right", ["none", "rolling"]) { Dark = "none" };
        Hypothesis cause(Shown shows) => new("x", "x", 1, shows);
        Assert.Equal("none", sight.Predicted(cause(Shown.Dark)));
        Assert.Equal("right", sight.Predicted(cause(new Shown(null, true))));
        Assert.Null(sight.Predicted(cause(Shown.Nothing)));
        Assert.Equal(
            "rolling",
            sight.Predicted(cause(Shown.Nothing with { Others = new Dictionary<string, string> { ["picture"] = "rolling" } }))
        );
        Assert.Null((sight with { InCall = true }).Predicted(cause(new Shown(null, true))));
        // What has no word of its own for it is dark, and may be seen so.
        var plain = new Sight("minutes", "Wait", 1, "goes on", ["stops"]);
        Assert.Equal(Sight.Dead, plain.Predicted(cause(Shown.Dark)));
        Assert.Contains(Sight.Dead, plain.Outcomes);
    }

    [Theory]
    [InlineData("light of a", "stays lit", "id:a+b")]
    [InlineData("minutes", "goes wrong", "heat:b")]
    [InlineData("press", "it works then", "seat:a")]
    [InlineData("message", "b not found", "seat:b")]
    public void What_is_seen_brings_its_cause_to_the_front(string what, string showed, string cause)
    {
        Diagnosis before = Of(Bus.Planned),
            after = Of(Bus.Planned, (what, showed));
        double was = before.Causes.First(c => c.Cause.Id == cause).Chance,
            now = after.Causes.First(c => c.Cause.Id == cause).Chance;
        // Causes that show the same share what it says.
        double alike = after.Causes.Where(c => c.Chance > now - 1e-9).Sum(c => c.Chance);
        Assert.True(now > was && alike > 2 * was, $"{was} to {now}");
        Assert.Equal(after.Causes.Max(c => c.Chance), now, 6);
        Assert.Equal(1, after.Causes.Sum(c => c.Chance) + after.Other, 9);
    }

    [Fact]
    public void Cables_over_which_nothing_comes_are_looked_at_plug_by_plug()
    {
        PlannedUnit bare = Bus.Planned,
            at =
                (
                    Bus with
                    {
                        Job =
                            Machine.Add("a", "b")
                            + """
                                , "cables": [ { "id": "gauge", "what": "tide gauge",
                                    "from": { "family": "DB-25", "gender": "m", "role": "DTE", "level": "rs232" },
                                    "to": { "family": "DE-9", "gender": "f", "role": "DTE", "level": "rs232" } } ]
                                """,
                    }
                ).Planned;
        Assert.DoesNotContain(Trail.Stations.Hypotheses(bare), h => h.Id.StartsWith("cables:", StringComparison.Ordinal));
        Diagnosis quiet = Of(at, ("cables gauge", "nothing comes"));
        Assert.Equal("cables:gauge:loose", quiet.Causes[0].Cause.Id);
        Assert.Equal("cables:gauge:loose", quiet.Next?.What.Id);
        // All plugs hold: what is left is how the directions are crossed, which two equal devices need once.
        Diagnosis crossed = Of(at, ("cables gauge", "nothing comes"), ("cables:gauge:loose", "all hold"));
        Assert.Equal("cables:gauge:crossed", crossed.Causes[0].Cause.Id);
        Assert.Equal("an odd number", crossed.Causes[0].Cause.Look!.Usual);
    }

    [Fact]
    public void What_hardly_any_cause_shows_is_not_proposed_and_nothing_new_reaches_the_call()
    {
        PlannedUnit at = Bus.Planned;
        Diagnosis heard = Of(at, ("message", "b not found"));
        Assert.NotEqual("minutes", heard.Next?.What.Id);
        Diagnosis call = Diagnosis.Of(Trail.Stations, at, [], new Seen { Starts = true }, inCall: true);
        // The causes are the same for both; what is seen of the running machine is the page's.
        Assert.Equal(Of(at).Causes.Select(c => c.Cause.Id).Order(), call.Causes.Select(c => c.Cause.Id).Order());
        Assert.DoesNotContain(call.Observables, o => o.Id is "press" or "minutes" or "message");
        Assert.Contains(Of(at).Observables, o => o.Id == "press");
    }

    [Fact]
    public void A_rehearsal_lets_one_see_what_the_hidden_fault_shows()
    {
        PlannedUnit at = Bus.Planned;
        var kinds = new HashSet<string>();
        for (int seed = 1; seed < 60; seed++)
            if (Rehearsal.Of(Trail.Stations, at, new Round("j", Difficulty.Quiet, seed)) is { } round)
            {
                Hypothesis hidden = round.Hidden[0];
                kinds.Add(hidden.Id.Split(':')[0]);
                foreach (Sight sight in Trail.Stations.Sights(at))
                    Assert.Equal(sight.Predicted(hidden) ?? sight.Usual, round.Shows(round.Looks.First(o => o.Id == sight.Id)));
            }
        Assert.Superset(new HashSet<string> { "heat" }, kinds);
    }

    [Fact]
    public void Another_version_on_the_screen_is_another_firmware()
    {
        Machine machine = Bus with
        {
            More = Bus.More + """, "firmware": [ { "id": "1.0" }, { "id": "2.0" }, { "id": "3.0" } ]""",
            Job = Bus.Job + """, "firmware": "2.0" """,
        };
        Diagnosis found = Of(machine.Planned, ("version", "1.0"));
        Assert.Equal("firmware:1.0", found.Causes[0].Cause.Id);
        Assert.True(found.Causes[0].Chance > 0.3, $"{found.Causes[0].Chance}");
        Assert.DoesNotContain(Of(Bus.Planned).Observables, o => o.Id == "version");
    }
}
