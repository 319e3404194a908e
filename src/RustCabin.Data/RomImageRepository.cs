using System.Security.Cryptography;
using Dapper;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>An image of a unit without its bytes: where it came from, and on what right it is used.</summary>
public sealed record RomImageLine
{
    public long Id { get; init; }

    /// <summary>The first 12 hex digits of its SHA-256.</summary>
    public string Sum { get; init; } = "";

    /// <summary>
    /// How a plan names it: number and sum, so that another cabin's image of the same number is not taken for it.
    /// </summary>
    public string Key => $"{Id}-{Sum}";

    public string Name { get; init; } = "";
    public string Origin { get; init; } = "";
    public string Right { get; init; } = "";
    public long Size { get; init; }
    public bool Hidden { get; init; }
}

/// <summary>Images of ROM devices, kept with their unit. None ships, and no pack carries one.</summary>
public sealed class RomImageRepository(CabinFile file, TimeProvider clock)
{
    /// <summary>No unit keeps more.</summary>
    public const int MostOfUnit = 100;

    /// <summary>Keeps an image; null when the unit has as many as it may.</summary>
    public RomImageLine? Add(string unit, string name, string origin, string right, byte[] bytes)
    {
        using SqliteConnection connection = file.Connect();
        string next = CabinFile.NextOf("rom_image");
        return connection.QuerySingleOrDefault<RomImageLine>(
            $"""
            insert into rom_image (id, unit, at, name, origin, right, bytes, sum)
            select {next}, @unit, @at, @name, @origin, @right, @bytes, @sum
            where (select count(*) from rom_image where unit = @unit) < @MostOfUnit
            returning id, sum, name, origin, right, length(bytes) as size, hidden
            """,
            new
            {
                unit,
                at = clock.GetUtcNow().ToString("O"),
                name,
                origin,
                right,
                bytes,
                sum = Convert.ToHexStringLower(SHA256.HashData(bytes))[..12],
                MostOfUnit,
            }
        );
    }

    /// <summary>The unit's images in the order in which they came, taken-off ones included.</summary>
    public IReadOnlyList<RomImageLine> Of(string unit)
    {
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection.Query<RomImageLine>(
                "select id, sum, name, origin, right, length(bytes) as size, hidden from rom_image where unit = @unit order "
                    + "by id",
                new { unit }
            ),
        ];
    }

    public byte[]? Bytes(string unit, long id)
    {
        using SqliteConnection connection = file.Connect();
        return connection.QuerySingleOrDefault<byte[]>(
            "select bytes from rom_image where unit = @unit and id = @id",
            new { unit, id }
        );
    }

    /// <summary>Takes an image off the page or puts it back.</summary>
    public void Hide(string unit, long id, bool hidden)
    {
        using SqliteConnection connection = file.Connect();
        connection.Execute(
            "update rom_image set hidden = @hidden where unit = @unit and id = @id",
            new
            {
                unit,
                id,
                hidden,
            }
        );
    }

    /// <summary>
    /// Erases an image that was taken off the page: its bytes are overwritten in the file. It cannot be brought back; a plan
    /// that names it says that it is not here.
    /// </summary>
    /// <returns>False when there is none that was taken off.</returns>
    public bool Erase(string unit, long id) => file.Erase("rom_image", unit, id);
}
