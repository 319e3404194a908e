using System.Text.Json;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Data;

/// <summary>
/// Takes sheets out again as a canonical pack: the whole cabin, or one unit with its jobs and every sheet that they need. What
/// does not read any more stays behind.
/// </summary>
public sealed class PackExport(CabinFile file, SheetRepository sheets, JobRepository jobs)
{
    /// <summary>The whole cabin, sheets in the order in which they came.</summary>
    public byte[] Whole() => Of(_ => true);

    /// <summary>
    /// One unit, its model (or the part that it is), its jobs and the parts that it or they name; null when there is no such
    /// unit.
    /// </summary>
    public byte[]? OfUnit(string id) => OfUnit(id, _ => true);

    /// <summary>One job with its unit and every sheet that they need; null when there is no such job.</summary>
    public byte[]? OfJob(string id) => jobs.Find(id) is { } stored ? OfUnit(stored.Job.Unit, j => j.Id == id) : null;

    byte[]? OfUnit(string id, Func<Job, bool> goes)
    {
        if (sheets.All().FindUnit(id) is not { } unit)
            return null;
        Job[] own = [.. jobs.All().Where(j => j.Unit == id && goes(j))];
        var parts = unit.Fitted.Concat(own.SelectMany(j => j.Add)).Select(f => f.Part).ToHashSet();
        return Of(row =>
            row.Kind switch
            {
                "unit" => row.Id == id,
                "model" => row.Id == unit.Model,
                "part" => parts.Contains(row.Id) || row.Id == unit.Model,
                "job" => own.Any(j => j.Id == row.Id),
                _ => false,
            }
        );
    }

    /// <summary>One sheet alone; null when there is none. It may name sheets that the reader must have already.</summary>
    public byte[]? OfSheet(string kind, string id)
    {
        bool found = false;
        byte[] pack = Of(row =>
        {
            bool wanted = row.Kind == kind && row.Id == id;
            found |= wanted;
            return wanted;
        });
        return found ? pack : null;
    }

    byte[] Of(Func<SheetRow, bool> wanted)
    {
        var aside = sheets.Aside().Concat(jobs.Aside()).Select(a => (a.Kind, a.Id)).ToHashSet();
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction(deferred: true);
        ILookup<string, string> json = SheetRepository
            .Rows(connection, transaction, [])
            .Concat(
                connection.Query<SheetRow>(
                    "select 'job' as kind, j.id, c.json from job j join job_change c on c.job = j.id and c.seq = j.position "
                        + "order by j.rowid",
                    transaction: transaction
                )
            )
            .Where(row => !aside.Contains((row.Kind, row.Id)) && wanted(row))
            .ToLookup(r => r.Kind, r => r.Json);
        using JsonDocument pack = PackReader.Parse(
            CanonicalPack.Compose(SheetRepository.Currency(connection, transaction), kind => json[kind])
        );
        return CanonicalPack.Write(pack.RootElement);
    }
}
