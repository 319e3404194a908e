namespace RustCabin.Data.Tests;

/// <summary>What a repository keeps once it has read it.</summary>
public sealed class KeptTests : IDisposable
{
    const string Winter = "slip-3-winter";
    readonly TestCabin _cabin = new();

    public void Dispose() => _cabin.Dispose();

    StoredJob Job => _cabin.Jobs.Find(Winter)!;

    /// <summary>Names and jobs are kept once read: every way in which they change must show.</summary>
    [Fact]
    public void What_is_kept_follows_a_replacing_import_an_undo_a_change_and_its_taking_back()
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        string Name() => Assert.Single(_cabin.Jobs.Names()).Name;
        Assert.Equal("Winter refit", Name());
        _cabin.Bring(TestCabin.Slipway.Instead("Winter refit", "Spring refit"), replace: true);
        Assert.Equal("Spring refit", Name());
        _cabin.Jobs.Undo(Winter, Job.Version);
        Assert.Equal("Winter refit", Name());
        Assert.Equal(
            WriteResult.Written,
            _cabin.Jobs.Change(Winter, Job.Version, "named", j => j with { Name = "Summer refit" }).Result
        );
        Assert.Equal(("Summer refit", "Summer refit"), (Name(), Job.Job.Name));
        _cabin.Jobs.Undo(Winter, Job.Version);
        _cabin.Jobs.Redo(Winter, Job.Version);
        Assert.Equal("Summer refit", Name());
        Assert.Same(_cabin.Jobs.Find(Winter)!.Job, _cabin.Jobs.Stored()[0].Job);
    }
}
