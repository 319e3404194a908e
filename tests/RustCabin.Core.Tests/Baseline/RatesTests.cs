using System.Numerics;
using MathNet.Numerics.Distributions;
using RustCabin.Core.Baseline;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Tests.Baseline;

/// <summary>Counted starts and reports against exact products and against a plain sum over the rates.</summary>
public sealed class RatesTests
{
    static TryCount Of(int works, int tries) => new() { Works = works, Tries = tries };

    [Theory]
    [InlineData(7, 10, 0.95, 12L)]
    [InlineData(0, 1, 0.75, 1L)]
    [InlineData(0, 4, 0.5, 1L)]
    [InlineData(10, 10, 0.95, null)]
    [InlineData(0, 0, 0.95, null)]
    public void Clean_tries(int works, int tries, double sure, long? expected) =>
        Assert.Equal(expected, Starts.CleanTriesOf(Of(works, tries), (decimal)sure));

    [Fact]
    public void Two_thousand_counts_agree_with_whole_numbers()
    {
        var random = new Random(3);
        for (int i = 0; i < 2000; i++)
        {
            int tries = random.Next(1, 60),
                works = random.Next(0, tries);
            decimal sure = random.Next(50, 100) / 100m;
            long? found = Starts.CleanTriesOf(Of(works, tries), sure);
            BigInteger above = 1,
                below = 1;
            long n = 0;
            while (n == 0 || above * 100 > below * (BigInteger)((1 - sure) * 100))
            {
                above *= 2 * (works + n) + 1;
                below *= 2 * (tries + 1 + n);
                n++;
                if (n > 5000)
                    break;
            }
            if (n <= 5000)
                Assert.True(found == n, $"{works} of {tries}, {sure}: {found} and not {n}");
        }
    }

    [Fact]
    public void The_chance_that_it_is_better_is_that_of_a_plain_sum()
    {
        var random = new Random(5);
        for (int i = 0; i < 200; i++)
        {
            int before = random.Next(0, 30),
                after = random.Next(0, 30);
            (TryCount was, TryCount now) = (Of(random.Next(0, before + 1), before), Of(random.Next(0, after + 1), after));
            double found = Starts
                .Of(
                    new StartsAsked
                    {
                        Before = was,
                        After = now,
                        Sure = 0.95m,
                    }
                )
                .Better!.Value;
            // Over the angle of the rate, so that nothing is without bound at the ends.
            const int steps = 4000;
            double sum = 0,
                all = 0;
            for (int s = 0; s < steps; s++)
            {
                double angle = (s + 0.5) / steps * Math.PI / 2,
                    weight = Math.Pow(Math.Sin(angle), 2 * now.Works) * Math.Pow(Math.Cos(angle), 2 * (now.Tries - now.Works));
                all += weight;
                sum += weight * Beta.CDF(was.Works + 0.5, was.Tries - was.Works + 0.5, Math.Sin(angle) * Math.Sin(angle));
            }
            Assert.Equal(sum / all, found, 1e-6);
        }
    }

    [Theory]
    [InlineData(0, 1, 500_000, 1_000_000, 0.8183097)]
    [InlineData(500_000, 1_000_000, 500_000, 1_000_000, 0.5)]
    [InlineData(0, 1_000_000, 1_000_000, 1_000_000, 1)]
    public void A_million_tries_are_no_loss(int w, int n, int w2, int n2, double expected) =>
        Assert.Equal(
            expected,
            Starts
                .Of(
                    new StartsAsked
                    {
                        Before = Of(w, n),
                        After = Of(w2, n2),
                        Sure = 0.95m,
                    }
                )
                .Better!.Value,
            1e-6
        );

    [Fact]
    public void Reports_are_counted_by_thing_and_firmware_and_contradicting_ones_stay()
    {
        Report[] reports =
        [
            new()
            {
                Thing = " card ",
                Firmware = "1.2",
                Works = true,
            },
            new() { Thing = "other", Works = true },
            new()
            {
                Thing = "card",
                Firmware = " ",
                Works = false,
            },
            new()
            {
                Thing = "card",
                Firmware = "1.2 ",
                Works = false,
            },
            new() { Thing = "card", Works = true },
        ];
        IReadOnlyList<ReportRate> rates = ReportRates.Of(new ReportsAsked { Reports = reports }).Rates;
        Assert.Equal(
            ["card 1.2 1/2", "other  1/1", "card  1/2"],
            rates.Select(r => $"{r.Thing} {r.Firmware} {r.Works}/{r.Tries}")
        );
        foreach (ReportRate rate in rates)
        {
            Assert.Equal(0.05, Beta.CDF(rate.Works + 0.5, rate.Tries - rate.Works + 0.5, rate.Low), 1e-9);
            Assert.Equal(0.95, Beta.CDF(rate.Works + 0.5, rate.Tries - rate.Works + 0.5, rate.High), 1e-9);
        }
        Assert.True(rates[0].IsContradicted());
    }

    [Fact]
    public void Quantiles_hold_for_a_thousand_reports()
    {
        foreach ((int works, int tries) in ((int, int)[])[(0, 1000), (1000, 1000), (500, 1000), (1, 1000), (999, 1000)])
        {
            Report[] reports = [.. Enumerable.Range(0, tries).Select(i => new Report { Thing = "x", Works = i < works })];
            ReportRate rate = ReportRates.Of(new ReportsAsked { Reports = reports }).Rates[0];
            // The same by the angle, summed.
            double Share(double rateAt)
            {
                const int steps = 20_000;
                double all = 0,
                    below = 0;
                double top = Math.Atan2(Math.Sqrt(works), Math.Sqrt(tries - works));
                double log(double a) =>
                    (works > 0 ? 2 * works * Math.Log(Math.Sin(a)) : 0)
                    + (tries > works ? 2 * (tries - works) * Math.Log(Math.Cos(a)) : 0);
                for (int s = 0; s < steps; s++)
                {
                    double angle = (s + 0.5) / steps * Math.PI / 2,
                        weight = Math.Exp(log(angle) - log(Math.Clamp(top, 1e-9, Math.PI / 2 - 1e-9)));
                    all += weight;
                    if (Math.Pow(Math.Sin(angle), 2) < rateAt)
                        below += weight;
                }
                return below / all;
            }
            Assert.Equal(0.05, Share(rate.Low), 0.003);
            Assert.Equal(0.95, Share(rate.High), 0.003);
        }
    }
}
