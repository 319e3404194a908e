using System.Collections.Concurrent;
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
public sealed record StoredJob(Job Job, long Version, string? Undoes, string? Redoes);

/// <summary>One line of a job's history. <paramref name="Standing"/>: it is in force now, not taken back.</summary>
public sealed record JobChange(long Seq, DateTimeOffset At, string What, bool Standing);

public sealed record JobName
{
    public string Id { get; init; } = "";
    public string Unit { get; init; } = "";
    public string Name { get; init; } = "";
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
/// write is one
/// transaction, and names the version that it was made from: a later one than the writer saw makes it stale, and nothing is
/// written.
/// </summary>
public sealed class JobRepository(CabinFile file, SheetRepository sheets, TimeProvider clock)
{
    // Set field by field: a column that is null in the first row has no type to match a constructor with.
    sealed record FoundRow
    {
        public long Version { get; init; }
        public string Json { get; init; } = "";
        public string? Undoes { get; init; }
        public string? Redoes { get; init; }
    }

    sealed record Row(string Id, string Unit, long Position, long Version, string Json);

    /// <summary>
    /// What was read before: the same text is the same job, and the same object, so that what is worked out from it can be kept
    /// beside it.
    /// </summary>
    readonly ConcurrentDictionary<string, Job> _read = new(StringComparer.Ordinal);

    /// <summary>So many texts are kept at most; beyond it all are given up, and come back as they are asked for.</summary>
    const int MostRead = 1000;

    /// <summary>The names, and what stood for the state of all jobs when they were read.</summary>
    sealed record KnownNames(string Stamp, IReadOnlyList<JobName> Names);

    volatile KnownNames? _names;

    /// <summary>Only jobs that stand on the shelf: neither they nor their unit were taken off.</summary>
    const string There =
        "not exists (select 1 from removed r where r.kind = 'job' and r.id = j.id or r.kind = 'unit' and r.id = j.unit)";

    const string Select =
        "select j.id, j.unit, j.position, j.version, c.json from job j join job_change c on c.job = j.id and c.seq = j.position";

    public IReadOnlyList<Job> All()
    {
        using SqliteConnection connection = file.Connect();
        return [.. connection.Query<Row>($"{Select} where {There} order by j.rowid").Select(row => Parse(row.Json))];
    }

    /// <summary>Ids, units and names alone, in the order in which the jobs came.</summary>
    public IReadOnlyList<JobName> Names()
    {
        using SqliteConnection connection = file.Connect();
        string stamp = connection.QuerySingle<string>(
            "select count(*) || ' ' || total(version) || ' ' || (select coalesce(max(rowid), 0) from job_change) || ' ' || "
                + "(select coalesce(group_concat(kind || id), '') from removed) from job"
        );
        if (_names is { } known && known.Stamp == stamp)
            return known.Names;
        JobName[] names =
        [
            .. connection.Query<JobName>(
                "select j.id, j.unit, json_extract(c.json, '$.name') as name from job j join job_change c on c.job = j.id and "
                    + $"c.seq = j.position where {There} order by j.rowid"
            ),
        ];
        _names = new KnownNames(stamp, names);
        return names;
    }

    const string SelectStored = """
        select j.version, c.json,
          case when exists (select 1 from job_change e where e.job = j.id and e.seq < j.position and e.dropped = 0)
            then c.what end as undoes,
          (select e.what from job_change e where e.job = j.id and e.seq > j.position and e.dropped = 0
            order by e.seq limit 1) as redoes
        from job j join job_change c on c.job = j.id and c.seq = j.position
        """;

    public StoredJob? Find(string id)
    {
        using SqliteConnection connection = file.Connect();
        return connection.QuerySingleOrDefault<FoundRow>($"{SelectStored} where j.id = @id and {There}", new { id }) is { } found
            ? Stored(found)
            : null;
    }

    /// <summary>Every job as it stands, in the order in which they came.</summary>
    public IReadOnlyList<StoredJob> Stored()
    {
        using SqliteConnection connection = file.Connect();
        return [.. connection.Query<FoundRow>($"{SelectStored} where {There} order by j.rowid").Select(Stored)];
    }

    StoredJob Stored(FoundRow found) => new(Parse(found.Json), found.Version, found.Undoes, found.Redoes);

    /// <summary>The job's changes, newest first.</summary>
    public IReadOnlyList<JobChange> History(string id)
    {
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection
                .Query<(long Seq, string At, string What, bool Standing)>(
                    "select c.seq, c.at, c.what, c.dropped = 0 and c.seq <= j.position from job_change c join job j on j.id = "
                        + "c.job where c.job = @id order by c.seq desc",
                    new { id }
                )
                .Select(r => new JobChange(r.Seq, DateTimeOffset.Parse(r.At), r.What, r.Standing)),
        ];
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
                StockUses.Follow(connection, transaction, sheets.All(), Parse(row.Json), Parse(after));
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

    /// <summary>What the jobs here would say wrong of other sheets than they were written for.</summary>
    internal static IReadOnlyList<SheetError> Broken(SqliteConnection connection, IDbTransaction transaction, Pack sheets) =>
        [
            .. connection
                .Query<Row>(Select, transaction: transaction)
                .SelectMany(row =>
                {
                    using JsonDocument document = JsonDocument.Parse(row.Json);
                    return PackReader
                        .ReadJob(document.RootElement, sheets)
                        .Errors.Select(e => e with { Path = $"already here: job {row.Id}: {e.Path}" });
                }),
        ];

    /// <summary>Begins an empty job for a unit, under the first free id made of the unit's.</summary>
    public string Begin(string unit, string name)
    {
        using SqliteConnection connection = file.Connect();
        using SqliteTransaction transaction = connection.BeginTransaction();
        var taken = connection.Query<string>("select id from job", transaction: transaction).ToHashSet();
        string id = Enumerable
            .Range(1, int.MaxValue)
            .Select(n => $"{unit}-job-{n}")
            .First(candidate => !taken.Contains(candidate));
        string json = Declaration<Job>
            .Write(
                new Job
                {
                    Id = id,
                    Unit = unit,
                    Name = name,
                }
            )
            .ToJsonString(StoredJson.AsTyped);
        Put(connection, transaction, Parse(json), json, "Job begun");
        transaction.Commit();
        return id;
    }

    Job Parse(string json)
    {
        if (_read.TryGetValue(json, out Job? known))
            return known;
        if (_read.Count >= MostRead)
            _read.Clear();
        return _read.GetOrAdd(json, Read);
    }

    static Job Read(string json)
    {
        using JsonDocument document = JsonDocument.Parse(json);
        return PackReader.ReadJob(document.RootElement, null).Value
            ?? throw new CabinFileException("A job in the database does not read.");
    }
}
