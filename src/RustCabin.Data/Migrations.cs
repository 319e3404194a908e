using System.Collections.Concurrent;
using System.Reflection;
using Dapper;
using DbUp;
using DbUp.Engine;
using DbUp.Sqlite;
using Microsoft.Data.Sqlite;
using SQLitePCL;

namespace RustCabin.Data;

/// <summary>
/// How a file is brought up to date: the scripts in the order of their names, one statement a command, so that an error in any of
/// them is an error of the whole; and what a file must look like after.
/// </summary>
static class Migrations
{
    /// <summary>The scripts in the order in which they are run.</summary>
    public static IReadOnlyList<string> Names(Assembly migrations) =>
        [
            .. migrations
                .GetManifestResourceNames()
                .Where(name => name.EndsWith(".sql", StringComparison.Ordinal))
                .Order(StringComparer.Ordinal),
        ];

    public static UpgradeEngine Engine(string connection, Assembly migrations)
    {
        var builder = DeployChanges
            .To.SqliteDatabase(connection)
            .WithScriptsEmbeddedInAssembly(migrations, name => name.EndsWith(".sql", StringComparison.Ordinal));
        builder.Configure(c => c.ConnectionManager = new OneByOne(connection));
        return builder.WithTransaction().LogToNowhere().Build();
    }

    /// <summary>
    /// The first table, index, trigger or view that is not as the scripts make it in an empty file; null: all are. Shapes are
    /// compared by what SQLite itself kept of them, columns and checks with them.
    /// </summary>
    /// <param name="file">The file.</param>
    /// <param name="migrations">Where the scripts are.</param>
    /// <param name="run">So many of the scripts, in the order of their names.</param>
    public static string? Difference(SqliteConnection file, Assembly migrations, int run)
    {
        IReadOnlyDictionary<string, string> made = Schema(file),
            should = Fresh.GetOrAdd((migrations, run), of => Made(of.Migrations, of.Run));
        string? odd = should.Keys.Concat(made.Keys).FirstOrDefault(n => made.GetValueOrDefault(n) != should.GetValueOrDefault(n));
        if (odd is null)
            return null;
        if (!made.ContainsKey(odd))
            return $"{odd} is missing";
        return should.ContainsKey(odd) ? $"{odd} has another shape" : $"{odd} is unknown";
    }

    /// <summary>
    /// The scripts that were run on a file, by its own list; the list is a plain table and nothing else that has its name. Null:
    /// there is no list.
    /// </summary>
    public static IReadOnlyList<string>? Run(SqliteConnection file)
    {
        using SqliteCommand ask = file.CreateCommand();
        ask.CommandText = $"select count(*) from sqlite_master where name = '{List}' and type = 'table'";
        if ((long)ask.ExecuteScalar()! != 1)
            return null;
        ask.CommandText = $"select ScriptName from {List}";
        var run = new List<string>();
        using SqliteDataReader names = ask.ExecuteReader();
        while (names.Read())
            run.Add(names.GetString(0));
        return run;
    }

    /// <summary>The engine's table, which it makes itself.</summary>
    const string List = "SchemaVersions";

    static readonly ConcurrentDictionary<(Assembly Migrations, int Run), IReadOnlyDictionary<string, string>> Fresh = new();

    static IReadOnlyDictionary<string, string> Made(Assembly migrations, int run)
    {
        using var fresh = new SqliteConnection("Data Source=:memory:");
        fresh.Open();
        foreach (string name in Names(migrations).Take(run))
        {
            using var script = new StreamReader(migrations.GetManifestResourceStream(name)!);
            foreach (string statement in Statements(script.ReadToEnd()))
                fresh.Execute(statement);
        }
        return Schema(fresh);
    }

    static Dictionary<string, string> Schema(SqliteConnection connection) =>
        connection
            .Query<(string Name, string? Sql)>(
                "select type || ' ' || name, sql from sqlite_master where not (type = 'table' and name in "
                    + $"('{List}', 'sqlite_sequence', 'sqlite_stat1', 'sqlite_stat4'))"
            )
            .GroupBy(r => r.Name)
            .ToDictionary(same => same.Key, same => string.Join('\n', same.Select(r => r.Sql)));

    /// <summary>The script's statements, each whole as SQLite itself sees it (triggers hold semicolons of their own).</summary>
    public static IEnumerable<string> Statements(string script)
    {
        int from = 0;
        for (int at = script.IndexOf(';'); at >= 0; at = script.IndexOf(';', at + 1))
        {
            string statement = script[from..(at + 1)];
            if (raw.sqlite3_complete(statement) == 0)
                continue;
            yield return statement;
            from = at + 1;
        }
        if (
            script[from..]
                .Split('\n')
                .Any(line => line.Trim() is { Length: > 0 } text && !text.StartsWith("--", StringComparison.Ordinal))
        )
            yield return script[from..];
    }

    sealed class OneByOne(string connection) : SqliteConnectionManager(connection)
    {
        public override IEnumerable<string> SplitScriptIntoCommands(string scriptContents) => Statements(scriptContents);
    }
}
