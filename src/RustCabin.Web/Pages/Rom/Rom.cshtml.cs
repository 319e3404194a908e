using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Rom;

/// <summary>The ROM station: a device in its socket, the image and what is made of it, the proof on the simulated bus, the burning, and dumps compared.</summary>
[RequestFormLimits(MultipartBodyLengthLimit = LargestForm)]
[RequestSizeLimit(LargestForm)]
public sealed partial class RomModel(SheetRepository sheets, JobRepository jobs, RomImageRepository images, TimeProvider clock) : StationPage(sheets, jobs)
{
    public const int LargestForm = 64_000_000;

    public override Station Station => Station.Named("ROM");

    [BindProperty(SupportsGet = true)] public string? At { get; set; }
    [BindProperty(SupportsGet = true)] public bool Above { get; set; }

    public IReadOnlyList<Site> Sockets { get; private set; } = [];
    public Site? Socket { get; private set; }
    public RomPlan? Plan { get; private set; }
    public RomDevice? Device { get; private set; }
    public RomWiring? Wiring { get; private set; }
    public IReadOnlyList<RomImageLine> Images { get; private set; } = [];
    public byte[]? Image { get; private set; }

    /// <summary>The chain: the image, then what each operation makes of it. An operation that cannot be done ends it, with why in <see cref="ChainWrong"/>.</summary>
    public IReadOnlyList<IReadOnlyList<byte[]>> Chain { get; private set; } = [];
    public string? ChainWrong { get; private set; }
    public Dictionary<string, string> Kept { get; } = [];
    public Compared? Compared { get; private set; }
    public string ComparedName { get; private set; } = "";
    public IReadOnlyList<BurnResult> Burning { get; private set; } = [];

    protected override void Loaded()
    {
        Sockets = [.. View.After.Sites.Where(s => s.Pinout.Count > 0)];
        Socket = Sockets.FirstOrDefault(s => s.Id == At) ?? Sockets.FirstOrDefault(s => View.Job.Roms.Any(r => r.Site == s.Id)) ?? Sockets.FirstOrDefault();
        Images = images.Of(View.Unit.Id);
        Plan = View.Job.Roms.FirstOrDefault(r => r.Site == Socket?.Id);
        if (Plan is null || Socket is null) return;
        Device = RomDevice.Find(Plan.Device)!;
        Wiring = RomWiring.Solve(Device, Socket.Pinout, Plan.Ties);
        Image = long.TryParse(Plan.Image, CultureInfo.InvariantCulture, out long id) ? images.Bytes(View.Unit.Id, id) : null;
        if (Image is null) return;
        var chain = new List<IReadOnlyList<byte[]>> { new[] { Image } };
        try
        {
            foreach (RomOp op in Plan.Ops) chain.Add(RomOp.Run(chain[^1], [op]));
        }
        catch (RomOpException wrong)
        {
            ChainWrong = wrong.Message;
        }
        Chain = chain;
    }

    /// <summary>The bytes that go to the programmer: what the last operation made, where that is one image.</summary>
    public byte[]? ToBurn => ChainWrong is null && Chain.Count > 0 && Chain[^1].Count == 1 ? Chain[^1][0] : null;

    public bool HighFirst => View.Model.ByteOrder == WordOrder.HighFirst;
    /// <summary>Devices for the socket; worked out when asked for, so ask once.</summary>
    public IReadOnlyList<DeviceOption> Options() => Socket is null ? [] : DeviceChoice.For(Socket.Pinout, Image?.Length ?? 0);
    string Now() => clock.GetUtcNow().ToString("yyyy-MM-dd'T'HH:mm:ss'Z'");

    /// <summary>What an operation of the page's buttons would be, as a sheet writes it.</summary>
    public static readonly (string Words, string Json)[] QuickOps =
        [("Swap bytes of words", """{"op":"swap16"}"""), ("Double", """{"op":"double"}"""), ("Split in two lanes", """{"op":"split","lanes":2}"""), ("Join lanes", """{"op":"join"}"""), ("Reverse words", """{"op":"reverseWords","bits":16}""")];

    public IActionResult OnPostPlan(string job, long version, string site, string device, string? ns)
    {
        if (!Load(job)) return NotFound();
        Kept["ns"] = (ns ?? "").Trim();
        int? time = null;
        if (Kept["ns"].Length > 0)
            if (int.TryParse(Kept["ns"], NumberStyles.None, CultureInfo.InvariantCulture, out int typed) && typed is >= 1 and <= 10_000) time = typed;
            else return Refuse(StatusCodes.Status422UnprocessableEntity, $"Nothing was changed: \"{ns}\" is not an access time in ns; type 120.");
        return Change(job, version, _ => RomDevice.Find(device) is null ? null : ($"{device} planned for {site}", json => RomEdits.Device(json, site, device, time)));
    }

    public IActionResult OnPostDropPlan(string job, long version, string site) => Change(job, version, _ => ($"No device planned for {site}", json => RomEdits.Drop(json, site)));
    public IActionResult OnPostImage(string job, long version, string site, string image) => Change(job, version, _ => ("Image chosen", json => RomEdits.Image(json, site, image)));
    public IActionResult OnPostTie(string job, long version, string site, string net, string to) => Change(job, version, _ => ($"{net} tied to {to}", json => RomEdits.Tie(json, site, net, to)));
    public IActionResult OnPostDropOp(string job, long version, string site, int index) => Change(job, version, _ => ("Operation taken out", json => RomEdits.DropOp(json, site, index)));
    public IActionResult OnPostRaiseOp(string job, long version, string site, int index) => Change(job, version, _ => ("Operation moved forward", json => RomEdits.RaiseOp(json, site, index)));

    public IActionResult OnPostOp(string job, long version, string site, string op) => Change(job, version, _ =>
    {
        JsonObject sheet = JsonNode.Parse(op) as JsonObject ?? throw new ArgumentException("that is no operation");
        using var json = System.Text.Json.JsonDocument.Parse($"[{op}]");
        (IReadOnlyList<RomOp> ops, IReadOnlyList<SheetError> errors) = RomOp.Read(json.RootElement);
        if (errors.Count > 0) throw new ArgumentException(errors[0].ToString());
        return (IdText.Capital(RomPlan.Words(ops[0])), j => RomEdits.AddOp(j, site, sheet));
    });

    public IActionResult OnPostPad(string job, long version, string site, string? size)
    {
        if (!Load(job)) return NotFound();
        Kept["pad"] = (size ?? "").Trim();
        return ScreenReading.TryParse(Kept["pad"], out Core.Units.ByteSize to) && to.Bytes is > 0 and <= RomFile.Largest
            ? Change(job, version, _ => ($"Padded to {to}", json => RomEdits.AddOp(json, site, new JsonObject { ["op"] = "pad", ["size"] = to.ToSheet(), ["fill"] = 255 })))
            : Refuse(StatusCodes.Status422UnprocessableEntity, $"Nothing was changed: \"{size}\" is not a size; type 512K.");
    }

    /// <summary>Reads the planned device through the socket on the simulated bus, and notes what came of it.</summary>
    public IActionResult OnPostProve(string job, long version, string site)
    {
        if (!Load(job)) return NotFound();
        if (Plan is null || Device is null || Wiring is null || Socket is null || Image is null) return Refuse(StatusCodes.Status422UnprocessableEntity, "Nothing was proved: choose a device and an image first.");
        if (ToBurn is null) return Refuse(StatusCodes.Status422UnprocessableEntity, ChainWrong is null ? "Nothing was proved: the chain ends in several images; join them, or burn each lane's device on its own." : $"Nothing was proved: {ChainWrong}.");
        Proof proof = RomProof.Of(Device, Socket.Pinout, Wiring, Image, ToBurn, HighFirst);
        string words = proof.Passed ? proof.Words : $"{proof.Words} The first wrong byte is 0x{proof.FirstWrong:x}.";
        var note = new ProofNote(Now(), Plan.Key, proof.Passed, words);
        return Change(job, version, _ => (proof.Passed ? $"{Plan.Device} proved for {site}" : $"Proof of {Plan.Device} for {site} failed", json => RomEdits.Proved(json, site, note)));
    }

    /// <summary>Runs the simulated programmer, and notes in the log what it showed.</summary>
    public IActionResult OnPostBurn(string job, long version, string site, string? fault)
    {
        if (!Load(job)) return NotFound();
        if (Plan is null || Device is null || ToBurn is null) return Refuse(StatusCodes.Status422UnprocessableEntity, "Nothing was burnt: choose a device and an image first.");
        ProgrammerFault with = Enum.TryParse(fault, out ProgrammerFault chosen) ? chosen : ProgrammerFault.None;
        BurnResult last = new Programmer(Device, with).Run(ToBurn)[^1];
        return Change(job, version, _ => ($"Simulated programmer, {Plan.Device}: {(last.Passed ? "burnt and verified" : last.Words)}",
            json => RomEdits.Burnt(json, site, new BurnNote(Now(), last.Passed, $"{last.Step}: {last.Words}"))));
    }

    public IActionResult OnGetFile(string job, string format)
    {
        if (!Load(job) || Chain.Count == 0 || ChainWrong is not null) return NotFound();
        (RomFormat as_, string extension) = format switch { "ihex" => (RomFormat.Ihex, "hex"), "srec" => (RomFormat.Srec, "srec"), _ => (RomFormat.Bin, "bin") };
        var zip = new MemoryStream();
        using (var archive = new ZipArchive(zip, ZipArchiveMode.Create, leaveOpen: true))
        {
            var sums = new StringBuilder();
            foreach ((int i, byte[] one) in Chain[^1].Index())
            {
                string name = $"{View.Job.Id}-{Plan!.Site}{(Chain[^1].Count > 1 ? $"-{i}" : "")}.{extension}";
                if (format != "zip" && Chain[^1].Count == 1) return File(RomFile.Write(as_, one), "application/octet-stream", name);
                using (Stream entry = archive.CreateEntry(name).Open()) entry.Write(RomFile.Write(as_, one));
                RomInspection seen = RomInspection.Of(one);
                sums.Append(CultureInfo.InvariantCulture, $"{name}: {seen.Size} bytes, crc32 {seen.Crc32}, sha256 {seen.Sha256}, sum16 {seen.Sum16:x4}\n");
            }
            using Stream list = archive.CreateEntry("sums.txt").Open();
            list.Write(Encoding.UTF8.GetBytes(sums.ToString()));
        }
        return File(zip.ToArray(), "application/zip", $"{View.Job.Id}-images.zip");
    }
}
