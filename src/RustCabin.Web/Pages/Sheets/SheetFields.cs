using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Html;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>
/// Writes the fields of a sheet from its shape: an input for each place, named by its path, ticks for revisions and masters, a card for each item of a
/// list. What is wrong stands under its field. Every value is encoded: a sheet is data.
/// </summary>
public sealed class SheetFields(Shape root, JsonObject sheet, IReadOnlyList<SheetError> errors)
{
    /// <summary>Optional fields that are shown though nothing stands in them, since nearly every sheet wants them.</summary>
    static readonly HashSet<string> Shown =
    [
        "maker",
        "summary",
        "clockMHz",
        "base",
        "size",
        "masters",
        "revisions",
        "access",
        "from",
        "to",
        "step",
        "minutes",
        "ask",
        "values",
        "price",
        "label",
        "factory",
        "positions",
        "site",
        "model",
        "typicalAmps",
        "peakAmps",
        "usedAmps",
        "seen",
        "revision",
        "firmware",
        "package",
        "mount",
        "way",
        "net",
        "what",
        "provides",
        "register",
        "banks",
        "reset",
    ];

    readonly StringBuilder _html = new();

    /// <summary>The fields of one place: an object's, or a list's items with a button for one more.</summary>
    public IHtmlContent At(string path)
    {
        _html.Clear();
        Write(
            path,
            FormEdit.ShapeAt(root, path) ?? root,
            path.Length == 0 ? sheet : JsonPath.Get(sheet, path),
            LabelOf(path),
            required: false
        );
        return new HtmlString(_html.ToString());
    }

    /// <summary>The plain fields of the sheet itself, without its lists and objects.</summary>
    public IHtmlContent Top()
    {
        _html.Clear();
        _html.Append("<div class=\"fields\">");
        foreach (ShapeField field in root.Fields!.Where(f => IsPlain(f.Shape)))
            Write(field.Name, field.Shape, sheet[field.Name], Label(field.Name), field.Required);
        _html.Append("</div>");
        return new HtmlString(_html.ToString());
    }

    /// <summary>The lists and objects of the sheet, in canonical order.</summary>
    public IEnumerable<string> Sections =>
        root.Fields!.Where(f => !IsPlain(f.Shape) && f.Shape.Kind != ShapeKind.Any).Select(f => f.Name);

    static bool IsPlain(Shape shape) =>
        shape.Kind is not (ShapeKind.Object or ShapeKind.Any)
        && !(shape is { Kind: ShapeKind.List, Items.Kind: ShapeKind.Object })
        && !(shape is { Kind: ShapeKind.Map, Items.Kind: ShapeKind.Map });

    void Write(string path, Shape shape, JsonNode? value, string label, bool required)
    {
        if (shape.Kind == ShapeKind.Object)
            WriteObject(path, shape, value);
        else if (shape is { Kind: ShapeKind.List, Items.Kind: ShapeKind.Object })
            WriteItems(path, shape, value as JsonArray, label);
        else if (IsPlain(shape))
            WriteField(path, shape, value, label, required);
        else if (value is not null)
            _html.Append($"<p class=\"muted\">{E(label)}: in the JSON beside</p>");
    }

    void WriteItems(string path, Shape shape, JsonArray? items, string label)
    {
        Wrong(path);
        _html.Append($"<div class=\"items{(shape.Items!.Fields!.Count <= 3 ? " columns" : "")}\">");
        for (int i = 0; i < (items?.Count ?? 0); i++)
        {
            string at = $"{path}[{i}]",
                name = items![i] is JsonObject o ? Name(o) : "";
            _html.Append($"<div class=\"item\" id=\"item-{E(at)}\"><div class=\"item-head\"><b>{E(name)}</b>");
            Button("up", at, "Up", $"Up with {name}", i == 0);
            Button("drop", at, "Take out", $"Take out {name}", false);
            _html.Append("</div>");
            Write(at, shape.Items!, items[i], label, false);
            _html.Append("</div>");
        }
        _html.Append("</div>");
        Button("add", path, $"Add {Article(Singular(label))}", $"Add {Article(Singular(label))}", false);
    }

    void WriteObject(string path, Shape shape, JsonNode? value)
    {
        Wrong(path);
        var here = value as JsonObject;
        List<ShapeField> more = [],
            shown = [];
        foreach (ShapeField field in shape.Fields!)
            (field.Required || here?[field.Name] is not null || Shown.Contains(field.Name) ? shown : more).Add(field);
        _html.Append("<div class=\"fields\">");
        foreach (ShapeField field in shown.Where(f => IsPlain(f.Shape)))
            Write(Sub(path, field.Name), field.Shape, here?[field.Name], Label(field.Name), field.Required);
        _html.Append("</div>");
        foreach (ShapeField field in shown.Where(f => !IsPlain(f.Shape) && f.Shape.Kind != ShapeKind.Any))
        {
            string at = Sub(path, field.Name);
            _html.Append($"<fieldset class=\"inner\"><legend>{E(Label(field.Name))}");
            if (field.Shape.Kind == ShapeKind.Object)
                Button("drop", at, "Take out", $"Take out {Label(field.Name)}", false);
            _html.Append("</legend>");
            Write(at, field.Shape, here?[field.Name], Label(field.Name), false);
            _html.Append("</fieldset>");
        }
        if (more.Count == 0)
            return;
        _html.Append(
            $"<details class=\"more\" id=\"more-{E(path)}\"><summary>more about {E(here is null ? "it" : Name(here))}</summary><div class=\"fields\">"
        );
        foreach (ShapeField field in more.Where(f => IsPlain(f.Shape)))
            Write(Sub(path, field.Name), field.Shape, null, Label(field.Name), false);
        _html.Append("</div>");
        foreach (
            ShapeField field in more.Where(f =>
                f.Shape.Kind == ShapeKind.Object || f.Shape is { Kind: ShapeKind.List, Items.Kind: ShapeKind.Object }
            )
        )
            Button(
                "add",
                Sub(path, field.Name),
                $"Add {Article(Singular(Label(field.Name)))}",
                $"Add {Article(Singular(Label(field.Name)))} to {(here is null ? "it" : Name(here))}",
                false
            );
        _html.Append("</details>");
    }

    void WriteField(string path, Shape shape, JsonNode? value, string label, bool required)
    {
        if (
            path.EndsWith("values", StringComparison.Ordinal)
            && path.StartsWith("clues[", StringComparison.Ordinal)
            && Ids("revisions").Count > 0
        )
        {
            WriteClueValues(path, value as JsonObject);
            return;
        }
        string? wrong = errors
            .FirstOrDefault(e =>
                e.Path == path
                || e.Path.StartsWith($"{path}[", StringComparison.Ordinal)
                || (shape.Kind == ShapeKind.Map && e.Path.StartsWith($"{path}.", StringComparison.Ordinal))
            )
            ?.Message;
        string name = $"f:{path}",
            id = $"f-{path}",
            text = FormEdit.Text(shape, value),
            invalid = wrong is null ? "" : " aria-invalid=\"true\"";
        string field = path[(path.LastIndexOf('.') + 1)..];
        if (shape is { Kind: ShapeKind.List, Items.Kind: ShapeKind.Id } && Choices(path, field) is { Count: > 0 } choices)
        {
            WriteTicks(name, id, label, choices, value as JsonArray, wrong);
            return;
        }
        _html.Append($"<label class=\"field {Width(shape)}\" for=\"{E(id)}\"><span>{E(label)}{(required ? " *" : "")}</span>");
        if (shape.Kind is ShapeKind.Word or ShapeKind.Flag)
        {
            IEnumerable<string> words = shape.Kind == ShapeKind.Flag ? ["yes", "no"] : shape.Words!;
            _html.Append($"<select class=\"form-select\" id=\"{E(id)}\" name=\"{E(name)}\"{invalid}>");
            if (!required)
                _html.Append("<option value=\"\">as usual</option>");
            foreach (string word in words.Concat(text.Length > 0 && !words.Contains(text) ? [text] : []))
                _html.Append($"<option value=\"{E(word)}\"{(word == text ? " selected" : "")}>{E(word)}</option>");
            _html.Append("</select>");
        }
        else if (shape.Kind is ShapeKind.Map or ShapeKind.Text && text.Contains('\n') || shape.Kind is ShapeKind.Map)
        {
            _html.Append(
                $"<textarea class=\"form-control mono\" id=\"{E(id)}\" name=\"{E(name)}\" rows=\"{Math.Clamp(text.Count(c => c == '\n') + 1, 1, 8)}\" spellcheck=\"false\" placeholder=\"{(shape.Kind == ShapeKind.Map ? "name = value" : "")}\"{invalid}>{E(text)}</textarea>"
            );
        }
        else
        {
            string mono = shape.Kind
                is ShapeKind.Id
                    or ShapeKind.Size
                    or ShapeKind.Address
                    or ShapeKind.Number
                    or ShapeKind.Whole
                    or ShapeKind.List
                ? " mono"
                : "";
            string hint = shape.Kind switch
            {
                ShapeKind.Size => "64K",
                ShapeKind.Address => "0x0000",
                ShapeKind.List or ShapeKind.NameOrNames => "one, two",
                _ => "",
            };
            _html.Append(
                $"<input class=\"form-control{mono}\" id=\"{E(id)}\" name=\"{E(name)}\" value=\"{E(text)}\" autocomplete=\"off\" spellcheck=\"false\" placeholder=\"{hint}\"{invalid}>"
            );
        }
        if (wrong is not null)
            _html.Append($"<span class=\"wrong\">{E(wrong)}</span>");
        _html.Append("</label>");
    }

    void WriteTicks(
        string name,
        string id,
        string label,
        IReadOnlyList<(string Id, string Name)> choices,
        JsonArray? ticked,
        string? wrong
    )
    {
        _html.Append(
            $"<fieldset class=\"field ticks\" id=\"{E(id)}\"><legend>{E(label)}{(ticked is null ? " <small>all</small>" : "")}</legend><input type=\"hidden\" name=\"{E(name)}\" value=\"\">"
        );
        foreach ((string choice, string shown) in choices)
            _html.Append(
                $"<label><input type=\"checkbox\" class=\"form-check-input\" name=\"{E(name)}\" value=\"{E(choice)}\"{(ticked?.Any(t => t?.ToString() == choice) == true ? " checked" : "")}> {E(shown)}</label>"
            );
        if (wrong is not null)
            _html.Append($"<span class=\"wrong\">{E(wrong)}</span>");
        _html.Append("</fieldset>");
    }

    /// <summary>What a clue may show, a row each, with a tick in the column of every revision that it speaks for.</summary>
    void WriteClueValues(string path, JsonObject? values)
    {
        IReadOnlyList<(string Id, string Name)> revisions = Ids("revisions");
        _html.Append("<table class=\"table clue-values\"><thead><tr><th scope=\"col\">it shows</th>");
        foreach ((_, string name) in revisions)
            _html.Append($"<th scope=\"col\">{E(name)}</th>");
        _html.Append("</tr></thead><tbody>");
        foreach (
            (int i, (string key, JsonNode? says)) in (values?.Select(v => (v.Key, v.Value)) ?? [])
                .Append(("", (JsonNode?)null))
                .Index()
        )
        {
            _html.Append(
                $"<tr><td><input class=\"form-control\" name=\"v:{E(path)}:{i}\" value=\"{E(key)}\" aria-label=\"What it may show, {i + 1}\" placeholder=\"another\"></td>"
            );
            foreach ((string id, string name) in revisions)
            {
                bool on = says is JsonArray list ? list.Any(s => s?.ToString() == id) : says?.ToString() == id;
                _html.Append(
                    $"<td><input type=\"checkbox\" class=\"form-check-input\" name=\"s:{E(path)}:{i}\" value=\"{E(id)}\" aria-label=\"{E(key.Length > 0 ? key : "another")} speaks for {E(name)}\"{(on ? " checked" : "")}></td>"
                );
            }
            _html.Append("</tr>");
        }
        _html.Append("</tbody></table>");
        Wrong(path);
    }

    /// <summary>Ids that may be ticked at a place: the sheet's own revisions and masters. On parts they are the model's, and typed.</summary>
    IReadOnlyList<(string Id, string Name)> Choices(string path, string field) =>
        field switch
        {
            "revisions" when path != "revisions" => Ids("revisions"),
            "masters" when path != "masters" && sheet["masters"] is JsonArray masters =>
            [
                .. masters.Select(m => (m?.ToString() ?? "", m?.ToString() ?? "")),
            ],
            _ => [],
        };

    IReadOnlyList<(string Id, string Name)> Ids(string list) =>
        sheet[list] is JsonArray items
            ?
            [
                .. items
                    .OfType<JsonObject>()
                    .Select(o => (o["id"]?.ToString() ?? "", o["name"]?.ToString() ?? ""))
                    .Where(o => o.Item1.Length > 0),
            ]
            : [];

    void Wrong(string path)
    {
        foreach (SheetError error in errors.Where(e => e.Path == path && path.Length > 0))
            _html.Append($"<p class=\"wrong\">{E(error.Message)}</p>");
    }

    void Button(string op, string path, string text, string label, bool disabled) =>
        _html.Append(
            $"<button class=\"btn act quiet\" name=\"op\" value=\"{op} {E(path)}\" aria-label=\"{E(label)}\"{(disabled ? " disabled" : "")}>{E(text)}</button>"
        );

    /// <summary>What an item is called: its id, label, name, what, site or net.</summary>
    static string Name(JsonObject item) =>
        ((string[])["id", "label", "net", "site", "signal", "what", "part", "rail", "claim", "chip"])
            .Select(f => item[f]?.ToString())
            .FirstOrDefault(t => t is { Length: > 0 })
        ?? "it";

    static string Sub(string path, string field) => path.Length == 0 ? field : $"{path}.{field}";

    static string LabelOf(string path) => Label(path[(path.LastIndexOf('.') + 1)..]);

    static string Width(Shape shape) =>
        shape.Kind switch
        {
            ShapeKind.Text => "wide",
            ShapeKind.Map or ShapeKind.List or ShapeKind.NameOrNames => "half",
            _ => "",
        };

    /// <summary>A field's name in words: <c>addressBits</c> reads <c>address bits</c>.</summary>
    public static string Label(string field) =>
        field switch
        {
            "clockMHz" => "clock, MHz",
            "heightMm" => "height, mm",
            "heatW" => "heat, W",
            "romBudgetNs" => "ROM budget, ns",
            "powerUp" => "power-up lines",
            "autoWindows" => "self-configuration windows",
            "at" => "where",
            "ask" => "look at",
            "can" => "can do",
            "trust" => "trust, 0 to 1",
            "typicalAmps" => "typical, A",
            "peakAmps" => "peak, A",
            "usedAmps" => "used, A",
            "amps" => "amps, A",
            "volts" => "volts, V",
            "when" => "when (switch = position)",
            _ => string.Concat(field.Select(c => char.IsUpper(c) ? $" {char.ToLowerInvariant(c)}" : $"{c}")),
        };

    static string Singular(string label) =>
        label switch
        {
            "access" => "access level",
            "firmware" => "firmware",
            "where" => "place",
            "remove" => "piece to remove",
            "service" => "piece to service",
            "occupies" => "site it takes",
            "supplies" => "supply",
            "masters" => "master",
            _ => label.EndsWith('s') ? label[..^1] : label,
        };

    static string Article(string noun) => "aeiou".Contains(noun[0]) ? $"an {noun}" : $"a {noun}";

    static string E(string text) => HtmlEncoder.Default.Encode(text);
}
