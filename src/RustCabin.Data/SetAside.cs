using System.Text;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;
using SQLitePCL;

namespace RustCabin.Data;

/// <summary>
/// A sheet or a job that does not read, since the file is damaged there or a person wrote into it: it is left out, everything
/// else works. Source: docs/security.md, Data.
/// </summary>
/// <param name="Kind">model, part, unit, title or job.</param>
/// <param name="Why">What is wrong with it, in words.</param>
public sealed record SetAside(string Kind, string Id, string Why);

/// <summary>The job that was asked for is one of these; the message says why, in words for a page.</summary>
public sealed class SetAsideException(string message) : Exception(message);

/// <summary>Finds what reads among rows of which some may not.</summary>
static class Sound
{
    /// <summary>
    /// What a query gives; where the file is damaged under it, each row alone, and those that it does not give set aside.
    /// </summary>
    /// <param name="all">The query.</param>
    /// <param name="keys">Kind and id of every row, asked of the index alone.</param>
    /// <param name="one">One row.</param>
    /// <param name="aside">Takes what was not given.</param>
    public static List<T> Rows<T>(
        Func<IEnumerable<T>> all,
        Func<IEnumerable<(string Kind, string Id)>> keys,
        Func<(string Kind, string Id), T?> one,
        List<SetAside> aside
    )
        where T : class
    {
        try
        {
            return [.. all()];
        }
        catch (SqliteException problem) when (problem.SqliteErrorCode == raw.SQLITE_CORRUPT)
        {
            var rows = new List<T>();
            foreach ((string kind, string id) in keys())
                try
                {
                    if (one((kind, id)) is { } row)
                        rows.Add(row);
                }
                catch (SqliteException damaged) when (damaged.SqliteErrorCode == raw.SQLITE_CORRUPT)
                {
                    aside.Add(new SetAside(kind, id, "the file is damaged where it lies"));
                }
            return rows;
        }
    }

    /// <summary>Reads all sheets that read together. What refers to one that does not is set aside with it.</summary>
    /// <param name="rows">The sheets; those that do not read are taken out.</param>
    /// <param name="aside">Takes them.</param>
    public static Pack Read(string currency, List<SheetRow> rows, List<SetAside> aside)
    {
        for (bool parsed = false; ; parsed = true)
        {
            Reading<Pack> reading;
            try
            {
                ILookup<string, string> json = rows.ToLookup(r => r.Kind, r => r.Json);
                using JsonDocument document = PackReader.Parse(CanonicalPack.Compose(currency, kind => json[kind]));
                reading = PackReader.Read(document.RootElement, kept: true);
            }
            catch (JsonException) when (!parsed)
            {
                rows.RemoveAll(row => !IsJson(row.Json) && Aside(row, "it is not JSON any more", aside));
                continue;
            }
            if (reading.Value is { } pack)
                return pack;
            var broken = reading.Errors.Select(e => (Row: Of(rows, e.Path), Error: e)).Where(b => b.Row is not null).ToList();
            if (broken.Count == 0)
                throw new CabinFileException($"The sheets in the database do not read: {reading.Errors[0].Sentence}");
            foreach (var row in broken.GroupBy(b => b.Row!, b => b.Error))
            {
                rows.Remove(row.Key);
                Aside(row.Key, row.First().Sentence, aside);
            }
        }
    }

    public static bool IsJson(string text)
    {
        try
        {
            PackReader.Parse(Encoding.UTF8.GetBytes(text)).Dispose();
            return true;
        }
        catch (JsonException)
        {
            return false;
        }
    }

    static bool Aside(SheetRow row, string why, List<SetAside> aside)
    {
        aside.Add(new SetAside(row.Kind, row.Id, why));
        return true;
    }

    /// <summary>The row that a path of the composed pack leads into: <c>units[3].model</c>.</summary>
    static SheetRow? Of(List<SheetRow> rows, string path)
    {
        int open = path.IndexOf('['),
            close = path.IndexOf(']');
        return open > 0 && close > open && int.TryParse(path.AsSpan(open + 1, close - open - 1), out int index)
            ? rows.Where(r => r.Kind + "s" == path[..open]).ElementAtOrDefault(index)
            : null;
    }
}
