using System.Reflection;
using Dapper;
using DbUp.Engine;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>The database could not be opened as it should; the message says why and what became of the file.</summary>
public sealed class CabinFileException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>
/// The one SQLite file that holds a cabin: write-ahead log, every commit flushed to the disk, foreign keys on. It is brought up
/// to date when it is opened, in one transaction: a migration that fails leaves the file as it was.
/// </summary>
public sealed class CabinFile : IDisposable
{
    readonly string _connection;
    readonly Lock _watching = new();
    SqliteConnection? _watch;
    SqliteCommand? _asked;

    /// <summary>The state that a look has seen; none yet, or none any more since the file itself was asked.</summary>
    sealed class Seen
    {
        public long? State { get; set; }
    }

    readonly AsyncLocal<Seen?> _look = new();

    public string Path { get; }

    CabinFile(string path)
    {
        Path = path;
        _connection = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            DefaultTimeout = 5,
            Pooling = true,
        }.ConnectionString;
    }

    /// <summary>Opens or makes the file, with its folder.</summary>
    /// <exception cref="CabinFileException">It is no database, was written by a newer version, or could not be brought up to
    /// date.</exception>
    public static CabinFile Open(string path) => Open(path, Own);

    static readonly Assembly Own = Assembly.GetExecutingAssembly();

    /// <summary>
    /// As <see cref="Open(string)"/> with the migrations of another assembly, for tests of migrations that fail; and with another
    /// name for the file in what is told, where it is the copy of one that a person gave.
    /// </summary>
    public static CabinFile Open(string path, Assembly? migrations = null, string? called = null)
    {
        var file = new CabinFile(System.IO.Path.GetFullPath(path));
        Private.Folder(System.IO.Path.GetDirectoryName(file.Path)!);
        file.DemandNoOrphanedLog();
        Private.File(file.Path);
        try
        {
            using (SqliteConnection connection = file.Connect())
                connection.Execute("pragma journal_mode = wal");
            file.Migrate(migrations ?? Own, called ?? file.Path);
            file.Checkpoint();
        }
        catch (SqliteException problem)
        {
            throw new CabinFileException($"{called ?? path} could not be opened: {problem.Message}", problem);
        }
        return file;
    }

    /// <summary>
    /// A log of changes beside a file that is gone or empty: the changes would be lost for good if an empty cabin were made
    /// here.
    /// </summary>
    void DemandNoOrphanedLog()
    {
        var log = new FileInfo(Path + "-wal");
        if (log is { Exists: true, Length: > 0 } && new FileInfo(Path) is not { Exists: true, Length: > 0 })
            throw new CabinFileException(
                $"{Path} is missing or empty, but its log of changes {log.Name} is there. Nothing was touched: put the file back "
                    + "beside its log, or restore a backup into another folder."
            );
    }

    /// <summary>Moves what the log holds into the file, so that the file alone is the cabin, and empties the log.</summary>
    public void Checkpoint()
    {
        using SqliteConnection connection = Connect();
        connection.Execute("pragma wal_checkpoint(truncate)");
    }

    /// <summary>
    /// Deletes what a unit's page took off, its bytes overwritten, in the log of changes too. It cannot be brought back.
    /// </summary>
    /// <param name="table">A table of things that belong to a unit and can be hidden.</param>
    /// <returns>False when there is none that was taken off.</returns>
    internal bool Erase(string table, string unit, long id)
    {
        using (SqliteConnection connection = Connect())
        {
            connection.Execute("pragma secure_delete = on");
            using SqliteTransaction transaction = connection.BeginTransaction();
            if (connection.Execute($"delete from {table} where unit = @unit and id = @id and hidden = 1", new { unit, id }) == 0)
                return false;
            // What a browser or a note knows under this number must not become another thing.
            connection.Execute(
                $"insert into setting (name, value) values ('{Erased(table)}', @id) on conflict (name) do update set "
                    + "value = excluded.value where cast(value as integer) < @id",
                new { id }
            );
            transaction.Commit();
        }
        Checkpoint();
        return true;
    }

    static string Erased(string table) => $"erased of {table}";

    /// <summary>
    /// The number of the next row of a table, in SQL: one more than any that is there or was erased, for the number of a thing
    /// that is gone stands in notes, plans and browsers.
    /// </summary>
    /// <param name="table">As for <see cref="Erase"/>.</param>
    internal static string NextOf(string table) =>
        $"(select 1 + max(coalesce((select max(id) from {table}), 0), coalesce((select cast(value as integer) from setting "
        + $"where name = '{Erased(table)}'), 0)))";

    /// <summary>What SQLite finds wrong with the file, looked through whole; null when it is sound.</summary>
    public string? Damage()
    {
        try
        {
            using SqliteConnection connection = Connect();
            string found = string.Join("; ", connection.Query<string>("pragma quick_check(3)"));
            return found == "ok" ? Lacks(connection) : found;
        }
        catch (SqliteException problem)
        {
            return problem.Message;
        }
    }

    /// <summary>
    /// What of its tables is not there or not as it must be; null: all is. Quick enough for every look at its health.
    /// </summary>
    public string? Lacks()
    {
        try
        {
            using SqliteConnection connection = Connect();
            return Lacks(connection);
        }
        catch (SqliteException problem)
        {
            return problem.Message;
        }
    }

    static string? Lacks(SqliteConnection connection) => Migrations.Difference(connection, Own, Migrations.Names(Own).Count);

    void Migrate(Assembly migrations, string called)
    {
        IReadOnlyList<string> scripts = Migrations.Names(migrations);
        if (Looked(migrations, scripts, called) is { } run && run == scripts.Count)
            return;
        string? kept = KeepAside();
        DatabaseUpgradeResult result = Migrations.Engine(_connection, migrations).PerformUpgrade();
        if (!result.Successful)
            throw new CabinFileException(
                $"{called} could not be brought up to date: {result.Error.Message} It was left as it was.",
                result.Error
            );
        using (SqliteConnection connection = Connect())
            if (Migrations.Difference(connection, migrations, scripts.Count) is { } difference)
                throw new CabinFileException(
                    $"{called} is not what this version makes of it: {difference}."
                        + (kept is null ? "" : $" The file as it was is {kept}.")
                );
        if (kept is not null)
            File.Delete(kept);
    }

    /// <summary>
    /// Looks at a file before anything of it is used: whatever its own list of scripts says, its tables, columns, checks,
    /// triggers and views are compared with what those scripts make.
    /// </summary>
    /// <returns>How many scripts were run on it; null: it is empty.</returns>
    int? Looked(Assembly migrations, IReadOnlyList<string> scripts, string called)
    {
        using SqliteConnection connection = Connect();
        if (Migrations.Run(connection) is not { } run)
            return connection.QuerySingle<long>("select count(*) from sqlite_master") == 0
                ? null
                : throw new CabinFileException($"{called} is not the file of a cabin. It was left as it was.");
        if (run.Except(scripts).Order(StringComparer.Ordinal).LastOrDefault() is { } newer)
            throw new CabinFileException(
                $"{called} was written by a newer version of Rust Cabin ({newer} is unknown here). It was left as it was."
            );
        if (!run.Order(StringComparer.Ordinal).SequenceEqual(scripts.Take(run.Count)))
            throw new CabinFileException($"{called} is of no version of Rust Cabin: its list has gaps. It was left as it was.");
        if (Migrations.Difference(connection, migrations, run.Count) is { } difference)
            throw new CabinFileException(
                $"{called} is not what its version of Rust Cabin makes: {difference}. It was left as it was."
            );
        return run.Count;
    }

    /// <summary>Ends the name of the copy that is kept until a file is brought up to date.</summary>
    internal const string BeforeUpdate = ".before-update";

    /// <summary>A copy of the file as it is before it is brought up to date; null when there is nothing in it yet.</summary>
    string? KeepAside()
    {
        using SqliteConnection connection = Connect();
        if (connection.QuerySingle<long>("select count(*) from sqlite_master") == 0)
            return null;
        string kept = Path + BeforeUpdate;
        File.Delete(kept);
        Private.File(kept);
        using SqliteConnection copy = Alone(kept);
        connection.BackupDatabase(copy);
        return kept;
    }

    /// <summary>An open connection to a file that is there, outside of any pool: it is let go of when it is closed.</summary>
    internal static SqliteConnection Alone(string path, SqliteOpenMode mode = SqliteOpenMode.ReadWrite)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = path,
                Mode = mode,
                Pooling = false,
            }.ConnectionString
        );
        connection.Open();
        return connection;
    }

    /// <summary>
    /// A number that is another one after each commit to the file, whoever made it: as long as it is the same, so is all that the
    /// file holds. To ask for it costs a hundredth of what a question to a table does.
    /// </summary>
    /// <remarks>
    /// SQLite tells a connection of the commits of all others. This one is asked for nothing else, so none of them is its own.
    /// </remarks>
    internal long State()
    {
        if (_look.Value is not { } look)
            return Asked();
        return look.State ??= Asked();
    }

    /// <summary>
    /// What follows in this flow of work only looks: the state of the file is asked for once, and again whenever something is
    /// read of the file itself. A page then costs one such question and not one for each thing that it shows.
    /// </summary>
    public void Look() => _look.Value = new Seen();

    long Asked()
    {
        lock (_watching)
        {
            if (_asked is null)
            {
                _watch = Alone(Path);
                _asked = _watch.CreateCommand();
                _asked.CommandText = "pragma data_version";
                _asked.Prepare();
            }
            return (long)_asked.ExecuteScalar()!;
        }
    }

    /// <summary>Lets go of the file; what is asked of it later opens it again.</summary>
    public void Dispose()
    {
        lock (_watching)
        {
            _asked?.Dispose();
            _watch?.Dispose();
            (_asked, _watch) = (null, null);
        }
    }

    /// <summary>
    /// An open connection; the caller closes it. SQLite as it comes flushes at every commit (synchronous = full), which a test
    /// holds.
    /// </summary>
    public SqliteConnection Connect()
    {
        if (_look.Value is { } look)
            look.State = null;
        var connection = new SqliteConnection(_connection);
        connection.Open();
        return connection;
    }
}
