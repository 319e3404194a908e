using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.PictureSound;

/// <summary>What <c>picture/memory</c> takes.</summary>
public sealed record PictureMemoryAsked
{
    /// <summary>Pixels in a line.</summary>
    [Required, Range(1, 1_000_000), Display(Description = "Pixels in a line.")]
    public int Width { get; init; }

    /// <summary>Lines.</summary>
    [Required, Range(1, 1_000_000), Display(Description = "Lines.")]
    public int Height { get; init; }

    /// <summary>Bits of a pixel.</summary>
    [Required, Range(1, 1024), Display(Description = "Bits of a pixel.")]
    public int Bits { get; init; }

    /// <summary>Lines begin at multiples of so many bytes.</summary>
    [Range(1, 1_000_000), Display(Description = "Lines begin at multiples of so many bytes.")]
    public int Alignment { get; init; } = 1;

    /// <summary>Pictures that are kept at once.</summary>
    [Range(1, 1_000), Display(Description = "Pictures that are kept at once.")]
    public int Buffers { get; init; } = 1;

    /// <summary>Pictures a second.</summary>
    [Range(0.000001, 1_000_000), Display(Description = "Pictures a second.")]
    public decimal FramesPerSecond { get; init; } = 1;
}

/// <summary>What a picture takes of memory. Source: docs/handbook/picture-sound.md, Frame memory.</summary>
/// <param name="Stride">Bytes from one line to the next.</param>
/// <param name="Bytes">Bytes in all.</param>
/// <param name="BytesPerSecond">Bytes that are read a second.</param>
public sealed record PictureMemory(long Stride, long Bytes, decimal BytesPerSecond)
{
    /// <summary>Of what is asked for.</summary>
    public static PictureMemory Of(PictureMemoryAsked asked)
    {
        long line = ((long)asked.Width * asked.Bits + 7) / 8,
            stride = (line + asked.Alignment - 1) / asked.Alignment * asked.Alignment;
        return new PictureMemory(stride, stride * asked.Height * asked.Buffers, stride * asked.Height * asked.FramesPerSecond);
    }

    /// <summary>Of a mode; null: its sheet does not say what is seen.</summary>
    public static PictureMemory? Of(PictureMode mode) =>
        mode.Visible is not { } seen
            ? null
            : Of(
                new PictureMemoryAsked
                {
                    Width = seen.Width,
                    Height = seen.Height,
                    Bits = seen.Bits,
                    Alignment = mode.LineAlign,
                    Buffers = mode.Buffers,
                    FramesPerSecond = (decimal)Timing.Of(TimingAsked.Of(mode, false, null)).FrameHz,
                }
            );
}
