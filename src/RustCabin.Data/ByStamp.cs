namespace RustCabin.Data;

/// <summary>
/// Something that was read of the file, kept as long as what stands for the state of its tables is the same: to ask for that is
/// quicker than to read it.
/// </summary>
sealed class ByStamp<T>
    where T : class
{
    sealed record Kept(string Stamp, T Value);

    volatile Kept? _kept;

    /// <summary>What is kept, or is read.</summary>
    /// <param name="stamp">Stands for the state of the tables.</param>
    /// <param name="read">Reads it.</param>
    public T Of(string stamp, Func<T> read)
    {
        if (_kept is { } kept && kept.Stamp == stamp)
            return kept.Value;
        T value = read();
        _kept = new Kept(stamp, value);
        return value;
    }

    /// <summary>To be called when the file holds another cabin.</summary>
    public void Forget() => _kept = null;
}
