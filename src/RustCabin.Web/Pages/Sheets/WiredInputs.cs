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
        html.Append(
            $"<fieldset class=\"field legs-field\" id=\"{E($"f-{path}")}\" title=\"{E(field.Help)}\"><legend>{E(field.Label)} of "
                + $"{E(outline.Name)}, from above</legend><input type=\"hidden\" name=\"{E(name)}\" value=\"\">"
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
            {
                string net = nets?[$"{leg}"]?.ToString() ?? "";
                html.Append(
                    $"<label class=\"leg-press\" title=\"{E(net)}\"><input type=\"checkbox\" name=\"{E(name)}\" value=\"{leg}\""
                        + $"{(lifted.Contains($"{leg}") ? " checked" : "")}><span>{leg}</span> <small>{E(net)}</small></label>"
                );
            }
            html.Append("</div>");
        }
        html.Append("<div class=\"legs-body\"></div>");
        Wrong(html, wrong);
        html.Append("</fieldset>");
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
