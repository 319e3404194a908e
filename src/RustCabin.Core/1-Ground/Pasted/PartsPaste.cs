using System.Globalization;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>A line of a bill of materials.</summary>
/// <param name="Count">How many.</param>
/// <param name="What">A marking or a value, as printed.</param>
/// <param name="Refs">Where they go, ranges written out.</param>
/// <param name="Price">Of one; null: not said.</param>
public sealed record PastedPart(int Count, string What, IReadOnlyList<string> Refs, decimal? Price);

/// <summary>Bills of materials and price lists. Source: docs/handbook/paste.md, Parts.</summary>
static class PartsPaste
{
    const int MostRefs = 500;

    /// <summary>Reads a text as a bill of materials.</summary>
    public static IReadOnlyList<PastedLine> Read(IReadOnlyList<TextLine> lines) => TextLine.Each(lines, Of);

    /// <summary>A line counts pieces or names places on a board: it is no line of pins.</summary>
    public static bool Counts(string text) => Many.IsMatch(text) || Refs.IsMatch(text);

    static PastedLine Of(TextLine line)
    {
        string text = IsCommas(line.Text) ? line.Text.Replace(",", " | ") : line.Text;
        string? doubt = Condition.IsMatch(text) ? "it holds under a condition" : null;
        (decimal? price, text) = Price(text);
        (IReadOnlyList<string>? refs, text) = Places(text);
        if (refs is null)
            return line.Unread("a range of places cannot be counted");
        (int? said, text) = Count(text, refs.Count, ref doubt);
        string what = TextLine.Single(Hollow.Replace(text, " "), " \t,;:|=@*-–");
        if (said is null && refs.Count == 0)
            return line.Unread("neither a count nor places are said");
        if (what.Length == 0)
            return line.Unread("what it is is not said");
        return line.Reads(
            [new PastedPart(said ?? refs.Count, what, refs, price)],
            doubt,
            said is { } count && refs.Count > 0 && count != refs.Count
                ? $"{count} are said, {refs.Count} places are named"
                : null,
            Half.IsMatch(what) ? "a range of places was not read" : null
        );
    }

    /// <summary>Its columns are parted by commas without blanks, and are more than a list of places.</summary>
    static bool IsCommas(string text) =>
        !text.Contains(", ")
        && text.Split(',') is { Length: > 2 } fields
        && fields.Count(f => f.Length == 0 || Refs.Replace(f, "").Trim().Length > 0) > 1;

    /// <summary>The last money on a line: with a currency, or of two decimals without a unit behind.</summary>
    static (decimal? Price, string Left) Price(string text)
    {
        Match? last = Money.Matches(text).LastOrDefault();
        if (last is null)
            return (null, text);
        string digits = last.Groups["amount"].Value;
        // Where both stand, the last of the two is the decimal sign.
        digits =
            digits.LastIndexOf(',') > digits.LastIndexOf('.')
                ? digits.Replace(".", "").Replace(',', '.')
                : digits.Replace(",", "");
        return decimal.TryParse(digits, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out decimal price)
            ? (price, Each.Replace($"{text[..last.Index]} \u0001 {text[(last.Index + last.Length)..]}", " "))
            : (null, text);
    }

    /// <summary>The places on a board, ranges written out; null: a range has no sense.</summary>
    static (IReadOnlyList<string>? Refs, string Left) Places(string text)
    {
        var refs = new List<string>();
        foreach (Match m in Refs.Matches(text))
        {
            string prefix = m.Groups["prefix"].Value;
            int first = int.Parse(m.Groups["first"].Value, CultureInfo.InvariantCulture);
            if (!m.Groups["last"].Success)
            {
                refs.Add(prefix + m.Groups["first"].Value);
                continue;
            }
            int last = int.Parse(m.Groups["last"].Value, CultureInfo.InvariantCulture);
            if (last < first || last - first >= MostRefs || refs.Count > MostRefs)
                return (null, text);
            refs.AddRange(Enumerable.Range(first, last - first + 1).Select(n => prefix + n));
        }
        return (refs, Refs.Replace(text, "\u0002"));
    }

    /// <summary>How many are said: <c>8x</c>, <c>8 pcs</c>, or a whole number in a column of its own.</summary>
    static (int? Count, string Left) Count(string text, int refs, ref string? doubt)
    {
        if (OwnTimes.Match(text) is { Success: true } own && own.Groups["count"].Value == $"{refs}")
            return (refs, Cut(text, own.Groups["all"]));
        if (Times.Match(text) is { Success: true } times)
            return (int.Parse(times.Groups["count"].Value, CultureInfo.InvariantCulture), Cut(text, times.Groups["all"]));
        Match[] alone = [.. Alone.Matches(text).Where(m => m.Length < 6)];
        if (alone.Length == 0)
            return (null, text);
        // Where places are named, the number that counts them is the count; else the first one, and a marking has four digits.
        Match chosen =
            alone.FirstOrDefault(m => refs > 0 && m.Groups["count"].Value == $"{refs}")
            ?? alone.FirstOrDefault(m => m.Groups["count"].Length < 4)
            ?? alone[0];
        bool only = Hollow.Replace(Cut(text, chosen.Groups["count"]), " ").Trim(" \t,;:|=@*-–".ToCharArray()).Length == 0;
        if (only)
            return (null, text);
        if (alone.Count(m => m.Groups["count"].Length < 4) > 1 && chosen.Groups["count"].Value != $"{refs}")
            doubt ??= "more than one number may be the count";
        if (chosen.Groups["tail"].Success && refs == 0)
            doubt ??= "the number at the end may be a value";
        return (int.Parse(chosen.Groups["count"].Value, CultureInfo.InvariantCulture), Cut(text, chosen.Groups["count"]));
    }

    static string Cut(string text, Group group) => $"{text[..group.Index]} {text[(group.Index + group.Length)..]}";

    const string Currency = "€|\\$|£|¥|EUR|USD|GBP|CHF|SEK|NOK|DKK|kr\\.?|zł";

    const string Unit = "(?:[munpkM]?(?:m|V|A|W|F|H|Hz|s|B|R|ohms?|Ω)|inch|in|%|\")(?!\\w)";

    static Regex Money =>
        field ??= new(
            $@"(?<![\w.,])(?:(?:{Currency})\s?(?<amount>\d{"{1,6}"}(?:[.,]\d+)*)|(?<amount>\d{"{1,6}"}(?:[.,]\d+)"
                + $@"*)\s?(?:{Currency})(?!\w)|(?<amount>\d{"{1,3}"}(?:,\d{"{3}"})+\.\d\d|\d{"{1,6}"}[.,]\d\d)"
                + $@"(?![\w.,]\d|\d|\s*{Unit}|\w))"
        );

    // "each", "a piece" and "@" belong to the price beside them.
    static Regex Each =>
        field ??= new(
            @"(?:(?:@|at|à)\s*)?\u0001" + @"(?:\s*(?:each|ea\.?|a piece|per piece|/\s?pc|pp)(?!\w))?",
            RegexOptions.IgnoreCase
        );

    static Regex Refs =>
        field ??= new(
            @"(?<!\w)(?<prefix>CN|FB|IC|JP|RN|SW|TP|C|D|F|J|K|L|P|Q|R|S|U|X|Y)(?<first>\d{1,3})(?:\s?(?:-|"
                + @"–|\.\.|to)\s?\k<prefix>(?<last>\d{1,3}))?(?![\w-])"
        );

    static Regex Times =>
        field ??= new(
            @"(?<!\w)(?<all>(?<count>\d{1,5})\s?(?:[x×](?=\s|\s?[A-Z0-9]|$)|(?:pcs?|pieces?|off|times)\b\.?)"
                + @")(?!\s?\d\b(?=\s*(?:DRAM|SRAM)))",
            RegexOptions.IgnoreCase
        );

    // "x4" in a column of its own; beside a size it would be an organisation.
    static Regex OwnTimes =>
        field ??= new(@"(?:^|\t|\s\s|[|,;])\s*(?<all>[x×]\s?(?<count>\d{1,4}))(?=\s*(?:$|\t|\s\s|[|,;\u0001\u0002]))");

    static Regex Many => field ??= new(@"(?<!\w)(?:\d*\s?[x×]|pcs)(?!\w)", RegexOptions.IgnoreCase);

    // A column of its own: at the beginning of a line before a word that is no unit, between gaps, or at its end.
    static Regex Alone =>
        field ??= new(
            $@"^\s*(?<count>\d{"{1,5}"})(?=\s+(?!{Unit}|[kKMGnpuµ]\b)\S)|(?<=(?:\t|\s\s|[|,;])\s*)(?<count>\d{"{1,5}"})"
                + $@"(?=\s*(?:\t|\s\s|[|,;\u0001\u0002]|$))|(?<=\S\s)(?<count>(?<tail>\d{"{1,5}"}))\s*$"
        );

    static Regex Half => field ??= new(@"(?<!\w)[A-Z]{1,2}\d{1,3}-\d{1,3}(?!\w)");

    static Regex Condition => field ??= new(@"\b(?:if|unless|not|optional|instead)\b", RegexOptions.IgnoreCase);

    static Regex Hollow => field ??= new(@"[\u0001\u0002]|[(\[][\s,;\u0001\u0002]*[)\]]|\|");
}
