using System.Net;
using AngleSharp.Html.Dom;
using static RustCabin.Web.Tests.Shown;

namespace RustCabin.Web.Tests;

/// <summary>The Wants and Speed stations, power on the Fit page, and the presses of the tray that ask the solver.</summary>
public sealed class WantsPageTests : OnACabin
{
    const string Winter = "/jobs/slip-3-winter",
        Race = "/jobs/slip-7-race",
        Render = "/jobs/gable-keep-render";

    [Fact]
    public async Task A_want_is_added_by_hand_kept_when_it_is_wrong_and_dropped()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/wants");
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, "[name=amount]"),
            ("kind", "memory:video"),
            ("amount", "plenty")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("\"plenty\" is not a size", Text(page, ".notice"));
        Assert.Equal("plenty", ((IHtmlInputElement)page.QuerySelector("[name=amount]")!).Value);
        (_, page) = await Cabin.Press(Form(page, "[name=amount]"), ("kind", "memory:video"), ("amount", "512K"));
        Assert.Contains("512 KiB that video reaches", Text(page, ".wanted"));
        Assert.Contains("WANT-UNMET", Found(page));
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Remove 512 KiB that video reaches']"), ("index", "1"));
        Assert.DoesNotContain("512 KiB", Text(page, ".wanted"));
        (status, page) = await Cabin.Press(Form(page, "[name=amount]"), ("kind", "speed"), ("amount", "-3"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        (_, page) = await Cabin.Press(Form(page, "[name=amount]"), ("kind", "provides"), ("what", "<script>"));
        Assert.Contains("<script>", Text(page, ".wanted"));
        Assert.Null(page.QuerySelector(".wanted script"));
    }

    [Fact]
    public async Task Limits_are_set_and_a_wrong_budget_is_told()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/wants");
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, "[name=budget]"), ("budget", "much"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains("\"much\" is not an amount", Text(page, ".notice"));
        (_, page) = await Cabin.Press(Form(page, "[name=budget]"), ("budget", "20,50"), ("skill", "1"));
        Assert.Equal("20.50", ((IHtmlInputElement)page.QuerySelector("[name=budget]")!).Value);
        Assert.Contains("LIMIT-BUDGET", Found(page));
        Assert.Contains("FIT-SKILL", Found(page));
    }

    [Fact]
    public async Task Sets_are_proposed_taken_and_a_set_that_is_none_is_refused()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/wants?seek=true");
        Assert.Contains("Fathom memory board + Lantern hatch memory", Text(page, ".set-card"));
        Assert.Contains("It does not fit Board 4", Text(page, ".left-out"));
        (_, IHtmlDocument taken) = await Cabin.Press(
            Form(page, ".set-card button[name=set]"),
            ("set", "fathom.socket+lantern.hatch")
        );
        Assert.DoesNotContain("MAP-FIGHT", Found(taken));
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(await Cabin.Page($"{Winter}/wants"), "[name=budget]"),
            ("budget", "10")
        );
        page = await Cabin.Page($"{Winter}/wants?seek=true");
        Assert.Contains("No set of parts gives all of this", Text(page, "#sets"));
        Assert.Contains("Spend at most 10.00 EUR", Text(page, ".clash"));
        (status, page) = await Cabin.Press(Form(page, "[name=budget]"), ("budget", "10"));
    }

    [Fact]
    public async Task An_old_press_takes_no_set()
    {
        IHtmlDocument old = await Cabin.Page($"{Winter}/wants?seek=true");
        IHtmlFormElement take = Form(old, ".set-card button[name=set]");
        await Cabin.Press(Form(old, "[name=budget]"), ("budget", "80"));
        (HttpStatusCode status, IHtmlDocument page) = await Cabin.Press(take, ("set", "fathom.socket+lantern.hatch"));
        Assert.Equal(HttpStatusCode.Conflict, status);
        Assert.Contains("changed in another tab", Text(page, ".notice"));
    }

    [Fact]
    public async Task The_tray_sets_switches_that_work_or_says_what_clashes()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/memory");
        (_, page) = await Cabin.Press(Form(page, ".mend button"));
        Assert.DoesNotContain("MAP-FIGHT", Found(page));
        (_, page) = await Cabin.Press(Form(page, ".undo button"));
        // A second board that wants the processor's socket: no switch mends that.
        page = await Cabin.Page($"{Winter}/fit");
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Plan part: Skerry accelerator']"), ("part", "skerry"));
        (HttpStatusCode status, page) = await Cabin.Press(Form(page, ".mend button"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(
            "No setting of the switches works. These cannot all be: Fathom memory board fitted",
            Text(page, ".notice")
        );
    }

    [Fact]
    public async Task Settings_that_work_stand_with_their_effect_and_one_press_takes_one()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/memory/settings?solve=true");
        Assert.Equal(
            ["W1 of Lantern hatch memory to low", "1", "4,928 KiB", "4,928 KiB", "192 KiB"],
            page.QuerySelector(".solved tbody tr")!.Children.Take(5).Select(c => c.TextContent)
        );
        (_, page) = await Cabin.Press(Form(page, ".solved button"), ("index", "0"));
        Assert.DoesNotContain("MAP-FIGHT", Found(page));
        page = await Cabin.Page($"{Winter}/memory/settings?solve=true");
        Assert.StartsWith("as planned", Text(page, ".solved tbody tr"));
    }

    [Fact]
    public async Task A_search_can_be_called_off()
    {
        IHtmlDocument page = await Cabin.Page($"{Winter}/wants");
        HttpResponseMessage answer = await Cabin.Http.PostAsync(
            $"{Winter}/wants?handler=Cancel",
            new FormUrlEncodedContent([
                KeyValuePair.Create(
                    "__RequestVerificationToken",
                    ((IHtmlInputElement)page.QuerySelector("[name=__RequestVerificationToken]")!).Value
                ),
            ])
        );
        Assert.Contains("Propose sets of parts", Text(await CabinServer.Html(answer), "#sets"));
    }

    [Fact]
    public async Task The_forecast_the_runs_and_the_claims_stand_side_by_side()
    {
        IHtmlDocument page = await Cabin.Page($"{Render}/speed");
        // 1980/3.1 + 260/2.4 + 70/3 = 770.38 of 2310.
        Assert.Contains("After 770.38 s", page.QuerySelector(".planks")!.GetAttribute("aria-label"));
        Assert.Contains("x 3.00", Text(page, "#forecast-title"));
        Assert.Contains("x 1.77", Text(page, "#suite-title"));
        Assert.Contains("The box: 3.10 of itself before, measured 1.77", Text(page, "[aria-labelledby=claims-title]"));
        Assert.Contains("A leaflet: 1.00 of Reference Keep, measured 0.68", Text(page, "[aria-labelledby=claims-title]"));
        Assert.Contains("SPEED-SEEN", Found(page));
        (_, page) = await Cabin.Press(
            Form(page, "[aria-labelledby=seen-title] [name=clock]"),
            ("clock", "58"),
            ("coprocessor", "yes")
        );
        Assert.DoesNotContain("SPEED-SEEN", Found(page));
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Delete the claim of A leaflet']"), ("index", "1"));
        Assert.DoesNotContain("A leaflet", Text(page, "[aria-labelledby=claims-title]"));
    }

    [Theory]
    [InlineData("After", "name", "sieve", "seconds", "3.1 fast", "\"fast\" is not a time in seconds")]
    [InlineData("After", "name", "", "seconds", "3.1", "name the benchmark")]
    [InlineData("Claim", "who", "the box", "ratio", "0", "is not how many times as fast")]
    [InlineData("Seen", "clock", "quick", "memory", "", "is not a clock in MHz")]
    [InlineData("Seen", "clock", "", "memory", "lots", "is not a size")]
    public async Task What_is_typed_wrong_is_told_and_changes_nothing(
        string handler,
        string one,
        string first,
        string two,
        string second,
        string told
    )
    {
        IHtmlDocument page = await Cabin.Page($"{Race}/speed");
        (HttpStatusCode status, page) = await Cabin.Press(
            Form(page, $"form[action*='handler={handler}'] input"),
            (one, first),
            (two, second)
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(told, Text(page, ".notice"));
    }

    [Fact]
    public async Task The_worked_split_gives_2_99_and_runs_are_noted()
    {
        IHtmlDocument page = await Cabin.Page($"{Race}/speed");
        Assert.Contains("x 2.99", Text(page, "#forecast-title"));
        (_, page) = await Cabin.Press(
            Form(page, "[aria-label='Seconds of each run after']"),
            ("name", "sieve"),
            ("seconds", "3.1 3.2 3,3")
        );
        Assert.Contains("3.2 s", Text(page, "[aria-labelledby=suite-title] tbody"));
        (_, page) = await Cabin.Press(Form(page, "[aria-label='Seconds of each run after']"), ("name", "sieve"), ("seconds", ""));
        Assert.Contains("No benchmark has been run", Text(page, "[aria-labelledby=suite-title]"));
    }

    [Theory]
    [InlineData("70", "30", "25", "2", "1")]
    [InlineData("70", "10", "25", "2", "0")]
    [InlineData("0", "0", "25", "0", "0")]
    public async Task Wait_states(string mem, string logic, string clock, string cycles, string waits) =>
        Assert.EndsWith(
            $" {waits}",
            Text(await Cabin.Page($"{Race}/speed?mem={mem}&logic={logic}&clock={clock}&cycles={cycles}"), "#waits-title")
        );

    [Fact]
    public async Task Power_shows_rails_paths_regulator_and_heat()
    {
        IHtmlDocument page = await Cabin.Page("/jobs/watch-porthole-sprint/fit");
        string power = Text(page, ".power");
        Assert.Contains("drive plug: 0.6 of 1.5 A; loses 0.6 A x 50 mOhm = 30 mV of 250 allowed", power);
        Assert.Contains("(6.8 - 5.0) V x 4.1 A = 7.38 W of 10 W", power);
        Assert.Contains("41.8 W, 18.8 degrees above the room of 19 allowed", power);
        Assert.Equal(
            "+5 V: 4.1 of 4.32 A at peak; +12 V: 0.9 of 1.6 A at peak",
            page.QuerySelector(".columns-drawn")!.GetAttribute("aria-label")
        );
    }
}
