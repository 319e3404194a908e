using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>The Build station: the steps in order, their cautions, and the gates with what must be read and what was.</summary>
public partial class BuildModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos, TimeProvider clock)
    : StationPage(sheets, jobs)
{
    /// <summary>What is laid out before anything is opened.</summary>
    public IReadOnlyList<LaidOut> Tools =>
        field ??= LayOut.Of(View.Sheet, View.After, [.. Service<StockRepository>().All().Select(s => s.Item)]);

    T Service<T>()
        where T : notnull => HttpContext.RequestServices.GetRequiredService<T>();

    /// <summary>What was learnt at a step goes onto its part's sheet.</summary>
    public IActionResult OnPostLearn(string job, StepId step, string? lesson)
    {
        if (!Load(job))
            return NotFound();
        Press<Part> press = Lessons.Learn(AtThisMoment, step, lesson);
        if (press.Refused is { } refused)
            return Refuse(refused);
        return press.Edit is null
            ? NotFound()
            : RustCabin.Web.Pages.Sheets.SheetWriter.Write(
                Sheets,
                Service<PackImport>(),
                View.At.Find(step)!.Step.Instance!.Part.Id,
                press
            ) switch
            {
                null => NotFound(),
                "" => LocalRedirect(Request.Path + AsShown()),
                var wrong => Refuse(StatusCodes.Status422UnprocessableEntity, wrong),
            };
    }

    public override Desk Desk => Desks.Of<BuildDesk>();

    /// <summary>What was typed at a gate, kept when it could not be taken, with what is wrong by line.</summary>
    public IReadOnlyList<string> Typed { get; private set; } = [];
    public IReadOnlyDictionary<int, string> Wrong { get; private set; } = new Dictionary<int, string>();
    public StepId? TypedAt { get; private set; }

    /// <summary>The causes of a reading that differs, and what to look at next; null: it does not differ.</summary>
    public Diagnosis? Explained(StepProgress step) =>
        step is { State: StepState.Differs, Step.At: not null } ? AtGate.Of(View.At, step) : null;

    /// <summary>The tests of what the job touches.</summary>
    public JobTests Tests => field ??= JobTests.Of(View.Before, View.After);

    /// <summary>How each of them went, before and after.</summary>
    public IReadOnlyList<TriedTest> Tried => field ??= Functioning.Of(View.At, Tests);

    /// <summary>How a function was found before anything was touched.</summary>
    public IActionResult OnPostTriedBefore(string job, long version, string test, string? state) =>
        PressUnit(job, version, at => Functioning.Before(at, test, state));

    /// <summary>How a test went with the job done.</summary>
    public IActionResult OnPostTriedAfter(string job, long version, string test, string? state) =>
        Press(job, version, at => Functioning.After(at, test, state));

    /// <summary>Notes how many minutes a step that is done really took.</summary>
    public IActionResult OnPostTook(string job, long version, StepId step, string? took) =>
        Press(job, version, at => Ticking.Took(at, step, took));

    /// <summary>The acts of wiring that the job does.</summary>
    public IReadOnlySet<ChangeAct> ActsOfWiring =>
        field ??= Core.Wiring.PlacedChange.ToDo(View.Before, View.After).Select(c => c.Change.Do).ToHashSet();

    public IActionResult OnPostNoise(string job, long version, string? before, string? after) =>
        Press(job, version, _ => Gating.Noise(before, after));

    public IActionResult OnPostKeep(string job, long version, string habit, string way) =>
        Press(job, version, at => Gating.Keep(at, habit, way));

    public IActionResult OnPostPark(string job, long version, string? next, string? day) =>
        Press(job, version, _ => Settling.Park(next, day));

    public IActionResult OnPostGoOn(string job, long version) => Press(job, version, Settling.GoOn);

    /// <summary>What stood by itself is ready.</summary>
    public IActionResult OnPostReady(string job, long version, StepId step) => Press(job, version, at => Ticking.Ready(at, step));

    public IActionResult OnPostTick(string job, long version, StepId step, bool done, string? took, string? proof) =>
        Press(job, version, at => Ticking.Tick(at, step, done, took, proof));

    public IActionResult OnPostHeed(string job, long version, StepId step, List<string> caution, bool heeded) =>
        Press(job, version, at => Ticking.Heed(at, step, caution, heeded));

    /// <summary>The gate offers to tick what it is about, with the reading.</summary>
    public bool OfferTick { get; private set; }

    protected override void WhenRefused(Refusal refused) =>
        (OfferTick, Wrong) = (refused.Offer == Readings.WithTicks, refused.Lines);

    public IActionResult OnPostRead(string job, long version, StepId step, List<string> seen, bool tick)
    {
        (Typed, TypedAt) = ([.. seen.Select(s => s ?? "")], step);
        return Press(job, version, at => Readings.Read(at, step, Typed, tick));
    }

    /// <summary>A gate of a machine that shows no count: it starts as before, or it does not.</summary>
    public IActionResult OnPostStarts(string job, long version, StepId step, bool starts, bool tick)
    {
        (TypedAt, TypedStarts) = (step, starts);
        return Press(job, version, at => Readings.Starts(at, step, starts, tick));
    }

    /// <summary>One start that was counted at a gate.</summary>
    public IActionResult OnPostCount(string job, long version, StepId step, bool warm, bool works) =>
        Press(job, version, at => Counting.AtGate(at, step, warm, works));

    /// <summary>Asks at a gate for clean starts in a row, or for none.</summary>
    public IActionResult OnPostAskRate(string job, long version, StepId step, bool asked) =>
        Press(job, version, at => Counting.Ask(at, step, asked));

    /// <summary>What was said of a machine that shows no count, and not taken.</summary>
    public bool TypedStarts { get; private set; }
}
