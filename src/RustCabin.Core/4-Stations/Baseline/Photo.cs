namespace RustCabin.Core.Baseline;

/// <summary>The kinds of pictures that are taken in.</summary>
public enum PhotoKind
{
    /// <summary>PNG.</summary>
    Png,

    /// <summary>JPEG.</summary>
    Jpeg,

    /// <summary>WebP.</summary>
    Webp,
}

/// <summary>
/// A picture that was looked into: its kind by its bytes, and the bytes to keep, without position, camera or comment.
/// </summary>
public sealed record Photo(PhotoKind Kind, byte[] Bytes)
{
    /// <summary>No larger picture is taken, in bytes.</summary>
    public const int LargestBytes = 8_000_000;

    /// <summary>No larger picture is taken, in points.</summary>
    public const long MostPixels = 50_000_000;

    /// <summary>Its media type, as it is sent.</summary>
    public string MediaType => MediaTypes[(int)Kind];

    /// <summary>The media types under which pictures are sent: no others are, whatever a file says.</summary>
    public static IReadOnlyList<string> MediaTypes { get; } = ["image/png", "image/jpeg", "image/webp"];

    /// <summary>
    /// Takes a picture apart and puts it together again from the pieces that show something. One walk finds how large it is and
    /// what is kept, so that both are told of the same headers.
    /// </summary>
    /// <exception cref="FormatException">It is not one of the three, broken or too large; the message says which.</exception>
    public static Photo Read(ReadOnlySpan<byte> bytes)
    {
        if (bytes.Length > LargestBytes)
            throw new FormatException(
                $"The picture is {bytes.Length / 1_000_000.0:0.#} MB; {LargestBytes / 1_000_000} MB are allowed."
            );
        if (bytes.StartsWith(PngWalk.Signature))
            return new Photo(PhotoKind.Png, PngWalk.Clean(bytes));
        if (JpegWalk.IsOne(bytes))
            return new Photo(PhotoKind.Jpeg, JpegWalk.Clean(bytes));
        if (WebpWalk.IsOne(bytes))
            return new Photo(PhotoKind.Webp, WebpWalk.Clean(bytes));
        throw new FormatException("This is not a PNG, JPEG or WebP picture by its contents, whatever its name says.");
    }
}
