using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Build;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.FromPart;

/// <summary>
/// A sheet for populating a bare board: what goes on in which order, what is in hand, buy or build. Source:
/// docs/handbook/build.md, Assembly.
/// </summary>
public sealed class AssemblyModel(SheetRepository sheets, StockRepository stock, JobRepository jobs) : PageModel, IRefusing
{
    IReadOnlyList<StoredStock> _there = [];

    public Assembly Assembly { get; private set; } = null!;
    public string Currency { get; private set; } = "";

    /// <summary>Minutes a joint: as one's own builds have taught, else as the handbook has it.</summary>
    public decimal PerJoint { get; private set; }

    public decimal Minutes => Assembly.Minutes(PerJoint);

    /// <inheritdoc/>
    public string? Notice { get; private set; }

    bool Load(string part)
    {
        Pack all = sheets.All();
        if (all.FindPart(part) is not { } known)
            return false;
        (ViewData["Title"], ViewData["Page"]) = ($"Populate {known.Name}", this);
        _there = stock.All();
        Assembly = Assembly.Of(known, [.. _there.Select(s => s.Item)]);
        Currency = all.Currency;
        PerJoint = Learnt.PerJoint(all, jobs.All()).Minutes;
        return true;
    }

    public IActionResult OnGet(string part) => Load(part) ? Page() : NotFound();

    /// <summary>What is missing and not ordered is wanted.</summary>
    public IActionResult OnPostWant(string part)
    {
        if (!Load(part))
            return NotFound();
        var changed = new List<(StoredStock There, StockItem After)>();
        var put = new List<StockItem>();
        foreach (AssemblyLine line in Assembly.Lines.Where(l => l.Missing - l.Coming > 0))
        {
            int more = line.Missing - line.Coming;
            StoredStock? same = _there.FirstOrDefault(s => Assembly.Serves(line.Line.What, s.Item));
            if (same is null)
                put.Add(
                    StockItem.Marked(line.Line.What) with
                    {
                        Wanted = more,
                        Price = line.Price,
                        Note = $"for {Assembly.Part.Name}",
                    }
                );
            else if (changed.FindIndex(c => c.There == same) is >= 0 and var at)
                changed[at] = (
                    same,
                    changed[at].After with
                    {
                        Wanted = Math.Min(StockItem.Most, changed[at].After.Wanted + more),
                    }
                );
            else
                changed.Add((same, same.Item with { Wanted = more }));
        }
        return After(part, stock.Together($"Wanted for {Assembly.Part.Name}", changed, put));
    }

    /// <summary>The board is populated: its pieces leave the cupboard, and the part lies there.</summary>
    public IActionResult OnPostBuilt(string part)
    {
        if (!Load(part))
            return NotFound();
        if (Assembly.Lines.Count == 0 || Assembly.Lines.Any(l => l.Missing > 0))
            return Refused("Nothing was taken out: a piece is missing.", StatusCodes.Status422UnprocessableEntity);
        StoredStock? same = _there.FirstOrDefault(s => s.Item.Kind == StockKind.Part && s.Item.Item == part);
        // What the sheet says is taken is what leaves the cupboard.
        var taken = Assembly
            .Lines.SelectMany(l => l.Taken)
            .ToLookup(t => t.Thing, t => t.Count, ReferenceEqualityComparer.Instance);
        IEnumerable<(StoredStock, StockItem)> changed = _there
            .Where(s => taken.Contains(s.Item))
            .Select(s => (s, s.Item with { Count = s.Item.Count - taken[s.Item].Sum() }));
        return After(
            part,
            stock.Together(
                $"{Assembly.Part.Name} populated",
                [
                    .. changed,
                    .. same is null ? [] : ((StoredStock, StockItem)[])[(same, same.Item with { Count = same.Item.Count + 1 })],
                ],
                same is null
                    ?
                    [
                        new StockItem
                        {
                            Kind = StockKind.Part,
                            Item = part,
                            Name = Assembly.Part.Name,
                            Count = 1,
                            Note = "populated here",
                        },
                    ]
                    : []
            )
        );
    }

    IActionResult After(string part, WriteResult result) =>
        result == WriteResult.Stale
            ? Refused(IRefusing.ChangedElsewhere("This"), StatusCodes.Status409Conflict, part)
            : LocalRedirect("/cupboard");

    PageResult Refused(string why, int status, string? again = null)
    {
        if (again is not null)
            Load(again);
        (Notice, Response.StatusCode) = (why, status);
        return Page();
    }
}
