using System.Data;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Data;

/// <summary>A sheet as it is stored.</summary>
sealed record SheetRow(string Kind, string Id, string Json);

/// <summary>
/// Models, parts, units and titles. They are read together and kept parsed until one changes; jobs, which change all the time,
/// are
/// <see cref="JobRepository"/>'s.
/// </summary>
public sealed class SheetRepository(CabinFile file, TimeProvider clock)
{
    /// <summary>The sheets that read with the rows that they were read from, and those that do not.</summary>
    sealed record Known(Pack Pack, IReadOnlyList<SetAside> Aside, IReadOnlyList<SheetRow> Rows);

    volatile Known? _known;

    /// <summary>What was known before the last change: sheets that are as they were stay the same objects.</summary>
    volatile Known? _before;
    volatile int _version;

    /// <summary>All sheets that read, but the jobs.</summary>
    public Pack All() => Now().Pack;

    /// <summary>The sheets that do not read, and why.</summary>
    public IReadOnlyList<SetAside> Aside() => Now().Aside;

    Known Now()
    {
        if (_known is { } known)
            return known;
        // What is read while a sheet is being written may be older than what is committed meanwhile: then it is used once and not
        // kept.
        int version = _version;
        using SqliteConnection connection = file.Connect();
        var aside = new List<SetAside>();
        List<SheetRow> rows = Rows(connection, null, aside);
        string currency = Currency(connection, null);
        if (
            aside.Count == 0
            && _before is { } before
            && SameSheets.OnlyUnits(before.Pack, before.Rows, currency, rows) is { } same
        )
            known = new Known(same, aside, rows);
        else
        {
            Pack pack = Sound.Read(currency, rows, aside);
            known = new Known(_before is { } was ? SameSheets.Kept(was.Pack, was.Rows, pack, rows) : pack, aside, rows);
        }
        if (version == _version)
            (_known, _before) = (known, known);
        return known;
    }

    /// <summary>Reads what stands in the database, inside a transaction what would stand there after it.</summary>
    /// <param name="aside">Takes what does not read.</param>
    internal static Pack Load(SqliteConnection connection, IDbTransaction? transaction, List<SetAside> aside) =>
        Sound.Read(Currency(connection, transaction), Rows(connection, transaction, aside), aside);

    const string NotRemoved = "not exists (select 1 from removed r where r.kind = s.kind and r.id = s.id)";

    /// <summary>Every stored sheet but the jobs, in the order in which they came.</summary>
    /// <param name="aside">Takes what the file does not give.</param>
    internal static List<SheetRow> Rows(SqliteConnection connection, IDbTransaction? transaction, List<SetAside> aside) =>
        Sound.Rows(
            () =>
                connection.Query<SheetRow>(
                    $"select kind, id, json from sheet s where {NotRemoved} order by rowid",
                    transaction: transaction
                ),
            () =>
                connection.Query<(string, string)>($"select kind, id from sheet s where {NotRemoved}", transaction: transaction),
            key =>
                connection.QuerySingleOrDefault<SheetRow>(
                    "select kind, id, json from sheet where kind = @Kind and id = @Id",
                    new { key.Kind, key.Id },
                    transaction
                ),
            aside
        );

    /// <summary>The cabin's one currency; the first pack gives it.</summary>
    internal static string Currency(SqliteConnection connection, IDbTransaction? transaction) =>
        connection.QuerySingleOrDefault<string>("select value from setting where name = 'currency'", transaction: transaction)
        ?? Pack.Empty.Currency;

    /// <summary>
    /// Writes one sheet, new or again, inside the import's transaction. Nothing is done where it stands so already.
    /// </summary>
    internal void Put(SqliteConnection connection, IDbTransaction transaction, string kind, string id, string name, string json)
    {
        Forget();
        connection.Execute("delete from removed where kind = @kind and id = @id", new { kind, id }, transaction);
        connection.Execute(
            """
            insert into sheet (kind, id, name, json, imported_at) values (@kind, @id, @name, @json, @at)
            on conflict (kind, id) do update set name = excluded.name, json = excluded.json, imported_at = excluded.imported_at
            where json <> excluded.json
            """,
            new
            {
                kind,
                id,
                name,
                json,
                at = clock.GetUtcNow().ToString("O"),
            },
            transaction
        );
    }

    /// <summary>The stored JSON of a sheet, or null.</summary>
    internal static string? Stored(SqliteConnection connection, IDbTransaction transaction, string kind, string id) =>
        connection.QuerySingleOrDefault<string>(
            "select json from sheet where kind = @kind and id = @id",
            new { kind, id },
            transaction
        );

    /// <summary>Changes a unit's own sheet; false: there is none of that id.</summary>
    public bool Change(string unit, Func<Unit, Unit> edit)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        if (Stored(connection, transaction, "unit", unit) is not { } json)
            return false;
        JsonObject after = Declaration<Unit>.Edit(JsonNode.Parse(json)!.AsObject(), u => edit(u))!;
        Put(connection, transaction, "unit", unit, (string)after["name"]!, after.ToJsonString(StoredJson.AsTyped));
        transaction.Commit();
        Forget();
        return true;
    }

    /// <summary>The JSON of a sheet as it was typed, or null.</summary>
    public string? Json(string kind, string id)
    {
        using SqliteConnection connection = file.Connect();
        return connection.QuerySingleOrDefault<string>(
            "select json from sheet where kind = @kind and id = @id",
            new { kind, id }
        );
    }

    /// <summary>To be called after a commit that may have written sheets, and when the file holds another cabin.</summary>
    internal void Forget()
    {
        Interlocked.Increment(ref _version);
        _known = null;
    }
}
