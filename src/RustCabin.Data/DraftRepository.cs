using Dapper;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>
/// One state of a sheet in the editor. <paramref name="Seq"/> counts the states; a writer names the one that it saw.
/// </summary>
public sealed record Draft(long Seq, string What, string Json);

/// <summary>Sheets that are being written: every state is kept until the sheet is saved or the draft given up.</summary>
public sealed class DraftRepository(CabinFile file, TimeProvider clock)
{
    /// <summary>Keys of drafts of a kind, the latest written first.</summary>
    public IReadOnlyList<(string Kind, string Key)> All()
    {
        using SqliteConnection connection = file.Connect();
        return [.. connection.Query<(string, string)>("select kind, key from draft group by kind, key order by max(at) desc")];
    }

    /// <summary>The latest state, or null.</summary>
    public Draft? Find(string kind, string key)
    {
        using SqliteConnection connection = file.Connect();
        return connection.QuerySingleOrDefault<Draft>(
            "select seq, what, json from draft where kind = @kind and key = @key order by seq desc limit 1",
            new { kind, key }
        );
    }

    /// <summary>The state that a tab saw, while it is kept; null when it was given up, taken back or saved.</summary>
    public string? At(string kind, string key, long seq)
    {
        using SqliteConnection connection = file.Connect();
        return connection.QuerySingleOrDefault<string>(
            "select json from draft where kind = @kind and key = @key and seq = @seq",
            new
            {
                kind,
                key,
                seq,
            }
        );
    }

    /// <summary>
    /// Adds a state. <see cref="WriteResult.Stale"/> when another tab wrote since <paramref name="seen"/> (0: no draft yet).
    /// </summary>
    public WriteResult Add(string kind, string key, long seen, string what, string json)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        long last = connection.QuerySingle<long>(
            "select coalesce(max(seq), 0) from draft where kind = @kind and key = @key",
            new { kind, key },
            transaction
        );
        if (last != seen)
            return WriteResult.Stale;
        connection.Execute(
            "insert into draft (kind, key, seq, at, what, json) values (@kind, @key, @seq, @at, @what, @json)",
            new
            {
                kind,
                key,
                seq = last + 1,
                at = clock.GetUtcNow().ToString("O"),
                what,
                json,
            },
            transaction
        );
        transaction.Commit();
        return WriteResult.Written;
    }

    /// <summary>Takes the latest state back, if it is still the one seen.</summary>
    public WriteResult Undo(string kind, string key, long seen)
    {
        using SqliteConnection connection = file.Connect();
        return
            connection.Execute(
                "delete from draft where kind = @kind and key = @key and seq = @seen and not exists (select 1 from draft l "
                    + "where l.kind = @kind and l.key = @key and l.seq > @seen)",
                new
                {
                    kind,
                    key,
                    seen,
                }
            ) > 0
            ? WriteResult.Written
            : WriteResult.Stale;
    }

    /// <summary>Gives a draft up, or forgets it once it was saved.</summary>
    public void Forget(string kind, string key)
    {
        using SqliteConnection connection = file.Connect();
        connection.Execute("delete from draft where kind = @kind and key = @key", new { kind, key });
    }
}
