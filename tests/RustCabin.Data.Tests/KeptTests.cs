using Dapper;
using Microsoft.Data.Sqlite;

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

    void Rename(string name)
    {
        using var other = new SqliteConnection($"Data Source={_cabin.File.Path};Pooling=False");
        other.Open();
        other.Execute(
            "update job_change set json = json_set(json, '$.name', @name); update job set version = version + 1",
            new { name }
        );
    }

    /// <summary>Whoever commits, and through whatever connection: the next question is answered by what stands then.</summary>
    [Fact]
    public void What_another_connection_commits_is_seen_by_the_next_question()
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        StoredJob before = Job;
        Assert.Same(before, Job);
        Rename("from elsewhere");
        Assert.Equal(
            ("from elsewhere", "from elsewhere", "from elsewhere"),
            (Job.Job.Name, _cabin.Jobs.Names()[0].Name, _cabin.Jobs.Stored()[0].Job.Name)
        );
        Assert.NotSame(before, Job);
    }

    /// <summary>
    /// A look keeps to what it has seen until it reads of the file; what comes after it, and what presses, asks once more.
    /// </summary>
    [Fact]
    public async Task A_look_goes_by_one_state_until_it_reads_of_the_file()
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        string before = Job.Job.Name;
        _cabin.Jobs.Names();
        await Task.Run(() =>
        {
            _cabin.File.Look();
            Assert.Equal(before, Job.Job.Name);
            Rename("meanwhile");
            Assert.Equal((before, before), (Job.Job.Name, _cabin.Jobs.Names()[0].Name));
            _cabin.File.Connect().Dispose();
            Assert.Equal(("meanwhile", "meanwhile"), (Job.Job.Name, _cabin.Jobs.Names()[0].Name));
        });
        Rename("after it");
        Assert.Equal("after it", Job.Job.Name);
    }

    /// <summary>Many at once, with commits between them: nobody is told of a state older than the last that was
    /// confirmed.</summary>
    [Fact]
    public async Task Nobody_is_told_of_less_than_was_confirmed()
    {
        Assert.True(_cabin.Bring(TestCabin.Slipway).Done);
        long confirmed = Job.Version;
        using var over = new CancellationTokenSource();
        Task[] readers =
        [
            .. Enumerable
                .Range(0, 4)
                .Select(_ =>
                    Task.Run(() =>
                    {
                        while (!over.IsCancellationRequested)
                        {
                            long least = Interlocked.Read(ref confirmed);
                            Assert.True(Job.Version >= least && _cabin.Jobs.Stored()[0].Version >= least);
                        }
                    })
                ),
        ];
        for (int i = 0; i < 100; i++)
        {
            Assert.Equal(
                WriteResult.Written,
                _cabin.Jobs.Change(Winter, confirmed, "named", j => j with { Name = $"name {i}" }).Result
            );
            Interlocked.Increment(ref confirmed);
        }
        await over.CancelAsync();
        await Task.WhenAll(readers);
        Assert.Equal("name 99", Job.Job.Name);
    }
}
