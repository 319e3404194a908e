using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json.Nodes;
using RustCabin.Core.Chips;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>
/// Inputs for what lies on a board: legs are pressed on the outline of their chip, places are chosen from those of the sheets,
/// or pressed on the board beside the fields.
/// </summary>
static class WiredInputs
{
    /// <summary>The outline of a chip with a box to tick at each leg, its number and its net.</summary>
    public static void Legs(
        StringBuilder html,
        string path,
        ShapeField field,
        ChipOutline outline,
        JsonObject? nets,
        JsonArray? ticked,
        string? wrong
    )
    {
        string name = $"f:{path}";
        var lifted = (ticked ?? []).Select(t => t?.ToString() ?? "").ToHashSet(StringComparer.Ordinal);
        Outlined(
            html,
            path,
            field,
            outline,
            leg =>
            {
                string net = nets?[$"{leg}"]?.ToString() ?? "";
                html.Append(
                    $"<label class=\"leg-press\" title=\"{E(net)}\"><input type=\"checkbox\" name=\"{E(name)}\" value=\"{leg}\""
                        + $"{(lifted.Contains($"{leg}") ? " checked" : "")}><span>{leg}</span> <small>{E(net)}</small></label>"
                );
            },
            $"<input type=\"hidden\" name=\"{E(name)}\" value=\"\">",
            wrong
        );
    }

    /// <summary>The outline of a chip with a field for the net at each leg; <c>n:path:leg</c> is its name.</summary>
    public static void Nets(
        StringBuilder html,
        string path,
        ShapeField field,
        ChipOutline outline,
        IReadOnlyList<Thing> known,
        JsonObject? nets,
        string? wrong
    )
    {
        string list = $"nets-{path}",
            options = string.Concat(known.Select(k => $"<option value=\"{E(k.Value)}\"></option>"));
        Outlined(
            html,
            path,
            field,
            outline,
            leg =>
                html.Append(
                    $"<label class=\"leg-net\"><span>{leg}</span><input class=\"form-control mono\" "
                        + $"name=\"{E($"n:{path}:{leg}")}\" "
                        + $"value=\"{E(nets?[$"{leg}"]?.ToString() ?? "")}\" list=\"{E(list)}\" autocomplete=\"off\" "
                        + $"aria-label=\"Net of leg {leg}\"></label>"
                ),
            $"<datalist id=\"{E(list)}\">{options}</datalist>{Standard(path, outline.Pins)}",
            wrong
        );
    }

    /// <summary>
    /// A connector's contacts in a row as they are numbered, with a field for the net at each and some more behind them;
    /// <c>c:path</c> is the name of all.
    /// </summary>
    public static void Contacts(
        StringBuilder html,
        string path,
        ShapeField field,
        IReadOnlyList<Thing> known,
        JsonArray? nets,
        string? wrong
    )
    {
        string list = $"nets-{path}";
        html.Append(
            $"<fieldset class=\"field contacts-field\" id=\"{E($"f-{path}")}\" title=\"{E(field.Help)}\">"
                + $"<legend>{E(field.Label)}</legend><div class=\"contacts-row\">"
        );
        foreach (
            (int i, string net) in (nets ?? [])
                .Select(n => n?.ToString() ?? "")
                .Concat(Enumerable.Repeat("", MoreContacts))
                .Index()
        )
            html.Append(
                $"<label class=\"contact-net{(net.Length == 0 ? " free" : "")}\"><span>{i + 1}</span>"
                    + "<input class=\"form-control mono\" "
                    + $"name=\"{E($"c:{path}")}\" value=\"{E(net)}\" list=\"{E(list)}\" autocomplete=\"off\" "
                    + $"aria-label=\"Net of contact {i + 1}\"></label>"
            );
        html.Append($"</div><datalist id=\"{E(list)}\">");
        foreach (Thing one in known)
            html.Append($"<option value=\"{E(one.Value)}\"></option>");
        html.Append("</datalist>");
        if (field.Things == Things.Pinouts)
            html.Append(Standard(path, null));
        Wrong(html, wrong);
        html.Append("</fieldset>");
    }

    /// <summary>Before the path of a field that a standard pinout fills.</summary>
    const string StandardKey = "std:";

    /// <summary>A field that takes the number of a chip, whose pinout then stands at the legs.</summary>
    static string Standard(string path, int? legs)
    {
        string list = $"std-{path}";
        return $"<label class=\"standard\">as on <input class=\"form-control mono\" name=\"{E(StandardKey + path)}\" value=\"\" "
            + $"list=\"{E(list)}\" autocomplete=\"off\" placeholder=\"number of a chip\"></label><datalist id=\"{E(list)}\">"
            + string.Concat(
                (legs is { } count ? StandardPinout.With(count) : StandardPinout.All).Select(p =>
                    $"<option value=\"{E(p.Name)}\">{E(p.What)}</option>"
                )
            )
            + "</datalist>";
    }

    /// <summary>Puts the pinouts of the chips that were named at the legs of their fields.</summary>
    /// <exception cref="ArgumentException">No pinout is known by that number.</exception>
    static void TakeStandard(JsonObject sheet, IFormCollection form)
    {
        foreach (string key in form.Keys.Where(k => k.StartsWith(StandardKey, StringComparison.Ordinal)))
            if (form[key].ToString().Trim() is { Length: > 0 } number)
            {
                StandardPinout pinout =
                    StandardPinout.Find(number) ?? throw new ArgumentException($"no pinout is known of \"{number}\"");
                string path = key[StandardKey.Length..];
                // The legs of a chip are a map, the pins of a socket a list.
                JsonPath.Put(
                    sheet,
                    path,
                    path.EndsWith("nets", StringComparison.Ordinal)
                        ? new JsonObject(
                            pinout
                                .Legs.Index()
                                .Where(l => l.Item != "n")
                                .Select(l => KeyValuePair.Create($"{l.Index + 1}", (JsonNode?)l.Item))
                        )
                        : new JsonArray([.. pinout.Legs.Select(l => (JsonNode)l)])
                );
            }
    }

    const int MoreContacts = 4;

    /// <summary>A chip's four sides as they stand, each leg drawn by <paramref name="draw"/>.</summary>
    static void Outlined(
        StringBuilder html,
        string path,
        ShapeField field,
        ChipOutline outline,
        Action<int> draw,
        string more,
        string? wrong
    )
    {
        html.Append(
            $"<fieldset class=\"field legs-field\" id=\"{E($"f-{path}")}\" title=\"{E(field.Help)}\"><legend>{E(field.Label)} of "
                + $"{E(outline.Name)}, from above</legend>{more}"
        );
        foreach (PinSide side in (PinSide[])[PinSide.Left, PinSide.Bottom, PinSide.Right, PinSide.Top])
        {
            IReadOnlyList<int> legs = outline.Side(side, View.Above);
            if (legs.Count == 0)
                continue;
            // Written by rising numbers, as they are listed, and shown as they stand.
            bool falls = legs[0] > legs[^1];
            html.Append($"<div class=\"legs-{side.ToString().ToLowerInvariant()}{(falls ? " falls" : "")}\">");
            foreach (int leg in falls ? legs.Reverse() : legs)
                draw(leg);
            html.Append("</div>");
        }
        html.Append("<div class=\"legs-body\"></div>");
        Wrong(html, wrong);
        html.Append("</fieldset>");
    }

    /// <summary>
    /// Puts what was typed at the legs of a chip, and at the contacts of a connector, into its sheet. An empty field is a leg of
    /// which nothing is said; between contacts it is one that takes any net, behind them none.
    /// </summary>
    public static void Apply(JsonObject sheet, IFormCollection form)
    {
        foreach (string key in form.Keys.Where(k => k.StartsWith("c:", StringComparison.Ordinal)))
        {
            string[] nets = [.. form[key].Select(n => (n ?? "").Trim())];
            nets = [.. nets[..(Array.FindLastIndex(nets, n => n.Length > 0) + 1)].Select(n => n.Length > 0 ? n : "n")];
            JsonNode? stands = JsonPath.Get(sheet, key[2..]);
            if (!nets.SequenceEqual((stands as JsonArray ?? []).Select(n => n?.ToString() ?? "")))
                JsonPath.Put(sheet, key[2..], nets.Length > 0 ? new JsonArray([.. nets.Select(n => (JsonNode)n)]) : null);
        }
        foreach (
            IGrouping<string, string> chip in form
                .Keys.Where(k => k.StartsWith("n:", StringComparison.Ordinal) && k.LastIndexOf(':') > 2)
                .GroupBy(k => k[2..k.LastIndexOf(':')])
        )
        {
            var nets = new JsonObject();
            foreach (string key in chip)
                if (form[key].ToString().Trim() is { Length: > 0 } net)
                    nets[key[(key.LastIndexOf(':') + 1)..]] = net;
            JsonNode? here = JsonPath.Get(sheet, chip.Key);
            // The order in which they stand on the sheet is kept where nothing else changes.
            bool same =
                here is JsonObject stands
                && stands.Count == nets.Count
                && nets.All(n => stands[n.Key]?.ToString() == n.Value!.ToString());
            if (!same && (here is not null || nets.Count > 0))
                JsonPath.Put(sheet, chip.Key, nets.Count > 0 ? nets : null);
        }
        TakeStandard(sheet, form);
    }

    /// <summary>A field for each place and one more, each with the places of the sheets to choose from.</summary>
    public static void Places(
        StringBuilder html,
        string path,
        ShapeField field,
        IReadOnlyList<Thing> choices,
        JsonNode? value,
        string? wrong
    )
    {
        string[] stand =
            value is JsonArray list ? [.. list.Select(v => v?.ToString() ?? "")]
            : value is null ? []
            : [value.ToString()];
        string known = $"places-{path}";
        html.Append(
            $"<fieldset class=\"field places-field\" id=\"{E($"f-{path}")}\" title=\"{E(field.Help)}\">"
                + $"<legend>{E(field.Label)}</legend>"
        );
        foreach ((int i, string place) in stand.Append("").Index())
            html.Append(
                $"<input class=\"form-control mono place\" name=\"{E($"f:{path}")}\" value=\"{E(place)}\" list=\"{E(known)}\" "
                    + $"autocomplete=\"off\" aria-label=\"{E($"{field.Label}, {i + 1}")}\" placeholder=\"press it on the board\">"
            );
        html.Append($"<datalist id=\"{E(known)}\">");
        foreach (Thing choice in choices)
            html.Append($"<option value=\"{E(choice.Value)}\"></option>");
        html.Append("</datalist>");
        Wrong(html, wrong);
        html.Append("</fieldset>");
    }

    static void Wrong(StringBuilder html, string? wrong)
    {
        if (wrong is not null)
            html.Append($"<span class=\"wrong\">{E(wrong)}</span>");
    }

    static string E(string text) => HtmlEncoder.Default.Encode(text);
}
