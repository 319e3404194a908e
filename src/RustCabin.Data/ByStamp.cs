using Microsoft.Data.Sqlite;

namespace RustCabin.Data;

/// <summary>
/// Something that was read of the file, kept as long as its tables are the same: for nothing was committed, or what stands for
/// their state is as it was.
/// </summary>
/// <param name="file">The file.</param>
/// <param name="stamp">What stands for the state of the tables.</param>
/// <param name="read">Reads it.</param>
sealed class ByStamp<T>(CabinFile file, Func<SqliteConnection, string> stamp, Func<SqliteConnection, T> read)
    where T : class
{
    sealed record Kept(long State, string Stamp, T Value);

    volatile Kept? _kept;

    /// <summary>What is kept, or is read now.</summary>
    public T Now()
    {
        // Asked for first: what is read after it may be newer, never older.
        long state = file.State();
        if (_kept is { } kept && kept.State == state)
            return kept.Value;
        using SqliteConnection connection = file.Connect();
        string stands = stamp(connection);
        T value = _kept is { } known && known.Stamp == stands ? known.Value : read(connection);
        _kept = new Kept(state, stands, value);
        return value;
    }

    /// <summary>To be called when the file holds another cabin.</summary>
    public void Forget() => _kept = null;
}
