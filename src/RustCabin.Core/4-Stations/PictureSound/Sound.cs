using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.PictureSound;

/// <summary>What <c>sound/load</c> takes.</summary>
public sealed record LoadAsked : ICompleted<LoadAsked>
{
    /// <summary>So many speakers at most.</summary>
    public const int Most = 64;

    /// <summary>The amplifier's level.</summary>
    [Required, Range(0.000001, 1_000_000), UnitOf("V"), Display(Description = "The amplifier's level, volts RMS.")]
    public decimal Rms { get; init; }

    /// <summary>The speakers' ohms.</summary>
    [Required, Range(0.000001, 1_000_000_000), Display(Description = "The speakers' ohms.")]
    public IReadOnlyList<decimal> Speakers { get; init; } = [];

    /// <summary>How they are joined.</summary>
    [Required, Display(Description = "How they are joined.")]
    public SpeakersWired Wired { get; init; }

    /// <summary>The amplifier.</summary>
    [Required, Display(Description = "The amplifier.")]
    public Amplifier Amplifier { get; init; } = new();

    /// <inheritdoc/>
    public LoadAsked Completed(RecordReading read)
    {
        if (read.Read("speakers") && Speakers.Count is 0 or > Most)
            read.Wrong("speakers", $"must be 1 to {Most}, not {Speakers.Count}");
        return this;
    }
}

/// <summary>What speakers take. Source: docs/handbook/picture-sound.md, Speakers.</summary>
/// <param name="Ohms">All together.</param>
/// <param name="Watts">What they take in all.</param>
public sealed record SpeakerLoad(double Ohms, double Watts)
{
    /// <summary>Of what is asked for.</summary>
    public static SpeakerLoad Of(LoadAsked asked)
    {
        double ohms =
            asked.Wired == SpeakersWired.Series ? asked.Speakers.Sum(s => (double)s) : 1 / asked.Speakers.Sum(s => 1 / (double)s);
        return new SpeakerLoad(ohms, (double)(asked.Rms * asked.Rms) / ohms);
    }

    /// <summary>SOUND-LOAD: a stop below the least ohms, a watch over what the amplifier gives; at most one.</summary>
    public static IEnumerable<Finding> Check(LoadAsked asked, Subject subject)
    {
        SpeakerLoad load = Of(asked);
        // Halves of halves do not come out even in binary; a thousandth of a percent is no ohm.
        bool low = load.Ohms < (double)asked.Amplifier.MinOhms * (1 - 1e-9),
            much = load.Watts > (double)asked.Amplifier.Watts * (1 + 1e-9);
        if (!low && !much)
            yield break;
        yield return new Finding(
            PictureSoundFindings.Load,
            low ? Severity.Stop : Severity.Watch,
            low ? $"{load.Ohms:0.##} ohms are too few" : $"{load.Watts:0.##} W are more than it gives",
            [subject],
            low
                ? $"The speakers have {load.Ohms:0.##} ohms together; the amplifier stands "
                    + $"{asked.Amplifier.MinOhms:0.##} and more."
                : $"The speakers would take {load.Watts:0.##} W; the amplifier gives {asked.Amplifier.Watts:0.##}: "
                    + "it distorts first.",
            [
                $"{Words<SpeakersWired>.Of(asked.Wired)}: {string.Join(", ", asked.Speakers.Select(s => $"{s:0.##}"))} ohms make "
                    + $"{load.Ohms:0.###}.",
                $"{asked.Rms:0.###} V x {asked.Rms:0.###} V / {load.Ohms:0.###} ohms = {load.Watts:0.###} W.",
            ]
        );
    }

    /// <summary>What a divider leaves of a level, in dB: 20 log10(R2 / (R1 + R2)).</summary>
    public static double DividerDb(decimal series, decimal toGround) => 20 * Math.Log10((double)(toGround / (series + toGround)));
}

/// <summary>What <c>sound/sides</c> takes.</summary>
public sealed record SidesAsked : ICompleted<SidesAsked>
{
    /// <summary>The two sides.</summary>
    public const string Left = SoundRecord.Left,
        Right = SoundRecord.Right;

    /// <summary>For each side played alone, the sides on which it was heard.</summary>
    [Required, OneOrMore, Display(Description = "For each side played alone, the sides on which it was heard.")]
    public OrderedDictionary<string, IReadOnlyList<string>> Heard { get; init; } = [];

    /// <inheritdoc/>
    public SidesAsked Completed(RecordReading read)
    {
        foreach ((string side, IReadOnlyList<string> on) in Heard)
        {
            if (side is not (Left or Right))
                read.Wrong($"heard.{side}", $"\"{side}\" is not left or right");
            foreach (string where in on.Where(w => w is not (Left or Right)))
                read.Wrong($"heard.{side}", $"\"{where}\" is not left or right");
        }
        return this;
    }
}

/// <summary>What was heard of the sides. Source: docs/handbook/picture-sound.md, Sides.</summary>
public enum SidesVerdict
{
    /// <summary>Each side plays where it should.</summary>
    Right,

    /// <summary>Each plays on the other.</summary>
    Swapped,

    /// <summary>A side is heard on both.</summary>
    Summed,

    /// <summary>One side only, or both on one.</summary>
    OneSide,

    /// <summary>Nothing is heard.</summary>
    Silent,
}

/// <summary>What was heard, and what mends it.</summary>
/// <param name="Verdict">What it is.</param>
/// <param name="Words">What mends it.</param>
public sealed record Sides(SidesVerdict Verdict, string Words)
{
    /// <summary>Of what was heard.</summary>
    public static Sides Of(IReadOnlyDictionary<string, IReadOnlyList<string>> heard)
    {
        HashSet<string> on(string side) => [.. heard.GetValueOrDefault(side) ?? []];
        (HashSet<string> left, HashSet<string> right) = (on(SidesAsked.Left), on(SidesAsked.Right));
        SidesVerdict verdict = (left.FirstOrDefault(), right.FirstOrDefault()) switch
        {
            _ when left.Count + right.Count == 0 => SidesVerdict.Silent,
            _ when left.Count > 1 || right.Count > 1 => SidesVerdict.Summed,
            (SidesAsked.Left, SidesAsked.Right) => SidesVerdict.Right,
            (SidesAsked.Right, SidesAsked.Left) => SidesVerdict.Swapped,
            _ => SidesVerdict.OneSide,
        };
        return new Sides(
            verdict,
            verdict switch
            {
                SidesVerdict.Right => "Each side plays where it should.",
                SidesVerdict.Swapped => "Left and right are exchanged: change the two leads at the jack.",
                SidesVerdict.Summed =>
                    "A side is heard on both: an input feeds both sides, or the two leads touch. Lift one leg of what "
                        + "joins them.",
                SidesVerdict.Silent =>
                    "Nothing is heard: no lead reaches the jack, or nothing plays. Measure from the chip outwards.",
                _ => "One side only: a lead is missing or goes to the other side's contact. Trace that of the silent side.",
            }
        );
    }
}
