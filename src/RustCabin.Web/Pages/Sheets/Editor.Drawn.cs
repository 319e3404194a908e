using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Pasted;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Data;
using RustCabin.Web.Drawings;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>The drawings of the editor that are pressed, and the texts that are pasted into it.</summary>
public sealed partial class EditorModel
{
    /// <summary>The lists that a drawing of their own has taken over.</summary>
    IReadOnlyList<string> Drawn => Kind == "model" ? ["claims", "revisions", "access"] : ["claims"];

    /// <summary>The sheet says what answers where: those of models and parts.</summary>
    public bool DrawsMap => Kind == "model" || Sheet["claims"] is JsonArray { Count: > 0 };

    /// <summary>Lists and groups that the sheet has, without those that are drawn.</summary>
    public IEnumerable<ShapeField> Filled => Fields.Sections.Where(s => !IsDrawn(s) && Sheet[s.Name] is not null);

    /// <summary>Those that it does not have, a press each.</summary>
    public IEnumerable<ShapeField> Empty =>
        Fields.Sections.Where(s => !IsDrawn(s) && Sheet[s.Name] is null && s.Shape.Kind is ShapeKind.List or ShapeKind.Object);

    bool IsDrawn(ShapeField section) => Drawn.Contains(section.Name) && (section.Name != "claims" || DrawsMap);

    /// <summary>What was typed and does not read.</summary>
    public IReadOnlyList<SheetError> Wrong => [.. Preview.Errors.Where(e => Says(e.Path))];

    /// <summary>What the sheet must say and does not yet.</summary>
    public IReadOnlyList<SheetError> Unsaid => [.. Preview.Errors.Where(e => !Says(e.Path))];

    bool Says(string path) =>
        JsonPath.Get(Sheet, path) switch
        {
            null => false,
            JsonValue text => text.ToString().Trim().Length > 0,
            JsonArray list => list.Count > 0,
            _ => true,
        };

    /// <summary>A place of the sheet in words: <c>ways[0].model</c> is the model of the first way.</summary>
    public static string PlaceOf(string path) =>
        string.Join(
            " of ",
            path.Split('.')
                .Reverse()
                .Select(step =>
                    Item.Match(step) is { Success: true } item
                        ? IdText.Singular(item.Groups[1].Value)
                            + $" {int.Parse(item.Groups[2].Value, CultureInfo.InvariantCulture) + 1}"
                        : step
                )
        );

    static Regex Item => field ??= new(@"^(\w+)\[(\d+)\]$");

    /// <summary>How wide the address space is that the map is drawn in.</summary>
    public int Bits =>
        Kind == "model"
        && Sheet[JsonNamingPolicy.CamelCase.ConvertName(nameof(Core.Sheets.Model.AddressBits))] is JsonValue bits
        && bits.TryGetValue(out decimal own)
        && own is >= 1 and <= 64
            ? (int)own
            : Machine?.AddressBits ?? 16;

    /// <summary>The machine that a part's first way names; null: none.</summary>
    Model? Machine => Kind == "part" ? MachineAt("ways[0]") : null;

    /// <summary>The map as it is drawn.</summary>
    public IReadOnlyList<MapPlace> Places => MapDraft.Of(Sheet["claims"] as JsonArray, Bits, Machine?.Claims ?? []);

    /// <summary>Does what was pressed on a drawing; null: no drawing has such a press.</summary>
    string? DoDrawn(JsonObject sheet, string verb, string what)
    {
        switch (verb)
        {
            case "fill"
                when what.Split(' ') is [var kind, var from, var to]
                    && Address.TryParse(from, out Address low)
                    && Address.TryParse(to, out Address high):
                return $"Put {MapDraft.Fill(sheet, kind, low.Value, high.Value)}";
            case "put" when what.Split(' ') is [var thing, var board, var x, var y]:
                return BoardDraft.Put(sheet, thing, board, x, y);
            case "take" or "instead":
                return Take(sheet, what, verb == "instead");
            default:
                return null;
        }
    }

    /// <summary>
    /// The boards on which each thing is, as they are ticked. Ticked for all of them is what a sheet says by saying nothing;
    /// so is a thing that is ticked for none, since it would be on no board that there is.
    /// </summary>
    void ApplyBoards(JsonObject sheet)
    {
        int boards = (sheet["revisions"] as JsonArray)?.Count ?? 0;
        foreach ((string path, var ticked) in Request.Form.Where(f => f.Key.StartsWith("b:", StringComparison.Ordinal)))
        {
            string[] on = [.. ticked.OfType<string>().Where(t => t.Length > 0)];
            if (JsonPath.Get(sheet, path[2..path.LastIndexOf('.')]) is JsonObject thing)
                if (on.Length == 0 || on.Length == boards)
                    thing.Remove("revisions");
                else
                    thing["revisions"] = new JsonArray([.. on.Select(id => JsonValue.Create(id))]);
        }
    }

    /// <summary>A board of this sheet itself, so that what is pressed on it goes onto the sheet.</summary>
    public bool Draws(BoardPlan board) =>
        Kind == "model"
            ? board.Owner.Length == 0
            : Kind == "part" && board.Owner.StartsWith($"{Sheet["id"]}", StringComparison.Ordinal);

    /// <summary>The kind of text that can be pasted into a list of the sheet; null: none.</summary>
    public static PasteKind? PasteInto(string list) =>
        list[(list.LastIndexOf('.') + 1)..] switch
        {
            "changes" => PasteKind.Acts,
            "claims" => PasteKind.Map,
            "switches" => PasteKind.Switches,
            "chips" => PasteKind.Pinout,
            "contacts" => PasteKind.Contacts,
            "bom" => PasteKind.Parts,
            _ => null,
        };

    /// <summary>What was read of a text, by the list that it was pasted for; null: nothing was.</summary>
    public Core.Pasted.Paste? ReadInto(string list) => _read?.List == list ? _read?.Read : null;

    (string List, Core.Pasted.Paste Read)? _read;

    /// <summary>The text as it was pasted.</summary>
    public string PastedText(string list) => Request.HasFormContentType ? Request.Form[$"p:{list}"].ToString() : "";

    /// <summary>Shows what is read of a pasted text; nothing of it is on the sheet before it was seen.</summary>
    IActionResult ShowRead(long seq, JsonObject edited, string list)
    {
        if (seq != Seq)
            return ShowTyped(edited);
        if (Text(edited) != Text(Sheet) || Begun)
        {
            drafts.Add(Kind, Key, seq, "Fields changed", Text(edited));
            Open(Kind, Key, fromDraft: true);
        }
        string text = PastedText(list);
        if (text.Trim().Length == 0)
            return Show("Nothing is pasted yet.", StatusCodes.Status422UnprocessableEntity);
        if (Core.Pasted.Paste.TooMuch(text) is { } much)
            return Show($"The text {much}. Nothing was read.", StatusCodes.Status422UnprocessableEntity);
        _read = (list, ReadPasted(list, text));
        return Show();
    }

    Core.Pasted.Paste ReadPasted(string list, string text) =>
        Core.Pasted.Paste.Of(
            new PasteAsked
            {
                Text = text,
                As = PasteInto(list),
                AddressBits = list == "claims" ? Bits : null,
            }
        );

    /// <summary>Takes what was read whole, and the doubtful lines that are ticked.</summary>
    string Take(JsonObject sheet, string list, bool instead)
    {
        if (PasteInto(list) is null)
            throw new ArgumentException($"nothing is pasted into {list}");
        string text = PastedText(list);
        if (Core.Pasted.Paste.TooMuch(text) is { } much)
            throw new ArgumentException($"the text {much}");
        Core.Pasted.Paste read = ReadPasted(list, text);
        string[] ticked = [.. Request.Form[$"t:{list}"].OfType<string>()];
        read = read with { Lines = [.. read.Lines.Where(l => l.Doubt is null || ticked.Contains($"{l.Line}"))] };
        JsonArray things = instead ? [] : JsonPath.Get(sheet, list) as JsonArray ?? [];
        HashSet<string> taken = [.. things.OfType<JsonObject>().Select(o => $"{o["id"]}")];
        JsonNode[] made = PasteInto(list) switch
        {
            PasteKind.Map =>
            [
                .. PastedPack.ClaimsOf(read.All<PastedRange>(), taken).Select(c => (JsonNode)Declaration<Claim>.Write(c)),
            ],
            PasteKind.Switches =>
            [
                .. PastedPack.SwitchesOf(read.All<PastedSetting>()).Select(s => (JsonNode)Declaration<Switch>.Write(s)),
            ],
            PasteKind.Acts => TakeGuide(sheet, list, [.. read.All<GuideAct>()]),
            PasteKind.Contacts =>
            [
                .. PastedPack.ContactsOf(read.All<PastedContact>()).Select(n => (JsonNode)JsonValue.Create(n)),
            ],
            PasteKind.Parts => [.. PastedPack.BomOf(read.All<PastedPart>()).Select(b => (JsonNode)Declaration<BomLine>.Write(b))],
            _ when read.All<PastedLeg>().Any() => [Declaration<BoardChip>.Write(PastedPack.ChipOf(read.All<PastedLeg>()))],
            _ => [],
        };
        if (made.Length == 0)
            throw new ArgumentException("nothing was read that could be taken");
        if (things.Parent is null)
            JsonPath.Put(sheet, list, things);
        foreach (JsonNode one in made)
            things.Add(one);
        if (list == "switches")
            PlacedBySwitches(sheet, read.All<PastedSetting>(), instead);
        return $"{IdText.Counted(made.Length, IdText.Singular(list[(list.LastIndexOf('.') + 1)..]))} taken from a text";
    }

    /// <summary>The machine that the way of a list is for; null: the list is of no way, or names none.</summary>
    Model? MachineAt(string list) =>
        list.StartsWith("ways[", StringComparison.Ordinal)
            ? sheets.All().FindModel($"{JsonPath.Get(Sheet, list[..(list.IndexOf(']') + 1)] + ".model")}")
            : null;

    /// <summary>What a guide that was read names of the board and the machine's sheet does not have.</summary>
    public IReadOnlyList<string> NewOnMachine(string list) =>
        ReadInto(list) is { As: PasteKind.Acts } read && MachineAt(list) is { } machine
            ? PastedWiring.Of(read.All<GuideAct>(), machine).New
            : [];

    /// <summary>A guide becomes the changes of a way; its pads come onto this sheet, chips and points onto the
    /// machine's.</summary>
    JsonNode[] TakeGuide(JsonObject sheet, string list, IReadOnlyList<GuideAct> acts)
    {
        if (MachineAt(list) is not { } machine)
            throw new ArgumentException("the way names no machine of this cabin");
        PastedWiring wiring = PastedWiring.Of(acts, machine);
        if (wiring.New.Count > 0 && StoredAs("model", machine.Id) is { } stored)
        {
            Append(stored, "chips", wiring.Chips.Select(c => (JsonNode)Declaration<BoardChip>.Write(c)));
            Append(stored, "points", wiring.Points.Select(p => (JsonNode)Declaration<BoardPoint>.Write(p)));
            ImportOutcome outcome = import.Run(
                System.Text.Encoding.UTF8.GetBytes(DraftPreview.PackOf("model", stored, sheets.All().Currency)),
                ImportMode.Replace,
                $"a guide: {string.Join(", ", wiring.New)} named on {machine.Name}"
            );
            if (outcome.Errors.Count > 0)
                throw new ArgumentException(outcome.Errors[0].Sentence);
        }
        HashSet<string> pads = [.. (sheet["pads"] as JsonArray ?? []).Select(p => $"{p?["id"]}")];
        Append(sheet, "pads", wiring.Pads.Where(p => !pads.Contains(p.Id)).Select(p => (JsonNode)Declaration<Pad>.Write(p)));
        return [.. wiring.Changes.Select(c => (JsonNode)Declaration<WireChange>.Write(c))];
    }

    static void Append(JsonObject sheet, string list, IEnumerable<JsonNode> things)
    {
        foreach (JsonNode thing in things)
            JsonPath.Put(sheet, $"{list}[+]", thing);
    }

    /// <summary>
    /// A setting that says where memory answers makes a claim under that setting, as large as it says. Claims that hung on
    /// switches which are gone go with them.
    /// </summary>
    static void PlacedBySwitches(JsonObject sheet, IEnumerable<PastedSetting> settings, bool instead)
    {
        var placed = settings.Where(s => s.At is not null && s.Size is > 0).ToList();
        var claims = sheet["claims"] as JsonArray ?? [];
        if (instead)
            foreach (JsonNode? hung in claims.Where(c => c?["when"] is JsonObject { Count: > 0 }).ToList())
                claims.Remove(hung);
        HashSet<string> taken = [.. claims.OfType<JsonObject>().Select(o => $"{o["id"]}")];
        foreach (PastedSetting one in placed)
        {
            string id = IdText.Free($"at-{one.At:x4}", taken.Contains);
            taken.Add(id);
            claims.Add(
                new JsonObject
                {
                    ["id"] = id,
                    ["kind"] = "ram",
                    ["base"] = $"0x{one.At:X4}",
                    ["size"] = new ByteSize(one.Size!.Value).ToSheet(),
                    ["when"] = new JsonObject(
                        one.Positions.Select(p => KeyValuePair.Create(IdText.Of(p.Key), (JsonNode?)JsonValue.Create(p.Value)))
                    ),
                }
            );
        }
        if (claims.Count > 0 && claims.Parent is null)
            sheet["claims"] = claims;
    }

    /// <summary>A new sheet gets its id from its name, unless it was given one in the JSON.</summary>
    void NameNew()
    {
        if (IsNew && Begins.IsMatch($"{Sheet["id"]}") && IdText.Of($"{Sheet["name"]}") is { Length: > 0 } id)
            Sheet["id"] = Free(id);
    }

    static Regex Begins => field ??= new(@"^((model|part|unit|title)(-\d+)?|.*-copy(-\d+)?)$");
}
