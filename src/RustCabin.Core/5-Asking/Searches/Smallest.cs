namespace RustCabin.Core.Searches;

/// <summary>The smallest part of some requirements that cannot all be met: without any one of it, what is left can be.</summary>
static class Smallest
{
    /// <summary>
    /// Takes requirements out one by one, as long as what is left still cannot be, until nothing more can go. <paramref
    /// name="together"/> are those that must go out with one. All of <paramref name="items"/> together must be impossible.
    /// </summary>
    public static IReadOnlyList<T> Clash<T>(
        IReadOnlyList<T> items,
        Func<IReadOnlyCollection<T>, bool> canBe,
        Func<T, IEnumerable<T>>? together = null
    )
        where T : notnull
    {
        List<T> left = [.. items];
        for (bool smaller = true; smaller; )
        {
            smaller = false;
            foreach (T item in items)
            {
                if (!left.Contains(item))
                    continue;
                List<T> without = [.. left.Except(together?.Invoke(item) ?? []).Where(i => !i.Equals(item))];
                if (!canBe(without))
                    (left, smaller) = (without, true);
            }
        }
        return left;
    }
}
