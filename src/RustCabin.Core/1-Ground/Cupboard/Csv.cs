using System.Buffers;
using System.Text;
using System.Text.RegularExpressions;

namespace RustCabin.Core.Cupboard;

/// <summary>Writes CSV (RFC 4180: CRLF, quotes doubled) in which no cell is a command to a spreadsheet.</summary>
public static class Csv
{
    /// <summary>Rows as text: a cell that a spreadsheet would run is made plain.</summary>
    public static string Of(IEnumerable<IReadOnlyList<string>> rows)
    {
        var text = new StringBuilder();
        foreach (IReadOnlyList<string> row in rows)
            text.AppendJoin(',', row.Select(Cell)).Append("\r\n");
        return text.ToString();
    }

    /// <summary>
    /// One cell. Text that a spreadsheet would run (it begins with = + - @, a tab or a line end) gets an apostrophe in front;
    /// plain negative numbers are left alone. So does what would begin a cell to a program that separates by another mark.
    /// </summary>
    public static string Cell(string text)
    {
        if (
            text.Length > 0
            && text[0] is '=' or '+' or '-' or '@' or '\t' or '\r' or '\n' or '\uFF1D' or '\uFF0B' or '\uFF0D' or '\uFF20'
            && !IsNumber(text)
        )
            text = $"'{text}";
        text = Inner.Replace(text, "$1'");
        return text.AsSpan().ContainsAny(Quoted) ? $"\"{text.Replace("\"", "\"\"")}\"" : text;
    }

    static readonly SearchValues<char> Quoted = SearchValues.Create(",;\"\r\n\t");

    /// <summary>A mark by which some program separates cells, and behind it what a spreadsheet runs; numbers are none.</summary>
    static Regex Inner => field ??= new(@"([;,\t\r\n]\s*)(?=[=@\uFF1D\uFF0B\uFF0D\uFF20]|[+-](?![0-9]))");

    static bool IsNumber(string text) =>
        decimal.TryParse(
            text,
            System.Globalization.NumberStyles.AllowLeadingSign | System.Globalization.NumberStyles.AllowDecimalPoint,
            System.Globalization.CultureInfo.InvariantCulture,
            out _
        );
}
