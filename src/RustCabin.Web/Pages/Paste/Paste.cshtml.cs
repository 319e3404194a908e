using System.Globalization;
using Microsoft.AspNetCore.Html;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Pasted;
using RustCabin.Data;
using RustCabin.Web.Drawings;

namespace RustCabin.Web.Pages.Paste;

/// <summary>
/// What a manual prints, pasted: what was read of each line beside it, doubts first, and a press that keeps it. Source:
/// docs/handbook/paste.md, What is read.
/// </summary>
[RequestSizeLimit(LargestForm), RequestFormLimits(ValueLengthLimit = LargestForm)]
public sealed class PasteModel(StockRepository stock) : PageModel
{
    const int LargestForm = 6 * PasteAsked.MostBytes;

    /// <summary>A table of ours, so that one press shows what comes of a text.</summary>
    public const string Example = "0000-37FF  monitor ROM\n3800-BFFF  RAM\nC000-C07F  I/O ports\nC080-FFFF  unused";

    [BindProperty]
    public string? Text { get; set; }

    [BindProperty]
    public string? Kind { get; set; }

    [BindProperty]
    public string? Bits { get; set; }

    [BindProperty]
    public string? Name { get; set; }

    /// <summary>A second guide for the same work.</summary>
    [BindProperty]
    public string? Other { get; set; }

    /// <summary>Lines with a doubt that are taken all the same.</summary>
    [BindProperty]
    public List<int> Taken { get; set; } = [];

    public Core.Pasted.Paste? Read { get; private set; }

    /// <summary>Two guides held against each other; null: there is one.</summary>
    public TwoGuides? Compared { get; private set; }

    public string? Wrong { get; private set; }

    /// <summary>What was put into the cupboard.</summary>
    public string? Put { get; private set; }

    /// <summary>A pack made of what was read, to be looked at by the import.</summary>
    public string? Pack { get; private set; }

    public IReadOnlyList<GuideAct> Acts => [.. Read!.All<GuideAct>()];

    /// <summary>Lines with a doubt first, then those that were read, each in their order.</summary>
    public IEnumerable<PastedLine> Doubtful => Read!.Lines.Where(l => l.Doubt is not null);

    /// <summary>What was understood whole, and headings.</summary>
    public IEnumerable<PastedLine> Whole => Read!.Lines.Where(l => l.Doubt is null);

    int? AddressBits => int.TryParse(Bits, NumberStyles.None, CultureInfo.InvariantCulture, out int bits) ? bits : null;

    public void OnGet() => ViewData["Title"] = "Paste";

    public IActionResult OnPost() => Shown();

    /// <summary>Makes a pack of what was read and was not left out; the import shows what it would bring.</summary>
    public IActionResult OnPostKeep()
    {
        IActionResult page = Shown();
        if (Wrong is null && Read is not null && PastedPack.Makes(Read.As))
            if (string.IsNullOrWhiteSpace(Name))
                Refuse("A name is missing: what is the sheet to be called?");
            else if (Left().Lines.All(l => l.Read.Count == 0))
                Refuse("Nothing was read that could be kept.");
            else
                Pack = PastedPack.Of(Left(), Name.Trim(), AddressBits).ToJsonString();
        return page;
    }

    /// <summary>Puts the parts that were read into the cupboard.</summary>
    public IActionResult OnPostCupboard()
    {
        IActionResult page = Shown();
        if (Wrong is not null || Read is not { As: PasteKind.Parts })
            return page;
        PastedPart[] parts = [.. Left().All<PastedPart>()];
        foreach (PastedPart part in parts)
        {
            stock.Add(
                StockItem.Marked(part.What) with
                {
                    Count = Math.Min(part.Count, StockItem.Most),
                    Price = part.Price,
                    Note = part.Refs.Count > 0 ? $"for {string.Join(" ", part.Refs)}" : "",
                }
            );
        }
        Put = parts.Length == 0 ? "Nothing was read that could be put there." : $"{parts.Length} kinds are in the cupboard now.";
        return page;
    }

    PageResult Shown()
    {
        ViewData["Title"] = "Paste";
        if (string.IsNullOrWhiteSpace(Text))
            return Refuse("Nothing is pasted yet.");
        if (Core.Pasted.Paste.TooMuch(Text) is { } much)
            return Refuse($"The text {much}. Nothing was read.");
        if (Bits is { Length: > 0 } && AddressBits is not (>= 1 and <= 64))
            return Refuse($"\"{Bits}\" is not a number of address lines: 1 to 64.");
        Read = Core.Pasted.Paste.Of(
            new PasteAsked
            {
                Text = Text,
                As = Words<PasteKind>.TryParse(Kind ?? "", out PasteKind kind) ? kind : null,
                AddressBits = AddressBits,
            }
        );
        if (Read.As == PasteKind.Acts && !string.IsNullOrWhiteSpace(Other) && Core.Pasted.Paste.TooMuch(Other) is null)
        {
            Compared = new TwoGuides("this guide", Acts, ActsOf(Other));
        }
        return Page();
    }

    /// <summary>The acts that are read of a guide's text.</summary>
    public static IReadOnlyList<GuideAct> ActsOf(string text) =>
        [.. Core.Pasted.Paste.Of(new PasteAsked { Text = text, As = PasteKind.Acts }).All<GuideAct>()];

    PageResult Refuse(string why)
    {
        Wrong = why;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    /// <summary>What is kept: lines that were read whole, and doubtful ones that are ticked.</summary>
    Core.Pasted.Paste Left() => Read! with { Lines = [.. Read!.Lines.Where(l => l.Doubt is null || Taken.Contains(l.Line))] };

    /// <summary>The drawing of what was read; empty: its kind has none.</summary>
    public IHtmlContent Drawing =>
        Read!.As switch
        {
            PasteKind.Map => PastedMap.Draw(Read.Lines),
            PasteKind.Pinout => Pins(),
            PasteKind.Contacts => Rows(),
            _ => HtmlString.Empty,
        };

    IHtmlContent Pins()
    {
        PastedLeg[] legs = [.. Read!.All<PastedLeg>()];
        if (legs.Length == 0 || legs.Max(l => l.Leg) > 100)
            return HtmlString.Empty;
        ILookup<int, string> nets = legs.ToLookup(l => l.Leg, l => l.Net);
        return PinOutline.Draw(null, [.. Enumerable.Range(1, legs.Max(l => l.Leg)).Select(n => nets[n].FirstOrDefault("?"))]);
    }

    IHtmlContent Rows()
    {
        (string, IReadOnlyList<string>)[] rows =
        [
            .. Read!
                .Lines.Where(l => l.Read.Count > 0)
                .Take(12)
                .Select(l =>
                    (
                        $"line {l.Line}",
                        (IReadOnlyList<string>)[.. l.Read.OfType<PastedContact>().OrderBy(c => c.Contact).Select(c => c.Net)]
                    )
                ),
        ];
        return rows.Length == 0 || rows.Any(r => r.Item2.Count > 40)
            ? HtmlString.Empty
            : ContactRows.Draw(rows, [.. Enumerable.Repeat((IReadOnlyList<int>)[], rows.Length - 1)]);
    }

    /// <summary>What was read of a line, in words.</summary>
    public static string Said(object read) =>
        read switch
        {
            PastedRange r => $"{r.From:X4} to {r.To:X4}, {Bytes((ulong)Math.Min(r.Size, ulong.MaxValue))}, "
                + $"{PasteWords.OfRange(r.Kind)}: {r.Name}",
            PastedSetting s => $"{string.Join(", ", s.Positions.Select(p => $"{p.Key} {p.Value}"))}: {s.Means ?? "?"}"
                + (s.Size is { } size ? $" ({Bytes(size)})" : "")
                + (s.At is { } at ? $" at {at:X4}" : ""),
            PastedLeg l => $"leg {l.Leg} {l.Net}",
            PastedContact c => $"contact {c.Contact} {c.Net}",
            PastedPart p => $"{p.Count} x {p.What}{(p.Refs.Count > 0 ? $" for {string.Join(" ", p.Refs)}" : "")}"
                + (p.Price is { } price ? $", {price:0.00} each" : ""),
            PastedTitle t => t.Name
                + (t.Bytes is { } bytes ? $", {Bytes(bytes)}" : "")
                + (t.Discs is { } discs ? $", {IdText.Counted(discs, "disc")}" : "")
                + (t.Region is { } region ? $", {region}" : ""),
            PastedFile f => f.Path + (f.Bytes is { } bytes ? $", {bytes:#,0} bytes" : ""),
            GuideAct act => Said(act),
            _ => $"{read}",
        };

    static string Said(GuideAct act) =>
        act switch
        {
            LiftAct l => $"lift {(l.Pins.Count == 1 ? "leg" : "legs")} {string.Join(", ", l.Pins)} of {l.Chip}",
            CutAct c => $"cut between {c.Between[0]} and {c.Between[1]}",
            WireAct w =>
                $"wire {w.From} to {w.To}{(w.Mm is { } mm ? $", {mm:0.#} mm" : "")}{(w.Colour is { } c ? $", {c}" : "")}",
            PointAct { Do: "link" } p => $"bridge {p.Point}",
            PointAct p => $"{p.Do} {p.Point}",
            SocketAct s => $"socket {s.Chip}",
            PlainAct p => $"{p.Do}: {p.Where}",
            _ => act.Do,
        };

    static string Bytes(ulong bytes) => $"{new Core.Units.ByteSize(bytes)}";
}
