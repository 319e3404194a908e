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
    public static IEnumerable<string> Names(Assembly migrations) =>
        migrations.GetManifestResourceNames().Where(name => name.EndsWith(".sql", StringComparison.Ordinal));

    public static UpgradeEngine Engine(string connection, Assembly migrations)
    {
        var builder = DeployChanges
            .To.SqliteDatabase(connection)
            .WithScriptsEmbeddedInAssembly(migrations, name => name.EndsWith(".sql", StringComparison.Ordinal));
        builder.Configure(c => c.ConnectionManager = new OneByOne(connection));
        return builder.WithTransaction().LogToNowhere().Build();
    }

    /// <summary>The first table, index or trigger that is not as the scripts make it in an empty file; null: all are.</summary>
    public static string? Difference(SqliteConnection file, Assembly migrations)
    {
        using var fresh = new SqliteConnection("Data Source=:memory:");
        fresh.Open();
        foreach (string name in Names(migrations).Order(StringComparer.Ordinal))
        {
            using var script = new StreamReader(migrations.GetManifestResourceStream(name)!);
            foreach (string statement in Statements(script.ReadToEnd()))
                fresh.Execute(statement);
        }
        Dictionary<string, string> made = Schema(file),
            should = Schema(fresh);
        return
            should.Keys.Concat(made.Keys).Distinct().FirstOrDefault(n => made.GetValueOrDefault(n) != should.GetValueOrDefault(n))
                is { } odd
            ? !made.ContainsKey(odd)
                ? $"{odd} is missing"
                : !should.ContainsKey(odd)
                    ? $"{odd} is unknown"
                    : $"{odd} has another shape"
            : null;
    }

    static Dictionary<string, string> Schema(SqliteConnection connection) =>
        connection
            .Query<(string Name, string Sql)>(
                "select type || ' ' || name, sql from sqlite_master where sql is not null and tbl_name <> 'SchemaVersions' "
                    + "and name not like 'sqlite\\_%' escape '\\'"
            )
            .ToDictionary(r => r.Name, r => r.Sql);

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
