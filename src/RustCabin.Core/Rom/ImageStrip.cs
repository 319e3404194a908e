namespace RustCabin.Core.Rom;

/// <summary>What a piece of an image mostly is.</summary>
public enum PieceKind { Blank, Zero, Text, Code, Repeat }

/// <summary>A run of pieces of one kind: where it begins, how long it is, in bytes.</summary>
public sealed record StripPiece(PieceKind Kind, int From, int Length);

/// <summary>An image cut into equal pieces and told apart: blank (0xFF), zero, readable text, a repeat of what lies half the image before, or code. Source: domain.md, section 5.</summary>
public static class ImageStrip
{
    public static IReadOnlyList<StripPiece> Of(ReadOnlySpan<byte> image, int pieces = 128)
    {
        var strip = new List<StripPiece>();
        if (image.Length == 0) return strip;
        int half = image.Length % 2 == 0 ? image.Length / 2 : 0;
        for (int i = 0; i < pieces; i++)
        {
            int from = (int)((long)i * image.Length / pieces), to = (int)((long)(i + 1) * image.Length / pieces);
            if (to <= from) continue;
            ReadOnlySpan<byte> piece = image[from..to];
            PieceKind kind = KindOf(piece);
            if (kind is PieceKind.Code or PieceKind.Text && half > 0 && from >= half && piece.SequenceEqual(image.Slice(from - half, piece.Length))) kind = PieceKind.Repeat;
            if (strip.Count > 0 && strip[^1].Kind == kind) strip[^1] = strip[^1] with { Length = strip[^1].Length + to - from };
            else strip.Add(new StripPiece(kind, from, to - from));
        }
        return strip;
    }

    static PieceKind KindOf(ReadOnlySpan<byte> piece)
    {
        int blank = 0, zero = 0, text = 0;
        foreach (byte b in piece)
            if (b == 0xFF) blank++;
            else if (b == 0) zero++;
            else if (b is >= 32 and < 127 or 10 or 13) text++;
        if (blank * 10 >= piece.Length * 9) return PieceKind.Blank;
        if (zero * 10 >= piece.Length * 9) return PieceKind.Zero;
        return text * 10 >= piece.Length * 8 ? PieceKind.Text : PieceKind.Code;
    }
}
