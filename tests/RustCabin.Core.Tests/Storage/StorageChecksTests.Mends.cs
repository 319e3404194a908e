using RustCabin.Core.Answers;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Storage;

/// <summary>Presses that divide a card otherwise.</summary>
public partial class StorageChecksTests
{
    /// <summary>Cards by chance: what is offered mends them and drops no partition.</summary>
    [Fact]
    public void A_press_that_is_offered_for_a_card_mends_it()
    {
        var random = new Random(20261130);
        int offered = 0;
        for (int round = 0; round < 120; round++)
        {
            string[] partitions =
            [
                .. Enumerable
                    .Range(0, random.Next(1, 5))
                    .Select(n =>
                        $$"""
                            { "name": "N{{n}}", "size": "{{random.Next(1, 5000)}}M", "fs": "{{(
                                random.Next(2) == 0 ? "fat16" : "native"
                            )}}"
                              {{(random.Next(3) == 0 ? ", \"start\": true" : "")}} }
                            """
                    ),
            ];
            Machine machine = With(Card, On("8 GB", partitions), firmware: random.Next(4) == 0 ? "1" : "2");
            PlannedUnit unit = machine.Planned;
            foreach (
                Findings.Finding finding in Answer.For(Trail.Stations, unit).Findings.Where(f => f.Fix is { Cards.Count: > 0 })
            )
            {
                offered++;
                Assert.Equal(Findings.Severity.Stop, finding.Severity);
                Assert.NotEqual("", finding.Fix!.Words);
                Job job = RustCabin.Core.Storage.StorageEdits.Divide(unit.Job!, InstanceName.Parse("d"), finding.Fix.Cards["d"])!;
                Assert.Equal(
                    unit.Job!.Cards[0].Partitions.Select(p => p.Name).Order(),
                    job.Cards[0].Partitions.Select(p => p.Name).Order()
                );
                Answer after = Answer.For(Trail.Stations, unit with { Job = job });
                Assert.DoesNotContain(after.Findings, f => f.Code == finding.Code && f.Severity == Findings.Severity.Stop);
            }
        }
        Assert.True(offered > 40, $"{offered} were offered");
    }

    [Fact]
    public void Cards_are_mended_by_the_least_change()
    {
        string fix(params string[] partitions) =>
            With(Card, On("8 GB", partitions), firmware: "1").Answer.Findings.Single(f => f.Code == "STO-PART").Fix!.Words;
        Assert.Equal("Give P2049M 2 GiB", fix(P("2049M")));
        Assert.Equal("Give P3G 2 GiB", fix(P("512M"), P("3G")));
    }
}
