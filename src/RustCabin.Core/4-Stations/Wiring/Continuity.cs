using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>What a line of the continuity table proves.</summary>
public enum Proves
{
    /// <summary>A leg is off its pad.</summary>
    Lifted,

    /// <summary>Nothing bridges to what lies beside.</summary>
    NoBridge,

    /// <summary>A trace is cut through.</summary>
    Cut,

    /// <summary>A joint or a lead connects.</summary>
    Joint,

    /// <summary>The right trace is scraped.</summary>
    Scraped,

    /// <summary>A part is off.</summary>
    Removed,

    /// <summary>A socket's contact reaches its net.</summary>
    Socketed,

    /// <summary>A rail is not shorted.</summary>
    Rail,
}

/// <summary>One reading of the meter: two places, and what it must say.</summary>
/// <param name="From">One place.</param>
/// <param name="To">The other.</param>
/// <param name="Closed">True: it beeps.</param>
/// <param name="Change">The change that it proves, by its place in the order of work; null: a rail.</param>
/// <param name="Proves">What it proves.</param>
public sealed record ContinuityLine(int From, int To, bool Closed, int? Change, Proves Proves);

/// <summary>
/// The readings that prove the changes of a job: enough that every single mistake shows, and no more. Source:
/// docs/handbook/wiring.md, Continuity table.
/// </summary>
public static class Continuity
{
    /// <summary>The table, in the order of work; rails last.</summary>
    public static IReadOnlyList<ContinuityLine> Of(Wired wired)
    {
        Mistake[] mistakes = [.. Mistake.Of(wired)];
        ContinuityLine[] lines = [.. Candidates(wired)];
        int[][] shown = ShownBy(wired, lines, mistakes);
        ContinuityLine[] more = [.. mistakes.Where((_, m) => shown[m].Length == 0).SelectMany(m => Telling(wired, m))];
        if (more.Length > 0)
        {
            lines = [.. lines.Concat(more.DistinctBy(Pair)).OrderBy(l => l.Change)];
            shown = ShownBy(wired, lines, mistakes);
        }
        bool[] stays = Lean(lines, [.. shown.Where(s => s.Length > 0)]);
        return [.. lines.Where((_, i) => stays[i]), .. Rails(wired)];
    }

    /// <summary>For each mistake the lines that show it.</summary>
    static int[][] ShownBy(Wired wired, ContinuityLine[] lines, Mistake[] mistakes) =>
        [.. mistakes.Select(new Shows(wired, lines).Of)];

    /// <summary>Every line that the rules name, each pair once.</summary>
    static IEnumerable<ContinuityLine> Candidates(Wired wired)
    {
        var listed = new HashSet<(int, int)>();
        foreach ((int number, PlacedChange change) in wired.Changes.Index())
        foreach (ContinuityLine line in LinesOf(wired, number, change))
            // An open line between what is one net cannot be read; a closed one always can.
            if (line.Closed == wired.After.Same(line.From, line.To) && listed.Add(Pair(line)))
                yield return line;
    }

    static (int, int) Pair(ContinuityLine line) => (Math.Min(line.From, line.To), Math.Max(line.From, line.To));

    /// <summary>The first line that shows a mistake which no rule names one for; none: no meter can tell it.</summary>
    static IEnumerable<ContinuityLine> Telling(Wired wired, Mistake mistake)
    {
        ContinuityLine[] between = [.. Between(wired, mistake)];
        return new Shows(wired, between).Of(mistake).Take(1).Select(line => between[line]);
    }

    /// <summary>Lines between the places that a mistake brings together, leaves apart or parts.</summary>
    static IEnumerable<ContinuityLine> Between(Wired wired, Mistake mistake)
    {
        Netlist after = wired.After;
        IEnumerable<(int A, int B)> pairs = mistake
            .With.Concat(mistake.Without.Select(j => (after.Joins[j].A, after.Joins[j].B)))
            .Concat(mistake.Apart < 0 ? [] : after.NodePlaces(mistake.Apart).Select(p => (mistake.Apart, p)));
        return pairs
            .Where(p => p.A != p.B)
            .Select(p =>
                after.Same(p.A, p.B)
                    ? new ContinuityLine(p.A, p.B, true, mistake.Change, Proves.Joint)
                    : new ContinuityLine(
                        p.A,
                        p.B,
                        false,
                        mistake.Change,
                        wired.Changes[mistake.Change].Change.Do == ChangeAct.Cut ? Proves.Cut : Proves.NoBridge
                    )
            );
    }

    static IEnumerable<ContinuityLine> LinesOf(Wired wired, int number, PlacedChange placed)
    {
        Netlist after = wired.After;
        WireChange change = placed.Change;
        ContinuityLine line(int from, int to, bool closed, Proves proves) => new(from, to, closed, number, proves);
        IEnumerable<ContinuityLine> beside(int place) => wired.Beside(place).Select(n => line(place, n, false, Proves.NoBridge));
        switch (change.Do)
        {
            case ChangeAct.Lift:
                foreach (int pin in change.Pins)
                {
                    int leg = wired.Places.Find($"{placed.Named(change.Chip!)}.{pin}");
                    if (leg < 0)
                        continue;
                    yield return line(leg, after.PadOf(leg), false, Proves.Lifted);
                    foreach (int neighbour in wired.Beside(leg))
                        yield return line(leg, neighbour, false, Proves.NoBridge);
                }
                break;
            case ChangeAct.Cut:
                int[] off =
                [
                    .. change
                        .Off.Select(p => OnBoard(after, after.Find(placed.Named(p))))
                        .Where(p => p >= 0)
                        .OrderBy(after.LegOf),
                ];
                foreach (int place in off.Distinct())
                foreach (int? spared in (int?[])[number, null])
                    if (after.Spared(place, spared) is >= 0 and var rest && rest != place)
                        yield return line(place, rest, false, Proves.Cut);
                break;
            case ChangeAct.Link or ChangeAct.Wire or ChangeAct.Row:
                foreach ((int a, int b) in Joined(after, placed))
                foreach (ContinuityLine near in beside(a).Concat(beside(b)).Prepend(line(a, b, true, Proves.Joint)))
                    yield return near;
                break;
            case ChangeAct.Remove:
                int end = wired.Places.Find($"{placed.Named(change.Point!)}.1");
                if (end >= 0)
                    yield return line(end, end + 1, false, Proves.Removed);
                break;
            case ChangeAct.Scrape:
                int point = wired.Places.Find(placed.Named(change.Point!));
                if (point >= 0 && after.Another(point) is >= 0 and var other)
                    yield return line(point, other, true, Proves.Scraped);
                break;
            case ChangeAct.Socket:
                foreach (int leg in wired.LegsOf(placed))
                {
                    if (after.Another(leg) is >= 0 and var reached)
                        yield return line(leg, reached, true, Proves.Socketed);
                    foreach (ContinuityLine near in beside(leg))
                        yield return near;
                }
                break;
        }
    }

    /// <summary>The places that a change joins, pair by pair; what is not on the board is left out.</summary>
    static IEnumerable<(int From, int To)> Joined(Netlist after, PlacedChange placed) =>
        placed
            .Change.From.Zip(placed.Change.To)
            .Select(p => (From: after.Find(placed.Named(p.First)), To: after.Find(placed.Named(p.Second))))
            .Where(p => p.From >= 0 && p.To >= 0 && p.From != p.To);

    /// <summary>What stays on the board of a lifted leg: its pad.</summary>
    internal static int OnBoard(Netlist after, int place) => place >= 0 && after.PadOf(place) is >= 0 and var pad ? pad : place;

    /// <summary>A line goes where all that it shows is shown by others that stay; the later first.</summary>
    static bool[] Lean(ContinuityLine[] lines, IReadOnlyList<int[]> shows)
    {
        bool[] stays = [.. Enumerable.Repeat(true, lines.Length)];
        int[] left = [.. shows.Select(s => s.Length)];
        List<int>[] byLine = [.. lines.Select(_ => new List<int>())];
        foreach ((int mistake, int[] shown) in shows.Index())
        foreach (int line in shown)
            byLine[line].Add(mistake);
        for (int line = lines.Length - 1; line >= 0; line--)
        {
            if (byLine[line].Exists(m => left[m] == 1))
                continue;
            stays[line] = false;
            foreach (int mistake in byLine[line])
                left[mistake]--;
        }
        return stays;
    }

    /// <summary>For each rail that a change touches or lies beside: it and ground.</summary>
    static IEnumerable<ContinuityLine> Rails(Wired wired)
    {
        int ground = First(wired, Netlist.Ground);
        if (ground < 0)
            yield break;
        var near = wired
            .Changes.SelectMany(wired.Touched)
            .SelectMany(p => wired.Beside(p).Prepend(p))
            .Select(wired.After.NodeOf)
            .ToHashSet();
        foreach (Rail rail in wired.Unit.Rails)
            if (First(wired, wired.Places.Canonical(rail.Id)) is >= 0 and var place && near.Contains(wired.After.NodeOf(place)))
                yield return new ContinuityLine(place, ground, false, null, Proves.Rail);
    }

    static int First(Wired wired, string net) =>
        wired.FragmentOf(net) is >= 0 and var fragment ? wired.After.FirstOf(fragment) : -1;
}
