using Dapper;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>
/// When the cabin was last copied (null: never), how many changes it has seen since, and from when they count: the last copy,
/// or the first change of all (null: there is none).
/// </summary>
public sealed record BackupState(DateTimeOffset? Last, long ChangesSince, DateTimeOffset? Since)
{
    /// <summary>Older than ten changes and a week.</summary>
    public bool IsDue(DateTimeOffset now) => ChangesSince > 10 && now - Since > TimeSpan.FromDays(7);
}

/// <summary>
/// The whole cabin in one file, photos and images of ROM devices with it, taken while it is open; and put back. Source:
/// docs/security.md, Backup.
/// </summary>
public sealed class Backup(CabinFile file, TimeProvider clock)
{
    const int SecondsToNote = 60;

    const string Changes =
        "(select count(*) from job_change) + (select count(*) from stock_change) + (select count(*) from import_change) "
        + "+ (select count(*) from photo) + (select count(*) from rom_image)";

    public BackupState State()
    {
        using SqliteConnection connection = file.Connect();
        (string? last, long changes, string? first) = connection.QuerySingle<(string?, long, string?)>(
            $"""
            select (select at from backup order by id desc limit 1),
              {Changes} - coalesce((select changes from backup order by id desc limit 1), 0),
              (select min(at) from (
                select at from import_log union all select at from job_change union all select at from stock_change))
            """
        );
        return new BackupState(Time(last), Math.Max(0, changes), Time(last ?? first));
    }

    static DateTimeOffset? Time(string? text) => text is null ? null : DateTimeOffset.Parse(text);

    /// <summary>
    /// Copies the cabin to a file that is not there yet. It appears under its name only whole and looked through.
    /// </summary>
    /// <exception cref="CabinFileException">The file is there already, or the copy is not sound.</exception>
    public void To(string path)
    {
        string target = Path.GetFullPath(path);
        if (File.Exists(target))
            throw new CabinFileException($"{path} is there already. Nothing was written.");
        string part = target + Leftovers.Part;
        try
        {
            File.Delete(part);
            Private.File(part);
            long changes;
            // A connection of its own: what SQLite is told below must not go back into the pool.
            using (SqliteConnection from = CabinFile.Alone(file.Path))
            using (SqliteConnection copy = CabinFile.Alone(part))
            {
                // The copy is one long call, which waits for a writer only where SQLite itself is told to.
                from.Execute($"pragma busy_timeout = {SecondsToNote * 1000}");
                from.BackupDatabase(copy);
                copy.Execute("pragma journal_mode = delete");
                if (copy.QueryFirst<string>("pragma quick_check(1)") is var found and not "ok")
                    throw new CabinFileException($"The copy is not sound, so it was not kept: {found}");
                changes = copy.QuerySingle<long>($"select {Changes}");
            }
            // Noted and named together: what is told of backups is what lies there. Others may be writing all the while.
            using SqliteConnection connection = file.Connect();
            connection.DefaultTimeout = SecondsToNote;
            using SqliteTransaction transaction = connection.BeginTransaction();
            connection.Execute(
                "insert into backup (at, changes) values (@at, @changes)",
                new { at = clock.GetUtcNow().ToString("O"), changes },
                transaction
            );
            File.Move(part, target);
            transaction.Commit();
        }
        catch (SqliteException problem)
        {
            throw new CabinFileException($"No backup was made: {problem.Message}", problem);
        }
        finally
        {
            File.Delete(part);
        }
    }

    /// <summary>
    /// Makes a backup the cabin of a folder. It is copied and looked through first; the cabin that was there is kept aside
    /// under the time. Nobody else may have the folder open (<see cref="CabinLock"/>).
    /// </summary>
    /// <returns>Where the old cabin is kept; null when there was none.</returns>
    /// <exception cref="CabinFileException">The backup is missing, damaged or no cabin; what was there is as it
    /// was.</exception>
    public static string? Restore(string from, string home, TimeProvider clock)
    {
        if (!File.Exists(from))
            throw new CabinFileException($"{from} is not there.");
        Private.Folder(Path.GetFullPath(home));
        string cabin = Path.Combine(Path.GetFullPath(home), "cabin.db"),
            part = Leftovers.Restoring(cabin);
        try
        {
            Drop(part);
            Private.File(part);
            using (SqliteConnection source = CabinFile.Alone(Path.GetFullPath(from), SqliteOpenMode.ReadOnly))
            using (SqliteConnection copy = CabinFile.Alone(part))
            {
                source.BackupDatabase(copy);
                // The copy is looked through: of a file that it may only read, SQLite does not hold the checks against the rows.
                if (copy.Query<string>("pragma integrity_check(1)").First() is var found and not "ok")
                    throw new CabinFileException($"{from} is damaged, so nothing was changed: {found}");
                if (Migrations.Run(copy) is null)
                    throw new CabinFileException($"{from} is not the backup of a cabin, so nothing was changed.");
                if (copy.Query("pragma foreign_key_check").Any())
                    throw new CabinFileException($"{from} refers to what is not in it, so nothing was changed.");
            }
            CabinFile.Open(part, called: from);
            SqliteConnection.ClearAllPools();
            return Swap(part, cabin, clock);
        }
        catch (SqliteException problem)
        {
            throw new CabinFileException($"{from} cannot be read, so nothing was changed: {problem.Message}", problem);
        }
        finally
        {
            Drop(part);
        }
    }

    static string? Swap(string part, string cabin, TimeProvider clock)
    {
        string? aside = null;
        if (File.Exists(cabin) || File.Exists(cabin + "-wal"))
        {
            string stamp = clock.GetUtcNow().ToString("yyyyMMdd-HHmmss");
            aside = Enumerable.Range(0, 1000).Select(n => $"{cabin}.{stamp}-{n}").First(name => !File.Exists(name));
            foreach (string end in Ends.Where(end => File.Exists(cabin + end)))
                File.Move(cabin + end, aside + end);
        }
        File.Move(part, cabin);
        return aside;
    }

    /// <summary>What lies beside a file while it is written or brought up to date.</summary>
    static readonly string[] Ends = ["", "-wal", "-shm", CabinFile.BeforeUpdate];

    static void Drop(string path)
    {
        foreach (string end in Ends)
            File.Delete(path + end);
    }
}
