using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>A range of a pasted table of addresses.</summary>
/// <param name="Kind"><c>ram</c>, <c>rom</c>, <c>io</c>, <c>window</c>, <c>free</c>; null: the line does not say.</param>
/// <param name="Name">What the line calls it.</param>
/// <param name="From">Its first address.</param>
/// <param name="To">Its last address.</param>
/// <param name="Size">In bytes.</param>
public sealed record PastedRange(string? Kind, string Name, ulong From, ulong To, decimal Size);

/// <summary>Tables of addresses, a range a line. Source: docs/handbook/paste.md, Maps.</summary>
static class MapPaste
{
    /// <summary>Reads a text as a table of addresses.</summary>
    /// <param name="lines">Its lines.</param>
    /// <param name="bits">The address lines of the machine; null: not known.</param>
    public static IReadOnlyList<PastedLine> Read(IReadOnlyList<TextLine> lines, int? bits)
    {
        var found = new MapLine?[lines.Count];
        bool sizes = false,
            both = false;
        for (int i = 0; i < lines.Count; i++)
        {
            if (lines[i].IsOfColumns)
            {
                string[] columns = [.. lines[i].Columns];
                bool size = columns.Any(c => c is "size" or "length" or "bytes");
                bool end = columns.Any(c => c is "end" or "last" or "to");
                (sizes, both) = (size && !end, size && end);
            }
            else if (!lines[i].IsHeading)
                found[i] = MapLine.Of(lines[i], sizes, both);
        }
        MapLine[] read = [.. found.OfType<MapLine>().Where(l => l.From is not null)];
        bool hex = NumberBase.IsHex(read, bits);
        HashSet<ulong> starts = [.. read.Where(l => !l.IsSingle).Select(l => l.Start(hex)).OfType<ulong>()];
        ulong[] ends = [.. read.Select(l => l.To?.Value(hex)).OfType<ulong>()];
        bool open = ends.Any(starts.Contains) && !ends.Any(e => e < ulong.MaxValue && starts.Contains(e + 1));
        return
        [
            .. lines.Select(
                (line, i) =>
                    found[i] is { } known ? line.ReadBy(l => Told(l, known, hex, open, bits))
                    : line.IsHeading ? line.Heading
                    : line.ReadBy(l => l.Unread("no address was found"))
            ),
        ];
    }

    static PastedLine Told(TextLine line, MapLine found, bool hex, bool open, int? bits)
    {
        if (found.From is null)
            return line.Unread(found.Doubt ?? "no address was found");
        if (found.Start(hex) is not { } from || found.Last(hex) is not { } to)
            return line.Unread("a number is too large, or is none in the base of the others");
        string? exclusive = null;
        if (open && found.To is not null)
        {
            exclusive = "ends are taken to be one past the last address, as the next range starts there";
            to = to == 0 ? 0 : to - 1;
        }
        if (to < from)
            return line.Unread("the end is below the start");
        decimal size = (decimal)to - from + 1;
        (string name, string? kind, string? more) = found.Named(hex, size);
        return line.Reads(
            [new PastedRange(kind, name, from, to, size)],
            found.Doubt,
            exclusive,
            found.To is not null && found.SizeSaid(hex) is { } said && said != size
                ? $"{said} bytes are said, {from:X4} to {to:X4} are {size}"
                : null,
            bits is { } lines && lines < 64 && to >> bits > 0 ? $"it lies beyond {bits} address lines" : null,
            kind is null ? "what answers there is not said" : null,
            more
        );
    }

    /// <summary>What answers, by whole words: the first kind of which a word stands on the line.</summary>
    internal static string? KindOf(string text) => Kinds.Where(k => k.Words.IsMatch(text)).Select(k => k.Kind).FirstOrDefault();

    /// <summary>In the order in which one word goes before another.</summary>
    static (Regex Words, string Kind)[] Kinds =>
        field ??= [(Free, "free"), (Io, "io"), (Window, "window"), (Rom, "rom"), (Ram, "ram")];

    static Regex Free => field ??= new(@"\b(?:free|unused|reserved|empty)\b", RegexOptions.IgnoreCase);

    static Regex Io => field ??= new(@"(?<!\w)(?:I/O|IO|ports?|registers?|hardware)(?!\w)", RegexOptions.IgnoreCase);

    static Regex Window => field ??= new(@"\b(?:window|banked|paged|bank(?!\w|\s*#?\d))\b", RegexOptions.IgnoreCase);

    static Regex Rom =>
        field ??= new(@"\b(?:ROM\d*|PROM|EPROM|EEPROM|flash|firmware|monitor|read-only)\b", RegexOptions.IgnoreCase);

    static Regex Ram => field ??= new(@"\b(?:RAM\d*|DRAM|SRAM|VRAM|memory|screen|stack)\b", RegexOptions.IgnoreCase);
}

/// <summary>
/// The base of the numbers of a text that do not say it, judged over all of them together. Source: docs/handbook/paste.md,
/// Numbers.
/// </summary>
static class NumberBase
{
    /// <summary>Unmarked numbers of the lines are hexadecimal.</summary>
    public static bool IsHex(IReadOnlyList<MapLine> lines, int? bits)
    {
        PastedNumber[] plain = [.. lines.SelectMany(l => l.Numbers).Where(n => !n.IsMarked)];
        if (plain.Any(n => n.IsSurelyHex))
            return true;
        if (plain.Length == 0 || plain.Any(n => n.IsDecimal))
            return false;
        (bool ten, bool sixteen) = (Follows(lines, false), Follows(lines, true));
        if (ten != sixteen)
            return sixteen;
        if (bits is { } most && most < 64)
        {
            (ten, sixteen) = (Within(lines, false, most), Within(lines, true, most));
            if (ten != sixteen)
                return sixteen;
        }
        return plain[0].Digits.Length >= 4 && plain.All(n => n.Digits.Length == plain[0].Digits.Length);
    }

    /// <summary>Each range begins at the end of the one before it, or one past it.</summary>
    static bool Follows(IReadOnlyList<MapLine> lines, bool hex)
    {
        MapLine[] ranges = [.. lines.Where(l => !l.IsSingle)];
        return ranges.Length > 1
            && ranges
                .Zip(ranges.Skip(1))
                .All(p => p.First.Last(hex) is { } end && p.Second.Start(hex) is { } next && (next == end || next - 1 == end));
    }

    static bool Within(IReadOnlyList<MapLine> lines, bool hex, int bits) =>
        lines.All(l => l.Start(hex) >> bits == 0 && (l.Last(hex) ?? ulong.MaxValue) >> bits == 0);

    /// <summary>Numbers that stand alone are hexadecimal: as above, but with nothing that follows.</summary>
    public static bool IsHex(IReadOnlyList<PastedNumber> numbers, int? bits) => IsHex([.. numbers.Select(MapLine.Alone)], bits);
}
