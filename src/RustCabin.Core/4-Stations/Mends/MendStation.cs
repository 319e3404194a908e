using RustCabin.Core.Baseline;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Mends;

/// <summary>
/// The build sheet gathers the work of the others; its own are the mends that a person makes by hand. Source:
/// docs/handbook/build.md, Mends by hand.
/// </summary>
public sealed class MendStation : Station
{
    const decimal MendMinutes = 15;

    /// <inheritdoc/>
    public override StationName Name => StationName.Build;

    static readonly PassportPart Mended = new("Mended by hand", 40);

    /// <inheritdoc/>
    public override IReadOnlyList<Act> OwnActs { get; } =
    [new("mend", a => a.Leaves(a.Step.Title, "what was mended is not broken again"))];

    /// <inheritdoc/>
    public override IReadOnlyList<PassportPart> PassportParts { get; } = [Mended];

    /// <summary>The machine is powered up after a mend by hand.</summary>
    static StepId Count(HandMend mend) => new("count", $"mend:{mend.Finding}-{mend.Subject}");

    /// <summary>What was found to be wrong is mended.</summary>
    public static StepId StepOf(StepId gate, string cause) => new("mend", $"{gate}-{cause}");

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => MendFindings.All;

    /// <summary>Each mend that the job says is a step, with a proof.</summary>
    public override IEnumerable<Work> Works(BuildAsked asked) => ByHand(asked).Concat(Found(asked));

    /// <summary>What was found to be wrong at a gate is mended before it is read again, and the gate rests on that.</summary>
    static IEnumerable<Work> Found(BuildAsked asked) =>
        from cause in asked.After.Job?.Faults?.Confirmed ?? []
        select new Work(
            WorkTime.AtGate,
            [
                new Step(
                    StepOf(cause.Gate, cause.Cause),
                    StepKind.Set,
                    $"Mend what was found: {cause.Words}",
                    [cause.Mend, "Then read the gate again."],
                    cause.Minutes
                )
                {
                    Station = StationName.Faults,
                    Cautions = [Caution.Of("static") with { Why = "a fault is mended" }],
                },
            ]
        )
        {
            Before = cause.Gate,
            Opens = AccessPath.Path(asked.After.Model, cause.Access),
        };

    static IEnumerable<Work> ByHand(BuildAsked asked) =>
        (asked.After.Job?.Mends ?? []).Select(mend =>
        {
            Instance? about = asked.After.Instances.FirstOrDefault(i => i.Subject == mend.Subject);
            Step step = new(
                Acts.Mend(mend),
                StepKind.Mend,
                $"Mend by hand: {mend.How}",
                [
                    $"It settles {mend.Finding} of {NameOf(asked.After, mend.Subject)}.",
                    "Tick it with what proves it: a reading, or what you see.",
                ],
                MendMinutes
            )
            {
                Cautions = [Caution.Of("static"), Caution.Of("hot")],
            };
            AccessLevel[] opens = [.. OpensFor(asked.After, mend, about)];
            // What is wrong with the machine as it came is mended before it is first switched on. What a part that goes in
            // wants is made before that part's own gate; anything else gets a gate of its own.
            bool first = BaselineFindings.All.Any(k => k.Code == mend.Finding);
            return new Work(first ? WorkTime.BeforePower : WorkTime.In, [step])
            {
                Opens = opens,
                Anywhere = opens.Length == 0,
                Gate =
                    first || about is { Added: true }
                        ? null
                        : new GateAsked(Count(mend), $"after the mend: {mend.How}", [step.Id]),
            };
        });

    /// <summary>The levels to pass to reach what is mended: a part, a piece that ages, a site.</summary>
    static IReadOnlyList<AccessLevel> OpensFor(PlannedUnit unit, HandMend mend, Instance? about)
    {
        if (about is not null)
            return AccessPath.To(unit.Model, about);
        if (mend.Subject.InModel is { } thing)
            return AccessPath.Path(
                unit.Model,
                unit.Model.Service.FirstOrDefault(p => p.Id == thing)?.Access ?? unit.Model.FindSite(thing)?.Access
            );
        if (KindOf(mend) is not { } kind)
            return [];
        return unit.Model.Service.Where(p => p.Kind == kind && unit.Holds(p.Revisions))
                .Select(p => AccessPath.Path(unit.Model, p.Access))
                .MaxBy(p => p.Count)
            ?? [];
    }

    /// <summary>The pieces that a finding about the condition speaks of; null: none of one kind.</summary>
    static ServiceKind? KindOf(HandMend mend) =>
        mend.Finding == BaselineFindings.CondCapacitors.Code ? ServiceKind.Capacitor
        : mend.Finding == BaselineFindings.CondCell.Code ? ServiceKind.Cell
        : null;

    /// <inheritdoc/>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked) => ByHand(asked).Concat(Found(asked));

    static IEnumerable<PassportLine> Found(PassportAsked asked) =>
        from cause in asked.Unit.Job?.Faults?.Confirmed ?? []
        let made = asked.IsDone(StepOf(cause.Gate, cause.Cause))
        select new PassportLine(Mended, cause.Words, "", cause.Mend.TrimEnd('.'), made ? "mended" : "found, not mended yet")
        {
            At = cause.At,
        };

    static IEnumerable<PassportLine> ByHand(PassportAsked asked) =>
        from mend in asked.Unit.Job?.Mends ?? []
        let made = asked.IsDone(Acts.Mend(mend))
        select new PassportLine(
            Mended,
            mend.How,
            NameOf(asked.Unit, mend.Subject),
            made ? $"proved by: {mend.Proof}" : "",
            made ? "made" : "planned"
        )
        {
            At = mend.At,
        };

    static string NameOf(PlannedUnit unit, Subject subject) =>
        unit.Instances.FirstOrDefault(i => i.Subject == subject)?.Title
        ?? ((subject.InModel ?? subject.InPart) is null ? unit.Unit.Name : unit.SubjectName(subject));
}
