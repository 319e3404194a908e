using System.Xml;
using System.Xml.Linq;
using Microsoft.AspNetCore.DataProtection.Repositories;
using RustCabin.Data;

namespace RustCabin.Web;

/// <summary>
/// Looks through the file once after the start, and moves its log of changes into it when nothing was written for a while, so
/// that <c>cabin.db</c> alone is the cabin.
/// </summary>
sealed class Housekeeper(CabinFile file, ILogger<Housekeeper> log) : BackgroundService
{
    static readonly TimeSpan Idle = TimeSpan.FromSeconds(5);

    /// <summary>What is wrong with the file; null when it is sound, or not looked through yet.</summary>
    public string? Damage { get; private set; }

    protected override async Task ExecuteAsync(CancellationToken stop)
    {
        await Task.Yield();
        Damage = file.Damage();
        if (Damage is { } damage)
            log.LogError("{Path} is damaged: {Damage}. Restore a backup with ./cabin restore FILE", file.Path, damage);
        using var timer = new PeriodicTimer(Idle);
        try
        {
            while (await timer.WaitForNextTickAsync(stop))
                if (
                    new FileInfo(file.Path + "-wal") is { Exists: true, Length: > 0 } wal
                    && DateTime.UtcNow - wal.LastWriteTimeUtc > Idle
                )
                    Tidy();
        }
        catch (OperationCanceledException)
        {
            Tidy();
        }
    }

    void Tidy()
    {
        try
        {
            file.Checkpoint();
        }
        catch (Microsoft.Data.Sqlite.SqliteException problem)
        {
            log.LogWarning("The log of changes could not be moved into {Path}: {Problem}", file.Path, problem.Message);
        }
    }
}

/// <summary>
/// The keys that sign forms: written through to the disk; one that cannot be read is set aside, and another is made.
/// </summary>
sealed class FormKeys(DirectoryInfo folder, ILoggerFactory log) : FileSystemXmlRepository(folder, log)
{
    /// <summary>Sets aside what cannot be read; the pages that hold the old tokens are told to load again.</summary>
    /// <exception cref="CabinFileException">The folder or a key of it may not be read by this user.</exception>
    public static DirectoryInfo Folder(string home)
    {
        string path = Path.Combine(home, "keys");
        try
        {
            Private.Folder(path);
            foreach (string key in System.IO.Directory.GetFiles(path, "*.xml"))
                SetAsideUnread(key);
            return new DirectoryInfo(path);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            throw new CabinFileException(
                $"the keys of the forms in {path} cannot be read: {problem.Message} Give them back to this user, or move the "
                    + "folder away: new ones are made, and pages that are open are to be loaded again.",
                problem
            );
        }
    }

    static void SetAsideUnread(string key)
    {
        try
        {
            XDocument.Load(key);
        }
        catch (XmlException)
        {
            File.Move(key, key + ".unreadable", overwrite: true);
        }
    }

    public override void StoreElement(XElement element, string friendlyName)
    {
        base.StoreElement(element, friendlyName);
        foreach (FileInfo key in Directory.GetFiles("*.xml"))
        {
            Private.File(key.FullName);
            using FileStream written = key.Open(FileMode.Open, FileAccess.ReadWrite);
            written.Flush(flushToDisk: true);
        }
    }
}
