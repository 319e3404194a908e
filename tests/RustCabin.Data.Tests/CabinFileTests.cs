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

    [Fact]
    public void A_file_that_is_not_what_the_migrations_make_is_told_and_the_one_before_kept()
    {
        _cabin.Bring(TestCabin.Slipway);
        using (SqliteConnection connection = _cabin.File.Connect())
            connection.Execute("drop index photo_by_unit");
        CabinFileException problem = Assert.Throws<CabinFileException>(() =>
            CabinFile.Open(_cabin.Path, new MoreMigrations("create table more (id integer);"))
        );
        Assert.Contains("index photo_by_unit is missing", problem.Message);
        using var kept = new SqliteConnection($"Data Source={_cabin.Path}.before-update;Pooling=False");
        kept.Open();
        Assert.Equal(0, kept.QuerySingle<int>("select count(*) from sqlite_master where name = 'more'"));
        Assert.True(kept.QuerySingle<int>("select count(*) from job") > 0);
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
