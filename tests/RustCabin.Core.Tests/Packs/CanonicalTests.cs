using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Packs;

public class CanonicalTests
{
    static byte[] Write(byte[] json)
    {
        using JsonDocument document = PackReader.Parse(json);
        return CanonicalPack.Write(document.RootElement);
    }

    public static TheoryData<string> Packs =>
        [
            .. Directory
                .EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "demo"))
                .Concat([
                    Path.Combine(AppContext.BaseDirectory, "Samples", "slipway.json"),
                    Path.Combine(AppContext.BaseDirectory, "Samples", "weir.json"),
                ]),
        ];

    [Theory]
    [MemberData(nameof(Packs))]
    public void Written_read_and_written_again_gives_equal_bytes_and_loses_nothing(string path)
    {
        byte[] given = File.ReadAllBytes(path),
            once = Write(given);
        Assert.Equal(once, Write(once));
        Assert.Empty(Sample.Read(once).Errors);
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(given), JsonNode.Parse(once)));
        string text = Encoding.UTF8.GetString(once);
        Assert.DoesNotContain('\r', text);
        Assert.DoesNotContain(" \n", text);
        Assert.EndsWith("}\n", text);
    }

    [Fact]
    public void Order_is_fixed_and_what_was_typed_stays_as_typed()
    {
        string text = Encoding.UTF8.GetString(
            Write(
                """{"titles":[],"format":"rustcabin.pack/1","parts":[{"price":38.50,"x":{"b":1,"a":2},"name":"Größe <1>","kind":"io","id":"p","claims":[{"size":"0x0400","base":"1K","kind":"io","id":"c"}]}]}"""u8.ToArray()
            )
        );
        Assert.Equal(
            """
            {
              "format": "rustcabin.pack/1",
              "parts": [
                {
                  "id": "p",
                  "name": "Größe <1>",
                  "kind": "io",
                  "claims": [
                    {
                      "id": "c",
                      "kind": "io",
                      "base": "1K",
                      "size": "0x0400"
                    }
                  ],
                  "price": 38.50,
                  "x": {
                    "b": 1,
                    "a": 2
                  }
                }
              ],
              "titles": []
            }

            """.ReplaceLineEndings("\n"),
            text
        );
    }

    /// <summary>Each field of a shape, put where it belongs with a value of its kind, is one that the reader knows.</summary>
    [Fact]
    public void The_reader_knows_every_field_of_the_shapes()
    {
        foreach ((string list, Shape shape) in SheetKind.All.Select(k => (k.Plural, k.Shape)))
        {
            JsonObject pack = new() { ["format"] = Pack.Format, [list] = new JsonArray(Filled(shape)) };
            Reading<Pack> reading = Sample.Read(pack.ToJsonString());
            Assert.DoesNotContain(reading.Errors, e => e.Message.Contains("is not a field", StringComparison.Ordinal));
        }
    }

    static JsonNode Filled(Shape shape) =>
        shape.Kind switch
        {
            ShapeKind.Object => new JsonObject(
                shape.Fields!.Select(f => KeyValuePair.Create(f.Name, (JsonNode?)Filled(f.Shape)))
            ),
            ShapeKind.List => new JsonArray(Filled(shape.Items!)),
            ShapeKind.Map => new JsonObject { ["a"] = Filled(shape.Items!) },
            ShapeKind.Word => shape.Words![0],
            ShapeKind.Size or ShapeKind.Address => "1K",
            ShapeKind.Number or ShapeKind.Whole => 1,
            ShapeKind.Flag => true,
            _ => "a",
        };
}
