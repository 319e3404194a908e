using Dapper;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>
/// What was taken off the shelf: units and jobs. Nothing of them is deleted; put back, each is there again as it was.
/// </summary>
public sealed class ShelfRepository(CabinFile file, SheetRepository sheets, TimeProvider clock)
{
    /// <summary>Takes a job off the shelf; it stays in the file, and can be put back.</summary>
    public bool Remove(string id) => Away("job", id, "select count(*) from job where id = @id");

    /// <summary>Takes a unit off the shelf, and its jobs with it; all stay in the file, and can be put back.</summary>
    public bool RemoveUnit(string id) => Away("unit", id, "select count(*) from sheet where kind = 'unit' and id = @id");

    bool Away(string kind, string id, string there)
    {
        using SqliteConnection connection = file.Connect();
        if (connection.QuerySingle<long>(there, new { id }) == 0)
            return false;
        connection.Execute(
            "insert into removed (kind, id, at) values (@kind, @id, @at) on conflict do nothing",
            new
            {
                kind,
                id,
                at = clock.GetUtcNow().ToString("O"),
            }
        );
        sheets.Forget();
        return true;
    }

    /// <summary>Puts a unit or a job back on the shelf.</summary>
    public void PutBack(string kind, string id)
    {
        using SqliteConnection connection = file.Connect();
        connection.Execute("delete from removed where kind = @kind and id = @id", new { kind, id });
        sheets.Forget();
    }

    /// <summary>What was taken off the shelf, the latest first: its kind, its id and its name.</summary>
    public IReadOnlyList<(string Kind, string Id, string Name)> Removed()
    {
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection.Query<(string, string, string)>(
                """
                select r.kind, r.id, coalesce(s.name,
                  case when json_valid(c.json) then json_extract(c.json, '$.name') end, r.id) from removed r
                left join sheet s on r.kind = 'unit' and s.kind = 'unit' and s.id = r.id
                left join job j on r.kind = 'job' and j.id = r.id
                left join job_change c on c.job = j.id and c.seq = j.position
                order by r.at desc
                """
            ),
        ];
    }
}
