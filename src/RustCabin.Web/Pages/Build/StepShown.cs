using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Build;

/// <summary>One step as the build sheet shows it: what is said of it, and which presses it takes just now.</summary>
public sealed record StepShown(BuildModel Station, StepProgress At, int Number)
{
    public Step Step => At.Step;

    public bool IsCurrent => Station.View.Progress.Current == At;

    public bool IsDone => At.State == StepState.Done;

    public bool IsLocked => At.State == StepState.Locked;

    /// <summary>It may be ticked once its cautions are.</summary>
    public bool WaitsForCautions => At.State == StepState.Open && !At.AllHeeded;

    public string Classes =>
        string.Join(
            ' ',
            (
                (string?[])["step panel", At.State.ToString().ToLowerInvariant(), Ring, Step.IsGate ? "gate" : null]
            ).OfType<string>()
        );

    string? Ring => IsCurrent ? "current" : null;

    public string? Marked => IsCurrent ? "true" : null;

    public string? Solid => IsCurrent ? "solid" : null;

    public StationMark Mark =>
        At.State switch
        {
            StepState.Done => StationMark.Clear,
            StepState.Differs => StationMark.Stop,
            _ when IsCurrent => StationMark.InHand,
            _ => StationMark.Empty,
        };

    /// <summary>What it takes, and what bars it: <c>gate, 5 min, behind a gate</c>.</summary>
    public string Length =>
        (Step.IsGate ? "gate, " : "")
        + $"{Step.Minutes:0} min"
        + (Step.Wait > 0 ? $", then stands {Step.Wait:0} min" : "")
        + (IsLocked ? ", behind a gate" : "");

    /// <summary>What is done while it stands, by their titles; empty: it stands for nothing, or nothing fills it.</summary>
    public string Meanwhile =>
        Step.Wait > 0
            ? string.Join(", ", Waiting.Meanwhile(Station.View.Sheet.Steps, Step).Select(s => IdText.Lower(s.Title)))
            : "";

    /// <summary>What still stands, and this step rests on; empty: nothing.</summary>
    public string Standing =>
        string.Join(", ", At.Waits.Where(w => Waiting.UntilOf(Station.View.Job, w.Id) is not null).Select(w => $"\"{w.Title}\""));

    public string? Live => Step.State.IsLive ? "live" : null;

    /// <summary>What stands over a step that is folded up.</summary>
    public string Summary =>
        Step.Kind == StepKind.Gate ? "What was read"
        : Step.Proved is not null ? "What was proved"
        : "What was done";

    public string? Opened => IsDone ? null : "open";

    /// <summary>The press that ticks it, or takes the tick back.</summary>
    public string TickWord => IsDone ? "Not done" : "Done";

    public string TickValue => IsDone ? "false" : "true";

    public bool TickBarred => IsLocked || WaitsForCautions || Standing.Length > 0;

    /// <summary>The minutes that were noted, as a person types them.</summary>
    public string Took => Station.View.Job.MinutesOf(Step.Id) is { } minutes ? TypedNumber.Show(minutes) : "";

    /// <summary>A photo is asked for: something is about to be opened, and none was taken yet.</summary>
    public bool AsksPhoto =>
        Step.Opens is not null && !IsDone && !IsLocked && Station.NotesAt(Step.Id).All(n => n.Note.Photo is null);

    /// <summary>Most steps open and close nothing: nothing is made for them.</summary>
    public bool ShowsOpening => AsksPhoto || AsItLooked.Any();

    /// <summary>Most steps stand for nothing, and rest on nothing that stands.</summary>
    public bool ShowsStanding => Step.Wait > 0 || At.StandsUntil is not null || Standing.Length > 0;

    /// <summary>Photos of the levels that this step closes, taken at their opening; until it is done: so it looked.</summary>
    public IEnumerable<BenchNote> AsItLooked =>
        IsDone || Step.Closes.Count == 0
            ? []
            : Station
                .View.Progress.Steps.Where(s => s.Step.Opens is { } level && Step.Closes.Any(c => c.Id == level.Id))
                .SelectMany(s => Station.NotesAt(s.Step.Id))
                .Select(n => n.Note)
                .Where(n => n.Photo is not null);

    /// <summary>What came off before this step and is not back on; empty: nothing, or it does not matter any more.</summary>
    public string StillOut => IsDone ? "" : string.Join(", ", Ledger.Missing(Station.Pieces, Step).Select(m => m.Words));
}
