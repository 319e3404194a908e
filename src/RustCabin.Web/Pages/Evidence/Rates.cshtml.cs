using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.PictureSound;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>Line and field rate of a picture against a display. Source: docs/handbook/picture-sound.md, Timing.</summary>
public sealed class RatesModel : AskedPage<TimingAsked>
{
    [BindProperty(SupportsGet = true, Name = "clock")]
    public string Clock { get; set; } = "13.4";

    [BindProperty(SupportsGet = true, Name = "pixels")]
    public string Pixels { get; set; } = "856";

    [BindProperty(SupportsGet = true, Name = "lines")]
    public string Lines { get; set; } = "310";

    [BindProperty(SupportsGet = true, Name = "interlaced")]
    public bool Interlaced { get; set; }

    [BindProperty(SupportsGet = true, Name = "doubled")]
    public bool Doubled { get; set; }

    [BindProperty(SupportsGet = true, Name = "line")]
    public string LineKHz { get; set; } = "30 50";

    [BindProperty(SupportsGet = true, Name = "field")]
    public string FieldHz { get; set; } = "48 75";

    protected override string Name => "Line and field rate";

    protected override JsonObject Typed() =>
        new()
        {
            ["pixelClockMHz"] = Number(Clock),
            ["pixelsPerLine"] = Number(Pixels),
            ["lines"] = Number(Lines),
            ["interlaced"] = Interlaced,
            ["doubled"] = Doubled,
            ["display"] = new JsonObject { ["lineKHz"] = Range(LineKHz), ["fieldHz"] = Range(FieldHz) },
        };

    static JsonArray Range(string text) => new([.. Rows(text, ' ', '-', ',', ';').SelectMany(r => r).Select(p => Number(p))]);
}
