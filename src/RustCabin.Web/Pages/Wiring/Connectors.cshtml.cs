using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;
using RustCabin.Data;
using RustCabin.Web.Api;

namespace RustCabin.Web.Pages.Wiring;

/// <summary>
/// Connectors without a job: boards in a chain and the cables between them, a lead made by hand with the beeps that prove it,
/// and cables as a chain of pieces. What is typed stands in the address, so that it can be kept and sent.
/// </summary>
public sealed class ConnectorsModel(SheetRepository sheets, StockRepository stock, HeavyWork heavy) : PageModel
{
    const int LongestText = 4000;

    /// <summary>The source's contacts, from one to the last.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Source { get; set; }

    /// <summary>A board a line: its name, a colon, what it wants.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Boards { get; set; }

    /// <summary>The contacts of a lead's one end, and of its other.</summary>
    [BindProperty(SupportsGet = true)]
    public string? One { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Other { get; set; }

    /// <summary>Two devices as <c>DB-25 m DTE rs232</c>.</summary>
    [BindProperty(SupportsGet = true)]
    public string? From { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? To { get; set; }

    /// <summary>A piece a line: <c>name: DB-25 f, DE-9 m, crossing</c>.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Pieces { get; set; }

    public Chain? Chain { get; private set; }
    public ChainAsked Asked { get; private set; } = new();
    public string? ChainWrong { get; private set; }
    public Lead? Lead { get; private set; }

    /// <summary>The nets of a lead's two ends.</summary>
    public (IReadOnlyList<string> One, IReadOnlyList<string> Other) LeadEnds { get; private set; } = ([], []);
    public string? LeadWrong { get; private set; }
    public CableChain? Cables { get; private set; }
    public string? CablesWrong { get; private set; }

    /// <summary>Connectors on the sheets with known contacts, to begin from.</summary>
    public IReadOnlyList<(string Name, string Contacts)> Known =>
        [
            .. sheets
                .All()
                .Models.SelectMany(m =>
                    m.Sites.Where(s => s.Contacts.Count > 0).Select(s => ($"{m.Name} {s.Id}", string.Join(' ', s.Contacts)))
                )
                .Concat(sheets.All().Parts.Where(p => p.Contacts.Count > 0).Select(p => (p.Name, string.Join(' ', p.Contacts)))),
        ];

    public async Task OnGetAsync()
    {
        ViewData["Title"] = "Connectors and cables";
        if (((string?[])[Source, Boards, One, Other, From, To, Pieces]).Any(t => t?.Length > LongestText))
        {
            ChainWrong = $"More than {LongestText:#,0} letters are not taken.";
            return;
        }
        // What lies in the cupboard is at hand, until other pieces are typed.
        Pieces ??= string.Join('\n', CableRuns.PiecesOf(stock.All().Select(i => i.Item)).Select(p => $"{p.Id}: {p.Text}"));
        await Chained();
        Led();
        Cabled();
    }

    async Task Chained()
    {
        if (string.IsNullOrWhiteSpace(Source) || string.IsNullOrWhiteSpace(Boards))
            return;
        Asked = new ChainAsked
        {
            Source = Words(Source),
            Boards =
            [
                .. Lines(Boards)
                    .Select(l => l.Split(':', 2))
                    .Select(
                        (l, i) => new ChainBoard { Name = l.Length > 1 ? l[0].Trim() : $"board {i + 1}", Wants = Words(l[^1]) }
                    ),
            ],
        };
        ChainWrong = Read<ChainAsked>(Asked);
        try
        {
            if (ChainWrong is null)
            {
                Chain = await heavy.Do(() => Chain.Of(Asked, HeavyWork.AtMost), HttpContext.RequestAborted);
                ChainWrong = Chain is null ? HeavyWork.Busy : null;
            }
        }
        catch (Core.Units.OverBudgetException)
        {
            ChainWrong = "Not decided in time: fewer contacts or boards make it easier.";
        }
    }

    void Led()
    {
        if (string.IsNullOrWhiteSpace(One) || string.IsNullOrWhiteSpace(Other))
            return;
        LeadEnds = (Words(One), Words(Other));
        (IReadOnlyList<string> one, IReadOnlyList<string> other) = LeadEnds;
        if (one.Count > ChainAsked.MostContacts || other.Count > ChainAsked.MostContacts)
            LeadWrong = $"A lead has {ChainAsked.MostContacts} contacts at most.";
        else
            Lead = Lead.Of(one, other);
    }

    void Cabled()
    {
        if (string.IsNullOrWhiteSpace(From) || string.IsNullOrWhiteSpace(To))
            return;
        if (!DeviceEnd.TryParse(From, out DeviceEnd from) || !DeviceEnd.TryParse(To, out DeviceEnd to))
        {
            CablesWrong = "A device is its family, m or f, DTE or DCE, and its level: DB-25 m DTE rs232.";
            return;
        }
        var pieces = new List<CablePiece>();
        foreach (string line in Lines(Pieces ?? ""))
        {
            string[] named = line.Split(':', 2);
            if (named.Length < 2 || !CablePiece.TryParse(named[0].Trim(), named[1], out CablePiece piece))
            {
                CablesWrong = $"\"{line}\" is not a piece: short lead: DB-25 f, DB-25 m, crossing.";
                return;
            }
            pieces.Add(piece);
        }
        var asked = new CablesAsked
        {
            From = from,
            To = to,
            Pieces = pieces,
        };
        CablesWrong = Read<CablesAsked>(asked);
        Cables = CablesWrong is null ? CableChain.Of(asked) : null;
    }

    /// <summary>What is wrong with what was typed, by the rules of the calls; null: nothing.</summary>
    static string? Read<T>(T asked)
        where T : class, new()
    {
        using var document = System.Text.Json.JsonDocument.Parse(Core.Declared.Declaration<T>.Write(asked).ToJsonString());
        return Core.Declared.Declaration<T>.Read(document.RootElement).Errors is [var first, ..] ? first.Sentence : null;
    }

    static IReadOnlyList<string> Words(string text) =>
        text.Split([' ', ',', '\t', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries);

    static IReadOnlyList<string> Lines(string text) =>
        text.Split(['\n', '\r'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
}
