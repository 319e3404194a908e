using System.Text;
using RustCabin.Core.Answers;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests;

/// <summary>Packs for tests: the one that the format's description prints, and small ones written in the test itself.</summary>
static class Sample
{
    public static byte[] Bytes(string name) => File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "Samples", name));

    public static Reading<Pack> Read(byte[] json)
    {
        using var document = PackReader.Parse(json);
        return PackReader.Read(document.RootElement);
    }

    public static Reading<Pack> Read(string json) => Read(Encoding.UTF8.GetBytes(json));

    /// <summary>A pack that must read without an error.</summary>
    public static Pack Pack(string json)
    {
        Reading<Pack> reading = Read(json);
        Assert.Empty(reading.Errors);
        return reading.Value!;
    }

    public static Pack Slipway() => Read(Bytes("slipway.json")).Value!;

    /// <summary>The sample pack with some of its text replaced, which must be there.</summary>
    public static Pack Slipway(params (string Old, string New)[] changes) => Pack(SlipwayText(changes));

    public static string SlipwayText(params (string Old, string New)[] changes)
    {
        string text = Encoding.UTF8.GetString(Bytes("slipway.json"));
        foreach ((string old, string instead) in changes)
        {
            Assert.Contains(old, text, StringComparison.Ordinal);
            text = text.Instead(old, instead);
        }
        return text;
    }

    /// <summary>The answer for the only job of a pack.</summary>
    public static Answer Answer(Pack pack) =>
        Evidence.Keep(Core.Answers.Answer.For(Trail.Stations, Plan.For(pack, pack.Jobs.Single())));
}

/// <summary>The packs that ship.</summary>
static class Demo
{
    static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "demo");

    /// <summary>The pack of a file.</summary>
    public static Pack Of(string file) => Sample.Pack(File.ReadAllText(Path.Combine(Folder, file)));

    public static IEnumerable<Pack> Packs => new DirectoryInfo(Folder).EnumerateFiles("*.json").Select(f => Of(f.Name));

    public static IEnumerable<(Pack Pack, Job Job)> Jobs => Packs.SelectMany(pack => pack.Jobs.Select(job => (pack, job)));
}
