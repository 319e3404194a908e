using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Tests.Wants;

/// <summary>Each kind of need: met, missed by a hair, and unknown where the sheets do not say.</summary>
public class NeedTests
{
    static readonly Machine Met = new()
    {
        Claims = """{ "id": "a", "kind": "ram", "base": "0", "size": "16K" }""",
        More = """
            , "sites": [ { "id": "slot", "kind": "slot" }, { "id": "slot-2", "kind": "slot" } ],
              "rails": [ { "id": "+12", "volts": 12, "amps": 1 } ], "region": [ "50Hz" ],
              "signals": [ { "net": "csync", "at": [ { "chip": "U1", "pin": 1, "tap": "clip" } ] } ],
              "firmware": [ { "id": "1.0", "bytes": "8K" }, { "id": "1.1", "bytes": "8K", "can": ["start"] } ]
            """,
        Parts = Machine.Part("p", """, "provides": ["net"], "speed": { "processor": 3 }, "capacity": "2M" """),
        UnitMore = """, "firmware": "1.1" """,
        Job = Machine.Add("p"),
    };

    [Theory]
    [InlineData("""{ "memory": { "master": "cpu", "atLeast": "16384" } }""", true)]
    [InlineData("""{ "memory": { "master": "cpu", "atLeast": "16385" } }""", false)]
    [InlineData("""{ "firmware": "1.1" }""", true)]
    [InlineData("""{ "firmware": "1.0" }""", true)]
    [InlineData("""{ "firmware": "1.2" }""", false)]
    [InlineData("""{ "can": "start" }""", true)]
    [InlineData("""{ "can": "stop" }""", false)]
    [InlineData("""{ "signal": "csync" }""", true)]
    [InlineData("""{ "signal": "hsync" }""", false)]
    [InlineData("""{ "part": "p" }""", true)]
    [InlineData("""{ "part": "q" }""", false)]
    [InlineData("""{ "rail": "+12" }""", true)]
    [InlineData("""{ "rail": "-12" }""", false)]
    [InlineData("""{ "free": "slot-2" }""", true)]
    [InlineData("""{ "free": "slot" }""", false)]
    [InlineData("""{ "region": "50Hz" }""", true)]
    [InlineData("""{ "region": "60Hz" }""", false)]
    [InlineData("""{ "provides": "net" }""", true)]
    [InlineData("""{ "provides": "sound" }""", false)]
    [InlineData("""{ "speed": { "atLeast": 3 } }""", true)]
    [InlineData("""{ "speed": { "atLeast": 3.01 } }""", false)]
    [InlineData("""{ "storage": { "atLeast": "2M" } }""", true)]
    [InlineData("""{ "storage": { "atLeast": "2097153" } }""", false)]
    public void Is_met_or_missed_by_a_hair(string need, bool met)
    {
        Need asked = Edited.Read<Job>($$"""{ "id": "j", "unit": "u", "name": "J", "wants": [ {{need}} ] }""").Wants.Single();
        NeedAnswer answer = NeedCheck.Of(Met.Planned, [asked]).Single();
        Assert.Equal(met, answer.Met == true);
        Assert.NotEmpty(answer.Text);
        Assert.NotEmpty(NeedCheck.Words(asked, Met.Planned));
    }
}
