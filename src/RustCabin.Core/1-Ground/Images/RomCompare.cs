namespace RustCabin.Core.Images;

/// <summary>What makes two images differ, as far as one cause explains every byte.</summary>
public enum Difference
{
    /// <summary>Byte for byte the same.</summary>
    Equal,

    /// <summary>The bytes of each word are exchanged.</summary>
    Swapped,

    /// <summary>The two halves are exchanged.</summary>
    HalfSwapped,

    /// <summary>The same, from another place on.</summary>
    Shifted,

    /// <summary>The lanes are exchanged.</summary>
    LaneExchanged,

    /// <summary>One lane is another image's.</summary>
    LaneWrong,

    /// <summary>A data bit always reads the same.</summary>
    StuckBit,

    /// <summary>The image twice.</summary>
    Doubled,

    /// <summary>The image ends too early.</summary>
    Shorter,

    /// <summary>None of these explains it.</summary>
    Other,
}

/// <summary>
/// A dump held against the image that it should be: the cause by name, its words, the first byte that differs (-1: none), how
/// many do, and the share of wrong bytes in each of <see cref="RomCompare.Pieces"/> equal pieces, for the drawing. Source:
/// docs/handbook/rom.md, Comparing.
/// </summary>
public sealed record Compared(Difference Cause, string Words, long FirstWrong, long WrongBytes, IReadOnlyList<double> Map);

/// <summary>Holds a dump against an image.</summary>
public static class RomCompare
{
    /// <summary>The drawing shows so many pieces of an image.</summary>
    public const int Pieces = 64;

    /// <summary>The one cause that explains every byte; with none, how many bytes differ.</summary>
    public static Compared Of(ReadOnlySpan<byte> image, ReadOnlySpan<byte> dump)
    {
        (long first, long wrong, double[] map) = Count(image, dump);
        (Difference cause, string words) = Cause(image, dump);
        if (cause is Difference.Other or Difference.LaneWrong)
            words += Where(image, dump, first, wrong);
        return new Compared(cause, words, first, wrong, map);
    }

    /// <summary>How many bytes differ and where, and the bit where it is always the same one.</summary>
    static string Where(ReadOnlySpan<byte> image, ReadOnlySpan<byte> dump, long first, long wrong)
    {
        int last = image.Length - 1,
            bits = 0;
        while (image[last] == dump[last])
            last--;
        for (int i = (int)first; i <= last; i++)
            bits |= image[i] ^ dump[i];
        string bit =
            System.Numerics.BitOperations.PopCount((uint)bits) == 1
                ? $", in D{System.Numerics.BitOperations.TrailingZeroCount(bits)} alone"
                : "";
        return wrong == 1
            ? $" 1 byte differs, at 0x{first:x}: 0x{image[(int)first]:x2} is wanted, 0x{dump[(int)first]:x2} was read{bit}."
            : $" {wrong:#,0} of {image.Length:#,0} bytes differ, from 0x{first:x} to 0x{last:x}{bit}.";
    }

    static (long First, long Wrong, double[] Map) Count(ReadOnlySpan<byte> image, ReadOnlySpan<byte> dump)
    {
        int length = Math.Max(image.Length, dump.Length),
            both = Math.Min(image.Length, dump.Length);
        double[] map = new double[Pieces];
        long first = -1,
            wrong = length - both;
        if (length == 0)
            return (-1, 0, map);
        for (int piece = 0; piece < Pieces; piece++)
        {
            int from = (int)((long)piece * length / Pieces),
                to = (int)((long)(piece + 1) * length / Pieces),
                bad = 0;
            for (int i = from; i < to; i++)
                if (i >= both || image[i] != dump[i])
                {
                    if (first < 0)
                        first = i;
                    bad++;
                    if (i < both)
                        wrong++;
                }
            map[piece] = to > from ? (double)bad / (to - from) : 0;
        }
        return (first, wrong, map);
    }

    static (Difference, string) Cause(ReadOnlySpan<byte> image, ReadOnlySpan<byte> dump)
    {
        if (image.SequenceEqual(dump))
            return (Difference.Equal, "They are equal.");
        if (
            dump.Length == 2 * image.Length
            && image.SequenceEqual(dump[..image.Length])
            && image.SequenceEqual(dump[image.Length..])
        )
            return (Difference.Doubled, "The dump holds the image twice.");
        if (image.Length != dump.Length)
            return (Difference.Shorter, $"The image has {image.Length:#,0} bytes, the dump {dump.Length:#,0}.");
        int n = image.Length;
        if (n % 2 == 0 && Same(image, dump, i => i ^ 1))
            return (
                Difference.Swapped,
                "The two bytes of every word are swapped: the programmer and the machine disagree about which comes first. "
                    + "Swap the image, or the programmer's setting."
            );
        if (n % 2 == 0 && Same(image, dump, i => (i + n / 2) % n))
            return (
                Difference.HalfSwapped,
                "The halves have changed places: the highest address line is inverted or tied the wrong way."
            );
        if (n % 4 == 0 && Exchanged(image, dump, 4) is { } exchanged)
            return exchanged;
        for (int lanes = 2; lanes <= 4; lanes += 2)
            if (n % lanes == 0 && LaneWrong(image, dump, lanes) is { } lane)
                return lane;
        for (int shift = 1; shift <= 16 && shift < n; shift++)
        {
            if (image[..(n - shift)].SequenceEqual(dump[shift..]))
                return (
                    Difference.Shifted,
                    $"Everything lies {shift} {(shift == 1 ? "byte" : "bytes")} too high: a header, or a wrong start address."
                );
            if (image[shift..].SequenceEqual(dump[..(n - shift)]))
                return (
                    Difference.Shifted,
                    $"Everything lies {shift} {(shift == 1 ? "byte" : "bytes")} too low: the start was cut off."
                );
        }
        return Stuck(image, dump)
            ?? (Difference.Other, "No single cause explains every byte: burn it again, or doubt the device.");
    }

    delegate int Place(int at);

    static bool Same(ReadOnlySpan<byte> image, ReadOnlySpan<byte> dump, Place from)
    {
        for (int i = 0; i < image.Length; i++)
            if (dump[i] != image[from(i)])
                return false;
        return true;
    }

    /// <summary>Of a split set: two lanes exchanged. Of two lanes that is every word swapped, which is told before.</summary>
    static (Difference, string)? Exchanged(ReadOnlySpan<byte> image, ReadOnlySpan<byte> dump, int lanes)
    {
        for (int a = 0; a < lanes; a++)
        for (int b = a + 1; b < lanes; b++)
        {
            (int first, int second) = (a, b);
            if (
                Same(
                    image,
                    dump,
                    i =>
                        i % lanes == first ? i - first + second
                        : i % lanes == second ? i - second + first
                        : i
                )
            )
                return (
                    Difference.LaneExchanged,
                    $"Lanes {first} and {second} of {lanes} are exchanged: the chips of the set sit in each other's sockets."
                );
        }
        return null;
    }

    /// <summary>Of a split set: one lane wrong while the others are right.</summary>
    static (Difference, string)? LaneWrong(ReadOnlySpan<byte> image, ReadOnlySpan<byte> dump, int lanes)
    {
        int[] wrong = new int[lanes];
        for (int i = 0; i < image.Length; i++)
            if (image[i] != dump[i])
                wrong[i % lanes]++;
        // A few bytes are a burn that failed, not another chip.
        if (
            wrong.Count(w => w > 0) != 1
            || wrong.Max() < Math.Max(2, image.Length / lanes / 16)
            || Stuck(image, dump) is not null
        )
            return null;
        return (
            Difference.LaneWrong,
            $"Only lane {Array.FindIndex(wrong, w => w > 0)} of {lanes} is wrong: that chip of the set holds something else."
        );
    }

    /// <summary>A data bit that always reads the same, where that alone explains every byte.</summary>
    static (Difference, string)? Stuck(ReadOnlySpan<byte> image, ReadOnlySpan<byte> dump)
    {
        int up = 0,
            down = 0;
        for (int i = 0; i < image.Length; i++)
        {
            up |= ~image[i] & dump[i];
            down |= image[i] & ~dump[i];
        }
        bool oneBit = System.Numerics.BitOperations.PopCount((uint)((up | down) & 0xFF)) == 1;
        if (!oneBit || (up != 0 && down != 0))
            return null;
        int bit = System.Numerics.BitOperations.TrailingZeroCount(up | down),
            want = up != 0 ? 1 : 0;
        foreach (byte b in dump)
            if ((b >> bit & 1) != want)
                return null;
        return (Difference.StuckBit, $"D{bit} always reads {want}: its leg, its wire, or the device.");
    }
}
