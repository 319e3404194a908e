namespace RustCabin.Data;

/// <summary>
/// A folder's cabin is open in one process at a time. The lock is the system's, so that it ends with its process however that
/// ends.
/// </summary>
public sealed class CabinLock : IDisposable
{
    readonly FileStream _held;

    CabinLock(FileStream held) => _held = held;

    /// <exception cref="CabinFileException">Another process has it.</exception>
    public static CabinLock Take(string home)
    {
        string path = Path.Combine(Path.GetFullPath(home), "cabin.lock");
        Private.Folder(Path.GetDirectoryName(path)!);
        try
        {
            Private.File(path);
            return new CabinLock(new FileStream(path, FileMode.Open, FileAccess.ReadWrite, FileShare.None));
        }
        catch (IOException problem) when (problem is not (DirectoryNotFoundException or FileNotFoundException))
        {
            throw new CabinFileException($"the cabin in {home} is open in another Rust Cabin. Close that one first.", problem);
        }
    }

    public void Dispose() => _held.Dispose();
}
