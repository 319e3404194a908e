using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Cupboard;
using RustCabin.Core.PictureSound;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.PictureSound;

/// <summary>
/// The Picture and sound station: one line as a time axis against what the display locks onto, the bench for the phase, the
/// panel, the colours, and the jacks with what plays where.
/// </summary>
public sealed class PictureSoundModel(SheetRepository sheets, JobRepository jobs, StockRepository stock)
    : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<PictureSoundDesk>();

    public IReadOnlyList<PictureHere> Pictures { get; private set; } = [];
    public PictureHere? Chosen { get; private set; }
    public Instance? Converter { get; private set; }
    public Timing? Rates { get; private set; }
    public Palette? Palette { get; private set; }

    protected override void Loaded()
    {
        Pictures = PictureHere.Of(View.After);
        Chosen = PictureHere.Chosen(View.After);
        Converter = PictureHere.Converter(View.After);
        Palette = PictureHere.PaletteOf(View.After);
        Rates = Chosen is null ? null : Timing.Of(TimingAsked.Of(Chosen.Mode, Doubles, null));
    }

    /// <summary>Why the saved phase does not count; empty: it does, or none is saved.</summary>
    public string PhaseStruck => Converter is null ? "" : PictureSoundStation.PhaseStruck(Picture, Converter);

    public bool Doubles => Converter?.Part.Samples?.Doubles == true;
    public PictureRecord Picture => View.Job.Picture ?? new PictureRecord();
    public SoundRecord Sound => View.Job.Sound ?? new SoundRecord();

    /// <summary>The display of the job; where none is set, the first that the cupboard has.</summary>
    public Core.Sheets.Display? Display => Picture.Display ?? Displays.FirstOrDefault();
    public int Samples => Picture.SamplesPerLine ?? Chosen?.Mode.PixelsPerLine ?? 1;
    public int Phases => Picturing.Phases(View.At);

    IReadOnlyList<Core.Sheets.Display>? _displays;

    /// <summary>Displays that are kept in the cupboard, which is asked once a page.</summary>
    public IReadOnlyList<Core.Sheets.Display> Displays =>
        _displays ??= [
            .. stock
                .All()
                .Where(s => s.Item.Kind == StockKind.Display)
                .Select(s => DisplayText.Parse(s.Item.Name, s.Item.Item))
                .OfType<Core.Sheets.Display>(),
        ];

    /// <summary>Whether the display locks onto a mode: stop, watch or clear.</summary>
    public StationMark LocksOnto(PictureHere picture) =>
        Timing.Locks(TimingAsked.Of(picture.Mode, Doubles, Display), Subject.None).FirstOrDefault()?.Severity switch
        {
            Core.Findings.Severity.Stop => StationMark.Stop,
            Core.Findings.Severity.Watch => StationMark.Watch,
            _ => Display is null ? StationMark.Empty : StationMark.Clear,
        };

    /// <summary>What a mode takes, and what the master that draws it has free; null: the sheet does not say.</summary>
    public (PictureMemory Taken, Core.Units.ByteSize? Free)? RoomOf(PictureHere picture) =>
        PictureMemory.Of(picture.Mode) is not { } taken
            ? null
            : (
                taken,
                picture.Mode.Memory is { } master && View.Model.Masters.Contains(master)
                    ? Core.Wants.NeedCheck.Free(View.After, master)
                    : null
            );

    /// <summary>The picture on the display's panel; null: no panel, or it is too small.</summary>
    public Scaling? Scaled =>
        Display is { Panel: [var w, var h] panel }
        && Chosen?.Mode is { Visible: { } seen } mode
        && w >= seen.Width
        && h >= seen.Height
            ? Scaling.Of(
                new ScaleAsked
                {
                    Source = [seen.Width, seen.Height],
                    PixelAspect = mode.PixelAspect,
                    Panel = panel,
                }
            )
            : null;

    /// <summary>Voices of the machine and its parts.</summary>
    public IReadOnlyList<SoundSource> Voices => [.. View.Model.Sounds, .. View.After.Instances.SelectMany(i => i.Part.Sounds)];

    /// <summary>Amplifiers with what their speakers take.</summary>
    public IEnumerable<(Instance Part, SpeakerLoad Load)> Loads =>
        from instance in View.After.Instances
        where instance.Part is { Amplifier.Rms: not null, Loads.Count: > 0 }
        let amplifier = instance.Part.Amplifier!
        select (instance, SpeakerLoad.Of(PictureSoundChecks.LoadOf(View.After, instance, amplifier, amplifier.Rms!.Value)));

    /// <summary>Entries of the palette with what is wanted there and what the machine shows.</summary>
    public IEnumerable<(int Entry, string Wanted, NearestColour Nearest)> Wanted =>
        Palette is null
            ? []
            : Picture
                .Colours.Index()
                .Where(c => Colours.Parse(c.Item) is not null)
                .Select(c => (c.Index, c.Item, Colours.Nearest(Palette.Levels, c.Item)));

    /// <summary>Titles that say whose picture or sound they use.</summary>
    public IReadOnlyList<(Title Title, string Shown, string Heard)> TitleRows =>
        [
            .. View
                .Sheets.Titles.Where(t =>
                    t.IsFor(View.Model) && (t.Picture is not null || t.Sound is not null || t.Slot is not null)
                )
                .Select(t => (t, ShownAt(t), HeardAt(t))),
        ];

    /// <summary>Where a title is seen: at the machine's own output, or at that of a part.</summary>
    string ShownAt(Title title) =>
        title.Picture != Added
            ? View.Model.Pictures.Select(p => p.Out).FirstOrDefault(o => o.Length > 0) ?? "the machine's own output"
        : View.After.Instances.FirstOrDefault(i => i.Part.Pictures.Count > 0) is { } part
            ? $"{part.Title}: {part.Part.Pictures[0].Out}"
        : "nowhere: nothing here adds a picture";

    /// <summary>What changes over to the screen that a title uses: a switch of the part that adds it, else the display's
    /// lead.</summary>
    public string ToSee(Title title)
    {
        if (View.After.Instances.FirstOrDefault(i => i.Part.Pictures.Count > 0) is not { } part)
            return title.Picture == Added ? "" : "nothing: there is one screen";
        PictureMode mode = part.Part.Pictures[0];
        bool added = title.Picture == Added;
        string[] moves =
        [
            .. mode.When.Keys.Select(w => $"{w.Key} of {part.Title} {(added ? "at" : "not at")} {string.Join(" or ", w.Value)}"),
        ];
        return moves.Length > 0 ? string.Join(", ", moves)
            : added ? $"the display's lead in {part.Title}{(mode.Out.Length > 0 ? $", {mode.Out}" : "")}"
            : "the display's lead in the machine itself";
    }

    /// <summary>The contacts of the sides as the jacks are marked.</summary>
    public IReadOnlyDictionary<string, string> Marked =>
        View.After.Instances.SelectMany(i => i.Part.Jacks.Select(j => ($"{i.Name}", j)))
            .Concat(View.Model.Jacks.Select(j => ("", j)))
            .Select(j =>
                j.j.Marked.ToDictionary(m => m.Key, m => View.After.PlaceName(Core.Wiring.Places.Named(m.Value, j.Item1)))
            )
            .FirstOrDefault()
        ?? [];

    /// <summary>Acts of wiring that put the sides right, as far as they are not planned yet.</summary>
    public IReadOnlyList<WireChange> SoundMend => Picturing.SidesMend(View.At);

    /// <summary>Puts the acts that mend the sides on the build sheet; the sides are to be heard again then.</summary>
    public IActionResult OnPostRewire(string job, long version) => Press(job, version, Picturing.Rewire);

    /// <summary>Takes the job's own acts of wiring off the build sheet, with their ticks.</summary>
    public IActionResult OnPostUnwire(string job, long version) => Press(job, version, WiringPresses.Unwire);

    string HeardAt(Title title) =>
        title.Sound != Added ? "the machine's own jack"
        : View.After.Instances.FirstOrDefault(i => i.Part.Sounds.Count > 0) is { } part ? part.Title
        : "nowhere: nothing here adds sound";

    const string Added = "added";

    /// <summary>True if a side was said to be heard there.</summary>
    public static bool IsHeard(SoundRecord sound, string side, string on) =>
        sound.Heard.TryGetValue(side, out IReadOnlyList<string>? where)
        && on
            == (
                where.Count == 0 ? "nothing"
                : where.Count > 1 ? "both"
                : where[0]
            );

    public IActionResult OnPostMode(string job, long version, string mode) => Press(job, version, at => Picturing.Mode(at, mode));

    public IActionResult OnPostDisplay(string job, long version, string? name, string? locks) =>
        Press(job, version, _ => Picturing.Display(Displays, name, locks));

    public IActionResult OnPostSamples(string job, long version, int samples) =>
        Press(job, version, _ => Picturing.Samples(samples));

    /// <summary>Saves the phase at which the picture stands still.</summary>
    public IActionResult OnPostPhase(string job, long version, int phase, bool seen) =>
        Press(job, version, at => Picturing.Phase(at, phase, seen));

    public IActionResult OnPostColour(string job, long version, int entry, string? colour) =>
        Press(job, version, at => Picturing.Colour(at, entry, colour));

    /// <summary>Notes where a side was heard when it played alone: left, right, both or nothing.</summary>
    public IActionResult OnPostHeard(string job, long version, string side, string on) =>
        Press(job, version, at => Picturing.Heard(at, side, on));

    public IActionResult OnPostWired(string job, long version, string wired) => Press(job, version, _ => Picturing.Wired(wired));

    /// <summary>The simulated converter of this job: the same hidden phase every time.</summary>
    SimulatedConverter Bench(bool moving) =>
        new(Phases, View.Job.Id.Aggregate(17, (all, c) => unchecked(all * 31 + c)) & 0xFFFF, moving);

    double? Beat =>
        Sampling.Of(new SamplingAsked { PixelsPerLine = Chosen?.Mode.PixelsPerLine ?? 1, SamplesPerLine = Samples }).BeatPixels
            is { } beat
            ? beat
            : null;

    /// <summary>One capture of the simulated converter for the bench: the picture as it is, and as it is sampled.</summary>
    public IActionResult OnGetCapture(string job, int phase, int frame, bool moving)
    {
        if (!Load(job) || phase < 0 || phase >= Phases || frame < 0 || frame > 1_000_000)
            return NotFound();
        SimulatedConverter bench = Bench(moving);
        (bool Lit, double Seen)[] pixels = [.. bench.Capture(phase, frame, Beat)];
        return new JsonResult(
            new
            {
                width = SimulatedConverter.Width,
                height = SimulatedConverter.Height,
                lit = pixels.Select(p => p.Lit ? 1 : 0),
                seen = pixels.Select(p => Math.Round(p.Seen, 2)),
                wrong = bench.Wrong(phase, frame, Beat),
            }
        );
    }

    /// <summary>Looks for the phase: null for a screen that moves, and where no phase stands out.</summary>
    public IActionResult OnGetFind(string job, bool moving)
    {
        if (!Load(job))
            return NotFound();
        SimulatedConverter bench = Bench(moving);
        IReadOnlyList<int> errors = bench.Errors(0, Beat);
        bool moved = moving && Sampling.Moved(errors, bench.Errors(Phases, Beat));
        int? phase = moved
            ? null
            : Sampling
                .Of(
                    new SamplingAsked
                    {
                        PixelsPerLine = 1,
                        SamplesPerLine = 1,
                        Captures = errors,
                    }
                )
                .Phase;
        return new JsonResult(
            new
            {
                phase,
                errors,
                why = moved ? "The screen moves: put up a still one."
                : phase is null ? "No phase stands out."
                : "",
            }
        );
    }
}
