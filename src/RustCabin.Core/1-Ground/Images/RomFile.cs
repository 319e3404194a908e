using System.Buffers.Binary;
using System.Runtime.InteropServices;

namespace RustCabin.Core.Images;

/// <summary>The forms that a file of an image has.</summary>
public enum RomFormat
{
    /// <summary>The bytes as they are.</summary>
    Bin,

    /// <summary>HEX, records 00 to 05.</summary>
    Ihex,

    /// <summary>S-records, S0 to S3 and S5 to S9.</summary>
    Srec,
}

/// <summary>A file that is not what it should be: the line, from 1, and what is wrong.</summary>
public sealed class RomFileException(int line, string what) : FormatException($"line {line}: {what}")
{
    /// <summary>The line that is wrong, from 1.</summary>
    public int Line { get; } = line;
}

/// <summary>
/// An image as it was read: its bytes from the lowest address, and how many bytes in gaps were filled with 0xFF.
/// </summary>
public sealed record RomImage(byte[] Bytes, ulong From, int Filled);

/// <summary>
/// Reads and writes images: raw, HEX records 00 to 05, S-records S0 to S3 and S5 to S9. A bad sum, an overlap, a cut line or a
/// missing end is told by its line; never a partial image. Source: docs/handbook/rom.md, Files.
/// </summary>
public static partial class RomFile
{
    /// <summary>No larger image is put together, in bytes.</summary>
    public const int Largest = 64 << 20;

    /// <exception cref="RomFileException">The text is broken; line and cause.</exception>
    public static RomImage Read(RomFormat format, ReadOnlySpan<byte> file) =>
        format switch
        {
            RomFormat.Ihex => Records(file, Hex),
            RomFormat.Srec => Records(file, Srec),
            _ => new RomImage(file.ToArray(), 0, 0),
        };

    delegate bool Line(ReadOnlySpan<byte> text, int number, Pieces pieces);

    /// <summary>Records that go on from each other: their first address, their place among all bytes, their first line.</summary>
    record struct Run(ulong At, int Start, int Length, int Line);

    /// <summary>The pieces of an image while its lines are read.</summary>
    /// <param name="most">No more bytes than these are in them.</param>
    sealed class Pieces(int most)
    {
        readonly List<Run> _runs = [];
        readonly byte[] _data = GC.AllocateUninitializedArray<byte>(Math.Min(most, Largest));
        int _used;

        /// <summary>Room for the bytes of one record: count, address, type, data and sum.</summary>
        public byte[] Record { get; } = new byte[260];

        public ulong Offset { get; set; }
        public bool Segmented { get; set; }
        public bool Linear { get; set; }

        /// <summary>One past the last address that the records can name as they stand.</summary>
        public ulong End => Linear ? 1UL << 32 : 1UL << (Segmented ? 20 : 16);
        public int Count { get; set; }

        public Span<byte> Take(ulong at, int length, int line)
        {
            if (length == 0)
                return [];
            if (_used + length > Largest)
                throw new RomFileException(line, $"the image grows beyond {Largest >> 20} MiB");
            Span<Run> runs = CollectionsMarshal.AsSpan(_runs);
            if (runs.Length > 0 && runs[^1].At + (ulong)runs[^1].Length == at)
                runs[^1].Length += length;
            else
                _runs.Add(new Run(at, _used, length, line));
            _used += length;
            return _data.AsSpan(_used - length, length);
        }

        public RomImage Assemble(int line)
        {
            if (_runs.Count == 0)
                throw new RomFileException(line, "there is no data in it");
            _runs.Sort((a, b) => a.At.CompareTo(b.At));
            ulong from = _runs[0].At,
                size = _runs[^1].At + (ulong)_runs[^1].Length - from;
            if (size > Largest)
                throw new RomFileException(_runs[^1].Line, $"the image spans more than {Largest >> 20} MiB");
            byte[] image = GC.AllocateUninitializedArray<byte>((int)size);
            ulong at = from;
            int filled = 0;
            foreach ((ulong start, int place, int length, int where) in _runs)
            {
                if (start < at)
                    throw new RomFileException(where, $"it overlaps what was read before at 0x{start:x}");
                image.AsSpan((int)(at - from), (int)(start - at)).Fill(0xFF);
                filled += (int)(start - at);
                _data.AsSpan(place, length).CopyTo(image.AsSpan((int)(start - from)));
                at = start + (ulong)length;
            }
            return new RomImage(image, from, filled);
        }
    }

    static RomImage Records(ReadOnlySpan<byte> file, Line read)
    {
        var pieces = new Pieces(file.Length / 2);
        bool ended = false;
        int number = 0;
        while (file.Length > 0)
        {
            number++;
            // Lines end with LF, CR, or both; old systems close the text with Ctrl-Z.
            int end = file.IndexOfAny((byte)'\n', (byte)'\r');
            ReadOnlySpan<byte> line = end < 0 ? file : file[..end];
            if (line is [.., <= (byte)' '])
                line = line.TrimEnd(" \t\x1A"u8);
            bool both = end >= 0 && file[end] == '\r' && end + 1 < file.Length && file[end + 1] == '\n';
            file = end < 0 ? [] : file[(end + (both ? 2 : 1))..];
            if (line.Length == 0)
                continue;
            if (ended)
                throw new RomFileException(number, "there is more after the end record");
            ended = read(line, number, pieces);
        }
        if (!ended)
            throw new RomFileException(number, "the file ends without an end record");
        return pieces.Assemble(number);
    }

    static bool Hex(ReadOnlySpan<byte> line, int number, Pieces pieces)
    {
        if (line[0] != ':')
            throw new RomFileException(number, "a HEX record begins with a colon");
        if (line.Length < 11)
            throw new RomFileException(number, "the record is cut off");
        Span<byte> record = pieces.Record;
        // Nearly every record is whole. Where one is not, its head says what is wrong first.
        bool whole = line.Length <= 1 + 2 * record.Length && Vectors.FromHex(line[1..], record);
        if (!whole)
            Decode(line[1..9], record, number);
        int length = record[0],
            type = record[3];
        if (line.Length != 11 + length * 2)
            throw new RomFileException(
                number,
                line.Length < 11 + length * 2 ? "the record is cut off" : "the record is longer than its count says"
            );
        ushort at = BinaryPrimitives.ReadUInt16BigEndian(record[1..]);
        // A segment (type 02) ends after 64 KiB; a linear address (type 04) goes on.
        ulong last = pieces.Offset + at + (ulong)length;
        if (type == 0 && pieces.Segmented && at + length > 0x10000)
            throw new RomFileException(number, "the record runs over the end of its segment");
        if (type == 0 && last > pieces.End)
            throw new RomFileException(number, $"the record runs past the last address, 0x{pieces.End - 1:x}");
        Span<byte> taken = type == 0 ? pieces.Take(pieces.Offset + at, length, number) : [];
        if (!whole)
            Decode(line[9..], record[4..], number);
        Span<byte> data = record.Slice(4, length);
        int total = Vectors.Sum(record[..(length + 5)]);
        if ((total & 0xFF) != 0)
        {
            byte sum = record[length + 4];
            throw new RomFileException(number, $"the checksum is {sum:X2}, and {(byte)(sum - total):X2} would be right");
        }
        switch (type)
        {
            case 0:
                data.CopyTo(taken);
                return false;
            case 1:
                return length == 0 ? true : throw new RomFileException(number, "an end record holds no data");
            case 2 or 4:
                if (length != 2)
                    throw new RomFileException(number, "an address record holds two bytes");
                pieces.Offset = (ulong)BinaryPrimitives.ReadUInt16BigEndian(data) << (type == 2 ? 4 : 16);
                (pieces.Segmented, pieces.Linear) = (type == 2, type == 4);
                return false;
            case 3 or 5:
                return length == 4 ? false : throw new RomFileException(number, "a start record holds four bytes");
            default:
                throw new RomFileException(number, $"record type {type:X2} is not one of 00 to 05");
        }
    }

    static bool Srec(ReadOnlySpan<byte> line, int number, Pieces pieces)
    {
        if (line.Length < 4 || line[0] != 'S')
            throw new RomFileException(number, line[0] != 'S' ? "an S-record begins with S" : "the record is cut off");
        int type = line[1] - '0',
            address = type switch
            {
                0 or 1 or 5 or 9 => 2,
                2 or 6 or 8 => 3,
                3 or 7 => 4,
                _ => throw new RomFileException(number, $"S{(char)line[1]} is not a record that is read"),
            };
        Span<byte> record = pieces.Record;
        Decode(line[2..4], record, number);
        int count = record[0];
        if (line.Length != 4 + count * 2)
            throw new RomFileException(
                number,
                line.Length < 4 + count * 2 ? "the record is cut off" : "the record is longer than its count says"
            );
        if (count < address + 1)
            throw new RomFileException(number, "the count leaves no room for address and checksum");
        int first = 1 + address,
            length = count - first;
        Decode(line[4..(4 + address * 2)], record[1..], number);
        uint at = 0;
        foreach (byte b in record[1..first])
            at = at << 8 | b;
        if (type is >= 1 and <= 3 && at + (ulong)length > 1UL << 8 * address)
            throw new RomFileException(number, $"the record runs past the last address, 0x{(1UL << 8 * address) - 1:x}");
        Span<byte> taken = type is >= 1 and <= 3 ? pieces.Take(at, length, number) : [];
        Decode(line[(4 + address * 2)..], record[first..], number);
        byte sum = record[count],
            right = (byte)~Vectors.Sum(record[..count]);
        if (sum != right)
            throw new RomFileException(number, $"the checksum is {sum:X2}, and {right:X2} would be right");
        if (type is >= 1 and <= 3)
        {
            record[first..count].CopyTo(taken);
            pieces.Count++;
        }
        if (type is 5 or 6 && at != pieces.Count)
            throw new RomFileException(number, $"it counts {at} data records, and {pieces.Count} were read");
        return type is >= 7 and <= 9;
    }

    static void Decode(ReadOnlySpan<byte> hex, Span<byte> into, int number)
    {
        if (!Vectors.FromHex(hex, into))
            throw new RomFileException(number, "there is a character that is no hex figure");
    }
}
