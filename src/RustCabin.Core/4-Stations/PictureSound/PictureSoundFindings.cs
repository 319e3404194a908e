using RustCabin.Core.Findings;

namespace RustCabin.Core.PictureSound;

/// <summary>What the Picture and sound checks have to say: each finding, once.</summary>
static class PictureSoundFindings
{
    /// <summary>The station's name.</summary>
    static readonly StationName At = PictureSoundStation.Here;

    /// <summary>SYNC-RANGE.</summary>
    public static readonly FindingKind SyncRange = new("SYNC-RANGE", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "The display does not lock onto the line or field rate; a watch within 2 % of an end.",
        Mend = "Another display, another mode, or a doubler.",
    };

    /// <summary>SYNC-MISSING.</summary>
    public static readonly FindingKind SyncMissing = new("SYNC-MISSING", At, [Severity.Stop])
    {
        Meaning = "A converter needs a sync signal that its site does not carry on this board.",
        Mend = "Run a lead from the place that is named; the easiest stands first.",
    };

    /// <summary>SAMPLE-FAST.</summary>
    public static readonly FindingKind SampleFast = new("SAMPLE-FAST", At, [Severity.Stop])
    {
        Meaning = "The samples of a line ask for a faster clock than the converter has.",
        Mend = "Fewer samples of a pixel, or another converter.",
    };

    /// <summary>SAMPLE-BEAT.</summary>
    public static readonly FindingKind SampleBeat = new("SAMPLE-BEAT", At, [Severity.Watch])
    {
        Meaning = "The samples of a line are no whole number of its pixels: the picture beats.",
        Mend = "Set the samples to a whole number of pixels.",
    };

    /// <summary>PICTURE-MEMORY.</summary>
    public static readonly FindingKind Memory = new("PICTURE-MEMORY", At, [Severity.Stop])
    {
        Meaning = "The mode takes more memory than the master that draws it has free.",
        Mend = "A smaller mode, fewer bits or buffers, or more memory for that master.",
    };

    /// <summary>SOUND-LOAD.</summary>
    public static readonly FindingKind Load = new("SOUND-LOAD", At, [Severity.Stop, Severity.Watch])
    {
        Meaning = "The speakers have fewer ohms than the amplifier stands; a watch where they would take more than it gives.",
        Mend = "Join them in series, or take others.",
    };

    /// <summary>SOUND-SIDES.</summary>
    public static readonly FindingKind SidesWrong = new("SOUND-SIDES", At, [Severity.Watch])
    {
        Meaning = "The sides were heard otherwise than they should: exchanged, on both, on one only, or not at all.",
        Mend = "As the finding says; then play each side alone again.",
    };

    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<FindingKind> All =
    [
        SyncRange,
        SyncMissing,
        SampleFast,
        SampleBeat,
        Memory,
        Load,
        SidesWrong,
    ];
}
