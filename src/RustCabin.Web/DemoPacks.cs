using System.Text.Json;
using RustCabin.Core.Cupboard;
using RustCabin.Core.Rom;
using RustCabin.Core.Sheets;
using RustCabin.Data;

namespace RustCabin.Web;

/// <summary>The sample packs that ship beside the application, read by the same importer as anybody's.</summary>
static class DemoPacks
{
    /// <summary>Invented images for the sample jobs that plan a ROM device: none ships in a pack.</summary>
    public static void MakeImages(JobRepository jobs, RomImageRepository images)
    {
        foreach (Job job in jobs.All())
            foreach (RomPlan plan in job.Roms.Where(r => r.Image is null))
            {
                int size = (int)(RomDevice.Find(plan.Device)!.Bytes / (plan.Ops.Any(o => o.Op == "double") ? 2ul : 1));
                if (images.Of(job.Unit).Count > 0 || images.Add(job.Unit, $"practice system, {new Core.Units.ByteSize((ulong)size)}", "made by the cabin's generator", "invented; anyone may use it", PracticeImage.Make(size)) is not { } id) continue;
                jobs.Change(job.Id, jobs.Find(job.Id)!.Version, "Practice image made", json => RomEdits.Image(json, plan.Site, $"{id}"));
            }
    }

    public static void Load(PackImport import, StockRepository stock)
    {
        foreach (string path in Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "demo"), "*.json", SearchOption.TopDirectoryOnly).Order(StringComparer.Ordinal))
        {
            ImportOutcome outcome = import.Run(File.ReadAllBytes(path), ImportMode.Careful, "the sample packs");
            if (outcome.Errors.Count > 0) throw new CabinFileException($"{path}: {outcome.Errors[0]}");
        }
        if (stock.All().Count > 0) return;
        using JsonDocument items = JsonDocument.Parse(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo", "stock", "cupboard.json")));
        foreach (JsonElement item in items.RootElement.EnumerateArray())
            stock.Add(StockItem.Read(item).Item ?? throw new CabinFileException($"The sample cupboard does not read: {item}"));
    }
}
