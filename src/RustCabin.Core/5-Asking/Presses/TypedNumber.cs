using System.Globalization;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Presses;

/// <summary>Numbers as a person types them: a point or a comma, no sign unless asked for, no exponent.</summary>
public static class TypedNumber
{
    /// <summary>Reads a number; false when it does not read as one.</summary>
    public static bool TryParse(string? text, out decimal value, bool signed = false) =>
        decimal.TryParse(
            (text ?? "").Trim().Replace(',', '.'),
            NumberStyles.AllowDecimalPoint | (signed ? NumberStyles.AllowLeadingSign : NumberStyles.None),
            CultureInfo.InvariantCulture,
            out value
        );

    /// <summary>
    /// Times apart by spaces, each above 0, at most a hundred. False: <paramref name="wrong"/> is the first that does not read.
    /// </summary>
    public static bool TryList(string text, out IReadOnlyList<decimal> values, out string wrong)
    {
        var all = new List<decimal>();
        (values, wrong) = (all, "");
        foreach (string one in text.Split([' ', ';', '\t', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries))
            if (all.Count < 100 && TryParse(one.TrimEnd('s'), out decimal value) && value is > 0 and < 10_000_000)
                all.Add(value);
            else
            {
                wrong = one;
                return false;
            }
        return true;
    }

    /// <summary>
    /// A benchmark's name and the seconds of its runs. False: <paramref name="wrong"/> says what is wrong with which of them.
    /// </summary>
    public static bool TryRuns(string name, string seconds, out IReadOnlyList<decimal> runs, out string wrong)
    {
        runs = [];
        wrong = $"name the benchmark, in {Texts.Most<BenchmarkRuns>(nameof(BenchmarkRuns.Name))} characters at most";
        if (!Texts.TryNeeded<BenchmarkRuns>(nameof(BenchmarkRuns.Name), name, out _))
            return false;
        if (TryList(seconds, out runs, out string first))
            return true;
        wrong = $"\"{first}\" is not a time in seconds; type them with spaces between, 12.1 12.3";
        return false;
    }

    /// <summary>As typed: without zeros that say nothing.</summary>
    public static string Show(decimal value) => value.ToString("0.######", CultureInfo.InvariantCulture);
}
