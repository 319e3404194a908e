using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Speed;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Speed;

/// <summary>
/// The Speed station: the forecast by parts of the work, runs before and after, claims held against both, and wait states.
/// </summary>
public sealed class SpeedModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<SpeedDesk>();

    public SpeedReport Report { get; private set; } = null!;
    public IReadOnlyList<(string Kind, decimal Factor)> Factors { get; private set; } = [];

    [BindProperty(SupportsGet = true)]
    public string? Mem { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Logic { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Clock { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Cycles { get; set; }

    public static IReadOnlyList<string> Kinds => Wanting.Kinds;

    protected override void Loaded()
    {
        Report = SpeedReport.Of(View.Before, View.After, View.Sheets);
        Factors = [.. Kinds.Select(k => (k, SpeedForecast.FactorOf(View.After, k) / SpeedForecast.FactorOf(View.Before, k)))];
        Clock ??= View.Model.ClockMHz is { } clock ? TypedNumber.Show(clock) : "";
    }

    /// <summary>What is asked of the runs at several sizes.</summary>
    public FramesAsked Asked => Framing.Asked(View.At);

    /// <summary>The forecast of frame rates; null: too few runs.</summary>
    public Frames? Forecast => Framing.Forecast(View.At);

    public IActionResult OnPostFrame(string job, long version, string? size, string? fps) =>
        Press(job, version, at => Framing.Run(at, size, fps));

    public IActionResult OnPostDropFrame(string job, long version, int index) =>
        Press(job, version, at => Framing.Drop(at, index));

    public IActionResult OnPostRates(string job, long version, string? wanted, string? cap) =>
        Press(job, version, _ => Framing.Rates(wanted, cap));

    public SpeedRecord Record => View.Job.Speed ?? new SpeedRecord();

    public decimal SecondsOf(string kind) => Record.Work.Where(w => w.Kind == kind).Sum(w => w.Seconds);

    /// <summary>
    /// Wait states for what was typed; null until it is all there and right, with what is wrong in <paramref name="wrong"/>.
    /// </summary>
    public int? Waits(out string wrong)
    {
        wrong = "";
        if (string.IsNullOrWhiteSpace(Mem))
            return null;
        if (!TypedNumber.TryParse(Mem, out decimal mem) || mem > 100_000)
            wrong = $"\"{Mem}\" is not a time in ns";
        else if (!TypedNumber.TryParse(string.IsNullOrWhiteSpace(Logic) ? "0" : Logic, out decimal logic) || logic > 100_000)
            wrong = $"\"{Logic}\" is not a time in ns";
        else if (!TypedNumber.TryParse(Clock, out decimal clock) || clock <= 0 || clock > 100_000)
            wrong = $"\"{Clock}\" is not a clock in MHz";
        else if (!int.TryParse(string.IsNullOrWhiteSpace(Cycles) ? "0" : Cycles, out int cycles) || cycles is < 0 or > 1000)
            wrong = $"\"{Cycles}\" is not a number of cycles";
        else
            return WaitStates.Of(mem, logic, clock, cycles);
        return null;
    }

    public IActionResult OnPostWork(string job, long version, List<string> kind, List<string?> seconds) =>
        Press(job, version, _ => Wanting.Work(kind, seconds));

    public IActionResult OnPostAfter(string job, long version, string? name, string? seconds) =>
        Press(job, version, _ => Wanting.After(name, seconds));

    public IActionResult OnPostClaim(string job, long version, ClaimForm form) =>
        Press(job, version, at => Wanting.Claim(at, form));

    public IActionResult OnPostUnclaim(string job, long version, int index) =>
        Press(job, version, at => Wanting.Unclaim(at, index));

    public IActionResult OnPostSeen(string job, long version, SeenForm form) => Press(job, version, _ => Wanting.Seen(form));
}
