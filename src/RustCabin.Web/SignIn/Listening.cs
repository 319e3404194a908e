namespace RustCabin.Web.SignIn;

/// <summary>An address cannot be listened at.</summary>
public sealed class ListeningException(string message) : Exception(message);

/// <summary>The addresses that any setting asks for. Source: docs/security.md, What listens.</summary>
static class Listening
{
    /// <summary>The names of this machine for itself.</summary>
    public static readonly string[] Own = ["localhost", "127.0.0.1", "[::1]"];

    /// <summary>The hosts of all addresses asked for.</summary>
    /// <exception cref="ListeningException">One is no address, or wants a certificate that is not there.</exception>
    public static IReadOnlyList<string> Hosts(IConfiguration settings)
    {
        bool certificate = settings.GetSection("Kestrel:Certificates:Default").Exists();
        IEnumerable<(string Url, bool Certificate)> asked = (settings["urls"] ?? "")
            .Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(url => (url, certificate))
            .Concat(
                settings
                    .GetSection("Kestrel:Endpoints")
                    .GetChildren()
                    .Select(e => (e["Url"] ?? "", certificate || e.GetSection("Certificate").Exists()))
            );
        return [.. asked.Select(a => Host(a.Url, a.Certificate))];
    }

    /// <summary>The addresses that are really bound are among those that were looked at.</summary>
    /// <exception cref="ListeningException">Another setting bound one more.</exception>
    public static void DemandBound(IEnumerable<string> bound, Door door)
    {
        foreach (string host in bound.Select(b => Host(b, certificate: true)).Where(h => !Own.Contains(h)))
            if (!door.IsOpen)
                throw new ListeningException($"{host} is open to other machines. Use http://127.0.0.1:PORT.");
    }

    static string Host(string url, bool certificate)
    {
        BindingAddress address;
        try
        {
            address = BindingAddress.Parse(url);
        }
        catch (FormatException)
        {
            throw new ListeningException($"\"{url}\" is no address. Use http://127.0.0.1:PORT.");
        }
        if (address.Scheme is not ("http" or "https") || address.IsUnixPipe || address.IsNamedPipe)
            throw new ListeningException($"\"{url}\" is no address of a page. Use http://127.0.0.1:PORT.");
        if (address.Scheme == "https" && !certificate)
            throw new ListeningException($"{url} wants a certificate, and the cabin has none. Use http://127.0.0.1:PORT.");
        return address.Host;
    }
}
