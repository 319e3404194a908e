using RustCabin.Data;
using RustCabin.Web.SignIn;

namespace RustCabin.Web;

/// <summary>What is done with the cabin's files instead of opening them: a backup taken or put back, a pass phrase
/// set; and a running cabin asked whether it is well.</summary>
static class FileWork
{
    /// <summary>The folder that holds the cabin: <c>--data</c>, or the usual one of this user.</summary>
    public static string Home(IConfiguration settings) =>
        settings["data"]
        ?? Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.UserProfile), ".local/share/rust-cabin");

    /// <summary>Does what the command line asks of the file; false when it asks for nothing of the kind.</summary>
    /// <exception cref="CabinFileException">It could not be done; the cabin is as it was.</exception>
    /// <exception cref="HttpRequestException">Nobody answers where a cabin was asked how it is.</exception>
    public static bool Asked(string[] args)
    {
        IConfiguration settings = new ConfigurationBuilder().AddCommandLine(args).Build();
        string home = Home(settings);
        if (settings["phrase"] is not null)
        {
            Asking.For(new DoorFile(home, SetClock.Of(settings)), another: true);
            Console.WriteLine("The pass phrase is set, and every device is signed out.");
            return true;
        }
        if (settings["well"] is { } address)
        {
            // For whoever keeps it running: it ends with 0 if the cabin at the address says that it is well.
            using var http = new HttpClient { Timeout = TimeSpan.FromSeconds(5) };
            using HttpResponseMessage said = http.Send(
                new HttpRequestMessage(HttpMethod.Get, new Uri(new Uri(address), "/health"))
            );
            return said.IsSuccessStatusCode ? true : throw new IOException($"the cabin at {address} is not well.");
        }
        if (settings["backup"] is { } to)
        {
            string path = Path.Combine(home, "cabin.db");
            if (!File.Exists(path))
                throw new CabinFileException($"there is no cabin in {home}.");
            // SQLite's own copy, which may run beside an open cabin.
            new Backup(CabinFile.Open(path), SetClock.Of(settings)).To(to);
            Console.WriteLine($"The cabin of {home} is in {to}, {new FileInfo(to).Length:N0} bytes, looked through.");
            return true;
        }
        if (settings["restore"] is not { } from)
            return false;
        using CabinLock held = CabinLock.Take(home);
        string? aside = Backup.Restore(from, home, SetClock.Of(settings));
        Console.WriteLine($"{from} is the cabin of {home} now." + (aside is null ? "" : $" The one that was there is {aside}."));
        return true;
    }
}
