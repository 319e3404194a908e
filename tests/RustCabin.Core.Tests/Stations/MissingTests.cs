using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Stations;

/// <summary>
/// Only what is missing is asked: a fact that is there is not, and one that no station of the job uses neither.
/// </summary>
public sealed class MissingTests
{
    static IReadOnlyList<string> Of(string job, Func<Model, Model>? model = null, Func<Part, Part>? part = null)
    {
        (Pack pack, Job known) = Demo.Jobs.First(j => j.Job.Id == job);
        Pack changed = pack with
        {
            Models = [.. pack.Models.Select(m => model?.Invoke(m) ?? m)],
            Parts = [.. pack.Parts.Select(p => part?.Invoke(p) ?? p)],
            Jobs = [known],
        };
        return [.. Trail.Stations.Missing(Plan.For(changed, known)).Select(m => $"{m.Station}: {m.Fact.What}")];
    }

    [Theory]
    [InlineData("slip-3-winter", "Identify: what tells its boards apart")]
    [InlineData("slip-3-winter", "Fit: how its case is opened")]
    [InlineData("slip-3-winter", "Fit: what its supply gives")]
    [InlineData("slip-3-winter", "Memory: its map")]
    [InlineData("slip-6-card", "Storage: what its drives come to")]
    [InlineData("slip-8-picture", "Picture, sound: its picture: pixel clock, line, lines")]
    [InlineData("jetty-disc-direct", "Wiring: its board, and where chips and points lie")]
    public void A_fact_of_the_model_is_asked_once_it_is_gone(string job, string asked)
    {
        Assert.DoesNotContain(asked, Of(job));
        Assert.Contains(
            asked,
            Of(
                job,
                m => m with { Clues = [], Access = [], Rails = [], Claims = [], Hosts = [], Pictures = [], Boards = [] },
                p => p with { Hosts = [] }
            )
        );
    }

    [Theory]
    [InlineData("slip-3-winter", "Fit: how high Fathom memory board is")]
    [InlineData("slip-3-winter", "Fit: what Fathom memory board draws")]
    [InlineData("slip-3-winter", "Memory: where Fathom memory board answers")]
    [InlineData("slip-6-card", "Storage: the largest card that Skiff card adapter takes")]
    [InlineData("slip-6-card", "Speed: how many times as fast Curragh accelerator is")]
    public void A_fact_of_a_part_is_asked_once_it_is_gone(string job, string asked)
    {
        Assert.DoesNotContain(asked, Of(job));
        Assert.Contains(
            asked,
            Of(
                job,
                part: p =>
                    p with
                    {
                        HeightMm = null,
                        Draws = [],
                        Claims = [],
                        Kind = asked.StartsWith("Speed", StringComparison.Ordinal) ? PartKind.Accelerator : p.Kind,
                        Speed = new Dictionary<string, decimal>(),
                        Storage = p.Storage is { } storage ? storage with { LargestCard = null } : null,
                    }
            )
        );
    }

    [Fact]
    public void What_no_station_of_the_job_uses_is_not_asked()
    {
        Assert.DoesNotContain(Of("slip-3-winter", m => m with { Pictures = [], Hosts = [] }), a => a.Contains("picture"));
        Assert.DoesNotContain(Of("slip-3-winter", m => m with { Pictures = [], Hosts = [] }), a => a.Contains("drives"));
    }

    [Fact]
    public void Every_fact_of_a_sheet_names_a_field_that_the_sheet_has()
    {
        foreach ((Pack pack, Job job) in Demo.Jobs)
        {
            var bare = pack with
            {
                Jobs = [job],
                Models = [.. pack.Models.Select(m => m with { Access = [], Rails = [], Hosts = [], Pictures = [], Boards = [] })],
                Parts = [.. pack.Parts.Select(p => p with { HeightMm = null, Draws = [], Claims = [] })],
            };
            foreach ((_, MissingFact fact) in Trail.Stations.Missing(Plan.For(bare, job)))
                Assert.True(
                    fact.On switch
                    {
                        MissingOn.Model => Core.Declared.Declaration<Model>.Shape.Field(fact.Field) is not null,
                        MissingOn.Part => Core.Declared.Declaration<Part>.Shape.Field(fact.Field) is not null,
                        _ => fact.Field.Length == 0,
                    },
                    $"{fact.What}: {fact.Field}"
                );
        }
    }
}
