using System.Globalization;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>A leg of a device and the net on it.</summary>
public sealed record PastedLeg(int Leg, string Net);

/// <summary>A contact of a connector and the net on it.</summary>
public sealed record PastedContact(int Contact, string Net);

/// <summary>Legs of devices and contacts of connectors. Source: docs/handbook/paste.md, Pinouts and contacts.</summary>
static class PinoutPaste
{
    const int MostLegs = 1_000;

    /// <summary>Reads a text as the legs of a device: one or two pairs of a number and a name a line.</summary>
    public static IReadOnlyList<PastedLine> Pinout(IReadOnlyList<TextLine> lines)
    {
        var seen = new Dictionary<int, string>();
        return
        [
            .. lines.Select(line =>
            {
                if (line.IsHeading)
                {
                    seen.Clear();
                    return line.Heading;
                }
                return line.ReadBy(l =>
                {
                    (var pairs, string? doubt) = Pairs(l.Trimmed, 2);
                    return pairs.Count == 0
                        ? l.Unread(doubt ?? "no leg with a name was found")
                        : l.Reads([.. pairs.Select(p => new PastedLeg(p.Number, p.Net))], doubt, Twice(seen, pairs, "leg"));
                });
            }),
        ];
    }

    /// <summary>Reads a text as the contacts of a connector: as pairs, or names in order from 1 on each line.</summary>
    public static IReadOnlyList<PastedLine> Contacts(IReadOnlyList<TextLine> lines) =>
        TextLine.Each(
            lines,
            line =>
            {
                string text = Designator.Replace(line.Trimmed, "");
                if (text.Split(Blank, StringSplitOptions.RemoveEmptyEntries).Any(w => NumberOf(w) is not null))
                {
                    (var pairs, string? doubt) = Pairs(text, int.MaxValue);
                    return pairs.Count == 0
                        ? line.Unread(doubt ?? "no contact with a name was found")
                        : line.Reads(
                            [.. pairs.Select(p => new PastedContact(p.Number, p.Net))],
                            doubt,
                            Twice([], pairs, "contact")
                        );
                }
                return InOrder(line, text);
            }
        );

    static readonly char[] Blank = [' ', '\t', ',', '|', ':', '='];

    static PastedLine InOrder(TextLine line, string text)
    {
        text = text.Trim(' ', '\t', '|').TrimEnd(',', '.', ';');
        string[] names = text.Contains(',')
            ? [.. text.Split(',').Select(n => n.Trim())]
            : text.Split([' ', '\t', '|'], StringSplitOptions.RemoveEmptyEntries);
        bool words = !text.Contains(',') && names.Any(n => n.All(char.IsLower));
        return line.Reads(
            [.. names.Index().Where(n => n.Item.Length > 0).Select(n => new PastedContact(n.Index + 1, Net(n.Item)))],
            words ? "it may be words, not names" : null,
            names.Any(n => n.Length == 0) ? "a field between commas is empty" : null,
            names.FirstOrDefault(n => n.Length > 0 && !NetLike.IsMatch(n)) is { } odd ? $"\"{odd}\" may be no name" : null
        );
    }

    static string? Twice(Dictionary<int, string> seen, IReadOnlyList<(int Number, string Net)> pairs, string what)
    {
        string? doubt = null;
        foreach ((int number, string net) in pairs)
            if (!seen.TryAdd(number, net) && seen[number] != net)
                doubt = $"{what} {number} is {seen[number]} elsewhere";
        return doubt;
    }

    /// <summary>Pairs of a number and a name, in any order; what follows them is a remark.</summary>
    static (IReadOnlyList<(int Number, string Net)> Pairs, string? Doubt) Pairs(string text, int most)
    {
        string[] words =
        [
            .. text.Split([' ', '\t', '|', ',', ';', '=', ':'], StringSplitOptions.RemoveEmptyEntries)
                .SelectMany(Parted)
                .Where(w => !Filler.IsMatch(w)),
        ];
        var pairs = new List<(int, string)>();
        int at = 0;
        for (; at + 1 < words.Length && pairs.Count < most; at += 2)
        {
            (string a, string b) = (words[at], words[at + 1]);
            (int? left, int? right) = (NumberOf(a), NumberOf(b));
            if (left is null == right is null || !IsNet(left is null ? a : b))
                break;
            string net = left is null ? a : b;
            // A second pair whose name is a plain word belongs to a remark: "3 A7 see leg 5 below".
            if (pairs.Count > 0 && net.All(char.IsLower))
                break;
            pairs.Add((left ?? right!.Value, Net(net)));
        }
        string? doubt =
            at < words.Length && pairs.Count > 0 && IsLeft(words, at) ? "what follows was not read"
            : at < words.Length && Loud.IsMatch(words[at]) ? "the name may go on"
            : null;
        return (pairs, doubt);
    }

    /// <summary>What is left may be one more pair that was not understood.</summary>
    static bool IsLeft(string[] words, int at) =>
        words.Skip(at).Take(2).Any(w => NumberOf(w) is not null) && !words.Skip(at).Take(2).Any(w => w.All(char.IsLower));

    /// <summary>A hyphen between a number and a letter parts the two: <c>1-A15</c>.</summary>
    static IEnumerable<string> Parted(string word) =>
        Joined.Match(word) is { Success: true } m ? [m.Groups["a"].Value, m.Groups["b"].Value] : [word];

    static int? NumberOf(string word) =>
        int.TryParse(word.TrimEnd('.', ')'), NumberStyles.None, CultureInfo.InvariantCulture, out int number)
        && number is > 0 and <= MostLegs
            ? number
            : null;

    static bool IsNet(string word) => word.Any(char.IsLetterOrDigit) && !word.Contains('(');

    /// <summary>
    /// A net's name in the one way in which it is written here: active low <c>/CE</c>, not connected <c>n</c>. A name with a
    /// slash inside stays as it is.
    /// </summary>
    public static string Net(string name)
    {
        if (None.IsMatch(name))
            return "n";
        return Low.Match(name) is { Success: true } low ? $"/{low.Groups["net"].Value}" : name;
    }

    static Regex NetLike => field ??= new(@"^(?:[/!~+-]?[A-Za-z][\w/+.#*-]{0,15}|[+-]?\d{1,2}(?:\.\d)?V?)$");

    static Regex None => field ??= new(@"^(?:NC|N/C|n\.c\.|N\.C\.)$", RegexOptions.IgnoreCase);

    // The marks of active low stand at the ends of the whole name; "-5V" is a volt, "nCE" is low only before capitals.
    static Regex Low =>
        field ??= new(
            @"^(?:[/!~](?<net>[^/#*]+?)(?:_[Nn]|[#*])?|-(?<net>[^\d/#*.][^/#*]*?)(?:_[Nn]|[#*])?|n(?<net>[A-Z][A-Z0-9]*)"
                + @"|(?<net>[^/#*]+)[#*/]|(?<net>[^/#*]+)_[Nn])$"
        );

    static Regex Joined =>
        field ??= new(@"^(?:(?<a>\d{1,3})-(?<b>[A-Za-z/].*)|(?<a>[A-Za-z/](?:[\w/]*[A-Za-z])?)-(?<b>\d{1,3}))$");

    static Regex Filler => field ??= new("^(?:pins?|legs?|contacts?|no|nr|[-–—>]+)\\.?$", RegexOptions.IgnoreCase);

    static Regex Loud => field ??= new("^[A-Z]{2,}$");

    static Regex Designator => field ??= new(@"^[A-Za-z]{1,3}\d{1,3}\s*:\s*");
}
