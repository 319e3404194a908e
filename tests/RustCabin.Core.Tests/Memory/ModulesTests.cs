using RustCabin.Core.Answers;
using RustCabin.Core.Chips;
using RustCabin.Core.Memory;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Tests.Memory;

/// <summary>
/// Modules in slots, chips against their board, unknown boards, and titles. Worked numbers: docs/handbook/memory.md.
/// </summary>
public class ModulesTests
{
    const ulong K = 1024;
    static readonly ModuleSlot[] Five = [.. Enumerable.Range(1, 5).Select(i => new ModuleSlot($"m{i}", 64 * K))];

    static string[] Plans(
        ulong target,
        int in192 = 0,
        int in64 = 0,
        ulong cap = 576 * K,
        IReadOnlyCollection<string>? only = null
    ) =>
        [
            .. Modules
                .Of(Five, [new(64 * K, in64, 9), new(192 * K, in192, 26, only)], cap, target, largerFirst: false)
                .Select(p =>
                    $"{string.Join(" ", p.Slots.Select(b => b / K))}: {p.Total / K}, {p.Unused / K} unused, {p.Bought} "
                    + $"bought, {p.Swaps} swaps, {p.Cost}"
                ),
        ];

    [Fact]
    public void Five_slots_of_64_hold_320_and_need_nothing() =>
        Assert.Equal("64 64 64 64 64: 320, 0 unused, 0 bought, 0 swaps, 0", Plans(320 * K)[0]);

    [Fact]
    public void Two_swapped_for_192_give_576_and_three_704_of_which_128_is_unused()
    {
        string[] plans = Plans(576 * K);
        Assert.Equal("192 192 64 64 64: 576, 0 unused, 2 bought, 2 swaps, 52", plans[0]);
        Assert.Contains("192 192 192 64 64: 704, 128 unused, 3 bought, 3 swaps, 78", plans);
    }

    [Fact]
    public void What_is_in_hand_is_not_bought_and_a_module_goes_only_where_it_fits()
    {
        Assert.Equal("192 192 64 64 64: 576, 0 unused, 1 bought, 2 swaps, 26", Plans(576 * K, in192: 1)[0]);
        Assert.Equal("64 64 64 192 192: 576, 0 unused, 2 bought, 2 swaps, 52", Plans(576 * K, only: ["m4", "m5"])[0]);
        Assert.Empty(Plans(576 * K, only: ["m4"]));
        Assert.Empty(Plans(5000 * K, cap: 5000 * K));
    }

    static readonly Machine Board = new()
    {
        Claims = """{ "id": "a", "kind": "ram", "base": "0", "size": "16K" }""",
        More = Machine.Slot,
        Parts = Machine.Part(
            "p",
            """, "switches": [ { "id": "S", "positions": ["small", "large"] } ], "mix": "alike", "arrays": [ { "id": "b0", "dataBits": 8, "types": ["64Kx1", "256Kx1"], "addressLines": 9, "refreshBits": 8, "refreshRowUs": 15.6, "accessNs": 150, "supplies": ["+5"] }, { "id": "b1", "dataBits": 8, "types": ["64Kx1", "256Kx1", "32Kx8"], "accessNs": 150 } ], "switchTable": [ { "arrangement": ["256Kx1", null], "positions": { "S": "large" } } ]"""
        ),
    };

    static string[] With(string banks, string array = "", string instead = "") =>
        (
            Board with
            {
                Parts = array.Length == 0 ? Board.Parts : Board.Parts.Instead(array, instead),
                Job = $"{Machine.Add("p")}, \"banks\": {{ \"p\": {banks} }}",
            }
        ).Codes;

    [Fact]
    public void CHIP_MIX()
    {
        Assert.Equal(["CHIP-MIX"], With("""["64Kx1", "256Kx1"]"""));
        Assert.Equal(["CHIP-MIX"], With("""["16Kx4", null]"""));
        Assert.Equal(["CHIP-MIX"], With("""[null, "64Kx1"]"""));
        Assert.Empty(With("""["64Kx1", "64Kx1"]"""));
    }

    [Fact]
    public void CHIP_LINES()
    {
        Assert.Equal(["CHIP-LINES"], With("""["64Kx1", null]""", "\"addressLines\": 9", "\"addressLines\": 7"));
        Assert.Empty(With("""["64Kx1", null]""", "\"addressLines\": 9", "\"addressLines\": 8"));
        Answer quarter = (
            Board with
            {
                Parts = Board
                    .Parts.Instead("\"addressLines\": 9", "\"addressLines\": 8")
                    .Instead("\"S\": \"large\"", "\"S\": \"small\""),
                Job = $"{Machine.Add("p")}, \"banks\": {{ \"p\": [\"256Kx1\", null] }}",
            }
        ).Answer;
        Assert.Contains("1/4 of it is reached", Assert.Single(quarter.Findings, f => f.Code == "CHIP-LINES").Text);
    }

    [Fact]
    public void CHIP_REFRESH()
    {
        // 256 rows every 15.6 us take 3.99 ms: within 4. At 15.7 us they take 4.02.
        Assert.Empty(With("""["64Kx1", null]"""));
        Assert.Equal(["CHIP-REFRESH"], With("""["64Kx1", null]""", "15.6", "15.7"));
        Assert.Equal(["CHIP-REFRESH"], With("""["64Kx1", null]""", "\"refreshBits\": 8", "\"refreshBits\": 6"));
        // Chips with a counter of their own need none of the board; most 64Kx1 have none.
        Assert.Equal(
            ["CHIP-REFRESH"],
            With("""["64Kx1", null]""", "\"refreshBits\": 8", "\"refreshBits\": 6, \"ownRefresh\": true")
        );
        Assert.DoesNotContain(
            "CHIP-REFRESH",
            With("""["256Kx1", null]""", "\"refreshBits\": 8", "\"refreshBits\": 6, \"ownRefresh\": true")
        );
        Assert.Equal(
            Standing.Watch,
            (
                Board with
                {
                    Parts = Board.Parts.Instead("\"refreshBits\": 8", "\"refreshBits\": 7"),
                    Job = $"{Machine.Add("p")}, \"banks\": {{ \"p\": [\"64Kx1\", null] }}",
                }
            )
                .Answer
                .Standing
        );
    }

    [Fact]
    public void CHIP_SPEED()
    {
        Assert.Equal(["CHIP-SPEED"], With("""["64Kx1-151", null]"""));
        Assert.Empty(With("""["64Kx1-150", null]"""));
    }

    [Fact]
    public void CHIP_SUPPLY()
    {
        Assert.Equal(
            ["CHIP-SUPPLY"],
            With("""["64Kx1", null]""", "\"supplies\": [\"+5\"]", "\"supplies\": [\"+12\", \"+5\", \"-5\"]")
        );
        Assert.Empty(With("""["64Kx1", null]"""));
    }

    [Fact]
    public void CHIP_SWITCHES()
    {
        Answer answer = (Board with { Job = $"{Machine.Add("p")}, \"banks\": {{ \"p\": [\"256Kx1\", null] }}" }).Answer;
        Assert.Equal("large", Assert.Single(answer.Findings).Fix!.Switches["p"]["S"]);
        Assert.Empty(With("""["64Kx1", "64Kx1"]"""));
    }

    [Fact]
    public void Minutes_for_a_joint_are_learnt_from_steps_that_were_timed()
    {
        Machine soldered = Board with
        {
            Parts = Board.Parts.Instead("\"dataBits\": 8,", "\"dataBits\": 8, \"socketed\": false,"),
        };
        Assert.Equal((0.4m, 0), Core.Build.Learnt.PerJoint([(soldered with { Job = Machine.Add("p") }).Planned]));
        // 8 chips of 16 pins are 128 joints; 64 minutes make half a minute each.
        Core.Planning.PlannedUnit timed = (
            soldered with
            {
                Job = $"{Machine.Add("p")}, \"banks\": {{ \"p\": [\"64Kx1\", null] }}, \"took\": {{ \"set-p\": 64 }}",
            }
        ).Planned;
        Assert.Equal((0.5m, 1), Core.Build.Learnt.PerJoint([timed]));
    }

    [Fact]
    public void Four_static_chips_a_decoder_and_a_cell_are_128_KiB_kept_alive()
    {
        BoardProposal first = MysteryBoard.Propose(
            new BoardSeen([.. Enumerable.Repeat("62256LP-70", 4)], Cell: true, SwitchPositions: 1, FlyLeads: 1, Decoder: true)
        )[0];
        Assert.Equal(("Memory kept alive by a cell", 128 * K), (first.What, first.Bytes));
        Assert.Contains(first.Why, w => w.Contains("4 chip selects"));
        Assert.Contains("select or the write strobe: it goes where the decoder's free input is", first.Leads[0]);
        Assert.Empty(MysteryBoard.Propose(new BoardSeen(["a nut"], false, 0, 0, false)));
    }

    [Fact]
    public void Nine_chips_are_a_bank_with_parity() =>
        Assert.Equal(
            "1 bank of 8-bit memory with parity",
            MysteryBoard.Propose(new BoardSeen([.. Enumerable.Repeat("41256-12", 9)], false, 2, 0, false))[0].What
        );

    [Theory]
    [InlineData("16K", "", true)]
    [InlineData("17K", "", false)]
    [InlineData("12K", ", \"free\": true", true)]
    [InlineData("13K", ", \"free\": true", false)]
    public void A_title_runs_where_its_memory_is_there_or_left_free(string atLeast, string free, bool runs)
    {
        Machine machine = Board with
        {
            More = Machine.Slot + """, "firmware": [ { "id": "1", "uses": { "cpu": "4K" } } ]""",
            UnitMore = ", \"firmware\": \"1\"",
            Job = "\"add\": []",
        };
        var title = Sample
            .Pack(
                $$"""{ "format": "rustcabin.pack/1", "titles": [ { "id": "t", "name": "T", "needs": [ { "memory": { "master": "cpu", "atLeast": "{{atLeast}}" {{free}} } } ] } ] }"""
            )
            .Titles[0];
        TitleRun run = Titles.Run(machine.Planned, title);
        Assert.Equal(runs, run.Runs);
        Assert.Equal(!runs, run.Missing.Any(m => m.Contains("1 KiB short")));
    }

    [Theory]
    [InlineData("firmware", "2.0", true)]
    [InlineData("firmware", "1.0", true)]
    [InlineData("firmware", "3.0", false)]
    [InlineData("can", "fly", true)]
    [InlineData("can", "swim", false)]
    [InlineData("region", "50Hz", true)]
    [InlineData("region", "60Hz", false)]
    [InlineData("rail", "+5", true)]
    [InlineData("rail", "-12", false)]
    [InlineData("free", "slot", true)]
    [InlineData("free", "moat", false)]
    [InlineData("provides", "song", false)]
    [InlineData("title", "x", null)]
    public void Other_needs_are_met_or_not_or_not_known(string kind, string what, bool? met)
    {
        Machine machine = Board with
        {
            More =
                Machine.Slot
                + """, "region": ["50Hz"], "rails": [ { "id": "+5", "volts": 5, "amps": 1 } ], "firmware": [ { "id": "1.0" }, { "id": "2.0", "can": ["fly"] }, { "id": "3.0" }, { "id": "2.0-own", "basedOn": "2.0" } ]""",
            UnitMore = ", \"firmware\": \"2.0-own\"",
            Job = "\"add\": []",
        };
        var need = Sample
            .Pack(
                $$"""{ "format": "rustcabin.pack/1", "titles": [ { "id": "t", "name": "T", "needs": [ { "{{kind}}": "{{what}}" } ] } ] }"""
            )
            .Titles[0]
            .Needs;
        Assert.Equal(met, Assert.Single(NeedCheck.Of(machine.Planned, need)).Met);
    }

    /// <summary>Rows take 8 lines, columns 6: with 7 a half is reached, with 5 an eighth of the rows and a half of the
    /// columns.</summary>
    [Theory]
    [InlineData("16Kx4", 7, 2)]
    [InlineData("16Kx4", 6, 4)]
    [InlineData("16Kx4", 5, 16)]
    [InlineData("64Kx4", 7, 4)]
    [InlineData("8Kx8", 12, 2)]
    public void A_missing_line_takes_a_row_line_and_a_column_line_where_it_served_both(string type, int lines, int share) =>
        Assert.Equal(share, ChipType.Find(type)!.ShareReached(lines));

    /// <summary>150 ns x 1.8 is 270 ns.</summary>
    [Theory]
    [InlineData("270", true)]
    [InlineData("269", false)]
    public void A_multiplexed_chip_must_recover_within_the_whole_cycle(string cycle, bool fits) =>
        Assert.Equal(
            fits,
            !With("""["64Kx1-150", null]""", "\"accessNs\": 150", $"\"accessNs\": 150, \"cycleNs\": {cycle}")
                .Contains("CHIP-SPEED")
        );

    /// <summary>47 kOhm and 1 uF at 5 V: 8.2 and 24 ms into CMOS; a TTL input feeds 0.4 mA, and leaves 1.6 and 4.1 ms.</summary>
    [Fact]
    public void A_ttl_input_charges_the_capacitor_itself()
    {
        var cmos = new ResetCircuit(47_000, 1e-6, 5);
        ResetCircuit ttl = cmos with { InputAmps = ResetCircuit.TtlInputAmps };
        Assert.Equal([8.2, 24.0], [Math.Round(cmos.GuaranteedHold * 1000, 1), Math.Round(cmos.LongestHold * 1000, 1)]);
        Assert.Equal([1.6, 4.1], [Math.Round(ttl.GuaranteedHold * 1000, 1), Math.Round(ttl.LongestHold * 1000, 1)]);
        Assert.Equal(625, ResetCircuit.OhmsForTtl(5), 6);
    }
}
