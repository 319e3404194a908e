using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>The table shows every single mistake, and no line of it can be left out.</summary>
public class ContinuityTests
{
    [Fact]
    public void Every_single_mistake_shows_and_no_line_can_go_on_2000_boards()
    {
        int seen = 0;
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new RandomBoard(seed);
            Model model = random.Model();
            IReadOnlyList<WireChange> changes = random.Sound(model);
            var wired = Wired.Of(RandomBoard.With(model, changes, RandomBoard.Pads));
            ContinuityLine[] table = [.. Continuity.Of(wired).Where(l => l.Change is not null)];
            var shownBy = new List<int[]>();
            foreach ((string words, IReadOnlyList<WireChange> made) in Mistakes(wired, changes))
            {
                var wrong = Wired.Of(RandomBoard.With(model, made, RandomBoard.Pads));
                if (Alike(wired, wrong))
                    continue; // no meter can tell
                int[] shows = [.. table.Index().Where(l => Read(wired, wrong, l.Item) != l.Item.Closed).Select(l => l.Index)];
                Assert.True(shows.Length > 0, $"seed {seed}: {words} shows nowhere");
                shownBy.Add(shows);
                seen++;
            }
            for (int line = 0; line < table.Length; line++)
                Assert.True(
                    shownBy.Any(s => s is [var only] && only == line),
                    $"seed {seed}: {wired.After.NameOf(table[line].From)} to {wired.After.NameOf(table[line].To)} can go"
                );
        }
        Assert.True(seen > 20_000, $"{seen} mistakes were tried");
    }

    static bool Read(Wired right, Wired wrong, ContinuityLine line) =>
        wrong.After.Same(At(right, wrong, line.From), At(right, wrong, line.To));

    /// <summary>A place on the board with the mistake; the pad of a leg that was not lifted is the leg.</summary>
    static int At(Wired right, Wired wrong, int place) =>
        right.After.NameOf(place) is var name && wrong.After.Find(name) is >= 0 and var at
            ? at
            : wrong.After.Find(name.TrimEnd('p'));

    /// <summary>All places are joined as they should be.</summary>
    static bool Alike(Wired right, Wired wrong)
    {
        for (int a = 0; a < right.After.Count; a++)
        for (int b = a + 1; b < right.After.Count; b++)
            if (right.After.Same(a, b) != wrong.After.Same(At(right, wrong, a), At(right, wrong, b)))
                return false;
        return true;
    }

    /// <summary>The list of changes with one mistake in it, made as a person would: another list.</summary>
    static IEnumerable<(string, IReadOnlyList<WireChange>)> Mistakes(Wired wired, IReadOnlyList<WireChange> changes)
    {
        IReadOnlyList<WireChange> with(int at, WireChange? change) =>
            [.. changes.Take(at), .. change is null ? (WireChange[])[] : [change], .. changes.Skip(at + 1)];
        IReadOnlyList<WireChange> and(WireChange change) => [.. changes, change];
        var lifted = changes.Where(c => c.Do == ChangeAct.Lift).Select(c => $"{c.Chip}.{c.Pins[0]}").ToHashSet();
        string[] beside(string place) =>
            wired.Places.Find(place) is >= 0 and var at ? [.. wired.Places.Beside(at).Select(wired.After.NameOf)] : [];
        static WireChange bridge(string a, string b) =>
            new()
            {
                Do = ChangeAct.Link,
                From = [a],
                To = [b],
            };
        foreach ((int i, WireChange change) in changes.Index())
            switch (change.Do)
            {
                case ChangeAct.Lift:
                    string leg = $"{change.Chip}.{change.Pins[0]}";
                    yield return ($"{leg} not lifted", with(i, null));
                    foreach (string next in beside(leg).Where(n => !lifted.Contains(n)))
                    {
                        int number = int.Parse(next.Split('.')[1], System.Globalization.CultureInfo.InvariantCulture);
                        yield return ($"{next} lifted for {leg}", with(i, change with { Pins = [number] }));
                        yield return ($"{leg} bridged to {next}", and(bridge(leg, next)));
                    }
                    break;
                case ChangeAct.Wire or ChangeAct.Row:
                    for (int k = 0; k < change.From.Count; k++)
                    {
                        (string from, string to) = (change.From[k], change.To[k]);
                        IReadOnlyList<string> without(IReadOnlyList<string> all) => [.. all.Where((_, n) => n != k)];
                        yield return (
                            $"{from} not joined to {to}",
                            with(
                                i,
                                change.From.Count == 1
                                    ? null
                                    : change with
                                    {
                                        From = without(change.From),
                                        To = without(change.To),
                                    }
                            )
                        );
                        foreach ((string end, bool first) in ((string, bool)[])[(from, true), (to, false)])
                        foreach (string next in beside(end))
                        {
                            string[] moved = [.. (first ? change.From : change.To).Select((p, n) => n == k ? next : p)];
                            yield return (
                                $"{next} for {end}",
                                with(i, first ? change with { From = moved } : change with { To = moved })
                            );
                            yield return ($"{end} bridged to {next}", and(bridge(end, next)));
                        }
                    }
                    break;
                default:
                    yield return ($"{change.Do} left out", with(i, null));
                    break;
            }
    }

    /// <summary>A lead to leg 7 beside +5, which lies at leg 8: a joint, its neighbours, and the rail.</summary>
    static Probed Verdict(int line, Probe? probe)
    {
        Model board = new RandomBoard(1).Model() with
        {
            Chips =
            [
                new BoardChip
                {
                    Id = "U1",
                    Package = "DIP-8",
                    Nets = new OrderedDictionary<string, string> { ["4"] = "GND", ["5"] = "+5" },
                },
            ],
        };
        WireChange[] changes =
        [
            new()
            {
                Do = ChangeAct.Wire,
                From = ["U1.6"],
                To = ["part:P1"],
            },
        ];
        var unit = RandomBoard.With(board, changes, RandomBoard.Pads);
        Wired wired = Wired.Of(unit);
        ContinuityLine asked = Continuity.Of(wired)[line];
        string name(int place) => wired.After.NameOf(place);
        Job job = unit.Job! with { Probes = probe is null ? [] : [probe with { From = name(asked.From), To = name(asked.To) }] };
        return Verdicts.Of(Wired.Of(unit with { Job = job }))[line];
    }

    [Theory]
    [InlineData(0, true, null, null, true)] // the joint must beep
    [InlineData(0, null, 9.9, null, true)]
    [InlineData(0, null, 10.0, null, false)]
    [InlineData(0, false, null, null, false)]
    [InlineData(1, false, null, null, true)] // the neighbour must not
    [InlineData(1, null, 100000.0, null, false)]
    [InlineData(1, null, 100001.0, null, true)]
    [InlineData(3, false, null, null, true)] // +5 and ground
    [InlineData(3, null, 10.0, null, true)]
    [InlineData(3, null, 9.9, null, false)]
    [InlineData(3, null, 50.0, 100.0, true)]
    [InlineData(3, null, 49.0, 100.0, false)]
    public void A_reading_agrees_or_not_by_a_hair(int line, bool? beep, double? ohms, double? before, bool agrees)
    {
        Probed read = Verdict(
            line,
            new Probe
            {
                Beep = beep,
                Ohms = (decimal?)ohms,
                Before = (decimal?)before,
            }
        );
        Assert.Equal(agrees, read.Agrees);
        Assert.Equal(agrees, read.Cause.Length == 0);
        Assert.Null(Verdict(line, null).Agrees);
    }
}
