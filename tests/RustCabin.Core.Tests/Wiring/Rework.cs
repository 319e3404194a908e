using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>
/// Changes that meet on one net: several cuts of it, leads side by side, something put between, a trace led another way, a link
/// replaced by a lead, neighbours lifted with leads on their pads.
/// </summary>
sealed class Rework(RandomBoard random, Model model)
{
    readonly Random _random = random.Source;
    readonly Place[] _all = [.. new Places(RandomBoard.With(model, [])).All];
    readonly HashSet<string> _lifted = [];

    public IReadOnlyList<WireChange> Changes() => [.. Enumerable.Range(0, _random.Next(1, 4)).SelectMany(_ => Once()).Take(8)];

    T Any<T>(IReadOnlyList<T> of) => of[_random.Next(of.Count)];

    string Pad() => $"part:{Any(RandomBoard.Pads).Id}";

    static WireChange Lead(string from, string to) =>
        new()
        {
            Do = ChangeAct.Wire,
            From = [from],
            To = [to],
        };

    static WireChange Cut(Place[] net, params string[] off) =>
        new()
        {
            Do = ChangeAct.Cut,
            Net = net[0].Net,
            Off = off,
        };

    /// <summary>A net of three places or more, in any order.</summary>
    Place[] Net()
    {
        Place[][] nets = [.. _all.GroupBy(p => p.Net).Where(g => g.Key is not null && g.Count() > 2).Select(g => g.ToArray())];
        return nets.Length == 0 ? [] : [.. Any(nets).OrderBy(_ => _random.Next())];
    }

    IEnumerable<WireChange> Once()
    {
        Place[] net = Net();
        if (net.Length == 0)
            return [];
        (string one, string two, string rest) = (net[0].Name, net[1].Name, net[^1].Name);
        string other = Any(_all).Name;
        return _random.Next(9) switch
        {
            0 => [Cut(net, one), Cut(net, two)],
            1 => [Cut(net, one), Cut(net, one)],
            2 => [Cut(net, one, one, two)],
            3 => [Cut(net, one), Lead(one, rest)],
            4 => [Cut(net, one), Lead(one, other)],
            5 => [Cut(net, one, two), Lead(one, "part:P1"), Lead("part:P2", rest)],
            6 => Pad() is var to ? [Lead(one, to), Lead(_random.Next(2) == 0 ? one : two, to)] : [],
            7 => [new WireChange { Do = ChangeAct.Remove, Point = "L1" }, Lead("L1.1", "L1.2")],
            _ => Neighbours(),
        };
    }

    /// <summary>Two legs side by side lifted, with leads on their pads or on the legs.</summary>
    IEnumerable<WireChange> Neighbours()
    {
        string chip = Any(model.Chips).Id;
        int leg = Any((int[])[1, 2, 3, 5, 6, 7]);
        if (!_lifted.Add($"{chip}.{leg}") | !_lifted.Add($"{chip}.{leg + 1}"))
            yield break;
        yield return new WireChange
        {
            Do = ChangeAct.Lift,
            Chip = chip,
            Pins = [leg],
        };
        yield return new WireChange
        {
            Do = ChangeAct.Lift,
            Chip = chip,
            Pins = [leg + 1],
        };
        string p = _random.Next(2) == 0 ? "p" : "";
        yield return Lead($"{chip}.{leg}{p}", "part:P3");
        yield return Lead($"{chip}.{leg + 1}{p}", "part:P4");
    }
}
