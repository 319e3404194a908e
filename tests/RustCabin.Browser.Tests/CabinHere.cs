using System.Collections.Concurrent;
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
/// One that was asked for as it comes is made the demo again and goes on to the next test.
/// </summary>
public sealed class CabinHere : ICabin
{
    static readonly ConcurrentBag<CabinHere> AsNew = [];

    readonly string _data = Directory.CreateTempSubdirectory("cabin").FullName;
    readonly WebApplication _app;
    readonly bool _isUsual;

    public string Url => _app.Urls.First();

    /// <summary>One with the demo data or without, with further options of the application.</summary>
    public static CabinHere Take(bool demo, params string[] options) =>
        demo && options.Length == 0 && AsNew.TryTake(out CabinHere? found) ? found : new CabinHere(demo, options);

    CabinHere(bool demo, string[] options)
    {
        _isUsual = demo && options.Length == 0;
        if (demo)
            DemoFile.CopyTo(_data);
        _app = DemoFile.Build(_data, options);
        _app.StartAsync().GetAwaiter().GetResult();
    }

    public void Dispose()
    {
        if (_isUsual)
        {
            DemoFile.PutBack(_app);
            AsNew.Add(this);
        }
        else
            End();
    }

    /// <summary>Closes what is kept for further tests.</summary>
    public static void CloseAll()
    {
        while (AsNew.TryTake(out CabinHere? cabin))
            cabin.End();
        DemoFile.Dispose();
    }

    void End()
    {
        // Stopped before it is disposed of: what tidies the file at the end is waited for, as when the application ends.
        _app.StopAsync().GetAwaiter().GetResult();
        _app.DisposeAsync().AsTask().GetAwaiter().GetResult();
        SqliteConnection.ClearAllPools();
        Directory.Delete(_data, recursive: true);
    }
}
