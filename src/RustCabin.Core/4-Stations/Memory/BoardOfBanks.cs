using RustCabin.Core.Chips;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Memory;

/// <summary>
/// A board with banks of chips, and the ways to fill it. Source: docs/handbook/memory.md, Arrangements.
/// </summary>
/// <param name="Instance">The board.</param>
/// <param name="BaseBytes">What the first master reaches without it.</param>
/// <param name="CapBytes">What the system can use at most; null: the sheet does not say.</param>
/// <param name="Ways">Every filling that reaches the target.</param>
/// <param name="Now">What is in each bank; null: nothing.</param>
/// <param name="Unpriced">Types that go in and have no price, so that none can be bought.</param>
public sealed record BoardOfBanks(
    Instance Instance,
    ulong BaseBytes,
    ulong? CapBytes,
    IReadOnlyList<Arrangement> Ways,
    IReadOnlyList<ChipType?> Now,
    IReadOnlyList<string> Unpriced
)
{
    /// <summary>The boards with banks of a planned unit.</summary>
    /// <param name="unit">The unit.</param>
    /// <param name="target">The bytes wanted in all, for the first master.</param>
    /// <param name="stock">What lies in the cupboard, with prices.</param>
    public static IReadOnlyList<BoardOfBanks> Of(PlannedUnit unit, ByteSize target, IReadOnlyList<StockItem> stock) =>
        [.. unit.Instances.Where(i => i.Part.Arrays.Count > 0).Select(i => Of(unit, i, target, stock))];

    /// <summary>Where the board's table sets the switches for an arrangement; null: it does not say.</summary>
    public IReadOnlyDictionary<string, string>? Switches(Arrangement way) =>
        ChipChecks.RowFor(Instance.Part, way.Banks)?.Positions;

    static BoardOfBanks Of(PlannedUnit unit, Instance instance, ByteSize target, IReadOnlyList<StockItem> stock)
    {
        MemoryArray first = instance.Part.Arrays[0];
        ChipType[] types = [.. instance.Part.Arrays.SelectMany(a => a.Types).Select(t => ChipType.Find(t)!).Distinct()];
        var chips = stock.Where(s => s.Kind == StockKind.Chip).GroupBy(s => ChipType.Find(s.Item)?.Organisation ?? "").ToArray();
        var prices = chips.Where(g => g.Any(s => s.Price is not null)).ToDictionary(g => g.Key, g => g.Min(s => s.Price) ?? 0);
        ulong without = Plan.With(unit, i => i.Name != instance.Name).Map.Reach[0].Bytes;
        ulong? cap = unit.Model.MemoryLimits.TryGetValue(unit.Model.Masters[0], out ByteSize limit) ? limit.Bytes : null;
        var question = new ArrangementQuestion(
            without,
            cap ?? ulong.MaxValue,
            first.DataBits,
            first.ParityBits,
            instance.Part.Arrays.Count,
            types,
            instance.Part.Mix is { } mix ? MixRules.Of(mix) ?? MixRule.Any : MixRule.Any,
            target.Bytes,
            chips.ToDictionary(g => g.Key, g => g.Sum(s => s.Count)),
            prices,
            instance.Part.Arrays.All(a => a.Socketed)
        );
        return new BoardOfBanks(
            instance,
            without,
            cap,
            Arrangements.CanTry(question.Banks, types.Length) ? Arrangements.Of(question) : [],
            NowIn(instance),
            [.. types.Where(t => !prices.ContainsKey(t.Organisation)).Select(t => t.Organisation)]
        );
    }

    static ChipType?[] NowIn(Instance instance)
    {
        var now = new ChipType?[instance.Part.Arrays.Count];
        foreach (FilledBank bank in FilledBank.Of(instance))
            now[bank.Index] = bank.Chips.Type;
        return now;
    }
}
