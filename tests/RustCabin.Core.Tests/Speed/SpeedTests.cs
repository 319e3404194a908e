using RustCabin.Core.Speed;

namespace RustCabin.Core.Tests.Speed;

public class SpeedTests
{
    [Fact]
    public void Parts_of_the_work_speed_up_apart()
    {
        // 80 s + 15 s + 5 s, sped up 4, 1.5 and 1 -> 20 + 10 + 5 = 35 s: x2.86, not x4. Source: domain.md, section 6.
        SpeedForecast forecast = SpeedForecast.Of(new Work([new("processor", 80, 4), new("memory", 15, 1.5m), new("storage", 5, 1)], [], []));
        Assert.Equal(35, forecast.PredictedSeconds);
        Assert.Equal(2.857m, Math.Round(forecast.PredictedRatio!.Value, 3));
        Assert.Null(forecast.MeasuredRatio);
        Assert.Null(forecast.Spread);
    }

    [Fact]
    public void Measured_is_the_ratio_of_the_medians_with_the_spread_of_single_runs()
    {
        SpeedForecast forecast = SpeedForecast.Of(new Work([], [100, 104, 98], [40, 50, 42, 44]));
        Assert.Equal(100m / 43m, forecast.MeasuredRatio);
        Assert.Equal((98m / 50m, 104m / 40m), forecast.Spread);
        Assert.Null(forecast.PredictedRatio);
    }

    [Fact]
    public void One_side_alone_is_no_measurement() => Assert.Null(SpeedForecast.Of(new Work([], [1], [])).MeasuredRatio);
}
