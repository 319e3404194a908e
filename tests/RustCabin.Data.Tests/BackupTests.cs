using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Cupboard;

namespace RustCabin.Data.Tests;

/// <summary>The cabin copied while it is open, and put back.</summary>
public sealed class BackupTests : IDisposable
{
    readonly TestCabin _cabin = new();

    public void Dispose() => _cabin.Dispose();

    string Home => Path.GetDirectoryName(_cabin.Path)!;
    string Copy => Path.Combine(Home, "copy.db");
    Backup Backup => new(_cabin.File, TimeProvider.System);

    [Fact]
    public async Task Taken_during_writes_it_restores_whole()
    {
        _cabin.Bring(TestCabin.Slipway);
        var stock = new StockRepository(_cabin.File, TimeProvider.System);
        using var stop = new CancellationTokenSource();
        int written = 0;
        var writer = Task.Run(() =>
        {
            while (!stop.IsCancellationRequested)
            {
                stock.Add(
                    new StockItem
                    {
                        Kind = StockKind.Other,
                        Name = $"thing {written}",
                        Count = 1,
                    }
                );
                Interlocked.Increment(ref written);
            }
        });
        while (Volatile.Read(ref written) < 20)
            await Task.Delay(5);
        int before = Volatile.Read(ref written);
        Backup.To(Copy);
        await stop.CancelAsync();
        await writer;

        string home = Path.Combine(Home, "elsewhere");
        Assert.Null(Backup.Restore(Copy, home, TimeProvider.System));
        CabinFile restored = CabinFile.Open(Path.Combine(home, "cabin.db"));
        Assert.Null(restored.Damage());
        int things = new StockRepository(restored, TimeProvider.System).All().Count;
        Assert.InRange(things, before, written);
        Assert.NotNull(
            new JobRepository(restored, new SheetRepository(restored, TimeProvider.System), TimeProvider.System).Find(
                "slip-3-winter"
            )
        );
    }

    [Fact]
    public void A_damaged_one_is_refused_and_the_old_stays()
    {
        _cabin.Bring(TestCabin.Slipway);
        Backup.To(Copy);
        byte[] bytes = File.ReadAllBytes(Copy);
        for (int i = bytes.Length / 3; i < bytes.Length / 3 + 40_000; i++)
            bytes[i] = 0x5A;
        File.WriteAllBytes(Copy, bytes);
        SqliteConnection.ClearAllPools();
        byte[] old = File.ReadAllBytes(_cabin.Path);
        CabinFileException problem = Assert.Throws<CabinFileException>(() => Backup.Restore(Copy, Home, TimeProvider.System));
        Assert.Contains("nothing was changed", problem.Message);
        Assert.Equal(old, File.ReadAllBytes(_cabin.Path));
        Assert.DoesNotContain(Directory.GetFiles(Home), f => f.Contains("restoring", StringComparison.Ordinal));
        _cabin.Reopen();
        Assert.NotNull(_cabin.Jobs.Find("slip-3-winter"));
    }

    [Theory]
    [InlineData("a letter to nobody, long enough to be looked at as a file of some kind")]
    [InlineData("")]
    public void What_is_no_cabin_is_refused(string text)
    {
        string letter = Path.Combine(Home, "letter");
        File.WriteAllText(letter, text);
        CabinFileException problem = Assert.Throws<CabinFileException>(() => Backup.Restore(letter, Home, TimeProvider.System));
        Assert.Contains("nothing was changed", problem.Message);
    }

    /// <summary>Rows that no cabin writes: a media type of one's own, a change of a job that is not there.</summary>
    [Theory]
    [InlineData("insert into photo (unit, at, kind, note, bytes) values ('slip-7', '2026', 'text/html', '', x'00')")]
    [InlineData("update job_change set job = 'nobody'")]
    public void What_breaks_its_own_rules_is_refused(string sql)
    {
        _cabin.Bring(TestCabin.Slipway);
        Backup.To(Copy);
        using (SqliteConnection copy = new($"Data Source={Copy};Pooling=False;Foreign Keys=False"))
        {
            copy.Open();
            copy.Execute("pragma ignore_check_constraints = on");
            copy.Execute(sql);
        }
        CabinFileException problem = Assert.Throws<CabinFileException>(() => Backup.Restore(Copy, Home, TimeProvider.System));
        Assert.Contains("nothing was changed", problem.Message);
        Assert.StartsWith(Copy, problem.Message);
    }

    [Fact]
    public void Restored_over_a_cabin_the_old_one_is_kept_aside()
    {
        Backup.To(Copy);
        _cabin.Bring(TestCabin.Slipway);
        SqliteConnection.ClearAllPools();
        string aside = Backup.Restore(Copy, Home, TimeProvider.System)!;
        _cabin.Reopen();
        Assert.Null(_cabin.Jobs.Find("slip-3-winter"));
        CabinFile old = CabinFile.Open(aside);
        Assert.NotNull(
            new JobRepository(old, new SheetRepository(old, TimeProvider.System), TimeProvider.System).Find("slip-3-winter")
        );
    }

    [Fact]
    public void One_is_due_after_more_than_ten_changes_and_a_week()
    {
        DateTimeOffset now = DateTimeOffset.UnixEpoch.AddYears(50);
        Assert.True(new BackupState(null, 11, now.AddDays(-8)).IsDue(now));
        Assert.False(new BackupState(null, 10, now.AddDays(-8)).IsDue(now));
        Assert.False(new BackupState(null, 11, now.AddDays(-7)).IsDue(now));
        Assert.False(new BackupState(null, 11, null).IsDue(now));

        _cabin.Bring(TestCabin.Slipway);
        BackupState never = Backup.State();
        Assert.Null(never.Last);
        Assert.NotNull(never.Since);
        Assert.True(never.ChangesSince > 0);
        Backup.To(Copy);
        Assert.Equal(0, Backup.State().ChangesSince);
        Assert.NotNull(Backup.State().Last);
    }

    [Fact]
    public void It_never_writes_over_a_file()
    {
        File.WriteAllText(Copy, "mine");
        Assert.Throws<CabinFileException>(() => Backup.To(Copy));
        Assert.Equal("mine", File.ReadAllText(Copy));
    }

    [Fact]
    public void An_erased_photo_is_not_in_the_file_any_more()
    {
        byte[] mark = [.. Enumerable.Range(0, 4000).Select(i => (byte)(i * 7 % 251))];
        var photos = new PhotoRepository(_cabin.File, TimeProvider.System);
        long id;
        using (SqliteConnection connection = _cabin.File.Connect())
            id = connection.QuerySingle<long>(
                "insert into photo (unit, at, kind, note, bytes) values ('u', '2026-01-01', 'image/png', '', @mark) returning id",
                new { mark }
            );
        Assert.False(photos.Erase("u", id), "it is still on the page");
        photos.Hide("u", id, true);
        _cabin.File.Checkpoint();
        Assert.True(Holds(mark));
        Assert.True(photos.Erase("u", id));
        Assert.False(Holds(mark));
        Assert.Empty(photos.Of("u"));
    }

    bool Holds(byte[] mark)
    {
        SqliteConnection.ClearAllPools();
        return File.ReadAllBytes(_cabin.Path).AsSpan().IndexOf(mark.AsSpan(0, 500)) >= 0;
    }
}
