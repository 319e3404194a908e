using System.ComponentModel.DataAnnotations;
using System.Text;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Pasted;

/// <summary>What kind of text was pasted, in the order in which they are tried.</summary>
public enum PasteKind
{
    /// <summary>What is to be lifted, cut, wired, bridged.</summary>
    Acts,

    /// <summary>A directory.</summary>
    Listing,

    /// <summary>A table of addresses.</summary>
    Map,

    /// <summary>A table of switches or jumpers.</summary>
    Switches,

    /// <summary>The legs of a device.</summary>
    Pinout,

    /// <summary>The contacts of a connector.</summary>
    Contacts,

    /// <summary>A bill of materials or a price list.</summary>
    Parts,

    /// <summary>A list of software.</summary>
    Titles,
}

/// <summary>What <c>paste</c> takes.</summary>
public sealed record PasteAsked : ICompleted<PasteAsked>
{
    /// <summary>So many lines at most.</summary>
    public const int MostLines = 2_000;

    /// <summary>So many bytes at most, as UTF-8.</summary>
    public const int MostBytes = TextLimits.LongestWhole;

    /// <summary>The text, as it was printed.</summary>
    [Required, WholeText, Display(Description = "The text, as it was printed.")]
    public string Text { get; init; } = "";

    /// <summary>Its kind; null: the one that reads most of its lines.</summary>
    [Display(Description = "Its kind; left out: the one that reads most of its lines.")]
    public PasteKind? As { get; init; }

    /// <summary>The address lines of the machine; null: not known.</summary>
    [Range(1, 64), Display(Name = "address lines", Description = "The address lines of the machine; left out: not known.")]
    public int? AddressBits { get; init; }

    /// <inheritdoc/>
    public PasteAsked Completed(RecordReading read)
    {
        if (Paste.TooMuch(Text) is { } much)
            read.Wrong("text", much);
        return this;
    }
}

/// <summary>A line of a text, and what was understood of it.</summary>
/// <param name="Line">Its number in the text, from 1.</param>
/// <param name="Text">The line as it was.</param>
/// <param name="Read">
/// What was read: <see cref="PastedRange"/>, <see cref="GuideAct"/> and the like, by the kind of the text.
/// </param>
/// <param name="Doubt">Why a person should look at it; null: it is understood whole, or a heading.</param>
public sealed record PastedLine(int Line, string Text, IReadOnlyList<object> Read, string? Doubt)
{
    /// <summary>Nothing on it is unread.</summary>
    internal bool IsWhole => Read.Count > 0 && Doubt is null;
}

/// <summary>
/// A text that a manual, a guide or a list prints, read line by line. Source: docs/handbook/paste.md, What is read.
/// </summary>
/// <param name="As">What kind it was read as.</param>
/// <param name="Lines">Every line that is not blank.</param>
public sealed record Paste(PasteKind As, IReadOnlyList<PastedLine> Lines)
{
    /// <summary>All of one kind that was read, line by line.</summary>
    public IEnumerable<T> All<T>() => Lines.SelectMany(l => l.Read.OfType<T>());

    /// <summary>Why a text is not read at all; null: it is.</summary>
    public static string? TooMuch(string text) =>
        Encoding.UTF8.GetByteCount(text) > PasteAsked.MostBytes ? $"is longer than {PasteAsked.MostBytes:#,0} bytes"
        : TextLine.Count(text) > PasteAsked.MostLines ? $"has more than {PasteAsked.MostLines:#,0} lines"
        : null;

    /// <summary>Reads a text as its kind, or as the kind that reads most of its lines whole.</summary>
    public static Paste Of(PasteAsked asked)
    {
        IReadOnlyList<TextLine> lines = TextLine.Of(asked.Text);
        if (asked.As is { } kind)
            return Read(kind, lines, asked.AddressBits);
        Paste? best = null;
        int most = -1;
        foreach (PasteKind tried in Enum.GetValues<PasteKind>())
        {
            Paste read = Read(tried, lines, asked.AddressBits);
            int whole = read.Lines.Count(l => l.IsWhole && !IsForeign(tried, l));
            if (whole > most)
                (best, most) = (read, whole);
            // No later kind can read more than all.
            if (whole > 0 && whole == read.Lines.Count(l => l.Read.Count > 0 || l.Doubt is not null))
                break;
        }
        return best!;
    }

    /// <summary>Numbers and names that a line of another kind shows as well, so that they speak for nothing.</summary>
    static bool IsForeign(PasteKind kind, PastedLine line) =>
        kind switch
        {
            PasteKind.Pinout => PartsPaste.Counts(line.Text),
            PasteKind.Contacts => PartsPaste.Counts(line.Text) || !line.Text.Any(c => c == ',' || char.IsUpper(c)),
            _ => false,
        };

    static Paste Read(PasteKind kind, IReadOnlyList<TextLine> lines, int? addressBits) =>
        new(
            kind,
            kind switch
            {
                PasteKind.Acts => ActsPaste.Read(lines),
                PasteKind.Listing => ListingPaste.Read(lines),
                PasteKind.Map => MapPaste.Read(lines, addressBits),
                PasteKind.Switches => SwitchesPaste.Read(lines, addressBits),
                PasteKind.Pinout => PinoutPaste.Pinout(lines),
                PasteKind.Contacts => PinoutPaste.Contacts(lines),
                PasteKind.Parts => PartsPaste.Read(lines),
                _ => TitlesPaste.Read(lines),
            }
        );
}
