using RustCabin.Core.Care;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Tests.Presses;

/// <summary>How a job stands on the shelf, and what is pressed next.</summary>
public class OnShelfTests
{
    static readonly DateTimeOffset Now = new(2026, 11, 26, 9, 30, 0, TimeSpan.Zero);

    static (AtHand At, OnShelf On) Of(string job, params StockItem[] stock)
    {
        (Pack pack, Job planned) = Demo.Jobs.Single(j => j.Job.Id == job);
        var at = AtHand.Of(Trail.Stations, pack, planned);
        return (at, OnShelf.Of(at, stock, Now));
    }

    [Fact]
    public void A_stop_is_mended_at_the_station_that_tells_it()
    {
        (_, OnShelf on) = Of("slip-3-winter");
        Assert.Equal((ShelfState.Stopped, "Mend the stop", "Memory"), (on.State, on.Press, on.Where.Text));
        Assert.Equal("Two drive one range", on.Words);
    }

    [Fact]
    public void A_reading_that_differs_is_looked_into_at_faults()
    {
        OnShelf on = Demo
            .Jobs.Select(j => OnShelf.Of(AtHand.Of(Trail.Stations, j.Pack, j.Job), [], Now))
            .First(o => o.Where == StationName.Faults);
        Assert.Equal((ShelfState.Stopped, "Find the cause"), (on.State, on.Press));
        Assert.True(char.IsUpper(on.Words[0]));
    }

    /// <summary>
    /// Ticked up to where a part goes in, with its reading, a job waits for the part, and no more once it lies there.
    /// </summary>
    [Fact]
    public void What_the_step_at_hand_takes_and_the_cupboard_has_not_is_waited_for()
    {
        (Pack pack, Job job) = Demo.Jobs.Single(j => j.Job.Id == "slip-7-race");
        var begun = AtHand.Of(Trail.Stations, pack, job);
        Step fit = begun.Sheet.Steps.First(s => s.Id.Act == "fit");
        Step untouched = begun.Sheet.Steps.First(s => s.Id == Acts.Untouched);
        job = begun.Sheet.Steps.TakeWhile(s => s != fit).Aggregate(job, (j, s) => JobEdits.Tick(j, s.Id, true)) with
        {
            Readings =
            [
                new GateReading
                {
                    Gate = untouched.Id,
                    At = "2026-11-26T09:00:00Z",
                    Lines = [.. untouched.Expected!.Lines.Select(l => new SeenLine { Label = l.Label, Bytes = l.Bytes })],
                    Starts = true,
                },
            ],
        };
        var at = AtHand.Of(Trail.Stations, pack, job);
        Assert.Equal(fit.Id, at.Progress.Current!.Step.Id);
        Piece piece = at.Sheet.Stations.SelectMany(s => s.Pieces(at.After)).First(p => p.Step == fit.Id);
        OnShelf bare = OnShelf.Of(at, [], Now);
        Assert.Equal((ShelfState.Waiting, fit.Id), (bare.State, bare.Step));
        Assert.StartsWith(piece.Name, bare.Words, StringComparison.Ordinal);
        var there = new StockItem
        {
            Kind = piece.Kind,
            Item = fit.Instance!.Part.Id,
            Name = piece.Name,
            Count = piece.Count,
        };
        Assert.Equal(ShelfState.AtHand, OnShelf.Of(at, [there], Now).State);
        Assert.Equal(ShelfState.Waiting, OnShelf.Of(at, [there with { Count = piece.Count - 1 }], Now).State);
    }

    [Fact]
    public void A_face_in_its_bath_waits_until_it_is_time_to_look()
    {
        (Pack pack, Job job) = Demo.Jobs.Single(j => j.Job.Build?.Care.Count > 0);
        CareWork bath = job.Build!.Care.First(c => c.Do != CareAct.Hole);
        Job At(string moment) =>
            job with
            {
                Mends = [],
                Build = job.Build with
                {
                    Notes =
                    [
                        new BenchNote
                        {
                            Step = CareStation.StepOf(bath.Id),
                            At = moment,
                            Look = CareLook.In,
                        },
                    ],
                },
            };
        OnShelf On(string moment) => OnShelf.Of(AtHand.Of(Trail.Stations, pack, At(moment)), [], Now);
        var watch = CareWatch.Of(bath, At("2026-11-26T09:29:00Z"), Now);
        Assert.Equal(watch.Next > Now, On("2026-11-26T09:29:00Z").State == ShelfState.Waiting);
        Assert.NotEqual("See when to look", On("2026-11-20T09:29:00Z").Press);
    }

    [Fact]
    public void What_is_planned_and_not_begun_can_start_and_what_is_begun_is_at_hand()
    {
        foreach ((Pack pack, Job job) in Demo.Jobs)
        {
            var at = AtHand.Of(Trail.Stations, pack, job);
            OnShelf on = OnShelf.Of(at, [], Now);
            if (on.State is ShelfState.Ready)
                Assert.Equal((0, "Start the build"), (at.Progress.DoneCount, on.Press));
            if (on.State is ShelfState.AtHand)
                Assert.True(at.Progress.DoneCount > 0);
        }
    }
}
