using System.Net;
using System.Net.Sockets;
using System.Text;

namespace RustCabin.Benchmarks;

/// <summary>
/// One connection that asks for pages one after the other and keeps its cookie. It shares the two cores with the server, so that
/// it does as little as it can: it reads an answer to its end, and looks at its first line alone.
/// </summary>
sealed class LightBrowser : IDisposable
{
    static readonly byte[] LastChunk = "\r\n0\r\n\r\n"u8.ToArray(),
        EndOfHead = "\r\n\r\n"u8.ToArray();

    readonly Socket _socket = new(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
    readonly byte[] _buffer = new byte[256 << 10];
    readonly string _host;
    string _cookie = "";

    /// <param name="url">Where the server is: <c>http://127.0.0.1:5080</c>.</param>
    public LightBrowser(string url)
    {
        var at = new Uri(url);
        _host = at.Authority;
        _socket.Connect(IPAddress.Parse(at.Host), at.Port);
    }

    /// <summary>Asks for a page; how many bytes came.</summary>
    /// <exception cref="InvalidOperationException">It was not answered with 200.</exception>
    public int Get(string path)
    {
        _socket.Send(Encoding.ASCII.GetBytes($"GET {path} HTTP/1.1\r\nHost: {_host}\r\n{_cookie}\r\n"));
        int came = 0,
            head = -1,
            whole = -1;
        while (true)
        {
            int more = _socket.Receive(_buffer, came, _buffer.Length - came, SocketFlags.None);
            if (more == 0)
                throw new InvalidOperationException($"{path}: the connection was closed");
            came += more;
            ReadOnlySpan<byte> answer = _buffer.AsSpan(0, came);
            if (head < 0 && answer.IndexOf(EndOfHead) is var end and >= 0)
                (head, whole) = (end + 4, end + 4 + Length(path, Encoding.ASCII.GetString(answer[..end])));
            if (head >= 0 && (whole >= head ? came >= whole : answer.EndsWith(LastChunk)))
                return came - head;
        }
    }

    /// <summary>How long the body is, as its head says; below zero: it comes in chunks.</summary>
    int Length(string path, string head)
    {
        if (!head.StartsWith("HTTP/1.1 200", StringComparison.Ordinal))
            throw new InvalidOperationException($"{path}: {head[..head.IndexOf('\r')]}");
        int length = int.MinValue / 2;
        foreach (string line in head.Split("\r\n"))
            if (line.StartsWith("Content-Length: ", StringComparison.OrdinalIgnoreCase))
                length = int.Parse(line["Content-Length: ".Length..], System.Globalization.CultureInfo.InvariantCulture);
            else if (line.StartsWith("Set-Cookie: ", StringComparison.OrdinalIgnoreCase))
                _cookie = $"Cookie: {line["Set-Cookie: ".Length..].Split(';')[0]}\r\n";
        return length;
    }

    public void Dispose() => _socket.Dispose();
}
