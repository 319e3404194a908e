using System.Diagnostics;
using RustCabin.Core.Units;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Tests.Choices;

/// <summary>A solver ends with whoever asked, at whatever moment they go. Source: docs/security.md, Heavy work.</summary>
public class SolvingTests
{
    /// <summary>Sixteen boards that are far from decided within a minute.</summary>
    static ChainAsked Long =>
        new()
        {
            Source = [.. Enumerable.Range(0, 16).Select(i => i % 3 == 0 ? "GND" : $"s{i}")],
            Boards =
            [
                .. Enumerable
                    .Range(0, 16)
                    .Select(b => new ChainBoard
                    {
                        Name = $"b{b}",
                        Wants = [.. Enumerable.Range(0, 16).Select(i => (i + b) % 4 == 0 ? "n" : $"s{(i * 5 + b * 7) % 16}")],
                    }),
            ],
        };

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(4)]
    [InlineData(16)]
    [InlineData(64)]
    public void It_stops_when_whoever_asked_goes_before_it_has_begun_or_after(int ms)
    {
        using var gone = new CancellationTokenSource();
        using var budget = new Budget(TimeSpan.FromMinutes(2), 1L << 40, gone.Token);
        gone.CancelAfter(ms);
        var clock = Stopwatch.StartNew();
        Assert.ThrowsAny<OperationCanceledException>(() => Chain.Of(Long, TimeSpan.FromMinutes(1)));
        // A stop that is not heard costs the whole minute; one that is heard, what a starved machine takes to get round to it.
        Assert.InRange(clock.Elapsed.TotalSeconds, 0, 20);
    }

    [Fact]
    public void Whoever_has_gone_before_is_not_solved_for()
    {
        using var budget = new Budget(TimeSpan.FromMinutes(2), 1L << 40, new CancellationToken(canceled: true));
        var clock = Stopwatch.StartNew();
        Assert.ThrowsAny<OperationCanceledException>(() => Chain.Of(Long, TimeSpan.FromMinutes(1)));
        Assert.InRange(clock.Elapsed.TotalSeconds, 0, 20);
    }
}
