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
    public override string Name => "Build";

    /// <summary>Each mend that the job says is a step, with a proof.</summary>
    public override IEnumerable<Work> Works(BuildAsked asked) => ByHand(asked).Concat(Found(asked));

    /// <summary>What was found to be wrong at a gate is mended before the machine is powered again.</summary>
    static IEnumerable<Work> Found(BuildAsked asked) =>
        from cause in asked.After.Job?.Faults?.Confirmed ?? []
        select new Work(
            WorkTime.BeforePower,
            [
                new Step(
                    Acts.MendCause(cause.Gate, cause.Cause),
                    StepKind.Set,
                    $"Mend what was found: {cause.Words}",
                    [cause.Mend, "Then read the gate again."],
                    cause.Minutes
                )
                {
                    Station = "Faults",
                    Cautions = [Caution.Of("static") with { Why = "a fault is mended" }],
                },
            ]
        )
        {
            Anywhere = true,
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
            return new Work(WorkTime.In, [step])
            {
                Opens = about is null ? [] : AccessPath.To(asked.After.Model, about),
                Anywhere = about is null,
            };
        });

    /// <inheritdoc/>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked) => ByHand(asked).Concat(Found(asked));

    static IEnumerable<PassportLine> Found(PassportAsked asked) =>
        from cause in asked.Unit.Job?.Faults?.Confirmed ?? []
        let made = asked.IsDone(Acts.MendCause(cause.Gate, cause.Cause))
        select new PassportLine(PassportPart.Mended, cause.Words, "", cause.Mend, made ? "mended" : "found, not mended yet")
        {
            At = cause.At,
        };

    static IEnumerable<PassportLine> ByHand(PassportAsked asked) =>
        from mend in asked.Unit.Job?.Mends ?? []
        let made = asked.IsDone(Acts.Mend(mend))
        select new PassportLine(
            PassportPart.Mended,
            mend.How,
            NameOf(asked.Unit, mend.Subject),
            made ? $"proved by: {mend.Proof}" : "",
            made ? "made" : "planned"
        )
        {
            At = mend.At,
        };

    static string NameOf(PlannedUnit unit, string subject) =>
        unit.Instances.FirstOrDefault(i => i.Subject == subject)?.Title
        ?? ((Subjects.InModel(subject) ?? Subjects.InPart(subject)) is null ? unit.Unit.Name : unit.SubjectName(subject));
}
