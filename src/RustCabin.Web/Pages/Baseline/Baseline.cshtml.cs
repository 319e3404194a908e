using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Baseline;
using RustCabin.Core.Bench;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Baseline;

/// <summary>
/// The Baseline station: does it work before anything is touched. Here what is measured (power-up, rails, benchmark runs); what
/// is seen (survey, notes, photos, inherited work) is in Intake.cs.
/// </summary>
[RequestFormLimits(MultipartBodyLengthLimit = LargestForm)]
[RequestSizeLimit(LargestForm)]
public sealed partial class BaselineModel(SheetRepository sheets, JobRepository jobs, PhotoRepository photos, TimeProvider clock)
    : StationPage(sheets, jobs)
{
    /// <summary>
    /// Some pictures of the largest size and the form around them; larger uploads are read no further, and refused.
    /// </summary>
    public const int LargestForm = 64_000_000;

    public override Desk Desk => Desks.Of<BaselineDesk>();

    public Core.Sheets.Baseline? Noted => View.Unit.Baseline;

    public RustCabin.Core.Bench.PowerUpCount Expected { get; private set; } = new([]);
    public Comparison? Compared { get; private set; }

    public IReadOnlyList<Rail> Rails => [.. View.Before.Rails];

    public decimal? Measured(Rail rail) => Noted?.Rails.LastOrDefault(r => r.Rail == rail.Id)?.Volts;

    /// <summary>How many clean starts in a row would prove a mend; null: none failed, or none was counted.</summary>
    public long? Proof =>
        Noted?.Counted?.Failing is { } failing ? Starts.CleanTriesOf(failing.Plain, new AskedRate().Sure) : null;

    public IReadOnlyList<string> Typed { get; private set; } = [];
    public IReadOnlyDictionary<int, string> Wrong { get; private set; } = new Dictionary<int, string>();

    /// <summary>What was typed into another field that could not be taken, by the field's name.</summary>
    protected override void Loaded()
    {
        Expected = RustCabin.Core.Bench.PowerUp.Run(View.Before);
        Compared = Noted?.Reading is { } reading ? Comparison.Of(Expected, reading.AsGate) : null;
        Photos = photos.Of(View.Unit.Id);
    }

    protected override void WhenRefused(Refusal refused) => Wrong = refused.Lines;

    public IActionResult OnPostRead(string job, long version, List<string> seen)
    {
        Typed = [.. seen.Select(s => s ?? "")];
        return PressUnit(job, version, at => Readings.Baseline(at, Typed));
    }

    /// <summary>On a machine that shows no count: it starts, or it does not.</summary>
    public IActionResult OnPostStarts(string job, long version, bool starts) =>
        PressUnit(job, version, at => Readings.BaselineStarts(at, starts));

    /// <summary>Something is taken from another unit for a time.</summary>
    public IActionResult OnPostBorrow(string job, long version, string? what, string? from) =>
        PressUnit(job, version, at => Loans.Borrow(at.Sheets, at.Unit, what, from));

    /// <summary>A loan ends.</summary>
    public IActionResult OnPostEndLoan(string job, long version, int index, bool stays) =>
        PressUnit(job, version, at => Loans.End(at.Unit, index, stays));

    /// <summary>One start that was counted.</summary>
    public IActionResult OnPostCount(string job, long version, bool warm, bool works) =>
        PressUnit(job, version, at => Counting.Baseline(at, warm, works));

    /// <summary>Begins the count from the start.</summary>
    public IActionResult OnPostAfresh(string job, long version) => PressUnit(job, version, Counting.Afresh);

    public IActionResult OnPostNotTested(string job, long version) => PressUnit(job, version, _ => Readings.NotTested());

    /// <summary>The rails as the meter showed them; an empty field: not measured.</summary>
    public IActionResult OnPostRails(string job, long version, List<string> rail, List<string?> volts) =>
        PressUnit(job, version, _ => Readings.Rails(rail, volts));

    /// <summary>Runs of a benchmark, seconds apart by spaces; none takes it away.</summary>
    public IActionResult OnPostRuns(string job, long version, string? name, string? seconds) =>
        PressUnit(job, version, _ => Readings.Runs(name, seconds));
}
