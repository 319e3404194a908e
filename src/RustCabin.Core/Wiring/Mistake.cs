using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>
/// One single mistake in carrying out the changes: a change left out, a lift or a joint one place beside, a bridge. It is a
/// board with other joins: some are missing, some are there that should not be, and a place may lie apart from its net.
/// </summary>
/// <param name="Change">The change in which it is made, by its place in the order of work.</param>
/// <param name="Without">The join that is missing, by its place among all; -1: none is.</param>
/// <param name="With">Pairs of places that meet and should not.</param>
/// <param name="Apart">A place that came off its net; -1: none did.</param>
/// <param name="Words">What was done wrong.</param>
public sealed record Mistake(int Change, int Without, IReadOnlyList<(int A, int B)> With, int Apart, string Words)
{
    /// <summary>Every single mistake that the table must show.</summary>
    public static IEnumerable<Mistake> Of(Wired wired) => wired.Changes.Index().SelectMany(c => Of(wired, c.Index, c.Item));

    static IEnumerable<Mistake> Of(Wired wired, int number, PlacedChange placed)
    {
        Netlist after = wired.After;
        string name(int place) => after.NameOf(place);
        Mistake bridge(int a, int b) => new(number, -1, [(a, b)], -1, $"a bridge from {name(a)} to {name(b)}");
        Mistake left(int a, int b, string words) => new(number, -1, [(a, b)], -1, words);
        WireChange change = placed.Change;
        switch (change.Do)
        {
            case ChangeAct.Lift:
                foreach (int pin in change.Pins)
                {
                    int leg = wired.Places.Find($"{placed.Named(change.Chip!)}.{pin}");
                    if (leg < 0)
                        continue;
                    int pad = after.PadOf(leg);
                    yield return left(leg, pad, $"{name(leg)} still on its pad");
                    foreach (int beside in wired.Beside(leg).Where(n => after.PadOf(n) < 0))
                    {
                        yield return new(number, -1, [(leg, pad)], beside, $"{name(beside)} lifted in place of {name(leg)}");
                        yield return bridge(leg, beside);
                    }
                }
                break;
            case ChangeAct.Cut:
                foreach ((int a, int b) in after.PartedBy(number))
                    yield return left(a, b, $"{change.Net} not cut through");
                break;
            case ChangeAct.Link or ChangeAct.Wire or ChangeAct.Row:
                foreach ((int index, Join join) in after.Joins.Index().Where(j => j.Item.Change == number))
                {
                    yield return new(number, index, [], -1, $"no joint between {name(join.A)} and {name(join.B)}");
                    foreach ((int end, int other) in ((int, int)[])[(join.A, join.B), (join.B, join.A)])
                    foreach (int beside in wired.Beside(end))
                    {
                        yield return new(
                            number,
                            index,
                            [(beside, other)],
                            -1,
                            $"soldered to {name(beside)} in place of {name(end)}"
                        );
                        yield return bridge(end, beside);
                    }
                }
                break;
            case ChangeAct.Remove:
                int one = wired.Places.Find($"{placed.Named(change.Point!)}.1");
                if (one >= 0)
                    yield return left(one, one + 1, $"{placed.Named(change.Point!)} still there");
                break;
            case ChangeAct.Scrape:
                int point = wired.Places.Find(placed.Named(change.Point!));
                if (point >= 0)
                    yield return new(number, -1, [], point, $"another trace scraped than {name(point)}");
                break;
            case ChangeAct.Socket:
                foreach (int leg in wired.LegsOf(placed))
                {
                    yield return new(number, -1, [], leg, $"the contact of {name(leg)} does not reach its net");
                    foreach (int beside in wired.Beside(leg))
                        yield return bridge(leg, beside);
                }
                break;
        }
    }
}
