using RustCabin.Core.PictureSound;
using RustCabin.Core.Sheets;
using RustCabin.Core.Speed;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>Frame rates by the size of the picture. Source: docs/handbook/speed.md, Frames.</summary>
public static class Framing
{
    const int MostRuns = 50;

    static FrameRuns Kept(AtHand at) => at.Job.Speed?.Frames ?? new FrameRuns();

    /// <summary>Notes a run at a size.</summary>
    /// <param name="at">The job.</param>
    /// <param name="size">Width and height: 320 x 200.</param>
    /// <param name="fps">Frames a second.</param>
    public static Press<Job> Run(AtHand at, string? size, string? fps)
    {
        string[] sides = Texts
            .Of(size)
            .Split(['x', ' ', ','], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (
            sides is not [var across, var down]
            || !int.TryParse(across, out int width)
            || !int.TryParse(down, out int height)
            || width is < 1 or > 100_000
            || height is < 1 or > 100_000
        )
            return Refuse("size", $"Nothing was changed: \"{size}\" is not a size of a picture; type 320 x 200.");
        if (!TypedNumber.TryParse(fps, out decimal rate) || rate is < 0.000001m or > 1_000_000)
            return Refuse("fps", $"Nothing was changed: \"{fps}\" is not a rate; type 12 or 12.5 frames a second.");
        if (Kept(at).Runs.Count >= MostRuns)
            return Refuse("size", $"Nothing was changed: {MostRuns} runs are enough.");
        var run = new FrameRun
        {
            Width = width,
            Height = height,
            Fps = rate,
        };
        return Change($"At {width} x {height}: {rate} frames a second", j => SpeedEdits.Frame(j, run));
    }

    /// <summary>Takes a run back, by its place.</summary>
    public static Press<Job> Drop(AtHand at, int index) =>
        index >= 0 && index < Kept(at).Runs.Count
            ? Change("A run at a size taken back", j => SpeedEdits.DropFrame(j, index))
            : Gone;

    /// <summary>Says which rate is wanted, and the display's own; an empty field: none.</summary>
    public static Press<Job> Rates(string? wanted, string? cap)
    {
        decimal?[] rates = [null, null];
        (string Field, string? Text)[] typed = [("wanted", wanted), ("cap", cap)];
        foreach ((int i, (string field, string? text)) in typed.Index())
        {
            if (string.IsNullOrWhiteSpace(text))
                continue;
            if (!TypedNumber.TryParse(text, out decimal rate) || rate is < 0.000001m or > 1_000_000)
                return Refuse(field, $"Nothing was changed: \"{text}\" is not a rate; type 24 frames a second.");
            rates[i] = rate;
        }
        return Change("Frame rates: what is wanted", j => SpeedEdits.Rates(j, rates[0], rates[1]));
    }

    /// <summary>What is asked of the runs: every picture of the unit as planned, and the sizes that were run.</summary>
    public static FramesAsked Asked(AtHand at) =>
        new()
        {
            Runs = Kept(at).Runs,
            Wanted = Kept(at).Wanted,
            Cap = Kept(at).Cap,
            Sizes =
            [
                .. PictureHere
                    .Of(at.After)
                    .Select(p => p.Mode.Visible)
                    .OfType<VisiblePart>()
                    .Select(v => new FrameSize { Width = v.Width, Height = v.Height })
                    .Concat(Kept(at).Runs.Select(r => new FrameSize { Width = r.Width, Height = r.Height }))
                    .Distinct()
                    .OrderBy(s => (long)s.Width * s.Height),
            ],
        };

    /// <summary>The forecast; null: it wants runs at two different numbers of pixels below the display's own rate.</summary>
    public static Frames? Forecast(AtHand at) =>
        Asked(at) is var asked
        && asked.Runs.Where(r => asked.Cap is not { } cap || r.Fps < cap).Select(r => r.Width * r.Height).Distinct().Count() > 1
            ? Frames.Of(asked)
            : null;
}
