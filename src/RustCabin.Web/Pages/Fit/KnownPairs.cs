using RustCabin.Core.Baseline;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Pages.Fit;

/// <summary>What a person has tried with a part, in words.</summary>
static class KnownPairs
{
    /// <summary>So many lines stand beside a choice; the page of the reports has all.</summary>
    const int MostLines = 4;

    /// <summary>What was tried with a part: a single report as it came, several of one thing as their rate.</summary>
    public static IEnumerable<string> Lines(Part part) =>
        KnownReports
            .Rates(part.Known)
            .Rates.Take(MostLines)
            .Select(rate =>
                rate.Tries == 1
                    ? Of(part.Known.First(k => k.With.Trim() == rate.Thing && k.Firmware.Trim() == (rate.Firmware ?? "")))
                    : KnownReports.Words(rate)
            );

    /// <summary>A report in words.</summary>
    public static string Of(KnownPair pair) =>
        (
            pair.Result switch
            {
                KnownResult.Works => "works with ",
                KnownResult.Fails => "fails with ",
                _ => "works within limits with ",
            }
        )
        + pair.With
        + (pair.Firmware.Length > 0 ? $", firmware {pair.Firmware}" : "")
        + (
            string.Join(", ", new[] { pair.Source, pair.Date }.Where(t => t.Length > 0)) is { Length: > 0 } said
                ? $" ({said})"
                : ""
        );
}
