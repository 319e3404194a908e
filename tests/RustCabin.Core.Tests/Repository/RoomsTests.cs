using System.Reflection;

namespace RustCabin.Core.Tests;

/// <summary>
/// The rooms of the core, its namespaces, lean on each other in one direction. Source: docs/architecture.md, Rooms.
/// </summary>
public class RoomsTests
{
    static readonly Assembly Core = typeof(Trail).Assembly;

    [Fact]
    public void No_two_rooms_lean_on_each_other_by_any_way_round()
    {
        var leans = Leans();
        Assert.True(leans.Count > 15, $"only {leans.Count} rooms were found");
        Assert.Equal([], Rounds(leans));
    }

    [Fact]
    public void A_round_of_three_is_found()
    {
        Dictionary<string, HashSet<string>> leans = new()
        {
            ["A"] = ["B"],
            ["B"] = ["C"],
            ["C"] = ["A"],
            ["D"] = ["A"],
        };
        Assert.Equal(["A", "B", "C"], Rounds(leans));
        leans["C"] = [];
        Assert.Empty(Rounds(leans));
    }

    /// <summary>The rooms that can be reached from themselves.</summary>
    static IEnumerable<string> Rounds(Dictionary<string, HashSet<string>> leans) =>
        leans.Keys.Order(StringComparer.Ordinal).Where(room => Reached(room, leans).Contains(room));

    static HashSet<string> Reached(string from, Dictionary<string, HashSet<string>> leans)
    {
        var reached = new HashSet<string>();
        var open = new Queue<string>(leans[from]);
        while (open.TryDequeue(out string? room))
        {
            if (!reached.Add(room))
                continue;
            foreach (string next in leans.GetValueOrDefault(room) ?? [])
                open.Enqueue(next);
        }
        return reached;
    }

    /// <summary>By what each type inherits, holds, takes, gives, and touches in its methods' bodies.</summary>
    static Dictionary<string, HashSet<string>> Leans()
    {
        var leans = new Dictionary<string, HashSet<string>>();
        foreach (Type type in Core.GetTypes())
        {
            if (Room(type) is not { } room)
                continue;
            HashSet<string> on = leans.TryGetValue(room, out HashSet<string>? known) ? known : leans[room] = [];
            on.UnionWith(TypeUses.Of(type).Select(Room).OfType<string>().Where(other => other != room));
        }
        return leans;
    }

    static string? Room(Type type)
    {
        Type outer = type;
        while (outer.DeclaringType is { } declaring)
            outer = declaring;
        return
            outer.Assembly == Core && outer.Namespace is { } name && name.StartsWith("RustCabin.Core", StringComparison.Ordinal)
            ? name.Split('.').ElementAtOrDefault(2) ?? "the trail"
            : null;
    }
}
