using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Chips;
using RustCabin.Core.Images;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Rom;

/// <summary>
/// The ROM station: a device in its socket, the image and what is made of it, the proof on the simulated bus, the burning, and
/// dumps compared.
/// </summary>
[RequestFormLimits(MultipartBodyLengthLimit = LargestForm)]
[RequestSizeLimit(LargestForm)]
public sealed partial class RomModel(
    SheetRepository sheets,
    JobRepository jobs,
    RomImageRepository images,
    RecipeRepository recipes,
    StockRepository stock,
    ChainDesk desk,
    HeldFiles held,
    TimeProvider clock
) : StationPage(sheets, jobs)
{
    public const int LargestForm = 64_000_000;

    public override Desk Desk => Desks.Of<RomDesk>();

    [BindProperty(SupportsGet = true)]
    public string? At { get; set; }

    [BindProperty(SupportsGet = true)]
    public bool Above { get; set; }

    public IReadOnlyList<Site> Sockets { get; private set; } = [];
    public Site? Socket { get; private set; }
    public RomPlan? Plan { get; private set; }
    public RomDevice? Device { get; private set; }
    public RomWiring? Wiring { get; private set; }

    /// <summary>Where the address switches can stand, and what is read there; one position where there is none.</summary>
    public IReadOnlyList<SelectorPosition> Positions { get; private set; } = [];

    /// <summary>The unit's images, and those of the plan: its own first, then what fills the device.</summary>
    public IReadOnlyList<RomImageLine> Images { get; private set; } = [];
    public IReadOnlyList<RomImageLine> Planned { get; private set; } = [];

    protected override void Loaded()
    {
        Sockets = [.. View.After.Sites.Where(s => s.Pinout.Count > 0)];
        Socket =
            Sockets.FirstOrDefault(s => s.Id == At)
            ?? Sockets.FirstOrDefault(s => View.Job.Roms.Any(r => r.Site == s.Id))
            ?? Sockets.FirstOrDefault();
        Images = images.Of(View.Unit.Id);
        Plan = View.Job.Roms.FirstOrDefault(r => r.Site == Socket?.Id);
        if (Plan is null || Socket is null)
            return;
        Device = RomDevice.Find(Plan.Device)!;
        Wiring = RomWiring.Solve(Device, Socket.Pinout, Plan.Ties);
        if (Wiring.Fits)
            Positions = ImageSelector.Of(Device, Wiring);
        LoadImages();
    }

    /// <summary>Devices for the socket and the images; worked out when asked for, so ask once.</summary>
    public IReadOnlyList<DeviceOption> Options() =>
        Socket is null
            ? []
            : DeviceChoice.For(
                Socket.Pinout,
                Planned.Sum(p => p.Size) / (Plan?.Ops.OfType<Split>().FirstOrDefault()?.Lanes ?? 1),
                [.. stock.All().Select(s => s.Item)],
                Socket.RomBudgetNs
            );

    /// <summary>Refuses as the frame does, with what was not done.</summary>
    IActionResult Unfit(string why) => Refuse(StatusCodes.Status422UnprocessableEntity, why);

    public IActionResult OnPostPlan(string job, long version, string? site, string? device, string? ns) =>
        Press(job, version, _ => Core.Presses.Burning.Plan(site, device, ns));

    public IActionResult OnPostDropPlan(string job, long version, string site) =>
        Press(job, version, _ => Core.Presses.Burning.Drop(site));

    public IActionResult OnPostTie(string job, long version, string site, string net, string to) =>
        Press(job, version, _ => Core.Presses.Burning.Tie(site, net, to));

    /// <summary>What a leg may be tied to beside what it is tied to now; a tap only where a sheet knows a place.</summary>
    public IEnumerable<string> OtherTies(PinTie tie, string net) =>
        new[] { Nets.Ground, Nets.Supply, Nets.Switched, Nets.Tapped }.Where(to =>
            to != tie.To && (to != Nets.Tapped || (Socket!.Pinout.All(p => p != net) && Tap.Of(View.After, net).Count > 0))
        );
}
