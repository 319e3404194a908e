using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Images;
using RustCabin.Core.Planning;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Rom;

/// <content>What a proof holds for, and what stands on it.</content>
public sealed partial class RomProofTests
{
    static ProofNote Told(string of) =>
        new()
        {
            At = "2026-11-23T20:00:00Z",
            Of = of,
            Passed = true,
            Words = "told",
        };

    [Fact]
    public void A_proof_holds_for_the_board_that_it_was_made_on()
    {
        Machine here = Small("27256"),
            moved = here with { Claims = here.Claims.Instead("0x8000", "0x0000") },
            other = here with { More = here.More.Instead("\"A14\"", "\"n\"") };
        RomPlan plan = here.Pack.Jobs[0].Roms[0];
        plan = plan with { Proof = Told(RomProof.KeyOf(here.Planned, plan)) };
        Assert.True(RomProof.Holds(here.Planned, plan));
        Assert.False(RomProof.Holds(moved.Planned, plan));
        Assert.False(RomProof.Holds(other.Planned, plan));
        Assert.False(RomProof.Holds(here.Planned, plan with { Further = ["2"] }));
    }

    [Fact]
    public void The_proof_locks_what_follows_and_no_tick_opens_it()
    {
        Progress Of(string rom)
        {
            Machine machine = Small("27256", rom) with
            {
                Job =
                    $$""" "roms": [ { "site": "os", "device": "27256" {{rom}} } ], "done": ["proof-os"], "readings": [ { "gate": "untouched", "at": "2026-11-23T20:00:00Z", "starts": true, "lines": [] } ]""",
            };
            BuildSheet sheet = BuildSheet.For(Trail.Stations, Plan.For(machine.Pack, machine.Pack.Units[0]), machine.Planned);
            return Progress.Of(sheet, machine.Pack.Jobs[0]);
        }
        StepState State(Progress progress, string step) => progress.Steps.Single(s => s.Step.Id == StepId.Parse(step)).State;
        Progress barred = Of(""", "image": "1" """);
        Assert.Equal(
            (StepState.Open, StepState.Locked, StepState.Locked),
            (State(barred, "proof-os"), State(barred, "burn-os"), State(barred, "fit-rom-os"))
        );
        Machine machine = Small("27256");
        Progress proved = Of(
            $$""", "image": "1", "proof": { "at": "2026-11-23T20:00:00Z", "of": "{{RomProof.KeyOf(machine.Planned, machine.Pack.Jobs[0].Roms[0])}}", "passed": true, "words": "told" }"""
        );
        Assert.Equal((StepState.Done, StepState.Open), (State(proved, "proof-os"), State(proved, "burn-os")));
        // Without an image in the cabin a dump is compared by hand, and a tick says so.
        Assert.Equal(StepState.Done, State(Of(""), "proof-os"));
    }

    [Fact]
    public void A_label_says_machine_socket_unit_device_and_sum_or_the_user_s_own_words()
    {
        PlannedUnit unit = Small("27256").Planned;
        RomPlan plan = unit.Job!.Roms[0];
        Assert.Equal(["Test os", "Unit", "27256", "crc 1234abcd"], RomLabel.Lines(unit, plan, "1234abcd"));
        Assert.Equal(["mine", "twice"], RomLabel.Lines(unit, plan with { Label = " mine \n\n twice" }));
        Assert.Null(RomLabel.Wrong(["24 letters are the most s"[..24]]));
        Assert.Contains("24 letters", RomLabel.Wrong(["25 letters are one too man"])!);
        Assert.Contains("4 lines", RomLabel.Wrong(["a", "b", "c", "d", "e"])!);
    }

    [Theory]
    [InlineData("0", "4e71", "4e 71 02 03")]
    [InlineData("2", "AA BB", "00 01 aa bb")]
    [InlineData("3", "aabb", null)]
    public void A_patch_is_put_where_it_is_said_and_nowhere_else(string at, string bytes, string? made)
    {
        using var json = System.Text.Json.JsonDocument.Parse($$"""[{ "op": "patch", "at": {{at}}, "bytes": "{{bytes}}" }]""");
        IReadOnlyList<RomOp> ops = RomOp.Read(json.RootElement).Ops;
        if (made is null)
            Assert.Throws<RomOpException>(() =>
                RomOp.Run(
                    [
                        [0, 1, 2, 3],
                    ],
                    ops
                )
            );
        else
            Assert.Equal(
                Convert.FromHexString(made.Replace(" ", "")),
                RomOp.Run(
                    [
                        [0, 1, 2, 3],
                    ],
                    ops
                )[0]
            );
    }

    [Theory]
    [InlineData("")]
    [InlineData("4e7")]
    [InlineData("xy")]
    public void A_patch_that_is_no_hex_is_told(string bytes)
    {
        using var json = System.Text.Json.JsonDocument.Parse($$"""[{ "op": "patch", "at": 0, "bytes": "{{bytes}}" }]""");
        Assert.Equal("ops[0].bytes", Assert.Single(RomOp.Read(json.RootElement).Errors).Path);
    }

    [Fact]
    public void Sockets_and_pages_that_are_not_on_the_sheet_are_errors_with_their_path()
    {
        Reading<Pack> reading = Sample.Read(
            """
            { "format": "rustcabin.pack/1", "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8,
                "masters": ["cpu"], "revisions": [ { "id": "r", "name": "R" } ], "claims": [
              { "id": "a", "kind": "rom", "base": "0", "size": "1K", "sockets": ["none"] },
              { "id": "b", "kind": "rom", "base": "0x1000", "size": "1K", "window": { "banks": 2, "pages": [ { "bank": 1,
                  "site": "gone" } ] } },
              { "id": "c", "kind": "rom", "base": "0x2000", "size": "1K", "window": { "banks": 2, "pages": [ { "bank": 2,
                  "site": "gone" } ] } },
              { "id": "d", "kind": "rom", "base": "0x3000", "size": "1K", "pages": [ { "bank": 0, "site": "gone" } ] } ] } ] }
            """
        );
        Assert.Equal(
            [
                "models[0].claims[0].sockets",
                "models[0].claims[1].window.pages",
                "models[0].claims[2].pages",
                "models[0].claims[2].window.pages",
                "models[0].claims[3].pages",
            ],
            reading.Errors.Select(e => e.Path).Where(p => p.Contains("sockets") || p.Contains("pages")).Order()
        );
    }
}
