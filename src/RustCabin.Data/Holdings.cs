using Dapper;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>How many of a kind of thing the file holds, and their bytes as they are stored.</summary>
public sealed record Holding(string What, long Count, long Bytes);

/// <summary>A photo or an image that was taken off its unit's page and still is in the file.</summary>
/// <param name="Note">What was noted of a photo; the name of an image.</param>
public sealed record OffPage(string Unit, long Id, string Note, DateTimeOffset At, long Bytes);

/// <summary>What is kept in the cabin's file, and how much of it each kind takes.</summary>
public sealed class Holdings(CabinFile file)
{
    public IReadOnlyList<Holding> All()
    {
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection
                .Query<(string What, long Count, long Bytes)>(
                    """
                    select 'sheets', count(*), coalesce(sum(octet_length(json)), 0) from sheet
                    union all select 'jobs with every change', count(*), coalesce(sum(octet_length(json)), 0) from job_change
                    union all select 'things in the cupboard', count(*), coalesce(sum(octet_length(json)), 0) from stock
                    union all select 'photos', count(*), coalesce(sum(octet_length(bytes)), 0) from photo
                    union all select 'images of ROM devices', count(*), coalesce(sum(octet_length(bytes)), 0) from rom_image
                    """
                )
                .Select(r => new Holding(r.What, r.Count, r.Bytes)),
        ];
    }

    /// <summary>Photos that were taken off their pages, oldest first.</summary>
    public IReadOnlyList<OffPage> OffPhotos() => Off("photo", "note");

    /// <summary>Images of ROM devices that were taken off their pages, oldest first.</summary>
    public IReadOnlyList<OffPage> OffImages() => Off("rom_image", "name");

    IReadOnlyList<OffPage> Off(string table, string note)
    {
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection
                .Query<(string Unit, long Id, string Note, string At, long Bytes)>(
                    $"select unit, id, {note}, at, octet_length(bytes) from {table} where hidden = 1 order by id"
                )
                .Select(r => new OffPage(r.Unit, r.Id, r.Note, DateTimeOffset.Parse(r.At), r.Bytes)),
        ];
    }
}
