using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Wiring;

/// <summary>A line of the table with what was read, and what that means.</summary>
/// <param name="Line">The line.</param>
/// <param name="From">One place by name.</param>
/// <param name="To">The other.</param>
/// <param name="Probe">What was read; null: nothing yet.</param>
/// <param name="Agrees">Whether it is as it must be; null: nothing was read.</param>
/// <param name="Cause">What is likeliest wrong where it differs, and what to look at; empty: it agrees.</param>
public sealed record Probed(ContinuityLine Line, string From, string To, Probe? Probe, bool? Agrees, string Cause)
{
    /// <summary>The change that it proves, in words; empty: a rail.</summary>
    public string Change { get; init; } = "";

    /// <summary>Other lines that would differ too if that is it, by their places in the table.</summary>
    public IReadOnlyList<int> Also { get; init; } = [];

    /// <summary>Why what was read does not count; empty: it does, or nothing was read.</summary>
    public string Struck { get; init; } = "";

    /// <summary>What the meter must say, in a word or two.</summary>
    public string Must =>
        Line.Closed ? "beep"
        : Line.Proves == Proves.Rail ? "no beep"
        : "none";
}

/// <summary>Readings of the meter against the table. Source: docs/handbook/wiring.md, Readings.</summary>
public static class Verdicts
{
    /// <summary>Under so many ohms a meter's beep says: closed.</summary>
    public const decimal ClosedBelow = 10;

    /// <summary>Above so many ohms it is open.</summary>
    public const decimal OpenAbove = 100_000;

    /// <summary>The table of a unit with the job's readings.</summary>
    public static IReadOnlyList<Probed> Of(Wired wired)
    {
        ContinuityLine[] lines = [.. Continuity.Of(wired)];
        var read = (wired.Unit.Job?.Probes ?? []).ToLookup(p => (p.From, p.To));
        // Asked only where a reading differs.
        var mistakes = new Lazy<(Mistake Mistake, int[] Lines)[]>(() =>
        {
            var shows = new Shows(wired, lines);
            return [.. Mistake.Of(wired).Select(m => (m, shows.Of(m)))];
        });
        return
        [
            .. lines.Select(
                (line, i) =>
                {
                    (string from, string to) = (wired.After.NameOf(line.From), wired.After.NameOf(line.To));
                    Probe? probe = read[(from, to)].LastOrDefault();
                    string struck = probe is null ? "" : Struck(wired, line, probe);
                    bool? agrees = probe is null || struck.Length > 0 ? null : Agrees(line, probe);
                    if (agrees != false)
                        return new Probed(line, from, to, probe, agrees, "") { Change = Words(wired, line), Struck = struck };
                    // Of the mistakes that this line shows, the one that fewest other lines show: the nearest by.
                    var likeliest = mistakes
                        .Value.Where(m => m.Lines.Contains(i))
                        .OrderBy(m => m.Mistake.Change == line.Change ? 0 : 1)
                        .ThenBy(m => m.Lines.Length)
                        .FirstOrDefault();
                    return new Probed(line, from, to, probe, agrees, Cause(line, probe!, likeliest.Mistake))
                    {
                        Change = Words(wired, line),
                        Also = [.. (likeliest.Lines ?? []).Where(l => l != i)],
                    };
                }
            ),
        ];
    }

    /// <summary>The changes that a line rests on: its own, and for a rail all of them.</summary>
    public static IEnumerable<PlacedChange> Rests(Wired wired, ContinuityLine line) =>
        line.Change is { } change ? [wired.Changes[change]] : wired.Changes;

    static string Struck(Wired wired, ContinuityLine line, Probe probe) =>
        Rests(wired, line)
            .Select(c => Grounds.Against(probe.On, c.Step) is { Length: > 0 } why ? $"\"{c.Words}\" {why}: read it again" : "")
            .FirstOrDefault(w => w.Length > 0, "");

    static string Words(Wired wired, ContinuityLine line) => line.Change is { } change ? wired.Changes[change].Words : "";

    static bool Agrees(ContinuityLine line, Probe probe) =>
        line.Proves == Proves.Rail ? probe.Beep == false || (probe.Ohms >= ClosedBelow && !(probe.Ohms < probe.Before / 2))
        : line.Closed ? probe.Beep == true || probe.Ohms < ClosedBelow
        : probe.Beep == false || probe.Ohms > OpenAbove;

    static string Cause(ContinuityLine line, Probe probe, Mistake? mistake)
    {
        if (probe.Ohms is >= ClosedBelow and <= OpenAbove && line.Proves != Proves.Rail)
            return "Something is in the way: a resistor, or a chip's own path. Is the power off? Look which lies between.";
        string likely = mistake is null ? "" : $"Likeliest: {mistake.Words}. ";
        return likely
            + line.Proves switch
            {
                Proves.Lifted => "The leg still touches its pad: lift it further, and look from the side.",
                Proves.NoBridge => "Look for a bridge of solder between the two under a glass.",
                Proves.Cut => "Not cut through: look at the groove under a glass, dig out the end.",
                Proves.Joint => "A cold joint, or the wrong place: touch it up with flux, count the legs once more.",
                Proves.Scraped => "The wrong trace is scraped, or some mask is still on it.",
                Proves.Removed => "It is still there, or its pads are bridged.",
                Proves.Socketed => "This contact of the socket does not reach its pad: look for a lifted pad, touch it up.",
                _ when probe.Ohms >= ClosedBelow =>
                    $"It was {probe.Before:0.#} ohms before the work, and is under half of it: look for a bridge. "
                        + "Do not switch on.",
                _ => "Look for a bridge between this rail and ground. Do not switch on.",
            };
    }
}
