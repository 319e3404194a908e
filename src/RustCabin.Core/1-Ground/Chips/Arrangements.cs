using RustCabin.Core.Units;

namespace RustCabin.Core.Chips;

/// <summary>
/// What to fill a board with. Sizes in bytes; <paramref name="Stock"/> counts chips in hand and <paramref name="Prices"/> what
/// one more costs, by type: a type without a price cannot be bought. <paramref name="Socketed"/>: the banks have sockets, so
/// that nothing is soldered.
/// </summary>
public sealed record ArrangementQuestion(
    ulong BaseBytes,
    ulong CapBytes,
    int DataBits,
    int ParityBits,
    int Banks,
    IReadOnlyList<ChipType> Types,
    MixRule Mix,
    ulong TargetBytes,
    IReadOnlyDictionary<string, int> Stock,
    IReadOnlyDictionary<string, decimal> Prices,
    bool Socketed
);

/// <summary>
/// One way to fill the banks; null is an empty one. <paramref name="Buy"/> holds what is missing from stock, by organisation.
/// </summary>
public sealed record Arrangement(
    IReadOnlyList<ChipType?> Banks,
    ulong TotalBytes,
    ulong UsableBytes,
    IReadOnlyDictionary<string, int> Buy,
    decimal Cost,
    int Joints
)
{
    /// <summary>Bytes that are there and cannot be used.</summary>
    public ulong UnusedBytes => TotalBytes - UsableBytes;

    /// <summary>Chips of each organisation that it takes, bought or not.</summary>
    public IReadOnlyDictionary<string, int> Chips { get; init; } = new Dictionary<string, int>();
}

/// <summary>
/// Every arrangement that reaches a target: cheapest to buy first, then fewest joints, then least left unused. Source:
/// docs/handbook/memory.md, Arrangements.
/// </summary>
public static class Arrangements
{
    /// <summary>More ways than this are not tried.</summary>
    public const int Most = 250_000;

    /// <summary>True when there are few enough ways to try them all.</summary>
    public static bool CanTry(int banks, int types)
    {
        double ways = 0;
        for (int filled = 0; filled <= banks; filled++)
            ways += Math.Pow(types, filled);
        return ways <= Most;
    }

    /// <exception cref="ArgumentException">There are more than <see cref="Most"/> ways.</exception>
    public static IReadOnlyList<Arrangement> Of(ArrangementQuestion question)
    {
        if (!CanTry(question.Banks, question.Types.Count))
            throw new ArgumentException(
                $"{question.Banks} banks and {question.Types.Count} types make more than {Most} arrangements"
            );
        var found = new List<Arrangement>();
        Fill(question, [], found);
        return [.. found.OrderBy(a => a.Cost).ThenBy(a => a.Joints).ThenBy(a => a.UnusedBytes).ThenBy(a => a.TotalBytes)];
    }

    static void Fill(ArrangementQuestion question, List<ChipType> filled, List<Arrangement> found)
    {
        Budget.Spend();
        if (Make(question, filled) is { } arrangement)
            found.Add(arrangement);
        if (filled.Count == question.Banks)
            return;
        foreach (ChipType type in question.Types)
            if (Allowed(question.Mix, filled, type))
            {
                filled.Add(type);
                Fill(question, filled, found);
                filled.RemoveAt(filled.Count - 1);
            }
    }

    static bool Allowed(MixRule mix, List<ChipType> filled, ChipType next) =>
        mix switch
        {
            MixRule.Alike => filled.Count == 0 || filled[0] == next,
            MixRule.LargerFirst => filled.Count == 0 || next.Depth <= filled[^1].Depth,
            MixRule.Pairs => filled.Count % 2 == 0 || filled[^1] == next,
            _ => true,
        };

    static Arrangement? Make(ArrangementQuestion question, List<ChipType> filled)
    {
        if (question.Mix == MixRule.Pairs && filled.Count % 2 == 1)
            return null;
        BankOfChips[] banks = [.. filled.Select(t => new BankOfChips(t, question.DataBits, question.ParityBits))];
        ulong total = banks.Aggregate(question.BaseBytes, (sum, b) => sum + b.Bytes);
        if (total < question.TargetBytes)
            return null;

        var chips = banks.GroupBy(b => b.Type.Organisation).ToDictionary(g => g.Key, g => g.Sum(b => b.Chips));
        var buy = chips
            .Select(c => (Type: c.Key, Count: c.Value - question.Stock.GetValueOrDefault(c.Key)))
            .Where(c => c.Count > 0)
            .ToDictionary(c => c.Type, c => c.Count);
        if (buy.Keys.Any(type => !question.Prices.ContainsKey(type)))
            return null;
        return new Arrangement(
            [.. filled, .. Enumerable.Repeat<ChipType?>(null, question.Banks - filled.Count)],
            total,
            Math.Min(total, question.CapBytes),
            buy,
            buy.Sum(b => b.Value * question.Prices[b.Key]),
            question.Socketed ? 0 : banks.Sum(b => b.Joints)
        )
        {
            Chips = chips,
        };
    }
}
