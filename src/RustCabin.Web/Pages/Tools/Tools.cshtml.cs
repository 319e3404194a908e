using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Chips;
using RustCabin.Core.Memory;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Tools;

/// <summary>Small readers for the bench that need no unit: chip markings, unknown boards, files in sectors.</summary>
public sealed class ToolsModel(SheetRepository sheets) : PageModel
{
    public const int MostLines = 100;

    /// <summary>A chip's marking on each line.</summary>
    [BindProperty(SupportsGet = true, Name = "chips")]
    public string? Chips { get; set; }

    [BindProperty(SupportsGet = true, Name = "cell")]
    public bool Cell { get; set; }

    [BindProperty(SupportsGet = true, Name = "decoder")]
    public bool Decoder { get; set; }

    [BindProperty(SupportsGet = true, Name = "switches")]
    public string? Switches { get; set; }

    [BindProperty(SupportsGet = true, Name = "leads")]
    public string? Leads { get; set; }

    [BindProperty(SupportsGet = true, Name = "sectors")]
    public string? Sectors { get; set; }

    [BindProperty(SupportsGet = true, Name = "reserved")]
    public string? Reserved { get; set; }

    [BindProperty(SupportsGet = true, Name = "bytes")]
    public string? Bytes { get; set; }

    [BindProperty(SupportsGet = true, Name = "link")]
    public string? Link { get; set; }

    [BindProperty(SupportsGet = true, Name = "files")]
    public string? Files { get; set; }

    public IReadOnlyList<(string Line, IReadOnlyList<MarkingReading> Readings)> Read { get; private set; } = [];

    /// <summary>What the chips beside memory are for.</summary>
    public IReadOnlyList<BoardBlock> Blocks { get; private set; } = [];

    public IReadOnlyList<BoardProposal> Proposals { get; private set; } = [];
    public SectorPlan? Plan { get; private set; }
    public string? SectorsWrong { get; private set; }

    public void OnGet()
    {
        ViewData["Title"] = "Tools";
        string[] lines =
        [
            .. (Chips ?? "").Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Take(MostLines),
        ];
        Read = [.. lines.Select(l => (l, Marking.Read(l, sheets.All().Parts.SelectMany(p => p.Markings))))];
        // "8 x 41256-12" stands for eight of them.
        string[] chips = [.. lines.SelectMany(Repeat)];
        Blocks = BoardBlocks.Of(chips);
        bool decodes = Decoder || Blocks.Any(b => b.What.StartsWith("Address decoder", StringComparison.Ordinal));
        Proposals = MysteryBoard.Propose(new BoardSeen(chips, Cell, Count(Switches), Count(Leads), decodes));
        if (Sectors is not null || Bytes is not null)
            PlanSectors();
    }

    static IEnumerable<string> Repeat(string line)
    {
        int x = line.IndexOf(" x ", StringComparison.OrdinalIgnoreCase);
        return
            x > 0
            && int.TryParse(line.AsSpan(0, x), NumberStyles.None, CultureInfo.InvariantCulture, out int times)
            && times <= 200
            ? Enumerable.Repeat(line[(x + 3)..], times)
            : [line];
    }

    static int Count(string? text) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out int count) ? Math.Min(count, 64) : 0;

    void PlanSectors()
    {
        try
        {
            ulong[] files =
            [
                .. (Files ?? "")
                    .Split([' ', '\n', ';', '\t', '\r'], StringSplitOptions.RemoveEmptyEntries)
                    .Select(f => Whole(f, "file")),
            ];
            Plan = SectorPlan.Of(
                Whole(Sectors, "number of sectors"),
                Whole(Reserved, "number of reserved sectors"),
                Whole(Bytes, "number of bytes"),
                Whole(Link, "number of link bytes"),
                files
            );
        }
        catch (FormatException wrong)
        {
            SectorsWrong = wrong.Message;
        }
        catch (ArgumentOutOfRangeException)
        {
            SectorsWrong = "More is reserved than there is, or the link bytes leave no room in a sector.";
        }
    }

    static ulong Whole(string? text, string what) =>
        string.IsNullOrWhiteSpace(text) ? 0
        : ulong.TryParse(text.Trim(), NumberStyles.None, CultureInfo.InvariantCulture, out ulong value) && value < 1ul << 40
            ? value
        : throw new FormatException($"\"{text}\" is not a {what}.");
}
