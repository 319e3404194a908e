using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>How one end sends or receives.</summary>
public sealed record LineSetting
{
    /// <summary>In bits a second.</summary>
    [Required, Range(0.001, 100_000_000), Display(Description = "In bits a second.")]
    public decimal Speed { get; init; }

    /// <summary>Data bits of a frame.</summary>
    [Required, Range(7, 8), Display(Description = "Data bits of a frame.")]
    public int Bits { get; init; }

    /// <summary>The parity bit.</summary>
    [Required, Display(Description = "The parity bit.")]
    public Parity Parity { get; init; }
}

/// <summary>The settings that a receiver may have.</summary>
public sealed record TriedSettings
{
    /// <summary>Speeds.</summary>
    [Required, Display(Description = "Speeds, in bits a second.")]
    public IReadOnlyList<decimal> Speeds { get; init; } = [];

    /// <summary>Data bits.</summary>
    [Required, Display(Description = "Data bits of a frame: 7, 8.")]
    public IReadOnlyList<int> Bits { get; init; } = [];

    /// <summary>Parities.</summary>
    [Required, Display(Description = "Parities: none, even, odd.")]
    public IReadOnlyList<string> Parities { get; init; } = [];

    /// <summary>Whether it sees the line upside down.</summary>
    [Required, Display(Description = "Whether it sees the line upside down.")]
    public IReadOnlyList<bool> Inverted { get; init; } = [];
}

/// <summary>What <c>line/garbled</c> takes.</summary>
public sealed record GarbledAsked : ICompleted<GarbledAsked>
{
    const int MostLetters = 200,
        MostSpeeds = 100,
        MostOthers = 10;

    /// <summary>What was sent.</summary>
    [Required, LongText, Display(Description = "What was sent, in ASCII.")]
    public string Sent { get; init; } = "";

    /// <summary>How it was sent.</summary>
    [Required, Display(Description = "How it was sent.")]
    public LineSetting From { get; init; } = new();

    /// <summary>What came, in hexadecimal.</summary>
    [Required, LongText, Display(Description = "What came, each byte in two hexadecimal digits.")]
    public string Got { get; init; } = "";

    /// <summary>The settings that are tried.</summary>
    [Required, Display(Description = "The settings that are tried.")]
    public TriedSettings Tried { get; init; } = new();

    /// <inheritdoc/>
    public GarbledAsked Completed(RecordReading read)
    {
        if (Sent.Length > MostLetters)
            read.Wrong("sent", $"is {Sent.Length} characters long; {MostLetters} are allowed");
        if (!Sent.All(char.IsAscii))
            read.Wrong("sent", "has a character that is not ASCII");
        if (Bytes is null)
            read.Wrong("got", "is not pairs of hexadecimal digits");
        if (Tried.Speeds.Count > MostSpeeds)
            read.Wrong("tried.speeds", $"are {Tried.Speeds.Count}; {MostSpeeds} are allowed");
        foreach ((int i, decimal speed) in Tried.Speeds.Index())
            if (speed is < 0.001m or > 100_000_000)
                read.Wrong($"tried.speeds[{i}]", "must lie between 0.001 and 100,000,000");
        foreach ((int i, int bits) in Tried.Bits.Index())
            if (bits is not (7 or 8))
                read.Wrong($"tried.bits[{i}]", "must be 7 or 8");
        foreach ((int i, string parity) in Tried.Parities.Index())
            if (!Words<Parity>.TryParse(parity, out _))
                read.Wrong($"tried.parities[{i}]", $"\"{parity}\" is not one of none, even, odd");
        foreach (
            (string list, int count) in (ReadOnlySpan<(string, int)>)
                [("bits", Tried.Bits.Count), ("parities", Tried.Parities.Count), ("inverted", Tried.Inverted.Count)]
        )
            if (count > MostOthers)
                read.Wrong($"tried.{list}", $"are {count}; {MostOthers} are allowed");
        return this;
    }

    internal byte[]? Bytes
    {
        get
        {
            string plain = Got.Replace(" ", "");
            return plain.Length % 2 == 0 && plain.All(char.IsAsciiHexDigit) ? Convert.FromHexString(plain) : null;
        }
    }
}

/// <summary>A setting of the receiver that makes of what was sent just what came.</summary>
public sealed record ExplainedBy(decimal Speed, int Bits, string Parity, bool Inverted);

/// <summary>Garbled text explained. Source: docs/handbook/wiring.md, Serial lines.</summary>
/// <param name="Explains">In the order tried.</param>
public sealed record Garbled(IReadOnlyList<ExplainedBy> Explains)
{
    /// <summary>Tries every setting, speeds outermost, upside down innermost.</summary>
    public static Garbled Of(GarbledAsked asked)
    {
        byte[] got = asked.Bytes!;
        var line = new SentLine(asked.Sent, asked.From.Bits, asked.From.Parity);
        return new([
            .. from speed in asked.Tried.Speeds
            from bits in asked.Tried.Bits
            from parity in asked.Tried.Parities
            from inverted in asked.Tried.Inverted
            where line.Seen(asked.From.Speed, speed, bits, parity != "none", inverted).SequenceEqual(got)
            select new ExplainedBy(speed, bits, parity, inverted),
        ]);
    }
}

/// <summary>
/// A line as a sender leaves it: a start bit 0, data bits lowest first, parity if any, a stop bit 1, frames back to back, idle 1.
/// Source: docs/handbook/wiring.md, Serial lines.
/// </summary>
public sealed class SentLine
{
    readonly List<bool> _line = [];

    /// <param name="text">What is sent, in ASCII.</param>
    /// <param name="bits">Data bits of a frame.</param>
    /// <param name="parity">The parity bit.</param>
    public SentLine(string text, int bits, Parity parity)
    {
        foreach (char letter in text)
        {
            _line.Add(false);
            bool odd = false;
            for (int i = 0; i < bits; i++)
            {
                bool one = (letter >> i & 1) == 1;
                odd ^= one;
                _line.Add(one);
            }
            if (parity != Parity.None)
                _line.Add(parity == Parity.Even ? odd : !odd);
            _line.Add(true);
        }
    }

    /// <summary>The bits, in their order.</summary>
    public IReadOnlyList<bool> Bits => _line;

    /// <summary>
    /// What a receiver makes of it: it takes the first 0, samples in the middle of each of its own bits, and after its stop bit's
    /// sample looks for the next 0; a stop sample that is 0 counts as the middle of the next start bit. Time is counted in whole
    /// parts of both ends' bits, so that an edge is an edge.
    /// </summary>
    /// <param name="from">The sender's speed.</param>
    /// <param name="speed">The receiver's.</param>
    /// <param name="bits">The receiver's data bits.</param>
    /// <param name="parity">The receiver expects a parity bit.</param>
    /// <param name="inverted">It sees the line upside down.</param>
    public IReadOnlyList<byte> Seen(decimal from, decimal speed, int bits, bool parity, bool inverted) =>
        [.. Frames(from, speed, bits, parity, inverted).Select(f => f.Byte)];

    /// <summary>The same with where each frame begins, in bits of the sender from the beginning of the first.</summary>
    /// <param name="from">The sender's speed.</param>
    /// <param name="speed">The receiver's.</param>
    /// <param name="bits">The receiver's data bits.</param>
    /// <param name="parity">The receiver expects a parity bit.</param>
    /// <param name="inverted">It sees the line upside down.</param>
    public IEnumerable<(double Start, byte Byte)> Frames(decimal from, decimal speed, int bits, bool parity, bool inverted)
    {
        // A bit of the sender is 2 x speed long, half a bit of the receiver is the sender's speed.
        decimal bit = 2 * speed,
            half = from,
            end = _line.Count * bit;
        bool At(decimal time) => (time >= end || _line[(int)(time / bit)]) != inverted;
        decimal now = 0;
        while (NextZero(now, bit, inverted) is { } start)
        {
            decimal middle = start + half;
            while (true)
            {
                int value = 0;
                for (int i = 0; i < bits; i++)
                    if (At(middle + 2 * (i + 1) * half))
                        value |= 1 << i;
                yield return ((double)((middle - half) / bit), (byte)value);
                now = middle + 2 * (bits + (parity ? 2 : 1)) * half;
                if (At(now) || now >= end)
                    break;
                middle = now;
            }
        }
    }

    /// <summary>When the receiver next sees a 0; null: not before the last frame ends.</summary>
    decimal? NextZero(decimal now, decimal bit, bool inverted)
    {
        for (int at = (int)(now / bit); at < _line.Count; at++)
            if (_line[at] == inverted)
                return Math.Max(now, at * bit);
        return null;
    }
}
