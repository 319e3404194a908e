using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;
using Seen = RustCabin.Core.Sheets.Display;

namespace RustCabin.Core.PictureSound;

/// <summary>What <c>picture/timing</c> takes.</summary>
public sealed record TimingAsked
{
    /// <summary>Pixels a second.</summary>
    [Required, Range(0.000001, 1_000_000), UnitOf("MHz"), Display(Description = "Pixels a second.")]
    public decimal PixelClockMHz { get; init; }

    /// <summary>Pixels of a whole line.</summary>
    [Required, Range(1, 1_000_000), Display(Description = "Pixels of a whole line.")]
    public int PixelsPerLine { get; init; }

    /// <summary>Lines of a whole picture.</summary>
    [Required, Range(1, 1_000_000), Display(Description = "Lines of a whole picture.")]
    public int Lines { get; init; }

    /// <summary>Its lines come in two fields.</summary>
    [Display(Description = "Its lines come in two fields.")]
    public bool Interlaced { get; init; }

    /// <summary>The lines are doubled on the way.</summary>
    [Display(Description = "The lines are doubled on the way.")]
    public bool Doubled { get; init; }

    /// <summary>The display.</summary>
    [Display(Description = "The display that is to lock; left out: none is asked after.")]
    public Seen? Display { get; init; }

    /// <summary>A mode of a sheet.</summary>
    public static TimingAsked Of(PictureMode mode, bool doubled, Seen? display) =>
        new()
        {
            PixelClockMHz = mode.PixelClockMHz,
            PixelsPerLine = mode.PixelsPerLine,
            Lines = mode.Lines,
            Interlaced = mode.Interlaced,
            Doubled = doubled,
            Display = display,
        };
}

/// <summary>
/// The rates of a picture, and whether a display locks onto them. Source: docs/handbook/picture-sound.md, Timing.
/// </summary>
/// <param name="LineHz">Lines a second.</param>
/// <param name="FieldHz">Fields a second.</param>
/// <param name="FrameHz">Whole pictures a second.</param>
/// <param name="OutLineHz">Lines a second as they are put out.</param>
public sealed record Timing(double LineHz, double FieldHz, double FrameHz, double OutLineHz)
{
    const double Near = 0.02;

    /// <summary>The rates of what is asked for.</summary>
    public static Timing Of(TimingAsked asked)
    {
        double line = (double)asked.PixelClockMHz * 1e6 / asked.PixelsPerLine,
            field = (asked.Interlaced ? 2 : 1) * line / asked.Lines;
        return new Timing(line, field, asked.Interlaced ? field / 2 : field, asked.Doubled ? 2 * line : line);
    }

    /// <summary>SYNC-RANGE where the display does not lock, or only just; at most one.</summary>
    /// <param name="asked">The picture and the display.</param>
    /// <param name="subject">What it is about.</param>
    public static IEnumerable<Finding> Locks(TimingAsked asked, Subject subject)
    {
        if (asked.Display is not { } display)
            return [];
        Timing timing = Of(asked);
        if (asked is { Interlaced: true, Doubled: false } && !display.Interlace)
            return [Unwoven(asked, timing, subject)];
        (string What, double Value, double From, double To, string Unit)[] rates =
        [
            ("line rate", timing.OutLineHz / 1000, (double)display.LineKHz[0], (double)display.LineKHz[1], "kHz"),
            ("field rate", timing.FieldHz, (double)display.FieldHz[0], (double)display.FieldHz[1], "Hz"),
        ];
        var worst = rates
            .Select(r => (Rate: r, Weight: Weighs(r.Value, r.From, r.To)))
            .Where(r => r.Weight is not null)
            .OrderBy(r => r.Weight)
            .FirstOrDefault();
        if (worst.Weight is not { } severity)
            return [];
        string range = $"{worst.Rate.From:0.###} to {worst.Rate.To:0.###} {worst.Rate.Unit}";
        return
        [
            new Finding(
                PictureSoundFindings.SyncRange,
                severity,
                severity == Severity.Stop
                    ? $"The display does not lock: {worst.Rate.What}"
                    : $"The {worst.Rate.What} is at its edge",
                [subject],
                $"The {worst.Rate.What} is {worst.Rate.Value:0.###} {worst.Rate.Unit}; the display takes {range}.",
                [
                    .. rates.Select(r => $"{r.What}: {r.Value:0.####} {r.Unit}, taken {r.From:0.###} to {r.To:0.###}."),
                    .. Steps(asked, timing),
                ]
            ),
        ];
    }

    static Finding Unwoven(TimingAsked asked, Timing timing, Subject subject) =>
        new(
            PictureSoundFindings.SyncRange,
            Severity.Stop,
            "The display does not weave two fields",
            [subject],
            "The picture comes in two fields, and the display does not weave them: a doubler does, or a mode that is not "
                + "interlaced.",
            [.. Steps(asked, timing)]
        );

    static Severity? Weighs(double value, double from, double to) =>
        value < from || value > to ? Severity.Stop
        : value - from <= Near * from || to - value <= Near * to ? Severity.Watch
        : null;

    static IEnumerable<string> Steps(TimingAsked asked, Timing timing)
    {
        yield return $"{asked.PixelClockMHz} MHz / {asked.PixelsPerLine} pixels = {timing.LineHz:#,0.00} lines a second.";
        yield return asked.Interlaced
            ? $"2 x {timing.LineHz:#,0.00} / {asked.Lines} lines = {timing.FieldHz:0.00} fields a second."
            : $"{timing.LineHz:#,0.00} / {asked.Lines} lines = {timing.FieldHz:0.00} a second.";
        if (asked.Doubled)
            yield return $"Doubled: {timing.OutLineHz:#,0.00} lines a second; the field rate stays.";
    }
}
