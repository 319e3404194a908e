using System.Data;
using System.Text.Json;
using System.Text.Json.Nodes;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Data;

/// <summary>A job as it stands, with what undo and redo would do (null: nothing to undo, to redo).</summary>
public sealed record StoredJob(Job Job, long Version, string? Undoes, string? Redoes)
{
    /// <summary>The open jobs that come right after it; those of a list of all jobs are not looked for.</summary>
    public IReadOnlyList<Job> Next { get; init; } = [];
}

/// <summary>One line of a job's history. <paramref name="Standing"/>: it is in force now, not taken back.</summary>
public sealed record JobChange(long Seq, DateTimeOffset At, string What, bool Standing);

public sealed record JobName
{
    public string Id { get; init; } = "";
    public string Unit { get; init; } = "";
    public string Name { get; init; } = "";

    /// <summary>It is done with.</summary>
    public bool Ended { get; init; }
}

public enum WriteResult
{
    Written,
    Stale,
    Missing,
    Refused,
    Nothing,
}

/// <summary>How a change to a job went. <paramref name="Problems"/> says why one was refused.</summary>
public sealed record WriteOutcome(WriteResult Result, IReadOnlyList<SheetError> Problems)
{
    public static WriteOutcome Of(WriteResult result) => new(result, []);

    /// <summary>The change means nothing to what stands there.</summary>
    public static readonly WriteOutcome NotThere = new(
        WriteResult.Refused,
        [new SheetError("", "what was pressed is not there any more")]
    );
}

/// <summary>
/// Jobs and every state they were in. A change adds a state; undo and redo move between states; nothing is ever deleted. Each
/// write is one transaction, and names the version that it was made from: a later one than the writer saw makes it stale, and
/// nothing is written.
/// </summary>
public sealed partial class JobRepository(CabinFile file, SheetRepository sheets, TimeProvider clock)
{
    sealed record Row(string Id, string Unit, long Position, long Version, string Json);

    /// <summary>Only jobs that stand on the shelf: neither they nor their unit were taken off.</summary>
    const string There =
        "not exists (select 1 from removed r where r.kind = 'job' and r.id = j.id or r.kind = 'unit' and r.id = j.unit)";

    const string Select =
        "select j.id, j.unit, j.position, j.version, c.json from job j join job_change c on c.job = j.id and c.seq = j.position";

    /// <summary>Goes back to the latest state of a job that reads; what came after it stays in the file.</summary>
    /// <returns>False: no state of it reads.</returns>
    public bool GoBack(string id)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        long? sound = connection
            .Query<(long Seq, string Json)>(
                "select c.seq, c.json from job_change c join job j on j.id = c.job where j.id = @id and c.seq < j.position and "
                    + "c.dropped = 0 order by c.seq desc",
                new { id },
                transaction,
                buffered: false
            )
            .Where(c => Read(c.Json) is not null)
            .Select(c => (long?)c.Seq)
            .FirstOrDefault();
        if (sound is null)
            return false;
        connection.Execute(
            "update job set position = @sound, version = version + 1 where id = @id",
            new { id, sound },
            transaction
        );
        transaction.Commit();
        return true;
    }

    /// <summary>
    /// Makes one change: <paramref name="edit"/> turns the job's record into the changed one, which is merged into its JSON;
    /// <paramref name="what"/> names it for the history.
    /// Refused, with the errors, when the result does not read as a job.
    /// </summary>
    public WriteOutcome Change(string id, long version, string what, Func<Job, Job?> edit) =>
        Write(
            id,
            version,
            (connection, transaction, row) =>
            {
                JsonObject before = JsonNode.Parse(row.Json)!.AsObject();
                if (Declaration<Job>.Edit(before, edit) is not { } after)
                    return WriteOutcome.NotThere;
                string json = after.ToJsonString(StoredJson.AsTyped);
                if (json == before.ToJsonString(StoredJson.AsTyped))
                    return WriteOutcome.Of(WriteResult.Nothing);
                using JsonDocument document = JsonDocument.Parse(json);
                if (PackReader.ReadJob(document.RootElement, sheets.All()).Errors is { Count: > 0 } errors)
                    return new WriteOutcome(WriteResult.Refused, errors);
                Append(connection, transaction, row.Id, row.Position, what, json);
                return WriteOutcome.Of(WriteResult.Written);
            }
        );

    /// <summary>
    /// Makes one change to the job's unit, kept in the job's history so that undo takes it back like any other.
    /// </summary>
    public WriteOutcome ChangeUnit(string id, long version, string what, Func<Unit, Unit?> edit) =>
        ChangeBoth(id, version, what, job => job, edit);

    /// <summary>Makes one change to a job and its unit together.</summary>
    public WriteOutcome ChangeBoth(string id, long version, string what, Func<Job, Job?> edit, Func<Unit, Unit?> editUnit) =>
        Write(
            id,
            version,
            (connection, transaction, row) =>
            {
                string before = SheetRepository.Stored(connection, transaction, "unit", row.Unit)!;
                if (
                    Declaration<Unit>.Edit(JsonNode.Parse(before)!.AsObject(), editUnit) is not { } unit
                    || Declaration<Job>.Edit(JsonNode.Parse(row.Json)!.AsObject(), edit) is not { } changed
                )
                    return WriteOutcome.NotThere;
                (string after, string job) = (unit.ToJsonString(StoredJson.AsTyped), changed.ToJsonString(StoredJson.AsTyped));
                if (after == before && job == JsonNode.Parse(row.Json)!.ToJsonString(StoredJson.AsTyped))
                    return WriteOutcome.Of(WriteResult.Nothing);
                using JsonDocument document = JsonDocument.Parse(after);
                if (PackReader.ReadUnit(document.RootElement, sheets.All()).Errors is { Count: > 0 } errors)
                    return new WriteOutcome(WriteResult.Refused, errors);
                long seq = Append(connection, transaction, row.Id, row.Position, what, job);
                connection.Execute(
                    "update job_change set unit_before = @before, unit_after = @after where job = @Id and seq = @seq",
                    new
                    {
                        before,
                        after,
                        row.Id,
                        seq,
                    },
                    transaction
                );
                PutUnit(connection, transaction, row.Unit, after);
                return WriteOutcome.Of(WriteResult.Written);
            },
            unitToo: true
        );

    public WriteOutcome Undo(string id, long version) =>
        Step(
            id,
            version,
            "select max(seq) from job_change where job = @Id and seq < @Position and dropped = 0",
            "select unit_before from job_change where job = @Id and seq = @Position"
        );

    public WriteOutcome Redo(string id, long version) =>
        Step(
            id,
            version,
            "select min(seq) from job_change where job = @Id and seq > @Position and dropped = 0",
            "select unit_after from job_change where job = @Id and seq = (select min(seq) from job_change where job = @Id and "
                + "seq > @Position and dropped = 0)"
        );

    WriteOutcome Step(string id, long version, string target, string unitThen) =>
        Write(
            id,
            version,
            (connection, transaction, row) =>
            {
                if (connection.QuerySingle<long?>(target, row, transaction) is not { } seq)
                    return WriteOutcome.Of(WriteResult.Nothing);
                if (connection.QuerySingleOrDefault<string>(unitThen, row, transaction) is { } unit)
                    PutUnit(connection, transaction, row.Unit, unit);
                connection.Execute(
                    "update job set position = @seq, version = version + 1 where id = @Id",
                    new { seq, row.Id },
                    transaction
                );
                return WriteOutcome.Of(WriteResult.Written);
            },
            unitToo: true
        );

    void PutUnit(SqliteConnection connection, IDbTransaction transaction, string id, string json)
    {
        string name = (string)JsonNode.Parse(json)!["name"]!;
        sheets.Put(connection, transaction, "unit", id, name, json);
    }

    WriteOutcome Write(
        string id,
        long version,
        Func<SqliteConnection, SqliteTransaction, Row, WriteOutcome> write,
        bool unitToo = false
    )
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        if (
            connection.QuerySingleOrDefault<Row>($"{Select} where j.id = @id and {There}", new { id }, transaction) is not { } row
        )
            return WriteOutcome.Of(WriteResult.Missing);
        if (row.Version != version)
            return WriteOutcome.Of(WriteResult.Stale);
        WriteOutcome outcome = write(connection, transaction, row);
        if (outcome.Result == WriteResult.Written)
        {
            string after = connection.QuerySingle<Row>($"{Select} where j.id = @id", new { id }, transaction).Json;
            if (after != row.Json)
                StockUses.Follow(connection, transaction, sheets.All(), Read(row.Json)!, Read(after)!);
            transaction.Commit();
        }
        if (unitToo)
            sheets.Forget();
        return outcome;
    }

    /// <summary>Adds a state after the present one; states that were taken back are dropped from redo, but kept.</summary>
    long Append(SqliteConnection connection, IDbTransaction transaction, string id, long position, string what, string json)
    {
        connection.Execute(
            "update job_change set dropped = 1 where job = @id and seq > @position",
            new { id, position },
            transaction
        );
        long seq = connection.QuerySingle<long>(
            "select coalesce(max(seq), 0) + 1 from job_change where job = @id",
            new { id },
            transaction
        );
        connection.Execute(
            "insert into job_change (job, seq, at, what, json) values (@id, @seq, @at, @what, @json)",
            new
            {
                id,
                seq,
                at = clock.GetUtcNow().ToString("O"),
                what,
                json,
            },
            transaction
        );
        connection.Execute("update job set position = @seq, version = version + 1 where id = @id", new { id, seq }, transaction);
        return seq;
    }

    /// <summary>
    /// Writes a job of a pack inside the import's transaction: a new one with its first state, a known one as one more change.
    /// </summary>
    internal void Put(SqliteConnection connection, IDbTransaction transaction, Job job, string json, string what)
    {
        connection.Execute(
            "insert into job (id, unit, position, version) values (@Id, @Unit, 0, 0) on conflict do update set unit = "
                + "excluded.unit",
            job,
            transaction
        );
        long position = connection.QuerySingle<long>("select position from job where id = @Id", job, transaction);
        Append(connection, transaction, job.Id, position, what, json);
    }

    internal static string? Stored(SqliteConnection connection, IDbTransaction transaction, string id) =>
        connection.QuerySingleOrDefault<Row>($"{Select} where j.id = @id", new { id }, transaction)?.Json;

    /// <summary>
    /// What the jobs here would say wrong of other sheets than they were written for. A job that is off the shelf, or whose unit
    /// is, holds no sheet: where it no longer fits when it is put back, it is named there.
    /// </summary>
    internal IReadOnlyList<SheetError> Broken(SqliteConnection connection, IDbTransaction transaction, Pack sheets)
    {
        var before = Aside().Select(a => a.Id).ToHashSet();
        return
        [
            .. connection
                .Query<Row>($"{Select} where {There}", transaction: transaction)
                .Where(row => !before.Contains(row.Id))
                .SelectMany(row =>
                {
                    using JsonDocument document = JsonDocument.Parse(row.Json);
                    return PackReader
                        .ReadJob(document.RootElement, sheets)
                        .Errors.Select(e => e with { Path = $"already here: job {row.Id}: {e.Path}" });
                }),
        ];
    }

    /// <summary>
    /// Begins an empty job for a unit, under the first free id made of the unit's. At the iron one keeps to the ways of the job
    /// that was changed last.
    /// </summary>
    public string Begin(string unit, string name)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        var taken = connection.Query<string>("select id from job", transaction: transaction).ToHashSet();
        string id = Enumerable
            .Range(1, int.MaxValue)
            .Select(n => $"{unit}-job-{n}")
            .First(candidate => !taken.Contains(candidate));
        var job = new Job
        {
            Id = id,
            Unit = unit,
            Name = name,
        };
        if (LastHabits(connection, transaction) is { Count: > 0 } habits)
            job = job with { Build = new JobBuild { Habits = habits } };
        string json = Declaration<Job>.Write(job).ToJsonString(StoredJson.AsTyped);
        Put(connection, transaction, Read(json)!, json, "Job begun");
        transaction.Commit();
        return id;
    }

    /// <summary>To which ways the job that was changed last keeps; null: none says.</summary>
    static OrderedDictionary<string, string>? LastHabits(SqliteConnection connection, SqliteTransaction transaction) =>
        connection.QueryFirstOrDefault<string>(
            "select json_extract(c.json, '$.build.habits') from job j join job_change c on c.job = j.id and c.seq = j.position "
                + "where json_valid(c.json) and json_extract(c.json, '$.build.habits') is not null order by c.at desc limit 1",
            transaction: transaction
        )
            is { } json
            ? JsonSerializer.Deserialize<OrderedDictionary<string, string>>(json)
            : null;
}
