using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>
/// The inputs of plain fields: words and flags are chosen, things that stand on a sheet are chosen or ticked, switches are set
/// by their positions, the rest is typed.
/// </summary>
/// <param name="html">Where they are written.</param>
/// <param name="errors">What is wrong with the sheet.</param>
/// <param name="things">What fields may name.</param>
sealed class FieldInputs(StringBuilder html, IReadOnlyList<SheetError> errors, ThingsAtHand things)
{
    /// <summary>True for what fits into one input.</summary>
    public static bool IsPlain(Shape shape) =>
        shape.Kind is not (ShapeKind.Object or ShapeKind.Any)
        && !(shape.Kind == ShapeKind.List && !IsPlain(shape.Items!))
        && !(shape is { Kind: ShapeKind.Map, Items.Kind: ShapeKind.Map });

    /// <summary>Writes the input of a field at a place.</summary>
    public void Write(string path, ShapeField field, JsonNode? value)
    {
        string? wrong = WrongAt(path, field.Shape);
        IReadOnlyList<Thing> choices = field.Things is { } named ? things.At(path, named) : [];
        Shape shape = field.Shape;
        if (
            shape is { Kind: ShapeKind.Map, Items.Kind: ShapeKind.NameOrNames }
            && field.Things == Things.Revisions
            && choices.Count > 0
        )
            WriteClueValues(path, choices, value as JsonObject, wrong);
        else if (shape.Kind == ShapeKind.Map && field.Things == Things.Switches && things.Switches(path).Any())
            WriteSwitches(path, field, value as JsonObject, wrong);
        else if (field.Things == Things.Legs && things.OutlineAt(path) is var (outline, nets))
            WiredInputs.Legs(html, path, field, outline, nets, value as JsonArray, wrong);
        else if (field.Things == Things.LegNets && things.PackageAt(path) is { } package)
            WiredInputs.Nets(html, path, field, package, things.At(path, Things.Nets), value as JsonObject, wrong);
        else if (field.Things is Things.ContactNets or Things.Pinouts)
            WiredInputs.Contacts(html, path, field, things.At(path, Things.Nets), value as JsonArray, wrong);
        else if (field.Things == Things.Places)
            WiredInputs.Places(html, path, field, choices, value, wrong);
        else if (shape is { Kind: ShapeKind.List, Items.Kind: not ShapeKind.NameOrNull } && choices.Count > 0)
            WriteTicks(path, field, choices, value as JsonArray, wrong);
        else
            WriteOne(path, field, choices, FormEdit.Text(shape, value), wrong);
    }

    string? WrongAt(string path, Shape shape) =>
        errors
            .FirstOrDefault(e =>
                e.Path == path
                || e.Path.StartsWith($"{path}[", StringComparison.Ordinal)
                || (shape.Kind == ShapeKind.Map && e.Path.StartsWith($"{path}.", StringComparison.Ordinal))
            )
            ?.Message;

    void WriteOne(string path, ShapeField field, IReadOnlyList<Thing> choices, string text, string? wrong)
    {
        // What was not said yet is asked for; only what was typed can be wrong.
        bool typed = text.Trim().Length > 0;
        string id = $"f-{path}",
            attributes = $"id=\"{E(id)}\" name=\"{E($"f:{path}")}\"{(wrong is null || !typed ? "" : " aria-invalid=\"true\"")}";
        if (IsName(path, field))
            (field, text) = (field with { Label = "name" }, IdText.Is(text) ? IdText.Plain(text) : text);
        bool told = field.Label.Contains(',') || field.Label.EndsWith(field.Unit, StringComparison.Ordinal);
        string unit = told ? "" : $", {field.Unit}",
            star = field.Required ? " *" : "";
        html.Append(
            $"<label class=\"field {Width(field.Shape)}\" for=\"{E(id)}\" "
                + $"title=\"{E(field.Help)}\"><span>{E(field.Label)}{E(unit)}{star}</span>"
        );
        if (ChoicesOf(field, choices) is { Count: > 0 } offered)
            WriteSelect(attributes, field, offered, text);
        else if (field.Shape.Kind == ShapeKind.Map || (field.Shape.Kind == ShapeKind.Text && text.Contains('\n')))
            html.Append(
                $"<textarea class=\"form-control mono\" {attributes} "
                    + $"rows=\"{Math.Clamp(text.Count(c => c == '\n') + 1, 1, 8)}\" spellcheck=\"false\" "
                    + $"placeholder=\"{Wording(field.Shape)}\">{E(text)}</textarea>"
            );
        else
            html.Append(
                $"<input class=\"form-control{(IsMono(field.Shape) ? " mono" : "")}\" {attributes} value=\"{E(text)}\" "
                    + $"autocomplete=\"off\" spellcheck=\"false\" placeholder=\"{Hint(field.Shape)}\">"
            );
        Wrong(wrong, typed);
        html.Append("</label>");
    }

    /// <summary>The identifier of a thing of a list is shown and typed as its name.</summary>
    static bool IsName(string path, ShapeField field) =>
        field.Shape.Kind == ShapeKind.Id && path.EndsWith("].id", StringComparison.Ordinal);

    static string Wording(Shape shape) =>
        shape.OrFlag ? "yes, no, or switch = position"
        : shape.Kind == ShapeKind.Map ? "name = value"
        : "";

    static IReadOnlyList<Thing> ChoicesOf(ShapeField field, IReadOnlyList<Thing> choices) =>
        field.Shape.Kind switch
        {
            ShapeKind.Flag => [new("yes", "yes"), new("no", "no")],
            ShapeKind.Word => [.. field.Shape.Words!.Select(w => new Thing(w, w))],
            ShapeKind.Id or ShapeKind.Name => choices,
            _ => [],
        };

    void WriteSelect(string attributes, ShapeField field, IReadOnlyList<Thing> offered, string text)
    {
        html.Append($"<select class=\"form-select\" {attributes}>");
        string nothing =
            field.Otherwise.Length > 0 ? E(field.Otherwise)
            : field.Things is null ? "as usual"
            : "none";
        // What must be answered and is not has no silent first choice: nothing is said until a person says it.
        if (!field.Required)
            html.Append($"<option value=\"\">{nothing}</option>");
        else if (text.Length == 0)
            html.Append("<option value=\"\">choose</option>");
        foreach (
            Thing thing in offered.All(t => t.Value != text) && text.Length > 0 ? offered.Append(new Thing(text, text)) : offered
        )
            html.Append(
                $"<option value=\"{E(thing.Value)}\"{(thing.Value == text ? " selected" : "")}>{E(thing.Shown)}</option>"
            );
        html.Append("</select>");
    }

    void WriteTicks(string path, ShapeField field, IReadOnlyList<Thing> choices, JsonArray? ticked, string? wrong)
    {
        string name = $"f:{path}";
        bool meansAll = ticked is null && field.Help.Contains("left out: all", StringComparison.Ordinal);
        string all = meansAll ? " <small>all</small>" : "";
        html.Append(
            $"<fieldset class=\"field ticks\" id=\"{E($"f-{path}")}\" "
                + $"title=\"{E(field.Help)}\"><legend>{E(field.Label)}"
                + $"{all}</legend><input type=\"hidden\" name=\"{E(name)}\" value=\"\">"
        );
        IEnumerable<Thing> more = (ticked ?? [])
            .Select(t => t?.ToString() ?? "")
            .Where(t => choices.All(c => c.Value != t))
            .Select(t => new Thing(t, t));
        foreach (Thing choice in choices.Concat(more))
        {
            string check = ticked?.Any(t => t?.ToString() == choice.Value) == true ? " checked" : "";
            html.Append(
                $"<label><input type=\"checkbox\" class=\"form-check-input\" name=\"{E(name)}\" "
                    + $"value=\"{E(choice.Value)}\"{check}> {E(choice.Shown)}</label>"
            );
        }
        Wrong(wrong);
        html.Append("</fieldset>");
    }

    /// <summary>What a clue may show, a row each, with a tick in the column of every revision that it speaks for.</summary>
    void WriteClueValues(string path, IReadOnlyList<Thing> revisions, JsonObject? values, string? wrong)
    {
        html.Append("<table class=\"table clue-values\"><thead><tr><th scope=\"col\">it shows</th>");
        foreach (Thing revision in revisions)
            html.Append($"<th scope=\"col\">{E(revision.Shown)}</th>");
        html.Append("</tr></thead><tbody>");
        var rows = (values?.Select(v => (v.Key, v.Value)) ?? []).Append(("", (JsonNode?)null));
        foreach ((int i, (string key, JsonNode? says)) in rows.Index())
        {
            html.Append(
                $"<tr><td><input class=\"form-control\" name=\"v:{E(path)}:{i}\" value=\"{E(key)}\" aria-label=\"What it may "
                    + $"show, {i + 1}\" placeholder=\"another\"></td>"
            );
            foreach (Thing revision in revisions)
            {
                bool on = says is JsonArray list
                    ? list.Any(s => s?.ToString() == revision.Value)
                    : says?.ToString() == revision.Value;
                html.Append(
                    $"<td><input type=\"checkbox\" class=\"form-check-input\" name=\"s:{E(path)}:{i}\" "
                        + $"value=\"{E(revision.Value)}\" aria-label=\"{E(key.Length > 0 ? key : "another")} speaks for "
                        + $"{E(revision.Shown)}\"{(on ? " checked" : "")}></td>"
                );
            }
            html.Append("</tr>");
        }
        html.Append("</tbody></table>");
        Wrong(wrong);
    }

    /// <summary>A row of choosers, one for each switch; positions that stand there together stay together.</summary>
    void WriteSwitches(string path, ShapeField field, JsonObject? map, string? wrong)
    {
        html.Append(
            $"<fieldset class=\"field ticks\" id=\"{E($"f-{path}")}\" title=\"{E(field.Help)}\"><legend>{E(field.Label)}</legend>"
        );
        foreach ((string own, IReadOnlyList<string> positions) in things.Switches(path))
        {
            string stands = FormEdit.Text(Shape.NameOrNames, map?[own]);
            html.Append(
                $"<label>{E(own)} <select class=\"form-select\" name=\"{E($"w:{path}")}\"><option "
                    + $"value=\"{E(own)}=\">any</option>"
            );
            foreach (string position in stands.Length > 0 && !positions.Contains(stands) ? positions.Append(stands) : positions)
                html.Append(
                    $"<option value=\"{E($"{own}={position}")}\"{(position == stands ? " selected" : "")}>{E(position)}</option>"
                );
            html.Append("</select></label>");
        }
        Wrong(wrong);
        html.Append("</fieldset>");
    }

    void Wrong(string? wrong, bool typed = true)
    {
        if (wrong is not null)
            html.Append($"<span class=\"{(typed ? "wrong" : "unsaid")}\">{E(wrong)}</span>");
    }

    static bool IsMono(Shape shape) => shape.Kind is not (ShapeKind.Name or ShapeKind.Text or ShapeKind.NameOrNames);

    static string Hint(Shape shape) =>
        shape.Kind switch
        {
            ShapeKind.Size or ShapeKind.SizeOrNumber => "64K",
            ShapeKind.Address => "0x0000",
            ShapeKind.List or ShapeKind.NameOrNames => "one, two",
            _ => "",
        };

    static string Width(Shape shape) =>
        shape.Kind switch
        {
            ShapeKind.Text => "wide",
            ShapeKind.Map or ShapeKind.List or ShapeKind.NameOrNames => "half",
            _ => "",
        };

    static string E(string text) => HtmlEncoder.Default.Encode(text);
}
