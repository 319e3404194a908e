using RustCabin.Core.Pasted;

namespace RustCabin.Core.Tests.Pasted;

/// <summary>Two guides held against each other, by hand and against a plain search of all pairs.</summary>
public sealed class ActsComparedTests
{
    static ActsCompared Of(string a, string b) => ActsCompared.Of(Acts(a), Acts(b));

    static GuideAct[] Acts(string text) =>
        [.. Paste.Of(new PasteAsked { Text = text, As = PasteKind.Acts }).Lines.SelectMany(l => l.Read.Cast<GuideAct>())];

    static string Pairs(ActsCompared c) => string.Join(" ", c.Both.Select(p => $"{p[0]}-{p[1]}"));

    [Fact]
    public void Ends_have_no_order_and_lifts_are_compared_leg_by_leg()
    {
        ActsCompared found = Of(
            "lift pins 4, 5 and 6 of U7\nwire TP1 to TP2\ncut between R1 and R2\nremove C4",
            "cut between R2 and R1\nlift U7.5\nwire TP2 to TP1, 40 mm, red\nlift U7.4"
        );
        Assert.Equal("0-1 0-3 1-2 2-0", Pairs(found));
        Assert.Equal([0, 3], found.OnlyA);
        Assert.Empty(found.OnlyB);
        Assert.Empty(found.Against);
    }

    [Fact]
    public void Rivals_lifted_legs_and_cuts_are_against_each_other()
    {
        ActsAgainst rival = Assert.Single(Of("wire U7.45 to TP3", "wire U7.45 to TP4").Against);
        Assert.Equal((0, 0, new ActsReading("TP3", "TP4")), (rival.A, rival.B, rival.Reading));
        Assert.Empty(Of("wire U7.45 to TP3\nwire TP3 to TP4", "wire U7.45 to TP4").Against);
        Assert.Empty(Of("wire GND to TP3", "wire GND to TP4").Against);

        ActsCompared lifted = Of("lift U7.45\nwire U7.45 to TP3", "wire U7.45 to TP3");
        ActsAgainst leg = Assert.Single(lifted.Against);
        Assert.Equal((0, 0, new ActsReading("U7.45", "U7.45p")), (leg.A, leg.B, leg.Reading));
        Assert.Equal("1-0", Pairs(lifted));
        Assert.Equal([0], lifted.OnlyA);

        ActsAgainst cut = Assert.Single(Of("wire R1 to R2", "cut between R2 and R1").Against);
        Assert.Equal((0, 0), (cut.A, cut.B));
    }

    [Fact]
    public void A_thousand_random_pairs_of_guides_agree_with_a_search_of_all_pairs()
    {
        int against = 0,
            both = 0;
        for (int seed = 0; seed < 1000; seed++)
        {
            var random = new Random(seed);
            GuideAct[] a = Guide(random),
                b = Guide(random);
            ActsCompared found = ActsCompared.Of(a, b);
            (string, int)[] expected = [.. Against(a, b).Distinct().Order()];
            Assert.Equal(expected, found.Against.Select(x => ($"{x.A}-{x.B}", 0)).Distinct().Order());
            (against, both) = (against + expected.Length, both + found.Both.Count);
            // Each act is told somewhere, and one of both guides in nothing else but lifts and contradictions.
            Assert.Equal(
                a.Length,
                found.Both.Select(p => p[0]).Concat(found.OnlyA).Concat(found.Against.Select(x => x.A)).Distinct().Count()
            );
            Assert.Equal(
                b.Length,
                found.Both.Select(p => p[1]).Concat(found.OnlyB).Concat(found.Against.Select(x => x.B)).Distinct().Count()
            );
            Assert.DoesNotContain(
                found.OnlyA,
                i => a[i] is not LiftAct && (found.Both.Any(p => p[0] == i) || found.Against.Any(x => x.A == i))
            );
            Assert.All(found.Both, p => Assert.True(Same(a[p[0]], b[p[1]])));
        }
        Assert.True(against > 300 && both > 300, $"{against} against, {both} in both");
    }

    static GuideAct[] Guide(Random random)
    {
        string Place() =>
            random.Next(3) == 0 ? $"U1.{random.Next(1, 5)}" : new[] { "TP1", "TP2", "TP3", "R1", "GND" }[random.Next(5)];
        (string, string) Two()
        {
            string a = Place(),
                b = Place();
            return a == b ? Two() : (a, b);
        }
        return
        [
            .. Enumerable
                .Range(0, random.Next(1, 8))
                .Select(_ =>
                    random.Next(4) switch
                    {
                        0 => new LiftAct("U1", [.. Enumerable.Range(1, 4).Where(_ => random.Next(2) == 0).DefaultIfEmpty(1)]),
                        1 => Two() is var (a, b) ? new CutAct([a, b]) : null!,
                        2 => (GuideAct)new PointAct("remove", Place()),
                        _ => Two() is var (a, b) ? new WireAct(a, b, random.Next(90), null) : null!,
                    }
                ),
        ];
    }

    static HashSet<string> Ends(WireAct w) => [w.From, w.To];

    static bool Same(GuideAct a, GuideAct b) =>
        (a, b) switch
        {
            (LiftAct x, LiftAct y) => x.Pins.Any(y.Pins.Contains),
            (WireAct x, WireAct y) => Ends(x).SetEquals(Ends(y)),
            (CutAct x, CutAct y) => x.Between.ToHashSet().SetEquals(y.Between),
            (PointAct x, PointAct y) => x == y,
            _ => false,
        };

    static bool Joined(GuideAct[] acts, string a, string b)
    {
        HashSet<string> reached = [a];
        while (acts.OfType<WireAct>().FirstOrDefault(w => reached.Contains(w.From) != reached.Contains(w.To)) is { } next)
            reached.UnionWith([next.From, next.To]);
        return reached.Contains(b);
    }

    static IEnumerable<(string, int)> Against(GuideAct[] a, GuideAct[] b)
    {
        bool InBoth(GuideAct act, GuideAct[] other) => other.Any(o => Same(act, o));
        for (int i = 0; i < a.Length; i++)
        for (int j = 0; j < b.Length; j++)
        {
            bool rival =
                a[i] is WireAct x
                && b[j] is WireAct y
                && Ends(x).Intersect(Ends(y)).ToArray() is [var shared]
                && shared != "GND"
                && !(InBoth(x, b) && InBoth(y, a))
                && (x.From == shared ? x.To : x.From) is var p
                && (y.From == shared ? y.To : y.From) is var q
                && !Joined(a, p, q)
                && !Joined(b, p, q);
            bool Lifted(GuideAct lift, GuideAct wire, GuideAct[] there) =>
                lift is LiftAct l
                && wire is WireAct w
                && l.Pins.Any(n => Ends(w).Contains($"U1.{n}") && !there.OfType<LiftAct>().Any(o => o.Pins.Contains(n)));
            bool Cut(GuideAct cut, GuideAct wire, GuideAct[] there) =>
                cut is CutAct c && wire is WireAct w && c.Between.ToHashSet().SetEquals(Ends(w)) && !InBoth(c, there);
            // Of wires that are the same twice the first is named.
            bool first(GuideAct[] all, int at) => Array.FindIndex(all, o => Same(o, all[at])) == at;
            if (
                rival
                || Lifted(a[i], b[j], b)
                || Lifted(b[j], a[i], a)
                || (Cut(a[i], b[j], b) && first(b, j))
                || (Cut(b[j], a[i], a) && first(a, i))
            )
                yield return ($"{i}-{j}", 0);
        }
    }
}
