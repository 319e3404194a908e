using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Care;

/// <summary>Whitening and holes as work of a build. Source: docs/handbook/build.md, Case care.</summary>
public sealed class CareStation : Station
{
    static readonly StationName At = StationName.Build;

    /// <summary>CARE-HOLE.</summary>
    public static readonly FindingKind CareHole = new("CARE-HOLE", At, [Severity.Stop])
    {
        Meaning = "A hole is wider than its place bears: a rim of its own half, at least 3 mm, must stay all round.",
        Mend = "Make it narrower, or move it away from the edge.",
    };

    /// <summary>CARE-BEHIND.</summary>
    public static readonly FindingKind CareBehind = new("CARE-BEHIND", At, [Severity.Watch])
    {
        Meaning = "Less than 10 mm lie free behind a hole, or nobody has measured.",
        Mend = "Take out what lies behind it, or measure.",
    };

    /// <summary>CARE-BATH.</summary>
    public static readonly FindingKind CareBath = new("CARE-BATH", At, [Severity.Stop])
    {
        Meaning = "The pieces take up as much room as the vessel is filled with.",
        Mend = "Fill it higher, take a larger vessel, or fewer pieces at a time.",
    };

    /// <summary>CARE-NEVER.</summary>
    public static readonly FindingKind CareNever = new("CARE-NEVER", At, [Severity.Stop])
    {
        Meaning = "The job must be reversible, and what is whitened or drilled never becomes what it was.",
        Mend = "Leave it out, or let the job's limits allow it.",
    };

    /// <inheritdoc/>
    public override StationName Name => At;

    /// <summary>A bath of peroxide.</summary>
    public static readonly Caution Peroxide = new(
        "peroxide",
        "Peroxide bath",
        "Peroxide burns skin and blinds, and gives off oxygen. Gloves, goggles, an open vessel, no closed bottle, nothing "
            + "that burns nearby."
    );

    /// <summary>A drill, and what it leaves.</summary>
    public static readonly Caution Drilling = new(
        "drilling",
        "Drilling and cut metal",
        "Chips fly and cut edges slice; chips left inside short boards. Glasses on, work clamped, boards out, edges "
            + "filed, chips vacuumed."
    );

    static readonly PassportPart Cared = new("Care of the case", 50);

    /// <summary>A face of the case is whitened, or a hole made in it.</summary>
    public static StepId StepOf(string work) => new("care", work);

    /// <inheritdoc/>
    public override IReadOnlyList<Act> OwnActs { get; } =
    [new("care", a => a.Leaves(a.Step.Title, "what was whitened or drilled does not become what it was"))];

    /// <inheritdoc/>
    public override IReadOnlyList<Caution> Cautions { get; } = [Peroxide, Drilling];

    /// <inheritdoc/>
    public override IReadOnlyList<PassportPart> PassportParts { get; } = [Cared];

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => [CareHole, CareBehind, CareBath, CareNever];

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } = [Check.On(Rests.Parts, Found)];

    static IEnumerable<CareFigures> All(PlannedUnit unit) => (unit.Job?.Build?.Care ?? []).Select(c => new CareFigures(c));

    static IEnumerable<Finding> Found(PlannedUnit unit)
    {
        foreach (CareFigures care in All(unit))
        {
            if (unit.Job!.Limits.Reversible)
                yield return new Finding(
                    CareNever,
                    Severity.Stop,
                    $"{care.Work.What}: it cannot be undone",
                    [Subject.Unit],
                    "This job must be reversible; what is whitened or drilled never becomes what it was.",
                    care.Lines
                );
            if (care.IsTooWide)
                yield return new Finding(
                    CareHole,
                    Severity.Stop,
                    $"{care.Work.What}: the place bears {care.LargestHole:0.##} mm",
                    [Subject.Unit],
                    $"A hole of {care.Hole:0.##} mm leaves too little of the wall; {care.LargestHole:0.##} mm is the most here.",
                    care.Lines
                );
            else if (care.IsNear)
                yield return new Finding(
                    CareBehind,
                    Severity.Watch,
                    care.Work.BehindMm is { } near
                        ? $"{care.Work.What}: {near:0.##} mm to what lies behind"
                        : $"{care.Work.What}: nobody measured what lies behind",
                    [Subject.Unit],
                    "A drill that goes through goes on: what lies behind comes out first.",
                    care.Lines
                );
            if (care.Work.Do == CareAct.Bath && care.Bath is null)
                yield return new Finding(
                    CareBath,
                    Severity.Stop,
                    $"{care.Work.What}: the pieces fill the vessel",
                    [Subject.Unit],
                    $"The pieces take up {care.PiecesCm3:0} cm3, as much as the vessel is filled with.",
                    care.Lines
                );
        }
    }

    /// <summary>Each is a step, with what can hurt from what is done.</summary>
    public override IEnumerable<Work> Works(BuildAsked asked) =>
        All(asked.After)
            .Select(care => new Work(
                WorkTime.Out,
                [
                    new Step(StepOf(care.Work.Id), StepKind.Set, care.Title, care.Lines, care.Minutes)
                    {
                        Cautions = [.. Hurts(care.Work).Select(h => Caution.Of(h.Word) with { Why = h.Why })],
                    },
                ]
            )
            {
                Opens = AccessPath.Path(asked.After.Model, care.Work.Access),
                Anywhere = care.Work.Access is null,
            });

    static IEnumerable<(string Word, string Why)> Hurts(CareWork work)
    {
        if (work.Do == CareAct.Hole)
            yield return ("drilling", $"a hole is made: {work.What}");
        else
            yield return ("peroxide", $"{work.What} is whitened with {work.Percent:0.##} %");
        if (work.Do != CareAct.Hole && work.Light == CareLight.Lamp)
            yield return ("ultraviolet", $"{work.What} lies under a lamp");
    }

    /// <inheritdoc/>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked) =>
        from care in All(asked.Unit)
        let made = asked.IsDone(StepOf(care.Work.Id))
        let looks = CareWatch.LooksAt(care.Work, asked.Unit.Job).ToList()
        select new PassportLine(
            Cared,
            care.Title,
            care.Work.Access is { } level ? Declared.IdText.Plain(level) : "",
            string.Join(
                "; ",
                (string[])
                    [
                        .. care.Work.Do == CareAct.Hole ? (string[])[] : [$"{care.Work.Percent:0.##} %"],
                        .. looks.Count > 0 ? (string[])[$"{Declared.IdText.Counted(looks.Count, "look")}"] : [],
                        .. looks.Any(l => l.Look == CareLook.Marbled) ? (string[])["it marbled"] : [],
                    ]
            ),
            made ? "done"
                : looks.Count > 0 ? "begun"
                : "planned"
        )
        {
            At = looks.FirstOrDefault()?.At ?? "",
        };
}
