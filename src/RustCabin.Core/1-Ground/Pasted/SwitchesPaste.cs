using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>What switches in some positions mean.</summary>
/// <param name="Positions">By switch: <c>closed</c>, <c>open</c>, or the position as it is printed.</param>
/// <param name="Means">What the text says it does; null: nothing.</param>
/// <param name="Size">The memory that it says, in bytes; null: none.</param>
/// <param name="At">The address that it says; null: none.</param>
public sealed record PastedSetting(IReadOnlyDictionary<string, string> Positions, string? Means, ulong? Size, ulong? At);

/// <summary>Tables of switches and jumpers. Source: docs/handbook/paste.md, Switches.</summary>
static class SwitchesPaste
{
    const string Closed = "closed",
        Open = "open";

    /// <summary>Settings of a line before the base of the text is known.</summary>
    sealed record Found(IReadOnlyDictionary<string, string> Positions, string? Means);

    /// <summary>Reads a text as a table of switches.</summary>
    /// <param name="lines">Its lines.</param>
    /// <param name="bits">The address lines of the machine; null: not known.</param>
    public static IReadOnlyList<PastedLine> Read(IReadOnlyList<TextLine> lines, int? bits)
    {
        var found = new (IReadOnlyList<Found> Settings, string? Doubt)?[lines.Count];
        string[] columns = [];
        for (int i = 0; i < lines.Count; i++)
            if (NamesOf(lines[i]) is { Length: > 0 } names)
                columns = names;
            else if (!lines[i].IsHeading)
                found[i] = Row(lines[i], columns) ?? new SwitchLine(lines[i].Trimmed).Read();
        bool hex = NumberBase.IsHex(
            [.. found.SelectMany(f => f?.Settings ?? []).Select(s => AddressIn(s.Means)).OfType<PastedNumber>()],
            bits
        );
        return
        [
            .. lines.Select(
                (line, i) =>
                    found[i] is not { } row
                        ? line.Heading
                        : line.ReadBy(l =>
                            l.Reads(
                                [.. row.Settings.Select(s => Told(s, hex))],
                                row.Doubt,
                                row.Settings.Count == 0 ? "no switch with a position was found" : null,
                                row.Settings.Any(s => s.Means is null) ? "it does not say what that means" : null
                            )
                        )
            ),
        ];
    }

    static PastedSetting Told(Found found, bool hex)
    {
        IReadOnlyList<PastedSize> sizes = PastedSize.On(found.Means ?? "");
        return new PastedSetting(
            found.Positions,
            found.Means,
            sizes.Count > 0 ? sizes[0].Bytes : null,
            AddressIn(found.Means)?.Value(hex)
        );
    }

    /// <summary>A number with a mark, or behind <i>at</i>, <i>base</i>, <i>from</i>, that is no count of something.</summary>
    static PastedNumber? AddressIn(string? means)
    {
        if (means is null)
            return null;
        IReadOnlyList<PastedSize> sizes = PastedSize.On(means);
        foreach (PastedNumber n in PastedNumber.On(means))
            if (
                !sizes.Any(s => n.At < s.At + s.Length && s.At < n.End)
                && !Unit.IsMatch(means[n.End..])
                && (n.IsMarked || (Before.IsMatch(means[..n.At]) && n.Digits.Any(char.IsAsciiDigit)))
            )
                return n;
        return null;
    }

    /// <summary>The switches that a heading over columns names, from the left; empty: it is no such heading.</summary>
    static string[] NamesOf(TextLine line)
    {
        string[] words = [.. Word.Matches(line.Trimmed).Select(m => m.Value)];
        if (words.Length == 0 || !words.Any(SwitchLine.IsName))
            return [];
        // A row of numbers behind one name counts its keys: SW1 1 2 3 4.
        if (SwitchLine.IsName(words[0]) && words.Length > 2 && words.Skip(1).TakeWhile(IsKey).Count() is > 1 and var keys)
            return IsColumns(words.Skip(1 + keys)) ? [.. words.Skip(1).Take(keys).Select(k => $"{words[0]}-{k}")] : [];
        string[] others = [.. words.Where(w => !SwitchLine.IsName(w))];
        return others.Length + 1 == words.Length
            ? others.All(w => new TextLine(0, w).IsOfColumns)
                ? [SwitchLine.Named(words[0])]
                : []
            : IsColumns(others)
                ? [.. words.Where(SwitchLine.IsName).Select(SwitchLine.Named)]
                : [];
    }

    // What the last column is called may be any few words, but for a position.
    static bool IsColumns(IEnumerable<string> words) =>
        words.All(w => new TextLine(0, w).IsOfColumns)
        || (words.Count() < 4 && words.All(w => !w.Any(char.IsAsciiDigit) && SwitchLine.StateOf(w) is null));

    static bool IsKey(string word) => word.Length < 3 && word.All(char.IsAsciiDigit) && word != "0";

    /// <summary>A row under a heading that names switches: so many positions, then what they mean. Null: it is none.</summary>
    static (IReadOnlyList<Found>, string?)? Row(TextLine line, string[] columns)
    {
        if (columns.Length == 0)
            return null;
        var positions = new Dictionary<string, string>();
        int end = 0;
        foreach (Match word in Word.Matches(line.Text))
        {
            if (positions.Count == columns.Length || SwitchLine.StateOf(word.Value) is not { } state)
                break;
            positions[columns[positions.Count]] = state;
            end = word.Index + word.Length;
        }
        if (positions.Count == 0)
            return null;
        string means = line.Text[end..].Trim(SwitchLine.Around);
        return (
            [new Found(positions, means.Length > 0 ? means : null)],
            positions.Count < columns.Length ? $"{positions.Count} of {columns.Length} positions were found" : null
        );
    }

    /// <summary>A line of switches, each with its position, and what they mean.</summary>
    sealed class SwitchLine(string text)
    {
        internal static readonly char[] Around = " \t,;:=|.-–>".ToCharArray();

        readonly List<Found> _found = [];
        Dictionary<string, string> _now = [];
        string? _name;
        string _row = "";
        int _at;
        string? _doubt;

        /// <summary>Reads it from the left: settings gather until what they mean is said.</summary>
        public (IReadOnlyList<Found>, string?) Read()
        {
            if (Conditional.IsMatch(text))
                _doubt = "it holds under a condition, or not at all";
            if (Lead.Match(text) is { Success: true } lead)
                _at = lead.Length;
            while (_at < text.Length)
                if (!TakeSetting() && !TakeMeaning())
                    break;
            if (_now.Count > 0)
                _found.Add(new Found(_now, null));
            return (_found, _doubt);
        }

        /// <summary>Takes a switch and its position, or one more position of the same switch.</summary>
        bool TakeSetting()
        {
            if (
                Setting.Match(text, _at) is { Success: true } m
                && m.Index == _at
                && StateOf(m.Groups["state"].Value) is { } state
            )
            {
                _row = m.Groups["key"].Success ? m.Groups["name"].Value : "";
                _name = Named(m.Groups["name"].Value + (m.Groups["key"].Success ? "-" + m.Groups["key"].Value : ""));
                return Took(m, state);
            }
            if (
                _row.Length > 0
                && Key.Match(text, _at) is { Success: true } key
                && StateOf(key.Groups["state"].Value) is { } also
            )
            {
                _name = $"{_row}-{key.Groups["key"].Value}";
                return Took(key, also);
            }
            if (_name is null || _found.Count == 0 || _now.Count > 0)
                return false;
            m = Alone.Match(text, _at);
            return m.Success && m.Index == _at && StateOf(m.Groups["state"].Value) is { } again && Took(m, again);
        }

        bool Took(Match m, string state)
        {
            if (!_now.TryAdd(_name!, state))
                _doubt = $"{_name} stands in two positions at once";
            _at = m.Index + m.Length;
            return true;
        }

        /// <summary>Takes what the settings so far mean: all up to the next setting.</summary>
        bool TakeMeaning()
        {
            if (_now.Count == 0)
            {
                _doubt ??= _found.Count == 0 ? null : "what stands at its end was not read";
                return false;
            }
            int end = Next();
            string means = text[_at..end].Trim(Around);
            if (Within.IsMatch(means))
                _doubt = "another switch stands in what it means";
            _found.Add(new Found(_now, means.Length > 0 ? means : null));
            (_now, _at) = ([], end);
            while (_at < text.Length && " \t,;|".Contains(text[_at]))
                _at++;
            return true;
        }

        /// <summary>Where what is meant ends: at a comma or semicolon before a setting, or at a semicolon.</summary>
        int Next()
        {
            foreach (Match part in Part.Matches(text[_at..]))
            {
                int from = _at + part.Index + part.Length;
                if (
                    (
                        Setting.Match(text, from) is { Success: true } m
                        && m.Index == from
                        && StateOf(m.Groups["state"].Value) is not null
                    )
                    || (
                        Alone.Match(text, from) is { Success: true } a
                        && a.Index == from
                        && StateOf(a.Groups["state"].Value) is not null
                    )
                )
                    return _at + part.Index;
            }
            return text.Length;
        }

        /// <summary>It may be the name of a switch, a jumper or one key of a row.</summary>
        public static bool IsName(string word) => Name.IsMatch(word);

        /// <summary>A key of a row as it is written here: <c>S1-3</c>.</summary>
        public static string Named(string name) => name.Replace('.', '-').Replace('/', '-');

        /// <summary>A position in one way of writing it; null: the word is none.</summary>
        public static string? StateOf(string word) =>
            word.ToLowerInvariant() switch
            {
                "on" or "closed" or "shorted" or "fitted" or "in" or "1" => Closed,
                "off" or "open" or "removed" or "out" or "0" => Open,
                [var letter] when char.IsAsciiLetter(letter) && word != "a" => word,
                _ when Pair.IsMatch(word) => word,
                _ => null,
            };

        const string NamePattern = "[A-Za-z]{1,4}[0-9]{1,3}(?:[-./][0-9]{1,2})?";

        static Regex Name => field ??= new($"^{NamePattern}$");

        // One more key of the row that was named before: "S2: 1 on, 2 off".
        static Regex Key =>
            field ??= new(
                @"\G\s*(?:,|and\b|&)?\s*(?<key>[0-9]{1,2})\s+(?<state>on|off|open|closed|in|out)\b\s*",
                RegexOptions.IgnoreCase
            );

        static Regex Pair => field ??= new("^[0-9]{1,2}-[0-9]{1,2}$");

        static Regex Setting =>
            field ??= new(
                $"""
                \G(?:(?:jumper|switch|link|and)\s+)*(?<name>{NamePattern})
                (?:\s*[:.]?\s*(?<key>[0-9]{"{1,2}"})(?=\s+(?:on|off|open|closed|in|out)\b))?
                (?:\s*[:=]\s*|\s*->\s*|\s+(?:(?:is|at|set\sto|to|in\sposition|position|jumper|link)\s+)*)
                (?:(?:shorted|closed|fitted|on|jumpered)\s+(?=[0-9]+-[0-9]))?
                (?<state>[0-9]{"{1,2}"}-[0-9]{"{1,2}"}|[A-Za-z]+|[01])(?![\w-])
                (?:\s*,?\s*(?:and|&|\+)\s+(?=[A-Za-z]+[0-9])|\s*[,&+]\s*(?={NamePattern}[\s:=])|\s*)
                """,
                RegexOptions.IgnorePatternWhitespace | RegexOptions.IgnoreCase
            );

        static Regex Alone =>
            field ??= new(
                @"\G(?:(?:in\sposition|position)\s+)?(?<state>[0-9]{1,2}-[0-9]{1,2}|[A-Za-z]+|[01])(?![\w-])\s*(?=\S)",
                RegexOptions.IgnoreCase
            );

        static Regex Within =>
            field ??= new($@"(?<!\w){NamePattern}[\s:=]+(?:on|off|open|closed|in|out|[0-9]-[0-9])\b", RegexOptions.IgnoreCase);

        static Regex Part =>
            field ??= new(
                @"\s*(?:[,;|]|\.(?=\s)|\s(?=(?:on|off|in|out|open|closed|[0-9]-[0-9]|[A-Z])\s?[=:]))\s*(?:(?:and|or)\s+)?",
                RegexOptions.IgnoreCase
            );

        static Regex Lead =>
            field ??= new(
                @"^(?:[-*•]\s+|\d{1,2}[.)]\s+)?(?:(?:set|put|with|for|jumpers?|switch(?:es)?|links?)\s+)*",
                RegexOptions.IgnoreCase
            );

        static Regex Conditional =>
            field ??= new(@"\b(?:if|unless|except|only)\b|^\W*(?:do\s+not|don't|never)\b", RegexOptions.IgnoreCase);
    }

    static Regex Unit =>
        field ??= new(
            @"^\s*(?:k|M)?(?:baud|Bd|bps|Hz|ns|ms|s|V|mA|A|W|lines?|colou?rs?|columns?|bits?|drives?|wait|banks?)\b",
            RegexOptions.IgnoreCase
        );

    static Regex Before => field ??= new(@"\b(?:at|base|from|address)\s*[:=]?\s*$", RegexOptions.IgnoreCase);

    static Regex Word => field ??= new(@"[^\s|,:]+");
}
