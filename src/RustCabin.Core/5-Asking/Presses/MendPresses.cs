using RustCabin.Core.Build;
using RustCabin.Core.Faults;
using RustCabin.Core.Findings;
using RustCabin.Core.Identify;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What was wrong is looked for, found, mended by hand; and where the originals are kept.</summary>
public static class MendPresses
{
    /// <summary>Notes where an original piece is kept.</summary>
    public static Press<Unit> PutAway(AtHand at, string what, string? place)
    {
        if (!Texts.TryNeeded<Belonging>(nameof(Belonging.Place), place, out string kept))
            return Refuse(
                "place",
                $"Nothing was changed: say in up to {Texts.Most<Belonging>(nameof(Belonging.Place)):#,0} letters where this "
                    + $"is kept: {what}."
            );
        return Originals.Of(at.After).Any(o => o.What == what)
            ? ChangeUnit($"Kept in {kept}: {what}", unit => UnitEdits.Keep(unit, what, kept))
            : Gone;
    }

    /// <summary>Says that a finding is mended by hand, with what proves it, or plans that as a step of the build.</summary>
    /// <param name="at">The job.</param>
    /// <param name="code">The finding's code.</param>
    /// <param name="subject">Its first subject.</param>
    /// <param name="how">How it is mended, one of the finding's own ways.</param>
    /// <param name="proof">What proves it.</param>
    /// <param name="made">It is mended already.</param>
    public static Press<Job> Mend(AtHand at, string code, Subject subject, string how, string? proof, bool made)
    {
        bool told = Texts.TryNeeded<HandMend>(nameof(HandMend.Proof), proof, out string proved);
        if (made && !told)
            return Refuse(
                "proof",
                $"Nothing was changed: say in up to {Texts.Most<HandMend>(nameof(HandMend.Proof)):#,0} letters what proves it, "
                    + "a reading or what you see."
            );
        Finding? finding = at.Found(code, subject).FirstOrDefault();
        if (finding?.Kind.ByHand.Contains(how) != true)
            return Gone;
        var mend = new HandMend
        {
            Finding = code,
            Subject = subject,
            How = how,
        };
        return made
            ? Change(
                $"Mended by hand, {finding.Title}: {how}; proved by {proved}",
                j => JobEdits.MakeMend(JobEdits.PlanMend(j, mend), Acts.Mend(mend), proved, at.Moment)
            )
            : Change($"A mend by hand planned, {finding.Title}: {how}", j => JobEdits.PlanMend(j, mend));
    }

    /// <summary>Takes a mend by hand back.</summary>
    public static Press<Job> Unmend(AtHand at, string code, Subject subject) =>
        at.Job.Mends.FirstOrDefault(m => m.Finding == code && m.Subject == subject) is { } mend
            ? Change($"Not mended after all: {mend.How}", j => JobEdits.DropMend(j, code, subject))
            : Gone;

    /// <summary>The gate of a diagnosis; null: there is none of that name, or it predicts nothing.</summary>
    static StepProgress? Gate(AtHand at, StepId gate) =>
        at.Find(gate) is { Step: { Kind: StepKind.Gate, At: not null } } here ? here : null;

    /// <summary>Notes what a look showed, or that it was not looked at after all.</summary>
    public static Press<Job> Look(AtHand at, StepId gate, string what, string? showed)
    {
        if (Gate(at, gate) is not { } here)
            return Gone;
        Observable? known = AtGate.Of(at, here).Observables.FirstOrDefault(o => o.Id == what);
        if (showed is null)
            return Change(
                $"At \"{here.Step.Title}\": not looked at after all, {known?.Words ?? what}",
                j => FaultsEdits.Look(j, here.Step.Id, what, null)
            );
        return known?.Outcomes.Contains(showed) == true
            ? Change(
                $"At \"{here.Step.Title}\": {known.Words}: {showed}",
                j => FaultsEdits.Look(j, here.Step.Id, what, showed, Grounds.Of(j, here.Step.Instances, at.Moment))
            )
            : Gone;
    }

    /// <summary>This is it: the mend of a cause goes onto the build sheet.</summary>
    public static Press<Job> Confirm(AtHand at, StepId gate, string cause)
    {
        if (
            Gate(at, gate) is not { } here
            || AtGate.Of(at, here).Causes.FirstOrDefault(c => c.Cause.Id == cause) is not { } known
        )
            return Gone;
        var found = new ConfirmedCause
        {
            Gate = here.Step.Id,
            Cause = cause,
            Words = known.Cause.Words,
            Mend = known.Cause.Mend,
            Minutes = known.Cause.MendMinutes,
            Access = (known.Cause.Instance is { } part ? AccessPath.To(at.Model, part) : known.Cause.Look?.Opens ?? [])
                .LastOrDefault()
                ?.Id,
            At = at.Moment,
        };
        return Change($"Found at \"{here.Step.Title}\": {known.Cause.Words}", j => FaultsEdits.Confirm(j, found));
    }

    /// <summary>Takes a cause back that was said to be it.</summary>
    public static Press<Job> Unconfirm(AtHand at, StepId gate, string cause) =>
        (at.Job.Faults?.Confirmed ?? []).FirstOrDefault(c => c.Gate == gate && c.Cause == cause) is { } known
            ? Change(
                $"At \"{at.Find(gate)?.Step.Title ?? $"{gate}"}\", not it after all: {known.Words}",
                j => FaultsEdits.Drop(j, known.Gate, cause)
            )
            : Gone;
}
