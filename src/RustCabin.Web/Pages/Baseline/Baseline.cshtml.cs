using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Baseline;
using RustCabin.Core.Bench;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Baseline;

/// <summary>
/// The Baseline station: does it work before anything is touched. Here what is measured (power-up, rails, benchmark runs); what
/// is seen
/// (survey, notes, photos, inherited work) is in Intake.cs.
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

    public IReadOnlyList<string> Typed { get; private set; } = [];
    public IReadOnlyDictionary<int, string> Wrong { get; private set; } = new Dictionary<int, string>();

    /// <summary>What was typed into another field that could not be taken, by the field's name.</summary>
    protected override void Loaded()
    {
        Expected = RustCabin.Core.Bench.PowerUp.Run(View.Before);
        Compared = Noted?.Reading is { } reading ? Comparison.Of(Expected, reading.AsGate) : null;
        Photos = photos.Of(View.Unit.Id);
    }

    public IActionResult OnPostRead(string job, long version, List<string> seen)
    {
        Typed = [.. seen.Select(s => s ?? "")];
        if (!Load(job))
            return NotFound();
        (IReadOnlyList<SeenLine> lines, Wrong) = ScreenReading.Parse(Expected, Typed);
        if (Wrong.Count > 0)
            return Refuse(
                StatusCodes.Status422UnprocessableEntity,
                "The reading was not taken: " + string.Join("; ", Wrong.Values) + "."
            );
        return ChangeUnit(
            job,
            version,
            _ =>
                (
                    "Baseline read: " + string.Join(", ", lines.Select(l => $"{l.Label} {l.Bytes}")),
                    unit => BaselineEdits.Read(unit, new FirstReading { At = Moment(), Lines = lines })
                )
        );
    }

    /// <summary>On a machine that shows no count: it starts, or it does not.</summary>
    public IActionResult OnPostStarts(string job, long version, bool starts) =>
        ChangeUnit(
            job,
            version,
            _ =>
                (
                    starts ? "Baseline: it starts and works" : "Baseline: it does not start",
                    unit => BaselineEdits.Read(unit, new FirstReading { At = Moment(), Starts = starts })
                )
        );

    public IActionResult OnPostNotTested(string job, long version) =>
        ChangeUnit(job, version, _ => ("Baseline: could not be tested", BaselineEdits.NotTested));

    /// <summary>The rails as the meter showed them; an empty field: not measured.</summary>
    public IActionResult OnPostRails(string job, long version, List<string> rail, List<string?> volts)
    {
        if (!Load(job))
            return NotFound();
        var measured = new List<MeasuredRail>();
        foreach ((int i, string id) in rail.Index())
        {
            string text = (volts.ElementAtOrDefault(i) ?? "").Trim();
            if (text.Length == 0)
                continue;
            if (!TypedNumber.TryParse(text, out decimal value, signed: true) || Math.Abs(value) > 1000)
                return Refuse(
                    StatusCodes.Status422UnprocessableEntity,
                    $"Nothing was changed: \"{text}\" for {id} V is not a voltage; type 4.93."
                );
            measured.Add(new MeasuredRail { Rail = id, Volts = value });
        }
        return ChangeUnit(
            job,
            version,
            _ =>
                (
                    "Rails measured: " + string.Join(", ", measured.Select(m => $"{m.Rail} {m.Volts} V")),
                    unit => BaselineEdits.Rails(unit, measured)
                )
        );
    }

    /// <summary>Runs of a benchmark, seconds apart by spaces; none takes it away.</summary>
    public IActionResult OnPostRuns(string job, long version, string? name, string? seconds)
    {
        if (!Load(job))
            return NotFound();
        (name, seconds) = ((name ?? "").Trim(), (seconds ?? "").Trim());
        if (!TypedNumber.TryRuns(name, seconds, out IReadOnlyList<decimal> runs, out string wrong))
            return Refuse(StatusCodes.Status422UnprocessableEntity, $"Nothing was changed: {wrong}.");
        return ChangeUnit(
            job,
            version,
            _ =>
                (
                    runs.Count == 0 ? $"Benchmark taken away: {name}" : $"Benchmark {name}: {string.Join(", ", runs)} s",
                    unit => BaselineEdits.Runs(unit, name, runs)
                )
        );
    }
}
