using RustCabin.Core.Faults;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>The repair of a net goes onto the build sheet: as acts of wiring, or, for a bank's chips, as a mend.</summary>
public static class RepairPresses
{
    /// <summary>What a mend is made with: thin enough for a leg, AWG.</summary>
    public const int WireGauge = 30;

    /// <summary>Minutes for a wire of a bank's chips, which no board is drawn for.</summary>
    const decimal WireMinutes = 5;

    /// <summary>Slack of a wire that goes round things: its length over the straight distance.</summary>
    const double Slack = 1.3;

    /// <summary>The acts of wiring that mend a net: what has lifted is off, and the wires go on.</summary>
    /// <param name="wired">The unit as the job leaves it.</param>
    /// <param name="repair">The repair.</param>
    /// <param name="broken">The places that have come off.</param>
    public static IReadOnlyList<WireChange> ActsOf(Wired wired, Repair repair, IReadOnlyList<string> broken) =>
        [
            // What meets on the net may come of traces that the sheets name apart: each place comes off its own.
            .. from place in broken
            let at = wired.After.Find(place)
            where at >= 0 && wired.OnTrace(at)
            select new WireChange
            {
                Do = ChangeAct.Cut,
                Net = wired.Places.All[wired.After.LegOf(at)].Net,
                Off = [place],
                Where = ", as it has lifted",
                Minutes = 0,
            },
            .. repair.Wires.Select(w => new WireChange
            {
                Do = ChangeAct.Wire,
                From = [w.From],
                To = [w.To],
                Mm = w.Mm is > 1 ? (decimal)Math.Round(w.Mm.Value * Slack) : null,
                Gauge = WireGauge,
            }),
        ];

    /// <summary>All its places are places of a board, so that it is an act of wiring; legs of a bank's chips are not.</summary>
    static bool IsDrawn(AtHand at, Repair repair)
    {
        Netlist nets = Wired.Of(at.After).After;
        return repair.Wires.All(w => nets.Find(w.From) >= 0 && nets.Find(w.To) >= 0);
    }

    static ConfirmedCause FoundIn(AtHand at, StepId gate, Repair repair, IReadOnlyList<string> broken) =>
        new()
        {
            Gate = gate,
            Cause = $"repair:{repair.Net}",
            Words = $"{repair.Net} has come off {string.Join(", ", broken)}",
            Mend =
                $"Wire {string.Join("; ", repair.Wires.Select(w => $"{w.From} to {w.To}"))}, AWG {WireGauge}. Measure: "
                + string.Join("; ", repair.Wires.Select(w => $"{w.From} to {w.To} closed"))
                + ".",
            Minutes = WireMinutes * repair.Wires.Count,
            At = at.Moment,
        };

    /// <summary>Puts a repair on the build sheet.</summary>
    /// <param name="at">The job.</param>
    /// <param name="gate">The gate at which the fault showed.</param>
    /// <param name="repair">The repair; null, or one without a wire: there is nothing to mend.</param>
    /// <param name="broken">The places that have come off.</param>
    public static Press<Job> Repair(AtHand at, StepId gate, Repair? repair, IReadOnlyList<string> broken)
    {
        if (repair is not { Wires.Count: > 0 })
            return Gone;
        string what = $"Repair of {repair.Net} on the build sheet";
        return IsDrawn(at, repair)
            ? Change(what, j => j with { Changes = [.. j.Changes, .. ActsOf(Wired.Of(at.After), repair, broken)] })
            : Change(what, j => FaultsEdits.Confirm(j, FoundIn(at, gate, repair, broken)));
    }
}
