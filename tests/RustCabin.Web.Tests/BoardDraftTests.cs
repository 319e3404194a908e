using System.Text.Json.Nodes;
using RustCabin.Web.Pages.Sheets;

namespace RustCabin.Web.Tests;

/// <summary>Things that are put on the outline of a board.</summary>
public sealed class BoardDraftTests
{
    static JsonObject Sheet() =>
        JsonNode.Parse("""{"boards":[{"id":"main","widthMm":120,"heightMm":80}],"chips":[{"id":"U1"}]}""")!.AsObject();

    [Theory]
    [InlineData("chip", "chips", "U2")]
    [InlineData("socket", "sites", "socket-1")]
    [InlineData("point", "points", "TP1")]
    public void A_thing_is_put_where_the_board_is_pressed(string thing, string list, string id)
    {
        JsonObject sheet = Sheet();
        BoardDraft.Put(sheet, thing, "main", "34", "80");
        JsonNode put = sheet[list]!.AsArray()[^1]!;
        Assert.Equal(id, $"{put["id"]}");
        Assert.Equal("""{"board":"main","xMm":34,"yMm":80}""", put["at"]!.ToJsonString());
    }

    [Theory]
    [InlineData("chip", "other", "1", "1")]
    [InlineData("lamp", "main", "1", "1")]
    [InlineData("chip", "main", "121", "1")]
    [InlineData("chip", "main", "1", "81")]
    [InlineData("chip", "main", "-1", "1")]
    [InlineData("chip", "main", "x", "1")]
    public void What_lies_on_no_board_is_refused(string thing, string board, string x, string y) =>
        Assert.Throws<ArgumentException>(() => BoardDraft.Put(Sheet(), thing, board, x, y));
}
