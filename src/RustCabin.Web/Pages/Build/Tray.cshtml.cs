using RustCabin.Data;

namespace RustCabin.Web.Pages.Build;

/// <summary>The tray alone, for paper.</summary>
public sealed class TrayModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos, TimeProvider clock)
    : BuildModel(sheets, jobs, photos, clock);
