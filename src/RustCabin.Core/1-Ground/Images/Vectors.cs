using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace RustCabin.Core.Images;

/// <summary>
/// Words and lanes of images, sixteen or thirty-two bytes at a time as the framework's vectors do it on any processor. What does
/// not fill a vector goes byte by byte, which is the same by other means: <see cref="Plain"/>, and the tests hold the two
/// together.
/// </summary>
public static class Vectors
{
    const int Wide = 16,
        Wider = 32;

    /// <summary>Writes the words of an image in the order from the last to the first, each word as it stands.</summary>
    /// <param name="image">A whole number of words.</param>
    /// <param name="reversed">As long as the image.</param>
    /// <param name="word">Bytes of a word, 1 to 8.</param>
    public static void ReverseWords(ReadOnlySpan<byte> image, Span<byte> reversed, int word)
    {
        int done = 0;
        if (word is 1 or 2 or 4 or 8)
        {
            Span<byte> turn = stackalloc byte[Wide];
            for (int i = 0; i < Wide; i++)
                turn[i] = (byte)(Wide - word - i / word * word + i % word);
            var order = Vector128.Create<byte>(turn);
            ref byte from = ref MemoryMarshal.GetReference(image),
                to = ref MemoryMarshal.GetReference(reversed);
            for (; done + Wide <= image.Length; done += Wide)
                Vector128
                    .Shuffle(Vector128.LoadUnsafe(ref from, (nuint)done), order)
                    .StoreUnsafe(ref to, (nuint)(image.Length - done - Wide));
        }
        Plain.ReverseWords(image[done..], reversed[..^done], word);
    }

    /// <summary>Splits an image into lanes: lane k is the bytes at addresses with remainder k.</summary>
    /// <param name="image">A whole number of bytes for each lane.</param>
    /// <param name="lanes">The lanes, all of one length.</param>
    public static void Split(ReadOnlySpan<byte> image, IReadOnlyList<byte[]> lanes)
    {
        int done = 0;
        if (lanes.Count == 2)
            done = EvenAndOdd(image, lanes[0], lanes[1]);
        else if (lanes.Count == 4)
            done = Quarters(image, lanes);
        Plain.Split(image, lanes, done);
    }

    /// <summary>Thirty-two words at a time: their low bytes are one lane, their high bytes the other.</summary>
    static int EvenAndOdd(ReadOnlySpan<byte> image, byte[] even, byte[] odd)
    {
        int i = 0;
        for (; i + Wider <= even.Length; i += Wider)
        {
            (Vector256<byte> low, Vector256<byte> high) = Apart(At(image, i * 2), At(image, i * 2 + Wider));
            low.StoreUnsafe(ref even[i]);
            high.StoreUnsafe(ref odd[i]);
        }
        return i;
    }

    /// <summary>Even and odd, and each of them even and odd once more.</summary>
    static int Quarters(ReadOnlySpan<byte> image, IReadOnlyList<byte[]> lanes)
    {
        int i = 0;
        (byte[] a, byte[] b, byte[] c, byte[] d) = (lanes[0], lanes[1], lanes[2], lanes[3]);
        for (; i + Wider <= a.Length; i += Wider)
        {
            int at = i * 4;
            (Vector256<byte> even1, Vector256<byte> odd1) = Apart(At(image, at), At(image, at + Wider));
            (Vector256<byte> even2, Vector256<byte> odd2) = Apart(At(image, at + 2 * Wider), At(image, at + 3 * Wider));
            (Vector256<byte> first, Vector256<byte> third) = Apart(even1, even2);
            (Vector256<byte> second, Vector256<byte> fourth) = Apart(odd1, odd2);
            first.StoreUnsafe(ref a[i]);
            second.StoreUnsafe(ref b[i]);
            third.StoreUnsafe(ref c[i]);
            fourth.StoreUnsafe(ref d[i]);
        }
        return i;
    }

    static Vector256<byte> At(ReadOnlySpan<byte> image, int place) =>
        Vector256.LoadUnsafe(ref MemoryMarshal.GetReference(image), (nuint)place);

    /// <summary>The bytes at even places of two vectors, and those at odd ones.</summary>
    static (Vector256<byte> Even, Vector256<byte> Odd) Apart(Vector256<byte> one, Vector256<byte> two)
    {
        (Vector256<ushort> a, Vector256<ushort> b) = (one.AsUInt16(), two.AsUInt16());
        var low = Vector256.Create((ushort)0xFF);
        return (Vector256.Narrow(a & low, b & low), Vector256.Narrow(a >>> 8, b >>> 8));
    }

    /// <summary>Joins lanes into one image, the lane of the lowest address first.</summary>
    /// <param name="lanes">The lanes, all of one length.</param>
    /// <param name="joined">As long as all of them.</param>
    public static void Join(IReadOnlyList<byte[]> lanes, Span<byte> joined)
    {
        int i = 0;
        if (lanes.Count == 2)
        {
            (byte[] even, byte[] odd) = (lanes[0], lanes[1]);
            ref byte to = ref MemoryMarshal.GetReference(joined);
            for (; i + Wide <= even.Length; i += Wide)
            {
                (Vector128<byte> low, Vector128<byte> high) = (
                    Vector128.LoadUnsafe(ref even[i]),
                    Vector128.LoadUnsafe(ref odd[i])
                );
                (Vector128.WidenLower(low) | Vector128.WidenLower(high) << 8).AsByte().StoreUnsafe(ref to, (nuint)(i * 2));
                (Vector128.WidenUpper(low) | Vector128.WidenUpper(high) << 8).AsByte().StoreUnsafe(ref to, (nuint)(i * 2 + Wide));
            }
        }
        Plain.Join(lanes, joined, i);
    }

    /// <summary>The sum of bytes.</summary>
    public static int Sum(ReadOnlySpan<byte> bytes)
    {
        int sum = 0,
            i = 0;
        ref byte from = ref MemoryMarshal.GetReference(bytes);
        for (; i + Wide <= bytes.Length; i += Wide)
        {
            var some = Vector128.LoadUnsafe(ref from, (nuint)i);
            sum += Vector128.Sum(Vector128.WidenLower(some) + Vector128.WidenUpper(some));
        }
        return sum + Plain.Sum(bytes[i..]);
    }

    /// <summary>Reads figures of base 16, two a byte, the higher first.</summary>
    /// <param name="hex">Twice as many signs as bytes are wanted; capital and small letters.</param>
    /// <param name="into">Where they go; at least half as long.</param>
    /// <returns>False: a sign is none of these figures, or one has no other beside it. What was written then counts for
    /// nothing.</returns>
    public static bool FromHex(ReadOnlySpan<byte> hex, Span<byte> into)
    {
        if (hex.Length < Wider || hex.Length % 2 != 0)
            return Plain.FromHex(hex, into);
        Vector256<byte> all = Vector256<byte>.AllBitsSet;
        ref byte to = ref MemoryMarshal.GetReference(into[..(hex.Length / 2)]);
        // The last vector lies over the one before where the signs do not fill it.
        for (int i = 0; ; i = Math.Min(i + Wider, hex.Length - Wider))
        {
            Vector256<byte> signs = At(hex, i),
                figure = signs - Vector256.Create((byte)'0'),
                letter = (signs | Vector256.Create((byte)0x20)) - Vector256.Create((byte)'a'),
                isFigure = Vector256.LessThanOrEqual(figure, Vector256.Create((byte)9)),
                isLetter = Vector256.LessThanOrEqual(letter, Vector256.Create((byte)5));
            all &= isFigure | isLetter;
            Vector256<ushort> two = Vector256.ConditionalSelect(isFigure, figure, letter + Vector256.Create((byte)10)).AsUInt16();
            two = (two << 4 | two >>> 8) & Vector256.Create((ushort)0xFF);
            Vector128.Narrow(two.GetLower(), two.GetUpper()).StoreUnsafe(ref to, (nuint)(i / 2));
            if (i + Wider == hex.Length)
                return all == Vector256<byte>.AllBitsSet;
        }
    }

    /// <summary>The same byte by byte.</summary>
    public static class Plain
    {
        /// <summary>As <see cref="Vectors.FromHex"/>.</summary>
        public static bool FromHex(ReadOnlySpan<byte> hex, Span<byte> into)
        {
            for (int i = 0; i + 1 < hex.Length; i += 2)
            {
                int high = Figure(hex[i]),
                    low = Figure(hex[i + 1]);
                if ((high | low) < 0)
                    return false;
                into[i / 2] = (byte)(high << 4 | low);
            }
            return hex.Length % 2 == 0;
        }

        static int Figure(byte sign) =>
            sign switch
            {
                >= (byte)'0' and <= (byte)'9' => sign - '0',
                >= (byte)'A' and <= (byte)'F' => sign - 'A' + 10,
                >= (byte)'a' and <= (byte)'f' => sign - 'a' + 10,
                _ => -1,
            };

        /// <summary>As <see cref="Vectors.Sum"/>.</summary>
        public static int Sum(ReadOnlySpan<byte> bytes)
        {
            int sum = 0;
            foreach (byte b in bytes)
                sum += b;
            return sum;
        }

        /// <summary>As <see cref="Vectors.ReverseWords"/>.</summary>
        public static void ReverseWords(ReadOnlySpan<byte> image, Span<byte> reversed, int word)
        {
            for (int i = 0; i < image.Length; i += word)
                image.Slice(i, word).CopyTo(reversed[(image.Length - word - i)..]);
        }

        /// <summary>As <see cref="Vectors.Split"/>, from a place of the lanes on.</summary>
        public static void Split(ReadOnlySpan<byte> image, IReadOnlyList<byte[]> lanes, int done = 0)
        {
            for (int lane = 0; lane < lanes.Count; lane++)
            {
                byte[] own = lanes[lane];
                for ((int i, int from) = (done, done * lanes.Count + lane); i < own.Length; i++, from += lanes.Count)
                    own[i] = image[from];
            }
        }

        /// <summary>As <see cref="Vectors.Join"/>, from a place of the lanes on.</summary>
        public static void Join(IReadOnlyList<byte[]> lanes, Span<byte> joined, int done = 0)
        {
            for (int lane = 0; lane < lanes.Count; lane++)
            {
                byte[] own = lanes[lane];
                for ((int i, int to) = (done, done * lanes.Count + lane); i < own.Length; i++, to += lanes.Count)
                    joined[to] = own[i];
            }
        }
    }
}
