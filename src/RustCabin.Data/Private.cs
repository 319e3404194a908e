namespace RustCabin.Data;

/// <summary>Files and folders that only their owner reads: 600 and 700. Source: docs/security.md, Data.</summary>
public static class Private
{
    const UnixFileMode OwnFile = UnixFileMode.UserRead | UnixFileMode.UserWrite;
    const UnixFileMode OwnFolder = OwnFile | UnixFileMode.UserExecute;

    /// <summary>Makes the folder for its owner alone. One that is there already keeps the mode its owner gave it.</summary>
    public static void Folder(string path)
    {
        if (OperatingSystem.IsWindows())
            Directory.CreateDirectory(path);
        else if (!Directory.Exists(path))
            Directory.CreateDirectory(path, OwnFolder);
    }

    /// <summary>Makes the file, empty, when it is not there, and takes it from the eyes of others.</summary>
    public static void File(string path)
    {
        if (!System.IO.File.Exists(path))
            using (new FileStream(path, FileMode.CreateNew)) { }
        if (!OperatingSystem.IsWindows())
            System.IO.File.SetUnixFileMode(path, OwnFile);
    }
}
