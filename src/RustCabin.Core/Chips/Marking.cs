using System.Globalization;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Chips;

/// <summary>A week in which a chip was made.</summary>
public sealed record DateCode(int Year, int Week);

/// <summary>
/// One way to read a marking. <paramref name="Ns"/> is the access time, null where the marking does not say; <paramref
/// name="Score"/>, 0 to 1, is how likely this
/// reading is among all; <paramref name="Why"/> says what it rests on.
/// </summary>
public sealed record MarkingReading(ChipType Type, int? Ns, DateCode? DateCode, double Score, string Why);

/// <summary>
/// Reads what is printed on a chip: the maker's letters are dropped, the generic number gives family and organisation, the suffix
/// the speed, a group yyww the date.
/// Speed suffixes are ambiguous: every reading is given, the likeliest first. Source: docs/handbook/memory.md, Chip markings.
/// </summary>
public static partial class Marking
{
    /// <summary>All readings of a marking, the likeliest first; none where no family is found.</summary>
    public static IReadOnlyList<MarkingReading> Read(string text)
    {
        string[] tokens = [.. text.ToUpperInvariant().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)];
        var readings = new List<MarkingReading>();
        foreach ((int at, string token) in tokens.Index())
        foreach (ChipType type in ChipType.All)
        foreach (string number in type.Numbers)
            if (Split(token, number) is var (letters, suffix) && suffix is not null)
            {
                string? speed =
                    suffix.Length > 0
                        ? suffix
                        : tokens.Skip(at + 1).Take(1).FirstOrDefault(t => LooseSpeed().IsMatch(t))?.TrimStart('-');
                readings.AddRange(Readings(type, number, letters, speed, Date(tokens, at)));
            }
        double sum = readings.Sum(r => r.Score);
        return [.. readings.Select(r => r with { Score = r.Score / sum }).OrderByDescending(r => r.Score)];
    }

    /// <summary>
    /// The letters behind the number and the digits of the speed; null where the token does not hold this number by itself.
    /// </summary>
    static (string Letters, string? Suffix) Split(string token, string number)
    {
        int start = token.IndexOf(number, StringComparison.Ordinal);
        if (start < 0)
            return ("", null);
        string before = token[..start],
            after = token[(start + number.Length)..];
        // Makers put letters in front, some with a figure or two among them; a digit right before would make it another number.
        if (before.Length > 6 || (before.Length > 0 && !char.IsLetter(before[^1])))
            return ("", null);
        Match match = Behind().Match(after);
        return match.Success ? (match.Groups["letters"].Value, match.Groups["speed"].Value) : ("", null);
    }

    [GeneratedRegex(@"^(?<letters>[A-Z]{0,4})(?:[-/](?<speed>[0-9]{1,3})[A-Z]{0,3})?$")]
    private static partial Regex Behind();

    [GeneratedRegex(@"^-[0-9]{1,3}$")]
    private static partial Regex LooseSpeed();

    static IEnumerable<MarkingReading> Readings(ChipType type, string number, string letters, string? speed, DateCode? date)
    {
        double weight = type.Unusual is null ? 1 : 0.08;
        string what =
            $"{number} is {type.Family} {type.Organisation}, {type.Pins} pins"
            + (type.Supplies.Count > 1 ? $", supplies {string.Join(" ", type.Supplies)}" : "")
            + (type.Unusual is { } unusual ? $": {unusual}" : "");
        string when = date is null ? "" : $"; made in week {date.Week} of {date.Year}";
        if (string.IsNullOrEmpty(speed))
        {
            yield return new MarkingReading(type, null, date, weight, $"{what}; no speed suffix{when}");
            yield break;
        }
        foreach (
            (int ns, double share, string why) in Speeds(
                type.Family,
                number.Contains('C') || letters.Contains('C') || letters.Contains("LP", StringComparison.Ordinal),
                int.Parse(speed, CultureInfo.InvariantCulture),
                speed.Length
            )
        )
            yield return new MarkingReading(type, ns, date, weight * share, $"{what}; -{speed} {why}{when}");
    }

    /// <summary>The access times that a suffix may mean, in nanoseconds, each with its share.</summary>
    static (int Ns, double Share, string Why)[] Speeds(string family, bool cmos, int figure, int digits) =>
        (family, digits, figure) switch
        {
            (_, 3, _) => [(figure, 1, $"is {figure} ns as it stands")],
            (_, 1, <= 4 and >= 1) => [(figure * 100, 1, $"is {figure * 100} ns, in hundreds")],
            (_, 1, _) => [(figure * 10, 1, $"is {figure * 10} ns, in tens")],
            (ChipType.Eprom, 2, 45) => cmos
                ? [(45, 0.7, "is 45 ns on a CMOS part"), (450, 0.3, "would be 450 ns on an NMOS part")]
                : [(450, 0.85, "is 450 ns on an NMOS part"), (45, 0.15, "would be 45 ns on a CMOS part")],
            (ChipType.Eprom, 2, < 45) => [(figure * 10, 1, $"is {figure * 10} ns, in tens")],
            (ChipType.Sram, 2, 10 or 12 or 15 or 20 or 25 or 35) => cmos || figure is 10 or 12 or 15
                ?
                [
                    (figure * 10, 0.75, $"is {figure * 10} ns, in tens, on a common static part"),
                    (figure, 0.25, $"would be {figure} ns on a fast one"),
                ]
                :
                [
                    (figure * 10, 0.55, $"is {figure * 10} ns, in tens, on a common static part"),
                    (figure, 0.45, $"would be {figure} ns on a fast one"),
                ],
            (ChipType.Dram, 2, <= 30) => [(figure * 10, 1, $"is {figure * 10} ns, in tens")],
            _ => [(figure, 1, $"is {figure} ns as it stands")],
        };

    /// <summary>A group of four figures, yyww, that is not the number itself: years 1970 to 2030, weeks 1 to 53.</summary>
    static DateCode? Date(string[] tokens, int number)
    {
        foreach ((int i, string token) in tokens.Index())
        {
            if (i == number || token.Length != 4 || !token.All(char.IsAsciiDigit))
                continue;
            int year = int.Parse(token[..2], CultureInfo.InvariantCulture),
                week = int.Parse(token[2..], CultureInfo.InvariantCulture);
            if (week is >= 1 and <= 53 && year is >= 70 or <= 30)
                return new DateCode(year >= 70 ? 1900 + year : 2000 + year, week);
        }
        return null;
    }
}
