using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Storage;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>File names that a host reads. Source: docs/handbook/storage.md, Files.</summary>
public sealed class NamesModel : AskedPage<NamesAsked>
{
    [BindProperty(SupportsGet = true, Name = "rule")]
    public string Rule { get; set; } = "8.3";

    [BindProperty(SupportsGet = true, Name = "names")]
    public string Names { get; set; } = "Harbour Lights, disc 1.img\nHarbour Lights, disc 2.img\nTide book (spring).dat";

    protected override string Name => "Names for a card";

    protected override JsonObject Typed() =>
        new() { ["rule"] = Rule, ["names"] = new JsonArray([.. Rows(Names, '\n').Select(r => (JsonNode)r[0])]) };
}
