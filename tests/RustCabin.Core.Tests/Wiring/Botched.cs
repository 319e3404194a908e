using System.Globalization;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>
/// A list of changes with one mistake in it, made as a person would make it: another list. Where one act alone cannot be missed
/// because another does the same, they are left out together.
/// </summary>
/// <param name="changes">The list.</param>
/// <param name="meets">Two places are one net where no lead is on.</param>
sealed class Botched(IReadOnlyList<WireChange> changes, Func<string, string, bool> meets)
{
    readonly HashSet<string> _lifted =
    [
        .. changes.Where(c => c.Do == ChangeAct.Lift).SelectMany(c => c.Pins.Select(p => $"{c.Chip}.{p}")),
    ];

    IReadOnlyList<WireChange> With(int at, WireChange? change) =>
        [.. changes.Take(at), .. change is null ? (WireChange[])[] : [change], .. changes.Skip(at + 1)];

    (string, IReadOnlyList<WireChange>) Bridged(string a, string b) =>
        (
            $"{a} bridged to {b}",
            [
                .. changes,
                new WireChange
                {
                    Do = ChangeAct.Link,
                    From = [a],
                    To = [b],
                },
            ]
        );

    /// <summary>A lifted leg has legs beside it, its pad has what lies on the board, any other place both.</summary>
    IEnumerable<string> Beside(string place)
    {
        if (!place.StartsWith('U'))
            yield break;
        bool pad = place.EndsWith('p');
        string[] parts = place.TrimEnd('p').Split('.');
        int leg = int.Parse(parts[1], CultureInfo.InvariantCulture);
        foreach (int next in (int[])[leg - 1, leg + 1])
            if (next is >= 1 and <= 8 && (next - 1) / 4 == (leg - 1) / 4)
            {
                string name = $"{parts[0]}.{next}";
                bool up = _lifted.Contains(name);
                if (!pad || !up)
                    yield return name;
                if (up && (pad || !_lifted.Contains(place)))
                    yield return $"{name}p";
            }
    }

    static IReadOnlyList<string> Without(IReadOnlyList<string> all, int at) => [.. all.Where((_, n) => n != at)];

    static WireChange? Without(WireChange change, Func<string, string, bool> gone)
    {
        (string From, string To)[] left = [.. change.From.Zip(change.To).Where(j => !gone(j.First, j.Second))];
        return left.Length == 0 ? null : change with { From = [.. left.Select(l => l.From)], To = [.. left.Select(l => l.To)] };
    }

    public IEnumerable<(string Words, IReadOnlyList<WireChange> Made)> All() =>
        changes
            .Index()
            .SelectMany(c => Of(c.Index, c.Item).Prepend(($"{c.Item.Do} left out", With(c.Index, null))))
            .Concat(Together())
            .Select(m => (m.Item1, OnLegs(m.Item2)));

    /// <summary>A lead to the pad of a leg that was not lifted lies on the leg.</summary>
    static IReadOnlyList<WireChange> OnLegs(IReadOnlyList<WireChange> made)
    {
        HashSet<string> up = [.. made.Where(c => c.Do == ChangeAct.Lift).SelectMany(c => c.Pins.Select(p => $"{c.Chip}.{p}p"))];
        string on(string place) => place.StartsWith('U') && place.EndsWith('p') && !up.Contains(place) ? place[..^1] : place;
        return [.. made.Select(c => c with { From = [.. c.From.Select(on)], To = [.. c.To.Select(on)] })];
    }

    IEnumerable<(string, IReadOnlyList<WireChange>)> Of(int i, WireChange change) =>
        change.Do switch
        {
            ChangeAct.Lift => change.Pins.SelectMany(p => Lift(i, change, p)),
            ChangeAct.Cut => change.Off.Index().SelectMany(o => Spared(i, change, o.Index)),
            ChangeAct.Wire or ChangeAct.Row => Enumerable.Range(0, change.From.Count).SelectMany(k => Joint(i, change, k)),
            _ => [],
        };

    IEnumerable<(string, IReadOnlyList<WireChange>)> Lift(int i, WireChange change, int pin)
    {
        string leg = $"{change.Chip}.{pin}";
        foreach (string next in Beside(leg))
        {
            int number = int.Parse(next.Split('.')[1], CultureInfo.InvariantCulture);
            if (!_lifted.Contains(next))
                yield return ($"{next} lifted for {leg}", With(i, change with { Pins = [number] }));
            yield return Bridged(leg, next);
        }
    }

    IEnumerable<(string, IReadOnlyList<WireChange>)> Spared(int i, WireChange change, int off)
    {
        if (change.Off.Distinct().Count() > 1)
            yield return (
                $"{change.Off[off]} spared by a cut",
                With(i, change with { Off = [.. change.Off.Where(o => o != change.Off[off])] })
            );
    }

    IEnumerable<(string, IReadOnlyList<WireChange>)> Joint(int i, WireChange change, int k)
    {
        (string from, string to) = (change.From[k], change.To[k]);
        if (change.From.Count > 1)
            yield return (
                $"{from} not joined to {to}",
                With(i, change with { From = Without(change.From, k), To = Without(change.To, k) })
            );
        foreach ((string end, bool first) in ((string, bool)[])[(from, true), (to, false)])
        foreach (string next in Beside(end))
        {
            string[] moved = [.. (first ? change.From : change.To).Select((p, n) => n == k ? next : p)];
            yield return ($"{next} for {end}", With(i, first ? change with { From = moved } : change with { To = moved }));
            yield return Bridged(end, next);
        }
    }

    /// <summary>Leads side by side, and cuts that part the same: none of them made.</summary>
    IEnumerable<(string, IReadOnlyList<WireChange>)> Together()
    {
        foreach (string end in changes.SelectMany(c => c.From.Concat(c.To)).Distinct())
            yield return (
                $"no joint at {end}",
                [
                    .. changes
                        .Select(c => c.From.Count == 0 ? c : Without(c, (from, to) => meets(from, end) || meets(to, end)))
                        .OfType<WireChange>(),
                ]
            );
        foreach (string off in changes.SelectMany(c => c.Off).Distinct())
            yield return (
                $"{off} cut off by nothing",
                [
                    .. changes
                        .Select(c => c.Off.Count == 0 ? c : c with { Off = [.. c.Off.Where(o => o != off)] })
                        .Where(c => c.Do != ChangeAct.Cut || c.Off.Count > 0),
                ]
            );
    }
}
