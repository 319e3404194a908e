using Microsoft.AspNetCore.Mvc;
using RustCabin.Core;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Presses;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Wants;

/// <summary>The Wants station: outcomes and limits, and the sets of parts that give them.</summary>
public sealed class WantsModel(SheetRepository sheets, JobRepository jobs, StockRepository stock, SearchDesk desk)
    : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<WantsDesk>();

    /// <summary>Whether sets are asked for.</summary>
    [BindProperty(SupportsGet = true)]
    public bool Seek { get; set; }

    /// <summary>Whether they stand with the one nearest to the job first.</summary>
    [BindProperty(SupportsGet = true)]
    public bool Near { get; set; }

    public IReadOnlyList<WantShare> Shares { get; private set; } = [];
    public IReadOnlyList<Suggestion> Suggested { get; private set; } = [];
    public BuildSets? Found { get; private set; }
    public SearchProgress? Searching { get; private set; }
    public IReadOnlyList<BuildSet> Sets { get; private set; } = [];

    protected override void Loaded()
    {
        Shares = WantShare.Of(View.After);
        Suggested = Suggestions.Of(View.After, View.Sheets);
    }

    /// <summary>The search for this job as it and the cabin stand.</summary>
    Search Searched()
    {
        Dictionary<string, int> inHand = stock
            .All()
            .Where(s => s.Item.Kind == StockKind.Part && s.Item.Count > 0)
            .GroupBy(s => s.Item.Item)
            .ToDictionary(g => g.Key, g => g.Sum(s => s.Item.Count));
        var ground = new SearchGround(
            View.Stored.Version,
            Sheets.All(),
            string.Join(' ', inHand.OrderBy(i => i.Key, StringComparer.Ordinal).Select(i => $"{i.Key}={i.Value}"))
        );
        return desk.Ask(
            View.Job.Id,
            ground,
            SetQuestion.Of(Trail.Stations, View.Sheets with { Jobs = [View.Job] }, View.Job, inHand)
        );
    }

    protected override async Task Prepared()
    {
        if (!Seek && !Near)
            return;
        Search search = Searched();
        try
        {
            if (await Task.WhenAny(search.Task, Task.Delay(desk.Patience, HttpContext.RequestAborted)) == search.Task)
                Show(await search.Task);
            else
                Searching = search.Progress;
        }
        catch (OperationCanceledException)
        {
            Notice = "The search was called off.";
        }
    }

    void Show(BuildSets found)
    {
        Found = found;
        Sets = Near ? [.. found.Sets.OrderBy(s => Distance(s)).ThenBy(s => s.Cost)] : found.Sets;
    }

    int Distance(BuildSet set) => WantEdits.Change(View.Job, set.Choice) is var (gone, came) ? gone.Count + came.Count : 0;

    public bool IsPlanned(BuildSet set) =>
        WantEdits.Change(View.Job, set.Choice) is var (gone, came) && gone.Count + came.Count == 0;

    public IActionResult OnPostCancel(string job)
    {
        desk.Cancel(job);
        return LocalRedirect(Request.Path);
    }

    public IActionResult OnPostWant(string job, long version, string? want) => Press(job, version, at => Wanting.Want(at, want));

    /// <summary>A want as the forms send it.</summary>
    public static string Text(Need want) => Need.Write(want)!.ToJsonString();

    /// <summary>A want put together by hand: memory of a master, speed, storage, or something by its name.</summary>
    public IActionResult OnPostAsk(string job, long version, AskForm form) => Press(job, version, at => Wanting.Ask(at, form));

    public IActionResult OnPostUnwant(string job, long version, int index) =>
        Press(job, version, at => Wanting.Unwant(at, index));

    /// <summary>The ways there are, the job itself first, and what they come to.</summary>
    public IReadOnlyList<JobWay> Ways => Weighing.Ways(View.At);

    public Alternatives Weighed => field ??= Weighing.Weighed(View.At);

    public IActionResult OnPostWay(string job, long version, WayForm form) => Press(job, version, at => Weighing.Add(at, form));

    public IActionResult OnPostDropWay(string job, long version, string way) => Press(job, version, at => Weighing.Drop(at, way));

    public IActionResult OnPostHour(string job, long version, string? worth) => Press(job, version, _ => Weighing.Hour(worth));

    /// <summary>What could be given up, each by the name under which it is kept: what the machine can do, what the ways of parts
    /// into it take away, and what is kept already.</summary>
    public IEnumerable<(string Id, string Words)> MayBeLost =>
        View
            .Model.Functions.Select(f => (f.Id, f.Called))
            .Concat(
                View.Sheets.Parts.SelectMany(p => p.Ways)
                    .Where(w => w.Model == View.Model.Id)
                    .SelectMany(w => w.Loses)
                    .Concat(View.Job.Limits.KeepFunctions)
                    .Select(l => (l, IdText.Is(l) ? IdText.Plain(l) : l))
            )
            .DistinctBy(l => l.Item1);

    public IActionResult OnPostLimits(string job, long version, LimitsForm form) =>
        Press(job, version, at => Wanting.Limits(at, form));

    /// <summary>Makes a set the job. It is looked for again if its search was lost.</summary>
    public async Task<IActionResult> OnPostTakeAsync(string job, long version, string set)
    {
        if (!Load(job))
            return NotFound();
        (Seek, Near) = (false, false);
        BuildSets found = await Searched().Task.WaitAsync(HttpContext.RequestAborted);
        return Press(job, version, _ => Wanting.Take(found.Sets.FirstOrDefault(s => s.Key == set)));
    }
}
