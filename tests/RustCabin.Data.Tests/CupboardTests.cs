using RustCabin.Core.Cupboard;

namespace RustCabin.Data.Tests;

public sealed class CupboardTests : IDisposable
{
    readonly TestCabin _cabin = new();
    StockRepository Stock => new(_cabin.File, TimeProvider.System);

    public void Dispose() => _cabin.Dispose();

    static readonly StockItem Tube = new()
    {
        Kind = StockKind.Chip,
        Item = "64Kx1",
        Name = "64Kx1 DRAM",
        Count = 18,
        Price = 1.20m,
        Place = "tube rack",
        Tested = true,
    };

    [Fact]
    public void What_is_put_in_stays_and_every_change_can_be_undone_the_latest_first()
    {
        long id = Stock.Add(Tube);
        Assert.Equal(WriteResult.Written, Stock.Put(id, 1, "to 17", Tube with { Count = 17 }));
        Assert.Equal(WriteResult.Written, Stock.Put(id, 2, "out", null));
        Assert.Empty(Stock.All());
        _cabin.Reopen();
        (long last, string what) = Stock.Undoes()!.Value;
        Assert.Equal("out", what);
        Assert.Equal(WriteResult.Written, Stock.Undo(last));
        Assert.Equal(WriteResult.Stale, Stock.Undo(last));
        Assert.Equal(17, Assert.Single(Stock.All()).Item.Count);
        Assert.Equal(WriteResult.Written, Stock.Undo(Stock.Undoes()!.Value.Change));
        Assert.Equal(Tube, Stock.Find(id)!.Item);
        Assert.Equal(WriteResult.Written, Stock.Undo(Stock.Undoes()!.Value.Change));
        Assert.Empty(Stock.All());
        Assert.Null(Stock.Undoes());
        Assert.Equal(WriteResult.Nothing, Stock.Undo(0));
    }

    [Fact]
    public void A_tab_that_saw_an_older_state_does_not_overwrite()
    {
        long id = Stock.Add(Tube);
        Assert.Equal(WriteResult.Written, Stock.Put(id, 1, "one", Tube with { Count = 1 }));
        Assert.Equal(WriteResult.Stale, Stock.Put(id, 1, "two", Tube with { Count = 2 }));
        Assert.Equal(WriteResult.Missing, Stock.Put(id + 1, 1, "x", Tube));
        Assert.Equal(WriteResult.Nothing, Stock.Put(id, 2, "same", Tube with { Count = 1 }));
        Assert.Equal(1, Stock.Find(id)!.Item.Count);
    }

    [Fact]
    public void What_came_after_is_not_overwritten_by_bringing_something_back()
    {
        long id = Stock.Add(Tube);
        Stock.Put(id, 1, "out", null);
        long later = Stock.Add(Tube with { Name = "other" });
        Assert.NotEqual(id, later);
    }

    [Fact]
    public void Drafts_are_kept_state_by_state_and_two_tabs_do_not_overwrite_each_other()
    {
        var drafts = new DraftRepository(_cabin.File, TimeProvider.System);
        Assert.Equal(WriteResult.Written, drafts.Add("model", "new", 0, "begun", "{}"));
        Assert.Equal(WriteResult.Stale, drafts.Add("model", "new", 0, "again", "{}"));
        Assert.Equal(WriteResult.Written, drafts.Add("model", "new", 1, "named", "{\"a\":1}"));
        _cabin.Reopen();
        drafts = new DraftRepository(_cabin.File, TimeProvider.System);
        Assert.Equal("named", drafts.Find("model", "new")!.What);
        Assert.Equal(WriteResult.Stale, drafts.Undo("model", "new", 1));
        Assert.Equal(WriteResult.Written, drafts.Undo("model", "new", 2));
        Assert.Equal("{}", drafts.Find("model", "new")!.Json);
        drafts.Forget("model", "new");
        Assert.Empty(drafts.All());
    }

    [Fact]
    public void A_unit_keeps_its_pictures_and_takes_none_for_good()
    {
        var photos = new PhotoRepository(_cabin.File, TimeProvider.System);
        var photo = new Core.Baseline.Photo(Core.Baseline.PhotoKind.Png, [1, 2, 3]);
        long id = photos.Add("u", photo, "lid")!.Value;
        Assert.Equal(("image/png", new byte[] { 1, 2, 3 }), photos.Find("u", id));
        Assert.Null(photos.Find("other", id));
        photos.Hide("u", id, true);
        Assert.True(Assert.Single(photos.Of("u")).Hidden);
        for (int i = 1; i < PhotoRepository.MostOfUnit; i++)
            Assert.NotNull(photos.Add("u", photo, ""));
        Assert.Null(photos.Add("u", photo, "one too many"));
    }
}
