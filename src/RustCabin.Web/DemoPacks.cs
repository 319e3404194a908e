using System.Text.Json;
using RustCabin.Core.Chips;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Images;
using RustCabin.Core.Planning;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web;

/// <summary>The sample packs that ship beside the application, read by the same importer as anybody's.</summary>
static class DemoPacks
{
    /// <summary>Invented images for the sample jobs that plan a ROM device: none ships in a pack.</summary>
    public static void MakeImages(SheetRepository sheets, JobRepository jobs, RomImageRepository images)
    {
        foreach (Job job in jobs.All())
        foreach (RomPlan plan in job.Roms.Where(r => r.Image is null))
        {
            PlannedUnit unit = Plan.For(sheets.All() with { Jobs = [job] }, job);
            if (unit.FindSite(plan.Site) is not { } site)
                continue;
            if (images.Of(job.Unit) is { Count: > 0 } made)
            {
                // The lanes of one image share it.
                if (job.Roms.Count > 1)
                    jobs.Change(
                        job.Id,
                        jobs.Find(job.Id)!.Version,
                        "Practice image taken",
                        json => RomEdits.Images(json, plan.Site, [made[0].Key], (int)made[0].Size)
                    );
                continue;
            }
            // One for each position of its switches.
            RomDevice device = RomDevice.Find(plan.Device)!;
            int count = ImageSelector.Of(device, RomWiring.Solve(device, site.Pinout, plan.Ties)).Count,
                size =
                    (int)device.Bytes
                    / count
                    / (plan.Ops.Any(o => o is DoubleImage) ? 2 : 1)
                    * (plan.Ops.OfType<Split>().FirstOrDefault()?.Lanes ?? 1);
            string[] ids =
            [
                .. Enumerable
                    .Range(0, count)
                    .Select(i => Practice(unit, plan.Site, size, i))
                    .Select(
                        (bytes, i) =>
                            images
                                .Add(
                                    job.Unit,
                                    $"practice system{(count > 1 ? $" {(char)('A' + i)}" : "")}",
                                    "made by the cabin's generator",
                                    "invented; anyone may use it",
                                    bytes
                                )!
                                .Key
                    ),
            ];
            jobs.Change(
                job.Id,
                jobs.Find(job.Id)!.Version,
                count > 1 ? "Practice images made" : "Practice image made",
                json => RomEdits.Images(json, plan.Site, ids, size * count)
            );
        }
    }

    static byte[] Practice(PlannedUnit unit, string site, int size, int index)
    {
        byte[] image = PracticeImage.Make(size, seed: 7 + index);
        RomVectors.Write(unit, site, image);
        return image;
    }

    public static void Load(PackImport import, StockRepository stock)
    {
        foreach (
            string path in Directory
                .EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "demo"), "*.json", SearchOption.TopDirectoryOnly)
                .Order(StringComparer.Ordinal)
        )
        {
            ImportOutcome outcome = import.Run(File.ReadAllBytes(path), ImportMode.Careful, "the sample packs");
            if (outcome.Errors.Count > 0)
                throw new CabinFileException($"{path}: {outcome.Errors[0]}");
        }
        if (stock.All().Count > 0)
            return;
        using JsonDocument items = JsonDocument.Parse(
            File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo", "stock", "cupboard.json"))
        );
        foreach (JsonElement item in items.RootElement.EnumerateArray())
            stock.Add(StockItem.Read(item).Value ?? throw new CabinFileException($"The sample cupboard does not read: {item}"));
    }
}
