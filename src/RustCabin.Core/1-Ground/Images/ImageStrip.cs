namespace RustCabin.Core.Images;

/// <summary>What a piece of an image mostly is.</summary>
public enum PieceKind
{
    /// <summary>All 0xFF.</summary>
    Blank,

    /// <summary>All zero.</summary>
    Zero,

    /// <summary>Mostly letters.</summary>
    Text,

    /// <summary>Anything else.</summary>
    Code,

    /// <summary>The same as a piece before it.</summary>
    Repeat,
}

/// <summary>A run of pieces of one kind: where it begins, how long it is, in bytes.</summary>
public sealed record StripPiece(PieceKind Kind, int From, int Length);

/// <summary>
/// An image cut into equal pieces and told apart: blank (0xFF), zero, readable text, a repeat of what lies half the image before,
/// or code. Source: docs/handbook/rom.md, Images.
/// </summary>
public static class ImageStrip
{
    /// <summary>Cuts an image into equal pieces, neighbours of one kind together.</summary>
    public static IReadOnlyList<StripPiece> Of(ReadOnlySpan<byte> image, int pieces = 128)
    {
        var strip = new List<StripPiece>();
        if (image.Length == 0)
            return strip;
        int half = image.Length % 2 == 0 ? image.Length / 2 : 0;
        for (int i = 0; i < pieces; i++)
        {
            int from = (int)((long)i * image.Length / pieces),
                to = (int)((long)(i + 1) * image.Length / pieces);
            if (to <= from)
                continue;
            ReadOnlySpan<byte> piece = image[from..to];
            PieceKind kind = KindOf(piece);
            if (
                kind is PieceKind.Code or PieceKind.Text
                && half > 0
                && from >= half
                && piece.SequenceEqual(image.Slice(from - half, piece.Length))
            )
                kind = PieceKind.Repeat;
            if (strip.Count > 0 && strip[^1].Kind == kind)
                strip[^1] = strip[^1] with { Length = strip[^1].Length + to - from };
            else
                strip.Add(new StripPiece(kind, from, to - from));
        }
        return strip;
    }

    /// <summary>
    /// How much each of <paramref name="pieces"/> equal pieces says, in bits a byte, 0 to 8: zeros and blanks near 0, text about
    /// 4, code 5 to 6, packed or random bytes near 8.
    /// </summary>
    public static IReadOnlyList<double> Density(ReadOnlySpan<byte> image, int pieces = 64)
    {
        double[] density = new double[image.Length == 0 ? 0 : Math.Min(pieces, image.Length)];
        Span<int> counts = stackalloc int[256];
        for (int i = 0; i < density.Length; i++)
        {
            int from = (int)((long)i * image.Length / density.Length),
                to = (int)((long)(i + 1) * image.Length / density.Length);
            counts.Clear();
            foreach (byte b in image[from..to])
                counts[b]++;
            foreach (int count in counts)
                if (count > 0)
                    density[i] -= (double)count / (to - from) * Math.Log2((double)count / (to - from));
        }
        return density;
    }

    static PieceKind KindOf(ReadOnlySpan<byte> piece)
    {
        int blank = 0,
            zero = 0,
            text = 0;
        foreach (byte b in piece)
            if (b == 0xFF)
                blank++;
            else if (b == 0)
                zero++;
            else if (b is >= 32 and < 127 or 10 or 13)
                text++;
        if (blank * 10 >= piece.Length * 9)
            return PieceKind.Blank;
        if (zero * 10 >= piece.Length * 9)
            return PieceKind.Zero;
        return text * 10 >= piece.Length * 8 ? PieceKind.Text : PieceKind.Code;
    }
}
