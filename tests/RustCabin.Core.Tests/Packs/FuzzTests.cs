using System.Diagnostics;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Build;
using RustCabin.Core.Fit;
using RustCabin.Core.Maps;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Packs;

/// <summary>
/// Packs with something wrong in them, made at random from good ones: whatever stands in a pack, reading it gives errors or a
/// pack, and every station of a pack that reads gives an answer. Bounded in time; the seed of a failure is told.
/// </summary>
public class FuzzTests
{
    static readonly TimeSpan Bound = TimeSpan.FromSeconds(
        double.Parse(Environment.GetEnvironmentVariable("CABIN_FUZZ_SECONDS") ?? "6")
    );

    static readonly JsonNode?[] Odd =
    [
        null,
        true,
        0,
        -1,
        1e300,
        0.5,
        "",
        "x",
        "0",
        "1",
        "3",
        "0x0",
        "0xFFFFFFFFFF",
        "1G",
        "1024G",
        "8191P",
        "0x7FFFFFFFFFFFFFFF",
        "../a",
        "<script>",
        "model:shared",
        "fathom",
        "b4",
        "\u202e",
        new string('a', 5000),
        new JsonArray(),
        new JsonObject(),
        new JsonArray("0", 1, null),
        new JsonObject { ["id"] = "a" },
    ];

    [Fact]
    public void Whatever_stands_in_a_pack_gives_errors_or_answers()
    {
        string[] packs =
        [
            .. Directory
                .EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "demo"), "*.json")
                .Append(Path.Combine(AppContext.BaseDirectory, "Samples", "weir.json"))
                .Select(File.ReadAllText),
        ];
        int seed = 0,
            read = 0;
        for (var spent = Stopwatch.StartNew(); spent.Elapsed < Bound; seed++)
        {
            var random = new Random(seed);
            JsonNode pack = JsonNode.Parse(packs[random.Next(packs.Length)])!;
            for (int changes = random.Next(1, 4); changes > 0; changes--)
                Disturb(pack, random);
            byte[] bytes = Encoding.UTF8.GetBytes(pack.ToJsonString());
            if (random.Next(20) == 0)
                bytes[random.Next(bytes.Length)] = (byte)random.Next(256);
            try
            {
                if (Sample.Read(bytes).Value is { } good)
                {
                    read++;
                    Answer(good);
                }
            }
            catch (Exception known) when (known is JsonException or MapTooDenseException)
            {
                // Told to the caller as what it is.
            }
            catch (Exception problem)
            {
                Assert.Fail($"seed {seed}: {problem}");
            }
        }
        // Enough of them must still read, or the stations were not tried at all.
        Assert.True(read > seed / 50, $"{read} of {seed} packs read");
    }

    static void Answer(Pack pack)
    {
        foreach (Job job in pack.Jobs)
        {
            PlannedUnit planned = Plan.For(pack, job);
            Core.Answers.Answer.For(Trail.Stations, planned);
            Progress.Of(BuildSheet.For(Trail.Stations, Plan.For(pack, planned.Unit), planned), job);
            FitMatrix.Of(planned.Model, pack.Parts);
            Revisions.Next(planned.Model, planned.Unit.Seen);
            Assert.Equal(planned.Map.Segments[^1].To, Decode.Space(planned.Model.AddressBits));
        }
    }

    /// <summary>
    /// Puts something odd in the place of a value, takes a field out, or gives one twice over under another name.
    /// </summary>
    static void Disturb(JsonNode pack, Random random)
    {
        var places = new List<JsonNode>();
        Collect(pack, places);
        JsonNode at = places[random.Next(places.Count)];
        if (at is JsonObject { Count: > 0 } fields)
        {
            string name = fields.ElementAt(random.Next(fields.Count)).Key;
            switch (random.Next(4))
            {
                case 0:
                    fields.Remove(name);
                    break;
                case 1:
                    fields["odd"] = fields[name]?.DeepClone();
                    break;
                default:
                    fields[name] = Odd[random.Next(Odd.Length)]?.DeepClone();
                    break;
            }
        }
        else if (at is JsonArray { Count: > 0 } items)
        {
            int index = random.Next(items.Count);
            if (random.Next(3) == 0)
                items.Add(items[index]?.DeepClone());
            else
                items[index] = Odd[random.Next(Odd.Length)]?.DeepClone();
        }
    }

    static void Collect(JsonNode? node, List<JsonNode> places)
    {
        if (node is not (JsonObject or JsonArray))
            return;
        places.Add(node);
        foreach (JsonNode? child in node is JsonObject fields ? fields.Select(f => f.Value) : node.AsArray())
            Collect(child, places);
    }

    [Theory]
    [InlineData("{\"a\":\"\\ud800\"}")]
    [InlineData("{\"\\udc00\":1}")]
    public void Half_a_character_is_refused_as_no_json(string json) => Assert.ThrowsAny<JsonException>(() => Sample.Read(json));

    [Fact]
    public void A_full_window_is_found_full_without_trying_every_place()
    {
        var machine = new Machine
        {
            AddressBits = 40,
            More = ", \"autoWindows\": [ { \"id\": \"w\", \"base\": \"0\", \"size\": \"1024G\" } ]" + Machine.Slot,
            Claims = """{ "id": "all", "kind": "io", "base": "0", "size": "1024G" }""",
            Parts = Machine.Part("p", """, "claims": [ { "id": "a", "kind": "ram", "auto": true, "size": "1" } ]"""),
            Job = Machine.Add("p"),
        };
        Assert.Equal(["AUTO-NO-ROOM"], machine.Codes);
    }
}
