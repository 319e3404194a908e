using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>A line of a pasted text that is not blank.</summary>
/// <param name="Number">Its number in the text, from 1.</param>
/// <param name="Text">As it was.</param>
internal sealed record TextLine(int Number, string Text)
{
    /// <summary>Longer lines are not taken apart: no manual prints one, and a person could not check it.</summary>
    const int MostLetters = 600;

    const string TooLong = "longer than a line that is read";

    static readonly HashSet<string> ColumnWords = new(
        (
            "address addresses addr from to start end begin first last size length bytes use used usage for function "
            + "purpose kind type description what pin pins leg legs contact contacts name names signal signals net position "
            + "positions pos setting settings switch switches jumper jumpers link links state meaning means effect result "
            + "memory qty quantity count no number part parts item items value marking ref refs reference references "
            + "designator designators price prices cost each unit total title titles disc discs needs region note notes "
            + "remark remarks comment comments hex dec decimal range line file files path date time colour board dir"
        ).Split(' '),
        StringComparer.OrdinalIgnoreCase
    );

    /// <summary>How many lines a text has, blank ones too.</summary>
    public static int Count(string text) => text.AsSpan().TrimEnd("\r\n").Count('\n') + 1;

    /// <summary>The lines of a text that are not blank.</summary>
    public static IReadOnlyList<TextLine> Of(string text) =>
        [
            .. text.ReplaceLineEndings("\n")
                .Split('\n')
                .Select((line, at) => new TextLine(at + 1, line))
                .Where(l => !string.IsNullOrWhiteSpace(l.Text)),
        ];

    /// <summary>Without blanks around it.</summary>
    public string Trimmed { get; } = Text.Trim();

    /// <summary>It parts or names the lines below it: a rule, <c>...:</c>, <c># ...</c>, or words of columns alone.</summary>
    public bool IsHeading => _heading ??= Heads();

    bool? _heading,
        _columns;

    bool Heads() =>
        !Trimmed.Any(char.IsLetterOrDigit)
        || Trimmed.EndsWith(':')
        || Trimmed.StartsWith("# ", StringComparison.Ordinal)
        || IsOfColumns;

    /// <summary>It is made of the words that stand over columns.</summary>
    public bool IsOfColumns => _columns ??= HasColumnsAlone();

    bool HasColumnsAlone()
    {
        bool any = false;
        foreach (ValueMatch word in Letters.EnumerateMatches(Trimmed))
        {
            if (!ColumnWords.GetAlternateLookup<ReadOnlySpan<char>>().Contains(Trimmed.AsSpan(word.Index, word.Length)))
                return false;
            any = true;
        }
        return any;
    }

    /// <summary>The words of a heading over columns, from the left.</summary>
    public IReadOnlyList<string> Columns => [.. Letters.Matches(Trimmed).Select(m => m.Value.ToLowerInvariant())];

    /// <summary>Nothing is read, nothing is in doubt.</summary>
    public PastedLine Heading => new(Number, Text, [], null);

    /// <summary>What was read of it.</summary>
    /// <param name="read">What; empty: nothing.</param>
    /// <param name="doubts">What a person should look at; null ones and repeats do not count.</param>
    public PastedLine Reads(IReadOnlyList<object> read, params IEnumerable<string?> doubts)
    {
        string doubt = string.Join("; ", doubts.Where(d => d is not null).Distinct());
        return new PastedLine(Number, Text, read, doubt.Length > 0 ? doubt : null);
    }

    /// <summary>Nothing was read of it.</summary>
    public PastedLine Unread(string why) => new(Number, Text, [], why);

    /// <summary>Reads lines that stand for themselves: headings, lines that are too long, and the rest.</summary>
    public static IReadOnlyList<PastedLine> Each(IReadOnlyList<TextLine> lines, Func<TextLine, PastedLine> read) =>
        [.. lines.Select(l => l.IsHeading ? l.Heading : l.ReadBy(read))];

    /// <summary>Reads it, if it is not too long to be a line of a table.</summary>
    public PastedLine ReadBy(Func<TextLine, PastedLine> read) => Text.Length > MostLetters ? Unread(TooLong) : read(this);

    /// <summary>A text with one blank where it has several, and without some letters around it.</summary>
    public static string Single(string text, string around) => Blanks.Replace(text, " ").Trim(around.ToCharArray());

    static Regex Blanks => field ??= new(@"\s+");

    static Regex Letters => field ??= new(@"[^\W_]+(?:'\w+)?");
}
