using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Presses;
using RustCabin.Core.Rom;

namespace RustCabin.Web.Pages.Rom;

/// <summary>The proof on the simulated bus, the eraser's lamp, the simulated programmer, and the label.</summary>
public sealed partial class RomModel
{
    /// <summary>When the lamp may go off; null: it is off.</summary>
    public DateTimeOffset? LampUntil => Core.Presses.Burning.LampUntil(Plan);
    public TimeSpan LampLeft => LampUntil - clock.GetUtcNow() is { } left && left > TimeSpan.Zero ? left : TimeSpan.Zero;
    public bool LampDone => LampUntil <= clock.GetUtcNow();

    public IReadOnlyList<string> LabelLines => RomLabel.Lines(View.After, Plan!, Chain.File?.Seen.Crc32);

    /// <summary>What goes to the programmer, of which images.</summary>
    ToBurn Burnt => new(Chain, [.. Planned.Select(i => i.Name)]);

    /// <summary>Reads the planned device through the socket on the simulated bus, and notes what came of it.</summary>
    public IActionResult OnPostProve(string job, long version, string site) =>
        Press(job, version, at => Core.Presses.Burning.Prove(at, site, Burnt));

    public IActionResult OnPostLampOn(string job, long version, string site, LampForm form) =>
        Press(job, version, at => Core.Presses.Burning.LampOn(at, site, form));

    /// <summary>The lamp is off: an erasure that ran its time counts, one that was broken off does not.</summary>
    public IActionResult OnPostLampOff(string job, long version, string site) =>
        Press(job, version, at => Core.Presses.Burning.LampOff(at, site, clock.GetUtcNow()));

    /// <summary>Runs the simulated programmer, and notes in the log what it showed.</summary>
    public IActionResult OnPostBurn(string job, long version, string site, string? fault, string? batch) =>
        Press(job, version, at => Core.Presses.Burning.Burn(at, site, Burnt, fault, batch));

    /// <summary>The window of what was burnt last is covered: the step of the build sheet says so, or an older note of the
    /// burn.</summary>
    public bool IsCovered =>
        Plan is { } plan && (View.Job.Done.Contains(RomActs.Cover(plan.Site)) || plan.Burns.LastOrDefault() is { Covered: true });

    public IActionResult OnPostCover(string job, long version, string site, bool covered) =>
        Press(job, version, _ => Core.Presses.Burning.Cover(site, covered));

    public IActionResult OnPostLabel(string job, long version, string site, string? label) =>
        Press(job, version, _ => Core.Presses.Burning.Label(site, label));
}
