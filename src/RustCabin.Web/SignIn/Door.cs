using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;

namespace RustCabin.Web.SignIn;

/// <summary>
/// Whether the cabin is open to other machines, and what they call it. Without a pass phrase it opens to this machine only.
/// Source: docs/security.md, What listens.
/// </summary>
/// <param name="File">The phrase, and who gave it.</param>
/// <param name="IsOpen">True if an address that is bound can be reached from other machines, or everybody must sign in.</param>
/// <param name="Everybody">True if this machine's own browsers must sign in too: <c>--sign-in everybody</c>.</param>
/// <param name="Hosts">The host names under which it answers.</param>
public sealed record Door(DoorFile File, bool IsOpen, bool Everybody, IReadOnlyList<string> Hosts)
{
    /// <summary>The settings as they were asked for, looked at before anything listens.</summary>
    /// <exception cref="ListeningException">An address is open to other machines and no phrase is set, or cannot be
    /// bound.</exception>
    public static Door Of(IConfiguration settings, DoorFile file)
    {
        IReadOnlyList<string> asked = Listening.Hosts(settings);
        bool everybody = settings["sign-in"] == "everybody",
            open = asked.Any(h => !Listening.Own.Contains(h));
        if ((open || everybody) && file.Unread is { } unread)
            throw new ListeningException(unread);
        if ((open || everybody) && !file.HasPhrase)
            throw new ListeningException(
                $"{asked.FirstOrDefault(h => !Listening.Own.Contains(h)) ?? "this machine"} is open to other machines, and "
                    + "no pass phrase is set. ./cabin run --open asks for one; without it use http://127.0.0.1:PORT."
            );
        return new Door(
            file,
            open || everybody,
            everybody,
            open ? [.. Listening.Own, .. asked.SelectMany(Meant), .. Names()] : Listening.Own
        );
    }

    /// <summary>True if a request over this connection comes from this machine and need not sign in.</summary>
    public bool IsOwn(ConnectionInfo connection) =>
        !Everybody && (connection.LocalIpAddress is not { } local || IPAddress.IsLoopback(local));

    /// <summary>The addresses by which another machine reaches it, the likeliest first.</summary>
    /// <param name="bound">What the server is bound to.</param>
    public static IReadOnlyList<string> Reached(IEnumerable<string> bound) =>
        [
            .. bound
                .Select(BindingAddress.Parse)
                .Where(b => !Listening.Own.Contains(b.Host))
                .SelectMany(b => Meant(b.Host).Select(host => $"{b.Scheme}://{host}:{b.Port}"))
                .Distinct(),
        ];

    /// <summary>What an address that stands for several stands for.</summary>
    static IEnumerable<string> Meant(string host) =>
        host switch
        {
            "0.0.0.0" => Addresses().Where(a => a[0] != '['),
            "*" or "+" or "[::]" => Addresses(),
            _ => [host],
        };

    static IEnumerable<string> Names() => Addresses().Append(Dns.GetHostName()).Append(Dns.GetHostName() + ".local");

    /// <summary>This machine's own addresses, those of the older kind first: they are shorter to type.</summary>
    static IEnumerable<string> Addresses() =>
        NetworkInterface
            .GetAllNetworkInterfaces()
            .Where(n => n.OperationalStatus == OperationalStatus.Up && n.NetworkInterfaceType != NetworkInterfaceType.Loopback)
            .SelectMany(n => n.GetIPProperties().UnicastAddresses)
            .Select(a => a.Address)
            .Where(a => !IPAddress.IsLoopback(a) && !a.IsIPv6LinkLocal)
            .OrderBy(a => a.AddressFamily == AddressFamily.InterNetworkV6)
            .Select(a => a.AddressFamily == AddressFamily.InterNetworkV6 ? $"[{a}]" : $"{a}")
            .Distinct();
}
