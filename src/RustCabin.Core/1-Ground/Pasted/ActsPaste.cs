using System.Buffers;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>Guides: what is to be lifted, cut, wired, bridged. Source: docs/handbook/paste.md, Acts.</summary>
static class ActsPaste
{
    /// <summary>Reads a text as a guide.</summary>
    public static IReadOnlyList<PastedLine> Read(IReadOnlyList<TextLine> lines)
    {
        string? under = null;
        var read = new List<PastedLine>(lines.Count);
        foreach (TextLine line in lines)
        {
            if (line.IsHeading)
            {
                under = Condition.IsMatch(line.Trimmed) ? $"it stands under \"{line.Trimmed.TrimEnd(':')}\"" : null;
                read.Add(line.Heading);
                continue;
            }
            PastedLine one = line.ReadBy(Of);
            read.Add(under is null ? one : line.Reads(one.Read, one.Doubt, under));
        }
        return read;
    }

    static readonly SearchValues<string> Verbs = SearchValues.Create(
        ActClause.Verbs.Split('|'),
        StringComparison.OrdinalIgnoreCase
    );

    static PastedLine Of(TextLine line)
    {
        if (!line.Trimmed.AsSpan().ContainsAny(Verbs))
            return line.Unread("no act was found");
        if (Held.IsMatch(line.Trimmed))
            return line.Unread("it holds under a condition, or says what to leave");
        string text = Bullet.Replace(line.Trimmed, "");
        if (text.Contains('('))
            text = Aside.Replace(Net.Replace(text, "$1"), Inline);
        text = text.TrimEnd('.', ';', '!', ' ');
        Match[] verbs = [.. Verb.Matches(text).Cast<Match>()];
        if (verbs.Length == 0)
            return line.Unread("no act was found");
        string? doubt = text[..verbs[0].Index].Trim().Length > 0 ? "what stands before the act was not read" : null;
        if (Asides(Net.Replace(line.Trimmed, "$1")))
            doubt ??= "what stands in brackets was not read";
        var acts = new List<GuideAct>();
        for (int i = 0; i < verbs.Length; i++)
        {
            int end = i + 1 < verbs.Length ? verbs[i + 1].Index : text.Length;
            int from = verbs[i].Index + verbs[i].Length;
            (IReadOnlyList<GuideAct> found, string? why) = ActClause.Of(
                verbs[i].Groups["verb"].Value.ToLowerInvariant(),
                text[from..end].Trim(' ', '\t', ',', ';', '.')
            );
            acts.AddRange(found);
            doubt ??= why;
        }
        return line.Reads(acts, doubt);
    }

    /// <summary>What stands in brackets and belongs to the act: more legs, the length and colour of a wire.</summary>
    static string Inline(Match aside) =>
        aside.Groups["more"].Success ? $" and {aside.Groups["more"].Value}"
        : Wire.IsMatch(aside.Value) ? $", {aside.Value.Trim(' ', '(', ')')}"
        : " ";

    /// <summary>Brackets hold a place or a number that no <i>and</i> joins to the act.</summary>
    static bool Asides(string text) =>
        text.Contains('(')
        && Aside
            .Matches(text)
            .Any(m =>
                !m.Groups["more"].Success && !Wire.IsMatch(m.Value) && m.Value.Any(c => char.IsAsciiDigit(c) || char.IsUpper(c))
            );

    static Regex Condition =>
        field ??= new(
            @"^(?:if|on|for|with|without)\b|\b(?:if|unless|only|when|optional|optionally|except|instead|"
                + @"otherwise|alternatively|not)\b",
            RegexOptions.IgnoreCase
        );

    static Regex Held =>
        field ??= new(
            @"\b(?:if|unless|not|never|leave|instead|optional|optionally|except|otherwise|or|either|when|"
                + @"only|but|cannot|don't|can't|won't|mustn't|shouldn't|needn't|doesn't|isn't)\b",
            RegexOptions.IgnoreCase
        );

    static Regex Bullet =>
        field ??= new(
            @"^(?:[-*•–]\s+|\(?\d{1,3}[.):]\)?\s+|\(?[a-z][.)]\s+|step\s+\d+\s*[.:-]?\s+|\[[ x]?\]\s*)+",
            RegexOptions.IgnoreCase
        );

    // The net of a leg, in brackets behind its number: "pin 45 (CLK) of U7".
    static Regex Net => field ??= new(@"(\b(?:[Pp]in|[Ll]eg)\s+\d+|[A-Z]+\d+[.-]\d+)\s*\(\s*[/A-Z][A-Z0-9/#*]*\s*\)");

    static Regex Wire =>
        field ??= new(
            $@"^\s*\(\s*(?:(?:{ActClause.Colours}|\d+(?:\.\d+)?\s?(?:mm|cm|inch|inches|in)|wire|long|about)[\s,]*)+\)$",
            RegexOptions.IgnoreCase
        );

    static Regex Aside => field ??= new(@"\((?:\s*(?:,|and)\s+(?<more>[^()]*)|[^()]*)\)", RegexOptions.IgnoreCase);

    static Regex Verb =>
        field ??= new(
            $@"(?:^|[;,]\s*|\.\s+|\b(?:and|then)\s+)(?:(?:and|then|first|next|now|finally|also|please|carefully|"
                + $@"gently|afterwards|lastly)\b,?\s*)*(?<verb>{ActClause.Verbs})\b\s*:?\s*(?=\S)",
            RegexOptions.IgnoreCase
        );
}
