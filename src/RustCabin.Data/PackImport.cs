using System.Text.Json;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Data;

/// <summary>A sheet that is here already with other contents, and every field that differs.</summary>
public sealed record Clash(string Kind, string Id, IReadOnlyList<FieldChange> Changes);

public enum ImportMode
{
    /// <summary>Everything is tried and nothing kept.</summary>
    Preview,

    /// <summary>Sheets that are here already with other contents stop the import.</summary>
    Careful,

    /// <summary>Sheets that are here already with other contents are left as they are here.</summary>
    NewOnly,

    /// <summary>Sheets that are here already are replaced.</summary>
    Replace,
}

/// <summary>
/// What an import did, or would do: <paramref name="New"/> and <paramref name="Written"/> as "kind id", <paramref
/// name="Clashes"/> with every field that differs. Errors, with their paths, or a clash in careful mode: nothing was written.
/// <paramref name="Log"/> names it for undo.
/// </summary>
public sealed record ImportOutcome(
    IReadOnlyList<SheetError> Errors,
    IReadOnlyList<Clash> Clashes,
    IReadOnlyList<string> New,
    IReadOnlyList<string> Written,
    int Unchanged,
    Pack? Pack,
    long? Log
)
{
    public bool Done => Log is not null || (Errors.Count == 0 && Clashes.Count == 0);
}

/// <summary>One import of the past. <paramref name="Undone"/>: it was taken back.</summary>
public sealed record ImportLine(long Id, DateTimeOffset At, string Source, long Sheets, bool Undone);

/// <summary>Brings a pack into the cabin: all of it in one transaction, or nothing; and takes a whole import back.</summary>
public sealed class PackImport(CabinFile file, SheetRepository sheets, JobRepository jobs, TimeProvider clock)
{
    /// <summary>Imports. A job that is replaced gets one more state in its history.</summary>
    /// <exception cref="JsonException">It is not JSON.</exception>
    public ImportOutcome Run(ReadOnlyMemory<byte> utf8, ImportMode mode, string from)
    {
        using JsonDocument document = PackReader.Parse(utf8);
        Reading<Pack> reading = PackReader.Read(document.RootElement, sheets.All());
        if (reading.Value is not { } pack)
            return new ImportOutcome(reading.Errors, [], [], [], 0, null, null);

        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        ImportOutcome outcome = Write(connection, transaction, document.RootElement, pack, mode, from);
        if (outcome.Log is not null)
            transaction.Commit();
        else
            transaction.Rollback();
        sheets.Forget();
        return outcome;
    }

    ImportOutcome Write(
        SqliteConnection connection,
        SqliteTransaction transaction,
        JsonElement root,
        Pack pack,
        ImportMode mode,
        string from
    )
    {
        var fresh = new List<string>();
        var written = new List<string>();
        var clashes = new List<Clash>();
        int unchanged = 0;
        long log = connection.QuerySingle<long>(
            "insert into import_log (at, source) values (@at, @from) returning id",
            new { at = clock.GetUtcNow().ToString("O"), from },
            transaction
        );
        foreach ((string kind, string id, string name, string json) in Sheets(root))
        {
            string? here = Here(connection, transaction, kind, id);
            if (here == json)
            {
                unchanged++;
                continue;
            }
            // What is no JSON any more has nothing that could be kept or compared.
            bool reads = here is not null && Sound.IsJson(here);
            if (!reads)
                fresh.Add($"{kind} {id}");
            else
                clashes.Add(new Clash(kind, id, Changes(here!, json)));
            if (reads && mode is (ImportMode.Careful or ImportMode.NewOnly))
                continue;
            if (kind == "job")
                jobs.Put(
                    connection,
                    transaction,
                    pack.FindJob(id)!,
                    json,
                    here is null ? $"Imported from {from}" : $"Imported again from {from}"
                );
            else
                sheets.Put(connection, transaction, kind, id, name, json);
            Remember(connection, transaction, log, (kind, id), here, json);
            written.Add($"{kind} {id}");
        }
        if (mode == ImportMode.Careful && clashes.Count > 0)
            return new ImportOutcome([], clashes, fresh, [], unchanged, pack, null);

        // The first pack gives the cabin its currency.
        connection.Execute(
            "insert into setting (name, value) values ('currency', @Currency) on conflict do nothing",
            pack,
            transaction
        );
        IReadOnlyList<SheetError> broken = clashes.Count > 0 ? BrokenElsewhere(connection, transaction) : [];
        bool keep = mode != ImportMode.Preview && broken.Count == 0;
        return new ImportOutcome(broken, clashes, fresh, keep ? written : [], unchanged, pack, keep ? log : null);
    }

    /// <summary>What an import changed, so that it can be taken back.</summary>
    static void Remember(
        SqliteConnection connection,
        SqliteTransaction transaction,
        long log,
        (string Kind, string Id) sheet,
        string? before,
        string after
    ) =>
        connection.Execute(
            "insert into import_change (import, kind, id, before, after) values (@log, @Kind, @Id, @before, @after)",
            new
            {
                log,
                sheet.Kind,
                sheet.Id,
                before,
                after,
            },
            transaction
        );

    static string? Here(SqliteConnection connection, SqliteTransaction transaction, string kind, string id) =>
        kind == "job"
            ? JobRepository.Stored(connection, transaction, id)
            : SheetRepository.Stored(connection, transaction, kind, id);

    /// <summary>The imports that wrote something, newest first.</summary>
    public IReadOnlyList<ImportLine> Log(int most = 12)
    {
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection
                .Query<(long Id, string At, string Source, long Sheets, bool Undone)>(
                    """
                    select l.id, l.at, l.source, count(*), l.undone from import_log l join import_change c on c.import = l.id
                    group by l.id order by l.id desc limit @most
                    """,
                    new { most }
                )
                .Select(r => new ImportLine(r.Id, DateTimeOffset.Parse(r.At), r.Source, r.Sheets, r.Undone)),
        ];
    }

    /// <summary>
    /// Takes a whole import back: new sheets go, replaced ones stand as before. Refused, with what is in the way, when a sheet
    /// of it was changed since, or something else has come to refer to it.
    /// </summary>
    public IReadOnlyList<SheetError> Undo(long import)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        if (
            connection.Execute("update import_log set undone = 1 where id = @import and undone = 0", new { import }, transaction)
            == 0
        )
            return [new SheetError("", "This import was taken back already.")];
        var changes = connection
            .Query<(string Kind, string Id, string? Before, string After)>(
                "select kind, id, before, after from import_change where import = @import order by rowid desc",
                new { import },
                transaction
            )
            .ToList();
        var errors = new List<SheetError>();
        foreach ((string kind, string id, string? before, string after) in changes)
            if (Here(connection, transaction, kind, id) != after)
                errors.Add(new SheetError($"{kind} {id}", "was changed since"));
            else if (before is null || !Sound.IsJson(before))
                connection.Execute(
                    kind == "job" ? "delete from job where id = @id" : "delete from sheet where kind = @kind and id = @id",
                    new { kind, id },
                    transaction
                );
            else if (kind == "job")
                jobs.Put(connection, transaction, Parsed(before), before, "Import taken back");
            else
                sheets.Put(connection, transaction, kind, id, NameOf(before), before);
        if (errors.Count == 0)
            errors.AddRange(BrokenElsewhere(connection, transaction));
        if (errors.Count == 0)
            transaction.Commit();
        else
            transaction.Rollback();
        sheets.Forget();
        jobs.Forget();
        return errors;
    }

    static Job Parsed(string json)
    {
        using JsonDocument document = JsonDocument.Parse(json);
        return PackReader.ReadJob(document.RootElement, null).Value!;
    }

    static string NameOf(string json)
    {
        using JsonDocument document = JsonDocument.Parse(json);
        return document.RootElement.GetProperty("name").GetString()!;
    }

    static IReadOnlyList<FieldChange> Changes(string here, string coming)
    {
        using JsonDocument before = JsonDocument.Parse(here),
            after = JsonDocument.Parse(coming);
        return [.. SheetChanges.Between(before.RootElement, after.RootElement)];
    }

    /// <summary>
    /// A sheet that is replaced may be one that others, which the pack does not hold, refer to: all of it must still read.
    /// </summary>
    IReadOnlyList<SheetError> BrokenElsewhere(SqliteConnection connection, SqliteTransaction transaction)
    {
        var aside = new List<SetAside>();
        Pack pack = SheetRepository.Load(connection, transaction, aside);
        var before = sheets.Aside().Select(a => (a.Kind, a.Id)).ToHashSet();
        return
        [
            .. aside
                .Where(a => !before.Contains((a.Kind, a.Id)))
                .Select(a => new SheetError($"already here: {a.Kind} {a.Id}", a.Why)),
            .. jobs.Broken(connection, transaction, pack),
        ];
    }

    static IEnumerable<(string Kind, string Id, string Name, string Json)> Sheets(JsonElement root)
    {
        foreach (string kind in (string[])["model", "part", "unit", "title", "job"])
            if (root.TryGetProperty($"{kind}s", out JsonElement list))
                foreach (JsonElement sheet in list.EnumerateArray())
                    yield return (
                        kind,
                        sheet.GetProperty("id").GetString()!,
                        sheet.GetProperty("name").GetString()!,
                        JsonSerializer.Serialize(sheet, StoredJson.AsTyped)
                    );
    }
}
