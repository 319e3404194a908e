using System.Reflection;
using System.Text;
using Dapper;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data.Tests;

/// <summary>The file itself: what it is opened with, and what happens when it cannot be.</summary>
public sealed class CabinFileTests : IDisposable
{
    readonly TestCabin _cabin = new();

    public void Dispose() => _cabin.Dispose();

    [Fact]
    public void It_is_a_write_ahead_log_flushed_at_every_commit_with_foreign_keys()
    {
        using SqliteConnection connection = _cabin.File.Connect();
        Assert.Equal("wal", connection.QuerySingle<string>("pragma journal_mode"));
        Assert.Equal(2, connection.QuerySingle<int>("pragma synchronous"));
        Assert.Equal(1, connection.QuerySingle<int>("pragma foreign_keys"));
    }

    [Fact]
    public void A_file_of_a_newer_version_is_not_opened()
    {
        using (SqliteConnection connection = _cabin.File.Connect())
            connection.Execute("insert into SchemaVersions (ScriptName, Applied) values ('9999-future.sql', '2030-01-01')");
        CabinFileException problem = Assert.Throws<CabinFileException>(() => CabinFile.Open(_cabin.Path));
        Assert.Contains("newer version", problem.Message);
    }

    [Theory]
    [InlineData("create table half (id integer);", "create tabel wrong;")]
    [InlineData("create table half (id integer) strict; create table worse (id nonsense) strict;")]
    [InlineData("create table half (id integer primary key); insert into half values (1); insert into half values (1);")]
    public void A_migration_that_fails_in_any_statement_leaves_the_file_as_it_was_and_says_so(params string[] scripts)
    {
        _cabin.Bring(TestCabin.Slipway);
        CabinFileException problem = Assert.Throws<CabinFileException>(() =>
            CabinFile.Open(_cabin.Path, new MoreMigrations(scripts))
        );
        Assert.Contains("left as it was", problem.Message);
        _cabin.Reopen();
        Assert.NotNull(_cabin.Jobs.Find("slip-3-winter"));
        using SqliteConnection connection = _cabin.File.Connect();
        Assert.Equal(0, connection.QuerySingle<int>("select count(*) from sqlite_master where name = 'half'"));
    }

    /// <summary>What a file can have that no version makes, or lack: it is seen before anything of it is used.</summary>
    [Theory]
    [InlineData("drop index photo_by_unit", "index photo_by_unit is missing")]
    [InlineData("drop table photo", "table photo is missing")]
    [InlineData("alter table photo add column more text", "table photo has another shape")]
    [InlineData("create table more (id integer)", "table more is unknown")]
    [InlineData("create view more as select * from unit_change", "view more is unknown")]
    [InlineData("create trigger more after insert on job_change begin delete from job_change; end", "trigger more is unknown")]
    [InlineData(
        "create trigger more after insert on SchemaVersions begin delete from job_change; end",
        "trigger more is unknown"
    )]
    [InlineData("drop trigger sheet_found", "trigger sheet_found is missing")]
    [InlineData(
        "alter table photo rename to old; create table photo (id integer primary key, unit text, at text, kind text, note text, "
            + "bytes blob, hidden integer)",
        "has another shape"
    )]
    [InlineData("delete from SchemaVersions where ScriptName like '%0005%'", "its list has gaps")]
    [InlineData("delete from SchemaVersions where ScriptName like '%0011%'", "table backup is unknown")]
    [InlineData("drop table SchemaVersions", "not the file of a cabin")]
    [InlineData(
        "alter table SchemaVersions rename to l; create view SchemaVersions as select * from l",
        "not the file of a cabin"
    )]
    public void A_file_of_another_shape_is_told_and_left_as_it_was_opened_or_restored(string sql, string told)
    {
        _cabin.Bring(TestCabin.Slipway);
        using (SqliteConnection connection = _cabin.File.Connect())
            connection.Execute(sql);
        SqliteConnection.ClearAllPools();
        byte[] before = File.ReadAllBytes(_cabin.Path);
        CabinFileException problem = Assert.Throws<CabinFileException>(() => CabinFile.Open(_cabin.Path));
        Assert.Contains(told, problem.Message);
        Assert.Contains("left as it was", problem.Message);
        SqliteConnection.ClearAllPools();
        Assert.Equal(before, File.ReadAllBytes(_cabin.Path));

        string home = Path.Combine(Path.GetDirectoryName(_cabin.Path)!, "elsewhere");
        problem = Assert.Throws<CabinFileException>(() => Backup.Restore(_cabin.Path, home, TimeProvider.System));
        // The file that was given is named, not the copy that was looked at.
        Assert.StartsWith(_cabin.Path + " ", problem.Message);
        Assert.Empty(Directory.GetFiles(home));
    }

    [Fact]
    public void A_running_cabin_that_lost_a_table_says_so()
    {
        Assert.Null(_cabin.File.Lacks());
        using (SqliteConnection connection = _cabin.File.Connect())
            connection.Execute("drop table photo");
        Assert.Equal("table photo is missing", _cabin.File.Lacks());
        Assert.Equal("table photo is missing", _cabin.File.Damage());
    }

    [Fact, System.Runtime.Versioning.UnsupportedOSPlatform("windows")]
    public void The_file_alone_is_the_cabin_and_its_owner_alone_reads_it()
    {
        // Empty, or gone with the last connection, which another test may have let go of.
        Assert.False(new FileInfo(_cabin.Path + "-wal") is { Exists: true, Length: > 0 });
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(_cabin.Path));
        string inner = Path.Combine(Path.GetDirectoryName(_cabin.Path)!, "made", "cabin.db");
        CabinFile.Open(inner);
        Assert.Equal(
            UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute,
            File.GetUnixFileMode(Path.GetDirectoryName(inner)!)
        );
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_log_without_its_file_is_told_and_nothing_is_made_in_its_place(bool empty)
    {
        string path = Path.Combine(Path.GetDirectoryName(_cabin.Path)!, "lost.db");
        File.WriteAllText(path + "-wal", "changes");
        if (empty)
            File.WriteAllText(path, "");
        CabinFileException problem = Assert.Throws<CabinFileException>(() => CabinFile.Open(path));
        Assert.Contains("lost.db-wal", problem.Message);
        Assert.Equal(empty, File.Exists(path));
        Assert.Equal("changes", File.ReadAllText(path + "-wal"));
    }

    [Fact]
    public void A_folder_is_open_once_at_a_time()
    {
        string home = Path.GetDirectoryName(_cabin.Path)!;
        using (CabinLock.Take(home))
            Assert.Contains("open in another", Assert.Throws<CabinFileException>(() => CabinLock.Take(home)).Message);
        CabinLock.Take(home).Dispose();
    }

    [Fact]
    public void What_is_no_database_is_refused_and_left_alone()
    {
        string path = Path.Combine(Path.GetDirectoryName(_cabin.Path)!, "letter.db");
        File.WriteAllText(path, new string('x', 5000));
        Assert.Throws<CabinFileException>(() => CabinFile.Open(path));
        Assert.Equal(new string('x', 5000), File.ReadAllText(path));
    }

    /// <summary>The real migrations and more.</summary>
    sealed class MoreMigrations(params string[] scripts) : Assembly
    {
        static readonly Assembly Real = typeof(CabinFile).Assembly;

        readonly Dictionary<string, string> _more = scripts
            .Index()
            .ToDictionary(s => $"RustCabin.Data.Migrations.800{s.Index}-more.sql", s => s.Item);

        public override string[] GetManifestResourceNames() => [.. Real.GetManifestResourceNames(), .. _more.Keys];

        public override Stream? GetManifestResourceStream(string name) =>
            _more.TryGetValue(name, out string? sql)
                ? new MemoryStream(Encoding.UTF8.GetBytes(sql))
                : Real.GetManifestResourceStream(name);

        public override AssemblyName GetName() => Real.GetName();

        public override string? FullName => Real.FullName;
    }
}
