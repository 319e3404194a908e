using Microsoft.AspNetCore.Mvc;
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

    public static readonly string[] Kinds = ["processor", "memory", "storage", "picture"];

    protected override void Loaded()
    {
        Report = SpeedReport.Of(View.Before, View.After, View.Sheets.FindUnit);
        Factors = [.. Kinds.Select(k => (k, SpeedForecast.FactorOf(View.After, k) / SpeedForecast.FactorOf(View.Before, k)))];
        Clock ??= View.Model.ClockMHz is { } clock ? TypedNumber.Show(clock) : "";
    }

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

    public IActionResult OnPostWork(string job, long version, List<string> kind, List<string?> seconds)
    {
        if (!Load(job))
            return NotFound();
        var work = new List<WorkShare>();
        foreach ((int i, string name) in kind.Index())
        {
            string text = (seconds.ElementAtOrDefault(i) ?? "").Trim();
            if (text.Length == 0 || text == "0")
                continue;
            if (!Kinds.Contains(name) || !TypedNumber.TryParse(text.TrimEnd('s'), out decimal value) || value > 1_000_000_000)
                return Refuse(
                    StatusCodes.Status422UnprocessableEntity,
                    $"Nothing was changed: \"{text}\" for {name} is not a time in seconds; type 80 or 12.5."
                );
            work.Add(new WorkShare { Kind = name, Seconds = value });
        }
        return Change(
            job,
            version,
            _ =>
                (
                    $"Work split: {string.Join(", ", work.Select(w => $"{w.Kind} {w.Seconds} s"))}",
                    json => SpeedEdits.Work(json, work)
                )
        );
    }

    public IActionResult OnPostAfter(string job, long version, string? name, string? seconds)
    {
        if (!Load(job))
            return NotFound();
        (name, seconds) = ((name ?? "").Trim(), (seconds ?? "").Trim());
        if (!TypedNumber.TryRuns(name, seconds, out IReadOnlyList<decimal> runs, out string wrong))
            return Refuse(StatusCodes.Status422UnprocessableEntity, $"Nothing was changed: {wrong}.");
        return Change(
            job,
            version,
            _ =>
                (
                    runs.Count == 0 ? $"Runs after taken away: {name}" : $"After the build, {name}: {string.Join(", ", runs)} s",
                    json => SpeedEdits.After(json, name, runs)
                )
        );
    }

    public IActionResult OnPostClaim(string job, long version, ClaimForm form)
    {
        if (!Load(job))
            return NotFound();
        return form.TryRead(out SpeedClaim claim, out string wrong)
            ? Change(job, version, _ => ($"Claim noted: {claim.Who}, x {claim.Ratio}", json => SpeedEdits.Claim(json, claim)))
            : Refuse($"Nothing was changed: {wrong}.");
    }

    public IActionResult OnPostUnclaim(string job, long version, int index) =>
        Change(
            job,
            version,
            view =>
                index < 0 || index >= (view.Job.Speed?.Claims.Count ?? 0)
                    ? null
                    : ("Claim taken away", json => SpeedEdits.Unclaim(json, index))
        );

    public IActionResult OnPostSeen(string job, long version, SeenForm form)
    {
        if (!Load(job))
            return NotFound();
        return form.TryRead(out SpeedSeen seen, out string wrong)
            ? Change(job, version, _ => ("Noted what the benchmark reads", json => SpeedEdits.Seen(json, seen)))
            : Refuse($"Nothing was changed: {wrong}.");
    }
}
