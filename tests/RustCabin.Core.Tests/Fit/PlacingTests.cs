using RustCabin.Core.Fit;

namespace RustCabin.Core.Tests.Fit;

/// <summary>Places in a case against a search over all pairs of corners.</summary>
public sealed class PlacingTests
{
    [Fact]
    public void Two_thousand_random_cases_agree_with_a_search_of_all_corners()
    {
        int many = 0;
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new Random(seed);
            decimal Mm(int least, int most) => random.Next(least * 2, most * 2) / 2m;
            PlaceAsked asked = new()
            {
                Area = new PlaceSize { W = Mm(10, 40), H = Mm(10, 40) },
                Taken =
                [
                    .. Enumerable
                        .Range(0, random.Next(5))
                        .Select(_ => new TakenPlace
                        {
                            X = Mm(-4, 40),
                            Y = Mm(-4, 40),
                            W = Mm(1, 15),
                            H = Mm(1, 15),
                        }),
                ],
                Board = new PlacedBoard
                {
                    W = Mm(2, 14),
                    H = Mm(2, 14),
                    Turn = random.Next(2) == 0,
                    Margin = random.Next(3) / 2m,
                },
                From = random.Next(2) == 0 ? new PlacePoint { X = Mm(0, 40), Y = Mm(0, 40) } : null,
                Reach = random.Next(2) == 0 ? Mm(1, 30) : null,
            };
            Placing found = Placing.Of(asked);
            (decimal X, decimal Y, bool Turned, decimal Far)[] expected = [.. Search(asked)];
            Assert.Equal(expected.Length, found.Count);
            Assert.Equal(
                expected
                    .OrderBy(p => p.Far)
                    .ThenBy(p => p.Y)
                    .ThenBy(p => p.X)
                    .ThenBy(p => p.Turned)
                    .Take(100)
                    .Select(p => (p.X, p.Y, p.Turned)),
                found.Places.Select(p => (p.X, p.Y, p.Turned))
            );
            Assert.All(found.Places, p => Assert.Equal(asked.From is null, p.Distance is null));
            many += found.Count;
        }
        Assert.True(many > 10_000);
    }

    static IEnumerable<(decimal, decimal, bool, decimal)> Search(PlaceAsked asked)
    {
        PlacedBoard board = asked.Board;
        foreach (bool turned in (bool[])[false, true])
        {
            if (turned && (!board.Turn || board.W == board.H))
                continue;
            (decimal w, decimal h) = turned ? (board.H, board.W) : (board.W, board.H);
            List<decimal> xs = [0, asked.Area.W - w],
                ys = [0, asked.Area.H - h];
            foreach (TakenPlace t in asked.Taken)
            {
                xs.AddRange([t.X - board.Margin - w, t.X + t.W + board.Margin]);
                ys.AddRange([t.Y - board.Margin - h, t.Y + t.H + board.Margin]);
            }
            if (asked.From is { } from)
            {
                xs.AddRange([from.X - w, from.X]);
                ys.AddRange([from.Y - h, from.Y]);
            }
            foreach (decimal x in xs.Distinct())
            foreach (decimal y in ys.Distinct())
            {
                if (x < 0 || y < 0 || x + w > asked.Area.W || y + h > asked.Area.H)
                    continue;
                bool free = asked.Taken.All(t =>
                    x >= t.X + t.W + board.Margin
                    || x + w <= t.X - board.Margin
                    || y >= t.Y + t.H + board.Margin
                    || y + h <= t.Y - board.Margin
                );
                decimal dx = asked.From is { } a ? Math.Clamp(a.X, x, x + w) - a.X : 0,
                    dy = asked.From is { } b ? Math.Clamp(b.Y, y, y + h) - b.Y : 0,
                    far = dx * dx + dy * dy;
                if (free && (asked.From is null || asked.Reach is not { } reach || far <= reach * reach))
                    yield return (x, y, turned, far);
            }
        }
    }

    [Fact]
    public void Two_hundred_things_and_a_lead_take_no_time()
    {
        var random = new Random(1);
        PlaceAsked asked = new()
        {
            Area = new PlaceSize { W = 1000, H = 1000 },
            Taken =
            [
                .. Enumerable
                    .Range(0, 200)
                    .Select(_ => new TakenPlace
                    {
                        X = random.Next(990),
                        Y = random.Next(990),
                        W = 3,
                        H = 3,
                    }),
            ],
            Board = new PlacedBoard
            {
                W = 30,
                H = 20,
                Turn = true,
            },
            From = new PlacePoint { X = 500, Y = 500 },
        };
        double ms = RustCabin.Tests.Shared.Pace.Ms(() => Placing.Of(asked), 500);
        Assert.True(ms < 500, $"{ms:0} ms");
        Assert.Equal(100, Placing.Of(asked).Places.Count);
    }
}
