using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Baseline;

/// <summary>What a person found.</summary>
public sealed record Report
{
    /// <summary>What was tried.</summary>
    [Required, Display(Description = "What was tried.")]
    public string Thing { get; init; } = "";

    /// <summary>With which firmware; null: not said.</summary>
    [LongText, Display(Description = "With which firmware; left out: not said.")]
    public string? Firmware { get; init; }

    /// <summary>It worked.</summary>
    [Required, Display(Description = "It worked.")]
    public bool Works { get; init; }
}

/// <summary>What <c>reports</c> takes.</summary>
public sealed record ReportsAsked : ICompleted<ReportsAsked>
{
    /// <summary>So many at most.</summary>
    public const int Most = 1_000;

    /// <summary>What was found.</summary>
    [Required, Display(Description = "What others found.")]
    public IReadOnlyList<Report> Reports { get; init; } = [];

    /// <inheritdoc/>
    public ReportsAsked Completed(RecordReading read)
    {
        if (Reports.Count > Most)
            read.Wrong("reports", $"are {Reports.Count}; {Most} are the most");
        foreach ((int i, Report report) in Reports.Index())
            if (report.Thing.Trim().Length == 0)
                read.Wrong($"reports[{i}].thing", "must not be blank");
        return this;
    }
}

/// <summary>How often a thing worked with a firmware, and between which rates that lets it lie.</summary>
/// <param name="Thing">The thing.</param>
/// <param name="Firmware">The firmware; null: none was said.</param>
/// <param name="Works">How often it worked.</param>
/// <param name="Tries">How often it was tried.</param>
/// <param name="Low">The rate below which it lies with a chance of 5 %.</param>
/// <param name="High">The rate above which it lies with a chance of 5 %.</param>
public sealed record ReportRate(string Thing, string? Firmware, int Works, int Tries, double Low, double High)
{
    /// <summary>Some found that it works, some that it does not.</summary>
    public bool IsContradicted() => Works > 0 && Works < Tries;
}

/// <summary>Reports of others by thing and firmware. Source: docs/handbook/baseline.md, Reports of others.</summary>
/// <param name="Rates">In the order of first mention.</param>
public sealed record ReportRates(IReadOnlyList<ReportRate> Rates)
{
    /// <summary>Counts them.</summary>
    public static ReportRates Of(ReportsAsked asked) =>
        new([
            .. asked
                .Reports.GroupBy(r => (Thing: r.Thing.Trim(), Firmware: r.Firmware?.Trim() is { Length: > 0 } f ? f : null))
                .Select(g => Of(g.Key.Thing, g.Key.Firmware, g.Count(r => r.Works), g.Count())),
        ]);

    static ReportRate Of(string thing, string? firmware, int works, int tries) =>
        new(thing, firmware, works, tries, RateField.Quantile(works, tries, 0.05), RateField.Quantile(works, tries, 0.95));
}
