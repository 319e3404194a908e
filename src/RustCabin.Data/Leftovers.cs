namespace RustCabin.Data;

/// <summary>
/// What a process that was killed leaves in a cabin's folder: copies that were being made, sent or put back. The next start
/// removes them, and nothing else. Source: docs/security.md, Backup.
/// </summary>
public static class Leftovers
{
    /// <summary>The copy of a cabin that is on its way to a browser.</summary>
    public static string Sent(string cabin) => cabin + ".sent";

    /// <summary>Ends the name of a file that is being written.</summary>
    internal const string Part = ".part";

    /// <summary>The copy of a backup that is being put back.</summary>
    internal static string Restoring(string cabin) => cabin + ".restoring";

    /// <summary>What may lie there, for whoever holds the folder's lock.</summary>
    static readonly string[] Patterns = ["cabin.db.sent*", "cabin.db.restoring*", "to-download-*", "*.json.part", ".probe-*"];

    /// <summary>Removes them.</summary>
    /// <param name="home">The folder; this process holds its lock.</param>
    public static void Remove(string home)
    {
        foreach (string path in Patterns.SelectMany(pattern => Directory.GetFiles(home, pattern)))
            File.Delete(path);
    }
}
