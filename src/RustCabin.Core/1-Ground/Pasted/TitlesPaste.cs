using System.Globalization;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>A piece of software of a list.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Bytes">The memory that it needs, or takes; null: not said.</param>
/// <param name="Discs">How many discs it comes on; null: not said.</param>
/// <param name="Region">For which region it is; null: not said.</param>
public sealed record PastedTitle(string Name, ulong? Bytes, int? Discs, string? Region);

/// <summary>Lists of software. Source: docs/handbook/paste.md, Titles.</summary>
static class TitlesPaste
{
    /// <summary>Reads a text as a list of software.</summary>
    public static IReadOnlyList<PastedLine> Read(IReadOnlyList<TextLine> lines) => TextLine.Each(lines, Of);

    static PastedLine Of(TextLine line)
    {
        string text = line.Trimmed;
        (string? region, text) = Taken(text, Region);
        (string? discs, text) = Taken(text, Discs);
        ulong? bytes = null;
        string? more = null;
        IReadOnlyList<PastedSize> sizes = PastedSize.On(text);
        foreach (PastedSize size in sizes)
        {
            bool last = text[(size.At + size.Length)..].Trim(' ', '\t', ',', ';', '.', '|', ')').Length == 0;
            if (!last && !Needs.IsMatch(text[..size.At]))
                continue;
            bytes = size.Bytes;
            string behind = Memory.Replace(text[(size.At + size.Length)..], "");
            more = behind.Any(char.IsLetterOrDigit) ? "what follows the size was not read" : null;
            text = Needs.Replace(text[..size.At], "");
            break;
        }
        if (bytes is null && discs is null)
            return line.Unread("neither a size nor discs are said");
        string name = TextLine.Single(Hollow.Replace(text, " "), " \t,;:.|-–");
        int? count = discs is null ? null : int.Parse(discs, CultureInfo.InvariantCulture);
        return name.Length == 0
            ? line.Unread("it has no name")
            : line.Reads(
                [new PastedTitle(name, bytes, count, region)],
                more,
                PastedSize.On(name).Count > 0 ? "it has another size" : null,
                Condition.IsMatch(name) ? "it says more than was read" : null
            );
    }

    /// <summary>What a pattern finds, and the text without it.</summary>
    static (string? Found, string Left) Taken(string text, Regex pattern) =>
        pattern.Match(text) is { Success: true } m
            ? (m.Groups["found"].Value, $"{text[..m.Index]} {text[(m.Index + m.Length)..]}")
            : (null, text);

    const string Regions =
        "PAL|NTSC|SECAM|Europe|European|USA|US|UK|Japan|Japanese|Germany|German|France|French|Italy|Spain|Netherlands|Sweden|"
        + "Norway|Denmark|Finland|Poland|Portugal|Brazil|Canada|Australia|Korea|China|Taiwan|Russia|Austria|Switzerland|Belgium|"
        + "Ireland|India|Mexico|World|[56]0 ?Hz";

    // A region is a field of its own: in brackets, behind a comma or a gap, or last on the line.
    static Regex Region =>
        field ??= new(
            $@"[(\[](?<found>{Regions})[)\]]|(?<=[,;|\t]\s*|\s\s)(?<found>{Regions})(?=\s*(?:[,;|]|\s\s|"
                + $@"$))|(?<=\w\s+)(?<found>PAL|NTSC|SECAM|[56]0 ?Hz)(?!\w)",
            RegexOptions.IgnoreCase
        );

    static Regex Discs =>
        field ??= new(@"(?<![\w.])(?<found>\d{1,2}) ?(?:discs?|disks?|diskettes?|floppies)\b", RegexOptions.IgnoreCase);

    static Regex Needs => field ??= new(@"\b(?:needs?|requires?|wants?)\s*(?:at\sleast\s*)?:?\s*$", RegexOptions.IgnoreCase);

    static Regex Memory => field ??= new(@"^\s*(?:of\s+)?(?:free\s+)?(?:RAM|memory)\b", RegexOptions.IgnoreCase);

    static Regex Condition => field ??= new(@"\b(?:if|unless|not|or more|except)\b", RegexOptions.IgnoreCase);

    static Regex Hollow => field ??= new(@"[(\[][\s,;]*[)\]]|\|");
}
