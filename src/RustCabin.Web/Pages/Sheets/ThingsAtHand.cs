using System.Text.Json.Nodes;
using RustCabin.Core;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>Something that may stand in a field: as the sheet writes it, and as a person reads it.</summary>
public sealed record Thing(string Value, string Shown);

/// <summary>
/// The things that a sheet in the editor may name, by the place where it names them: those of the sheet itself as it is being
/// written, of the models and parts that it refers to, and of the cabin.
/// </summary>
/// <param name="kind">The kind of sheet.</param>
/// <param name="sheet">The sheet as it stands.</param>
/// <param name="here">The sheets of the cabin.</param>
/// <param name="stored">The JSON of a stored sheet by kind and id; null: there is none.</param>
public sealed class ThingsAtHand(string kind, JsonObject sheet, Pack here, Func<string, string, JsonObject?> stored)
{
    /// <summary>What may stand at a place; empty: no sheet says.</summary>
    public IReadOnlyList<Thing> At(string path, Things things) =>
        [.. Of(path, things).Where(t => t.Value.Length > 0).DistinctBy(t => t.Value)];

    IEnumerable<Thing> Of(string path, Things things) =>
        things switch
        {
            Things.Models => here
                .Models.Select(m => new Thing(m.Id, m.Name))
                .Concat(here.Parts.Where(p => p.IsBoard).Select(p => new Thing(p.Id, $"{p.Name}, by itself"))),
            Things.Parts => here.Parts.Select(p => new Thing(p.Id, p.Name)),
            Things.Units => here.Units.Select(u => new Thing(u.Id, u.Name)),
            Things.Titles => here.Titles.Select(t => new Thing(t.Id, t.Name)),
            Things.ChipTypes => ChipType.ForBanks.Select(t => Plain(t.Organisation)),
            Things.Cautions => Trail.Stations.Cautions.Select(c => new Thing(c.Id, IdText.Plain(c.Id))),
            Things.Regions => here.Models.SelectMany(m => m.Region).Select(Plain),
            Things.Revisions => Models(path).SelectMany(m => Listed(m, "revisions", "id", "name")),
            Things.Masters => Models(path).SelectMany(m => Names(m, "masters")),
            Things.Access => (
                path.StartsWith("ways[", StringComparison.Ordinal) ? Models(path) : Models(path).Append(sheet)
            ).SelectMany(m => Listed(m, "access", "id", null)),
            Things.Service => Models(path).SelectMany(m => Listed(m, "service", "id", "what")),
            Things.Firmware => Models(path).SelectMany(m => Listed(m, "firmware", "id", null)),
            Things.Openings => Models(path).SelectMany(m => Listed(m, "openings", "id", null)),
            Things.Signals => Models(path).SelectMany(m => Listed(m, "signals", "net", null)),
            Things.Sites => Both(path, "sites", "id"),
            Things.Paths => Both(path, "paths", "id"),
            Things.Rails => Models(path)
                .SelectMany(m => Listed(m, "rails", "id", null))
                .Concat(Listed(sheet, "supplies", "rail", null)),
            Things.Connectors => here
                .Models.SelectMany(m => m.Sites)
                .Select(s => s.Connector)
                .OfType<string>()
                .Order()
                .Select(Plain),
            Things.Claims => Listed(sheet, "claims", "id", null)
                .Concat(
                    kind == "model"
                        ? []
                        : Models(path)
                            .SelectMany(m => Listed(m, "claims", "id", null))
                            .Select(t => Plain($"{ClaimName.Model(t.Value)}"))
                ),
            Things.Switches => Switches(path).Select(s => Plain(s.Id)),
            Things.Ways => PartAt(path) is { } part ? Listed(part, "ways", "id", null) : [],
            Things.Boards => Listed(sheet, "boards", "id", null),
            Things.BoardChips or Things.Points or Things.Nets or Things.Places => WiredThings.Of(
                things,
                Models(path),
                sheet,
                kind
            ),
            // A net may be a new one: those that are there are offered beside each leg.
            Things.LegNets or Things.ContactNets or Things.Pinouts => [],
            Things.Legs => OutlineAt(path) is { } chip
                ? Enumerable.Range(1, chip.Outline.Pins).Select(leg => Plain($"{leg}"))
                : [],
            _ => throw new ArgumentOutOfRangeException(nameof(things), things, "no list of these"),
        };

    /// <summary>The switches that a condition or a setting at a place may name, with their positions.</summary>
    public IEnumerable<(string Id, IReadOnlyList<string> Positions)> Switches(string path) =>
        from own in (
            (PartAt(path) ?? (kind == "unit" ? Models(path).FirstOrDefault() : sheet))?["switches"] as JsonArray ?? []
        ).OfType<JsonObject>()
        let positions = own["positions"] as JsonArray
        where positions is not null
        select (Text(own["id"]), (IReadOnlyList<string>)[.. positions.Select(Text)]);

    /// <summary>The outline that stands beside a place; null: none does.</summary>
    public ChipOutline? PackageAt(string path) =>
        ChipOutline.TryParse(Text(JsonPath.Get(sheet, path[..path.LastIndexOf('.')] + ".package")), out ChipOutline outline)
            ? outline
            : null;

    /// <summary>The outline of the chip that is named beside a place, and the nets of its legs; null: none is, or it is not
    /// known.</summary>
    public (ChipOutline Outline, JsonObject? Nets)? OutlineAt(string path)
    {
        string named = Text(JsonPath.Get(sheet, path[..path.LastIndexOf('.')] + ".chip"));
        return Subject.Parse(named).InPart is { } own ? WiredThings.Chip([sheet], own) : WiredThings.Chip(Models(path), named);
    }

    /// <summary>The model's, and those of the part itself.</summary>
    IEnumerable<Thing> Both(string path, string list, string id) =>
        Models(path).SelectMany(m => Listed(m, list, id, null)).Concat(Listed(sheet, list, id, null));

    /// <summary>
    /// The models that the place is about: the sheet itself, that of the way it stands in, or all that the sheet names.
    /// </summary>
    IEnumerable<JsonObject> Models(string path)
    {
        if (kind == "model")
            return [sheet];
        if (kind == "unit")
            return Described(sheet["model"]);
        JsonObject[] ways = [.. (sheet["ways"] as JsonArray ?? []).OfType<JsonObject>()];
        if (
            path.StartsWith("ways[", StringComparison.Ordinal)
            && JsonPath.Get(sheet, path[..(path.IndexOf(']') + 1)]) is JsonObject way
        )
            ways = [way];
        IEnumerable<JsonObject> named = ways.SelectMany(w => Described(w["model"]));
        return named.Any() ? named : here.Models.SelectMany(m => Stored("model", m.Id));
    }

    /// <summary>The part of a fitted entry; null elsewhere.</summary>
    JsonObject? PartAt(string path) =>
        path.StartsWith("fitted[", StringComparison.Ordinal)
        && JsonPath.Get(sheet, path[..(path.IndexOf(']') + 1)]) is JsonObject fitted
            ? Stored("part", fitted["part"]).FirstOrDefault()
            : null;

    /// <summary>The model of an id, or the part that lies on the bench by itself.</summary>
    IEnumerable<JsonObject> Described(JsonNode? id) =>
        Stored("model", id) is { } found && found.Any() ? found : Stored("part", id);

    IEnumerable<JsonObject> Stored(string of, JsonNode? id) =>
        Text(id) is { Length: > 0 } named && stored(of, named) is { } found ? [found] : [];

    static IEnumerable<Thing> Listed(JsonObject from, string list, string id, string? name) =>
        (from[list] as JsonArray ?? [])
            .OfType<JsonObject>()
            .Select(o => (Id: Text(o[id]), Name: name is null ? "" : Text(o[name])))
            .Select(t => new Thing(t.Id, t.Name.Length > 0 ? t.Name : t.Id));

    static IEnumerable<Thing> Names(JsonObject from, string list) => (from[list] as JsonArray ?? []).Select(n => Plain(Text(n)));

    static Thing Plain(string text) => new(text, text);

    static string Text(JsonNode? node) => node is JsonValue value && value.TryGetValue(out string? text) ? text : "";
}
