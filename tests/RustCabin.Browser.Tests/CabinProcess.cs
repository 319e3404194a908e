using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace RustCabin.Browser.Tests;

/// <summary>The application as a process of its own, which a test may kill and start again on the same data.</summary>
public sealed class CabinProcess : ICabin
{
    readonly string _data = Directory.CreateTempSubdirectory("cabin").FullName;
    readonly int _port = FreePort();
    Process? _process;

    /// <summary>Its file, for whoever looks at it while the process is not there.</summary>
    public string File => Path.Combine(_data, "cabin.db");

    public string Url => $"http://127.0.0.1:{_port}";

    readonly string[] _options;

    /// <param name="options">Further options of the application.</param>
    public CabinProcess(bool demo, params string[] options)
    {
        _options = options;
        Start(demo);
    }

    /// <summary>Starts it and waits until it answers; throws after 30 seconds.</summary>
    public void Start(bool demo = false)
    {
        string config = new DirectoryInfo(AppContext.BaseDirectory).Parent!.Name;
        string dll = Path.GetFullPath(
            Path.Combine(AppContext.BaseDirectory, $"../../../../../src/RustCabin.Web/bin/{config}/net10.0/RustCabin.Web.dll")
        );
        // Its input is ours: it ends when this process does, however that ends.
        var start = new ProcessStartInfo("dotnet")
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        foreach (
            string argument in (string[])
                [
                    dll,
                    "--data",
                    _data,
                    "--urls",
                    Url,
                    "--clock",
                    DemoFile.Clock,
                    "--until",
                    "input-ends",
                    .. _options,
                    .. demo ? ["--demo"] : Array.Empty<string>(),
                ]
        )
            start.ArgumentList.Add(argument);
        _process = Process.Start(start)!;
        _process.BeginOutputReadLine();
        _process.BeginErrorReadLine();
        using var http = new HttpClient();
        for (var waited = Stopwatch.StartNew(); waited.Elapsed < TimeSpan.FromSeconds(30); Thread.Sleep(50))
        {
            try
            {
                if (http.GetAsync($"{Url}/health").GetAwaiter().GetResult().StatusCode == HttpStatusCode.OK)
                    return;
            }
            catch (HttpRequestException) { }
        }
        throw new TimeoutException($"{dll} did not answer at {Url}");
    }

    /// <summary>As when the power goes: no warning, no tidying up.</summary>
    public void Kill()
    {
        _process!.Kill(entireProcessTree: true);
        _process.WaitForExit();
    }

    public void Dispose()
    {
        if (!_process!.HasExited)
            Kill();
        _process.Dispose();
        Directory.Delete(_data, recursive: true);
    }

    static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
