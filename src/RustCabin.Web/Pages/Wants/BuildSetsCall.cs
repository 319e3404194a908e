using RustCabin.Core;
using RustCabin.Core.Declared;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Wants;

public sealed record BuildSetsAnswer(IReadOnlyList<BuildSetJson> Sets, IReadOnlyList<string> Clash)
{
    /// <summary>True: the time was over first, and what is given is what was found so far. Left out where all was
    /// decided.</summary>
    [System.Text.Json.Serialization.JsonIgnore(Condition = System.Text.Json.Serialization.JsonIgnoreCondition.WhenWritingNull)]
    public bool? Undecided { get; init; }
}

public sealed record BuildSetJson(
    IReadOnlyList<SetPartJson> Parts,
    IReadOnlyDictionary<string, IReadOnlyDictionary<string, string>> Switches,
    decimal Cost,
    int Moves,
    int Skill,
    bool Reversible
);

public sealed record SetPartJson(string Part, string Way);

/// <summary>
/// <c>build-sets</c>: candidates are all parts that are not fitted; what the job adds is not there yet. Cheapest first.
/// </summary>
static class BuildSetsCall
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapJobCall("build-sets", "Complete sets of parts that give a job's wants within its limits", Answer);
        routes.MapCall(
            "alternatives",
            "Other ways to come by what is wanted, money against hours",
            (AlternativesAsked asked) => Alternatives.Of(asked),
            Nulls.Read<AlternativesAsked>
        );
    }

    static BuildSetsAnswer Answer(Pack pack, Job job, CancellationToken cancel)
    {
        BuildSets found = SetSearch.Find(SetQuestion.Of(Trail.Stations, pack, job), cancel: cancel, within: HeavyWork.AtMost);
        return new BuildSetsAnswer([.. found.Sets.Select(Of)], [.. found.Clash.Select(c => c.Text)])
        {
            Undecided = found.Decided ? null : true,
        };
    }

    static BuildSetJson Of(BuildSet s) =>
        new(
            [.. s.Parts.Select(p => new SetPartJson(p.Part.Id, p.Way.Id))],
            s.Choice.Switches,
            s.Cost,
            s.Moves,
            s.Skill,
            s.Reversible
        );
}
