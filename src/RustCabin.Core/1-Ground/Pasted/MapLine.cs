using System.Buffers;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Pasted;

/// <summary>The numbers of a line that are its range, before the base of the text is known.</summary>
sealed record MapLine
{
    string Text { get; init; } = "";

    /// <summary>Its first address; null: none was found.</summary>
    public PastedNumber? From { get; private init; }

    /// <summary>Its end as printed; null: none is.</summary>
    public PastedNumber? To { get; private init; }

    /// <summary>A size in the column for it, without a unit.</summary>
    PastedNumber? SizeNumber { get; init; }

    /// <summary>A third number that may be a size: it is one where it fits.</summary>
    PastedNumber? Third { get; init; }

    PastedSize? Size { get; init; }

    /// <summary>What a person should look at.</summary>
    public string? Doubt { get; private init; }

    /// <summary>One address, and neither end nor size.</summary>
    public bool IsSingle => To is null && SizeNumber is null && Size is null;

    /// <summary>What of it has to be of the base of the text.</summary>
    public IEnumerable<PastedNumber> Numbers => new[] { From, To, SizeNumber }.OfType<PastedNumber>();

    /// <summary>The first address in a base.</summary>
    public ulong? Start(bool hex) => From?.Value(hex);

    /// <summary>The size that is printed, in a base.</summary>
    public ulong? SizeSaid(bool hex) => Size?.Bytes ?? SizeNumber?.Value(hex);

    /// <summary>The last address in a base, an end as it is printed.</summary>
    public ulong? Last(bool hex)
    {
        if (To is { } end)
            return end.Value(hex);
        if (IsSingle)
            return Start(hex);
        return Start(hex) is { } from && SizeSaid(hex) is { } size and > 0 && from <= ulong.MaxValue - (size - 1)
            ? from + (size - 1)
            : null;
    }

    /// <summary>A line of one number.</summary>
    public static MapLine Alone(PastedNumber number) => new() { From = number };

    /// <summary>The range of a line.</summary>
    /// <param name="line">The line.</param>
    /// <param name="sizes">The second column is sizes.</param>
    /// <param name="both">The third column is sizes.</param>
    public static MapLine Of(TextLine line, bool sizes, bool both)
    {
        string text = line.Text;
        IReadOnlyList<PastedSize> units = PastedSize.On(text);
        PastedNumber[] numbers = [.. PastedNumber.On(text).Where(n => !units.Any(u => n.At < u.At + u.Length && u.At < n.End))];
        var found = new MapLine { Text = text, Size = units.Count > 0 ? units[0] : null };
        int at = Best(text, numbers, Gap.IsMatch);
        if (at >= 0)
            return found.WithEnd(numbers, at, both ? at + 2 : -1) with { Doubt = OtherRanges(text, numbers, at) };
        at = sizes ? -1 : Best(text, numbers, Column.IsMatch);
        if (at >= 0)
            return found.WithEnd(numbers, at, both ? at + 2 : -1) with
            {
                Doubt =
                    numbers[at] is { IsMarked: false, Digits: not "0", Digits.Length: < 3 }
                    && numbers[at].Digits.Length != numbers[at + 1].Digits.Length
                        ? "the first number may count the lines"
                        : null,
            };
        return found.WithOne(numbers, sizes);
    }

    MapLine WithEnd(PastedNumber[] numbers, int at, int size)
    {
        PastedNumber? third =
            at + 2 < numbers.Length && Column.IsMatch(Text[numbers[at + 1].End..numbers[at + 2].At]) ? numbers[at + 2] : null;
        return this with
        {
            From = numbers[at],
            To = numbers[at + 1],
            SizeNumber = size > 0 ? third : null,
            Third = size > 0 ? null : third,
        };
    }

    /// <summary>One address: the first thing on the line, or one with a mark, or one of four digits.</summary>
    MapLine WithOne(PastedNumber[] numbers, bool sizes)
    {
        int first = Text.AsSpan().IndexOfAnyExcept(" \t|");
        PastedNumber[] may =
        [
            .. numbers.Where(n =>
                n.IsMarked || ((n.At == first || n.Digits.Length == 4) && (n.Digits.Any(char.IsAsciiDigit) || IsSaid(n)))
            ),
        ];
        if (may.Length == 0)
            return this;
        PastedNumber[] marked = [.. may.Where(n => n.IsMarked)];
        PastedNumber from = marked.Length > 0 ? marked[0] : may[0];
        int at = Array.IndexOf(numbers, from);
        if (sizes && at + 1 < numbers.Length && Column.IsMatch(Text[from.End..numbers[at + 1].At]))
            return this with { From = from, SizeNumber = numbers[at + 1] };
        bool several = marked.Length > 1 || (marked.Length == 0 && may.Skip(1).Any(n => n.IsSurelyHex && !from.IsSurelyHex));
        return this with { From = from, Doubt = several ? "more than one number may be the address" : null };
    }

    /// <summary>
    /// A word before it says that it is an address, or it has letters of one case alone at the line's beginning.
    /// </summary>
    bool IsSaid(PastedNumber number) =>
        Said(number.At) < number.At || (string.IsNullOrWhiteSpace(Text[..number.At]) && number.Digits.All(char.IsUpper));

    /// <summary>No number says that it is hexadecimal without one of these.</summary>
    static readonly SearchValues<char> Marks = SearchValues.Create("$&#xXhH");

    static readonly string[] Saying = ["from", "at", "@", "base", "address"];

    /// <summary>Where the word before a place begins that says that an address follows; the place itself: none does.</summary>
    int Said(int at)
    {
        ReadOnlySpan<char> before = Text.AsSpan(0, at).TrimEnd();
        foreach (string word in Saying)
            if (
                before.EndsWith(word, StringComparison.OrdinalIgnoreCase)
                && (before.Length == word.Length || char.IsWhiteSpace(before[^(word.Length + 1)]))
            )
                return before.Length - word.Length;
        return at;
    }

    /// <summary>The pair of neighbours that is most like a range; -1: none is.</summary>
    static int Best(string text, PastedNumber[] numbers, Func<string, bool> between)
    {
        int best = -1,
            score = 0;
        for (int i = 0; i + 1 < numbers.Length; i++)
        {
            (PastedNumber a, PastedNumber b) = (numbers[i], numbers[i + 1]);
            if (!between(text[a.End..b.At]) || !CanBe(a, b) || !CanBe(b, a))
                continue;
            int like =
                a.IsMarked && b.IsMarked ? 3
                : a.Digits.Length == b.Digits.Length && a.Digits.Length >= 3 ? 2
                : 1;
            if (like > score)
                (best, score) = (i, like);
        }
        return best;
    }

    /// <summary>Letters alone are a number beside one of as many digits; else they are a word.</summary>
    static bool CanBe(PastedNumber number, PastedNumber beside) =>
        number.IsMarked
        || number.Digits.Any(char.IsAsciiDigit)
        || (
            number.Digits.Length > 1
            && number.Digits.Length == beside.Digits.Length
            && (number.Digits.All(char.IsUpper) || number.Digits.All(char.IsLower))
        );

    static string? OtherRanges(string text, PastedNumber[] numbers, int at)
    {
        for (int i = 0; i + 1 < numbers.Length; i++)
            if (
                (i > at + 1 || i + 1 < at)
                && Gap.IsMatch(text[numbers[i].End..numbers[i + 1].At])
                && (numbers[i].IsMarked || numbers[i].Digits.Length > 2)
            )
                return "it has more than one range";
        return null;
    }

    /// <summary>What the line calls the range, what kind it says, and what more stands there that may be an address.</summary>
    public (string Name, string? Kind, string? More) Named(bool hex, decimal size)
    {
        bool third = Third?.Value(hex) is { } length && length == size;
        int from = From!.Value.At,
            end = To?.End ?? From.Value.End;
        var cut = new List<(int At, int End)> { (Before(), end) };
        if (Size is { } unit)
            cut.Add((unit.At, unit.At + unit.Length));
        if (SizeNumber is { } number)
            cut.Add((number.At, number.End));
        if (third)
            cut.Add((Third!.Value.At, Third.Value.End));
        string left = Text;
        foreach ((int a, int b) in cut.OrderByDescending(c => c.At))
            left = $"{left[..a]}\u0001{left[b..]}";
        string? more =
            left.AsSpan().ContainsAny(Marks)
            && PastedNumber.On(left).Any(n => n.IsMarked && (n.Digits.Length > 2 || left[n.At] != '#'))
                ? "it has another address"
                : null;
        left = Empty.Replace(left.Replace('|', ' '), " ").Replace('\u0001', ' ');
        left = TextLine.Single(Bullet.Replace(left, ""), " \t,;:.-–—=>/*");
        if (left is ['(', .. var inner, ')'] && !inner.Contains('('))
            left = inner.Trim();
        return (left, MapPaste.KindOf(left), more);

        // "from" and "at" before the address belong to it.
        int Before() => Said(from);
    }

    static Regex Gap => field ??= new(@"^\s*(?:-|–|—|\.{2,3}|to)\s*$", RegexOptions.IgnoreCase);

    static Regex Column => field ??= new(@"^\s*[\s|,;]\s*$|^\s*\|\s*$");

    static Regex Empty => field ??= new(@"[(\[{][\s\u0001,;]*[)\]}]");

    static Regex Bullet => field ??= new(@"^\s*\(?\d{1,3}[.)]\s");
}
