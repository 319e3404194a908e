using RustCabin.Core;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Data.Tests;

/// <summary>
/// Ticks in random order, each kept in the file: the cupboard holds what it held, less what lies fitted, and more what came
/// out. Source: docs/handbook/build.md, What a reading was taken on.
/// </summary>
public sealed class RandomTicksTests : IDisposable
{
    const string Winter = "slip-3-winter";
    const int Enough = 50;
    readonly TestCabin _cabin = new();
    StockRepository Stock => new(_cabin.File, TimeProvider.System);

    public void Dispose() => _cabin.Dispose();

    IReadOnlyList<Piece> Pieces =>
        Plan.For(_cabin.Sheets.All() with { Jobs = [Job.Job] }, Job.Job) is var plan
            ? [.. Trail.Stations.SelectMany(s => s.Pieces(plan))]
            : [];

    StoredJob Job => _cabin.Jobs.Find(Winter)!;

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void The_cupboard_agrees_with_a_plain_list_of_what_was_ticked(int seed)
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        Fill();
        var random = new Random(seed);
        var ticked = new HashSet<StepId>();
        int taken = 0;
        for (int press = 0; press < 60; press++)
        {
            Press(random, ticked);
            taken += Holds(ticked);
        }
        Assert.True(taken > 30, $"{taken} pieces were met out of the cupboard");
    }

    /// <summary>Plenty of all that the plan takes out of the cupboard.</summary>
    void Fill()
    {
        foreach (Piece piece in Pieces.Where(p => !p.Comes).DistinctBy(p => (p.Kind, p.Item)))
            Stock.Add(
                new StockItem
                {
                    Kind = piece.Kind,
                    Item = piece.Item,
                    Name = piece.Name,
                    Count = Enough,
                }
            );
    }

    /// <summary>One press: the step at hand is done, what is read agrees, or something done is taken back or undone.</summary>
    void Press(Random random, HashSet<StepId> ticked)
    {
        var at = AtHand.Of(Trail.Stations, _cabin.Sheets.All(), Job.Job) with { Moment = "2026-11-26T10:00:00Z" };
        if (random.Next(5) == 0 && ticked.Count > 0)
        {
            StepId back = ticked.ElementAt(random.Next(ticked.Count));
            Write(Ticking.Tick(at, back, false, null, null), () => ticked.Remove(back));
            return;
        }
        if (at.Progress.Current is not { } here)
            return;
        if (!here.AllHeeded)
            Write(Ticking.Heed(at, here.Step.Id, [.. here.Step.Cautions.Select(c => c.Id)], true), () => { });
        else if (here.Step.Kind == StepKind.Gate)
            Write(
                here.Step.Expected!.Lines.Count == 0
                    ? Readings.Starts(at, here.Step.Id, true, false)
                    : Readings.Read(at, here.Step.Id, [.. here.Step.Expected.Lines.Select(l => l.Bytes.ToSheet())], false),
                () => { }
            );
        else
            Write(Ticking.Tick(at, here.Step.Id, true, null, "seen"), () => ticked.Add(here.Step.Id));
    }

    void Write(Press<Job> press, Action then)
    {
        if (press.Edit is null)
            return;
        Assert.Equal(WriteResult.Written, _cabin.Jobs.Change(Winter, Job.Version, press.What, press.Edit).Result);
        then();
    }

    /// <summary>How many pieces are out of the cupboard; each kind agrees with the plain list.</summary>
    int Holds(HashSet<StepId> ticked)
    {
        int taken = 0;
        IReadOnlyList<Piece> pieces = Pieces;
        foreach (StoredStock stock in Stock.All())
        {
            Piece[] here = [.. pieces.Where(p => p.Is(stock.Item) && ticked.Contains(p.Step))];
            int came = here.Where(p => p.Comes).Sum(p => p.Count),
                left = here.Where(p => !p.Comes).Sum(p => p.Count),
                began = pieces.Any(p => !p.Comes && p.Is(stock.Item)) ? Enough : 0;
            Assert.Equal(began + came - left, stock.Item.Count);
            taken += left;
        }
        return taken;
    }
}
