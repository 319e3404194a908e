using System.Text.Json.Nodes;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Web.Pages.Sheets;

/// <summary>One place of a map that is being drawn, both ends within it.</summary>
/// <param name="Claim">The claim of the sheet, by its place in the list; null: nothing of the sheet lies there.</param>
/// <param name="Machine">What the machine has there, where the sheet is of a part; null: nothing.</param>
public sealed record MapPlace(ulong From, ulong To, int? Claim, Core.Sheets.Claim? Machine)
{
    /// <summary>Nothing answers there: it is pressed to put something.</summary>
    public bool IsGap => Claim is null && Machine is null;

    /// <summary>How many bytes it holds.</summary>
    public ByteSize Size => new(To - From + 1);

    /// <summary>How high it is drawn, from 0 to 4: a step more for each factor of 256, so that a register can be read beside
    /// a bank of memory.</summary>
    public int Tall => Math.Min(4, (63 - System.Numerics.BitOperations.LeadingZeroCount(Size.Bytes)) / 8);
}

/// <summary>
/// The map of a sheet in the editor, drawn from what is typed, whether the rest of the sheet reads or not. A gap is pressed
/// to put memory, a ROM, I/O, a register or a window there.
/// </summary>
public static class MapDraft
{
    /// <summary>What can be put into a gap, with the words of its button.</summary>
    public static IReadOnlyList<(string Word, string Shown)> Kinds { get; } =
    [("ram", "memory"), ("rom", "ROM"), ("io", "I/O"), ("window", "window"), ("register", "register")];

    /// <summary>The places from the highest address down; claims that do not say where they are, are left out.</summary>
    /// <param name="claims">The claims of the sheet.</param>
    /// <param name="bits">The width of the address space, 1 to 64.</param>
    /// <param name="machine">What the machine has already, where the sheet is of a part.</param>
    public static IReadOnlyList<MapPlace> Of(JsonArray? claims, int bits, IEnumerable<Claim> machine)
    {
        ulong last = bits >= 64 ? ulong.MaxValue : (1ul << bits) - 1;
        MapPlace[] taken =
        [
            .. (claims ?? []).Index().Select(c => Read(c.Item as JsonObject, c.Index, last)).OfType<MapPlace>(),
            .. machine
                .Where(c => c is { Base: not null, Size.Bytes: > 0 } && c.Base.Value.Value <= last)
                .Select(c => new MapPlace(c.Base!.Value.Value, End(c.Base.Value.Value, c.Size!.Value.Bytes, last), null, c)),
        ];
        var places = new List<MapPlace>(taken);
        ulong free = 0;
        bool full = false;
        foreach (MapPlace place in taken.OrderBy(p => p.From))
        {
            if (!full && place.From > free)
                places.Add(new MapPlace(free, place.From - 1, null, null));
            full |= place.To == last;
            free = Math.Max(free, full ? last : place.To + 1);
        }
        if (!full)
            places.Add(new MapPlace(free, last, null, null));
        return [.. places.OrderByDescending(p => p.From).ThenByDescending(p => p.To).ThenBy(p => p.Claim)];
    }

    /// <summary>The claims that do not say where they are, or not in a way that reads, by their places in the list.</summary>
    public static IEnumerable<int> Elsewhere(JsonArray? claims) =>
        (claims ?? []).Index().Where(c => Read(c.Item as JsonObject, c.Index, ulong.MaxValue) is null).Select(c => c.Index);

    static MapPlace? Read(JsonObject? claim, int index, ulong last) =>
        claim is not null
        && Address.TryParse(Text(claim["base"]), out Address from)
        && from.Value <= last
        && ByteSize.TryParse(Text(claim["size"]), out ByteSize size)
        && size.Bytes > 0
            ? new MapPlace(from.Value, End(from.Value, size.Bytes, last), index, null)
            : null;

    static ulong End(ulong from, ulong size, ulong last) => size - 1 > last - from ? last : from + size - 1;

    /// <summary>
    /// Puts something into a gap of the sheet's map: memory, ROM and I/O fill it, a window takes the largest power of two of
    /// it up to 16 KiB, a register its first byte. A register and a window that have no other become one another's.
    /// </summary>
    /// <param name="sheet">The sheet, which is changed.</param>
    /// <param name="word">One of <see cref="Kinds"/>.</param>
    /// <param name="from">Where the gap begins.</param>
    /// <param name="to">Its last address.</param>
    /// <returns>What was put, in words.</returns>
    /// <exception cref="ArgumentException">There is no such kind, or the gap ends before it begins.</exception>
    public static string Fill(JsonObject sheet, string word, ulong from, ulong to)
    {
        string shown =
            Kinds.FirstOrDefault(k => k.Word == word).Shown
            ?? throw new ArgumentException($"\"{word}\" is nothing that can be put");
        if (to < from || to - from > 1ul << 40)
            throw new ArgumentException("there is no such gap");
        if (sheet["claims"] is not JsonArray claims)
            sheet["claims"] = claims = [];
        ulong gap = to - from + 1;
        ulong size = word switch
        {
            "register" => 1,
            "window" => Math.Min(16_384, 1ul << (63 - System.Numerics.BitOperations.LeadingZeroCount(gap))),
            _ => gap,
        };
        string id = IdText.Free(
            IdText.Of(word is "ram" ? "memory" : shown),
            taken => claims.OfType<JsonObject>().Any(c => Text(c["id"]) == taken)
        );
        var put = new JsonObject
        {
            ["id"] = id,
            ["kind"] = word == "window" ? "ram" : word,
            ["base"] = $"0x{from:X4}",
            ["size"] = new ByteSize(size).ToSheet(),
        };
        JsonObject[] before = [.. claims.OfType<JsonObject>()];
        claims.Add(put);
        if (word == "register")
        {
            put["access"] = "write";
            if (
                before.Select(c => c["window"] as JsonObject).FirstOrDefault(w => w is not null && w["register"] is null) is
                { } open
            )
                open["register"] = id;
        }
        if (word == "window")
        {
            put["window"] = new JsonObject { ["banks"] = 2 };
            string[] used = [.. before.Select(c => Text((c["window"] as JsonObject)?["register"]))];
            if (before.FirstOrDefault(c => Text(c["kind"]) == "register" && !used.Contains(Text(c["id"]))) is { } lone)
                put["window"]!["register"] = Text(lone["id"]);
        }
        return $"{shown} at {from:X4}";
    }

    static string Text(JsonNode? node) =>
        node is JsonValue value && value.TryGetValue(out string? text) ? text : node?.ToJsonString() ?? "";
}
