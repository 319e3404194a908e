using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Pages.Units;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Shelf;

/// <summary>One unit on the shelf: how it stands, by the job that is nearest to being worked on.</summary>
/// <param name="Unit">The unit.</param>
/// <param name="Model">Its model.</param>
/// <param name="On">How it stands, and the next press.</param>
/// <param name="Job">The job that says so; null: there is none.</param>
/// <param name="Others">How many other open jobs it has.</param>
public sealed record ShelfRow(Unit Unit, Model Model, OnShelf On, StoredJob? Job, int Others)
{
    /// <summary>What could be done at the job now; null: nothing is left to do, or there is none.</summary>
    public NowWork? Now { get; init; }
}

/// <summary>
/// The shelf, to work from: stopped or differing first, then what is at hand, what waits, what can start, and the rest. Only so
/// many rows are drawn at a time, so that it opens as fast with 600 units as with six.
/// </summary>
public sealed class ShelfModel(
    SheetRepository sheets,
    JobRepository jobs,
    PackImport import,
    StockRepository stock,
    ShelfRepository shelf,
    Backup backup,
    TimeProvider clock
) : PageModel
{
    /// <summary>So many rows are shown at a time.</summary>
    public const int RowsShown = 60;

    /// <summary>The states in their order, each with its heading.</summary>
    public static readonly IReadOnlyList<(ShelfState State, string Title)> States =
    [
        (ShelfState.Stopped, "Stopped or differing"),
        (ShelfState.AtHand, "At hand"),
        (ShelfState.Waiting, "Waiting"),
        (ShelfState.Ready, "Ready to start"),
        (ShelfState.Idle, "No job"),
        (ShelfState.Done, "Done"),
    ];

    /// <summary>Only units in this state.</summary>
    [BindProperty(SupportsGet = true)]
    public ShelfState? State { get; set; }

    /// <summary>Only units whose name, machine, job or next step has all these words.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Find { get; set; }

    /// <summary>The first row that is shown, from 0.</summary>
    [BindProperty(SupportsGet = true)]
    public int From { get; set; }

    /// <summary>The choices of how long one has.</summary>
    public static readonly IReadOnlyList<int> MinutesAtHand = [30, 60, 120];

    /// <summary>So many stretches of work are shown, and so many that lack something.</summary>
    public const int WorksShown = 5,
        LacksShown = 12;

    /// <summary>How long one has, in minutes.</summary>
    [BindProperty(SupportsGet = true)]
    public int Minutes { get; set; } = MinutesAtHand[1];

    /// <summary>What could be done at each open job.</summary>
    public IReadOnlyList<NowWork> Works { get; private set; } = [];

    /// <summary>The page for another time at hand.</summary>
    public string InMinutes(int minutes) =>
        UrlOf(State) is var url ? $"{url}{(url.Contains('?') ? '&' : '?')}minutes={minutes}" : "";

    /// <summary>How many units there are in each state, of those that have the words.</summary>
    public IReadOnlyDictionary<ShelfState, int> Counts { get; private set; } = new Dictionary<ShelfState, int>();

    /// <summary>All units that are asked for.</summary>
    public IReadOnlyList<ShelfRow> Asked { get; private set; } = [];

    /// <summary>Those of them that are shown, state by state.</summary>
    public IEnumerable<IGrouping<ShelfState, ShelfRow>> Groups => Asked.Skip(From).Take(RowsShown).GroupBy(r => r.On.State);

    /// <summary>How many units are on the shelf.</summary>
    public int Units { get; private set; }

    public bool BackupIsDue { get; private set; }

    /// <summary>Units that cannot be planned, and why.</summary>
    public IReadOnlyList<(Unit Unit, string Why)> Unplanned { get; private set; } = [];

    /// <summary>Sheets and jobs that do not read any more.</summary>
    public IReadOnlyList<SetAside> Aside { get; private set; } = [];

    /// <summary>What was taken off the shelf, and can be put back.</summary>
    public IReadOnlyList<(string Kind, string Id, string Name)> Removed { get; private set; } = [];

    /// <summary>What became of a press that could not be carried out; null when all is well.</summary>
    public string? Notice { get; private set; }

    public void OnGet()
    {
        ViewData["Title"] = "Shelf";
        Pack all = sheets.All();
        (IReadOnlyList<StoredJob> standing, IReadOnlyList<SetAside> aside) = jobs.Standing();
        ILookup<string, StoredJob> stored = standing.ToLookup(j => j.Job.Unit);
        Removed = shelf.Removed();
        Aside = [.. sheets.Aside(), .. aside];
        BackupIsDue = backup.State().IsDue(clock.GetUtcNow());
        StockItem[] items = [.. stock.All().Select(s => s.Item)];
        var lines = new ShelfLines(all, items, clock.GetUtcNow());
        var rows = new List<ShelfRow>();
        var unplanned = new List<(Unit, string)>();
        foreach (Unit unit in all.Units)
            try
            {
                rows.Add(lines.RowOf(unit, stored[unit.Id]));
            }
            catch (Core.Maps.MapTooDenseException dense)
            {
                // What cannot be planned takes only its own row.
                unplanned.Add((unit, dense.Message));
            }
        Units = rows.Count + unplanned.Count;
        if (!MinutesAtHand.Contains(Minutes))
            Minutes = MinutesAtHand[1];
        Works = [.. rows.Select(r => r.Now).OfType<NowWork>()];
        string[] words = (Find ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (words.Length > 0)
            rows.RemoveAll(r => Said(r) is var said && !words.All(w => said.Contains(w, StringComparison.OrdinalIgnoreCase)));
        Counts = rows.CountBy(r => r.On.State).ToDictionary();
        Asked = [.. rows.Where(r => State is null || r.On.State == State).OrderBy(r => r.On.State)];
        From = From < 0 || From >= Asked.Count ? 0 : From;
        Unplanned = words.Length == 0 && State is null ? unplanned : [];
    }

    static string Said(ShelfRow row) =>
        $"{row.Unit.Name} {row.Model.Maker} {row.Model.Name} {row.Job?.Job.Name} {row.On.Words} {row.On.Press}";

    /// <summary>The page with another filter.</summary>
    public string UrlOf(ShelfState? state, int from = 0) =>
        "/"
        + QueryString.Create(
            new Dictionary<string, string?>
            {
                ["state"] = state?.ToString().ToLowerInvariant(),
                ["find"] = string.IsNullOrWhiteSpace(Find) ? null : Find,
                ["from"] = from > 0 ? $"{from}" : null,
            }.Where(q => q.Value is not null)
        );

    /// <summary>Where the next press of a row is made.</summary>
    public static string UrlOf(ShelfRow row)
    {
        Desk desk = Desks.At(row.On.Where);
        return $"/jobs/{row.Job!.Job.Id}/{desk.Slug}" + (row.On.Step is { } step ? $"#step-{step}" : "");
    }

    /// <summary>The unit as its row draws it.</summary>
    public PlannedUnit Drawn(ShelfRow row) => ViewOf(row)?.After ?? Plan.For(sheets.All(), row.Unit);

    /// <summary>The job of a row as its pages show it; null: it is ended, or there is none.</summary>
    public JobView? ViewOf(ShelfRow row) => row.Job is { Job.Ended: false } job ? JobView.Of(sheets.All(), job) : null;

    /// <summary>The unit is a part by itself, which has no map.</summary>
    public bool IsPart(Unit unit) => sheets.All() is var all && all.Models.All(m => m.Id != unit.Model);

    /// <summary>Takes a job that does not read back to its latest state that does.</summary>
    public IActionResult OnPostGoBack(string job) =>
        jobs.GoBack(job)
            ? LocalRedirect("/")
            : Refuse("No earlier state of that job reads either. Restore a backup: ./cabin restore FILE.");

    public IActionResult OnPostPutBack(string kind, string id)
    {
        shelf.PutBack(kind, id);
        return LocalRedirect("/");
    }

    /// <summary>Begins an empty job for a unit that has none.</summary>
    public IActionResult OnPostBegin(string unit) =>
        Beginning.Of(sheets, jobs, unit, null) switch
        {
            ({ } url, _) => LocalRedirect(url),
            (_, { } refused) => Refuse(refused),
            _ => NotFound(),
        };

    /// <summary>Puts the sample cabin on an empty shelf.</summary>
    public IActionResult OnPostSample()
    {
        DemoPacks.Load(import, stock);
        return LocalRedirect("/");
    }

    PageResult Refuse(string notice)
    {
        OnGet();
        Notice = notice;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
