using System.Text;

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
    /// plain negative numbers are left alone.
    /// </summary>
    public static string Cell(string text)
    {
        if (
            text.Length > 0
            && text[0] is '=' or '+' or '-' or '@' or '\t' or '\r' or '\n' or '\uFF1D' or '\uFF0B' or '\uFF0D' or '\uFF20'
            && !IsNumber(text)
        )
            text = $"'{text}";
        return text.AsSpan().IndexOfAny(",\"\r\n\t") >= 0 ? $"\"{text.Replace("\"", "\"\"")}\"" : text;
    }

    static bool IsNumber(string text) =>
        decimal.TryParse(
            text,
            System.Globalization.NumberStyles.AllowLeadingSign | System.Globalization.NumberStyles.AllowDecimalPoint,
            System.Globalization.CultureInfo.InvariantCulture,
            out _
        );
}
