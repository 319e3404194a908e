using RustCabin.Core.Cupboard;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Memory;

/// <summary>
/// Slots that take modules of one kind of plug, and the ways to reach the target with them. Source: docs/handbook/memory.md,
/// Arrangements.
/// </summary>
/// <param name="Connector">The kind of plug.</param>
/// <param name="Slots">The slots with what is in them before the job, in their order.</param>
/// <param name="Kinds">The sizes of modules that go in.</param>
/// <param name="Cap">What the machine uses at most, in bytes.</param>
/// <param name="Plans">The ways, fewest purchases first.</param>
public sealed record ModuleRow(
    string Connector,
    IReadOnlyList<ModuleSlot> Slots,
    IReadOnlyList<ModuleKind> Kinds,
    ulong Cap,
    IReadOnlyList<ModulePlan> Plans
)
{
    const int MostPlans = 6;

    /// <summary>The rows of slots of a unit.</summary>
    /// <param name="pack">The sheets, for the modules that there are.</param>
    /// <param name="before">The unit as it stands: what is in the slots.</param>
    /// <param name="after">The unit with its job.</param>
    /// <param name="target">The bytes wanted in all, for the first master.</param>
    /// <param name="stock">What lies in the cupboard.</param>
    public static IEnumerable<ModuleRow> Of(
        Pack pack,
        PlannedUnit before,
        PlannedUnit after,
        ByteSize target,
        IReadOnlyList<StockItem> stock
    )
    {
        var rows = after.Sites.Where(s => s.Kind == "slot" && s.Connector is not null).GroupBy(s => s.Connector!);
        foreach (var row in rows.Where(r => r.Count() > 1))
        {
            string[] sites = [.. row.Select(s => s.Id)];
            Part[] modules = [.. pack.Parts.Where(p => p.Kind == PartKind.Memory && p.Ways.Any(w => GoesIn(after, w, sites)))];
            if (modules.Length == 0 || sites.Length > Modules.MostSlots)
                continue;
            ModuleSlot[] slots = [.. sites.Select(site => new ModuleSlot(site, Held(before, site)))];
            ModuleKind[] kinds =
            [
                .. modules.GroupBy(Bytes).Where(g => g.Key > 0).Select(g => Kind(after.Model, g.Key, [.. g], stock)),
            ];
            ulong cap = Most(after.Model);
            IEnumerable<ModulePlan> plans = Modules.Of(slots, kinds, cap, target.Bytes, largerFirst: false);
            yield return new ModuleRow(row.Key, slots, kinds, cap, [.. plans.Take(MostPlans)]);
        }
    }

    static bool GoesIn(PlannedUnit unit, Way way, string[] sites) =>
        way.Model == unit.Model.Id
        && (way.Revisions.Count == 0 || way.Revisions.Contains(unit.Revision.Id))
        && way.Occupies.Any(o => sites.Contains(o.Site));

    static ulong Held(PlannedUnit unit, string site) =>
        unit.Instances.Where(i => i.Occupied.Any(o => o.Site == site)).Select(i => Bytes(i.Part)).FirstOrDefault();

    static ulong Bytes(Part part) =>
        part.Claims.Where(c => c.Kind == ClaimKind.Ram).Select(c => c.Size?.Bytes ?? 0).DefaultIfEmpty(0ul).Max();

    static ModuleKind Kind(Model model, ulong bytes, Part[] parts, IReadOnlyList<StockItem> stock)
    {
        bool IsOne(StockItem item) =>
            item.Kind == StockKind.Part
                ? parts.Any(p => p.Id == item.Item)
                : item.Kind == StockKind.Module && ByteSize.TryTyped(item.Item, out ByteSize size) && size.Bytes == bytes;
        var ways = parts.SelectMany(p => p.Ways).Where(w => w.Model == model.Id);
        return new ModuleKind(
            bytes,
            stock.Where(IsOne).Sum(s => s.Count),
            parts.Min(p => p.Price),
            [.. ways.SelectMany(w => w.Occupies).Select(o => o.Site ?? "").Distinct()]
        );
    }

    static ulong Most(Model model) =>
        model.PowerUp.Select(l => l.Cap?.Bytes).FirstOrDefault(c => c is not null)
        ?? (model.MemoryLimits.TryGetValue(model.Masters[0], out ByteSize limit) ? limit.Bytes : ulong.MaxValue);
}
