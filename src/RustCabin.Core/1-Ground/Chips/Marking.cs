using System.Globalization;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Chips;

/// <summary>A week in which a chip was made.</summary>
public sealed record DateCode(int Year, int Week);

/// <summary>
/// One way to read a marking. <paramref name="Ns"/> is the access time, null where the marking does not say; <paramref
/// name="Score"/>, 0 to 1, is how likely this reading is among all; <paramref name="Why"/> says what it rests on.
/// </summary>
public sealed record MarkingReading(ChipType Type, int? Ns, DateCode? DateCode, double Score, string Why);

/// <summary>
/// Reads what is printed on a chip: the maker's letters are dropped, the number gives family and organisation, the suffix the
/// speed, a group yyww the date. Numbers and the coding of their speeds stand in one table (chip-markings.json), and on part
/// sheets. Every reading is given, the likeliest first. Source: docs/handbook/memory.md, Chip markings.
/// </summary>
public static class Marking
{
    /// <summary>All readings of a marking, the likeliest first; none where no family is found.</summary>
    /// <param name="text">What is printed, with blanks between its groups.</param>
    /// <param name="own">Numbers that part sheets of the cabin say.</param>
    public static IReadOnlyList<MarkingReading> Read(string text, IEnumerable<MarkedNumber>? own = null)
    {
        string[] tokens = [.. text.ToUpperInvariant().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)];
        ChipNumber[] numbers = [.. (own ?? []).Select(ChipNumber.Of), .. ChipNumber.All];
        var found = new List<(ChipNumber Number, int At, string Speed)>();
        foreach ((int at, string token) in tokens.Index())
        foreach (ChipNumber number in numbers)
            if (Split(token, number.Number) is { } speed)
                found.Add((number, at, speed));
        // 4256 also stands in 4C4256: the longer number is the one that is printed.
        int longest = found.Select(f => f.Number.Number.Length).DefaultIfEmpty(0).Max();
        var readings = new List<MarkingReading>();
        foreach ((ChipNumber number, int at, string suffix) in found.Where(f => f.Number.Number.Length == longest))
        {
            string? loose =
                tokens.ElementAtOrDefault(at + 1) is { } next && LooseSpeed.Match(next) is { Success: true } match
                    ? match.Groups["speed"].Value
                    : null;
            readings.AddRange(Readings(number, suffix.Length > 0 ? suffix : loose ?? "", Date(tokens, at)));
        }
        double sum = readings.Sum(r => r.Score);
        return [.. readings.Select(r => r with { Score = r.Score / sum }).OrderByDescending(r => r.Score)];
    }

    /// <summary>The reading of a marking that nothing doubts; null: there is none.</summary>
    public static MarkingReading? Sure(string text) => Read(text).FirstOrDefault(r => r.Score >= 0.95);

    /// <summary>
    /// The figures of the speed behind the number, empty where there are none; null where the token does not hold this number by
    /// itself.
    /// </summary>
    static string? Split(string token, string number)
    {
        int start = token.IndexOf(number, StringComparison.Ordinal);
        if (start < 0)
            return null;
        string before = token[..start],
            after = token[(start + number.Length)..];
        // Makers put letters in front, some with a figure or two among them; a digit right before would make it another number.
        if (before.Length > 6 || (before.Length > 0 && !char.IsLetter(before[^1])))
            return null;
        if (number.Length < 4 && before.Any(char.IsDigit))
            return null;
        // Figures and a letter right before belong to the number: what is known of its end says nothing of the whole.
        if (before.Length > 1 && char.IsDigit(before[^2]) && before[^1] is 'C' or 'L')
            return null;
        return Behind.Match(after) is { Success: true } match ? match.Groups["speed"].Value : null;
    }

    /// <summary>
    /// Behind the number: letters of package and version; the speed, with a dash, or right behind the letters; then package and
    /// temperature, with figures or a slash among them.
    /// </summary>
    static Regex Behind =>
        field ??= new(
            @"^(?<letters>[A-Z]{0,6})(?:(?:[-/](?:[A-Z]{2}(?=[0-9]{2}$))?|(?<=[A-Z]))(?<speed>[0-9]{1,3})"
                + @"(?![0-9]))?(?<rest>(?:[A-Z/-][A-Z0-9/.-]{0,10})?)$"
        );

    static Regex LooseSpeed => field ??= new(@"^-?(?<speed>[0-9]{2,3})(?:NS|[A-Z]{0,2})$");

    static IEnumerable<MarkingReading> Readings(ChipNumber number, string speed, DateCode? date)
    {
        ChipType type = number.Type;
        double weight = type.Unusual is null ? 1 : 0.08;
        string what =
            $"{number.Number} is {type.Family} {type.Organisation}, {type.Pins} pins"
            + (type.Supplies.Count > 1 ? $", supplies {string.Join(" ", type.Supplies)}" : "")
            + (type.Unusual is { } unusual ? $": {unusual}" : "");
        string when = date is null ? "" : $"; made in week {date.Week} of {date.Year}";
        if (speed.Length == 0)
            yield return new MarkingReading(type, null, date, weight, $"{what}; no speed suffix{when}");
        else if (number.Speeds.TryGetValue(speed, out IReadOnlyList<CodedSpeed>? coded))
            foreach (CodedSpeed one in coded)
                yield return new MarkingReading(
                    type,
                    one.Ns,
                    date,
                    weight * one.Share,
                    $"{what}; -{speed} {(one.Share < 0.5 ? "may be" : "is")} {one.Ns} ns by the table of this number{when}"
                );
        else if (number.Stated && speed.Length > 1)
            yield return new MarkingReading(
                type,
                int.Parse(speed, CultureInfo.InvariantCulture),
                date,
                weight,
                $"{what}; -{speed} is {speed} ns as it stands{when}"
            );
        else
            yield return new MarkingReading(
                type,
                null,
                date,
                weight,
                $"{what}; -{speed} is a grade that the table does not have{when}"
            );
    }

    /// <summary>A group of four figures, yyww, that is not the number itself: years 1970 to 2030, weeks 1 to 53.</summary>
    static DateCode? Date(string[] tokens, int number)
    {
        foreach ((int i, string token) in tokens.Index())
        {
            if (i == number || DateGroup.Match(token) is not { Success: true } match)
                continue;
            int year = int.Parse(match.Groups["year"].Value, CultureInfo.InvariantCulture),
                week = int.Parse(match.Groups["week"].Value, CultureInfo.InvariantCulture);
            if (week is >= 1 and <= 53 && year is >= 70 or <= 30)
                return new DateCode(year >= 70 ? 1900 + year : 2000 + year, week);
        }
        return null;
    }

    static Regex DateGroup => field ??= new(@"^[A-Z]?(?<year>[0-9]{2})-?(?<week>[0-9]{2})[A-Z]{0,2}$");
}
