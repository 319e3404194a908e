using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>
/// One single mistake in carrying out the changes: a change left out, a lift or a joint one place beside, a bridge. It is a
/// board with other joins: some are missing, some are there that should not be, and a place may lie apart from its net.
/// </summary>
/// <param name="Change">The change in which it is made, by its place in the order of work.</param>
/// <param name="Without">The joins that are missing, by their places among all.</param>
/// <param name="With">Pairs of places that meet and should not.</param>
/// <param name="Apart">A place that came off its net; -1: none did.</param>
/// <param name="Words">What was done wrong.</param>
sealed record Mistake(int Change, IReadOnlyList<int> Without, IReadOnlyList<(int A, int B)> With, int Apart, string Words)
{
    /// <summary>
    /// Every single mistake that the table must show; and, where one alone cannot show because another act does the same, those
    /// acts together.
    /// </summary>
    public static IEnumerable<Mistake> Of(Wired wired) =>
        wired.Changes.Index().SelectMany(c => new Made(wired, c.Index, c.Item).All()).Concat(Unjoined(wired));

    /// <summary>Nothing that a job solders reaches a place: leads side by side are each missed only with the others.</summary>
    static IEnumerable<Mistake> Unjoined(Wired wired)
    {
        Netlist after = wired.After;
        var ends =
            from made in after.Joins.Index()
            where made.Item.Change >= 0
            from end in (int[])[made.Item.A, made.Item.B]
            group (made.Index, made.Item.Change, End: end) by after.FragmentOf(end);
        foreach (var fragment in ends.Where(f => f.Select(e => e.Index).Distinct().Count() > 1))
            yield return new Mistake(
                fragment.Min(e => e.Change),
                [.. fragment.Select(e => e.Index).Distinct()],
                [],
                -1,
                $"no joint at {after.NameOf(fragment.First().End)} at all"
            );
    }

    /// <summary>The mistakes of one change.</summary>
    sealed class Made(Wired wired, int number, PlacedChange placed)
    {
        readonly Netlist _after = wired.After;

        string Name(int place) => _after.NameOf(place);

        Mistake Bridge(int a, int b) => new(number, [], [(a, b)], -1, $"a bridge from {Name(a)} to {Name(b)}");

        Mistake Left(int a, int b, string words) => new(number, [], [(a, b)], -1, words);

        public IEnumerable<Mistake> All() =>
            placed.Change.Do switch
            {
                ChangeAct.Lift => placed.Change.Pins.SelectMany(Lifts),
                ChangeAct.Cut => Cuts(),
                ChangeAct.Link or ChangeAct.Wire or ChangeAct.Row => Joints().Concat(Shifts()),
                ChangeAct.Remove => wired.Places.Find($"{placed.Named(placed.Change.Point!)}.1") is >= 0 and var end
                    ? [Left(end, end + 1, $"{placed.Named(placed.Change.Point!)} still there")]
                    : [],
                ChangeAct.Scrape => wired.Places.Find(placed.Named(placed.Change.Point!)) is >= 0 and var point
                    ? [new(number, [], [], point, $"another trace scraped than {Name(point)}")]
                    : [],
                ChangeAct.Socket => wired.LegsOf(placed).SelectMany(Sockets),
                _ => [],
            };

        IEnumerable<Mistake> Lifts(int pin)
        {
            int leg = wired.Places.Find($"{placed.Named(placed.Change.Chip!)}.{pin}");
            if (leg < 0)
                yield break;
            int pad = _after.PadOf(leg);
            yield return Left(leg, pad, $"{Name(leg)} still on its pad");
            foreach (int beside in wired.Beside(leg))
            {
                if (_after.PadOf(beside) < 0)
                    yield return new(number, [], [(leg, pad)], beside, $"{Name(beside)} lifted in place of {Name(leg)}");
                yield return Bridge(leg, beside);
            }
        }

        /// <summary>The whole cut left out; a cut that spares one place; a place that no cut parts at all.</summary>
        IEnumerable<Mistake> Cuts()
        {
            (int, int)[] parted = [.. _after.PartedBy(number)];
            if (parted.Length > 0)
                yield return new(number, [], parted, -1, $"{placed.Change.Net} not cut through");
            foreach (string name in placed.Change.Off.Distinct())
                if (Continuity.OnBoard(_after, _after.Find(placed.Named(name))) is >= 0 and var place)
                    foreach (int? spared in (int?[])[number, null])
                        if (_after.Spared(place, spared) is >= 0 and var on)
                            yield return new(
                                number,
                                [],
                                on == place ? [] : [(place, on)],
                                place,
                                $"{placed.Change.Net} cut beside {Name(place)}, which is still on it"
                            );
        }

        IEnumerable<(int Index, Join Join)> Own => _after.JoinsOf(number).Select(j => (j, _after.Joins[j]));

        IEnumerable<Mistake> Joints()
        {
            foreach ((int index, Join join) in Own)
            {
                yield return new(number, [index], [], -1, $"no joint between {Name(join.A)} and {Name(join.B)}");
                foreach ((int end, int other) in ((int, int)[])[(join.A, join.B), (join.B, join.A)])
                foreach (int beside in wired.Beside(end))
                {
                    if (beside != other)
                        yield return new(
                            number,
                            [index],
                            [(beside, other)],
                            -1,
                            $"soldered to {Name(beside)} in place of {Name(end)}"
                        );
                    yield return Bridge(end, beside);
                }
            }
        }

        /// <summary>A row of joints whose one side lies one place over, either way.</summary>
        IEnumerable<Mistake> Shifts()
        {
            (int Index, Join Join)[] row = [.. Own];
            if (row.Length < 2)
                yield break;
            foreach (int by in (int[])[1, -1])
                yield return new(
                    number,
                    [.. row.Select(r => r.Index)],
                    [
                        .. row.Index()
                            .Where(r => r.Index + by >= 0 && r.Index + by < row.Length)
                            .Select(r => (r.Item.Join.A, row[r.Index + by].Join.B)),
                    ],
                    -1,
                    $"the row lies one place over: {Name(row[0].Join.A)} on {Name(row[by > 0 ? 1 : ^1].Join.B)}"
                );
        }

        IEnumerable<Mistake> Sockets(int leg)
        {
            yield return new(number, [], [], leg, $"the contact of {Name(leg)} does not reach its net");
            foreach (int beside in wired.Beside(leg))
                yield return Bridge(leg, beside);
        }
    }
}
