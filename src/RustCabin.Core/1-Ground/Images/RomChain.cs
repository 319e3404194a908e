namespace RustCabin.Core.Images;

/// <summary>
/// One image of a chain; what it is and what its pieces are is worked out when first asked for, and then known.
/// </summary>
public sealed class ChainImage(byte[] bytes)
{
    readonly Lazy<RomInspection> _seen = new(() => RomInspection.Of(bytes));
    readonly Lazy<IReadOnlyList<StripPiece>> _strip = new(() => ImageStrip.Of(bytes));

    readonly Lazy<IReadOnlyList<double>> _density = new(() => ImageStrip.Density(bytes));

    /// <summary>The bytes of it.</summary>
    public byte[] Bytes => bytes;

    /// <summary>Bits a byte, 0 to 8, piece by piece.</summary>
    public IReadOnlyList<double> Density => _density.Value;

    /// <summary>What it is.</summary>
    public RomInspection Seen => _seen.Value;

    /// <summary>It in pieces, for the drawing.</summary>
    public IReadOnlyList<StripPiece> Strip => _strip.Value;
}

/// <summary>
/// Images, then what each operation makes of them. An operation that cannot be done ends the chain, with why in <paramref
/// name="Wrong"/>. It changes no more, so that a reader may keep it as long as images and operations are the same.
/// </summary>
public sealed record RomChain(IReadOnlyList<IReadOnlyList<ChainImage>> Steps, string? Wrong)
{
    /// <summary>No image, no operation.</summary>
    public static readonly RomChain Empty = new([], null);

    /// <summary>Runs operations over images, one after the other, up to the first that cannot be.</summary>
    public static RomChain Of(IReadOnlyList<byte[]> images, IReadOnlyList<RomOp> ops)
    {
        var steps = new List<IReadOnlyList<ChainImage>> { images.Select(i => new ChainImage(i)).ToList() };
        IReadOnlyList<byte[]> now = images;
        foreach (RomOp op in ops)
            try
            {
                now = RomOp.Run(now, [op]);
                steps.Add(now.Select(i => new ChainImage(i)).ToList());
            }
            catch (RomOpException wrong)
            {
                return new RomChain(steps, wrong.Message);
            }
        return new RomChain(steps, null);
    }

    /// <summary>
    /// What the last operation made, where that is one file and nothing went wrong; the file for the programmer.
    /// </summary>
    public ChainImage? File => Wrong is null && Steps.Count > 0 && Steps[^1].Count == 1 ? Steps[^1][0] : null;

    /// <summary>Bytes of all images of all steps, as a measure of what keeping it costs.</summary>
    public long Bytes => Steps.Sum(s => s.Sum(i => (long)i.Bytes.Length));
}
