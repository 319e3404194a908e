using RustCabin.Core.Baseline;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>Reports of others come onto a part's sheet. Source: docs/handbook/baseline.md, Reports of others.</summary>
public static class Reporting
{
    /// <summary>So many reports stand on a sheet at most.</summary>
    const int Most = 1_000;

    /// <summary>Adds the reports of a paste; those that stand there word for word are not added twice.</summary>
    public static Press<Part> Add(Part part, string? text)
    {
        (IReadOnlyList<KnownPair> read, IReadOnlyList<UnreadReport> unread) = KnownReports.Paste(text ?? "");
        if (unread.Count > 0)
            return Refuse("reports", $"Nothing was written: line {unread[0].Number}, {unread[0].Why}.");
        KnownPair[] fresh = [.. read.Where(r => !part.Known.Contains(r))];
        if (fresh.Length == 0)
            return Refuse("reports", "Nothing was written: there is no report in it that the sheet does not have.");
        return part.Known.Count + fresh.Length > Most
            ? Refuse("reports", $"Nothing was written: a sheet holds {Most:#,0} reports at most.")
            : new Press<Part>
            {
                What = $"reports: part {part.Id}, {IdText.Counted(fresh.Length, "report")}",
                Edit = p => p with { Known = [.. p.Known, .. fresh] },
            };
    }

    /// <summary>Takes a report off the sheet, by its place.</summary>
    public static Press<Part> Drop(Part part, int index) =>
        index >= 0 && index < part.Known.Count
            ? new Press<Part>
            {
                What = $"reports: part {part.Id}, one taken back",
                Edit = p => p with { Known = [.. p.Known.Where((_, i) => i != index)] },
            }
            : Gone;
}
