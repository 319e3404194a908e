using System.Text.Json;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Data;

/// <summary>
/// A thing in the cupboard. Its count is what lies there now; <paramref name="Uses"/> are the jobs that took some of it, or
/// brought some (below 0).
/// </summary>
public sealed record StoredStock(long Id, long Version, StockItem Item, IReadOnlyList<StockUse> Uses);

/// <summary>What a job took out of the cupboard.</summary>
public sealed record StockUse(string Job, long Count);

/// <summary>
/// The store cupboard. Every change is one transaction, names the version that it was made from, and can be undone, the latest
/// first.
/// </summary>
public sealed class StockRepository(CabinFile file, TimeProvider clock)
{
    sealed record Row(long Id, string Json, long Version);

    sealed record Change
    {
        public long Seq { get; init; }
        public long Stock { get; init; }
        public string What { get; init; } = "";
        public string? Before { get; init; }
        public string At { get; init; } = "";
    }

    readonly ByStamp<IReadOnlyList<StoredStock>> _known = new(file, Stamp, connection => All(connection, null));

    /// <summary>To be called when the file holds another cabin.</summary>
    internal void Forget() => _known.Forget();

    /// <summary>All of it, by kind and name; the same list as long as nothing of it changes.</summary>
    public IReadOnlyList<StoredStock> All() => _known.Now();

    static string Stamp(SqliteConnection connection) =>
        connection.QuerySingle<string>(
            """
            select count(*) || ' ' || total(version)
              || ' ' || (select coalesce(max(seq), 0) || ' ' || total(undone) from stock_change)
              || ' ' || (select count(*) || ' ' || total(count) || ' ' || coalesce(max(rowid), 0) from stock_use)
              || ' ' || (select total(version) from job) || ' ' || (select coalesce(max(rowid), 0) from job_change)
            from stock
            """
        );

    internal static IReadOnlyList<StoredStock> All(SqliteConnection connection, System.Data.IDbTransaction? transaction)
    {
        ILookup<long, StockUse> uses = connection
            .Query<(long Stock, string Job, long Count)>(
                "select stock, job, sum(count) from stock_use group by stock, job",
                transaction: transaction
            )
            .ToLookup(u => u.Stock, u => new StockUse(u.Job, u.Count));
        return
        [
            .. connection
                .Query<Row>("select id, json, version from stock", transaction: transaction)
                .Select(r => Parse(r, [.. uses[r.Id]]))
                .OrderBy(s => s.Item.Kind)
                .ThenBy(s => s.Item.Name, StringComparer.OrdinalIgnoreCase)
                .ThenBy(s => s.Id),
        ];
    }

    public StoredStock? Find(long id)
    {
        using SqliteConnection connection = file.Connect();
        return All(connection, null).FirstOrDefault(s => s.Id == id);
    }

    /// <summary>
    /// Puts in a thing without a word in the cupboard's log: it came out of a unit, or is logged by whoever asks.
    /// </summary>
    /// <returns>Its number, and the JSON that lies there.</returns>
    internal static (long Id, string Json) Insert(
        SqliteConnection connection,
        System.Data.IDbTransaction transaction,
        StockItem item
    )
    {
        string json = item.ToJson().ToJsonString(StoredJson.AsTyped);
        return (
            connection.QuerySingle<long>(
                "insert into stock (json, version) values (@json, 1) returning id",
                new { json },
                transaction
            ),
            json
        );
    }

    public long Add(StockItem item)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        (long id, string json) = Insert(connection, transaction, item);
        Log(connection, transaction, id, $"{item.Count} x {item.Name} put in", null, json);
        transaction.Commit();
        return id;
    }

    /// <summary>
    /// Takes one of a part out of the cupboard onto the bench, as a unit of its own with what is done to it as its record; all or
    /// nothing.
    /// </summary>
    /// <returns>The unit's id; null: there is none left, or the press came too late.</returns>
    public string? OntoBench(SheetRepository sheets, long id, long version, Part part)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        if (
            All(connection, transaction).FirstOrDefault(s => s.Id == id) is not { Item.Count: > 0 } there
            || there.Version != version
        )
            return null;
        string unit = Enumerable
            .Range(1, int.MaxValue)
            .Select(n => n == 1 ? $"bench-{part.Id}" : $"bench-{part.Id}-{n}")
            .First(u => SheetRepository.Stored(connection, transaction, "unit", u) is null);
        var sheet = Declaration<Unit>.Write(
            new Unit
            {
                Id = unit,
                Model = part.Id,
                Name = there.Item.Name,
            }
        );
        sheets.Put(connection, transaction, "unit", unit, there.Item.Name, sheet.ToJsonString(StoredJson.AsTyped));
        Write(connection, transaction, there, -1, $"{there.Item.Name} onto the bench");
        transaction.Commit();
        sheets.Forget();
        return unit;
    }

    /// <summary>
    /// Lays a part that was worked on by itself back into the cupboard, apart from those that were not, and retires its unit,
    /// which keeps the record.
    /// </summary>
    public bool FromBench(SheetRepository sheets, Unit unit, Part part)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        if (SheetRepository.Stored(connection, transaction, "unit", unit.Id) is not { } json || unit.Retired)
            return false;
        JsonObject after = Declaration<Unit>.Edit(JsonNode.Parse(json)!.AsObject(), u => u with { Retired = true })!;
        sheets.Put(connection, transaction, "unit", unit.Id, unit.Name, after.ToJsonString(StoredJson.AsTyped));
        var item = new StockItem
        {
            Kind = StockKind.Part,
            Item = part.Id,
            Name = unit.Name,
            Count = 1,
            Note = $"worked on: its record is the unit {unit.Id}",
        };
        (long id, string put) = Insert(connection, transaction, item);
        Log(connection, transaction, id, $"{item.Name} back from the bench", null, put);
        transaction.Commit();
        sheets.Forget();
        return true;
    }

    /// <summary>
    /// Changes several things and puts in others in one go, which is taken back in one go; all or nothing.
    /// </summary>
    /// <param name="what">What it is called in the log.</param>
    /// <param name="changed">Things with their versions, and what they are then.</param>
    /// <param name="put">Things that are put in.</param>
    public WriteResult Together(
        string what,
        IReadOnlyList<(StoredStock There, StockItem After)> changed,
        IReadOnlyList<StockItem> put
    )
    {
        if (changed.Count + put.Count == 0)
            return WriteResult.Nothing;
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        string at = clock.GetUtcNow().ToString("O");
        foreach ((StoredStock there, StockItem after) in changed)
        {
            if (
                connection.QuerySingleOrDefault<Row>("select id, json, version from stock where id = @Id", there, transaction)
                    is not { } row
                || row.Version != there.Version
            )
                return WriteResult.Stale;
            int used = (int)there.Uses.Sum(u => u.Count);
            string json = (after with { Count = Math.Max(0, after.Count + used) }).ToJson().ToJsonString(StoredJson.AsTyped);
            Write(connection, transaction, there.Id, json);
            Log(connection, transaction, there.Id, what, row.Json, json, at);
        }
        foreach (StockItem item in put)
        {
            (long id, string json) = Insert(connection, transaction, item);
            Log(connection, transaction, id, what, null, json, at);
        }
        transaction.Commit();
        return WriteResult.Written;
    }

    void Write(SqliteConnection connection, SqliteTransaction transaction, StoredStock there, int by, string what)
    {
        string before = connection.QuerySingle<string>("select json from stock where id = @Id", there, transaction);
        int used = (int)there.Uses.Sum(u => u.Count);
        string after = (there.Item with { Count = there.Item.Count + used + by }).ToJson().ToJsonString(StoredJson.AsTyped);
        Write(connection, transaction, there.Id, after);
        Log(connection, transaction, there.Id, what, before, after);
    }

    /// <summary>Changes an item; null takes it out of the cupboard for good (undo brings it back).</summary>
    public WriteResult Put(long id, long version, string what, StockItem? item)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        if (
            connection.QuerySingleOrDefault<Row>("select id, json, version from stock where id = @id", new { id }, transaction)
            is not { } row
        )
            return WriteResult.Missing;
        if (row.Version != version)
            return WriteResult.Stale;
        // What is typed is what lies there; what jobs took of it is kept apart.
        long used = connection.QuerySingle<long>(
            "select coalesce(sum(count), 0) from stock_use where stock = @id",
            new { id },
            transaction
        );
        string? json = item is null
            ? null
            : (item with { Count = Math.Max(0, (int)(item.Count + used)) }).ToJson().ToJsonString(StoredJson.AsTyped);
        if (json == row.Json)
            return WriteResult.Nothing;
        Write(connection, transaction, id, json);
        Log(connection, transaction, id, what, row.Json, json);
        transaction.Commit();
        return WriteResult.Written;
    }

    /// <summary>What undo would take back, and the change's number; null: nothing.</summary>
    public (long Change, string What)? Undoes()
    {
        using SqliteConnection connection = file.Connect();
        return Last(connection, null) is { } last ? (last.Seq, last.What) : null;
    }

    /// <summary>Takes back the last change, when it is the one that was seen.</summary>
    public WriteResult Undo(long change)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        if (Last(connection, transaction) is not { } last)
            return WriteResult.Nothing;
        if (last.Seq != change)
            return WriteResult.Stale;
        // What was done in one go goes back in one go, the last of it first.
        foreach (
            Change one in connection.Query<Change>(
                "select seq as Seq, stock as Stock, what as What, before as Before, at as At from stock_change where undone = 0 "
                    + "and at = @At and what = @What order by seq desc",
                last,
                transaction
            )
        )
        {
            Write(connection, transaction, one.Stock, one.Before);
            connection.Execute("update stock_change set undone = 1 where seq = @Seq", one, transaction);
        }
        transaction.Commit();
        return WriteResult.Written;
    }

    static Change? Last(SqliteConnection connection, SqliteTransaction? transaction) =>
        connection.QuerySingleOrDefault<Change>(
            "select seq as Seq, stock as Stock, what as What, before as Before, at as At from stock_change where undone = 0 "
                + "order by seq desc limit 1",
            transaction: transaction
        );

    static void Write(SqliteConnection connection, SqliteTransaction transaction, long id, string? json)
    {
        if (json is null)
            connection.Execute("delete from stock where id = @id", new { id }, transaction);
        else
            connection.Execute(
                "insert into stock (id, json, version) values (@id, @json, 1) on conflict (id) do update set json = "
                    + "excluded.json, version = version + 1",
                new { id, json },
                transaction
            );
    }

    void Log(
        SqliteConnection connection,
        SqliteTransaction transaction,
        long stock,
        string what,
        string? before,
        string? after,
        string? at = null
    ) =>
        connection.Execute(
            "insert into stock_change (stock, at, what, before, after) values (@stock, @at, @what, @before, @after)",
            new
            {
                stock,
                at = at ?? clock.GetUtcNow().ToString("O"),
                what,
                before,
                after,
            },
            transaction
        );

    static StoredStock Parse(Row row, IReadOnlyList<StockUse> uses)
    {
        using JsonDocument json = JsonDocument.Parse(row.Json);
        StockItem stored =
            StockItem.Read(json.RootElement).Value ?? throw new CabinFileException("A thing in the cupboard does not read.");
        long there = Math.Clamp(stored.Count - uses.Sum(u => u.Count), 0, StockItem.Most);
        return new StoredStock(row.Id, row.Version, stored with { Count = (int)there }, uses);
    }
}
