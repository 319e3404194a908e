using RustCabin.Core.Build;
using RustCabin.Core.Declared;
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
);

public sealed record GateAfterJson(string After);

public sealed record BatchAnswer(decimal Each);

public sealed record SuppliersAnswer(IReadOnlyDictionary<string, IReadOnlyDictionary<string, int>> Orders, decimal Total);

/// <summary>
/// <c>build/order</c>, <c>build/cost</c>, <c>build/suppliers</c>, <c>build/bath</c>. Source: docs/formats.md, The JSON
/// interface.
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
        routes.MapCall("build/bath", "Concentrate and water for a bath", (BathAsked asked) => Bath.Of(asked));
    }

    static OrderAnswer Of(OrderAsked asked)
    {
        var ordering = Ordering.Of(asked, HeavyWork.AtMost);
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
        );
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
