using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Core.Chips;
using RustCabin.Core.Rom;

namespace RustCabin.Web.Pages.Evidence;

/// <summary>
/// A device over a socket, both by name: legs to lift, links, ties. Source: docs/handbook/rom.md, Devices and sockets.
/// </summary>
public sealed class SocketModel : PageModel
{
    [BindProperty(SupportsGet = true, Name = "device")]
    public string DeviceName { get; set; } = "27256";

    [BindProperty(SupportsGet = true, Name = "socket")]
    public string SocketName { get; set; } = "2764";

    /// <summary>Own contacts in order, by commas or blanks, in place of a standard socket.</summary>
    [BindProperty(SupportsGet = true, Name = "contacts")]
    public string? Contacts { get; set; }

    [BindProperty(SupportsGet = true, Name = "above")]
    public bool Above { get; set; } = true;

    /// <summary>So many contacts at most.</summary>
    const int Most = 64;

    public RomDevice? Device { get; private set; }

    public IReadOnlyList<string> Socket { get; private set; } = [];

    public RomWiring? Wiring { get; private set; }

    /// <summary>What is wrong with what was asked; empty: nothing.</summary>
    public string Wrong { get; private set; } = "";

    public void OnGet()
    {
        ViewData["Title"] = "Device over a socket";
        Device = RomDevice.Find(DeviceName);
        string[] own =
        [
            .. (Contacts ?? "").Split([',', ' ', '\n', '\r', '\t'], StringSplitOptions.RemoveEmptyEntries).Take(Most + 1),
        ];
        Socket = own.Length > 0 ? own : RomDevice.Find(SocketName)?.Pins ?? [];
        Wrong = this switch
        {
            { Device: null } => $"\"{DeviceName}\" is no device that is known",
            { Socket.Count: 0 } => $"\"{SocketName}\" is no socket that is known",
            { Socket.Count: > Most } => $"A socket has {Most} contacts at most",
            _ when Socket.Count % 2 != 0 => $"{Socket.Count} contacts stand in no two rows",
            _ => "",
        };
        if (Wrong.Length == 0)
            Wiring = RomWiring.Solve(Device!, Socket, new Dictionary<string, string>());
    }
}
