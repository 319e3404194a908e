using RustCabin.Core.Findings;
using RustCabin.Core.Fit;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Presses;

/// <summary>
/// A part fits if, planned on top of what is there, it brings no stop: the sheets say that it goes in, the plan says what follows
/// from it. Source: docs/handbook/fit.md, Ways.
/// </summary>
public static class FitPlanned
{
    /// <summary>The cell of a part for the board at hand, with the stops that it would bring. It fits only without one.</summary>
    /// <param name="at">The job, with all that is worked out of it.</param>
    /// <param name="part">The part.</param>
    /// <param name="cell">What the sheets say of it and of this board.</param>
    public static FitCell Of(AtHand at, Part part, FitCell cell)
    {
        if (cell is not { Grade: FitGrade.Fits, Way: { } way })
            return cell;
        Job with = JobEdits.Add(at.Job, part.Id, new WayName(way.Id));
        var there = at.Answer.Findings.Where(f => f.Severity == Severity.Stop).Select(Key).ToHashSet();
        Finding[] brings =
        [
            .. at
                .Sheet.Stations.Stops(Plan.For(at.Sheets with { Jobs = [with] }, with))
                .Select(s => s.Finding)
                .Where(f => !there.Contains(Key(f)))
                .DistinctBy(f => f.Code),
        ];
        return brings.Length == 0
            ? cell
            : cell with
            {
                Grade = FitGrade.WithCare,
                Why = [.. cell.Why, .. brings.Select(f => $"Planned here, it brings a stop: {f.Title} ({f.Code}).")],
            };
    }

    static string Key(Finding finding) => $"{finding.Code} {finding.Title}";
}
