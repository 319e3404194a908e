using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Chips;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;
using RustCabin.Data;
using RustCabin.Web.Drawings;
using RustCabin.Web.Pages.Paste;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Wiring;

/// <summary>A way of a part beside the one that is planned, with what it costs.</summary>
/// <param name="Part">The part.</param>
/// <param name="Way">The way.</param>
/// <param name="Chosen">It is the one that is planned.</param>
/// <param name="Wired">What is done, and the nets after it.</param>
/// <param name="Board">The board as this way would have it; null: no sheet says how it looks.</param>
public sealed record WayColumn(Instance Part, Way Way, bool Chosen, Wired Wired, BoardPlan? Board)
{
    public IReadOnlyList<PlacedChange> Changes => Wired.Changes;
    public int Joints => Changes.Sum(c => c.Joints);
    public decimal Minutes => Changes.Sum(WiringWorks.MinutesOf);
}

/// <summary>
/// The Wiring station: the board with this job's places in the order of work, the chip at hand, and the table for the meter.
/// </summary>
public sealed partial class WiringModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos, StockRepository stock)
    : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<WiringDesk>();

    public Wired Wired { get; private set; } = null!;
    public IReadOnlyList<Probed> Table { get; private set; } = [];

    /// <summary>The side from which the board is seen.</summary>
    [BindProperty(SupportsGet = true)]
    public string? From { get; set; }

    /// <summary>The change at hand, from 1; left out: the first that is not done.</summary>
    [BindProperty(SupportsGet = true)]
    public int? At { get; set; }

    /// <summary>The line that is probed, from 1; left out: the first that is not as it must be.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Line { get; set; }

    /// <summary>The board that is seen.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Board { get; set; }

    /// <summary>The next press is about the next line.</summary>
    protected override IReadOnlyList<string> Passing => ["line", "photo"];

    /// <summary>A photo that is to be laid under the board.</summary>
    [BindProperty(SupportsGet = true)]
    public long? Photo { get; set; }

    public IReadOnlyList<PhotoLine> Photos { get; private set; } = [];

    /// <summary>The photo that lies under the board that is seen, and its address; null: none does, or it is not here any
    /// more.</summary>
    public (BoardPhoto Photo, string Href)? Laid =>
        View.Unit.BoardPhotos.FirstOrDefault(p => p.Board == Plan?.Name) is { } laid && Photos.Any(p => p.Id == laid.Photo)
            ? (laid, HrefOf(laid.Photo))
            : null;

    public string HrefOf(long photo) => $"/units/{View.Unit.Id}/photos/{photo}";

    /// <summary>Places by which a photo can be laid: points, and leg 1 of each chip.</summary>
    public IEnumerable<string> Landmarks =>
        Plan is null
            ? []
            : Wired
                .Places.All.Index()
                .Where(p => p.Item.Kind != PlaceKind.Leg || p.Item.Number == 1)
                .Where(p => Plan.Of(p.Index) is not null)
                .Select(p => p.Item.Name);

    /// <summary>Options that parts of the job have here, and whether they are chosen.</summary>
    public IEnumerable<(Instance Part, PartOption Option, bool Chosen)> Options =>
        from part in View.After.Instances
        where part.Added
        from option in part.Part.Options.Concat(part.Way?.Options ?? [])
        select (part, option, part.Fitted.Options.Contains(option.Id));

    /// <summary>The job's runs of cables, each with the chain out of the cupboard, or the piece that would do.</summary>
    public IReadOnlyList<(CableRun Run, CableChain Chain)> Runs
    {
        get
        {
            IReadOnlyList<CablePiece> pieces = CableRuns.PiecesOf(stock.All().Select(i => i.Item));
            return [.. View.Job.Cables.Select(run => (run, CableRuns.Of(run, pieces)))];
        }
    }

    public bool Below => From == "below";
    public int Here { get; private set; } = -1;

    /// <summary>The place of the line that is asked for; -1: all agree.</summary>
    public int Probing { get; private set; } = -1;

    /// <summary>The same, with the form that takes its answer; null: all agree.</summary>
    public (ContinuityLine Line, string Pair, string Form)? Probe =>
        Probing >= 0 && Table[Probing] is var at
            ? (at.Line, $"{at.From} to {at.To} must {(at.Line.Closed ? "beep" : "not beep")}", "meter-says")
            : null;

    public BoardPlan? Plan { get; private set; }
    public IReadOnlyList<BoardPlan> Boards { get; private set; } = [];
    public IReadOnlyList<(string Net, IReadOnlyList<TapOption> Options)> Missing { get; private set; } = [];

    protected override void Loaded()
    {
        Wired = Wired.Of(View.After);
        Table = Wired.Readings;
        Missing = Taps.Of(Wired);
        Photos = [.. photos.Of(View.Unit.Id).Where(p => !p.Hidden)];
        Here =
            At is { } asked && asked > 0 && asked <= Wired.Changes.Count
                ? asked - 1
                : Wired.Changes.Index().FirstOrDefault(c => !IsDone(c.Item), (-1, null!)).Index;
        Probing =
            Line is { } line && line > 0 && line <= Table.Count
                ? line - 1
                : Table.Index().FirstOrDefault(l => l.Item.Agrees != true, (-1, null!)).Index;
        Boards = BoardPlan.All(Wired, Below);
        int[] touched = [.. Wired.Changes.SelectMany(Wired.Touched)];
        Plan =
            Boards.FirstOrDefault(b => b.Name == Board)
            ?? BoardPlan.With(Boards, touched).FirstOrDefault()
            ?? (Wired.Changes.Count > 0 ? Boards.FirstOrDefault() : null);
    }

    /// <summary>The step of a change is ticked on the build sheet.</summary>
    public bool IsDone(PlacedChange change) => View.Job.Done.Contains(change.Step);

    /// <summary>The chip of the change at hand; null: it is about none.</summary>
    /// <summary>For paper: the boards that are worked on, from the side that is not shown.</summary>
    public IReadOnlyList<BoardPlan> OtherSide =>
        Plan is null || Wired.Changes.Count == 0
            ? []
            : [.. BoardPlan.With(BoardPlan.All(Wired, !Below), [.. Wired.Changes.SelectMany(Wired.Touched)])];

    /// <summary>For paper: every chip of which a leg is lifted or soldered to, but the one that is shown.</summary>
    public IReadOnlyList<BoardChip> ChipsOnPaper =>
        [
            .. Enumerable
                .Range(0, Wired.Changes.Count)
                .Select(ChipOf)
                .OfType<BoardChip>()
                .DistinctBy(c => c.Id)
                .Where(c => c.Id != ChipAtHand?.Id),
        ];

    public BoardChip? ChipAtHand => Here < 0 ? null : ChipOf(Here);

    BoardChip? ChipOf(int change) =>
        Wired
            .Touched(Wired.Changes[change])
            .Select(p => Wired.Places.All[Wired.After.LegOf(p)].Chip)
            .FirstOrDefault(c => c is not null);

    /// <summary>How a leg of the chip at hand is drawn: lifted, soldered, or beside one of these.</summary>
    public string LookOf(BoardChip chip, int leg)
    {
        int place = Wired.Places.All.First(p => p.Chip == chip).FirstLeg + leg - 1;
        if (Wired.After.PadOf(place) >= 0)
            return "lifted";
        if (Worked.Contains(place))
            return "soldered";
        return Wired.Beside(place).Any(n => Wired.After.PadOf(n) >= 0 || Worked.Contains(n)) ? "beside" : "";
    }

    HashSet<int>? _worked;
    HashSet<int> Worked =>
        _worked ??= [
            .. Wired.After.Joins.Where(j => j.Change >= 0).SelectMany(j => (int[])[j.A, j.B]),
            .. Wired.Changes.Where(c => c.Change.Do == ChangeAct.Socket).SelectMany(Wired.LegsOf),
        ];

    /// <summary>Where the legs of a change stand, counted from the nearer corner as the board is seen.</summary>
    public IEnumerable<string> Counted(PlacedChange change)
    {
        if (
            change.Change.Do != ChangeAct.Lift
            || Wired.Touched(change).Select(p => Wired.Places.All[Wired.After.LegOf(p)]).FirstOrDefault()?.Chip is not { } chip
        )
            yield break;
        View view = Below ? Core.Chips.View.Below : Core.Chips.View.Above;
        foreach (int pin in change.Change.Pins.Where(p => p <= chip.Outline.Pins))
        {
            PinPlace place = chip.Outline.Find(pin, view);
            IReadOnlyList<int> stay = chip.Outline.Neighbours(pin, [.. change.Change.Pins]);
            string side = place.Side.ToString().ToLowerInvariant();
            yield return $"{pin}: {side} side, number {place.FromCorner} from the {place.Corner}"
                + (stay.Count > 0 ? $"; {string.Join(" and ", stay)} {(stay.Count == 1 ? "stays" : "stay")} down" : "");
        }
    }

    /// <summary>The ways in which the parts of the job can be fitted here, where there is a choice.</summary>
    public IReadOnlyList<WayColumn> Ways =>
        [
            .. View
                .After.Instances.Where(i => i.Added)
                .SelectMany(i =>
                    i.Part.Ways.Where(w => w.Model == View.Model.Id && View.After.Holds(w.Revisions)).Select(w => ColumnOf(i, w))
                )
                .GroupBy(w => w.Part)
                .Where(g => g.Count() > 1 && g.Any(w => w.Changes.Count > 0))
                .SelectMany(g => g),
        ];

    WayColumn ColumnOf(Instance part, Way way)
    {
        var wired = Wired.Of(View.After with { Instances = [part with { Way = way }] });
        int[] touched = [.. wired.Changes.SelectMany(wired.Touched)];
        return new WayColumn(
            part,
            way,
            way.Id == part.Way?.Id,
            wired,
            BoardPlan.With(BoardPlan.All(wired, Below), touched).FirstOrDefault()
        );
    }

    /// <summary>The address of this page with one thing of it changed.</summary>
    public string With(string name, string value) =>
        Request.Path
        + Request
            .Query.Where(q => q.Key is not ("handler" or "kept") && q.Key != name)
            .Aggregate(QueryString.Create(name, value), (all, q) => all.Add(q.Key, q.Value.ToString()));

    /// <summary>Notes what the meter showed: a beep, none, or ohms.</summary>
    /// <summary>A guide that was pasted, held against the changes of the job; null: none was.</summary>
    public TwoGuides? Guides { get; private set; }

    /// <summary>What was pasted, as it was.</summary>
    public string? Guide { get; private set; }

    /// <summary>Holds another guide against the changes of the job; nothing is kept.</summary>
    public IActionResult OnPostGuide(string job, string? guide)
    {
        if (!Load(job))
            return NotFound();
        Guide = guide;
        if (string.IsNullOrWhiteSpace(guide))
            return Refuse(new Refusal("guide", "Nothing was compared: paste the other guide's text."));
        if (Core.Pasted.Paste.TooMuch(guide) is { } much)
            return Refuse(new Refusal("guide", $"Nothing was compared: the text {much}."));
        WireChange[] changes = [.. Wired.Changes.Select(c => c.Change)];
        IReadOnlyList<Core.Pasted.GuideAct> read = PasteModel.ActsOf(guide);
        if (read.Count == 0)
            return Refuse(
                new Refusal("guide", "Nothing was compared: no line of it reads as an act, such as: lift pin 3 of U7.")
            );
        Guides = new TwoGuides("this job", PlannedActs.Of(changes), PlannedActs.AsPlanned(read, changes));
        return Page();
    }

    public IActionResult OnPostProbe(
        string job,
        long version,
        string from,
        string to,
        string? says,
        string? ohms,
        string? before,
        bool tick
    )
    {
        (Said, Ohms, Before) = (says, ohms, before);
        return Press(job, version, at => WiringPresses.Probe(at, from, to, says, ohms, before, tick));
    }

    /// <summary>What was said of a line and not taken, to be taken with the ticks of its acts.</summary>
    public string? Said { get; private set; }
    public string? Ohms { get; private set; }
    public string? Before { get; private set; }
    public bool OfferTick { get; private set; }

    protected override void WhenRefused(Refusal refused) => OfferTick = refused.Offer == Readings.WithTicks;

    /// <summary>Takes a reading away.</summary>
    public IActionResult OnPostForget(string job, long version, string from, string to) =>
        Press(job, version, _ => WiringPresses.Forget(from, to));

    /// <summary>Lays a photo of the unit under the board, by two places that were tapped on it.</summary>
    public IActionResult OnPostLay(string job, long version, string board, long photo, LayForm form) =>
        PressUnit(
            job,
            version,
            _ => WiringPresses.Lay(board, Photos.Any(p => p.Id == photo) ? photo : null, form, [.. Landmarks])
        );

    /// <summary>Takes the photo from under the board.</summary>
    public IActionResult OnPostLift(string job, long version, string board) =>
        PressUnit(job, version, _ => WiringPresses.Lift(board));

    /// <summary>Chooses an option of a part, or leaves it.</summary>
    public IActionResult OnPostChoose(string job, long version, InstanceName instance, string option, bool chosen) =>
        Press(job, version, at => Parts.Option(at, instance, option, chosen));

    /// <summary>Joins two devices by cables.</summary>
    public IActionResult OnPostJoin(string job, long version, string? what, string? one, string? other) =>
        Press(job, version, at => WiringPresses.Join(at, what, one, other));

    /// <summary>Drops a run of cables.</summary>
    public IActionResult OnPostPart(string job, long version, string run) => Press(job, version, _ => WiringPresses.Part(run));

    /// <summary>Plans another way for a part of the job.</summary>
    public IActionResult OnPostWay(string job, long version, InstanceName instance, WayName way) =>
        Press(job, version, at => Parts.Way(at, instance, way));
}
