using System.Globalization;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>One act in words: a verb and what it is done to.</summary>
static class ActClause
{
    /// <summary>The verbs of guides, as a pattern.</summary>
    public const string Verbs =
        "lift|raise|cut|wire|connect|run|join|solder|jumper|tie|link|attach|bridge|short|close|"
        + "remove|desolder|unsolder|scrape|socket|"
        + "insulate|trim|drill|bend|isolate|file|clean|glue|tape|cover|tin|strip|straighten|mark|fit|insert|route|crimp|flux";

    const string Unclear = "the places do not read";

    /// <summary>The acts of a clause, and what of it is in doubt.</summary>
    public static (IReadOnlyList<GuideAct> Acts, string? Doubt) Of(string verb, string rest) =>
        verb switch
        {
            "lift" or "raise" => Lift(rest),
            "cut" => Cut(rest),
            "wire" or "connect" or "run" or "join" or "solder" or "jumper" or "tie" or "attach" => Wire(rest),
            "link" => To.IsMatch(rest) ? Wire(rest) : Bridge(rest),
            "bridge" or "short" or "close" => Bridge(rest),
            "remove" or "desolder" or "unsolder" => Each(Tail.Replace(rest, ""), p => new PointAct("remove", p)),
            "scrape" => Each(Mask.Replace(Tail.Replace(rest, ""), ""), p => new PointAct("scrape", p)),
            "socket" => Each(Tail.Replace(rest, ""), c => new SocketAct(c)),
            _ => Plain(verb, rest),
        };

    static (IReadOnlyList<GuideAct>, string?) Lift(string rest)
    {
        rest = Tail.Replace(rest, "");
        var legs = new List<(string Chip, int Pin)>();
        int at = 0;
        while (Legs.Match(rest, at) is { Success: true } m && m.Length > 0)
        {
            if (ActPlaces.Pins(string.Join(',', m.Groups["pins"].Captures.Select(c => c.Value))) is not { } pins)
                return ([], "the pins do not read");
            legs.AddRange(pins.Select(p => (m.Groups["chip"].Value, p)));
            at = m.Index + m.Length;
        }
        GuideAct[] acts = [.. legs.GroupBy(l => l.Chip).Select(g => new LiftAct(g.Key, [.. g.Select(l => l.Pin).Distinct()]))];
        return (acts, acts.Length == 0 ? "no leg of a chip was found" : Left(rest[at..]));
    }

    static (IReadOnlyList<GuideAct>, string?) Cut(string rest)
    {
        if (Between.Match(Tail.Replace(rest, "")) is { Success: true } m)
            return ActPlaces.Of(m.Groups["a"].Value) is { } a && ActPlaces.Of(m.Groups["b"].Value) is { } b
                ? ([new CutAct([a, b])], null)
                : ([], Unclear);
        return Plain("cut", Trace.Replace(rest, ""));
    }

    static (IReadOnlyList<GuideAct>, string?) Wire(string rest)
    {
        decimal? mm = null;
        if (Length.Match(rest) is { Success: true } length)
        {
            decimal many = decimal.Parse(length.Groups["many"].Value, CultureInfo.InvariantCulture);
            mm = length.Groups["unit"].Value switch
            {
                "mm" => many,
                "cm" => many * 10,
                _ => many * 25.4m,
            };
            rest = rest.Remove(length.Index, length.Length);
        }
        string? colour = null;
        if (Colour.Match(rest) is { Success: true } found)
        {
            colour = found.Groups["colour"].Value.ToLowerInvariant();
            rest = rest.Remove(found.Index, found.Length);
        }
        rest = Tail.Replace(Noise.Replace(rest.Trim(' ', ','), "").Trim(' ', ','), "").Trim(' ', ',');
        string[] ends = [.. To.Split(rest)];
        if (ends.Length == 1 && ActPlaces.List(rest) is [var one, var other])
            return ([new WireAct(one, other, mm, colour)], null);
        if (ends.Length < 2 || ends.Select(ActPlaces.List).ToArray() is not { } places || places.Contains(null))
            return ([], Unclear);
        var wires = new List<GuideAct>();
        for (int i = 0; i + 1 < places.Length; i++)
        {
            if (places[i]!.Count > 1 && places[i + 1]!.Count > 1)
                return ([], "which of them are joined is not said");
            wires.AddRange(places[i]!.SelectMany(a => places[i + 1]!.Select(b => new WireAct(a, b, mm, colour))));
        }
        return (wires, wires.Count > 1 && mm is not null ? "which wire has that length is not said" : null);
    }

    static (IReadOnlyList<GuideAct>, string?) Bridge(string rest)
    {
        rest = Blob.Replace(Tail.Replace(rest, ""), "");
        IReadOnlyList<string>? places =
            To.Split(rest) is [var a, var b] && ActPlaces.Of(a) is { } one && ActPlaces.Of(b) is { } other
                ? [one, other]
                : ActPlaces.List(rest);
        return places switch
        {
            null => ([], Unclear),
            _ when places.All(ActPlaces.IsLink) => ([.. places.Select(p => new PointAct("link", p))], null),
            [var point] => ([new PointAct("link", point)], null),
            [var from, var to] => ([new WireAct(from, to, null, null)], null),
            _ => ([], "more than two places are bridged"),
        };
    }

    /// <summary>The same act at each place of a list.</summary>
    static (IReadOnlyList<GuideAct>, string?) Each(string rest, Func<string, GuideAct> act) =>
        ActPlaces.List(rest) is { } places ? ([.. places.Select(act)], null) : ([], Unclear);

    static (IReadOnlyList<GuideAct>, string?) Plain(string verb, string rest)
    {
        string where = Article.Replace(rest, "").Trim(' ', ',');
        where = ActPlaces.InWords(where);
        return Place.IsMatch(where) ? ([new PlainAct(verb, where)], null) : ([], "it names no place");
    }

    /// <summary>What is left of a clause is a remark where it is plain words.</summary>
    static string? Left(string rest) =>
        rest.Any(c => char.IsUpper(c) || char.IsAsciiDigit(c)) || rest.Trim(' ', ',') == "and"
            ? "what follows was not read"
            : null;

    public const string Colours = "red|black|blue|green|yellow|white|orange|brown|grey|gray|violet|purple|pink|turquoise";

    static Regex Legs =>
        field ??= new(
            $@"\G\s*(?:,\s*and\b|,|(?i:and)\b|&)?\s*(?:(?:the\s+)?(?i:pins?|legs?)\s+(?<pins>{ActPlaces.Numbers})"
                + $@"\s+(?i:of|on)\s+(?i:the\s+)?(?<chip>{ActPlaces.Chip})|(?<chip>{ActPlaces.Chip})\s+(?i:pins?|"
                + $@"legs?)\s+(?<pins>{ActPlaces.Numbers})|(?<chip>[A-Z]+\d+)[.-](?<pins>\d{"{1,4}"}(?:\s*(?:,\s*and|"
                + $@",|and|&)\s*\d{"{1,4}"}(?![\w.-]))*))(?:\s+and\s+(?<pins>\d+(?:\s*(?:,|and)\s*\d+)*)(?![\w.-])"
                + $@"(?=$))?"
        );

    static Regex Between =>
        field ??= new(
            @"^(?:the\s+)?(?:(?:traces?|tracks?|copper|connection|foil|line)\s+)?(?:between\s+(?<a>.+?)"
                + @"\s+and\s+(?<b>.+)|from\s+(?<a>.+?)\s+to\s+(?<b>.+))$",
            RegexOptions.IgnoreCase
        );

    static Regex Trace => field ??= new(@"^(?:the\s+)?(?:(?:traces?|tracks?|copper|foil)\s+)?at\s+", RegexOptions.IgnoreCase);

    static Regex Length =>
        field ??= new(
            @"(?:,\s*|\bwith\s+|\babout\s+|\ba(?:n)?\s+)*(?<![\w.])(?<many>\d{1,4}(?:\.\d+)?)\s?(?<unit>mm|"
                + @"cm|inch(?:es)?|in\b|"")(?:\s+(?:long|of)\b)?"
        );

    static Regex Colour =>
        field ??= new(
            $@"(?:,\s*|\bwith\s+|\bin\s+|\busing\s+)*(?:\b(?:a|an|the)\s+)?(?<![\w])(?<colour>{Colours})"
                + $@"(?![\w])(?:\s+(?:wire|lead|one))?",
            RegexOptions.IgnoreCase
        );

    static Regex Noise =>
        field ??= new(
            @"^(?:(?:a|an|[Tt]he|short|long|thin|thick|piece|length|of|wire|lead|jumper|insulated|[Ff]rom|between)\s+)+"
        );

    static Regex To => field ??= new(@"\s+(?:to|TO|with)\s+|\s*(?:->|→)\s*");

    // Plain words at the end say how it is done.
    static Regex Tail =>
        field ??= new(
            @"(?:,?\s+(?:from|with|using|by|off|out|clear|up|upwards|so|carefully|gently|well|completely|"
                + @"fully|under|for|on|in|through|as)\b(?:\s+[a-z][a-z'-]*)*|\s+(?:wire|lead))$"
        );

    static Regex Mask =>
        field ??= new(
            @"^(?:the\s+)?(?:solder\s+)?(?:(?:mask|resist|lacquer|coating)\s+)?(?:(?:at|off|from|over|on|around|of)\s+)?",
            RegexOptions.IgnoreCase
        );

    static Regex Blob =>
        field ??= new(@"^(?:the\s+)?(?:(?:solder\s+)?(?:links?|jumpers?|bridges?)\s+)?", RegexOptions.IgnoreCase);

    static Regex Article => field ??= new(@"^(?:(?:the|a|an)\s+)+", RegexOptions.IgnoreCase);

    static Regex Place => field ??= new("[A-Z0-9]");
}
