using System.Net;
using System.Text.Json.Nodes;

namespace RustCabin.Web.Tests;

/// <summary>The calls that ask the solver, held to what their description prints.</summary>
public sealed class SolverApiTests(CabinServer cabin) : IClassFixture<CabinServer>
{
    const string Settings = "/api/v1/settings",
        Sets = "/api/v1/build-sets";

    [Fact]
    public async Task Settings_of_the_printed_pack()
    {
        (HttpStatusCode status, JsonNode answer) = await cabin.Post(Settings, CabinServer.Sample("slipway.json"));
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Equal(["solutions", "clash"], answer.AsObject().Select(f => f.Key));
        JsonNode only = Assert.Single(answer["solutions"]!.AsArray())!;
        // 4 MiB are wanted: the new board's jumper leaves its factory position, one move.
        Assert.Equal("open", (string)only["switches"]!["fathom"]!["W3"]!);
        Assert.Equal((1, 4390912), ((int)only["moves"]!, (int)only["powerUpTotalBytes"]!));
        Assert.Empty(answer["clash"]!.AsArray());
    }

    [Fact]
    public async Task Without_the_want_both_positions_stand_fewest_moves_first()
    {
        string pack = CabinServer.Sample("slipway.json").Instead("\"atLeast\": \"4M\"", "\"atLeast\": \"1M\"");
        (_, JsonNode answer) = await cabin.Post(Settings, pack);
        Assert.Equal(
            [(0, "closed"), (1, "open")],
            answer["solutions"]!.AsArray().Select(s => ((int)s!["moves"]!, (string)s["switches"]!["fathom"]!["W3"]!))
        );
    }

    [Fact]
    public async Task Fillings_of_a_job_s_boards_and_slots()
    {
        (HttpStatusCode status, JsonNode clerk) = await cabin.Post("/api/v1/memory/plan?job=loft-clerk-ledger", Demo("clerk"));
        Assert.Equal(HttpStatusCode.OK, status);
        JsonNode board = Assert.Single(clerk["boards"]!.AsArray())!;
        Assert.Equal("quayside", (string)board["instance"]!);
        // One bank of 256Kx1 reaches the 330 KiB; two hold twice the chips. The board's table sets its switches.
        Assert.Equal(
            [(352256, "one"), (614400, "two")],
            board["arrangements"]!.AsArray().Select(a => ((int)a!["totalBytes"]!, (string)a["switches"]!["S2"]!))
        );
        (_, JsonNode satchel) = await cabin.Post("/api/v1/memory/plan?job=ferry-satchel-stack", Demo("satchel"));
        JsonNode plan = Assert.Single(satchel["modules"]!.AsArray())!["plans"]!.AsArray()[0]!;
        Assert.Equal((442368, 2, 2), ((int)plan["totalBytes"]!, (int)plan["bought"]!, (int)plan["swaps"]!));
        (status, _) = await cabin.Post("/api/v1/memory/plan?job=nobody", Demo("satchel"));
        Assert.Equal(HttpStatusCode.NotFound, status);
    }

    static string Demo(string pack) => File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "demo", $"{pack}.json"));

    [Fact]
    public async Task A_clash_is_told_in_words()
    {
        (HttpStatusCode status, JsonNode answer) = await cabin.Post(
            Settings,
            CabinServer.Sample("slipway.json").Instead("\"atLeast\": \"4M\"", "\"atLeast\": \"8M\"")
        );
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.Empty(answer["solutions"]!.AsArray());
        Assert.Equal("Wanted: 8 MiB that the processor reaches", (string)Assert.Single(answer["clash"]!.AsArray())!);
    }

    [Fact]
    public async Task Build_sets_of_the_printed_pack()
    {
        (HttpStatusCode status, JsonNode answer) = await cabin.Post(Sets, CabinServer.Sample("slipway.json"));
        Assert.Equal(HttpStatusCode.OK, status);
        JsonNode set = Assert.Single(answer["sets"]!.AsArray())!;
        Assert.Equal(["parts", "switches", "cost", "moves", "skill", "reversible"], set.AsObject().Select(f => f.Key));
        Assert.Equal(("fathom", "socket"), ((string)set["parts"]![0]!["part"]!, (string)set["parts"]![0]!["way"]!));
        Assert.Equal(
            (38.5m, 1, 2, true),
            ((decimal)set["cost"]!, (int)set["moves"]!, (int)set["skill"]!, (bool)set["reversible"]!)
        );
    }

    [Fact]
    public async Task Limits_that_are_too_tight_are_the_clash()
    {
        (_, JsonNode answer) = await cabin.Post(
            Sets,
            CabinServer.Sample("slipway.json").Instead("\"budget\": 90.0", "\"budget\": 38.49")
        );
        Assert.Empty(answer["sets"]!.AsArray());
        Assert.Equal(
            ["Wanted: 4 MiB that the processor reaches", "Spend at most 38.49 EUR"],
            answer["clash"]!.AsArray().Select(c => (string)c!)
        );
    }

    [Theory]
    [InlineData(Settings)]
    [InlineData(Sets)]
    public async Task What_does_not_read_is_told_as_everywhere(string call)
    {
        Assert.Equal(HttpStatusCode.BadRequest, (await cabin.Post(call, "{")).Status);
        Assert.Equal(HttpStatusCode.UnsupportedMediaType, (await cabin.Post(call, "{}", "text/plain")).Status);
        (HttpStatusCode status, JsonNode problem) = await cabin.Post(call, """{ "format": "rustcabin.pack/1" }""");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal("jobs", (string)problem["errors"]![0]!["path"]!);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await cabin.Post($"{call}?job=nobody", CabinServer.Sample("slipway.json"))).Status
        );
    }
}
