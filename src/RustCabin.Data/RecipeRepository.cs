using Dapper;
using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>A named chain of ROM operations, as JSON in the words of the interface's <c>ops</c>.</summary>
public sealed record RecipeLine
{
    public long Id { get; init; }
    public string Name { get; init; } = "";
    public string Ops { get; init; } = "";
    public bool Hidden { get; init; }
}

/// <summary>Chains of ROM operations that the user keeps by name, for every unit.</summary>
public sealed class RecipeRepository(CabinFile file)
{
    /// <summary>A cabin keeps no more.</summary>
    public const int Most = 200;

    /// <summary>All of them by name, taken-off ones included.</summary>
    public IReadOnlyList<RecipeLine> All()
    {
        using SqliteConnection connection = file.Connect();
        return [.. connection.Query<RecipeLine>("select id, name, ops, hidden from rom_recipe order by name collate nocase")];
    }

    /// <summary>
    /// Keeps a chain under a name that is not taken, or was taken off. False: another chain has the name, or there are as many as
    /// there may be.
    /// </summary>
    public bool Add(string name, string ops)
    {
        using SqliteConnection connection = file.Connect();
        return connection.Execute(
                """
                insert into rom_recipe (name, ops)
                select @name, @ops where (select count(*) from rom_recipe where hidden = 0) < @Most
                on conflict (name) do update set ops = excluded.ops, hidden = 0
                where rom_recipe.hidden = 1 or rom_recipe.ops = excluded.ops
                """,
                new
                {
                    name,
                    ops,
                    Most,
                }
            ) > 0;
    }

    /// <summary>Takes a recipe off the page or puts it back.</summary>
    public void Hide(long id, bool hidden)
    {
        using SqliteConnection connection = file.Connect();
        connection.Execute("update rom_recipe set hidden = @hidden where id = @id", new { id, hidden });
    }
}
