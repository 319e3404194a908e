using Microsoft.AspNetCore.Builder;
using Microsoft.Data.Sqlite;

namespace RustCabin.Browser.Tests;

/// <summary>The application on a port of its own with data of its own, wherever it runs.</summary>
public interface ICabin : IDisposable
{
    string Url { get; }
}

/// <summary>
/// The application inside the process of the tests: it is compiled once for all of them, and the demo data is brought in once.
/// </summary>
public sealed class CabinHere : ICabin
{
    /// <summary>The moment at which its clock starts: pages and screenshots hold the same day whenever they are made.</summary>
    public const string Clock = "2026-11-26T09:30:00Z";

    readonly string _data = Directory.CreateTempSubdirectory("cabin").FullName;
    readonly WebApplication _app;

    public string Url => _app.Urls.First();

    public CabinHere(bool demo, params string[] options)
    {
        if (demo)
            File.WriteAllBytes(Path.Combine(_data, "cabin.db"), DemoFile.Value);
        _app = Build(_data, options);
        _app.StartAsync().GetAwaiter().GetResult();
    }

    static readonly Lazy<byte[]> DemoFile = new(() =>
    {
        string data = Directory.CreateTempSubdirectory("cabin").FullName;
        try
        {
            using (Build(data, "--demo").Services as IDisposable)
                SqliteConnection.ClearAllPools();
            return File.ReadAllBytes(Path.Combine(data, "cabin.db"));
        }
        finally
        {
            Directory.Delete(data, recursive: true);
        }
    });

    static WebApplication Build(string data, params string[] options) =>
        Web.Cabin.Build(["--data", data, "--urls", "http://127.0.0.1:0", "--clock", Clock, .. options]);

    public void Dispose()
    {
        // Stopped before it is disposed of: what tidies the file at the end is waited for, as when the application ends.
        _app.StopAsync().GetAwaiter().GetResult();
        _app.DisposeAsync().AsTask().GetAwaiter().GetResult();
        SqliteConnection.ClearAllPools();
        Directory.Delete(_data, recursive: true);
    }
}
