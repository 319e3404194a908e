using Dapper;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>
/// Something found: a model, part, unit, title, job, stock or photo by its key. <paramref name="Extract"/> has the found words
/// between U+2402 and U+2403.
/// </summary>
public sealed record Found(string Kind, string Key, string Title, string Extract);

/// <summary>A line of a job's history that was found.</summary>
public sealed record FoundLine(string Job, DateTimeOffset At, string Text);

/// <summary>Full-text search over everything in the cabin. Every word must be there, the last as the beginning of one.</summary>
public sealed class SearchRepository(CabinFile file)
{
    public const char WordBegins = '\u2402',
        WordEnds = '\u2403';

    // Set field by field: FTS columns have no type to match a constructor with. They are cast to text where they are read: the
    // key of a cupboard row comes back as a number else, and what is made of the first row is kept for all that follow.
    sealed record Row
    {
        public string Kind { get; init; } = "";
        public string Key { get; init; } = "";
        public string Title { get; init; } = "";
        public string Extract { get; init; } = "";
    }

    /// <summary>What there is, the best match first; a hit in a name weighs ten times one in the text.</summary>
    public IReadOnlyList<Found> Things(string asked, int most = 60)
    {
        if (Query(asked) is not { } query)
            return [];
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection
                .Query<Row>(
                    """
                    select cast(kind as text) as Kind, cast(key as text) as Key, cast(title as text) as Title,
                      cast(snippet(find, 1, char(9218), char(9219), '…', 12) as text) as Extract
                    from find where find match @query order by bm25(find, 10.0, 1.0), rowid limit @most
                    """,
                    new { query, most }
                )
                .Select(r => new Found(r.Kind, r.Key, r.Title, r.Extract)),
        ];
    }

    /// <summary>What was done, newest first.</summary>
    public IReadOnlyList<FoundLine> Log(string asked, int most = 40)
    {
        if (Query(asked) is not { } query)
            return [];
        using SqliteConnection connection = file.Connect();
        return
        [
            .. connection
                .Query<(string Job, string At, string Body)>(
                    "select job, at, body from find_log where find_log match @query order by rowid desc limit @most",
                    new { query, most }
                )
                .Select(r => new FoundLine(r.Job, DateTimeOffset.Parse(r.At), r.Body)),
        ];
    }

    /// <summary>
    /// The words as FTS5 wants them, each in quotes so that none is taken for an operator; null where there is no word.
    /// </summary>
    static string? Query(string asked)
    {
        string[] words =
        [
            .. asked
                .Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)
                .Select(w => w.Replace("\"", ""))
                .Where(w => w.Any(char.IsLetterOrDigit))
                .Take(12),
        ];
        return words.Length == 0 ? null : string.Join(' ', words.Select(w => $"\"{w}\"*"));
    }
}
