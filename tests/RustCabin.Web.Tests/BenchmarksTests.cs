using RustCabin.Benchmarks;

namespace RustCabin.Web.Tests;

/// <summary>Every benchmark still runs: each once, without being measured.</summary>
public sealed class BenchmarksTests
{
    public static TheoryData<string, string> Each() =>
        new(Once.Parts.SelectMany(part => part.Value.SelectMany(Once.Of).Select(one => (part.Key, one.Name))));

    [Theory]
    [MemberData(nameof(Each))]
    public void Runs(string part, string name) =>
        Assert.NotNull(Once.Parts[part].SelectMany(Once.Of).Single(one => one.Name == name).Run());
}
