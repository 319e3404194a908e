using System.Text.Encodings.Web;
using System.Text.Json;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Sheets;

namespace RustCabin.Data;

/// <summary>A sheet that is here already with other contents, and every field that differs.</summary>
public sealed record Clash(string Kind, string Id, IReadOnlyList<FieldChange> Changes);

/// <summary>What an import did, or why it did nothing: errors with their paths, or sheets that are here already with other contents.</summary>
public sealed record ImportOutcome(IReadOnlyList<SheetError> Errors, IReadOnlyList<Clash> Clashes, IReadOnlyList<string> Written, int Unchanged, Pack? Pack)
{
    public bool Done => Errors.Count == 0 && Clashes.Count == 0;
}

/// <summary>Brings a pack into the cabin: all of it in one transaction, or nothing.</summary>
public sealed class PackImport(CabinFile file, SheetRepository sheets, JobRepository jobs)
{
    /// <summary>
    /// Imports. Sheets whose id is here with other contents are clashes, and stop the import, unless <paramref name="replace"/>; a job that
    /// is replaced gets one more state in its history, so that this too can be undone.
    /// </summary>
    /// <exception cref="JsonException">It is not JSON.</exception>
    public ImportOutcome Run(ReadOnlyMemory<byte> utf8, bool replace, string from)
    {
        using JsonDocument document = PackReader.Parse(utf8);
        PackReading reading = PackReader.Read(document.RootElement, sheets.All());
        if (reading.Pack is not { } pack) return new ImportOutcome(reading.Errors, [], [], 0, null);

        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        ImportOutcome outcome = Write(connection, transaction, document.RootElement, pack, replace, from);
        if (outcome.Done) transaction.Commit();
        else transaction.Rollback();
        sheets.Forget();
        return outcome;
    }

    ImportOutcome Write(SqliteConnection connection, SqliteTransaction transaction, JsonElement root, Pack pack, bool replace, string from)
    {
        var written = new List<string>();
        var clashes = new List<Clash>();
        int unchanged = 0;
        foreach ((string kind, string id, string name, string json) in Sheets(root))
        {
            string? here = kind == "job" ? JobRepository.Stored(connection, transaction, id) : SheetRepository.Stored(connection, transaction, kind, id);
            if (here == json) unchanged++;
            else if (here is not null && !replace) clashes.Add(new Clash(kind, id, Changes(here, json)));
            else
            {
                if (kind == "job") jobs.Put(connection, transaction, pack.FindJob(id)!, json, here is null ? $"Imported from {from}" : $"Imported anew from {from}");
                else sheets.Put(connection, transaction, kind, id, name, json);
                written.Add($"{kind} {id}");
            }
        }
        if (clashes.Count > 0) return new ImportOutcome([], clashes, [], 0, pack);

        // The first pack gives the cabin its currency.
        connection.Execute("insert into setting (name, value) values ('currency', @Currency) on conflict do nothing", pack, transaction);
        return new ImportOutcome(replace ? BrokenElsewhere(connection, transaction) : [], [], written, unchanged, pack);
    }

    static IReadOnlyList<FieldChange> Changes(string here, string coming)
    {
        using JsonDocument before = JsonDocument.Parse(here), after = JsonDocument.Parse(coming);
        return [.. SheetChanges.Between(before.RootElement, after.RootElement)];
    }

    /// <summary>A sheet that is replaced may be one that others, which the pack does not hold, refer to: all of it must still read.</summary>
    static IReadOnlyList<SheetError> BrokenElsewhere(SqliteConnection connection, SqliteTransaction transaction)
    {
        PackReading all = SheetRepository.Load(connection, transaction);
        return all.Pack is { } pack ? JobRepository.Broken(connection, transaction, pack) : [.. all.Errors.Select(e => e with { Path = $"already here: {e.Path}" })];
    }

    static IEnumerable<(string Kind, string Id, string Name, string Json)> Sheets(JsonElement root)
    {
        foreach (string kind in (string[])["model", "part", "unit", "title", "job"])
            if (root.TryGetProperty($"{kind}s", out JsonElement list))
                foreach (JsonElement sheet in list.EnumerateArray())
                    yield return (kind, sheet.GetProperty("id").GetString()!, sheet.GetProperty("name").GetString()!, JsonSerializer.Serialize(sheet, Compact));
    }

    static readonly JsonSerializerOptions Compact = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
}
