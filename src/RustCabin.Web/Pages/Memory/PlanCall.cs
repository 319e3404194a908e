using RustCabin.Core.Bench;
using RustCabin.Core.Memory;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Memory;

public sealed record MemoryPlanAnswer(ulong TargetBytes, IReadOnlyList<BoardJson> Boards, IReadOnlyList<ModuleRowJson> Modules);

public sealed record BoardJson(
    string Instance,
    ulong BaseBytes,
    IReadOnlyList<string?> Now,
    IReadOnlyList<FillingJson> Arrangements
);

public sealed record FillingJson(
    IReadOnlyList<string?> Banks,
    ulong TotalBytes,
    ulong UsableBytes,
    int Joints,
    IReadOnlyDictionary<string, string>? Switches
);

public sealed record ModuleRowJson(string Connector, IReadOnlyList<ulong> Now, IReadOnlyList<ModulePlanJson> Plans);

public sealed record ModulePlanJson(IReadOnlyList<ulong> Slots, ulong TotalBytes, ulong UsableBytes, int Bought, int Swaps);

/// <summary>
/// <c>memory/plan</c>: every filling of a job's boards and slots that reaches what it wants. A pack holds no cupboard, so that
/// chips have no price here and the order is by joints.
/// </summary>
static class PlanCall
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapJobCall("memory/plan", "Fillings of boards and slots that reach what the job wants", (p, j, _) => Answer(p, j));

    static MemoryPlanAnswer Answer(Pack pack, Job job)
    {
        PlannedUnit after = Plan.For(pack, job),
            before = Plan.For(pack, pack.FindUnit(job.Unit)!);
        ByteSize target = MemoryTarget.Of(after, PowerUp.Run(after));
        return new MemoryPlanAnswer(
            target.Bytes,
            [.. BoardOfBanks.Of(after, target, ForNothing(after)).Select(Board)],
            [.. ModuleRow.Of(pack, before, after, target, []).Select(Row)]
        );
    }

    static BoardJson Board(BoardOfBanks board) =>
        new(
            board.Instance.Name,
            board.BaseBytes,
            [.. board.Now.Select(t => t?.Organisation)],
            [
                .. board.Ways.Select(w => new FillingJson(
                    [.. w.Banks.Select(t => t?.Organisation)],
                    w.TotalBytes,
                    w.UsableBytes,
                    w.Joints,
                    board.Switches(w)
                )),
            ]
        );

    static ModuleRowJson Row(ModuleRow row) =>
        new(
            row.Connector,
            [.. row.Slots.Select(s => s.Bytes)],
            [.. row.Plans.Select(p => new ModulePlanJson(p.Slots, p.Total, p.Usable, p.Bought, p.Swaps))]
        );

    /// <summary>None of each type in hand, at no price: all fillings are listed.</summary>
    static Core.Cupboard.StockItem[] ForNothing(PlannedUnit unit) =>
        [
            .. unit
                .Instances.SelectMany(i => i.Part.Arrays)
                .SelectMany(a => a.Types)
                .Distinct()
                .Select(type => new Core.Cupboard.StockItem
                {
                    Kind = Core.Cupboard.StockKind.Chip,
                    Item = type,
                    Count = 0,
                    Price = 0,
                }),
        ];
}
