using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Tests.Declared;

/// <summary>A typed change is laid back into the sheet as it was typed. Source: docs/architecture.md, Declared fields.</summary>
public class DeclarationTests
{
    const string Model = """
        { "name": "Tern", "id": "tern", "x": { "mine": [1, 2] }, "dataBits": 8, "addressBits": 16, "masters": ["cpu"],
          "revisions": [ { "id": "a", "name": "A", "x": "kept" }, { "id": "b", "name": "B" } ],
          "claims": [ { "id": "ram", "kind": "ram", "size": "0x4000", "base": "0x00000" },
                      { "id": "rom", "kind": "rom", "base": "49152", "size": "16384" } ] }
        """;

    static JsonObject Json => JsonNode.Parse(Model)!.AsObject();

    static string After(Func<Model, Model?> change) => Edited.Of(Json, change).ToJsonString();

    [Fact]
    public void A_change_of_one_field_leaves_all_others_as_typed()
    {
        JsonObject expected = Json;
        expected["claims"]![1]!["size"] = "8K";
        Assert.Equal(
            expected.ToJsonString(),
            After(m => m with { Claims = [m.Claims[0], m.Claims[1] with { Size = new ByteSize(8 << 10) }] })
        );
    }

    [Fact]
    public void A_size_that_means_the_same_stays_as_typed()
    {
        string same = After(m => m with { Claims = [.. m.Claims.Select(c => c with { Size = new ByteSize(16 << 10) })] });
        Assert.Equal(Json.ToJsonString(), same);
    }

    [Fact]
    public void Taking_out_the_first_of_a_list_keeps_what_the_second_had()
    {
        JsonObject expected = Json;
        expected["revisions"]!.AsArray().RemoveAt(1);
        Assert.Equal(expected.ToJsonString(), After(m => m with { Revisions = [m.Revisions[0]] }));
        expected = Json;
        expected["claims"]!.AsArray().RemoveAt(0);
        Assert.Equal(expected.ToJsonString(), After(m => m with { Claims = [m.Claims[1]] }));
    }

    [Fact]
    public void A_field_given_back_its_usual_value_goes()
    {
        JsonObject with = Edited.Of<Model>(Json, m => m with { Summary = "small" });
        Assert.Equal("small", (string?)with["summary"]);
        Assert.Equal(Json.ToJsonString(), Edited.Of<Model>(with, m => m with { Summary = "" }).ToJsonString());
    }

    [Fact]
    public void A_change_that_is_refused_changes_nothing() => Assert.Null(Declaration<Model>.Edit(Json, _ => null));

    [Theory]
    [InlineData("addressBits", "41", "addressBits")]
    [InlineData("addressBits", "40", null)]
    [InlineData("addressBits", "\"16\"", "addressBits")]
    [InlineData("name", "\"\"", "name")]
    [InlineData("revisions", "[{ \"id\": \"a\" }]", "revisions[0].name")]
    [InlineData("masters", "[\"CPU!\"]", "masters[0]")]
    [InlineData("nonsense", "1", "nonsense")]
    public void Each_declared_rule_is_told_at_its_path(string field, string value, string? path)
    {
        JsonObject json = Json;
        json[field] = JsonNode.Parse(value);
        using var document = System.Text.Json.JsonDocument.Parse(json.ToJsonString());
        Assert.Equal(path, Declaration<Model>.Read(document.RootElement).Errors.Select(e => e.Path).SingleOrDefault());
    }
}
