using System.Numerics;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Wiring;

/// <summary>
/// Speeds of serial lines against a search over all divisors, garbled text against a second reckoning in whole parts.
/// </summary>
public sealed class SerialLineTests
{
    [Fact]
    public void The_divisor_is_the_nearest_of_all_and_of_two_the_lower()
    {
        for (int seed = 0; seed < 2000; seed++)
        {
            var random = new Random(seed);
            LineEnd End() =>
                new()
                {
                    ClockHz = random.Next(1, 4_000_000),
                    Divide = new[] { 1, 4, 16, 64 }[random.Next(4)],
                    Least = random.Next(1, 4),
                    Most = random.Next(4, 300),
                };
            (LineEnd a, LineEnd b) = (End(), End());
            decimal wanted = random.Next(50, 60_000);
            LineSpeed found = LineSpeeds
                .Of(
                    new SpeedsAsked
                    {
                        A = a,
                        B = b,
                        Wants = [wanted],
                    }
                )
                .Speeds[0];
            decimal SpeedOf(LineEnd end, int d) => end.ClockHz / (end.Divide * d);
            int Nearest(LineEnd end) =>
                Enumerable.Range(end.Least, end.Most - end.Least + 1).MinBy(d => Math.Abs(SpeedOf(end, d) - wanted));
            (int da, int db) = (Nearest(a), Nearest(b));
            Assert.Equal((da, db), (found.A.Divisor, found.B.Divisor));
            double sa = (double)SpeedOf(a, da),
                sb = (double)SpeedOf(b, db);
            Assert.Equal((sa - (double)wanted) / (double)wanted, found.A.Error, 1e-9);
            Assert.Equal(Math.Abs(sa - sb) / sb, found.Apart, 1e-9);
        }
        // A tie: 100 / 1 and 100 / 2 are as far from 75.
        LineEnd tie = new()
        {
            ClockHz = 100,
            Divide = 1,
            Least = 1,
            Most = 9,
        };
        Assert.Equal(
            1,
            LineSpeeds
                .Of(
                    new SpeedsAsked
                    {
                        A = tie,
                        B = tie,
                        Wants = [75],
                    }
                )
                .Speeds[0]
                .A.Divisor
        );
    }

    [Fact]
    public void Five_hundred_random_settings_are_found_again()
    {
        string[] parities = ["none", "even", "odd"];
        decimal[] speeds = [300, 1200, 2400, 4800, 9600, 9615.5m, 19200];
        for (int seed = 0; seed < 500; seed++)
        {
            var random = new Random(seed);
            string sent = string.Concat(Enumerable.Range(0, random.Next(1, 20)).Select(_ => (char)random.Next(32, 127)));
            LineSetting from = new()
            {
                Speed = speeds[random.Next(speeds.Length)],
                Bits = random.Next(7, 9),
                Parity = (Parity)random.Next(3),
            };
            (decimal speed, int bits, string parity, bool inverted) = (
                speeds[random.Next(speeds.Length)],
                random.Next(7, 9),
                parities[random.Next(3)],
                random.Next(2) == 0
            );
            byte[] got = Received(sent, from, speed, bits, parity != "none", inverted);
            Garbled found = Garbled.Of(
                new GarbledAsked
                {
                    Sent = sent,
                    From = from,
                    Got = Convert.ToHexString(got),
                    Tried = new TriedSettings
                    {
                        Speeds = speeds,
                        Bits = [7, 8],
                        Parities = parities,
                        Inverted = [false, true],
                    },
                }
            );
            Assert.Contains(new ExplainedBy(speed, bits, parity, inverted), found.Explains);
            Assert.All(
                found.Explains,
                e => Assert.Equal(got, Received(sent, from, e.Speed, e.Bits, e.Parity != "none", e.Inverted))
            );
        }
    }

    /// <summary>
    /// The same in whole numbers: time in parts of which both bits have a whole count, the line looked up by each.
    /// </summary>
    static byte[] Received(string sent, LineSetting from, decimal speed, int bits, bool parity, bool inverted)
    {
        List<int> line = [];
        foreach (char c in sent)
        {
            int[] data = [.. Enumerable.Range(0, from.Bits).Select(i => c >> i & 1)];
            line.AddRange([0, .. data]);
            if (from.Parity != Parity.None)
                line.Add((data.Sum() + (from.Parity == Parity.Odd ? 1 : 0)) % 2);
            line.Add(1);
        }
        BigInteger bit = 2 * (BigInteger)(speed * 10),
            half = (BigInteger)(from.Speed * 10),
            end = line.Count * bit;
        int At(BigInteger t) => (t >= end ? 1 : line[(int)(t / bit)]) ^ (inverted ? 1 : 0);
        var got = new List<byte>();
        BigInteger now = 0;
        bool start = false;
        while (now < end)
        {
            if (!start && At(now) == 1)
            {
                now = (now / bit + 1) * bit;
                continue;
            }
            BigInteger middle = start ? now : now + half;
            int value = 0;
            for (int i = 1; i <= bits; i++)
                value |= At(middle + 2 * i * half) << (i - 1);
            got.Add((byte)value);
            now = middle + 2 * (bits + 1 + (parity ? 1 : 0)) * half;
            start = now < end && At(now) == 0;
        }
        return [.. got];
    }

    [Fact]
    public void A_line_of_the_right_setting_reads_as_it_was_sent()
    {
        foreach (Parity parity in Enum.GetValues<Parity>())
            Assert.Equal("Hello"u8.ToArray(), new SentLine("Hello", 8, parity).Seen(9600, 9600, 8, parity != Parity.None, false));
        Assert.Equal("even", Words<Parity>.Of(Parity.Even));
    }
}
