namespace RustCabin.Core.Images;

public static partial class RomFile
{
    const int PerLine = 32,
        Block = 0x10000;

    /// <summary>Writes an image from address 0.</summary>
    public static byte[] Write(RomFormat format, ReadOnlyMemory<byte> image) =>
        format switch
        {
            RomFormat.Ihex => WriteHex(image),
            RomFormat.Srec => WriteSrec(image),
            _ => image.ToArray(),
        };

    static byte[] WriteHex(ReadOnlyMemory<byte> image) =>
        new Form(
            Begin: [],
            Line: Record(":"u8, [0, 0, 0, 0], twos: true).Length,
            Jump: Record(":"u8, [2, 0, 0, 4, 0, 0], twos: true).Length,
            End: Record(":"u8, [0, 0, 0, 1], twos: true)
        ).Fill(
            image,
            (ref RecordText to, ReadOnlySpan<byte> data, int at) =>
            {
                if (at % Block == 0 && at > 0)
                    to.Add(":"u8, [2, 0, 0, 4, (byte)(at >> 24), (byte)(at >> 16)], [], twos: true);
                to.Add(":"u8, [(byte)data.Length, (byte)(at >> 8), (byte)at, 0], data, twos: true);
            }
        );

    static byte[] WriteSrec(ReadOnlyMemory<byte> image)
    {
        int address =
            image.Length <= 0x10000 ? 2
            : image.Length <= 0x1000000 ? 3
            : 4;
        byte[] mark = [(byte)'S', (byte)('1' + address - 2)],
            end = Record([(byte)'S', (byte)('9' + 2 - address)], [(byte)(address + 1), .. new byte[address]], twos: false);
        // The end is a line without data.
        return new Form(Record("S0"u8, [3, 0, 0], twos: false), Line: end.Length, Jump: 0, end).Fill(
            image,
            (ref RecordText to, ReadOnlySpan<byte> data, int at) =>
            {
                Span<byte> head = [0, (byte)(at >> 24), (byte)(at >> 16), (byte)(at >> 8), (byte)at];
                head = head[(4 - address)..];
                head[0] = (byte)(data.Length + address + 1);
                to.Add(mark, head, data, twos: false);
            }
        );
    }

    /// <summary>The line of a record without data.</summary>
    static byte[] Record(ReadOnlySpan<byte> mark, ReadOnlySpan<byte> head, bool twos)
    {
        byte[] line = new byte[RecordText.Signs(mark.Length, head.Length)];
        new RecordText(line).Add(mark, head, [], twos);
        return line;
    }

    delegate void DataLine(ref RecordText to, ReadOnlySpan<byte> data, int at);

    /// <summary>
    /// How many signs each part of a text takes: so each 64 KiB of the image have their place in it before anything is written,
    /// and all processors write at once.
    /// </summary>
    /// <param name="Begin">What stands before the first line of data.</param>
    /// <param name="Line">Of a line of data beside two for each byte.</param>
    /// <param name="Jump">Before the lines of each 64 KiB but the first.</param>
    /// <param name="End">What stands after the last line of data.</param>
    sealed record Form(byte[] Begin, int Line, int Jump, byte[] End)
    {
        public byte[] Fill(ReadOnlyMemory<byte> image, DataLine line)
        {
            byte[] text = GC.AllocateUninitializedArray<byte>(PlaceOf(image.Length) + End.Length);
            Begin.CopyTo(text, 0);
            End.CopyTo(text, text.Length - End.Length);
            int blocks = (image.Length + Block - 1) / Block;
            void WriteBlock(int block)
            {
                int from = block * Block,
                    to = Math.Min(from + Block, image.Length);
                ReadOnlySpan<byte> bytes = image.Span;
                var records = new RecordText(text.AsSpan()[PlaceOf(from)..PlaceOf(to)]);
                for (int at = from; at < to; at += PerLine)
                    line(ref records, bytes[at..Math.Min(at + PerLine, to)], at);
            }
            if (blocks == 1)
                WriteBlock(0);
            else
                Parallel.For(0, blocks, WriteBlock);
            return text;
        }

        /// <summary>Where the text of what begins at an address begins: after all lines before it.</summary>
        int PlaceOf(int at) => Begin.Length + 2 * at + (at + PerLine - 1) / PerLine * Line + Math.Max(0, (at - 1) / Block) * Jump;
    }

    /// <summary>Lines of records, written as text straight away into room that they fill.</summary>
    ref struct RecordText(Span<byte> text)
    {
        Span<byte> _text = text;

        /// <summary>How long a line is: mark, two signs for each byte and for the sum, line feed.</summary>
        public static int Signs(int mark, int bytes) => mark + 2 * (bytes + 1) + 1;

        public void Add(scoped ReadOnlySpan<byte> mark, scoped ReadOnlySpan<byte> head, scoped ReadOnlySpan<byte> data, bool twos)
        {
            int bytes = head.Length + data.Length + 1,
                end = mark.Length + 2 * bytes;
            Span<byte> line = stackalloc byte[MostBytes];
            head.CopyTo(line);
            data.CopyTo(line[head.Length..]);
            int sum = Vectors.Sum(line[..(bytes - 1)]);
            line[bytes - 1] = (byte)(twos ? -sum : ~sum);
            mark.CopyTo(_text);
            Convert.TryToHexString(line[..bytes], _text[mark.Length..], out _);
            _text[end] = (byte)'\n';
            _text = _text[(end + 1)..];
        }

        /// <summary>Count, address and sum beside the data of a line.</summary>
        const int MostBytes = PerLine + 16;
    }
}
