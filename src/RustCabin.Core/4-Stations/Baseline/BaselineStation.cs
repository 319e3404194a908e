using RustCabin.Core.Choices;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Baseline;

/// <summary>Does it work before anything is touched. Source: docs/handbook/baseline.md.</summary>
public sealed class BaselineStation : Station
{
    const decimal ProofMinutes = 3;

    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Baseline");

    /// <inheritdoc/>
    public override StationName Name => Here;

    /// <summary>How the unit was found.</summary>
    static readonly PassportPart FoundPart = new("How it was found", 60);

    /// <summary>What belongs to it.</summary>
    static readonly PassportPart BelongingsPart = new("Belongs to it", 80) { StaysHere = true };

    /// <summary>A cell that leaks.</summary>
    public static readonly Caution Leaking = new(
        "leaking",
        "Leaking cell",
        "What leaks from a cell burns skin and eyes and eats copper. Gloves and glasses; wipe up, neutralise, rinse."
    );

    /// <summary>A lithium cell.</summary>
    public static readonly Caution Lithium = new(
        "lithium",
        "Lithium cell",
        "A shorted, bent or charged lithium cell burns. Insulate its contacts, never solder to the cell itself, hand it "
            + "in for recycling."
    );

    /// <summary>A piece that ages is replaced while the case is open anyway.</summary>
    public static StepId Service(string piece) => new("service", piece);

    /// <summary>A guess on a sheet is measured.</summary>
    public static StepId Measure(string guess) => new("measure", guess);

    /// <inheritdoc/>
    public override IReadOnlyList<Act> OwnActs { get; } =
    [
        Act.Traceless("prove"),
        Act.Traceless("measure"),
        new("service", a => a.Leaves($"{IdText.Plain(a.Step.Id.About)} was replaced", "a worn piece is not put back")),
    ];

    /// <inheritdoc/>
    public override IReadOnlyList<Caution> Cautions { get; } = [Lithium, Leaking];

    /// <inheritdoc/>
    public override IReadOnlyList<PassportPart> PassportParts { get; } = [FoundPart, BelongingsPart];

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => BaselineFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } =
    [
        Check.On(Rests.Parts, BaselineChecks.Untested),
        Check.On(Rests.Parts, BaselineChecks.Faults),
        Check.On(Rests.Parts, BaselineChecks.Rails),
        Check.On(Rests.Parts, ConditionChecks.Found),
        Check.On(Rests.Parts, Inherited.Unproven),
    ];

    /// <summary>What an earlier owner left unproven or undone comes before the first power-on.</summary>
    public override IEnumerable<Work> Works(BuildAsked asked) =>
        asked
            .Before.Instances.SelectMany(i => Inherited.Steps(asked.Before, i))
            .Where(s => s.Proof != StepProof.Done)
            .Select(open => new Work(WorkTime.BeforePower, [ProveStep(open)])
            {
                Opens = AccessPath.To(asked.Before.Model, open.Instance),
            })
            .Concat(ServiceWorks(asked.After))
            .Concat(Guess.Of(asked.After).Where(g => g.Fact.Measure.Length > 0).Select(MeasureWork));

    /// <summary>A guess that can be measured is measured before the first power-on.</summary>
    static Work MeasureWork(Guess guess) =>
        new(
            WorkTime.BeforePower,
            [
                new Step(
                    Measure(guess.Key),
                    StepKind.Set,
                    $"Measure: {guess.Words}",
                    [
                        guess.Fact.Measure,
                        "It is a guess on the sheet" + (guess.Fact.Source.Length > 0 ? $": {guess.Fact.Source}." : "."),
                        "Write what you read onto the sheet.",
                    ],
                    ProofMinutes
                )
                {
                    Instance = guess.Part,
                },
            ]
        )
        {
            Anywhere = true,
        };

    /// <summary>Pieces that are replaced while the case is open anyway.</summary>
    static IEnumerable<Work> ServiceWorks(PlannedUnit unit) =>
        from id in unit.Job?.Build?.Extras ?? []
        let piece = unit.Model.Service.FirstOrDefault(p => p.Id == id)
        where piece is not null
        select new Work(WorkTime.In, [ServiceStep(piece)])
        {
            Opens = AccessPath.Path(unit.Model, piece.Access),
            Anywhere = piece.Access is null,
        };

    static Step ServiceStep(ServicePiece piece) =>
        new(
            Service(piece.Id),
            StepKind.Set,
            $"Replace the {piece.What}",
            [ConditionChecks.Describe(piece), "While the case is open anyway."],
            piece.Minutes ?? ServiceMinutes
        )
        {
            Cautions =
            [
                .. (
                    piece.Kind switch
                    {
                        ServiceKind.Capacitor => (string[])["capacitors", "hot", "fumes"],
                        ServiceKind.Cell => ["lithium"],
                        _ => [],
                    }
                )
                    .Concat(piece.Cautions)
                    .Distinct()
                    .Select(c => Caution.Of(c) with { Why = $"{piece.What} is replaced" }),
            ],
        };

    /// <summary>What replacing a piece usually takes.</summary>
    const decimal ServiceMinutes = 12;

    static Step ProveStep(InheritedStep open)
    {
        bool missing = open.Proof == StepProof.Missing;
        string proof =
            open.Step.Proof.Length > 0
                ? $"It is proved by: {open.Step.Proof}."
                : "Look at it closely, and measure where it can be measured.";
        string[] details =
        [
            missing ? $"An earlier owner left it out. {proof}" : $"An earlier owner did it, and nobody has proved it. {proof}",
            "Power stays off until this is ticked.",
        ];
        string title = $"{(missing ? "Do and prove" : "Prove")}: {open.Step.What}";
        return new Step(Acts.Prove(open.Instance.Name, open.Step.Id), StepKind.Prove, title, details, ProofMinutes)
        {
            Cautions = Caution.Of(open.Instance),
            Instance = open.Instance,
        };
    }

    /// <summary>A fault that was there before anything was touched: it shows what it likes.</summary>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) =>
        [
            new Hypothesis("before", "a fault that was there before", 0.01m, Shown.Nothing)
            {
                Mend = "Take out what was added, and test the machine as it was.",
                MendMinutes = 20,
            },
        ];

    /// <summary>How the unit was found, with its values, and what belongs to it.</summary>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked)
    {
        Unit unit = asked.Unit.Unit;
        static PassportLine Found(string what, string value) => new(FoundPart, what, "", value, "");
        Survey survey = unit.Survey ?? new Survey();
        if (survey.Year is { } year)
            yield return Found("made in", $"{year}");
        if (survey.SuppliedForVolts is { } made)
            yield return Found(
                "supply made for",
                $"{made:0.##} V mains" + (survey.MainsHereVolts is { } h ? $", used on {h:0.##} V" : "")
            );
        foreach (
            (string what, Wear? wear) in ((string, Wear?)[])
                [
                    ("capacitors", survey.Capacitors),
                    ("cells", survey.Cells),
                    ("copper and contacts", survey.Corrosion),
                    ("plastic", survey.Plastic),
                ]
        )
            if (wear is { } state)
                yield return Found(what, Declared.Words<Wear>.Of(state));
        if (survey.HalfDone.Length > 0)
            yield return Found("left half done before", survey.HalfDone);
        foreach (MeasuredRail rail in unit.Baseline?.Rails ?? [])
            yield return Found($"{rail.Rail} V under load, before", $"{rail.Volts:0.###} V");
        if (unit.Baseline?.Counted is { } counted)
            yield return Found("starts, before", counted.Words);
        foreach (BenchmarkRuns runs in unit.Baseline?.Runs ?? [])
            yield return Found($"{runs.Name}, before", $"{string.Join(", ", runs.Seconds)} s");
        foreach (ConditionNote note in unit.Baseline?.Notes ?? [])
            yield return Found(note.Fault ? "fault that was there before" : "noted", note.Text);
        foreach (
            InheritedStep step in asked
                .Before.Instances.SelectMany(i => Inherited.Steps(asked.Before, i))
                .Where(s => s.Proof != StepProof.Done)
        )
            yield return Found(
                $"inherited: {step.Step.What}",
                asked.IsDone(Acts.Prove(step.Instance.Name, step.Step.Id)) ? "proved in this job"
                    : step.Proof == StepProof.Missing ? "left out by an earlier owner"
                    : "not proved yet"
            );
        foreach (Belonging thing in unit.Belongings)
            yield return new PassportLine(
                BelongingsPart,
                thing.What,
                thing.Place,
                thing.Original ? "original piece" : "",
                thing.Place.Length > 0 ? "" : "no place noted"
            );
    }

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit)
    {
        Unit here = unit.Unit;
        if (here.Baseline is not { Tested: true })
            yield return MissingFact.Here(
                "whether it works before anything is touched",
                "what differs later is the upgrade's, or was there before"
            );
        if (unit.Rails.Any() && here.Baseline is not { Rails.Count: > 0 })
            yield return MissingFact.Here("its rails under load", "whether the supply is fit for more");
        foreach (Guess guess in Guess.Of(unit).Where(g => g.Fact.Measure.Length == 0))
            yield return guess.Part is { } part
                ? MissingFact.OfPart(
                    part,
                    nameof(Part.Sources),
                    $"{guess.Words}, which is a guess",
                    "whether what rests on it is so"
                )
                : MissingFact.OfModel(
                    unit,
                    nameof(Model.Sources),
                    $"{guess.Words}, which is a guess",
                    "whether what rests on it is so"
                );
        if (here.Survey is null && unit.Model.Service.Count > 0)
            yield return MissingFact.Here("its condition", "what is due to be replaced while the case is open");
    }

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) =>
        unit.Unit.Baseline is { Tested: true } ? Far.Clear
        : unit.Unit.Baseline is not null || unit.Unit.Survey is not null ? Far.InHand
        : Far.Empty;
}
