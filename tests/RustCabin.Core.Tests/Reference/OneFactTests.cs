using RustCabin.Core.Declared;
using RustCabin.Core.Packs;

namespace RustCabin.Core.Tests.Reference;

/// <summary>A sheet field's name in JSON is spelt out in one source file at most: it is derived from its property.</summary>
public class OneFactTests
{
    static readonly string[] Sample =
    [
        "addressBits",
        "dataBits",
        "clockMHz",
        "byteOrder",
        "autoWindows",
        "powerUp",
        "romBudgetNs",
        "usedAmps",
        "drivesOnWrite",
        "stopAtGap",
        "fromVolts",
        "maxWatts",
        "degreesPerWatt",
        "contactsFace",
        "bareContacts",
        "bareMetal",
        "typicalAmps",
        "toleratesVolts",
        "markedCable",
        "faultChance",
        "overhangs",
        "clearanceMm",
        "switchTable",
        "refreshRowUs",
        "ownRefresh",
        "suppliedForVolts",
        "mainsHereVolts",
        "belongings",
        "erasures",
        "halfDone",
    ];

    public static readonly TheoryData<string> Names = new(Sample);

    [Theory]
    [MemberData(nameof(Names))]
    public void Stands_in_one_file_at_most(string name)
    {
        Assert.True(Declared.Contains(name), $"{name} is no field of a sheet");
        Assert.True(Spelt(name).Count() <= 1, $"\"{name}\" is spelt out in {string.Join(", ", Spelt(name))}");
    }

    [Fact]
    public void The_sample_has_thirty_fields() => Assert.Equal(30, Sample.Distinct().Count());

    static readonly HashSet<string> Declared = [.. Under(Declaration<PackSheet>.Shape, []).Select(f => f.Name)];

    static IEnumerable<ShapeField> Under(Shape? shape, HashSet<string> seen)
    {
        if (shape is null || (shape.Record is { } record && !seen.Add(record)))
            return [];
        return (shape.Fields ?? [])
            .Concat((shape.Fields ?? []).SelectMany(f => Under(f.Shape, seen)))
            .Concat(Under(shape.Items, seen))
            .Concat((shape.Choices ?? []).SelectMany(choice => Under(choice, seen)));
    }

    static IEnumerable<string> Spelt(string name) =>
        ((string[])["*.cs", "*.cshtml", "*.js"])
            .SelectMany(pattern => Repository.Files("src", pattern))
            .Where(f => File.ReadAllText(f) is var code && (code.Contains($"\"{name}\"") || code.Contains($"'{name}'")))
            .Select(f => Path.GetRelativePath(Repository.Root, f));
}
