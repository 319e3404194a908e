using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using System.Text.Json;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Rom;

/// <summary>An operation cannot be done on the image that it meets: its place in the chain, from 0, and why.</summary>
public sealed class RomOpException(int at, string why) : Exception(why)
{
    public int At { get; } = at;
}

/// <summary>One operation of a chain on one or several images. Source: formats.md, ops.</summary>
public sealed record RomOp(string Op, int Bits, int Lanes, ulong Size, byte Fill, ulong From, string Kind, ulong At, bool Little)
{
    /// <summary>The bytes of a patch, as hex.</summary>
    public string Patch { get; init; } = "";

    /// <summary>Which of several images a pick takes, from 0.</summary>
    public int Index { get; init; }

    static readonly string[] Known =
    [
        "swap16",
        "swap32",
        "reverseWords",
        "split",
        "join",
        "double",
        "pad",
        "slice",
        "concat",
        "checksum",
        "patch",
        "pick",
    ];

    public static (IReadOnlyList<RomOp> Ops, IReadOnlyList<SheetError> Errors) Read(JsonElement ops)
    {
        var errors = new List<SheetError>();
        if (ops.ValueKind != JsonValueKind.Array)
            return ([], [new SheetError("ops", "must be a list of operations")]);
        RomOp?[] read = [.. ops.EnumerateArray().Select((op, i) => Fields.Read(op, $"ops[{i}]", errors, ReadOne))];
        return ([.. read.OfType<RomOp>()], errors);
    }

    internal static RomOp ReadOne(Fields f)
    {
        string op = f.Name("op");
        if (op.Length > 0 && !Known.Contains(op))
            f.Wrong("op", $"\"{op}\" is not one of {string.Join(", ", Known)}");
        if (op is "pad" && !f.Has("size"))
            f.Wrong("size", "is missing");
        return new RomOp(
            op,
            f.Whole("bits", 8, 64) ?? 16,
            f.Whole("lanes", 2, 8) ?? 2,
            f.SizeOrNumber("size")?.Bytes ?? 0,
            (byte)(f.Whole("fill", 0, 255) ?? 255),
            f.SizeOrNumber("from")?.Bytes ?? 0,
            f.NameOrNull("kind") ?? "sum16",
            f.SizeOrNumber("at")?.Bytes ?? 0,
            f.Flag("little") ?? false
        )
        {
            Patch = op == "patch" ? ReadPatch(f) : "",
            Index = f.Whole("index", 0, 63) ?? 0,
        };
    }

    static string ReadPatch(Fields f)
    {
        string hex = f.Text("bytes").Replace(" ", "");
        if ((hex.Length == 0 || hex.Length % 2 != 0 || !hex.All(char.IsAsciiHexDigit)))
            f.Wrong("bytes", "must be pairs of hex digits, such as \"4e 71\"");
        return hex;
    }

    /// <summary>Runs a chain over images in order.</summary>
    /// <exception cref="RomOpException">An operation does not go with the image it meets.</exception>
    public static IReadOnlyList<byte[]> Run(IReadOnlyList<byte[]> images, IReadOnlyList<RomOp> ops)
    {
        IReadOnlyList<byte[]> now = images;
        foreach ((int i, RomOp op) in ops.Index())
            now = op.Op switch
            {
                "split" => [.. now.SelectMany(image => op.Split(image, i))],
                "pick" => op.Index < now.Count
                    ? [now[op.Index]]
                    : throw new RomOpException(
                        i,
                        $"there {(now.Count == 1 ? "is" : "are")} {now.Count} {(now.Count == 1 ? "image" : "images")}, and number {op.Index + 1} is to be taken"
                    ),
                "join" => [Join(now, i)],
                "concat" => [Sized([.. now.SelectMany(image => image)], i)],
                _ => [.. now.Select(image => op.One(image, i))],
            };
        return now;
    }

    byte[] One(byte[] image, int at) =>
        Op switch
        {
            "swap16" => Reversed(image, 2, at),
            "swap32" => Reversed(image, 4, at),
            "reverseWords" => ReverseWords(image, at),
            "double" => Twice(image, at),
            "pad" => Pad(image, at),
            "slice" => Slice(image, at),
            "checksum" => Checksum(image, at),
            "patch" => Patched(image, at),
            _ => throw new RomOpException(at, $"\"{Op}\" is not an operation"),
        };

    static byte[] Twice(byte[] image, int at)
    {
        if (image.Length * 2L > RomFile.Largest)
            throw new RomOpException(at, $"it makes an image beyond {RomFile.Largest >> 20} MiB");
        byte[] twice = GC.AllocateUninitializedArray<byte>(image.Length * 2);
        image.CopyTo(twice, 0);
        image.CopyTo(twice, image.Length);
        return twice;
    }

    static byte[] Sized(byte[] image, int at) =>
        image.Length <= RomFile.Largest
            ? image
            : throw new RomOpException(at, $"it makes an image beyond {RomFile.Largest >> 20} MiB");

    static byte[] Reversed(byte[] image, int word, int at)
    {
        if (image.Length % word != 0)
            throw new RomOpException(at, $"{image.Length} bytes are no whole number of {word * 8}-bit words");
        byte[] swapped = (byte[])image.Clone();
        if (word == 2)
            System.Buffers.Binary.BinaryPrimitives.ReverseEndianness(
                MemoryMarshal.Cast<byte, ushort>(image),
                MemoryMarshal.Cast<byte, ushort>(swapped.AsSpan())
            );
        else
            System.Buffers.Binary.BinaryPrimitives.ReverseEndianness(
                MemoryMarshal.Cast<byte, uint>(image),
                MemoryMarshal.Cast<byte, uint>(swapped.AsSpan())
            );
        return swapped;
    }

    byte[] ReverseWords(byte[] image, int at)
    {
        int word = Bits / 8;
        if (Bits % 8 != 0 || image.Length % word != 0)
            throw new RomOpException(at, $"{image.Length} bytes are no whole number of {Bits}-bit words");
        byte[] reversed = (byte[])image.Clone();
        switch (word)
        {
            case 1:
                Array.Reverse(reversed);
                break;
            case 2:
                MemoryMarshal.Cast<byte, ushort>(reversed.AsSpan()).Reverse();
                break;
            case 4:
                MemoryMarshal.Cast<byte, uint>(reversed.AsSpan()).Reverse();
                break;
            case 8:
                MemoryMarshal.Cast<byte, ulong>(reversed.AsSpan()).Reverse();
                break;
            default:
                for (int i = 0; i < image.Length; i += word)
                    image.AsSpan(i, word).CopyTo(reversed.AsSpan(image.Length - word - i));
                break;
        }
        return reversed;
    }

    IEnumerable<byte[]> Split(byte[] image, int at)
    {
        if (image.Length % Lanes != 0)
            throw new RomOpException(at, $"{image.Length} bytes do not split into {Lanes} lanes");
        byte[][] lanes = [.. Enumerable.Range(0, Lanes).Select(_ => GC.AllocateUninitializedArray<byte>(image.Length / Lanes))];
        if (Lanes == 2)
        {
            (byte[] even, byte[] odd) = (lanes[0], lanes[1]);
            int i = 0;
            // Sixteen words at a time: their low bytes are one lane, their high bytes the other.
            for (; i + 16 <= even.Length; i += 16)
            {
                Vector128<ushort> a = Vector128.LoadUnsafe(ref image[i * 2]).AsUInt16(),
                    b = Vector128.LoadUnsafe(ref image[i * 2 + 16]).AsUInt16();
                Vector128.Narrow(a & Vector128.Create((ushort)0xFF), b & Vector128.Create((ushort)0xFF)).StoreUnsafe(ref even[i]);
                Vector128.Narrow(a >>> 8, b >>> 8).StoreUnsafe(ref odd[i]);
            }
            for (; i < even.Length; i++)
                (even[i], odd[i]) = (image[i * 2], image[i * 2 + 1]);
            return lanes;
        }
        for (int lane = 0; lane < Lanes; lane++)
        {
            byte[] own = lanes[lane];
            for ((int i, int from) = (0, lane); i < own.Length; i++, from += Lanes)
                own[i] = image[from];
        }
        return lanes;
    }

    static byte[] Join(IReadOnlyList<byte[]> lanes, int at)
    {
        if (lanes.Any(l => l.Length != lanes[0].Length))
            throw new RomOpException(
                at,
                $"lanes of {string.Join(" and ", lanes.Select(l => l.Length).Distinct())} bytes do not join"
            );
        if (lanes.Count * (long)lanes[0].Length > RomFile.Largest)
            throw new RomOpException(at, $"it makes an image beyond {RomFile.Largest >> 20} MiB");
        byte[] joined = new byte[lanes.Count * lanes[0].Length];
        for (int lane = 0; lane < lanes.Count; lane++)
        for (int i = 0; i < lanes[lane].Length; i++)
            joined[i * lanes.Count + lane] = lanes[lane][i];
        return joined;
    }

    byte[] Pad(byte[] image, int at)
    {
        if (Size > RomFile.Largest)
            throw new RomOpException(at, $"{new ByteSize(Size)} is beyond {RomFile.Largest >> 20} MiB");
        if ((ulong)image.Length > Size)
            throw new RomOpException(at, $"{image.Length} bytes are more than the {Size} to pad to");
        byte[] padded = new byte[Size];
        image.CopyTo(padded, 0);
        padded.AsSpan(image.Length).Fill(Fill);
        return padded;
    }

    byte[] Slice(byte[] image, int at)
    {
        ulong size = Size == 0 && From <= (ulong)image.Length ? (ulong)image.Length - From : Size;
        if (From > (ulong)image.Length || size > (ulong)image.Length - From)
            throw new RomOpException(at, $"{size} bytes from {From} lie beyond the {image.Length} of the image");
        return image.AsSpan((int)From, (int)size).ToArray();
    }

    byte[] Patched(byte[] image, int at)
    {
        byte[] bytes = Convert.FromHexString(Patch);
        if (At > (ulong)image.Length || (ulong)bytes.Length > (ulong)image.Length - At)
            throw new RomOpException(at, $"{bytes.Length} bytes at {At} lie beyond the {image.Length} of the image");
        byte[] patched = (byte[])image.Clone();
        bytes.CopyTo(patched, (int)At);
        return patched;
    }

    /// <summary>Writes the sum of a range's bytes, modulo 2^16 or 2^32, at a place; bytes of the place itself do not count.</summary>
    byte[] Checksum(byte[] image, int at)
    {
        int bytes = Kind switch
        {
            "sum16" => 2,
            "sum32" => 4,
            _ => throw new RomOpException(at, $"\"{Kind}\" is not a checksum: sum16 or sum32"),
        };
        ulong size = Size == 0 && From <= (ulong)image.Length ? (ulong)image.Length - From : Size;
        if (At + (ulong)bytes > (ulong)image.Length || From > (ulong)image.Length || size > (ulong)image.Length - From)
            throw new RomOpException(at, "the range or the place of the sum lies beyond the image");
        byte[] fixedUp = (byte[])image.Clone();
        uint sum = 0;
        for (ulong i = From; i < From + size; i++)
            if (i < At || i >= At + (ulong)bytes)
                sum += image[i];
        for (int i = 0; i < bytes; i++)
            fixedUp[(int)At + i] = (byte)(sum >> 8 * (Little ? i : bytes - 1 - i));
        return fixedUp;
    }
}
