using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>The table shows every single mistake, and no line of it can be left out.</summary>
public class ContinuityTests
{
    [Fact]
    public void Every_single_mistake_shows_and_no_line_can_go_on_2000_boards() =>
        Assert.True(Hold(2000, (random, model) => random.Sound(model)) > 20_000);

    /// <summary>Several cuts of a net, leads side by side, things put between, a trace led another way, neighbours
    /// lifted.</summary>
    [Fact]
    public void The_same_where_acts_meet_on_one_net_on_2000_boards() =>
        Assert.True(Hold(2000, (random, model) => new Rework(random, model).Changes()) > 20_000);

    /// <summary>Every mistake that a meter can tell shows in a line, and every line is the only one for some mistake.</summary>
    static int Hold(int boards, Func<RandomBoard, Model, IReadOnlyList<WireChange>> changed)
    {
        int seen = 0;
        for (int seed = 0; seed < boards; seed++)
        {
            var random = new RandomBoard(seed);
            Model model = random.Model();
            IReadOnlyList<WireChange> changes = changed(random, model);
            var wired = Wired.Of(RandomBoard.With(model, changes, RandomBoard.Pads));
            ContinuityLine[] table = [.. Continuity.Of(wired).Where(l => l.Change is not null)];
            var shownBy = new List<int[]>();
            foreach ((string words, IReadOnlyList<WireChange> made) in new Botched(changes, Meets(model, changes)).All())
            {
                var wrong = Wired.Of(RandomBoard.With(model, made, RandomBoard.Pads));
                if (Alike(wired, wrong))
                    continue; // no meter can tell
                int[] shows = [.. table.Index().Where(l => Read(wired, wrong, l.Item) != l.Item.Closed).Select(l => l.Index)];
                Assert.True(shows.Length > 0, $"seed {seed}: {words} shows nowhere in {Told(changes)}");
                shownBy.Add(shows);
                seen++;
            }
            for (int line = 0; line < table.Length; line++)
                Assert.True(
                    shownBy.Any(s => s is [var only] && only == line),
                    $"seed {seed}: {wired.After.NameOf(table[line].From)} to {wired.After.NameOf(table[line].To)} can go in "
                        + Told(changes)
                );
        }
        return seen;
    }

    static Func<string, string, bool> Meets(Model model, IReadOnlyList<WireChange> changes)
    {
        WireChange[] leadless = [.. changes.Where(c => c.From.Count == 0)];
        Netlist nets = Wired.Of(RandomBoard.With(model, leadless, RandomBoard.Pads)).After;
        int at(string place) => nets.Find(Places.Named(place, "p"));
        return (a, b) => a == b || nets.Same(at(a), at(b));
    }

    static string Told(IEnumerable<WireChange> changes) =>
        string.Join(
            "; ",
            changes.Select(c =>
                $"{c.Do} {c.Chip}{string.Join(",", c.Pins.Select(n => $".{n}"))}{c.Net} {string.Join(",", c.Off)}{c.Point}"
                + $"{string.Join(",", c.From)} {string.Join(",", c.To)}"
            )
        );

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

    /// <summary>A lead to leg 7 beside +5, which lies at leg 8: a joint, its neighbours, and the rail.</summary>
    static Probed Verdict(int line, Probe? probe)
    {
        Model board = RandomBoard.Of(RandomBoard.Chip("U1", "DIP-8", (4, "GND"), (5, "+5")));
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
