using System.Globalization;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>Places on a board as guides write them. Source: docs/handbook/paste.md, Acts.</summary>
static class ActPlaces
{
    const int MostPins = 400;

    /// <summary>A place: a leg as <c>U7.45</c>, another in its own words; null: the words name no place.</summary>
    public static string? Of(string text)
    {
        text = Article.Replace(text.Trim(' ', '\t', ',', '.'), "");
        if (Leg.Match(text) is { Success: true } leg)
            return $"{leg.Groups["chip"].Value}.{leg.Groups["pin"].Value}";
        return text.Length is > 0 and < 60 && Named.IsMatch(text) && !Sentence.IsMatch(text) ? text : null;
    }

    /// <summary>The same words with each leg written as <c>U7.45</c>.</summary>
    public static string InWords(string text) =>
        Of(LegIn.Replace(text, m => $"{m.Groups["chip"].Value}.{m.Groups["pin"].Value}")) ?? text;

    /// <summary>Places parted by commas and <i>and</i>; null: one of them is none.</summary>
    public static IReadOnlyList<string>? List(string text)
    {
        if (Several.Match(text) is { Success: true } m)
            return Pins(m.Groups["pins"].Value) is { } pins ? [.. pins.Select(p => $"{m.Groups["chip"].Value}.{p}")] : null;
        text = Pads.Replace(text, "$1 $2 and $1 $3");
        string[] parts = [.. Between.Split(text).Where(t => t.Trim().Length > 0)];
        string[] places = [.. parts.Select(Of).OfType<string>()];
        return places.Length > 0 && places.Length == parts.Length ? places : null;
    }

    /// <summary>Numbers of pins: <c>45, 46 and 48</c>, <c>1-4</c>; null: they do not read.</summary>
    public static IReadOnlyList<int>? Pins(string text)
    {
        var pins = new List<int>();
        foreach (Match m in Pin.Matches(text))
        {
            int first = int.Parse(m.Groups["first"].Value, CultureInfo.InvariantCulture);
            int last = m.Groups["last"].Success ? int.Parse(m.Groups["last"].Value, CultureInfo.InvariantCulture) : first;
            if (last < first || last - first >= MostPins || pins.Count > MostPins)
                return null;
            pins.AddRange(Enumerable.Range(first, last - first + 1));
        }
        return pins.Count > 0 ? pins : null;
    }

    /// <summary>It is the designator of a link.</summary>
    public static bool IsLink(string place) => Link.IsMatch(place);

    internal const string Chip = "[A-Z][A-Za-z]{0,7}[0-9]{0,4}";

    internal const string Numbers =
        "[0-9]{1,4}(?:\\s*(?:-|–|to|,\\s*and|,|and|&)\\s*(?:pins?\\s+|legs?\\s+)?[0-9]{1,4}(?![\\w.]))*";

    static Regex Article => field ??= new(@"^(?:(?:[Tt]he|a|an)\s+)+");

    static Regex Leg =>
        field ??= new(
            $@"^(?:(?i:pin|leg)\s+(?<pin>\d+)\s+(?i:of|on)\s+(?i:the\s+)?(?<chip>{Chip})|(?<chip>{Chip})"
                + $@"\s+(?i:pin|leg)\s+(?<pin>\d+)|(?<chip>[A-Z]+\d+)[.-](?<pin>\d+))$"
        );

    static Regex LegIn => field ??= new($@"\b(?:[Pp]in|[Ll]eg)\s+(?<pin>\d+)\s+(?:of|on)\s+(?:the\s+)?(?<chip>{Chip})\b");

    // A capital, or a digit behind a letter or behind the word for a place: "4 screws" is a count.
    static Regex Named => field ??= new(@"[A-Z]|[a-z]\d|\b(?:pin|pad|leg|contact|hole|via|point|link|test\spoint)\s\d");

    static Regex Sentence =>
        field ??= new(
            @"\b(?:it|its|this|that|them|is|are|until|before|after|when|both|each|all|every|to|from|between|and|with)\b",
            RegexOptions.IgnoreCase
        );

    static Regex Several =>
        field ??= new(
            $@"^(?:the\s+)?(?:pins?|legs?)\s+(?<pins>{Numbers})\s+(?:of|on)\s+(?:the\s+)?(?<chip>{Chip})"
                + $@"$|^(?<chip>{Chip})\s+(?:pins|legs)\s+(?<pins>{Numbers})$"
        );

    static Regex Pads => field ??= new(@"^(?:the\s+)?(pad|point|via|hole|contact)s\s+(\w+)\s+and\s+(\w+)$");

    static Regex Between => field ??= new(@"\s*,\s*and\s+|\s*,\s*|\s+and\s+|\s*&\s*");

    static Regex Pin => field ??= new(@"(?<first>\d{1,4})(?:\s*(?:-|–|to)\s*(?<last>\d{1,4}))?");

    static Regex Link => field ??= new(@"^(?:L|LK|J|JP|W|SJ)\d{1,3}$");
}
