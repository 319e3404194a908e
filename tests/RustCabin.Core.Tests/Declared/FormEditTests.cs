using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Declared;

public class FormEditTests
{
    static JsonObject Json(string text) => JsonNode.Parse(text)!.AsObject();

    static JsonObject Apply(string sheet, string path, params string[] values) =>
        FormEdit.Apply(Json(sheet), Declaration<Model>.Shape, [(path, values)]);

    [Theory]
    [InlineData("name", "Weir", """{"name":"Weir"}""")]
    [InlineData("addressBits", "24", """{"addressBits":24}""")]
    [InlineData("addressBits", "many", """{"addressBits":"many"}""")]
    [InlineData("clockMHz", "3,50", """{"clockMHz":3.50}""")]
    [InlineData("masters", "cpu, video", """{"masters":["cpu","video"]}""")]
    [InlineData("claims[+].id", "x", """{"claims":[{"id":"x"}]}""")]
    [InlineData("limits.memory", "cpu = 12M\r\nvideo = 1M", """{"limits":{"memory":{"cpu":"12M","video":"1M"}}}""")]
    public void A_field_puts_what_it_means_and_keeps_what_it_cannot_mean(string path, string typed, string sheet) =>
        Assert.Equal(sheet, path.Contains('+') ? Put(path, typed) : Apply("{}", path, typed).ToJsonString());

    static string Put(string path, string value)
    {
        var sheet = new JsonObject();
        JsonPath.Put(sheet, path, value);
        return sheet.ToJsonString();
    }

    [Fact]
    public void A_name_makes_the_id_and_whatever_names_the_thing_goes_along()
    {
        const string Sheet = """
            {"access":[{"id":"closed"},{"id":"level-1","from":"closed"},{"id":"deep","from":"level-1"}],
             "claims":[{"id":"claim-1","window":{"register":"claim-2"}},{"id":"claim-2","overlays":["claim-1"]}],
             "sites":[{"id":"claim-2","access":"level-1"}]}
            """;
        JsonObject named = FormEdit.Apply(
            Json(Sheet),
            Declaration<Model>.Shape,
            [("access[1].id", ["Lid off"]), ("claims[1].id", ["Bank select!"]), ("claims[0].id", ["claim 1"])]
        );
        Assert.Equal("lid-off", (string?)named["access"]![2]!["from"]);
        Assert.Equal("lid-off", (string?)named["sites"]![0]!["access"]);
        Assert.Equal("bank-select", (string?)named["claims"]![0]!["window"]!["register"]);
        // What a field shows already is no change, and a thing of another kind keeps its name.
        Assert.Equal("claim-1", (string?)named["claims"]![0]!["id"]);
        Assert.Equal("claim-2", (string?)named["sites"]![0]!["id"]);
    }

    [Fact]
    public void A_name_of_which_no_id_can_be_made_stands_as_it_was_typed() =>
        Assert.Equal("??", (string?)Apply("""{"claims":[{"id":"a"}]}""", "claims[0].id", "??")["claims"]![0]!["id"]);

    [Theory]
    [InlineData("Screen memory", "screen-memory")]
    [InlineData("  ROM 2 (upper) ", "rom-2-upper")]
    [InlineData("÷", "")]
    [InlineData("a very long name of a thing that goes on and on", "a-very-long-name-of-a-thing-that-goes-on")]
    public void An_id_is_made_of_a_name(string name, string id) => Assert.Equal(id, IdText.Of(name));

    [Fact]
    public void A_field_that_shows_what_stands_there_changes_nothing()
    {
        const string Sheet =
            """{"clockMHz":6.40,"claims":[{"id":"a","when":{"W1":["open","closed"],"W2":"on"},"drivesOnWrite":false}]}""";
        JsonObject same = FormEdit.Apply(
            Json(Sheet),
            Declaration<Model>.Shape,
            [
                ("clockMHz", ["6.40"]),
                ("claims[0].id", ["a"]),
                ("claims[0].when", ["W1 = open, closed\r\nW2 = on"]),
                ("claims[0].drivesOnWrite", ["no"]),
                ("claims[0].mask", [""]),
            ]
        );
        Assert.Equal(Sheet, same.ToJsonString());
    }

    [Fact]
    public void Emptied_fields_go_and_so_does_what_only_held_them()
    {
        Assert.Equal("""{"id":"m"}""", Apply("""{"id":"m","maker":"X"}""", "maker", "").ToJsonString());
        Assert.Equal("{}", Apply("""{"limits":{"memory":{"cpu":"1M"}}}""", "limits.memory", "").ToJsonString());
    }

    [Fact]
    public void Ticks_come_apart_and_are_one_list() =>
        Assert.Equal(
            """{"claims":[{"masters":["cpu","video"]}]}""",
            Apply("""{"claims":[{}]}""", "claims[0].masters", "", "cpu", "video").ToJsonString()
        );

    [Fact]
    public void Places_that_no_shape_knows_are_left_alone() =>
        Assert.Equal("{}", Apply("{}", "claims[0].wheel", "x").ToJsonString());

    [Theory]
    [InlineData("claims", """{"id":"claim-2","kind":"ram","size":"64K"}""")]
    [InlineData("rails", """{"id":"claim-2","volts":1,"amps":1}""")]
    public void A_new_thing_has_what_it_must_have_under_a_free_id(string list, string blank) =>
        Assert.Equal(
            blank,
            FormEdit
                .Blank(FormEdit.ShapeAt(Declaration<Model>.Shape, list)!.Items!, "claim", new HashSet<string> { "claim-1" })
                .ToJsonString()
        );

    [Theory]
    [InlineData("a.b[1].c", "7")]
    [InlineData("a[\"x.y\"]", "1")]
    [InlineData("a.b[9].c", null)]
    [InlineData("a.nothing.c", null)]
    [InlineData("a[x]", null)]
    [InlineData("a[{\"op\":1}]", null)]
    [InlineData("a[\"", null)]
    [InlineData("[", null)]
    public void A_path_leads_to_its_place(string path, string? value) =>
        Assert.Equal(value, JsonPath.Get(Json("""{"a":{"b":[{},{"c":7}],"x.y":1}}"""), path)?.ToJsonString());

    [Theory]
    [InlineData("")]
    [InlineData("a[3]")]
    [InlineData("a[x]")]
    [InlineData("a[")]
    [InlineData("b.c")]
    public void A_path_that_leads_nowhere_is_refused(string path) =>
        Assert.Throws<ArgumentException>(() => JsonPath.Put(Json("""{"a":[],"b":"text"}"""), path, 1));
}
