using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Primitives;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Data;
using RustCabin.Web.Pages.Sheets.Fields;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>
/// The sheet editor: fields and drawings on the left, the same sheet as JSON on the right. Every change is kept as a draft;
/// saving brings the sheet in through the importer, so that what it holds is checked as any pack is.
/// </summary>
public sealed partial class EditorModel(SheetRepository sheets, DraftRepository drafts, PackImport import, JobRepository jobs)
    : PageModel,
        IRefusing
{
    static readonly JsonSerializerOptions Layout = new()
    {
        WriteIndented = true,
        IndentSize = 2,
        NewLine = "\n",
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public string Kind { get; private set; } = "";
    public string Key { get; private set; } = "";
    public bool IsNew => Key == "new";
    public JsonObject Sheet { get; private set; } = [];

    /// <summary>The state of the draft that the page shows; 0 when nothing was changed yet.</summary>
    public long Seq { get; private set; }
    public string? Undoes { get; private set; }

    public DraftPreview Preview { get; private set; } = null!;
    public SheetFields Fields { get; private set; } = null!;
    public string? Notice { get; private set; }

    /// <summary>The raw pane: the sheet as JSON, or what was typed there and does not read.</summary>
    public string Raw { get; private set; } = "";

    /// <summary>The text of the raw pane was not taken, and stands open.</summary>
    public bool RawRefused { get; private set; }

    [BindProperty(SupportsGet = true, Name = "board")]
    public string? Board { get; set; }

    /// <inheritdoc/>
    public string Post(string handler) =>
        Request.Path
        + QueryString.Create("handler", handler)
        + (Board is null ? "" : $"&board={Uri.EscapeDataString(Board)}")
        + (IsNew ? Beginning : "");

    public Preferences Preferences => Preferences.From(Request);
    public string Title => Sheet["name"]?.ToString() is { Length: > 0 } name ? name : $"A new {Kind}";

    /// <summary>What refers to this sheet, in words with an address.</summary>
    public IReadOnlyList<(string Text, string Href)> UsedBy { get; private set; } = [];

    public IActionResult OnGet(string kind, string key)
    {
        if (!Open(kind, key))
            return NotFound();
        return Show();
    }

    /// <summary>Takes what the fields hold, and then does what was pressed: add, drop or move a thing.</summary>
    public IActionResult OnPostFields(string kind, string key, long seq, string? op)
    {
        if (!Open(kind, key))
            return NotFound();
        Shape root = SheetKind.Named(Kind)!.Shape;
        string what = "Fields changed";
        JsonObject edited;
        try
        {
            edited = FormEdit.Apply(
                seq == Seq ? Sheet : Seen(seq),
                root,
                Request
                    .Form.Where(f => f.Key.StartsWith("f:", StringComparison.Ordinal))
                    .Select(f => (f.Key[2..], (IReadOnlyList<string>)[.. f.Value.Select(v => v ?? "")]))
            );
            foreach (
                IGrouping<string, KeyValuePair<string, StringValues>> values in Request
                    .Form.Where(f => f.Key.StartsWith("v:", StringComparison.Ordinal))
                    .GroupBy(f => f.Key[2..f.Key.LastIndexOf(':')])
            )
                ApplyClueValues(edited, values.Key, values);
            WiredForm.Apply(edited, Request.Form);
            ApplyBoards(edited);
            foreach (
                (string path, StringValues stands) in Request.Form.Where(f => f.Key.StartsWith("w:", StringComparison.Ordinal))
            )
                FormEdit.Stand(edited, path[2..], [.. stands.OfType<string>()]);
            if (op?.Split(' ', 2) is ["read", var into])
                return ShowRead(seq, edited, into);
            if (op?.Split(' ', 2) is [var verb, var place])
                what = DoDrawn(edited, verb, place) ?? Do(edited, root, verb, place);
        }
        catch (ArgumentException wrong)
        {
            return Show($"Nothing was changed: {wrong.Message}", StatusCodes.Status422UnprocessableEntity);
        }
        if (op != "save")
            return Keep(seq, what, edited);
        if (seq != Seq)
            return ShowTyped(edited);
        if (Text(edited) != Text(Sheet))
            drafts.Add(Kind, Key, seq, what, Text(edited));
        Open(kind, key);
        return Save();
    }

    static string Do(JsonObject sheet, Shape root, string op, string path)
    {
        Shape shape = FormEdit.ShapeAt(root, path) ?? throw new ArgumentException($"{path} is no place of this sheet");
        int bracket = path.LastIndexOf('[');
        switch (op)
        {
            case "add" when shape is { Kind: ShapeKind.List, Items: { } items }:
                var list = JsonPath.Get(sheet, path) as JsonArray;
                var taken = list?.OfType<JsonObject>().Select(o => o["id"]?.ToString() ?? "").ToHashSet() ?? [];
                string noun = path[(path.LastIndexOf('.') + 1)..];
                JsonNode blank = FormEdit.Blank(items, IdText.Singular(noun).ToLowerInvariant(), taken);
                if (blank is JsonObject { } named && named["name"] is not null && named["id"] is { } made)
                    named["name"] = IdText.Capital(IdText.Plain(made.ToString()));
                JsonPath.Put(sheet, $"{path}[+]", blank);
                return $"Added to {noun}";
            case "add":
                JsonPath.Put(sheet, path, FormEdit.Blank(shape, "new", new HashSet<string>()));
                return $"{path} added";
            case "drop":
                JsonPath.Put(sheet, path, null);
                return $"{path} taken out";
            case "up"
                when bracket > 0
                    && JsonPath.Get(sheet, path[..bracket]) is JsonArray items
                    && int.TryParse(path[(bracket + 1)..].TrimEnd(']'), out int index)
                    && index > 0
                    && index < items.Count:
                JsonNode? moved = items[index];
                items.RemoveAt(index);
                items.Insert(index - 1, moved);
                return $"{path} moved up";
            default:
                throw new ArgumentException($"\"{op} {path}\" means nothing here");
        }
    }

    /// <summary>
    /// The rows of a clue's values: what it may show, and the revisions ticked for it. A row without a text is gone.
    /// </summary>
    void ApplyClueValues(JsonObject sheet, string path, IEnumerable<KeyValuePair<string, StringValues>> rows)
    {
        var values = new JsonObject();
        foreach (
            (string field, StringValues text) in rows.OrderBy(r =>
                int.TryParse(r.Key[(r.Key.LastIndexOf(':') + 1)..], out int row) ? row : int.MaxValue
            )
        )
            if (text.ToString().Trim() is { Length: > 0 } shows)
                values[shows] = new JsonArray([.. Request.Form[$"s:{field[2..]}"].Select(id => JsonValue.Create(id))]);
        if (
            !JsonNode.DeepEquals(values, JsonPath.Get(sheet, path) ?? new JsonObject())
            && Changed(values, JsonPath.Get(sheet, path) as JsonObject)
        )
            JsonPath.Put(sheet, path, values);
    }

    /// <summary>A value that names one revision may stand there without a list; that is no change.</summary>
    static bool Changed(JsonObject now, JsonObject? before) =>
        before is null
        || now.Count != before.Count
        || now.Any(v =>
            !before.ContainsKey(v.Key)
            || FormEdit.Text(Shape.NameOrNames, v.Value) != FormEdit.Text(Shape.NameOrNames, before[v.Key])
        );

    /// <summary>Takes the text of the raw pane.</summary>
    public IActionResult OnPostRaw(string kind, string key, long seq, string? raw)
    {
        if (!Open(kind, key))
            return NotFound();
        try
        {
            using JsonDocument document = PackReader.Parse(System.Text.Encoding.UTF8.GetBytes(raw ?? ""));
            if (JsonNode.Parse(document.RootElement.GetRawText()) is JsonObject sheet)
                return Keep(seq, "JSON changed", sheet);
            return ShowRaw(raw, "The text is JSON, but not an object.");
        }
        catch (JsonException why)
        {
            return ShowRaw(raw, $"This is not JSON: line {why.LineNumber + 1}, byte {why.BytePositionInLine + 1}.");
        }
    }

    public IActionResult OnPostUndo(string kind, string key, long seq)
    {
        if (!Open(kind, key))
            return NotFound();
        return drafts.Undo(Kind, Key, seq) == WriteResult.Stale
            ? Show(Elsewhere, StatusCodes.Status409Conflict)
            : LocalRedirect(Here);
    }

    public IActionResult OnPostForget(string kind, string key)
    {
        if (!Open(kind, key))
            return NotFound();
        drafts.Forget(Kind, Key);
        return LocalRedirect(IsNew ? "/sheets" : $"/sheets/{Kind}s/{Key}");
    }

    /// <summary>Brings the sheet in, as the importer brings any.</summary>
    IActionResult Save()
    {
        if (Preview.Errors.Count > 0)
            return Show("It was not saved: see what is wrong.", StatusCodes.Status422UnprocessableEntity);
        NameNew();
        string id = Sheet["id"]!.ToString();
        if (id != Key && Stored(id) is not null)
            return Show(
                $"It was not saved: there is a {Kind} \"{id}\" already. Give it another name.",
                StatusCodes.Status422UnprocessableEntity
            );
        ImportOutcome outcome = import.Run(
            System.Text.Encoding.UTF8.GetBytes(DraftPreview.PackOf(Kind, Sheet, sheets.All().Currency)),
            ImportMode.Replace,
            $"the editor: {Kind} {id}"
        );
        if (outcome.Errors.Count > 0)
            return Show(
                "It was not saved, since others refer to what it no longer has: "
                    + string.Join("; ", outcome.Errors.Take(5).Select(e => e.Sentence)),
                StatusCodes.Status422UnprocessableEntity
            );
        drafts.Forget(Kind, Key);
        return LocalRedirect($"/sheets/{Kind}s/{id}?saved=true");
    }

    const string Elsewhere =
        "This sheet was changed in another tab. You see it as it stands now; your last change was not taken.";

    const string TypedOverElsewhere =
        "This sheet was changed in another tab meanwhile. What you typed is in the fields and not kept yet: press again and it "
        + "goes over what the other tab wrote, which undo brings back.";

    /// <summary>The sheet as a tab saw it, on which it typed.</summary>
    JsonObject Seen(long seq)
    {
        JsonObject seen = drafts.At(Kind, Key, seq) is { } json ? JsonNode.Parse(json)!.AsObject() : Stored(Key) ?? Begin(Kind);
        FormEdit.Spread(seen, SheetKind.Named(Kind)!.Shape);
        return seen;
    }

    /// <summary>What was typed on an older state, shown as it was typed and not kept.</summary>
    PageResult ShowTyped(JsonObject typed)
    {
        Sheet = typed;
        Raw = Text(typed);
        Preview = DraftPreview.Of(Kind, typed, sheets.All(), Board);
        return Show(TypedOverElsewhere, StatusCodes.Status409Conflict);
    }

    IActionResult Keep(long seq, string what, JsonObject edited)
    {
        string json = Text(edited);
        if (json == Text(Sheet) && !Begun)
            return LocalRedirect(Here);
        return drafts.Add(Kind, Key, seq, what, json) == WriteResult.Stale || seq != Seq
            ? ShowTyped(edited)
            : LocalRedirect(Here);
    }

    string Here => $"/sheets/{Kind}s/{Key}{(Board is null ? "" : $"?board={Uri.EscapeDataString(Board)}")}";

    bool Open(string kind, string key, bool fromDraft = false)
    {
        (Kind, Key) = (kind.TrimEnd('s'), key);
        kind = Kind;
        if (SheetKind.Named(kind) is null || kind == "job")
            return false;
        Draft? draft = drafts.Find(kind, key);
        Seq = draft?.Seq ?? 0;
        Undoes = draft?.What;
        if (Begun && !fromDraft)
            Sheet = Copied() ?? Begin(kind);
        else if (draft is not null)
            Sheet = JsonNode.Parse(draft.Json)!.AsObject();
        else if (IsNew)
            Sheet = Begin(kind);
        else if (Stored(key) is { } stored)
            Sheet = stored;
        else
            return false;
        FormEdit.Spread(Sheet, SheetKind.Named(kind)!.Shape);
        Raw = Text(Sheet);
        Preview = DraftPreview.Of(Kind, Sheet, sheets.All(), Board);
        return true;
    }

    string Free(string noun) => IdText.Free(noun, id => Stored(id) is not null);

    JsonObject? Stored(string id) => StoredAs(Kind, id);

    JsonObject? StoredAs(string kind, string id) => sheets.Json(kind, id) is { } json ? JsonNode.Parse(json)!.AsObject() : null;

    IActionResult ShowRaw(string? raw, string notice)
    {
        IActionResult page = Show(notice, StatusCodes.Status422UnprocessableEntity);
        Raw = raw ?? "";
        RawRefused = true;
        return page;
    }

    PageResult Show(string? notice = null, int status = StatusCodes.Status200OK)
    {
        ViewData["Title"] = $"{Title}, {Kind}";
        Notice = notice;
        Response.StatusCode = status;
        Fields = new SheetFields(
            SheetKind.Named(Kind)!.Shape,
            Sheet,
            Preview.Errors,
            new ThingsAtHand(Kind, Sheet, sheets.All(), StoredAs)
        );
        UsedBy = Use.Of(Kind, Key, sheets.All(), jobs.All());
        return Page();
    }

    /// <summary>The sheet in canonical order, as the raw pane and the draft hold it.</summary>
    string Text(JsonObject sheet)
    {
        using JsonDocument document = JsonDocument.Parse(CanonicalPack.Write(sheet, SheetKind.Named(Kind)!.Shape));
        return JsonSerializer.Serialize(document.RootElement, Layout);
    }
}
