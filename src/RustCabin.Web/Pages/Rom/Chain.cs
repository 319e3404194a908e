using System.Globalization;
using System.IO.Compression;
using System.Text;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Images;
using RustCabin.Core.Presses;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Rom;

/// <summary>
/// The images of a plan, the chain of operations that makes the programmer's file of them, recipes, and the file as it goes out.
/// </summary>
public sealed partial class RomModel
{
    public RomChain Chain { get; private set; } = RomChain.Empty;
    public string? ChainWrong => Chain.Wrong;
    public IReadOnlyList<RecipeLine> Recipes => recipes.All();

    /// <summary>The bytes that go to the programmer.</summary>
    public byte[]? ToBurn => Chain.File?.Bytes;

    /// <summary>
    /// How often the file must be doubled to fill the device; 0: it is full, or no whole number of doublings fills it.
    /// </summary>
    public int Doublings =>
        ToBurn is { Length: > 0 } file
        && Device is { } device
        && (long)device.Bytes % file.Length == 0
        && System.Numerics.BitOperations.IsPow2((long)device.Bytes / file.Length)
            ? System.Numerics.BitOperations.Log2(device.Bytes / (ulong)file.Length)
            : 0;

    /// <summary>What an operation of the page's buttons would be, as a sheet writes it.</summary>
    public static readonly (string Words, RomOp Op)[] QuickOps =
    [
        ("Swap bytes of words", new Swap16()),
        ("Double", new DoubleImage()),
        ("Split in two lanes", new Split()),
        ("Join lanes", new Join()),
        ("One behind the other", new Concat()),
    ];

    public static readonly (string Words, RomOp Op)[] RareOps =
    [
        ("Reverse bytes of 32-bit words", new Swap32()),
        ("Reverse the order of words", new ReverseWords()),
        ("Split in four lanes", new Split { Lanes = 4 }),
    ];

    void LoadImages()
    {
        if (Plan!.Image is null)
            return;
        string[] names = [Plan.Image, .. Plan.Further];
        Planned = [.. names.Select(n => Images.FirstOrDefault(i => i.Key == n)).OfType<RomImageLine>()];
        if (Planned.Count < names.Length)
            Chain = new RomChain(
                [],
                $"image {names.First(n => Planned.All(p => p.Key != n))} of the plan does not lie in this cabin"
            );
        else
            Chain = desk.Of(
                View.Unit.Id,
                [.. Planned.Select(p => p.Key)],
                Plan.OpsText,
                () => RomChain.Of([.. Planned.Select(p => images.Bytes(View.Unit.Id, p.Id)!)], Plan.Ops)
            );
        if (Chain.Steps.Count == 0)
            Planned = [];
    }

    /// <summary>Takes an image of the unit as the plan's own, or puts it behind those that are there.</summary>
    public IActionResult OnPostImage(string job, long version, string site, string image, bool further) =>
        Press(
            job,
            version,
            _ => Core.Presses.Burning.Image(site, Named(Images.FirstOrDefault(i => i.Key == image)), Sizes(Planned), further)
        );

    static (string, long, string)? Named(RomImageLine? image) => image is null ? null : (image.Key, image.Size, image.Name);

    static IReadOnlyList<(string, long)> Sizes(IEnumerable<RomImageLine> images) => [.. images.Select(i => (i.Key, i.Size))];

    public IActionResult OnPostDropImage(string job, long version, string site, int index) =>
        Press(
            job,
            version,
            _ =>
                index < 1 || index >= Planned.Count
                    ? Core.Presses.Press.Gone
                    : Core.Presses.Burning.Images(
                        site,
                        $"{Planned[index].Name} taken out",
                        Sizes(Planned.Where((_, i) => i != index))
                    )
        );

    IActionResult Hold(string job, long version, string site, string what, IReadOnlyList<RomImageLine> all) =>
        Press(job, version, _ => Core.Presses.Burning.Images(site, what, Sizes(all)));

    public IActionResult OnPostDropOp(string job, long version, string site, int index) =>
        Press(job, version, _ => Core.Presses.Burning.DropOp(site, index));

    public IActionResult OnPostRaiseOp(string job, long version, string site, int index) =>
        Press(job, version, _ => Core.Presses.Burning.RaiseOp(site, index));

    public IActionResult OnPostOp(string job, long version, string site, string op) =>
        Add(job, version, site, ReadOps($"[{op}]") is [var one] ? one : null, "that is no operation");

    static IReadOnlyList<RomOp>? ReadOps(string ops) => Core.Presses.Burning.ReadOps(ops);

    IActionResult Add(string job, long version, string site, RomOp? op, string wrong) =>
        Press(job, version, _ => Core.Presses.Burning.Op(site, op, wrong));

    public IActionResult OnPostPad(string job, long version, string site, PadForm form) =>
        Add(job, version, site, form.Read(out string wrong), wrong);

    public IActionResult OnPostSlice(string job, long version, string site, SliceForm form) =>
        Add(job, version, site, form.Read(out string wrong), wrong);

    public IActionResult OnPostPatch(string job, long version, string site, PatchForm form)
    {
        RomOp? patch = form.Read(out string wrong);
        if (patch is not null && ReadOps($"[{patch.Text}]") is null)
            (patch, wrong) = (null, "bytes: must be pairs of hex digits, such as \"4e 71\"");
        return Add(job, version, site, patch, wrong);
    }

    public IActionResult OnPostChecksum(string job, long version, string site, ChecksumForm form) =>
        Add(job, version, site, form.Read(out string wrong), wrong);

    public IActionResult OnPostKeepRecipe(string job, string? recipe)
    {
        if (!Load(job))
            return NotFound();
        recipe = (recipe ?? "").Trim();
        if (Plan is not { Ops.Count: > 0 })
            return Unfit("Nothing was kept: the chain has no operation yet.");
        if (recipe.Length is 0 or > 60)
            return Unfit("Nothing was kept: give the recipe a name of up to 60 letters.");
        return recipes.Add(recipe, Plan.OpsText)
            ? LocalRedirect(Request.Path + AsShown())
            : Unfit(
                $"Nothing was kept: another recipe is called \"{recipe}\", or there are {RecipeRepository.Most} "
                    + $"already. Take another name."
            );
    }

    public IActionResult OnPostUseRecipe(string job, long version, string site, long recipe) =>
        Press(
            job,
            version,
            _ =>
                Core.Presses.Burning.Recipe(
                    site,
                    recipes.All().FirstOrDefault(r => r.Id == recipe) is { } known ? (known.Name, known.Ops) : null
                )
        );

    public IActionResult OnPostHideRecipe(string job, long recipe, bool hidden)
    {
        if (!Load(job))
            return NotFound();
        recipes.Hide(recipe, hidden);
        return LocalRedirect(Request.Path + AsShown());
    }

    /// <summary>What a recipe does, in words.</summary>
    public static string RecipeWords(RecipeLine recipe) => string.Join(", ", ReadOps(recipe.Ops)!.Select(o => o.Words));

    public IActionResult OnGetFile(string job, string format)
    {
        if (!Load(job) || Chain.Steps.Count == 0 || ChainWrong is not null)
            return NotFound();
        (RomFormat as_, string extension) = format switch
        {
            "ihex" => (RomFormat.Ihex, "hex"),
            "srec" => (RomFormat.Srec, "srec"),
            _ => (RomFormat.Bin, "bin"),
        };
        var zip = new MemoryStream();
        using (var archive = new ZipArchive(zip, ZipArchiveMode.Create, leaveOpen: true))
        {
            var sums = new StringBuilder();
            foreach ((int i, ChainImage made) in Chain.Steps[^1].Index())
            {
                string name = $"{View.Job.Id}-{Plan!.Site}{(Chain.Steps[^1].Count > 1 ? $"-{i}" : "")}.{extension}";
                if (format != "zip" && Chain.Steps[^1].Count == 1)
                    return File(RomFile.Write(as_, made.Bytes), "application/octet-stream", name);
                using (Stream entry = archive.CreateEntry(name).Open())
                    entry.Write(RomFile.Write(as_, made.Bytes));
                RomInspection seen = made.Seen;
                sums.Append(
                    CultureInfo.InvariantCulture,
                    $"{name}: {seen.Size} bytes, crc32 {seen.Crc32}, sha256 {seen.Sha256}, sum16 {seen.Sum16:x4}\n"
                );
            }
            using Stream list = archive.CreateEntry("sums.txt").Open();
            list.Write(Encoding.UTF8.GetBytes(sums.ToString()));
        }
        return File(zip.ToArray(), "application/zip", $"{View.Job.Id}-images.zip");
    }
}
