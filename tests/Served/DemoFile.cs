using Microsoft.AspNetCore.Builder;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using RustCabin.Data;

namespace RustCabin.Tests.Served;

/// <summary>
/// The file of a cabin with the demo data, made once in a run: to bring the packs in again takes longer than most tests do.
/// </summary>
public static class DemoFile
{
    /// <summary>The moment at which clocks start: pages and screenshots hold the same day whenever they are made.</summary>
    public const string Clock = "2026-11-26T09:30:00Z";

    static readonly string Folder = Directory.CreateTempSubdirectory("demo").FullName;

    static readonly Lazy<string> Made = new(() =>
    {
        using (Build(Folder, "--demo").Services as IDisposable)
            SqliteConnection.ClearAllPools();
        return Path.Combine(Folder, "cabin.db");
    });

    /// <summary>The application on a folder, on a port that is free, with the clock of tests.</summary>
    public static WebApplication Build(string data, params string[] options) =>
        Web.Cabin.Build(["--data", data, "--urls", "http://127.0.0.1:0", "--clock", Clock, .. options]);

    /// <summary>Lays the demo's file into a folder.</summary>
    public static void CopyTo(string folder) => File.Copy(Made.Value, Path.Combine(folder, "cabin.db"));

    /// <summary>
    /// Makes the cabin of a running application the demo again, whatever was written into it: to start another takes ten times
    /// as long.
    /// </summary>
    public static void PutBack(WebApplication app)
    {
        using (var demo = new SqliteConnection($"Data Source={Made.Value};Pooling=False;Mode=ReadOnly"))
        using (SqliteConnection live = app.Services.GetRequiredService<CabinFile>().Connect())
        {
            demo.Open();
            demo.BackupDatabase(live);
        }
        app.Services.GetRequiredService<SheetRepository>().Forget();
        app.Services.GetRequiredService<JobRepository>().Forget();
        app.Services.GetRequiredService<StockRepository>().Forget();
    }

    /// <summary>To be called when no cabin is needed any more.</summary>
    public static void Dispose() => Directory.Delete(Folder, recursive: true);
}
