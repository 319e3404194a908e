using System.ComponentModel.DataAnnotations;
using System.Text.Json;
using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Units;

namespace RustCabin.Core.Images;

/// <summary>An operation cannot be done on the image that it meets: its place in the chain, from 0, and why.</summary>
/// <param name="at">The place in the chain.</param>
/// <param name="why">Why not.</param>
public sealed class RomOpException(int at, string why) : Exception(why)
{
    /// <summary>The place in the chain, from 0.</summary>
    public int At { get; } = at;
}

/// <summary>
/// One operation of a chain on one or several images. Each is a record of its own with its fields, its words and what it does.
/// Source: docs/handbook/rom.md, Operations.
/// </summary>
/// <param name="Op">The word by which sheets and calls name it.</param>
public abstract record RomOp([property: Required, Display(Description = "The operation.")] string Op) : IOwnForm<RomOp>
{
    sealed record Form(Shape Shape, Func<JsonElement, SheetReading, RomOp?> Read, Func<RomOp, JsonObject> Write);

    static Form Of<T>()
        where T : RomOp, new() =>
        new(Declaration<T>.Shape, (e, r) => Declaration<T>.Read(e, r), op => Declaration<T>.Write((T)op));

    /// <summary>Every operation that there is, by its word.</summary>
    static readonly OrderedDictionary<string, Form> Known = new()
    {
        ["swap16"] = Of<Swap16>(),
        ["swap32"] = Of<Swap32>(),
        ["reverseWords"] = Of<ReverseWords>(),
        ["split"] = Of<Split>(),
        ["join"] = Of<Join>(),
        ["double"] = Of<DoubleImage>(),
        ["pad"] = Of<Pad>(),
        ["slice"] = Of<Slice>(),
        ["concat"] = Of<Concat>(),
        ["checksum"] = Of<Checksum>(),
        ["patch"] = Of<Patch>(),
        ["pick"] = Of<Pick>(),
    };

    /// <summary>What it does, in the trade's words.</summary>
    public abstract string Words { get; }

    /// <summary>Makes of images what it makes of them, in order.</summary>
    /// <exception cref="RomOpException">It does not go with the image it meets.</exception>
    public abstract IReadOnlyList<byte[]> On(IReadOnlyList<byte[]> images);

    /// <summary>As it was given, without blanks; null: as it is written.</summary>
    internal string? Given { get; init; }

    /// <summary>The operation as the transform call takes it.</summary>
    public string Text => Given ?? Known[Op].Write(this).ToJsonString();

    /// <inheritdoc/>
    public static Shape Shape { get; } = Shape.Any with { Choices = [.. Known.Values.Select(f => f.Shape)] };

    /// <summary>Reads a whole chain.</summary>
    public static (IReadOnlyList<RomOp> Ops, IReadOnlyList<SheetError> Errors) Read(JsonElement ops)
    {
        if (ops.ValueKind != JsonValueKind.Array)
            return ([], [new SheetError("ops", "must be a list of operations")]);
        var reading = new SheetReading("ops");
        new ListCodec<RomOp>(new OwnFormCodec<RomOp>(), oneOrMore: false).TryRead(ops, reading, out IReadOnlyList<RomOp> read);
        return (read, reading.Errors);
    }

    /// <inheritdoc/>
    public static RomOp? Read(JsonElement element, SheetReading reading)
    {
        if (element.ValueKind != JsonValueKind.Object)
        {
            reading.Wrong($"must be an object, not {JsonKind.Of(element)}");
            return null;
        }
        if (!element.TryGetProperty("op", out JsonElement named))
        {
            reading.Wrong("op", "is missing");
            return null;
        }
        reading.Into("op");
        bool isName = new TextCodec(ShapeKind.Name).TryRead(named, reading, out string op);
        if (isName && !Known.ContainsKey(op))
            reading.Wrong($"\"{op}\" is not one of {string.Join(", ", Known.Keys)}");
        reading.Out();
        string given = new([.. element.GetRawText().Where(c => !char.IsWhiteSpace(c))]);
        return isName && Known.TryGetValue(op, out Form? form) && form.Read(element, reading) is { } read
            ? read with
            {
                Given = given,
            }
            : null;
    }

    /// <inheritdoc/>
    public static JsonNode? Write(RomOp value) => JsonNode.Parse(value.Text);

    /// <summary>Runs a chain over images in order.</summary>
    /// <exception cref="RomOpException">An operation does not go with the image it meets.</exception>
    /// <param name="images">The images, in order.</param>
    /// <param name="ops">The operations, in order.</param>
    /// <param name="cancel">Ends the work between two operations.</param>
    public static IReadOnlyList<byte[]> Run(
        IReadOnlyList<byte[]> images,
        IReadOnlyList<RomOp> ops,
        CancellationToken cancel = default
    )
    {
        IReadOnlyList<byte[]> now = images;
        foreach ((int i, RomOp op) in ops.Index())
            try
            {
                cancel.ThrowIfCancellationRequested();
                Budget.Spend();
                now = op.On(now);
                if (now.Count > MostMade)
                    throw new RomOpException(i, $"makes {now.Count:#,0} images; {MostMade:#,0} are the most");
            }
            catch (RomOpException wrong) when (wrong.At != i)
            {
                throw new RomOpException(i, wrong.Message);
            }
        return now;
    }

    /// <summary>A chain holds so many operations at most.</summary>
    public const int MostOps = 64;

    /// <summary>A chain takes so many images at most.</summary>
    public const int MostImages = 16;

    /// <summary>No step of a chain makes more images.</summary>
    public const int MostMade = 4_096;

    /// <summary>All steps of a chain together make so many bytes at most.</summary>
    public const long MostWork = 256L << 20;

    /// <summary>Why a chain is more work than is done, before any of it is; null: it is not.</summary>
    public static RomOpException? TooMuch(IReadOnlyList<long> sizes, IReadOnlyList<RomOp> ops)
    {
        if (ops.Count > MostOps)
            return new RomOpException(MostOps, $"{ops.Count} operations are asked for; {MostOps} are the most");
        if (sizes.Count > MostImages)
            return new RomOpException(0, $"{sizes.Count} images are given; {MostImages} are the most");
        long all = sizes.Sum();
        IReadOnlyList<long> now = sizes;
        foreach ((int i, RomOp op) in ops.Index())
        {
            now = op.Makes(now);
            all += now.Sum();
            if (all > MostWork)
                return new RomOpException(i, $"all steps together make more than {MostWork >> 20} MiB");
        }
        return null;
    }

    /// <summary>How many bytes it makes of images of so many; the same unless it says otherwise.</summary>
    protected virtual IReadOnlyList<long> Makes(IReadOnlyList<long> sizes) => sizes;

    /// <summary>Says that it cannot be done.</summary>
    private protected static RomOpException Cannot(string why) => new(0, why);

    /// <summary>An image of so many bytes, or why it cannot be.</summary>
    private protected static byte[] New(long bytes) =>
        bytes <= RomFile.Largest
            ? GC.AllocateUninitializedArray<byte>((int)bytes)
            : throw Cannot($"it makes an image beyond {RomFile.Largest >> 20} MiB");
}

/// <summary>An operation that is done on each image by itself.</summary>
/// <param name="Op">Its word.</param>
public abstract record ImageOp(string Op) : RomOp(Op)
{
    /// <inheritdoc/>
    public sealed override IReadOnlyList<byte[]> On(IReadOnlyList<byte[]> images) => [.. images.Select(One)];

    /// <summary>Makes of one image what it makes of it.</summary>
    protected abstract byte[] One(byte[] image);
}
