using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Baseline;

namespace RustCabin.Data;

/// <summary>A picture of a unit, without its bytes.</summary>
public sealed record PhotoLine(long Id, DateTimeOffset At, string Note, bool Hidden);

/// <summary>Pictures of units. They are looked into and cleaned before they come here (<see cref="Photo.Read"/>).</summary>
public sealed class PhotoRepository(CabinFile file, TimeProvider clock)
{
    /// <summary>No unit keeps more.</summary>
    public const int MostOfUnit = 200;

    /// <summary>Keeps a picture; null when the unit has as many as it may.</summary>
    public long? Add(string unit, Photo photo, string note)
    {
        using SqliteConnection connection = file.Connect();
        string next = CabinFile.NextOf("photo");
        return connection.QuerySingleOrDefault<long?>(
            $"""
            insert into photo (id, unit, at, kind, note, bytes) select {next}, @unit, @at, @MediaType, @note, @Bytes
            where (select count(*) from photo where unit = @unit) < @MostOfUnit returning id
            """,
            new
            {
                unit,
                at = clock.GetUtcNow().ToString("O"),
                photo.MediaType,
                note,
                photo.Bytes,
                MostOfUnit,
            }
        );
    }

    /// <summary>The unit's pictures in the order in which they came, taken-off ones included.</summary>
    public IReadOnlyList<PhotoLine> Of(string unit)
    {
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection
                .Query<(long Id, string At, string Note, bool Hidden)>(
                    "select id, at, note, hidden from photo where unit = @unit order by id",
                    new { unit }
                )
                .Select(r => new PhotoLine(r.Id, DateTimeOffset.Parse(r.At), r.Note, r.Hidden)),
        ];
    }

    /// <summary>The media type and bytes of a picture of this unit, or null.</summary>
    public (string Kind, byte[] Bytes)? Find(string unit, long id)
    {
        using SqliteConnection connection = file.Connect();
        (string? Kind, byte[] Bytes) row = connection.QuerySingleOrDefault<(string?, byte[])>(
            "select kind, bytes from photo where unit = @unit and id = @id",
            new { unit, id }
        );
        return row.Kind is { } kind ? (kind, row.Bytes) : null;
    }

    /// <summary>Takes a picture off the page or puts it back; nothing is deleted.</summary>
    public void Hide(string unit, long id, bool hidden)
    {
        using SqliteConnection connection = file.Connect();
        connection.Execute(
            "update photo set hidden = @hidden where unit = @unit and id = @id",
            new
            {
                unit,
                id,
                hidden,
            }
        );
    }

    /// <summary>
    /// Erases a picture that was taken off the page: its bytes are overwritten in the file. It cannot be brought back.
    /// </summary>
    /// <returns>False when there is none that was taken off.</returns>
    public bool Erase(string unit, long id) => file.Erase("photo", unit, id);
}
