using CsCheck;
using RustCabin.Core.Chips;
using RustCabin.Core.Memory;

namespace RustCabin.Core.Tests.Chips;

/// <summary>Banks of chips, the arrangements of a board, files in sectors. Worked numbers: docs/handbook/memory.md.</summary>
public class ChipsTests
{
    static ChipType T(string organisation) => ChipType.Find(organisation)!;

    [Theory]
    [InlineData("64Kx1", 8, 1, 9, 65_536, 144)]
    [InlineData("64Kx1", 8, 0, 8, 65_536, 128)]
    [InlineData("256Kx4", 16, 0, 4, 524_288, 80)]
    [InlineData("256Kx4", 8, 1, 3, 262_144, 60)]
    [InlineData("32Kx8", 8, 0, 1, 32_768, 28)]
    [InlineData("8Kx8", 32, 4, 5, 32_768, 140)]
    [InlineData("41256", 8, 1, 9, 262_144, 144)]
    public void A_bank_is_made_of_chips_for_data_and_for_parity_apart(
        string type,
        int data,
        int parity,
        int chips,
        int bytes,
        int joints
    )
    {
        var bank = new BankOfChips(T(type), data, parity);
        Assert.Equal((chips, (ulong)bytes, joints), (bank.Chips, bank.Bytes, bank.Joints));
    }

    [Fact]
    public void Any_bank_holds_depth_times_its_bits_and_never_has_too_few_chips() =>
        Gen.Select(Gen.Int[0, ChipType.ForBanks.Count - 1].Select(i => ChipType.ForBanks[i]), Gen.Int[1, 128], Gen.Int[0, 32])
            .Sample(
                (type, data, parity) =>
                {
                    var bank = new BankOfChips(type, data, parity);
                    return bank.Bytes == type.Depth * (ulong)data / 8
                        && bank.Chips * type.Width >= data + parity
                        && (bank.Chips - 2) * type.Width < data + parity;
                }
            );

    static ArrangementQuestion Board(int banks, MixRule mix, ulong target, params string[] types) =>
        new(
            64 << 10,
            512 << 10,
            8,
            0,
            banks,
            [.. types.Select(T)],
            mix,
            target,
            new Dictionary<string, int>(),
            types.ToDictionary(t => t, t => t == "64Kx1" ? 1m : 3m),
            false
        );

    static string[] Totals(ArrangementQuestion question) =>
        [
            .. Arrangements
                .Of(question)
                .Select(a =>
                    $"{string.Join(" ", a.Banks.Select(b => b?.Organisation ?? "-"))}: {a.TotalBytes >> 10}, "
                    + $"{a.UsableBytes >> 10} usable, {a.Cost}, {a.Joints}"
                ),
        ];

    [Fact]
    public void Two_banks_reach_192_KiB_in_three_ways() =>
        Assert.Equal(
            [
                "64Kx1 64Kx1: 192, 192 usable, 16, 256",
                "256Kx1 -: 320, 320 usable, 24, 128",
                "256Kx1 256Kx1: 576, 512 usable, 48, 256",
            ],
            Totals(Board(2, MixRule.Alike, 192 << 10, "64Kx1", "256Kx1"))
        );

    [Fact]
    public void Stock_is_used_before_anything_is_bought_and_what_cannot_be_bought_is_left_out()
    {
        ArrangementQuestion board = Board(2, MixRule.Alike, 192 << 10, "64Kx1", "256Kx1") with
        {
            Stock = new Dictionary<string, int> { ["256Kx1"] = 7 },
            Prices = new Dictionary<string, decimal> { ["256Kx1"] = 3 },
        };
        Arrangement first = Arrangements.Of(board)[0];
        Assert.Equal([new KeyValuePair<string, int>("256Kx1", 1)], first.Buy);
        Assert.Equal(3m, first.Cost);
        Assert.DoesNotContain(Arrangements.Of(board), a => a.Banks[0]!.Organisation == "64Kx1");
        Assert.Equal(0, Arrangements.Of(board with { Socketed = true })[0].Joints);
    }

    [Theory]
    [InlineData(MixRule.Any, 1 + 2 + 4 + 8)]
    [InlineData(MixRule.Alike, 1 + 2 + 2 + 2)]
    [InlineData(MixRule.LargerFirst, 1 + 2 + 3 + 4)]
    [InlineData(MixRule.Pairs, 1 + 2)]
    public void A_mix_rule_allows_so_many(MixRule mix, int ways) =>
        Assert.Equal(ways, Arrangements.Of(Board(3, mix, 0, "64Kx1", "256Kx1")).Count);

    /// <summary>All fillings of all banks with a type or nothing, kept where the rules hold: slow and plain.</summary>
    static IEnumerable<string> BruteForce(ArrangementQuestion q)
    {
        ChipType?[] choices = [null, .. q.Types];
        for (int code = 0; code < Math.Pow(choices.Length, q.Banks); code++)
        {
            var banks = Enumerable
                .Range(0, q.Banks)
                .Select(b => choices[code / (int)Math.Pow(choices.Length, b) % choices.Length])
                .ToArray();
            int filled = banks.TakeWhile(b => b is not null).Count();
            if (banks.Skip(filled).Any(b => b is not null))
                continue;
            if (q.Mix == MixRule.Alike && banks.Take(filled).Distinct().Count() > 1)
                continue;
            if (
                q.Mix == MixRule.LargerFirst
                && Enumerable.Range(1, Math.Max(0, filled - 1)).Any(i => banks[i]!.Depth > banks[i - 1]!.Depth)
            )
                continue;
            if (
                q.Mix == MixRule.Pairs
                && (filled % 2 == 1 || Enumerable.Range(0, filled / 2).Any(i => banks[2 * i] != banks[2 * i + 1]))
            )
                continue;
            ulong total = q.BaseBytes + banks.Take(filled).Aggregate(0ul, (sum, t) => sum + t!.Depth * (ulong)q.DataBits / 8);
            if (total < q.TargetBytes)
                continue;
            var need = banks
                .Take(filled)
                .GroupBy(t => t!.Organisation)
                .ToDictionary(
                    g => g.Key,
                    g =>
                        g.Count()
                            * (
                                (q.DataBits + g.First()!.Width - 1) / g.First()!.Width
                                + (q.ParityBits + g.First()!.Width - 1) / g.First()!.Width
                            )
                        - q.Stock.GetValueOrDefault(g.Key)
                );
            if (need.Any(n => n.Value > 0 && !q.Prices.ContainsKey(n.Key)))
                continue;
            yield return $"{string.Join(" ", banks.Select(b => b?.Organisation ?? "-"))}: {total}, "
                + $"{need.Where(n => n.Value > 0).Sum(n => n.Value * q.Prices[n.Key])}";
        }
    }

    [Fact]
    public void The_solver_finds_all_that_trying_everything_finds_in_the_order_of_the_rule()
    {
        var types = ChipType.ForBanks;
        Gen.Select(
                Gen.Int[0, 3],
                Gen.Int[1, 3],
                Gen.Enum<MixRule>(),
                Gen.Int[0, types.Count - 1].Array[1, 3],
                Gen.Int[0, 40].Array[3],
                Gen.Int[0, 3].Array[3],
                Gen.Int[0, 9]
            )
            .Sample(
                (banks, bytesWide, mix, chosen, stock, prices, parity) =>
                {
                    ChipType[] some = [.. chosen.Distinct().Select(i => types[i])];
                    var question = new ArrangementQuestion(
                        0,
                        1 << 20,
                        bytesWide * 8,
                        parity,
                        banks,
                        some,
                        mix,
                        128 << 10,
                        some.Select((t, i) => (t, i)).ToDictionary(x => x.t.Organisation, x => stock[x.i]),
                        some.Select((t, i) => (t, i))
                            .Where(x => prices[x.i] > 0)
                            .ToDictionary(x => x.t.Organisation, x => (decimal)prices[x.i]),
                        false
                    );
                    IReadOnlyList<Arrangement> found = Arrangements.Of(question);
                    Assert.Equal(
                        BruteForce(question).Order(),
                        found
                            .Select(a =>
                                $"{string.Join(" ", a.Banks.Select(b => b?.Organisation ?? "-"))}: {a.TotalBytes}, {a.Cost}"
                            )
                            .Order()
                    );
                    Assert.Equal(
                        found.OrderBy(a => a.Cost).ThenBy(a => a.Joints).ThenBy(a => a.UnusedBytes).ThenBy(a => a.TotalBytes),
                        found
                    );
                },
                iter: 2000
            );
    }

    [Theory]
    [InlineData(9_000, 160, 4, 58)]
    [InlineData(9_000, 320, 4, 29)]
    [InlineData(0, 320, 4, 1)]
    [InlineData(316, 320, 4, 1)]
    [InlineData(317, 320, 4, 2)]
    public void A_file_takes_so_many_sectors(ulong bytes, ulong sector, ulong link, ulong sectors)
    {
        SectorPlan plan = SectorPlan.Of(930, 10, sector, link, [bytes]);
        Assert.Equal(sectors, plan.Files[0].Sectors);
        Assert.Equal(920 - (long)sectors, plan.FreeSectors);
    }

    [Fact]
    public void Capacity_is_sectors_times_bytes() => Assert.Equal(297_600ul, SectorPlan.Of(930, 0, 320, 4, []).CapacityBytes);
}
