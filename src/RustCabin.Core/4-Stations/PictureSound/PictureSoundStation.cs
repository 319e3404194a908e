using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.PictureSound;

/// <summary>Pictures that lock and stand still, and sides that play where they should. Source:
/// docs/handbook/picture-sound.md.</summary>
public sealed class PictureSoundStation : Station
{
    const decimal StillMinutes = 6,
        SidesMinutes = 4;

    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Picture, sound");

    /// <inheritdoc/>
    public override StationName Name => Here;

    static readonly PassportPart Settings = new("Set by eye and ear", 30);

    /// <inheritdoc/>
    public override IReadOnlyList<Act> OwnActs { get; } = [Act.Traceless(StillWord), Act.Traceless(SidesWord)];

    /// <inheritdoc/>
    public override IReadOnlyList<PassportPart> PassportParts { get; } = [Settings];

    const string StillWord = "still",
        SidesWord = "sides";

    /// <summary>A still screen stands still with a converter.</summary>
    public static StepId StillPicture(InstanceName instance) => new(StillWord, instance);

    /// <summary>Each side of a part is heard alone.</summary>
    public static StepId HearSides(InstanceName instance) => new(SidesWord, instance);

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => PictureSoundFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } =
    [Check.On(Rests.All, PictureSoundChecks.Picture), Check.On(Rests.All, PictureSoundChecks.Sound)];

    /// <inheritdoc/>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) => PictureSoundHypotheses.Of(at);

    /// <inheritdoc/>
    public override IEnumerable<Sight> Sights(PlannedUnit at) => PictureSoundHypotheses.Sights(at);

    /// <summary>Why a saved phase does not prove that the screen stands still; empty: it proves it.</summary>
    public static string PhaseStruck(PictureRecord picture, Instance converter) =>
        picture.On?.Simulated == true ? "it was found on the simulated converter; say so once it stands still on your screen."
        : Grounds.Against(picture.On, Acts.Fit(converter.Name)) is { Length: > 0 } why
            ? $"it was seen earlier, and \"Fit {converter.Title}\" {why}. Look again."
        : "";

    /// <summary>A still screen is seen and each side heard alone, once all is in.</summary>
    public override IEnumerable<Work> Works(BuildAsked asked)
    {
        foreach (Instance part in asked.After.Instances.Where(i => asked.Before.Find(i.Name) is null))
        {
            if (part.Part.Samples is not null)
                yield return new Work(
                    WorkTime.Last,
                    [
                        new Step(
                            StillPicture(part.Name),
                            StepKind.Prove,
                            $"A still screen stands still with {part.Title}",
                            [
                                "Put up a screen that does not move, turn the phase until nothing shimmers, and save.",
                                asked.After.Job?.Picture is not { Phase: { } phase } picture
                                    ? "The bench of Picture and sound shows what to look for."
                                : PhaseStruck(picture, part) is { Length: > 0 } why ? $"Phase {phase} does not count: {why}"
                                : $"Saved: phase {phase}.",
                            ],
                            StillMinutes
                        )
                        {
                            Station = Name,
                            Runs = true,
                            Proved = asked.After.Job?.Picture is { Phase: not null } seen && PhaseStruck(seen, part).Length == 0,
                            Needs = [Acts.Fit(part.Name)],
                        },
                    ]
                );
            if (part.Part.Sounds.Count > 0)
                yield return new Work(
                    WorkTime.Last,
                    [
                        new Step(
                            HearSides(part.Name),
                            StepKind.Prove,
                            $"Each side of {part.Title} is heard where it should be",
                            [
                                .. part
                                    .Part.Sounds.Where(s => s.Plays.Length > 0)
                                    .Select(s => $"{IdText.Plain(s.Id)}: {s.Plays}"),
                                "Play each side alone; at Picture and sound say where it was heard.",
                            ],
                            SidesMinutes
                        )
                        {
                            Station = Name,
                            Runs = true,
                            Proved =
                                asked.After.Job?.Sound is { Heard.Count: > 0 } sound
                                && Grounds.Against(sound.On, Acts.Fit(part.Name)).Length == 0
                                && Sides.Of(sound.Heard).Verdict == SidesVerdict.Right,
                            Needs = [Acts.Fit(part.Name)],
                        },
                    ]
                );
        }
    }

    /// <inheritdoc/>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked)
    {
        int? samples = asked.Unit.Job?.Picture?.SamplesPerLine ?? PictureHere.Chosen(asked.Unit)?.Mode.PixelsPerLine;
        if (asked.Unit.Job?.Picture?.Phase is { } phase && PictureHere.Converter(asked.Unit) is { } converter)
            yield return new PassportLine(
                Settings,
                "Picture",
                converter.Title,
                $"phase {phase}, {samples} samples a line",
                asked.Unit.Job.Picture.On?.Simulated == true ? "found on the simulated converter"
                    : asked.IsIn(converter) ? "saved"
                    : "planned"
            );
        if (asked.Unit.Job?.Sound is { Heard.Count: > 0 } sound)
            yield return new PassportLine(
                Settings,
                "Sound",
                "",
                Sides.Of(sound.Heard).Words,
                Sides.Of(sound.Heard).Verdict == SidesVerdict.Right ? "heard" : "differs"
            );
    }

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit) =>
        unit.Model.Pictures.Count == 0 && unit.Instances.Any(i => i is { Added: true, Part.Kind: PartKind.Picture })
            ?
            [
                MissingFact.OfModel(
                    unit,
                    nameof(Model.Pictures),
                    "its picture: pixel clock, line, lines",
                    "whether a display holds it, and how it is sampled"
                ),
            ]
            : [];

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) =>
        unit.Job is not { } job || (job.Picture is null && job.Sound is null) ? Far.Empty
        : PictureHere.Converter(unit) is { Added: true } && job.Picture?.Phase is null ? Far.InHand
        : Far.Clear;
}
