using RustCabin.Core.Planning;
using RustCabin.Core.Switches;
using RustCabin.Core.Wants;

namespace RustCabin.Web.Api;

public sealed record SettingsAnswer(IReadOnlyList<SettingJson> Solutions, IReadOnlyList<string> Clash);

public sealed record SettingJson(
    IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches,
    int Moves,
    ulong PowerUpTotalBytes
);

public sealed record BuildSetsAnswer(IReadOnlyList<BuildSetJson> Sets, IReadOnlyList<string> Clash);

public sealed record BuildSetJson(
    IReadOnlyList<SetPartJson> Parts,
    IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches,
    decimal Cost,
    int Moves,
    int Skill,
    bool Reversible
);

public sealed record SetPartJson(string Part, string Way);

/// <summary><c>POST /api/v1/settings</c> and <c>/api/v1/build-sets</c>: what the solver finds for a job. Keep nothing.</summary>
static class SolverEndpoints
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes
            .MapPost(
                "/api/v1/settings",
                (HttpRequest request, string? job) =>
                    JsonBody.With(
                        request,
                        body =>
                            JobCall.Answer(
                                body,
                                job,
                                (pack, one) =>
                                {
                                    Settings found = SettingsSolver.Solve(
                                        Plan.For(pack, one),
                                        cancel: request.HttpContext.RequestAborted
                                    );
                                    return new SettingsAnswer(
                                        [
                                            .. found.Solutions.Select(s => new SettingJson(
                                                s.Switches,
                                                s.Moves,
                                                s.PowerUpTotalBytes
                                            )),
                                        ],
                                        [.. found.Clash.Select(c => c.Text)]
                                    );
                                }
                            )
                    )
            )
            .WithName("settings")
            .WithSummary("Switch positions that give every want without a stop")
            .DisableAntiforgery()
            .WithDescription(
                "Takes a pack with one job, or with several and ?job=id. Fewest moves first; alternatives differ in effect."
            )
            .TakesJson("a pack, rustcabin.pack/1")
            .Produces<SettingsAnswer>()
            .ProducesProblem(400)
            .ProducesProblem(404)
            .ProducesProblem(413)
            .ProducesProblem(415)
            .ProducesProblem(422);

        routes
            .MapPost(
                "/api/v1/build-sets",
                (HttpRequest request, string? job) =>
                    JsonBody.With(
                        request,
                        body =>
                            JobCall.Answer(
                                body,
                                job,
                                (pack, one) =>
                                {
                                    BuildSets found = SetSearch.Find(
                                        SetQuestion.Of(pack, one),
                                        cancel: request.HttpContext.RequestAborted
                                    );
                                    return new BuildSetsAnswer(
                                        [
                                            .. found.Sets.Select(s => new BuildSetJson(
                                                [.. s.Parts.Select(p => new SetPartJson(p.Part.Id, p.Way.Id))],
                                                s.Choice.Switches,
                                                s.Cost,
                                                s.Moves,
                                                s.Skill,
                                                s.Reversible
                                            )),
                                        ],
                                        [.. found.Clash.Select(c => c.Text)]
                                    );
                                }
                            )
                    )
            )
            .WithName("build-sets")
            .WithSummary("Complete sets of parts that give a job's wants within its limits")
            .DisableAntiforgery()
            .WithDescription(
                "Takes a pack with one job, or with several and ?job=id. Candidates are all parts that are not fitted; what the job adds is not there yet. Cheapest first."
            )
            .TakesJson("a pack, rustcabin.pack/1")
            .Produces<BuildSetsAnswer>()
            .ProducesProblem(400)
            .ProducesProblem(404)
            .ProducesProblem(413)
            .ProducesProblem(415)
            .ProducesProblem(422);
    }
}
