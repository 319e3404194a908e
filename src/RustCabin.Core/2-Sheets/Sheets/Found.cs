using System.Runtime.CompilerServices;

namespace RustCabin.Core.Sheets;

/// <summary>Finds things of long lists by their ids: the first time a list is asked it is gone through once.</summary>
static class Found
{
    /// <summary>A shorter list is gone through each time.</summary>
    const int Few = 24;

    /// <summary>The first of an id; null: there is none.</summary>
    /// <param name="list">The things; it is not changed afterwards.</param>
    /// <param name="idOf">A thing's id.</param>
    /// <param name="id">The id.</param>
    public static T? In<T>(IReadOnlyList<T> list, Func<T, string> idOf, string id)
        where T : class
    {
        if (list.Count > Few)
            return ById<T>.Known.GetValue(list, all => Indexed(all, idOf)).GetValueOrDefault(id);
        foreach (T thing in list)
            if (idOf(thing) == id)
                return thing;
        return null;
    }

    static Dictionary<string, T> Indexed<T>(IReadOnlyList<T> all, Func<T, string> idOf)
    {
        var byId = new Dictionary<string, T>(all.Count, StringComparer.Ordinal);
        foreach (T thing in all)
            byId.TryAdd(idOf(thing), thing);
        return byId;
    }

    static class ById<T>
    {
        public static readonly ConditionalWeakTable<IReadOnlyList<T>, Dictionary<string, T>> Known = [];
    }
}
