using System.ComponentModel.DataAnnotations;
using System.Runtime.Intrinsics;

namespace RustCabin.Core.Images;

/// <summary>Splits an image into lanes: lane k is the bytes at addresses with remainder k.</summary>
public sealed record Split() : RomOp("split")
{
    /// <summary>How many lanes.</summary>
    [Range(2, 8), Display(Description = "How many lanes.")]
    public int Lanes { get; init; } = 2;

    /// <inheritdoc/>
    public override string Words => $"split into {Lanes} lanes";

    /// <inheritdoc/>
    protected override IReadOnlyList<long> Makes(IReadOnlyList<long> sizes) =>
        [.. sizes.SelectMany(s => Enumerable.Repeat(s / Lanes, Lanes))];

    /// <inheritdoc/>
    public override IReadOnlyList<byte[]> On(IReadOnlyList<byte[]> images) => [.. images.SelectMany(One)];

    byte[][] One(byte[] image)
    {
        if (image.Length % Lanes != 0)
            throw Cannot($"{image.Length} bytes do not split into {Lanes} lanes");
        byte[][] lanes = [.. Enumerable.Range(0, Lanes).Select(_ => New(image.Length / Lanes))];
        if (Lanes == 2)
            EvenAndOdd(image, lanes[0], lanes[1]);
        else
            for (int lane = 0; lane < Lanes; lane++)
            {
                byte[] own = lanes[lane];
                for ((int i, int from) = (0, lane); i < own.Length; i++, from += Lanes)
                    own[i] = image[from];
            }
        return lanes;
    }

    /// <summary>Sixteen words at a time: their low bytes are one lane, their high bytes the other.</summary>
    static void EvenAndOdd(byte[] image, byte[] even, byte[] odd)
    {
        int i = 0;
        var low = Vector128.Create((ushort)0xFF);
        for (; i + 16 <= even.Length; i += 16)
        {
            Vector128<ushort> a = Vector128.LoadUnsafe(ref image[i * 2]).AsUInt16(),
                b = Vector128.LoadUnsafe(ref image[i * 2 + 16]).AsUInt16();
            Vector128.Narrow(a & low, b & low).StoreUnsafe(ref even[i]);
            Vector128.Narrow(a >>> 8, b >>> 8).StoreUnsafe(ref odd[i]);
        }
        for (; i < even.Length; i++)
            (even[i], odd[i]) = (image[i * 2], image[i * 2 + 1]);
    }
}

/// <summary>Joins lanes into one image, the lane of the lowest address first.</summary>
public sealed record Join() : RomOp("join")
{
    /// <inheritdoc/>
    public override string Words => "join the lanes";

    /// <inheritdoc/>
    protected override IReadOnlyList<long> Makes(IReadOnlyList<long> sizes) => [sizes.Sum()];

    /// <inheritdoc/>
    public override IReadOnlyList<byte[]> On(IReadOnlyList<byte[]> lanes)
    {
        if (lanes.Any(l => l.Length != lanes[0].Length))
            throw Cannot($"lanes of {string.Join(" and ", lanes.Select(l => l.Length).Distinct())} bytes do not join");
        byte[] joined = New(lanes.Count * (long)lanes[0].Length);
        for (int lane = 0; lane < lanes.Count; lane++)
        for (int i = 0; i < lanes[lane].Length; i++)
            joined[i * lanes.Count + lane] = lanes[lane][i];
        return [joined];
    }
}

/// <summary>Puts images one behind the other.</summary>
public sealed record Concat() : RomOp("concat")
{
    /// <inheritdoc/>
    public override string Words => "put one behind the other";

    /// <inheritdoc/>
    protected override IReadOnlyList<long> Makes(IReadOnlyList<long> sizes) => [sizes.Sum()];

    /// <inheritdoc/>
    public override IReadOnlyList<byte[]> On(IReadOnlyList<byte[]> images)
    {
        byte[] whole = New(images.Sum(i => (long)i.Length));
        int at = 0;
        foreach (byte[] image in images)
        {
            image.CopyTo(whole, at);
            at += image.Length;
        }
        return [whole];
    }
}

/// <summary>Takes one of several images.</summary>
public sealed record Pick() : RomOp("pick")
{
    /// <summary>Which, from 0.</summary>
    [Range(0, 63), Display(Description = "Which of the images, from 0.")]
    public int Index { get; init; }

    /// <inheritdoc/>
    public override string Words => $"take number {Index + 1}";

    /// <inheritdoc/>
    public override IReadOnlyList<byte[]> On(IReadOnlyList<byte[]> images)
    {
        if (Index < images.Count)
            return [images[Index]];
        string there = images.Count == 1 ? "is 1 image" : $"are {images.Count} images";
        throw Cannot($"there {there}, and number {Index + 1} is to be taken");
    }
}
