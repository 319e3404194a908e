using System.Text.Json;
using RustCabin.Core.Cupboard;
using RustCabin.Data;

namespace RustCabin.Web;

/// <summary>The sample packs that ship beside the application, read by the same importer as anybody's.</summary>
static class DemoPacks
{
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
