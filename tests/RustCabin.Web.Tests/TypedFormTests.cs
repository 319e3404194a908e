using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Primitives;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Tests;

/// <summary>A form that was refused shows what was typed into it.</summary>
public sealed class TypedFormTests
{
    static string Into(string html, params (string Name, string[] Values)[] sent) =>
        new TypedForm(new FormCollection(sent.ToDictionary(s => s.Name, s => new StringValues(s.Values)))).Into(html).ToString()!;

    [Fact]
    public void A_field_shows_what_was_typed_and_keeps_the_rest() =>
        Assert.Equal(
            """<p>size <input class="form-control" name="size" value="51&quot;2K"></p>""",
            Into("""<p>size <input class="form-control" name="size" value="1M"></p>""", ("size", ["51\"2K"]))
        );

    [Fact]
    public void Fields_of_one_name_take_their_values_in_order_and_those_without_one_stay() =>
        Assert.Equal(
            """<input name="seen" value="16"><input name="seen" value=""><input name="seen" value="old">""",
            Into("""<input name="seen"><input name="seen" value="7"><input name="seen" value="old">""", ("seen", ["16", ""]))
        );

    [Fact]
    public void Ticks_and_choices_stand_where_they_were_put() =>
        Assert.Equal(
            """
            <input type="checkbox" name="tick" value="a"><input type="checkbox" name="tick" value="b" checked="checked">
            <input type="radio" name="one" checked="checked"><select name="way"><option value="">none</option>
            <option value="x">X</option><option selected="selected">plain</option></select>
            """,
            Into(
                """
                <input type="checkbox" name="tick" value="a" checked="checked"><input type="checkbox" name="tick" value="b">
                <input type="radio" name="one"><select name="way"><option value="">none</option>
                <option value="x" selected="selected">X</option><option>plain</option></select>
                """,
                ("tick", ["b"]),
                ("one", ["on"]),
                ("way", ["plain"])
            )
        );

    [Fact]
    public void Hidden_fields_files_and_buttons_are_not_typed() =>
        Assert.Equal(
            """<input type="hidden" name="v" value="1"><input type="file" name="f"><button name="b" value="2">B</button>""",
            Into(
                """<input type="hidden" name="v" value="1"><input type="file" name="f"><button name="b" value="2">B</button>""",
                ("v", ["9"]),
                ("f", ["9"]),
                ("b", ["9"])
            )
        );

    [Fact]
    public void Text_is_text_and_never_markup() =>
        Assert.Equal(
            "<textarea name=\"note\">&lt;/textarea&gt;&lt;b&gt;&amp;</textarea>",
            Into("<textarea name=\"note\">before</textarea>", ("note", ["</textarea><b>&"]))
        );
}
