using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Dapper;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Data;

// What is asked of the jobs; what is done to them is in JobRepository.cs.
public sealed partial class JobRepository
{
    // Set field by field: a column that is null in the first row has no type to match a constructor with.
    sealed record FoundRow
    {
        public string Id { get; init; } = "";
        public long Version { get; init; }
        public string Json { get; init; } = "";
        public string? Undoes { get; init; }
        public string? Redoes { get; init; }
    }

    /// <summary>
    /// Each job as it was last read: the same text is the same object, so that what is worked out from it can be kept beside it.
    /// </summary>
    readonly ConcurrentDictionary<string, (string Json, Job Job)> _read = new(StringComparer.Ordinal);

    /// <summary>All jobs as they stood when they were last asked for, and what stood for their state and their sheets'.</summary>
    sealed record KnownJobs(string Stamp, Pack Sheets, (IReadOnlyList<StoredJob> Jobs, IReadOnlyList<SetAside> Aside) Found)
    {
        /// <summary>The rows that were read, by the jobs' ids.</summary>
        public required IReadOnlyDictionary<string, FoundRow> Rows { get; init; }

        /// <summary>The state of the file at which they were read, or were last seen to be as they were read.</summary>
        public required long State { get; init; }
    }

    volatile KnownJobs? _jobs;

    /// <summary>Jobs that were asked for one by one at a state of the file.</summary>
    sealed record Asked(long State, Pack Sheets)
    {
        public ConcurrentDictionary<string, StoredJob> Jobs { get; } = new(StringComparer.Ordinal);
    }

    volatile Asked? _asked;

    readonly ByStamp<IReadOnlyList<JobName>> _names = new(
        file,
        Stamp,
        connection =>
            [
                .. connection.Query<JobName>(
                    "select j.id, j.unit, case when json_valid(c.json) then json_extract(c.json, '$.name') else j.id end "
                        + "as name, case when json_valid(c.json) "
                        + "then coalesce(json_extract(c.json, '$.ended'), 0) else 1 end as ended from job j "
                        + "join job_change c on c.job = j.id and "
                        + $"c.seq = j.position where {There} order by j.rowid"
                ),
            ]
    );

    readonly ByStamp<IReadOnlyList<(string Id, string Json)>> _running = new(
        file,
        Stamp,
        connection =>
            [
                .. connection.Query<(string, string)>(
                    "select j.id, c.json from job j join job_change c on c.job = j.id and c.seq = j.position where "
                        + $"{There} and (instr(c.json, '\"standing\"') or instr(c.json, '\"erasing\"') or "
                        + "instr(c.json, '\"look\"')) order by j.rowid"
                ),
            ]
    );

    /// <summary>To be called when the file holds another cabin: its jobs may be at the same versions by chance.</summary>
    internal void Forget()
    {
        _names.Forget();
        _running.Forget();
        _asked = null;
        _jobs = null;
    }

    /// <summary>Every job that reads.</summary>
    public IReadOnlyList<Job> All() => [.. Stored().Select(j => j.Job)];

    /// <summary>Ids, units and names alone, in the order in which the jobs came.</summary>
    public IReadOnlyList<JobName> Names() => _names.Now();

    /// <summary>The jobs that are open, 200 at most.</summary>
    public IReadOnlyList<JobName> Open() => [.. Names().Where(j => !j.Ended).Take(200)];

    /// <summary>Stands for the state of all jobs: as long as it is the same, so are they.</summary>
    static string Stamp(SqliteConnection connection) =>
        connection.QuerySingle<string>(
            "select count(*) || ' ' || total(version) || ' ' || (select coalesce(max(rowid), 0) from job_change) || ' ' || "
                + "(select coalesce(group_concat(kind || id), '') from removed) from job"
        );

    /// <summary>The jobs in which something may go on by itself: a step that stands, an eraser, a bath.</summary>
    public IReadOnlyList<Job> Running() => [.. _running.Now().Select(r => Parse(r.Id, r.Json)).OfType<Job>()];

    const string SelectStored = """
        select j.id, j.version, c.json,
          case when exists (select 1 from job_change e where e.job = j.id and e.seq < j.position and e.dropped = 0)
            then c.what end as undoes,
          (select e.what from job_change e where e.job = j.id and e.seq > j.position and e.dropped = 0
            order by e.seq limit 1) as redoes
        from job j join job_change c on c.job = j.id and c.seq = j.position
        """;

    /// <summary>A job as it stands; null: there is none.</summary>
    /// <exception cref="SetAsideException">It does not read, or its unit does not.</exception>
    public StoredJob? Find(string id)
    {
        (long state, Pack all) = (file.State(), sheets.All());
        if (_asked is not { } asked || asked.State != state || !ReferenceEquals(asked.Sheets, all))
            _asked = asked = new Asked(state, all);
        if (asked.Jobs.TryGetValue(id, out StoredJob? known))
            return known;
        using SqliteConnection connection = file.Connect();
        if (One(connection, id) is not { } found)
            return null;
        StoredJob job = Stored(found) ?? throw new SetAsideException($"The job \"{id}\" does not read any more.");
        if (Dangles(found) is { } why)
            throw new SetAsideException($"What the job \"{id}\" is about does not read any more: {why}.");
        job = job with { Next = NextOf(connection, job.Job) };
        asked.Jobs[id] = job;
        return job;
    }

    /// <summary>Jobs of the same unit that name this one as the one before them, and read.</summary>
    Job[] NextOf(SqliteConnection connection, Job job) =>
        [
            .. connection
                .Query<FoundRow>(
                    $"{SelectStored} where j.unit = @Unit and j.id <> @Id and instr(c.json, '\"after\"') and {There} "
                        + "order by j.rowid",
                    job
                )
                .Where(row => Dangles(row) is null)
                .Select(row => Parse(row.Id, row.Json))
                .OfType<Job>()
                .Where(next => next.After == job.Id && !next.Ended),
        ];

    /// <summary>Every job that reads, as it stands, in the order in which they came.</summary>
    public IReadOnlyList<StoredJob> Stored() => Standing().Jobs;

    /// <summary>The jobs that do not read.</summary>
    public IReadOnlyList<SetAside> Aside() => Standing().Aside;

    /// <summary>Both: the jobs that read, and those that do not.</summary>
    public (IReadOnlyList<StoredJob> Jobs, IReadOnlyList<SetAside> Aside) Standing()
    {
        (long state, Pack all) = (file.State(), sheets.All());
        if (_jobs is { } kept && kept.State == state && ReferenceEquals(kept.Sheets, all))
            return kept.Found;
        using SqliteConnection connection = file.Connect();
        string stamp = Stamp(connection);
        if (_jobs is { } known && known.Stamp == stamp && ReferenceEquals(known.Sheets, all))
        {
            _jobs = known with { State = state };
            return known.Found;
        }
        return Read(connection, state, stamp, all);
    }

    static FoundRow? One(SqliteConnection connection, string id) =>
        connection.QuerySingleOrDefault<FoundRow>($"{SelectStored} where j.id = @id and {There}", new { id });

    /// <summary>Reads the jobs; of those that stand as they stood only that they do.</summary>
    (IReadOnlyList<StoredJob> Jobs, IReadOnlyList<SetAside> Aside) Read(
        SqliteConnection connection,
        long state,
        string stamp,
        Pack all
    )
    {
        var aside = new List<SetAside>();
        var jobs = new List<StoredJob>();
        var rows = new Dictionary<string, FoundRow>(StringComparer.Ordinal);
        foreach (FoundRow row in RowsOf(connection, aside))
        {
            rows[row.Id] = row;
            if (Stored(row) is not { } job)
                aside.Add(
                    new SetAside("job", row.Id, Sound.IsJson(row.Json) ? "it is no job any more" : "it is not JSON any more")
                );
            else if (Dangles(row) is { } why)
                aside.Add(new SetAside("job", row.Id, why));
            else
                jobs.Add(job);
        }
        _jobs = new KnownJobs(stamp, all, (jobs, aside)) { Rows = rows, State = state };
        return (jobs, aside);
    }

    /// <summary>
    /// The rows in the order in which the jobs came; the text is fetched of those alone whose version is another.
    /// </summary>
    List<FoundRow> RowsOf(SqliteConnection connection, List<SetAside> aside)
    {
        if (_jobs is not { } known)
            return Sound.Rows(
                () => connection.Query<FoundRow>($"{SelectStored} where {There} order by j.rowid"),
                () => connection.Query<(string, string)>($"select 'job', j.id from job j where {There}"),
                key => One(connection, key.Id),
                aside
            );
        (string Id, long Version)[] now =
        [
            .. connection.Query<(string, long)>($"select j.id, j.version from job j where {There} order by j.rowid"),
        ];
        var rows = new List<FoundRow>();
        foreach ((string id, long version) in now)
            if (known.Rows.TryGetValue(id, out FoundRow? row) && row.Version == version)
                rows.Add(row);
            else
                rows.AddRange(
                    Sound.Rows(
                        () => One(connection, id) is { } one ? [one] : (FoundRow[])[],
                        () => [("job", id)],
                        _ => null,
                        aside
                    )
                );
        return rows;
    }

    /// <summary>What was found of jobs against sheets, as long as those sheets are the ones that stand.</summary>
    readonly ConditionalWeakTable<Pack, ConcurrentDictionary<string, string>> _dangling = [];

    /// <summary>
    /// What a job refers to that is not there: it was set aside, or changed while the job or its unit was off the shelf; null:
    /// nothing, as nearly always.
    /// </summary>
    string? Dangles(FoundRow row)
    {
        Pack all = sheets.All();
        string told = _dangling
            .GetValue(all, _ => new ConcurrentDictionary<string, string>())
            .GetOrAdd(
                row.Json,
                json =>
                {
                    using JsonDocument document = JsonDocument.Parse(json);
                    return PackReader.ReadJob(document.RootElement, all).Errors is [var first, ..] ? first.Sentence : "";
                }
            );
        return told.Length > 0 ? told : null;
    }

    StoredJob? Stored(FoundRow found) =>
        Parse(found.Id, found.Json) is { } job ? new(job, found.Version, found.Undoes, found.Redoes) : null;

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

    /// <summary>The job that a text is, the same object as before where it is the same text; null: it does not read as
    /// one.</summary>
    Job? Parse(string id, string json)
    {
        if (_read.TryGetValue(id, out (string Json, Job Job) known) && known.Json == json)
            return known.Job;
        if (Read(json) is not { } job)
            return null;
        _read[id] = (json, job);
        return job;
    }

    static Job? Read(string json)
    {
        try
        {
            using JsonDocument document = JsonDocument.Parse(json);
            return PackReader.ReadJob(document.RootElement, null).Value;
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
