using System.Text;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Baseline;
using RustCabin.Core.Cards;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Storage;
using RustCabin.Data;
using RustCabin.Web.Drawings;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Storage;

/// <summary>A bus as it is drawn, with the ids that are free to choose settled.</summary>
public sealed record BusShown(string Name, IReadOnlyList<OnBus> Things, bool Terminates);

/// <summary>
/// The Storage station: each card as a strip with the lines that its host cannot pass, the way from host to card, the buses, and
/// what the card must carry.
/// </summary>
public sealed partial class StorageModel(SheetRepository sheets, JobRepository jobs, StockRepository stock)
    : StationPage(sheets, jobs)
{
    const string ShownScale = "log";

    public override Desk Desk => Desks.Of<StorageDesk>();

    public IReadOnlyList<Attached> Devices { get; private set; } = [];
    public IReadOnlyList<PlannedCard> Cards { get; private set; } = [];
    public IReadOnlyList<HostHere> Hosts { get; private set; } = [];

    /// <summary>Which scale the strips have: log, linear; left out: as is needed.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Scale { get; set; }

    /// <summary>What a pasted listing showed, and of which part's card; null: none was pasted.</summary>
    public (string On, KitReading Reading)? Listing { get; private set; }

    protected override void Loaded()
    {
        Devices = Attached.Of(View.After);
        Cards = PlannedCard.Of(View.After);
        Hosts = HostHere.Of(View.After);
        Routed();
    }

    public PlannedCard? CardOf(Attached at) => Cards.FirstOrDefault(c => c.Device.Name == at.Device.Name);

    /// <summary>The title to try first where the firmware or the card of a device may be to blame; null: no report parts
    /// them.</summary>
    public TryFirst? First(Attached at) =>
        CardOf(at) is { } card
            ? KnownReports.First(
                at.Device.Part.Known,
                View.Sheets.Titles.Where(t => t.IsFor(View.Model)).Select(t => t.Name),
                at.Device.Fitted.Version ?? View.After.Firmware ?? "",
                card.Card.Labelled
            )
            : null;

    public bool IsLog(PlannedCard card) => Scale is null ? CardStrip.IsUneven(card.Layout) : Scale == ShownScale;

    /// <summary>Labels of cards that lie in the cupboard.</summary>
    public IReadOnlyList<string> InCupboard =>
        [
            .. stock
                .All()
                .Where(s => s.Item is { Kind: Core.Cupboard.StockKind.Card, Count: > 0 })
                .Select(s => s.Item.Item)
                .Distinct(),
        ];

    /// <summary>The way from the host to the card, joint by joint.</summary>
    public IReadOnlyList<JointShown> JointsOf(Attached at) => JointShown.Of(View, at);

    /// <summary>The buses on which there is something to settle.</summary>
    public IReadOnlyList<BusShown> Buses =>
        [
            .. Devices
                .Where(d => d.Host is not null)
                .GroupBy(d => d.Host!)
                .Where(g => g.Key.Host.Bus == StorageBus.Scsi || g.Key.Host.Ids is not null || g.Count() > 1)
                .Select(g => BusOf(g.Key, [.. g])),
        ];

    BusShown BusOf(HostHere host, Attached[] devices)
    {
        bool scsi = host.Host.Bus == StorageBus.Scsi;
        ScsiBus settled = ScsiBus.Of(BusChecks.Asked(View.After, host, devices));
        bool wrong(Subject subject) =>
            View.Answer.Findings.Any(f =>
                f.Subjects.Contains(subject)
                && f.Kind is var k
                && (k == StorageFindings.Id || k == StorageFindings.Term || k == StorageFindings.Pair)
            );
        return new BusShown(
            host.Name,
            [
                new OnBus(
                    host.Name,
                    $"{host.Host.HostId}",
                    settled.Terminated.Contains(ScsiAsked.HostName),
                    false,
                    wrong(host.Subject)
                ),
                .. devices.Select(d =>
                {
                    IReadOnlyList<int> own = d.IdsOf(View.Job);
                    bool chosen = own.Count == 0 && scsi;
                    return new OnBus(
                        d.Device.Title,
                        host.Host.Bus == StorageBus.Ata
                            ? string.Join(", ", own.Select(i => i == 0 ? "first" : "second"))
                            : string.Join(", ", chosen ? [settled.Ids[d.Device.Name]] : own),
                        settled.Terminated.Contains(d.Device.Name),
                        chosen,
                        wrong(d.Device.Subject)
                    );
                }),
            ],
            scsi
        );
    }

    IReadOnlyList<(Job Job, JobCard Card, Unit Unit)>? _others;

    /// <summary>Cards of other jobs that can be cloned; the jobs are read once a page, however many cards it shows.</summary>
    public IReadOnlyList<(Job Job, JobCard Card, Unit Unit)> Others =>
        _others ??= [
            .. from stored in Jobs.All()
            where stored.Id != View.Job.Id
            let unit = View.Sheets.FindUnit(stored.Unit)
            where unit is not null
            from card in stored.Cards
            where card.Partitions.Count > 0
            select (stored, card, unit),
        ];

    /// <summary>Titles that can be put on a card: those that it holds first, then those whose file or size is known.</summary>
    public IReadOnlyList<Title> TitlesFor(PlannedCard card) =>
        [
            .. View
                .Sheets.Titles.Where(t => IsHeld(card, t) || (t.IsFor(View.Model) && (t.File is not null || t.Bytes is not null)))
                .OrderByDescending(t => IsHeld(card, t)),
        ];

    /// <summary>How many discs a title has, and how the device takes them.</summary>
    public static string DiscsOf(Title title, PlannedCard card) =>
        title.Discs == 1
            ? "one"
            : $"{title.Discs}, "
                + card.Attached.Storage.Discs switch
                {
                    DiscsBy.Folder => "side by side in one folder",
                    DiscsBy.Swap => "changed by a press",
                    DiscsBy.Each => "an id each",
                    _ => "one by one",
                };

    static bool IsHeld(PlannedCard card, Title title) => card.Card.Partitions.Any(p => p.Holds.Contains(title.Id));

    public IActionResult OnPostCard(string job, long version, InstanceName on, string? label) =>
        Press(job, version, at => Carding.Card(at, on, label));

    public IActionResult OnPostNoCard(string job, long version, InstanceName on) => Press(job, version, _ => Carding.NoCard(on));

    public IActionResult OnPostMore(string job, long version, InstanceName on, string? fs) =>
        Press(job, version, _ => Carding.More(on, fs));

    public IActionResult OnPostFewer(string job, long version, InstanceName on, int index) =>
        Press(job, version, _ => Carding.Fewer(on, index));

    /// <summary>Takes what was typed of one partition.</summary>
    public IActionResult OnPostPartition(string job, long version, InstanceName on, int index, PartitionForm form) =>
        Press(job, version, _ => Carding.Partition(on, index, form));

    /// <summary>A partition's end was dragged: its size in whole MiB.</summary>
    public IActionResult OnPostDrag(string job, long version, InstanceName on, int index, long mib) =>
        Press(job, version, _ => Carding.Drag(on, index, mib));

    public IActionResult OnPostChoose(string job, long version, InstanceName on, string choice, string value) =>
        Press(job, version, at => Carding.Choose(at, on, choice, value));

    public IActionResult OnPostHold(string job, long version, InstanceName on, int index, string title, bool holds) =>
        Press(job, version, at => Carding.Hold(at, on, index, title, holds));

    public IActionResult OnPostId(string job, long version, InstanceName on, int id, string? what) =>
        Press(job, version, at => Carding.Id(at, on, id, what));

    public IActionResult OnPostOrigin(string job, long version, InstanceName on, string origin, string? from) =>
        Press(job, version, _ => Carding.Origin(on, origin, from));

    /// <summary>Says that a device that the job burns holds the firmware of an interface's variant, or does not.</summary>
    public IActionResult OnPostVariant(string job, long version, string site, string variant, bool holds) =>
        Press(job, version, at => Carding.Variant(at, site, variant, holds));

    public IActionResult OnPostClone(string job, long version, InstanceName on, string other, string card) =>
        Press(job, version, at => Carding.Clone(on, JobAndUnit(at, other), card));

    (Job, Unit)? JobAndUnit(AtHand at, string other) =>
        other != at.Job.Id && Jobs.Find(other)?.Job is { } found && at.Sheets.FindUnit(found.Unit) is { } unit
            ? (found, unit)
            : null;

    /// <summary>Holds a pasted listing of the card against the kit; nothing is kept.</summary>
    public IActionResult OnPostListing(string job, InstanceName on, string? listing)
    {
        if (!Load(job) || KitOf(on) is not { } files)
            return NotFound();
        if (Carding.Listing(listing) is { } refused)
            return Refuse(refused);
        Listing = (on, KitFiles.Compare(files, listing!));
        return Page();
    }

    public IReadOnlyList<(string Path, string Text)>? KitOf(InstanceName on) =>
        Cards.FirstOrDefault(c => c.Device.Name == on) is { Device.Part.CardKit: { } kit } card
            ? KitFiles.Of(kit, card.Choices)
            : null;

    public IActionResult OnGetKit(string job, InstanceName on) =>
        Load(job) && KitOf(on) is { } files
            ? File(KitFiles.Zip(files), "application/zip", $"kit-{SafeName(on)}.zip")
            : NotFound();

    public IActionResult OnGetScript(string job, InstanceName on) =>
        Found(job, on) is { } card && CardScript.Of(card.Layout) is { Length: > 0 } script
            ? File(Encoding.ASCII.GetBytes(script), "text/plain", $"card-{SafeName(on)}.sfdisk")
            : NotFound();

    public IActionResult OnGetCsv(string job, InstanceName on) =>
        Found(job, on) is { } card
            ? File(
                Encoding.UTF8.GetPreamble().Concat(Encoding.UTF8.GetBytes(CardScript.AsCsv(card.Layout))).ToArray(),
                "text/csv; charset=utf-8",
                $"card-{SafeName(on)}.csv"
            )
            : NotFound();

    public async Task<IActionResult> OnGetImage(string job, InstanceName on)
    {
        if (Found(job, on) is not { } card)
            return NotFound();
        if (StorageCalls.Refused(card.Layout) is { } why)
            return Refuse(StatusCodes.Status422UnprocessableEntity, $"No image: {why.Message}");
        await StorageCalls.File(card.Layout).ExecuteAsync(HttpContext);
        return new EmptyResult();
    }

    PlannedCard? Found(string job, InstanceName on) => Load(job) ? Cards.FirstOrDefault(c => c.Device.Name == on) : null;

    static string SafeName(InstanceName on) => string.Concat($"{on}".Where(c => char.IsAsciiLetterOrDigit(c) || c == '-'));
}
