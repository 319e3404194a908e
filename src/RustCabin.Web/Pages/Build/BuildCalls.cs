using System.Text.Json.Serialization;
using RustCabin.Core;
using RustCabin.Core.Build;
using RustCabin.Core.Care;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Build;

public sealed record OrderAnswer(
    IReadOnlyList<string> Order,
    int AccessChanges,
    decimal WorkMinutes,
    decimal AccessMinutes,
    IReadOnlyList<GateAfterJson> Gates,
    decimal ExpectedMinutes,
    decimal AllWell
)
{
    /// <summary>
    /// No order has fewer changes of access; left out: as many as this one has, which is proven to be the best.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public int? AtLeast { get; init; }
}

public sealed record GateAfterJson(string After);

public sealed record BatchAnswer(decimal Each);

public sealed record SuppliersAnswer(IReadOnlyDictionary<string, IReadOnlyDictionary<string, int>> Orders, decimal Total);

public sealed record BuildAnswer(IReadOnlyList<StepJson> Steps, SchoolJson Careful, SchoolJson Batch, decimal AllWell);

public sealed record StepJson(
    string Id,
    string Kind,
    string Level,
    decimal Minutes,
    IReadOnlyList<string> Cautions,
    ExpectedJson? Expected
);

public sealed record ExpectedJson(IReadOnlyList<LineJson> Lines, ulong TotalBytes);

public sealed record SchoolJson(decimal ExpectedMinutes);

/// <summary>
/// <c>build</c>, <c>build/order</c>, <c>build/cost</c>, <c>build/suppliers</c>, <c>build/bath</c>. Source: docs/formats.md, The
/// JSON interface.
/// </summary>
static class BuildCalls
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapCall(
            "build/order",
            "The order with the fewest changes of access, and what it is expected to take",
            (OrderAsked asked) => Of(asked),
            Nulls.Read<OrderAsked>,
            heavy: true
        );
        routes.MapCall(
            "build/cost",
            "What each board of a batch costs that is kept",
            (BoardBatch asked) => new BatchAnswer(asked.Each),
            Nulls.Read<BoardBatch>
        );
        routes.MapCall(
            "build/suppliers",
            "The cheapest split among several suppliers; null: something is offered by nobody",
            (SuppliersAsked asked) =>
                SupplierSplit.Of(asked, HeavyWork.AtMost) is { } split ? new SuppliersAnswer(split.Orders, split.Total) : null,
            Nulls.Read<SuppliersAsked>,
            heavy: true
        );
        routes.MapAskingJobCall(
            "build",
            "The steps of a job in their order, and what both schools expect of it",
            (pack, job, query, _) => Of(pack, job, query)
        );
        routes.MapCall("build/bath", "Concentrate and water for a bath", (BathAsked asked) => Bath.Of(asked));
    }

    static BuildAnswer Of(Pack pack, Job job, IQueryCollection query)
    {
        School? school = query["policy"] is [{ } policy]
            ? Words<School>.TryParse(policy, out School known)
                ? known
                : throw new RefusedException("policy", $"\"{policy}\" is not one of {string.Join(", ", Words<School>.All)}")
            : null;
        var sheet = BuildSheet.For(Trail.Stations, Plan.For(pack, pack.FindUnit(job.Unit)!), Plan.For(pack, job), school);
        return new BuildAnswer(
            [.. sheet.Steps.Select(Of)],
            new SchoolJson(sheet.Schools.Careful.Minutes),
            new SchoolJson(sheet.Schools.Batch.Minutes),
            sheet.Schools.AllWell
        );
    }

    static StepJson Of(Step step) =>
        new(
            $"{step.Id}",
            step.Kind.ToString().ToLowerInvariant(),
            step.Level,
            step.Minutes,
            [.. step.Cautions.Select(c => c.Id)],
            step.Expected is { } expected
                ? new ExpectedJson([.. expected.Lines.Select(l => new LineJson(l.Label, l.Bytes.Bytes))], expected.Total.Bytes)
                : null
        );

    /// <summary>Half of what a heavy question has: what is not proven by then is answered with its bound.</summary>
    static readonly TimeSpan ProofAtMost = HeavyWork.AtMost / 2;

    static OrderAnswer Of(OrderAsked asked)
    {
        var ordering = Ordering.Of(asked, ProofAtMost);
        OrderStep[] steps = [.. ordering.Order.Select(i => asked.Steps[i])];
        Runs runs = new(asked, steps);
        return new OrderAnswer(
            [.. steps.Select(s => s.Id)],
            ordering.AccessChanges,
            steps.Sum(s => s.Minutes),
            ordering.AccessMinutes,
            [.. runs.Groups.Select(g => new GateAfterJson(g[^1].Id))],
            runs.Expected.Minutes,
            Expectation.AllWell(steps.Select(Runs.RiskOf))
        )
        {
            AtLeast = ordering.AtLeast < ordering.AccessChanges ? ordering.AtLeast : null,
        };
    }

    /// <summary>An order cut into the groups behind which a gate stands.</summary>
    sealed record Runs(OrderAsked Asked, OrderStep[] Steps)
    {
        public IReadOnlyList<OrderStep[]> Groups { get; } =
            Asked.Policy == GatePolicy.Careful ? [.. Steps.Select(s => (OrderStep[])[s])] : [.. ByLevel(Steps)];

        public Expectation Expected =>
            Asked.Policy == GatePolicy.Careful
                ? Expectation.Careful([.. Steps.Select(RiskOf)], Asked.Gate)
                : Expectation.Batch(Groups.Select(g => (IReadOnlyList<Risk>)[.. g.Select(RiskOf)]), Asked.Gate);

        public static Risk RiskOf(OrderStep step) => new(step.Minutes, step.Chance, step.MendMinutes);

        static IEnumerable<OrderStep[]> ByLevel(OrderStep[] steps)
        {
            for (int from = 0, to; from < steps.Length; from = to)
            {
                for (to = from + 1; to < steps.Length && steps[to].Level == steps[from].Level; )
                    to++;
                yield return steps[from..to];
            }
        }
    }
}
