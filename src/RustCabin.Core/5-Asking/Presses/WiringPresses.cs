using RustCabin.Core.Build;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Wiring;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What the meter showed, photos under a board, and runs of cables.</summary>
public static class WiringPresses
{
    /// <summary>A beep, as a form says it.</summary>
    public const string Beep = "beep";

    /// <summary>No beep, as a form says it.</summary>
    public const string NoBeep = "none";

    /// <summary>Notes what the meter showed between two places of the table: a beep, none, or ohms.</summary>
    /// <param name="at">The job.</param>
    /// <param name="from">The first place.</param>
    /// <param name="to">The second.</param>
    /// <param name="says">A beep or none; anything else: ohms were typed.</param>
    /// <param name="ohms">The ohms, as typed.</param>
    /// <param name="before">For a rail, the ohms before the work; empty: not noted.</param>
    /// <param name="tick">The acts that the line rests on, and that are not ticked yet, are ticked with it.</param>
    public static Press<Job> Probe(
        AtHand at,
        string from,
        string to,
        string? says,
        string? ohms,
        string? before,
        bool tick = false
    )
    {
        bool heard = says is Beep or NoBeep;
        decimal read = 0,
            earlier = 0;
        if (!heard && !TypedNumber.TryParse(ohms, out read))
            return Refuse("ohms", $"Nothing was noted: \"{ohms}\" is not a number of ohms.");
        if (!string.IsNullOrWhiteSpace(before) && !TypedNumber.TryParse(before, out earlier))
            return Refuse("before", $"Nothing was noted: \"{before}\" is not a number of ohms.");
        var wired = Wired.Of(at.After);
        if (wired.Readings.FirstOrDefault(l => l.From == from && l.To == to) is not { } line)
            return Refuse("from", "Nothing was noted: these two places are not on the table any more.");
        StepProgress[] open =
        [
            .. Verdicts
                .Rests(wired, line.Line)
                .Select(c => at.Progress.Steps.FirstOrDefault(s => s.Step.Id == c.Step))
                .OfType<StepProgress>()
                .Where(s => s.State != StepState.Done),
        ];
        if (Early(at, open, tick) is { } early)
            return early;
        var probe = new Probe
        {
            From = from,
            To = to,
            Beep = heard ? says == Beep : null,
            Ohms = heard ? null : read,
            Before = earlier > 0 ? earlier : null,
        };
        return Change(
            (open.Length > 0 ? $"Done: {string.Join(", ", open.Select(s => s.Step.Title))}. " : "")
                + $"Meter, {from} to {to}: {Said(probe)}",
            j =>
            {
                Job ticked = open.Aggregate(j, (now, s) => JobEdits.Tick(now, s.Step.Id, true));
                return WiringEdits.Read(ticked, probe with { On = Grounds.Of(ticked, [], at.Moment) });
            }
        );
    }

    /// <summary>A line is read of what is made: before that it proves nothing.</summary>
    static Refusal? Early(AtHand at, StepProgress[] open, bool tick)
    {
        if (open.Length == 0)
            return null;
        string titles = string.Join(", ", open.Select(s => $"\"{s.Step.Title}\""));
        if (!tick)
            return Refuse("from", $"Nothing was noted: {titles} {(open.Length == 1 ? "is" : "are")} not ticked.") with
            {
                Offer = Readings.WithTicks,
            };
        return open.Select(s => Ticking.Bar(at, s)).FirstOrDefault(b => b is not null);
    }

    /// <summary>A reading in words.</summary>
    public static string Said(Probe probe) => probe.Said;

    /// <summary>Takes a reading away.</summary>
    public static Press<Job> Forget(string from, string to) =>
        Change($"Reading of {from} to {to} taken away", j => WiringEdits.Forget(j, from, to));

    /// <summary>Lays a photo of the unit under a board, by two places that were tapped on it.</summary>
    /// <param name="board">The board.</param>
    /// <param name="photo">The photo; null: it is not on the unit's page any more.</param>
    /// <param name="taps">The two places, and where they were tapped, as typed.</param>
    /// <param name="landmarks">The places by which a photo can be laid.</param>
    public static Press<Unit> Lay(string board, long? photo, LayForm taps, IReadOnlyList<string> landmarks)
    {
        if (photo is not { } known)
            return Refuse("photo", "Nothing was laid: that photo is not on this unit's page any more.");
        return taps.TryRead(board, (int)known, landmarks, out BoardPhoto laid, out string wrong)
            ? ChangeUnit($"Photo laid under board {board}", unit => WiringEdits.Lay(unit, laid))
            : Refuse("place1", $"Nothing was laid: {wrong}.");
    }

    /// <summary>Takes the photo from under a board.</summary>
    public static Press<Unit> Lift(string board) =>
        ChangeUnit($"Photo taken from under board {board}", unit => WiringEdits.Lift(unit, board));

    /// <summary>Joins two devices by cables.</summary>
    public static Press<Job> Join(AtHand at, string? what, string? one, string? other)
    {
        if (!Texts.TryNeeded<CableRun>(nameof(CableRun.What), what, out string named))
            return Refuse(
                "what",
                $"Nothing was joined: say in up to {Texts.Most<CableRun>(nameof(CableRun.What))} letters what is joined."
            );
        if (!DeviceEnd.TryParse(one ?? "", out DeviceEnd from) || !DeviceEnd.TryParse(other ?? "", out DeviceEnd to))
            return Refuse(
                "one",
                "Nothing was joined: a device is its family, m or f, DTE or DCE, and its level: DB-25 m DTE rs232."
            );
        var run = new CableRun
        {
            Id = WiringEdits.FreeRun(at.Job),
            What = named,
            From = from,
            To = to,
        };
        return Change($"Cables: {named}", j => WiringEdits.Join(j, run));
    }

    /// <summary>Drops a run of cables.</summary>
    public static Press<Job> Part(string run) => Change("Cables dropped", j => WiringEdits.Part(j, run));

    /// <summary>Takes the job's own acts of wiring off the build sheet, with their ticks.</summary>
    public static Press<Job> Unwire(AtHand at) =>
        at.Job.Changes.Count > 0 ? Change("The job's own acts of wiring taken off", WiringEdits.DropOwn) : Gone;
}
