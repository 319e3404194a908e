using RustCabin.Core.Build;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Tests.Presses;

namespace RustCabin.Core.Tests.Build;

/// <summary>What is laid out and used up; how loud it is; a part on the bench with its versions.</summary>
public sealed class LaidOutTests
{
    static Pressing Cuts() => new(Demo.Of("larkspur-disc.json"), "float-disc-cuts");

    static IReadOnlyList<LaidOut> Of(Pressing job, params StockItem[] stock) => LayOut.Of(job.At.Sheet, job.At.After, stock);

    static StockItem Here(StockKind kind, string name, int count = 1) =>
        new()
        {
            Kind = kind,
            Name = name,
            Count = count,
        };

    [Fact]
    public void What_is_used_up_goes_by_the_ways_that_are_kept_to()
    {
        Pressing job = Cuts();
        Assert.Contains(Of(job), l => l is { Name: "flux", InHand: null });
        Assert.DoesNotContain(Of(job), l => l.Name == "alcohol");
        job.Made(at => Gating.Keep(at, "round", "whole"));
        Assert.Contains(Of(job), l => l.Name == "alcohol");
        // Nothing is soldered in a job without wiring.
        Assert.DoesNotContain(Of(new Pressing(Demo.Of("brindle-16.json"), "slip-3-winter")), l => l.Name == "flux");
    }

    [Fact]
    public void What_is_missing_is_told_as_soon_as_any_of_its_kind_lies_there()
    {
        IReadOnlyList<LaidOut> laid = Of(Cuts(), Here(StockKind.Consumable, "Solder, 0.7 mm"), Here(StockKind.Tool, "Meter"));
        Assert.Equal(true, laid.First(l => l.Name == "solder").InHand);
        Assert.Equal(false, laid.First(l => l.Name == "flux").InHand);
        Assert.Equal(false, laid.First(l => l.Name == "soldering iron").InHand);
        Assert.Equal(true, laid.First(l => l.Name == "meter").InHand);
    }

    [Fact]
    public void A_puller_that_is_missing_has_what_does_instead_with_its_risk()
    {
        Pack pack = Demo.Of("larkspur-disc.json");
        pack = pack with
        {
            Parts =
            [
                .. pack.Parts.Select(p =>
                    p.Id == "tern" ? p with { Ways = [.. p.Ways.Select(w => w with { Tools = ["chip puller"] })] } : p
                ),
            ],
        };
        LaidOut puller = Of(new Pressing(pack, "float-disc-cuts"), Here(StockKind.Tool, "meter"))
            .First(l => l.Name == "chip puller");
        Assert.False(puller.InHand);
        Assert.Contains("does not conduct", puller.Instead);
    }

    [Theory]
    [InlineData("44", "31.5", null)]
    [InlineData("", "", null)]
    [InlineData("loud", "31", "before")]
    [InlineData("44", "201", "after")]
    [InlineData("44", "-1", "after")]
    public void Noise_is_noted_before_and_after(string before, string after, string? field)
    {
        Press<Job> press = Gating.Noise(before, after);
        Assert.Equal(field, press.Refused?.Field);
        if (field is null && before.Length > 0)
            Assert.Equal((44m, 31.5m), (press.On(new Job())!.Build!.NoiseBeforeDb, press.On(new Job())!.Build!.NoiseAfterDb));
    }

    [Fact]
    public void A_part_on_the_bench_is_told_by_its_clues_and_tried_by_its_functions()
    {
        var part = new Part
        {
            Id = "board",
            Name = "board",
            Versions = [new PartVersion { Id = "1.0" }, new PartVersion { Id = "2.0" }],
            Clues =
            [
                new Clue
                {
                    Id = "label",
                    Ask = "colour of its label",
                    Trust = 0.97m,
                    Values = new OrderedDictionary<string, IReadOnlyList<string>> { ["red"] = ["1.0"], ["blue"] = ["2.0"] },
                },
            ],
            Functions = [new MachineFunction { Id = "lamp", What = "its lamp" }],
        };
        Model bench = part.OnTheBench();
        Assert.Equal(["Version 1.0", "Version 2.0"], bench.Revisions.Select(r => r.Name));
        Assert.Equal("lamp", Assert.Single(bench.Functions).Id);
        Verdict told = Revisions.Identify(bench, new OrderedDictionary<string, string> { ["label"] = "blue" }, null);
        Assert.Equal(bench.Revisions[1].Id, told.Id);
        Assert.True(told.Probability > 0.95);
        Assert.Equal(
            "as-built",
            Assert
                .Single(
                    new Part { Id = "p" }
                        .OnTheBench()
                        .Revisions
                )
                .Id
        );
    }
}
