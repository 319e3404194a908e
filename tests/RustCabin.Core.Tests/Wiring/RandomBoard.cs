using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>Boards with chips and points, and lists of changes to them, made from a seed.</summary>
sealed class RandomBoard(int seed)
{
    static readonly PlannedUnit Bare = new Machine
    {
        More = ", \"rails\": [ { \"id\": \"+5\", \"volts\": 5, \"amps\": 2 } ]" + Machine.Slot,
        Parts = Machine.Part("p", ""),
        Job = Machine.Add("p"),
    }.Planned;

    readonly Random _random = new(seed);

    /// <summary>Where the chances of this board come from.</summary>
    public Random Source => _random;

    public static PlannedUnit With(Model model, IReadOnlyList<WireChange> changes, IReadOnlyList<Pad>? pads = null)
    {
        Instance part = Bare.Instances[0];
        return Bare with
        {
            Model = model,
            Instances = [part with { Way = part.Way! with { Changes = changes }, Part = part.Part with { Pads = pads ?? [] } }],
        };
    }

    /// <summary>A board with these chips only.</summary>
    public static Model Of(params BoardChip[] chips) => new RandomBoard(1).Model() with { Chips = chips };

    /// <summary>A chip with nets at some of its legs.</summary>
    public static BoardChip Chip(string id, string package, params (int Leg, string Net)[] nets) =>
        new()
        {
            Id = id,
            Package = package,
            Nets = new OrderedDictionary<string, string>(nets.Select(n => KeyValuePair.Create($"{n.Leg}", n.Net))),
        };

    /// <summary>Two or three chips of eight legs, some points, nets of which some reach several places.</summary>
    public Model Model()
    {
        string[] nets = ["a", "b", "c", "d", "GND", "+5"];
        return Bare.Model with
        {
            Chips =
            [
                .. Enumerable
                    .Range(1, _random.Next(2, 4))
                    .Select(n => new BoardChip
                    {
                        Id = $"U{n}",
                        Package = "DIP-8",
                        Nets = new OrderedDictionary<string, string>(
                            Enumerable
                                .Range(1, 8)
                                .Where(_ => _random.Next(4) > 0)
                                .Select(leg => KeyValuePair.Create($"{leg}", nets[_random.Next(nets.Length)]))
                        ),
                    }),
            ],
            Points =
            [
                .. nets.Select(
                    (net, i) =>
                        new BoardPoint
                        {
                            Id = $"TP{i}",
                            Kind = PointKind.TestPoint,
                            Net = net,
                        }
                ),
                new BoardPoint
                {
                    Id = "L1",
                    Kind = PointKind.Link,
                    Nets = ["e", "f"],
                },
                new BoardPoint
                {
                    Id = "R1",
                    Kind = PointKind.Resistor,
                    Nets = ["a", "f"],
                },
            ],
        };
    }

    /// <summary>Any changes at all: cuts across cuts, joins of what is joined.</summary>
    public IReadOnlyList<WireChange> Any(Model model)
    {
        string[] places = [.. new Places(With(model, [])).All.Select(p => p.Name)];
        string any() => places[_random.Next(places.Length)];
        var lifted = new HashSet<string>();
        var changes = new List<WireChange>();
        for (int n = _random.Next(1, 7); n > 0; n--)
            switch (_random.Next(5))
            {
                case 0:
                    BoardChip chip = model.Chips[_random.Next(model.Chips.Count)];
                    int leg = _random.Next(1, 9);
                    if (lifted.Add($"{chip.Id}.{leg}"))
                        changes.Add(
                            new WireChange
                            {
                                Do = ChangeAct.Lift,
                                Chip = chip.Id,
                                Pins = [leg],
                            }
                        );
                    break;
                case 1:
                    Place[] net =
                    [
                        .. new Places(With(model, []))
                            .All.GroupBy(p => p.Net)
                            .Where(g => g.Count() > 1)
                            .OrderBy(_ => _random.Next())
                            .First(),
                    ];
                    changes.Add(
                        new WireChange
                        {
                            Do = ChangeAct.Cut,
                            Net = net[0].Net,
                            Off = [.. net.Take(_random.Next(1, net.Length)).Select(p => p.Name)],
                        }
                    );
                    break;
                case 2:
                    changes.Add(new WireChange { Do = ChangeAct.Remove, Point = "L1" });
                    break;
                case 3:
                    changes.Add(
                        new WireChange
                        {
                            Do = ChangeAct.Row,
                            From = [any(), any()],
                            To = [any(), any()],
                        }
                    );
                    break;
                default:
                    changes.Add(
                        new WireChange
                        {
                            Do = ChangeAct.Wire,
                            From = [any()],
                            To = [any()],
                        }
                    );
                    break;
            }
        return changes;
    }

    /// <summary>Changes as people make them: each takes places of its own, and every join brings together what was
    /// apart.</summary>
    public IReadOnlyList<WireChange> Sound(Model model)
    {
        var free = model
            .Chips.SelectMany(c => Enumerable.Range(1, 8).Select(l => (c.Id, Leg: l)))
            .OrderBy(_ => _random.Next())
            .ToList();
        (string Chip, int Leg) take()
        {
            (string, int) taken = free[^1];
            free.RemoveAt(free.Count - 1);
            return taken;
        }
        var changes = new List<WireChange>();
        for (int n = _random.Next(1, 5); n > 0 && free.Count > 6; n--)
        {
            (string chip, int leg) = take();
            switch (_random.Next(4))
            {
                case 0:
                    changes.Add(
                        new WireChange
                        {
                            Do = ChangeAct.Lift,
                            Chip = chip,
                            Pins = [leg],
                        }
                    );
                    break;
                case 1:
                    changes.Add(
                        new WireChange
                        {
                            Do = ChangeAct.Lift,
                            Chip = chip,
                            Pins = [leg],
                        }
                    );
                    changes.Add(
                        new WireChange
                        {
                            Do = ChangeAct.Wire,
                            From = [$"{chip}.{leg}"],
                            To = [$"part:P{n}"],
                        }
                    );
                    break;
                case 2:
                    changes.Add(
                        new WireChange
                        {
                            Do = ChangeAct.Wire,
                            From = [$"{chip}.{leg}"],
                            To = [$"part:P{n}"],
                        }
                    );
                    break;
                default:
                    changes.Add(
                        new WireChange
                        {
                            Do = ChangeAct.Row,
                            From = ["part:Q1", "part:Q2"],
                            To = [$"{chip}.{leg}", Of(take())],
                        }
                    );
                    free.Clear();
                    break;
            }
        }
        if (_random.Next(2) == 0)
            changes.Add(new WireChange { Do = ChangeAct.Remove, Point = "L1" });
        if (_random.Next(2) == 0)
            changes.Add(
                new WireChange
                {
                    Do = ChangeAct.Cut,
                    Net = "a",
                    Off = ["TP0"],
                }
            );
        return changes;
    }

    static string Of((string Chip, int Leg) leg) => $"{leg.Chip}.{leg.Leg}";

    /// <summary>The pads that sound changes lead to.</summary>
    public static readonly IReadOnlyList<Pad> Pads =
    [
        .. ((string[])["P1", "P2", "P3", "P4", "Q1", "Q2"]).Select(id => new Pad { Id = id }),
    ];
}
