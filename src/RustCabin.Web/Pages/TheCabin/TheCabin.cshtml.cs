using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using RustCabin.Data;
using RustCabin.Web.SignIn;

namespace RustCabin.Web.Pages.TheCabin;

/// <summary>The cabin as a file: what it holds, where it lies, whether it is sound, when it was last copied.</summary>
public sealed class TheCabinModel(
    CabinFile file,
    Backup backup,
    Sending sending,
    Holdings holdings,
    PhotoRepository photos,
    RomImageRepository images,
    SheetRepository sheets,
    Door door,
    IServer server,
    TimeProvider clock
) : PageModel
{
    public IReadOnlyList<Holding> Holds { get; private set; } = [];
    public IReadOnlyList<OffPage> OffPhotos { get; private set; } = [];
    public IReadOnlyList<OffPage> OffImages { get; private set; } = [];
    public BackupState LastBackup { get; private set; } = new(null, 0, null);
    public bool BackupIsDue => LastBackup.IsDue(clock.GetUtcNow());
    public string FilePath => file.Path;
    public long FileBytes { get; private set; }

    public Door Door => door;

    /// <summary>Where other machines reach it; none: it is open to this one only.</summary>
    public IReadOnlyList<string> Reached => Door.Reached(server.Features.Get<IServerAddressesFeature>()?.Addresses ?? []);

    /// <summary>What SQLite finds wrong; null: the file is sound.</summary>
    public string? Damage { get; private set; }

    public string? Notice { get; private set; }

    /// <summary>The copy that is being sent to a person; null: none is.</summary>
    public (DateTimeOffset Since, long Bytes)? Sent => sending.Now;

    public void OnGet() => Load();

    /// <summary>A copy of the whole cabin, taken and looked through now, to keep elsewhere.</summary>
    public IActionResult OnPostBackup()
    {
        try
        {
            if (sending.Begin(HttpContext.Abort) is { } whole)
            {
                Response.ContentLength = whole.Length;
                return File(whole, "application/vnd.sqlite3", $"cabin-{clock.GetUtcNow():yyyy-MM-dd}.backup.db");
            }
            Load();
            Notice = "A backup is being sent already. Take the next when it has arrived, or was given up.";
            Response.StatusCode = StatusCodes.Status409Conflict;
            return Page();
        }
        catch (Exception problem) when (problem is CabinFileException or IOException or UnauthorizedAccessException)
        {
            Load();
            Notice = problem.Message;
            Response.StatusCode = StatusCodes.Status507InsufficientStorage;
            return Page();
        }
    }

    /// <summary>Erases a picture that was taken off its page.</summary>
    public IActionResult OnPostErase(string unit, long photo) => photos.Erase(unit, photo) ? LocalRedirect("/cabin") : NotFound();

    /// <summary>Erases an image of a ROM device that was taken off its page.</summary>
    public IActionResult OnPostEraseImage(string unit, long image) =>
        images.Erase(unit, image) ? LocalRedirect("/cabin") : NotFound();

    void Load()
    {
        ViewData["Title"] = "The cabin";
        (Holds, LastBackup) = (holdings.All(), backup.State());
        (OffPhotos, OffImages) = (holdings.OffPhotos(), holdings.OffImages());
        FileBytes = new FileInfo(file.Path).Length;
        Damage = file.Damage();
    }

    public string NameOf(string unit) => sheets.All().FindUnit(unit)?.Name ?? unit;

    /// <summary>Bytes in thousands, as disks are counted.</summary>
    public static string SizeWords(long bytes) =>
        bytes < 1_000_000 ? $"{(bytes + 999) / 1000:N0} kB" : FormattableString.Invariant($"{bytes / 1_000_000.0:N1} MB");
}
