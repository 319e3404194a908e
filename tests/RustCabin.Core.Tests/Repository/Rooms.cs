using System.Reflection;
using System.Text;

namespace RustCabin.Core.Tests;

/// <summary>
/// The rooms of the core (its namespaces), what each leans on by the compiled code, and the floor that its folder lies on.
/// </summary>
static class Rooms
{
    static readonly Assembly Core = typeof(Trail).Assembly;

    /// <summary>What is in no room: the list of the stations.</summary>
    public const string Trail = "the trail";

    /// <summary>The floors from the ground up: the folders of the core, by their names.</summary>
    public static IReadOnlyList<string> Floors =>
        [.. Directory.GetDirectories(Source).Select(f => Path.GetFileName(f)!).Where(IsFloor).Order(StringComparer.Ordinal)];

    static bool IsFloor(string folder) => char.IsDigit(folder[0]);

    static string Source => Path.Combine(Repository.Root, "src/RustCabin.Core");

    /// <summary>The floor of each room.</summary>
    public static IReadOnlyDictionary<string, string> FloorOf { get; } =
        Floors
            .SelectMany(floor => Directory.GetDirectories(Path.Combine(Source, floor)).Select(r => (Path.GetFileName(r)!, floor)))
            .ToDictionary(r => r.Item1, r => r.floor);

    /// <summary>By what each type inherits, holds, takes, gives, and touches in its methods' bodies.</summary>
    public static Dictionary<string, HashSet<string>> Leans { get; } = Read();

    static Dictionary<string, HashSet<string>> Read()
    {
        var leans = new Dictionary<string, HashSet<string>>();
        foreach (Type type in Core.GetTypes())
        {
            if (Of(type) is not { } room)
                continue;
            HashSet<string> on = leans.TryGetValue(room, out HashSet<string>? known) ? known : leans[room] = [];
            on.UnionWith(TypeUses.Of(type).Select(Of).OfType<string>().Where(other => other != room));
        }
        return leans;
    }

    static string? Of(Type type)
    {
        Type outer = type;
        while (outer.DeclaringType is { } declaring)
            outer = declaring;
        return
            outer.Assembly == Core && outer.Namespace is { } name && name.StartsWith("RustCabin.Core", StringComparison.Ordinal)
            ? name.Split('.').ElementAtOrDefault(2) ?? Trail
            : null;
    }

    /// <summary>The rooms that can be reached from themselves.</summary>
    public static IEnumerable<string> Rounds(Dictionary<string, HashSet<string>> leans) =>
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

    /// <summary>How many rooms lie under a room, one on the other.</summary>
    public static int LevelOf(string room) => Leans[room].Select(LevelOf).DefaultIfEmpty(-1).Max() + 1;

    /// <summary>The page docs/rooms.md.</summary>
    public static string Page()
    {
        var page = new StringBuilder(
            """
            # Floors and rooms

            A folder of `src/RustCabin.Core` is a floor, a folder of a floor a room, and a room is a namespace. A room leans on rooms of its own
            floor and of the floors below, never on one above and on none in a round; why, and what each floor is for, is told in
            [architecture.md](architecture.md). Within a floor the rooms stand in the order in which they lean on each other.

            This page is written from the compiled code (`./cabin docs`).

            """
        );
        foreach (string floor in Floors)
        {
            page.Append($"\n## {floor}\n\n| room | level | leans on |\n| --- | --- | --- |\n");
            foreach (string room in FloorOf.Where(r => r.Value == floor).Select(r => r.Key).OrderBy(LevelOf).ThenBy(r => r))
                page.Append($"| {room} | {LevelOf(room)} | {string.Join(", ", Leans[room].Order(StringComparer.Ordinal))} |\n");
        }
        return page.ToString();
    }
}
