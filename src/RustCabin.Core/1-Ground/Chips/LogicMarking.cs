using System.Text.RegularExpressions;

namespace RustCabin.Core.Chips;

/// <summary>
/// Reads the marking of a chip beside memory: the maker's letters are dropped, the family gives the levels, the number the
/// function. A number that the table does not have is not guessed. Source: docs/handbook/memory.md, Other chips.
/// </summary>
public static class LogicMarking
{
    /// <summary>The families of the 54 and 74 series, with what their inputs and outputs speak.</summary>
    static readonly IReadOnlyDictionary<string, string> Families = new Dictionary<string, string>
    {
        [""] = "TTL levels, 5 V",
        ["L"] = "TTL levels, 5 V, low power",
        ["H"] = "TTL levels, 5 V, fast and hungry",
        ["S"] = "TTL levels, 5 V, fast",
        ["LS"] = "TTL levels, 5 V",
        ["AS"] = "TTL levels, 5 V, very fast",
        ["ALS"] = "TTL levels, 5 V",
        ["F"] = "TTL levels, 5 V, fast",
        ["C"] = "CMOS levels, 3 to 15 V",
        ["HC"] = "CMOS levels, 2 to 6 V",
        ["HCT"] = "TTL inputs, CMOS outputs, 5 V",
        ["HCU"] = "CMOS levels, 2 to 6 V, not buffered",
        ["AC"] = "CMOS levels, 2 to 6 V, fast",
        ["ACT"] = "TTL inputs, CMOS outputs, 5 V, fast",
        ["AHC"] = "CMOS levels, 2 to 5.5 V",
        ["AHCT"] = "TTL inputs, CMOS outputs, 5 V",
        ["FCT"] = "TTL inputs, 5 V, fast",
        ["BCT"] = "TTL levels, 5 V, strong",
        ["ABT"] = "TTL levels, 5 V, strong and fast",
        ["LV"] = "CMOS levels, 2 to 5.5 V",
        ["LVC"] = "3.3 V, inputs stand 5 V",
        ["LVT"] = "3.3 V, inputs stand 5 V",
    };

    const string FourThousand = "CMOS levels, 3 to 15 V";

    /// <summary>What a marking says; none where no number of the table stands in it.</summary>
    /// <param name="text">What is printed, with blanks between its groups.</param>
    public static IReadOnlyList<OtherChip> Read(string text)
    {
        string plain = text.ToUpperInvariant();
        string[] tokens = [.. plain.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)];
        return
        [
            .. tokens.Select(Of).OfType<OtherChip>().DistinctBy(c => c.Number),
            .. Crystal.Match(plain) is { Success: true } rate ? [CrystalOf(rate)] : (OtherChip[])[],
        ];
    }

    static OtherChip? Of(string token) => Seventy(token) ?? FourOf(token) ?? ArrayLogic(token) ?? Other(token);

    static OtherChip? Seventy(string token)
    {
        if (
            Series74.Match(token) is not { Success: true } match
            || !Families.TryGetValue(match.Groups["family"].Value, out string? family)
        )
            return null;
        (string number, string letters) = (match.Groups["number"].Value, match.Groups["family"].Value);
        // What a table of three figures has is a 74; of four figures with a 4 in front, a 74HC4040 is a 4040 in that family.
        bool isOwn = number.Length < 4;
        if (!isOwn && letters.Length == 0)
            return null;
        return
            LogicChip.Find(number) is { Block: not ("regulator" or "timer" or "amplifier") } chip && (isOwn || number[0] == '4')
            ? Named($"74{letters}{number}", family, chip)
            : null;
    }

    static OtherChip? FourOf(string token) =>
        Series4000.Match(token) is { Success: true } match && LogicChip.Find(match.Groups["number"].Value) is { } chip
            ? Named(chip.Number, FourThousand, chip)
            : null;

    static OtherChip? ArrayLogic(string token) =>
        Array.Match(token) is { Success: true } match && LogicChip.Find(match.Groups["number"].Value) is { } chip
            ? Named(
                chip.Number,
                match.Groups["ns"].Value is { Length: > 0 } ns ? $"TTL levels, 5 V, {ns} ns" : "TTL levels, 5 V",
                chip
            )
            : null;

    /// <summary>Timers, regulators, amplifiers and line drivers: a number behind the maker's letters.</summary>
    static OtherChip? Other(string token)
    {
        if (Small.Match(token) is not { Success: true } match)
            return null;
        // The letter among a regulator's figures says how much it carries: 78L05.
        string number = match.Groups["number"].Value,
            carries = match.Groups["carries"].Value;
        string plain = carries.Length > 0 ? number[..2] + number[3..] : number;
        LogicChip? chip = LogicChip.Find(match.Groups["maker"].Value + plain) ?? LogicChip.Find(plain);
        if (chip is null || chip.Block is not ("regulator" or "timer" or "amplifier" or "line driver"))
            return null;
        string amps = carries switch
        {
            "L" => "0.1 A",
            "M" => "0.5 A",
            _ => "",
        };
        return Named(number, chip.Block == "regulator" ? amps : "", chip);
    }

    static OtherChip Named(string number, string family, LogicChip chip) =>
        new(number, family, chip.What, chip.Block, chip.Legs, $"{number} is {chip.What}, {chip.Legs.Count} legs, by its number");

    static OtherChip CrystalOf(Match rate) =>
        new(
            rate.Value.Trim(),
            "",
            $"crystal or oscillator, {rate.Groups["rate"].Value.Replace(',', '.')} "
                + (rate.Groups["unit"].Value == "K" ? "kHz" : "MHz"),
            "crystal",
            ["X1", "X2"],
            "a frequency stands on it"
        );

    static Regex Series74 =>
        field ??= new(
            @"^[A-Z]{0,5}(?:54|74)(?<family>[A-Z]{0,4})(?<number>[0-9]{2,5})(?:[A-Z][A-Z0-9/.-]{0,9}|[-/][A-Z0-9]{1,6})?$"
        );

    static Regex Series4000 =>
        field ??= new(
            @"^(?:CD|HEF|HCF|TC|MC1|SCL|F|MSM|UPD|BU|HD1|KK)?(?<number>4[0-9]{3,4})(?:U?B[A-Z0-9/.-]{0,6}|A[A-Z]{0,3})?$"
        );

    static Regex Array =>
        field ??= new(
            @"^(?:PAL|GAL|TIBPAL|AMPAL|PALCE|ATF|CPL|PEEL)?(?<number>(?:10|16|20|22)[LRV](?:4|6|8|10))(?:[A-Z]{0,3})"
                + @"(?:-(?<ns>[0-9]{1,2}))?(?:[A-Z][A-Z0-9/-]{0,6})?$"
        );

    static Regex Small =>
        field ??= new(
            @"^(?<maker>[A-Z]{0,4})(?<number>(?:78|79)(?<carries>[LM]?)[0-9]{2}|26LS3[12]|7518[89]|[0-9]{3,4})"
                + @"(?:[A-Z]{1,4}[0-9]{0,2})?(?:[-/][A-Z0-9.]{1,4})?$"
        );

    static Regex Crystal => field ??= new(@"(?<![A-Z0-9])(?<rate>[0-9]{1,3}(?:[.,][0-9]{1,6})?)\s?(?<unit>[KM])HZ(?![A-Z])");
}
