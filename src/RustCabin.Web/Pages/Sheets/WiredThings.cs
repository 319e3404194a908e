using System.Text.Json.Nodes;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;
using RustCabin.Core.Wiring;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>
/// Chips, points, nets and places that a sheet in the editor may name: the machine's by their own names, those of the part
/// itself with <c>part:</c> before them.
/// </summary>
static class WiredThings
{
    /// <param name="things">Which of them.</param>
    /// <param name="models">The models that the place is about.</param>
    /// <param name="sheet">The sheet itself.</param>
    /// <param name="kind">Its kind.</param>
    public static IEnumerable<Thing> Of(Things things, IEnumerable<JsonObject> models, JsonObject sheet, string kind)
    {
        JsonObject[] theirs = [.. models.Where(m => m != sheet)];
        string own = kind == "part" ? "part:" : "";
        return things switch
        {
            Things.BoardChips => Each(theirs, "chips", "").Concat(Each([sheet], "chips", own)),
            Things.Points => Each(theirs, "points", "").Concat(Each([sheet], "points", own)),
            Things.Nets => theirs.Append(sheet).SelectMany(Nets).Select(n => new Thing(n, n)),
            _ => theirs.SelectMany(m => Places(m, "")).Concat(Places(sheet, own)),
        };
    }

    /// <summary>A chip by its name, with the nets of its legs; null: none of the sheets has it with a known outline.</summary>
    public static (ChipOutline Outline, JsonObject? Nets)? Chip(IEnumerable<JsonObject> sheets, string name)
    {
        foreach (JsonObject chip in sheets.SelectMany(s => Objects(s, "chips")).Where(c => Text(c["id"]) == name))
            if (ChipOutline.TryParse(Text(chip["package"]), out ChipOutline outline))
                return (outline, chip["nets"] as JsonObject);
        return null;
    }

    static IEnumerable<Thing> Each(IEnumerable<JsonObject> sheets, string list, string before) =>
        from sheet in sheets
        from one in Objects(sheet, list)
        let id = Text(one["id"])
        where id.Length > 0
        let what = Text(one["what"])
        select new Thing(before + id, what.Length > 0 ? $"{before}{id}, {what}" : before + id);

    static IEnumerable<string> Nets(JsonObject sheet) =>
        Objects(sheet, "chips")
            .SelectMany(c => (c["nets"] as JsonObject ?? []).Select(n => Text(n.Value)))
            .Concat(Objects(sheet, "points").SelectMany(p => Texts(p["nets"]).Append(Text(p["net"]))))
            .Concat(Objects(sheet, "sites").SelectMany(s => Texts(s["contacts"])))
            .Concat(Objects(sheet, "signals").Select(s => Text(s["net"])))
            .Concat(Objects(sheet, "rails").Select(r => Text(r["id"])))
            .Append(Netlist.Ground)
            .Where(n => n is not ("" or "n"));

    static IEnumerable<Thing> Places(JsonObject sheet, string before) =>
        Objects(sheet, "chips")
            .SelectMany(c =>
                ChipOutline.TryParse(Text(c["package"]), out ChipOutline outline)
                    ? Enumerable.Range(1, outline.Pins).Select(leg => $"{Text(c["id"])}.{leg}")
                    : []
            )
            .Concat(
                Objects(sheet, "points")
                    .SelectMany(p => p["nets"] is JsonArray { Count: 2 } ? Ends(Text(p["id"])) : [Text(p["id"])])
            )
            .Concat(Objects(sheet, "sites").SelectMany(s => Texts(s["contacts"]).Select((_, i) => $"{Text(s["id"])}.{i + 1}")))
            .Concat(Objects(sheet, "pads").Select(p => Text(p["id"])))
            .Select(name => new Thing(before + name, before + name));

    static string[] Ends(string id) => [$"{id}.1", $"{id}.2"];

    static IEnumerable<JsonObject> Objects(JsonObject sheet, string list) =>
        (sheet[list] as JsonArray ?? []).OfType<JsonObject>();

    static IEnumerable<string> Texts(JsonNode? list) => (list as JsonArray ?? []).Select(Text);

    static string Text(JsonNode? node) => node is JsonValue value && value.TryGetValue(out string? text) ? text : "";
}
