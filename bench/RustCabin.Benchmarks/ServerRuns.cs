using System.Diagnostics;
using System.Net;
using RustCabin.Core.Images;

namespace RustCabin.Benchmarks;

/// <summary>
/// The application as a process: how soon it answers, how long a page takes under 16 clients, how heavy a first load is.
/// </summary>
static partial class ServerRuns
{
    public static IEnumerable<Measured> All()
    {
        string data = Directory.CreateTempSubdirectory("cabin-bench").FullName;
        using (Run(data, "--demo", out _)) { }
        var starts = new List<double>();
        for (int i = 0; i < 5; i++)
            using (Run(data, null, out TimeSpan took))
                starts.Add(took.TotalMilliseconds);
        yield return new Measured("start to first answer, median of 5", starts.Order().ElementAt(2), "ms", 1000);
        yield return LoadRuns.Allocated(data).GetAwaiter().GetResult();

        using Run server = Run(data, null, out _);

        foreach (
            (string station, string job) in ((string, string)[])
                [("memory", "slip-7-picture"), ("build", "slip-7-picture"), ("rom", "slip-2-system")]
        )
            yield return new Measured(
                $"{station} page, 95th percentile, 16 clients",
                LoadRuns.Percentile95(server.Url, $"/jobs/{job}/{station}"),
                "ms",
                50
            );

        foreach (Measured line in LoadRuns.All(server.Url).GetAwaiter().GetResult())
            yield return line;
        yield return HexThroughTheCall(server.Url);

        using var http = new HttpClient();
        foreach (string code in (string[])["gzip"])
            http.DefaultRequestHeaders.AcceptEncoding.ParseAdd(code);
        string page = $"{server.Url}/jobs/slip-3-winter/memory";
        double html = http.GetByteArrayAsync(page).GetAwaiter().GetResult().Length;
        using var plain = new HttpClient();
        string[] linked =
        [
            .. Linked().Matches(plain.GetStringAsync(page).GetAwaiter().GetResult()).Select(m => m.Groups[1].Value).Distinct(),
        ];
        double styles = linked.Where(l => l.EndsWith(".css", StringComparison.Ordinal)).Sum(Weigh);
        double scripts = linked.Where(l => l.EndsWith(".js", StringComparison.Ordinal)).Sum(Weigh);
        yield return new Measured("page weight, first load, without fonts", (html + styles + scripts) / 1000, "kB", 250);
        yield return new Measured("scripts among it", scripts / 1000, "kB", 80);

        double Weigh(string path) => http.GetByteArrayAsync(server.Url + path).GetAwaiter().GetResult().Length;
    }

    /// <summary>The pages under load alone.</summary>
    public static IEnumerable<Measured> Pages()
    {
        string data = Directory.CreateTempSubdirectory("cabin-bench").FullName;
        using Run server = Run(data, "--demo", out _);
        foreach (Measured line in LoadRuns.All(server.Url).GetAwaiter().GetResult())
            yield return line;
    }

    /// <summary>
    /// HEX text of 16 MiB sent to the call that makes bytes of it, until they are all here. Its budget is twice what the reading
    /// alone takes in this process; both are as well compiled as they will be.
    /// </summary>
    static Measured HexThroughTheCall(string url)
    {
        byte[] image = new byte[16 << 20];
        new Random(1).NextBytes(image);
        byte[] text = RomFile.Write(RomFormat.Ihex, image);
        using var http = new HttpClient();
        object Sent()
        {
            using var form = new MultipartFormDataContent
            {
                { new StringContent("ihex"), "formatIn" },
                { new ByteArrayContent(text), "image", "image.hex" },
            };
            using HttpResponseMessage answer = http.PostAsync($"{url}/api/v1/rom/transform", form).GetAwaiter().GetResult();
            byte[] got = answer.EnsureSuccessStatusCode().Content.ReadAsByteArrayAsync().GetAwaiter().GetResult();
            return got.Length == image.Length ? got : throw new InvalidOperationException($"{got.Length} bytes came back");
        }
        object Read() => RomFile.Read(RomFormat.Ihex, text);
        Timed.Median(40, Read);
        (double call, double reading) = RomRuns.InTurn(Sent, Read, 9);
        return new Measured("HEX of 16 MiB through the call, times the reading", call / reading, "x", 2);
    }

    /// <summary>The styles and scripts that a page asks for.</summary>
    [System.Text.RegularExpressions.GeneratedRegex("(?:href|src)=\"(/[^\"]+\\.(?:css|js))\"")]
    internal static partial System.Text.RegularExpressions.Regex Linked();

    internal static Run Run(string data, string? option, out TimeSpan toFirstAnswer)
    {
        int port = FreePort();
        var start = new ProcessStartInfo("dotnet") { RedirectStandardOutput = true, RedirectStandardError = true };
        // As ./cabin builds it for people; else as the bench's own build left it.
        string dll =
            Environment.GetEnvironmentVariable("CABIN_APP")
            ?? Path.Combine(AppContext.BaseDirectory, "../../../../../src/RustCabin.Web/bin/Release/net10.0/RustCabin.Web.dll");
        foreach (
            string? argument in (string?[])[Path.GetFullPath(dll), "--data", data, "--urls", $"http://127.0.0.1:{port}", option]
        )
            if (argument is not null)
                start.ArgumentList.Add(argument);
        long began = Stopwatch.GetTimestamp();
        Process process = Process.Start(start)!;
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
        using var http = new HttpClient();
        while (true)
        {
            try
            {
                HttpResponseMessage answer = http.GetAsync($"http://127.0.0.1:{port}/").GetAwaiter().GetResult();
                if (answer.StatusCode == HttpStatusCode.OK)
                    break;
                throw new InvalidOperationException($"the shelf answered {(int)answer.StatusCode}");
            }
            catch (HttpRequestException) when (Stopwatch.GetElapsedTime(began) < TimeSpan.FromSeconds(30))
            {
                Thread.Sleep(10);
            }
        }
        toFirstAnswer = Stopwatch.GetElapsedTime(began);
        return new Run(process, $"http://127.0.0.1:{port}");
    }

    static int FreePort()
    {
        using var listener = new System.Net.Sockets.TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}

sealed record Run(Process Process, string Url) : IDisposable
{
    public void Dispose()
    {
        Process.Kill(entireProcessTree: true);
        Process.WaitForExit();
        Process.Dispose();
    }
}
