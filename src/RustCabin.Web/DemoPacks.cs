using RustCabin.Data;

namespace RustCabin.Web;

/// <summary>The sample packs that ship beside the application, read by the same importer as anybody's.</summary>
static class DemoPacks
{
    public static void Load(PackImport import)
    {
        foreach (string path in Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "demo"), "*.json", SearchOption.AllDirectories).Order(StringComparer.Ordinal))
        {
            ImportOutcome outcome = import.Run(File.ReadAllBytes(path), replace: false, "the sample packs");
            if (outcome.Errors.Count > 0) throw new CabinFileException($"{path}: {outcome.Errors[0]}");
        }
    }
}
