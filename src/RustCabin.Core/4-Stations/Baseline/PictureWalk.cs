using System.Buffers;

namespace RustCabin.Core.Baseline;

/// <summary>
/// What a walk through a picture's file collects: the pieces to keep, and how large the picture becomes when it is shown. Every
/// header that says a size is held against the limit, since a browser may believe any of them.
/// </summary>
sealed class PictureWalk(string kind)
{
    readonly ArrayBufferWriter<byte> _kept = new();

    /// <summary>True once a header said how large the picture is.</summary>
    public bool HasSize { get; private set; }

    /// <summary>What was kept.</summary>
    public byte[] Bytes => _kept.WrittenSpan.ToArray();

    /// <summary>Keeps a piece.</summary>
    public void Keep(ReadOnlySpan<byte> piece) => _kept.Write(piece);

    /// <summary>A header says so many points wide and tall.</summary>
    /// <exception cref="FormatException">None, or more than are allowed.</exception>
    public void Size(long wide, long tall)
    {
        if (wide <= 0 || tall <= 0)
            throw new FormatException($"The {kind} picture does not say how wide and tall it is.");
        if (wide * tall > Photo.MostPixels)
            throw new FormatException(
                $"The picture has {wide * tall / 1_000_000} megapixels; {Photo.MostPixels / 1_000_000} are allowed."
            );
        HasSize = true;
    }

    /// <summary>The file ends where more must come.</summary>
    public FormatException CutOff => new($"The {kind} picture is cut off.");
}
