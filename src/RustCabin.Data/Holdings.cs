using Dapper;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>How many of a kind of thing the file holds, and their bytes as they are stored.</summary>
public sealed record Holding(string What, long Count, long Bytes);

/// <summary>A picture that was taken off its unit's page and still is in the file.</summary>
public sealed record OffPhoto(string Unit, long Id, string Note, DateTimeOffset At, long Bytes);

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

    /// <summary>Pictures that were taken off their pages, oldest first.</summary>
    public IReadOnlyList<OffPhoto> OffPhotos()
    {
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection
                .Query<(string Unit, long Id, string Note, string At, long Bytes)>(
                    "select unit, id, note, at, octet_length(bytes) from photo where hidden = 1 order by id"
                )
                .Select(r => new OffPhoto(r.Unit, r.Id, r.Note, DateTimeOffset.Parse(r.At), r.Bytes)),
        ];
    }
}
