namespace RustCabin.Core.Wiring;

/// <summary>Things numbered from 0 that are joined two by two, each with all that it is joined to.</summary>
/// <param name="count">How many there are.</param>
public sealed class Groups(int count)
{
    readonly int[] _parent = [.. Enumerable.Range(0, count)];

    /// <summary>The one that stands for a thing's whole group.</summary>
    public int Of(int thing)
    {
        while (_parent[thing] != thing)
            thing = _parent[thing] = _parent[_parent[thing]];
        return thing;
    }

    /// <summary>Joins two groups; the first one's stands for both.</summary>
    public void Join(int one, int other) => _parent[Of(other)] = Of(one);
}
