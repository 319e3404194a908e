using RustCabin.Core.Findings;

namespace RustCabin.Core.Tests;

/// <summary>Runs when all other tests are through.</summary>
[CollectionDefinition(nameof(Afterwards), DisableParallelization = true)]
public sealed class Afterwards;

/// <summary>
/// Every finding of the catalogue is raised by some test, and held back by a hair in the same test. What counts is what the
/// tests saw, not what they are called.
/// </summary>
[Collection(nameof(Afterwards))]
public class CatalogueTests
{
    public static readonly TheoryData<string> Codes = new(Catalogue.Select(f => f.Code));

    static IEnumerable<FindingKind> Catalogue => Trail.Stations.SelectMany(s => s.Findings);

    [Theory]
    [MemberData(nameof(Codes))]
    public void Is_raised_and_held_back(string code)
    {
        Assert.SkipWhen(Evidence.Tests < 60, "only some of the tests were run");
        Assert.True(Evidence.IsRaised(code), $"no test raises {code}");
        Assert.True(Evidence.IsHeldBack(code), $"no test that raises {code} holds it back by a hair");
    }

    [Fact]
    public void Each_code_is_declared_once_by_a_station_that_is_there()
    {
        Assert.Equal(Catalogue.Select(f => f.Code).Distinct(), Catalogue.Select(f => f.Code));
        Assert.All(Catalogue, f => Assert.NotEmpty(f.Severities));
        Assert.All(Catalogue, f => Assert.Contains(f.Station, Trail.Stations.Select(s => s.Name)));
    }

    [Theory]
    [InlineData(false, "A")]
    [InlineData(false, "A", "A B")]
    [InlineData(false, "B")]
    [InlineData(true, "A", "B")]
    [InlineData(true, "A B", "")]
    public void One_answer_with_it_and_one_without_hold_it_back(bool held, params string[] answers) =>
        Assert.Equal(held, Evidence.IsBoth("A", [.. answers.Select(a => a.Split(' '))]));
}
