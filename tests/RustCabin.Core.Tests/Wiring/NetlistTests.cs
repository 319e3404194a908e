using RustCabin.Core.Packs;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>Nets after changes, against a flood fill that goes from place to place.</summary>
public class NetlistTests
{
    [Fact]
    public void Nets_are_what_a_flood_fill_finds_on_2000_boards()
    {
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new RandomBoard(seed);
            Model model = random.Model();
            PlannedUnit unit = RandomBoard.With(model, random.Any(model));
            var wired = Wired.Of(unit);
            Netlist after = wired.After;
            int[] flooded = Flood(wired, unit.Instances[0].Way!.Changes);
            for (int a = 0; a < after.Count; a++)
            for (int b = a + 1; b < after.Count; b++)
                Assert.True(
                    after.Same(a, b) == (flooded[a] == flooded[b]),
                    $"seed {seed}: {after.NameOf(a)} and {after.NameOf(b)}"
                );
        }
    }

    /// <summary>From each place to all that it touches, by the rules as the handbook words them.</summary>
    static int[] Flood(Wired wired, IReadOnlyList<WireChange> changes)
    {
        Netlist after = wired.After;
        string[] names = [.. Enumerable.Range(0, after.Count).Select(after.NameOf)];
        var lifted = changes.Where(c => c.Do == ChangeAct.Lift).SelectMany(c => c.Pins.Select(p => $"{c.Chip}.{p}")).ToHashSet();
        string? net(string name) =>
            lifted.Contains(name) ? null
            : wired.Places.Find(name) is >= 0 and var at ? wired.Places.All[at].Net
            : wired.Places.All[wired.Places.Find(name[..^1])].Net;
        bool cut(string a, string b) =>
            changes
                .Where(c => c.Do == ChangeAct.Cut)
                .Select(c => c.Off.Select(o => lifted.Contains(o) ? o + "p" : o).ToHashSet())
                .Any(off => off.Contains(a) != off.Contains(b));
        var joined = new HashSet<(string, string)>();
        if (changes.All(c => c.Do != ChangeAct.Remove))
            joined.Add(("L1.1", "L1.2"));
        foreach (WireChange change in changes.Where(c => c.Do is ChangeAct.Wire or ChangeAct.Row))
            joined.UnionWith(change.From.Zip(change.To));
        bool touch(string a, string b) =>
            joined.Contains((a, b)) || joined.Contains((b, a)) || (net(a) is { } one && one == net(b) && !cut(a, b));
        int[] group = [.. Enumerable.Repeat(-1, names.Length)];
        for (int start = 0; start < names.Length; start++)
        {
            if (group[start] >= 0)
                continue;
            var open = new Stack<int>([start]);
            group[start] = start;
            while (open.TryPop(out int at))
                for (int next = 0; next < names.Length; next++)
                    if (group[next] < 0 && touch(names[at], names[next]))
                    {
                        group[next] = start;
                        open.Push(next);
                    }
        }
        return group;
    }

    static readonly Model Board = RandomBoard.Of(
        RandomBoard.Chip("U1", "DIP-8", (1, "a"), (2, "b"), (4, "GND"), (8, "+5")),
        RandomBoard.Chip("U2", "QFP-8", (3, "a"))
    ) with
    {
        NetNames = new OrderedDictionary<string, IReadOnlyList<string>> { ["a"] = ["SCK"] },
    };

    static Wired Of(params WireChange[] changes) =>
        Wired.Of(RandomBoard.With(Board, changes, [new Pad { Id = "CLK", Wants = "SCK" }]));

    static WireChange Wire(string from, string to, bool joins = false) =>
        new()
        {
            Do = ChangeAct.Wire,
            From = [from],
            To = [to],
            Joins = joins,
        };

    static string[] Found(PlannedUnit unit) =>
        [
            .. Evidence
                .Keep(Core.Answers.Answer.For(Trail.Stations, unit))
                .Findings.Where(f => f.Station == WiringStation.Here)
                .Select(f => f.Code),
        ];

    static string[] Codes(params WireChange[] changes) => Found(Of(changes).Unit);

    [Fact]
    public void A_lifted_leg_stands_alone_and_its_pad_keeps_the_net()
    {
        Netlist after = Of(
            new WireChange
            {
                Do = ChangeAct.Lift,
                Chip = "U1",
                Pins = [1],
            }
        ).After;
        Assert.False(after.Same(after.Find("U1.1"), after.Find("U1.1p")));
        Assert.True(after.Same(after.Find("U1.1p"), after.Find("U2.3")));
    }

    [Fact]
    public void A_leg_without_a_net_carries_one_of_its_own_named_as_it()
    {
        Wired wired = Of(Wire("U1.3", "part:CLK"));
        Assert.Equal(["U1.3"], wired.NamesOf(wired.After.NodeOf(wired.After.Find("p:CLK"))));
    }

    [Fact]
    public void Each_check_by_a_hair()
    {
        WireChange clock = Wire("TP0", "part:CLK");
        Assert.Empty(Codes(clock));
        // Another name of the net is the net.
        Assert.Equal(["WIRE-UNMADE"], Codes());
        Assert.Equal(["WIRE-UNMADE"], Codes(Wire("TP1", "part:CLK")));
        Assert.Equal(
            ["WIRE-PLACE"],
            Codes(
                clock,
                new WireChange
                {
                    Do = ChangeAct.Lift,
                    Chip = "U1",
                    Pins = [9],
                    LeftOpen = true,
                }
            )
        );
        Assert.Equal(
            ["WIRE-PLACE"],
            Codes(
                clock,
                new WireChange
                {
                    Do = ChangeAct.Cut,
                    Net = "a",
                    Off = ["U1.2"],
                }
            )
        );
        Assert.Equal(
            ["WIRE-LEFT"],
            Codes(
                clock,
                new WireChange
                {
                    Do = ChangeAct.Lift,
                    Chip = "U1",
                    Pins = [2],
                }
            )
        );
        Assert.Empty(
            Codes(
                clock,
                new WireChange
                {
                    Do = ChangeAct.Lift,
                    Chip = "U1",
                    Pins = [2],
                    LeftOpen = true,
                }
            )
        );
        Assert.Equal(["WIRE-CROSS"], Codes(clock, Wire("TP1", "TP2")));
        Assert.Empty(Codes(clock, Wire("TP1", "TP2", joins: true)));
        Assert.Equal(["WIRE-RAIL"], Codes(clock, Wire("TP4", "TP5", joins: true)));
        Assert.Equal(["WIRE-RAIL"], Codes(clock, Wire("TP4", "TP5")));
        Assert.Equal(["WIRE-CROSS"], Codes(clock, Wire("TP1", "TP5")));
    }

    [Fact]
    public void Two_parts_may_not_lift_the_same_leg()
    {
        PlannedUnit one = Of(
            new WireChange
            {
                Do = ChangeAct.Lift,
                Chip = "U1",
                Pins = [2],
                LeftOpen = true,
            },
            Wire("TP0", "part:CLK")
        ).Unit;
        Instance part = one.Instances[0];
        PlannedUnit two = one with
        {
            Instances =
            [
                part,
                part with
                {
                    Name = InstanceName.Parse("p#2"),
                    Way = part.Way! with { Changes = [part.Way.Changes[0], Wire("TP0", "part:CLK")] },
                },
            ],
        };
        Assert.Equal(["WIRE-TWICE"], Found(two));
        Assert.DoesNotContain("WIRE-TWICE", Found(one));
    }

    [Fact]
    public void Missing_signals_are_had_at_the_easiest_place_first()
    {
        (string net, IReadOnlyList<TapOption> options) = Assert.Single(Taps.Of(Of()));
        Assert.Equal("a", net);
        Assert.Equal(
            [("TP0", "test-point"), ("U1.1", "clip"), ("R1.1", "pad"), ("U2.3", "leg")],
            options.Select(o => (o.Place, o.Tap))
        );
    }

    [Theory]
    [InlineData("GND,+5,n", "f", "GND,+5,rx", "m", "")]
    [InlineData("GND,+5,tx", "f", "GND,tx,+5", "m", "PIN-RAIL")]
    [InlineData("GND,+5,tx", "f", "GND,+5,rx", "m", "PIN-NET")]
    [InlineData("GND,+5", "m", "GND,+5", "m", "PIN-GENDER")]
    [InlineData("GND,+5", "f", "GND", "m", "PIN-COUNT")]
    public void A_part_is_held_against_the_contacts_of_its_site(string site, string its, string part, string own, string code)
    {
        static string list(string nets) => $"[{string.Join(',', nets.Split(',').Select(n => $"\"{n}\""))}]";
        PlannedUnit unit = new Machine
        {
            More =
                $$""", "sites": [ { "id": "slot", "kind": "header", "contacts": {{list(site)}}, "gender": "{{its}}" } ]"""
                + """, "rails": [ { "id": "+5", "volts": 5, "amps": 2 } ]""",
            Parts = Machine.Part("p", $$""", "contacts": {{list(part)}}, "gender": "{{own}}" """),
            Job = Machine.Add("p"),
        }.Planned;
        Assert.Equal(code, Found(unit).FirstOrDefault() ?? "");
    }

    [Theory]
    [InlineData(""" "chips": [ { "id": "U1", "package": "DIP-8" }, { "id": "U1", "package": "DIP-14" } ] """, "used twice")]
    [InlineData(""" "chips": [ { "id": "U1", "package": "DIP-9x" } ] """, "not an outline")]
    [InlineData(""" "chips": [ { "id": "U1", "package": "DIP-8", "nets": { "9": "a" } } ] """, "not a leg of DIP-8")]
    [InlineData(""" "points": [ { "id": "R1", "kind": "resistor", "nets": ["a"] } ] """, "the two nets")]
    [InlineData(""" "points": [ { "id": "T", "kind": "pad" } ] """, "net: is missing")]
    [InlineData(
        """ "points": [ { "id": "T", "kind": "pad", "net": "a", "at": { "board": "b", "xMm": 1, "yMm": 1 } } ] """,
        "not a board of this sheet"
    )]
    public void What_a_model_sheet_says_wrong_of_its_board_is_told(string more, string why) =>
        Assert.Contains(why, Wrong(more, "[]"));

    [Theory]
    [InlineData("""[ { "do": "lift", "chip": "U1" } ]""", "pins: is missing")]
    [InlineData("""[ { "do": "lift", "chip": "U1", "pins": [1, 1] } ]""", "names a leg twice")]
    [InlineData("""[ { "do": "wire", "from": ["a", "b"], "to": "c" } ]""", "goes from one place to one")]
    [InlineData("""[ { "do": "row", "from": ["a", "b"], "to": ["c"] } ]""", "names 1 places")]
    [InlineData("""[ { "do": "cut", "net": "a", "off": ["U1.1"], "point": "R1" } ]""", "does not go with \"cut\"")]
    [InlineData("""[ { "do": "glue" } ]""", "\"glue\"")]
    public void What_a_change_says_wrong_is_told(string changes, string why) =>
        Assert.Contains(why, Wrong(""" "summary": "x" """, changes));

    static string Wrong(string model, string changes)
    {
        string pack = $$"""
            { "format": "rustcabin.pack/1",
              "models": [ { "id": "m", "name": "M", "addressBits": 16, "dataBits": 8, "masters": ["cpu"],
                "revisions": [ { "id": "r", "name": "R" } ], {{model}} } ],
              "parts": [ { "id": "p", "name": "P", "kind": "io", "ways": [ { "id": "w", "model": "m", "changes": {{changes}} } ] } ] }
            """;
        using var document = PackReader.Parse(System.Text.Encoding.UTF8.GetBytes(pack));
        return string.Join("; ", PackReader.Read(document.RootElement).Errors.Select(e => $"{e.Path}: {e.Message}"));
    }
}
