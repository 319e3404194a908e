using System.Globalization;
using System.Text.Json.Nodes;

namespace RustCabin.Core.Declared;

/// <summary>
/// Places in a sheet as error messages write them: <c>claims[2].window.banks</c>. A name that holds a dot or a bracket stands
/// in quotes inside brackets, <c>seen["a.b"]</c>. <c>[+]</c> is the place after the last of a list.
/// </summary>
public static class JsonPath
{
    /// <summary>
    /// What stands at a path; null where nothing does, or where the path does not lead: whatever was typed may stand in one.
    /// </summary>
    public static JsonNode? Get(JsonNode? root, string path)
    {
        foreach (object step in Steps(path, strict: false))
            root = (root, step) switch
            {
                (JsonObject o, string name) => o[name],
                (JsonArray a, int index) when index >= 0 && index < a.Count => a[index],
                _ => null,
            };
        return root;
    }

    /// <summary>
    /// Puts a value at a path, making the objects and lists that lead there; null takes away what stands there, and containers
    /// left empty by it.
    /// </summary>
    /// <exception cref="ArgumentException">The path runs through something that is neither object nor list, or skips places of a
    /// list.</exception>
    public static void Put(JsonObject root, string path, JsonNode? value)
    {
        object[] steps = [.. Steps(path, strict: true)];
        if (steps.Length == 0)
            throw new ArgumentException("an empty path");
        Put(root, steps, value, path);
    }

    static void Put(JsonNode at, ReadOnlySpan<object> steps, JsonNode? value, string path)
    {
        JsonNode? child = Child(at, steps[0], path);
        if (steps.Length == 1)
        {
            Place(at, steps[0], value);
            return;
        }
        if (child is null)
        {
            if (value is null)
                return;
            Place(at, steps[0], child = steps[1] is int ? new JsonArray() : new JsonObject());
        }
        Put(child, steps[1..], value, path);
        if (value is null && child is JsonObject { Count: 0 } && at is JsonObject)
            Place(at, steps[0], null);
    }

    static JsonNode? Child(JsonNode at, object step, string path) =>
        (at, step) switch
        {
            (JsonObject o, string name) => o[name],
            (JsonArray a, int index) when index >= -1 && index <= a.Count => index >= 0 && index < a.Count ? a[index] : null,
            _ => throw new ArgumentException($"{path} does not lead anywhere"),
        };

    static void Place(JsonNode at, object step, JsonNode? value)
    {
        if (at is JsonObject o)
        {
            if (value is null)
                o.Remove((string)step);
            else
                o[(string)step] = value;
            return;
        }
        var list = (JsonArray)at;
        int index = (int)step;
        if (index < 0)
            index = list.Count;
        if (value is null)
        {
            if (index < list.Count)
                list.RemoveAt(index);
        }
        else if (index == list.Count)
            list.Add(value);
        else
            list[index] = value;
    }

    /// <summary>A place of a list; a name where it is none and nothing is to be written there.</summary>
    static object PlaceOf(string inside, string path, bool strict)
    {
        if (inside == "+")
            return -1;
        if (int.TryParse(inside, NumberStyles.None, CultureInfo.InvariantCulture, out int index))
            return index;
        return strict ? throw new ArgumentException($"{path}: [{inside}] is no place of a list") : inside;
    }

    /// <summary>The steps of a path: names as text, places of a list as numbers, -1 for <c>[+]</c>.</summary>
    /// <param name="strict">What is no path is an error, and not a name that nothing has.</param>
    static IEnumerable<object> Steps(string path, bool strict)
    {
        for (int i = 0; i < path.Length; )
            if (path[i] == '[')
            {
                bool quoted = i + 1 < path.Length && path[i + 1] == '"';
                int end = quoted ? path.IndexOf("\"]", i + 2, StringComparison.Ordinal) : path.IndexOf(']', i);
                if (end < 0 && strict)
                    throw new ArgumentException($"{path} is not closed");
                string inside = path[(i + (quoted ? 2 : 1))..(end < 0 ? path.Length : end)];
                yield return quoted ? inside : PlaceOf(inside, path, strict);
                i = end < 0 ? path.Length : end + (quoted ? 2 : 1);
            }
            else if (path[i] == '.')
                i++;
            else
            {
                int end = path.AsSpan(i).IndexOfAny('.', '[');
                end = end < 0 ? path.Length : i + end;
                yield return path[i..end];
                i = end;
            }
    }
}
