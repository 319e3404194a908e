using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Build;

/// <summary>One step back.</summary>
/// <param name="Of">The step that it takes back.</param>
/// <param name="Title">What is done.</param>
/// <param name="Needs">What it needs: an original with its place, a part; empty: nothing.</param>
/// <param name="Never">Why it can never be undone as it was; empty: it can.</param>
public sealed record UndoStep(StepId Of, string Title, string Needs, string Never)
{
    /// <summary>What can hurt: the way back opens the case as the way in did.</summary>
    public IReadOnlyList<Caution> Cautions { get; init; } = [];

    /// <summary>Nothing is taken back: what was done stays.</summary>
    public bool Stays { get; init; }
}

/// <summary>
/// The way back: the steps of what was really done, reversed, and the machine that results, simulated. Source:
/// docs/handbook/passport.md, Undo.
/// </summary>
/// <param name="Steps">The steps, in order.</param>
/// <param name="Result">The unit after them.</param>
/// <param name="Count">What it then counts.</param>
/// <param name="Original">What it counted before anything was done.</param>
public sealed record Undo(IReadOnlyList<UndoStep> Steps, PlannedUnit Result, PowerUpCount Count, PowerUpCount Original)
{
    /// <summary>The machine counts again as it did.</summary>
    public bool IsOriginal => Count.Lines.Select(l => l.Bytes).SequenceEqual(Original.Lines.Select(l => l.Bytes));

    /// <summary>Something cannot be undone as it was.</summary>
    public bool HasNever => Steps.Any(s => s.Never.Length > 0);

    /// <summary>The way back from what is done of a build.</summary>
    public static Undo Of(BuildSheet sheet, PassportAsked record)
    {
        PlannedUnit now = record.Now;
        PlannedUnit before = record.Before;
        var steps = new List<UndoStep>();
        var levels = new List<AccessLevel>();
        PlannedUnit at = now;
        foreach (Step step in sheet.Steps.Reverse().Where(s => record.IsDone(s.Id)))
            if (Back(record, step, at) is { } back)
            {
                steps.Add(back.Step with { Cautions = [.. step.Cautions.Where(c => !Bare.IsOfPower(c.Id))] });
                if (!step.Runs && !back.Step.Stays)
                    levels.AddRange(AccessPath.Path(record.Unit.Model, step.Level));
                at = back.Then;
            }
        // The way back begins with the case: what is taken back lies where it was put in.
        AccessLevel[] open = [.. levels.DistinctBy(l => l.Id)];
        IReadOnlyList<AccessLevel> stands =
            sheet.Steps.LastOrDefault(s => record.IsDone(s.Id) && s.Kind != StepKind.Gate)?.State.Open ?? [];
        steps.InsertRange(0, open.Select((l, i) => Opening(l, i == 0, stands.Contains(l), record.Unit)));
        if (open.Length > 0)
            steps.Add(new UndoStep(Acts.CloseUp, "Close up", "", ""));
        // Switches of parts that stay are set back by their own steps; what is left is the machine as it was.
        return new Undo(steps, at, PowerUp.Run(at), PowerUp.Run(before));
    }

    static UndoStep Opening(AccessLevel level, bool first, bool stands, PlannedUnit unit) =>
        new(
            Acts.Open(level.Id),
            (first ? "Switch off, pull the plug. " : "") + $"{(stands ? "It stands open" : "Open")}: {IdText.Plain(level.Id)}",
            "",
            ""
        )
        {
            Cautions = [.. Hazards.AtOpening(level, unit).DistinctBy(c => c.Id)],
        };

    /// <summary>What a way back is asked with.</summary>
    /// <param name="Record">What was done.</param>
    /// <param name="Step">The step that is taken back.</param>
    /// <param name="At">The unit as it stands on the way back.</param>
    /// <param name="Kept">The originals that it needs, each with its place.</param>
    sealed record Asked(PassportAsked Record, Step Step, PlannedUnit At, string Kept)
    {
        /// <summary>A step back, and the unit after it.</summary>
        public (UndoStep, PlannedUnit)? Takes(string title, PlannedUnit then, string needs = "", string never = "") =>
            (new UndoStep(Step.Id, title, needs, never), then);

        /// <summary>What was done stays, for a reason.</summary>
        public (UndoStep, PlannedUnit)? Leaves(string what, string never) =>
            (new UndoStep(Step.Id, $"Nothing to take back: {what}", "", never) { Stays = true }, At);
    }

    /// <summary>A look, a reading, an opening: there is nothing to take back.</summary>
    static readonly Func<Asked, (UndoStep, PlannedUnit)?> Nothing = _ => null;

    /// <summary>The way back of each act. An act that is not here has none: a test holds that there is none such.</summary>
    static readonly IReadOnlyDictionary<string, Func<Asked, (UndoStep Step, PlannedUnit Then)?>> Ways = new Dictionary<
        string,
        Func<Asked, (UndoStep, PlannedUnit)?>
    >
    {
        ["untouched"] = Nothing,
        ["open"] = Nothing,
        ["close"] = Nothing,
        ["count"] = Nothing,
        ["probe"] = Nothing,
        ["proof"] = Nothing,
        ["off"] = Nothing,
        ["look"] = Nothing,
        ["start"] = Nothing,
        ["still"] = Nothing,
        ["sides"] = Nothing,
        ["prove"] = Nothing,
        // A device and a card of one's own: they go out with what they are in, and nothing of the machine is changed by them.
        ["burn"] = Nothing,
        ["cover"] = Nothing,
        ["wire"] = Nothing,
        ["card"] = Nothing,
        ["kit"] = Nothing,
        ["fit"] = Unfit,
        ["remove"] = FitAgain,
        ["set"] = SetBack,
        ["firmware"] = a =>
            a.Takes(
                $"Firmware {a.Record.Before.Firmware ?? "as it was"} back in",
                a.At with
                {
                    Firmware = a.Record.Before.Firmware,
                },
                a.Kept
            ),
        ["change"] = a =>
            PlacedChange.Of(a.Record.Unit).FirstOrDefault(c => c.Step == a.Step.Id) is { } change
                ? (Back(a.Step.Id, change), a.At)
                : null,
        ["cables"] = a => a.Takes($"Unplug again: {a.Step.Title}", a.At),
        ["driver"] = a => a.Takes($"Take off again, or leave it: {a.Step.Title}", a.At),
        ["way"] = a =>
            a.Takes(
                $"Take back: {a.Step.Title}",
                a.At,
                never: a.Step.Instance?.Way?.Reversible == false
                    ? $"{a.Step.Instance.Title} was fitted in a way that cannot be undone"
                    : ""
            ),
        ["mend"] = a => a.Leaves(a.Step.Title, "what was mended is not broken again"),
        ["care"] = a => a.Leaves(a.Step.Title, "what was whitened or drilled does not become what it was"),
        ["service"] = a => a.Leaves($"{IdText.Plain(a.Step.Id.About)} was replaced", "a worn piece is not put back"),
    };

    /// <summary>The acts that have a way back, or the word that there is nothing to take back.</summary>
    public static IEnumerable<string> Known => Ways.Keys;

    static (UndoStep Step, PlannedUnit Then)? Back(PassportAsked record, Step step, PlannedUnit at)
    {
        string kept = string.Join(
            ", ",
            Originals
                .At(record.Unit, step.Id)
                .Select(o =>
                    o.PlaceIn(record.Unit.Unit) is { Length: > 0 } place ? $"{o.What} ({place})" : $"{o.What}, no place noted"
                )
        );
        return Ways.TryGetValue(step.Id.Act, out Func<Asked, (UndoStep, PlannedUnit)?>? way)
            ? way(new Asked(record, step, at, kept))
            // A step of another version of the program, which the job keeps as it stands.
            : null;
    }

    static (UndoStep, PlannedUnit)? Unfit(Asked asked) =>
        asked.Step.Instance is { } part
            ? asked.Takes(
                $"Take out {part.Title}",
                Plan.With(asked.At, i => i.Name != part.Name),
                asked.Kept,
                part.Way?.Reversible == false ? $"{part.Title} was fitted in a way that cannot be undone" : ""
            )
        : Acts.RomSite(asked.Step.Id) is { } site ? asked.Takes($"The original device back into {site}", asked.At, asked.Kept)
        : null;

    static (UndoStep, PlannedUnit)? FitAgain(Asked asked)
    {
        if (asked.Step.Instance is not { } part)
            return null;
        PlannedUnit at = asked.At,
            before = asked.Record.Before;
        IEnumerable<Instance> own = before
            .Instances.Where(i => i.Name == part.Name || at.Find(i.Name) is not null)
            .Select(i => at.Find(i.Name) ?? i);
        return asked.Takes(
            $"Fit {part.Title} again, as it was",
            Plan.Of(at, [.. own, .. at.Instances.Where(i => before.Find(i.Name) is null)]),
            part.Title
        );
    }

    static (UndoStep, PlannedUnit)? SetBack(Asked asked) =>
        asked.Step.Instance is { } part && asked.Record.Before.Find(part.Name) is { } was
            ? asked.Takes(
                $"Set {part.Title} back: {Moved(part, was)}",
                Plan.Of(asked.At, [.. asked.At.Instances.Select(i => i.Name == part.Name ? was : i)])
            )
            : null;

    static string Moved(Instance now, Instance was) =>
        string.Join(", ", was.Positions.Where(p => p.Value != now.Positions[p.Key]).Select(p => $"{p.Key} {p.Value}"));

    static UndoStep Back(StepId step, PlacedChange change) =>
        change.Change.Do switch
        {
            ChangeAct.Link or ChangeAct.Wire or ChangeAct.Row => new UndoStep(step, $"Unsolder: {change.Words}", "", ""),
            ChangeAct.Lift => new UndoStep(step, $"Solder down again: {change.Words}", "", ""),
            ChangeAct.Remove => new UndoStep(step, $"Solder {change.Named(change.Change.Point!)} in again", "what came off", ""),
            ChangeAct.Insulate => new UndoStep(step, $"Take off the insulation: {change.Change.Where}", "", ""),
            ChangeAct.Cut => new UndoStep(
                step,
                $"Bridge the cut of {change.Change.Net}",
                "a short wire",
                "the trace stays cut under the bridge"
            ),
            ChangeAct.Scrape => new UndoStep(
                step,
                $"Cover {change.Named(change.Change.Point!)} again",
                "solder mask",
                "the mask is gone there"
            ),
            ChangeAct.Socket => new UndoStep(
                step,
                $"The socket of {change.Named(change.Change.Chip!)} can stay",
                "",
                "the chip is socketed now"
            ),
            ChangeAct.Trim or ChangeAct.Drill => new UndoStep(
                step,
                $"{change.Words}",
                "",
                "metal or plastic that is gone does not come back"
            ),
            _ => throw new InvalidOperationException($"{change.Change.Do} has no way back"),
        };
}
