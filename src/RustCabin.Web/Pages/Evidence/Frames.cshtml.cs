using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Speed;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>Frame rates by the size of the picture. Source: docs/handbook/speed.md, Frames.</summary>
public sealed class FramesModel : AskedPage<FramesAsked>
{
    [BindProperty(SupportsGet = true, Name = "runs")]
    public string Runs { get; set; } = "320 x 200 31.5\n400 x 300 24\n640 x 400 12.2";

    [BindProperty(SupportsGet = true, Name = "sizes")]
    public string Sizes { get; set; } = "512 x 384\n800 x 600";

    [BindProperty(SupportsGet = true, Name = "wanted")]
    public string? Wanted { get; set; } = "20";

    [BindProperty(SupportsGet = true, Name = "cap")]
    public string? Cap { get; set; }

    protected override string Name => "Frame rates";

    protected override JsonObject Typed() =>
        new()
        {
            ["runs"] = new JsonArray([.. Split(Runs).Select(r => Of(r, At(r, 2)))]),
            ["sizes"] = new JsonArray([.. Split(Sizes).Select(r => Of(r, null))]),
            ["wanted"] = Number(Wanted),
            ["cap"] = Number(Cap),
        };

    static IEnumerable<string[]> Split(string text) => Rows(text, ' ', 'x', ',', ':', ';', '\t');

    static JsonObject Of(string[] row, JsonNode? fps)
    {
        JsonObject size = new() { ["width"] = At(row, 0), ["height"] = At(row, 1) };
        if (fps is not null)
            size["fps"] = fps;
        return size;
    }
}
