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

    [Fact]
    public void A_migration_that_fails_leaves_the_file_as_it_was_and_says_so()
    {
        _cabin.Bring(TestCabin.Slipway);
        CabinFileException problem = Assert.Throws<CabinFileException>(() => CabinFile.Open(_cabin.Path, new BrokenMigrations()));
        Assert.Contains("left as it was", problem.Message);
        _cabin.Reopen();
        Assert.NotNull(_cabin.Jobs.Find("slip-3-winter"));
        using SqliteConnection connection = _cabin.File.Connect();
        Assert.Equal(0, connection.QuerySingle<int>("select count(*) from sqlite_master where name = 'half'"));
    }

    [Fact]
    public void What_is_no_database_is_refused_and_left_alone()
    {
        string path = Path.Combine(Path.GetDirectoryName(_cabin.Path)!, "letter.db");
        File.WriteAllText(path, new string('x', 5000));
        Assert.Throws<CabinFileException>(() => CabinFile.Open(path));
        Assert.Equal(new string('x', 5000), File.ReadAllText(path));
    }

    /// <summary>The real migrations and two more, the second of which is wrong.</summary>
    sealed class BrokenMigrations : Assembly
    {
        static readonly Assembly Real = typeof(CabinFile).Assembly;
        static readonly Dictionary<string, string> More = new()
        {
            ["RustCabin.Data.Migrations.8000-half.sql"] = "create table half (id integer);",
            ["RustCabin.Data.Migrations.8001-wrong.sql"] = "create tabel wrong;",
        };

        public override string[] GetManifestResourceNames() => [.. Real.GetManifestResourceNames(), .. More.Keys];

        public override Stream? GetManifestResourceStream(string name) =>
            More.TryGetValue(name, out string? sql)
                ? new MemoryStream(Encoding.UTF8.GetBytes(sql))
                : Real.GetManifestResourceStream(name);

        public override AssemblyName GetName() => Real.GetName();

        public override string? FullName => Real.FullName;
    }
}
