using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.BuildWalk;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The calls of Build and Faults to the letter; schools, ledger, notes, faults and labels over HTTP.</summary>
public sealed class BuildFaultsTests : OnACabin
{
    const string Four = """
        { "levels": [ { "id": "closed", "from": null, "minutes": 0 }, { "id": "lid", "from": "closed", "minutes": 6 } ],
          "steps": [ { "id": "a", "level": "lid", "minutes": 15, "chance": 0.05, "mendMinutes": 40, "after": [] }, { "id": "b", "level": "lid", "minutes": 20, "chance": 0.1, "mendMinutes": 40, "after": ["a"] },
            { "id": "c", "level": "lid", "minutes": 30, "chance": 0.15, "mendMinutes": 40, "after": [] }, { "id": "d", "level": "lid", "minutes": 25, "chance": 0.1, "mendMinutes": 40, "after": [] } ],
          "gate": { "minutes": 12, "reopenMinutes": 25, "needsClosed": false }, "policy": "POLICY" }
        """;

    [Fact]
    public async Task Order_answers_by_both_policies()
    {
        JsonNode careful = (await Cabin.Post("/api/v1/build/order", Four.Instead("POLICY", "careful"))).Body;
        Assert.Equal(
            """{"order":["a","b","c","d"],"accessChanges":2,"workMinutes":90,"accessMinutes":12,"gates":[{"after":"a"},{"after":"b"},{"after":"c"},{"after":"d"}],"expectedMinutes":154.00,"allWell":0.654075}""",
            careful.ToJsonString()
        );
        JsonNode batch = (await Cabin.Post("/api/v1/build/order", Four.Instead("POLICY", "batch"))).Body;
        Assert.Equal("""[{"after":"d"}]""", batch["gates"]!.ToJsonString());
        Assert.Equal(143.6m, Math.Round((decimal)batch["expectedMinutes"]!, 1));
    }

    [Theory]
    [InlineData(
        "build/cost",
        """{ "boards": 5, "boardPrice": 4.2, "parts": 31.5, "postage": 12, "sold": 36, "kept": 3 }""",
        """{"each":9.5}"""
    )]
    [InlineData("build/suppliers", """{ "wants": { "x": 2 }, "offers": [], "postage": {} }""", "null")]
    [InlineData(
        "build/suppliers",
        """{ "wants": { "x": 2 }, "offers": [ { "supplier": "a", "item": "x", "price": 1.5, "least": 3 } ], "postage": { "a": 2 } }""",
        """{"orders":{"a":{"x":3}},"total":6.5}"""
    )]
    [InlineData(
        "trials",
        """{ "factors": { "fw": ["1", "2"], "card": ["a", "b"] }, "trials": [ { "set": { "fw": "1", "card": "a" }, "works": false }, { "set": { "fw": "2", "card": "b" }, "works": true } ] }""",
        """{"singles":[{"factor":"fw","level":"1"},{"factor":"card","level":"a"}],"pairs":[],"next":{"set":{"fw":"1","card":"b"}}}"""
    )]
    [InlineData(
        "repair",
        """{ "legs": [ { "place": "U1.5", "net": "a2", "xMm": 0, "yMm": 0 }, { "place": "U2.5", "net": "a2", "xMm": 10, "yMm": 0 }, { "place": "U3.5", "net": "a2", "xMm": 20, "yMm": 0 } ], "broken": ["U3.5"], "joined": [["U1.5", "U2.5"]] }""",
        """{"net":"a2","wires":[{"from":"U2.5","to":"U3.5","mm":10}],"readings":[{"from":"U2.5","to":"U3.5","expect":"closed"}]}"""
    )]
    [InlineData(
        "tests",
        """{ "touched": ["a", "b", "z"], "tests": [ { "id": "t1", "minutes": 3, "exercises": ["a", "b"] }, { "id": "t2", "minutes": 2, "exercises": ["b"] }, { "id": "t3", "minutes": 1, "exercises": ["a"] } ] }""",
        """{"tests":["t1"],"minutes":3,"uncovered":["z"]}"""
    )]
    public async Task Calls_answer_to_the_letter(string call, string body, string answer)
    {
        (HttpStatusCode status, JsonNode told) = await Cabin.Post($"/api/v1/{call}", body);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(answer, told?.ToJsonString() ?? "null");
    }

    [Theory]
    [InlineData("build/order", """{ "levels": [], "steps": [], "gate": { "minutes": 1 }, "policy": "careful" }""", "levels")]
    [InlineData(
        "build/order",
        """{ "levels": [ { "id": "a" }, { "id": "b" } ], "steps": [ { "id": "s", "level": "x", "chance": 2, "after": ["t"] }, { "id": "t", "level": "a", "after": ["s"] } ], "gate": { "minutes": 1 }, "policy": "own" }""",
        "steps[0].chance policy levels steps[0].level steps"
    )]
    [InlineData("build/cost", """{ "boards": 5, "boardPrice": 4.2, "kept": 0 }""", "kept")]
    [InlineData("build/bath", """{ "litres": 4, "percent": 0, "fromPercent": 60 }""", "percent fromPercent")]
    [InlineData("build/bath", """{ "litres": 4, "percent": 10, "fromPercent": 5 }""", "fromPercent")]
    [InlineData(
        "faults/posterior",
        """{ "causes": [ { "id": "a", "prior": 0, "predicts": { "o": "z" } } ], "outcomes": { "o": ["x", "y"], "p": ["1"] }, "seen": { "q": "x" }, "checks": { "o": 0 } }""",
        "causes outcomes.p causes[0].predicts.o seen.q checks.o"
    )]
    [InlineData(
        "trials",
        """{ "factors": { "f": ["1"] }, "trials": [ { "set": { "g": "1" }, "works": true } ] }""",
        "trials[0].set.f trials[0].set.g"
    )]
    [InlineData(
        "repair",
        """{ "legs": [ { "place": "a", "net": "n" }, { "place": "b", "net": "m" } ], "broken": ["a", "b", "c"] }""",
        "broken[2] broken"
    )]
    public async Task What_is_wrong_is_told_by_its_place(string call, string body, string paths)
    {
        (HttpStatusCode status, JsonNode told) = await Cabin.Post($"/api/v1/{call}", body);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal(paths, string.Join(' ', told["errors"]!.AsArray().Select(e => (string)e!["path"]!)));
    }

    [Fact]
    public async Task A_build_is_told_by_each_policy_and_a_fault_by_its_gate()
    {
        string pack = CabinServer.Sample("slipway.json");
        JsonNode build = (await Cabin.Post("/api/v1/build?policy=batch", pack)).Body;
        Assert.Equal(
            ["untouched", "open-lid-off", "set-fathom", "fit-fathom", "count-fathom", "close"],
            build["steps"]!.AsArray().Select(s => (string)s!["id"]!)
        );
        Assert.Equal(4390912, (int)build["steps"]![4]!["expected"]!["totalBytes"]!);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Cabin.Post("/api/v1/build?policy=odd", pack)).Status);

        string asked(string gate, string seen) => $$"""{ "pack": {{pack}}, "gate": "{{gate}}", "observed": {{seen}} }""";
        JsonNode faults = (
            await Cabin.Post(
                "/api/v1/faults",
                asked("count-fathom", """{ "lines": [196608, 1048576], "starts": null, "probes": {} }""")
            )
        ).Body;
        JsonNode first = faults["causes"]![0]!;
        Assert.Equal("switch:fathom.W3=closed", (string)first["id"]!);
        Assert.True((bool)first["fits"]!);
        Assert.Equal("[196608,1048576]", first["predicts"]!["lines"]!.ToJsonString());
        Assert.Equal(1, faults["causes"]!.AsArray().Sum(c => (double)c!["probability"]!), 9);
        Assert.InRange(faults["causes"]!.AsArray().Count, 5, 50);
        Assert.Contains(faults["causes"]!.AsArray(), c => (string)c!["id"]! == "other");
        Assert.Equal("switch:fathom.W3", (string)faults["next"]!["check"]!);
        foreach (
            (string body, string path) in ((string, string)[])
                [
                    (asked("count-odd", "{}"), "gate"),
                    (asked("count-fathom", """{ "lines": [1] }"""), "observed.lines"),
                    (asked("count-fathom", """{ "probes": { "U1.1|U1.2": "open" } }"""), "observed.probes.U1.1|U1.2"),
                ]
        )
        {
            (HttpStatusCode status, JsonNode told) = await Cabin.Post("/api/v1/faults", body);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
            Assert.Equal(path, (string)told["errors"]![0]!["path"]!);
        }
        JsonNode boards = (
            await Cabin.Post("/api/v1/boards-for?parts=fathom", JsonNode.Parse(pack)!.AsObject().ToJsonString())
        ).Body;
        Assert.Equal(
            """[{"id":"b2","takes":[],"all":false},{"id":"b4","takes":["fathom"],"all":true},{"id":"b7","takes":["fathom"],"all":true}]""",
            boards["revisions"]!.ToJsonString()
        );
        Assert.Equal("""[{"clue":"rear-label","values":["16 B"]}]""", boards["clues"]!.ToJsonString());
    }

    [Fact]
    public async Task Schools_own_gates_pieces_notes_and_extras_stay_with_the_job()
    {
        const string Build = "/jobs/slip-3-winter/build";
        IHtmlDocument page = await Pressed(Cabin, Build, "#schools [name=school][value=batch]", ("school", "batch"));
        // The two parts sit at two levels: a gate each. One's own school may leave the first away, never the last.
        Assert.Equal(2, page.QuerySelectorAll("li.step.gate[id^='step-count']").Length);
        page = await Pressed(Cabin, Build, "#schools [name=school][value=own]", ("school", "own"));
        Assert.Single(page.QuerySelectorAll(".own-gates button[name=there]"));
        page = await Pressed(Cabin, Build, ".own-gates button[name=there]", ("there", "false"));
        Assert.Single(page.QuerySelectorAll("li.step.gate[id^='step-count']"));
        Assert.Contains("own", Text(page, "#schools"));

        page = await Pressed(
            Cabin,
            Build,
            "#lay form [name=what]",
            ("level", "lid-off"),
            ("what", "screw"),
            ("count", "2"),
            ("mm", "8"),
            ("where", "left hinge")
        );
        Assert.Contains("2 screws, 8 mm", Text(page, "#ledger"));
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "#lay form [name=what]"),
            [("level", "lid-off"), ("what", "screw"), ("count", "many")]
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("\"many\" is not a number of pieces", Text(page, ".notice[role=alert]"));

        page = await Pressed(Cabin, "/jobs/slip-3-winter/bench", "#bench-notes textarea", ("text", "two screws are <shorter>"));
        Assert.Contains("two screws are <shorter>", Text(page, "#bench-notes"));
        page = await Cabin.Page(Build);
        Assert.Contains("Noted: two screws are <shorter>", Text(page, "#step-untouched"));
        Assert.Equal(HttpStatusCode.OK, (await Cabin.Http.GetAsync("/jobs/slip-3-winter/tray")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync("/jobs/nobody/tray")).StatusCode);
    }

    [Fact]
    public async Task A_cause_that_is_confirmed_is_mended_first_and_stands_in_the_record()
    {
        const string Job = "/jobs/slip-7-picture";
        await Pressed(Cabin, $"{Job}/build", "#step-count-tidewell [name=seen]", ("seen", "192"), ("seen", "0"));
        IHtmlDocument page = await Cabin.Page($"{Job}/faults");
        Assert.Contains("Tidewell video memory is not seated", Text(page, ".cause summary"));
        Assert.NotNull(page.QuerySelector(".next-look"));
        page = await Pressed(Cabin, $"{Job}/faults", ".next-look button[value='not seated']", ("showed", "not seated"));
        Assert.Contains("not seated", Text(page, ".looks"));
        page = await Pressed(Cabin, $"{Job}/faults", ".cause form[action*='handler=Confirm'] button");
        Assert.Contains("found: Tidewell video memory is not seated", Text(page, ".looks"));
        page = await Cabin.Page($"{Job}/build");
        Assert.Contains("Mend what was found: Tidewell", Text(page, "li.step[data-current=true] h2"));
        Assert.Contains("found, not mended yet", Text(await Cabin.Page($"{Job}/passport"), "[aria-label='Mended by hand']"));

        // Trials: a factor with two levels, two tries, and what explains them.
        await Pressed(Cabin, $"{Job}/faults", "#trials [name=factor]", ("factor", "card"), ("level", "small"));
        await Pressed(Cabin, $"{Job}/faults", "#trials [name=factor]", ("factor", "card"), ("level", "large"));
        await Pressed(Cabin, $"{Job}/faults", "#trials [name=how]", ("set", "small"), ("works", "true"));
        page = await Pressed(Cabin, $"{Job}/faults", "#trials [name=how]", ("set", "large"), ("works", "false"));
        Assert.Contains("In every failure and in no success: card large", Text(page, "#trials"));
    }

    [Fact]
    public async Task A_label_a_calendar_and_a_hand_over_go_out()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/slip-7-picture/label");
        Assert.Equal(2, page.QuerySelectorAll(".label").Length);
        foreach (var label in page.QuerySelectorAll(".label"))
            Assert.True(
                double.Parse(label.GetAttribute("data-module")!, System.Globalization.CultureInfo.InvariantCulture) >= 0.4
            );
        string calendar = await Cabin.Http.GetStringAsync("/jobs/slip-7-picture/reminders.ics");
        Assert.StartsWith("BEGIN:VCALENDAR", calendar);
        string pack = await Cabin.Http.GetStringAsync("/export/handover/slip-7");
        foreach (string secret in (string[])["\"price\"", "\"budget\"", "\"place\""])
            Assert.DoesNotContain(secret, pack);
        Assert.Contains("\"slip-7\"", pack);
        Assert.Equal(HttpStatusCode.NotFound, (await Cabin.Http.GetAsync("/export/handover/nobody")).StatusCode);
        Assert.Contains("original count", Text(await Cabin.Page("/jobs/slip-7-picture/passport"), "#way-back"));
    }

    [Theory]
    [InlineData("Slipway\\nEND:VEVENT\\nBEGIN:VEVENT")]
    [InlineData("a;b,c:d\"e\\")]
    [InlineData("SUMMARY:other\u2028X-EVIL:1")]
    public async Task A_name_is_a_name_in_the_calendar_whatever_stands_in_it(string name)
    {
        int events = Ical
            .Net.Calendar.Load(await Cabin.Http.GetStringAsync("/jobs/mast-disc-picture/reminders.ics"))!
            .Events.Count;
        IHtmlDocument unit = await Cabin.Page("/units/mast-disc");
        var form = (IHtmlFormElement)unit.QuerySelector("form[action$='handler=Call']")!;
        Assert.Equal(HttpStatusCode.OK, (await Cabin.Press(form, ("name", name))).Item1);
        string text = await Cabin.Http.GetStringAsync("/jobs/mast-disc-picture/reminders.ics");
        var read = Ical.Net.Calendar.Load(text)!;
        Assert.Equal(events, read.Events.Count);
        Assert.Contains(read.Events, e => $"{e.Summary} {e.Description}".Contains(name, StringComparison.Ordinal));
        Assert.All(read.Events, e => Assert.DoesNotContain(e.Properties, p => p.Name.Contains("EVIL")));
    }

    [Fact]
    public async Task A_rehearsal_goes_from_its_code_to_its_debrief()
    {
        IHtmlDocument page = await Cabin.Page("/rehearsal");
        Assert.Equal(10, page.QuerySelectorAll(".rounds li").Length);
        page = await Cabin.Page("/rehearsal?code=slip-3-winter.l5");
        Assert.Contains("0 min at the bench", Text(page, ".clock"));
        page = await Cabin.Page("/rehearsal?code=slip-3-winter.l5&look=starts");
        Assert.Contains("2 min at the bench", Text(page, ".clock"));
        page = await Cabin.Page("/rehearsal?code=slip-3-winter.l5&look=starts&name=before");
        Assert.Contains("Hidden was", Text(page, ".debrief"));
        Assert.Contains("the station's own rule takes", Text(page, ".debrief"));
        Assert.Contains("is no code", Text(await Cabin.Page("/rehearsal?code=odd"), ".notice"));
        Assert.Contains("not in this cabin", Text(await Cabin.Page("/rehearsal?code=nobody.l5"), ".notice"));
        Assert.Contains("l", Text(await Cabin.Page("/care?litres=4&percent=10&from=35"), "main"));
        Assert.Contains("1.044 l", Text(await Cabin.Page("/care"), "main"));
        Assert.Contains("cannot be thinned", Text(await Cabin.Page("/care?percent=40"), ".notice"));
    }

    [Fact]
    public async Task Costs_are_noted_taken_back_and_split()
    {
        const string Costs = "/jobs/slip-7-picture/costs";
        IHtmlDocument page = await Pressed(
            Cabin,
            Costs,
            "form [name=what]",
            ("what", "bare boards"),
            ("kind", "bought"),
            ("amount", "12,50"),
            ("at", "2026-11-20")
        );
        Assert.Contains("spent 12.50", Text(page, "#spent-title"));
        Assert.Contains("2026-11-20,bare boards,bought,12.50", await Cabin.Http.GetStringAsync($"{Costs}?handler=Csv"));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "form [name=what]"), [("what", "x"), ("amount", "much")]);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        page = await Pressed(Cabin, Costs, "button[name=amount]", ("amount", "0"));
        Assert.Contains("spent 0.00", Text(page, "#spent-title"));
        page = await Cabin.Page($"{Costs}?wants=2%2027C400&offers=reach;27C400;4.10;1%0Areach;3.50");
        Assert.Equal("reach4.10 take 2 3.50", Text(page, ".offers tbody tr"));
        Assert.Contains("11.70 EUR in all", Text(page, "main"));
        page = await Cabin.Page($"{Costs}?wants=odd&offers=x");
        Assert.Contains("is not", Text(page, ".notice"));
    }
}
