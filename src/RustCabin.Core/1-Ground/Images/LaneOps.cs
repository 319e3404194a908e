using System.ComponentModel.DataAnnotations;

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
        Vectors.Split(image, lanes);
        return lanes;
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
        Vectors.Join(lanes, joined);
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
