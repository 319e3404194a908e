using RustCabin.Core.Baseline;
using RustCabin.Core.Build;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>
/// What lies on the bench while the case is open goes back before it is closed, or stays out for a reason. Source:
/// docs/handbook/build.md, Teardown ledger.
/// </summary>
public static class Closing
{
    static IReadOnlyList<LedgerPiece> Pieces(AtHand at) => Ledger.Of(at.Sheet, at.Job);

    /// <summary>Says that a piece is back in place, or that it is not after all.</summary>
    public static Press<Job> Back(AtHand at, string piece, bool back) =>
        Pieces(at).FirstOrDefault(p => p.Key == piece) is { } known
            ? Change($"{known.Words} {(back ? "back in place" : "not back after all")}", j => BuildEdits.Back(j, piece, back))
            : Gone;

    /// <summary>Everything that a closing step waits for is back, the last out first.</summary>
    public static Press<Job> AllBack(AtHand at, StepId step) =>
        at.Find(step) is { } here && Ledger.Missing(Pieces(at), here.Step) is { Count: > 0 } missing
            ? Change(
                $"Back in place: {string.Join(", ", missing.Select(m => m.Words))}",
                j => missing.Aggregate(j, (all, m) => BuildEdits.Back(all, m.Key, true))
            )
            : Gone;

    /// <summary>Leaves a piece out on purpose.</summary>
    public static Press<Job> LeaveOut(AtHand at, string piece, string? why)
    {
        if (!Texts.TryNeeded<JobBuild>(nameof(JobBuild.LeftOut), why, out string reason))
            return Refuse(
                "why",
                $"Nothing was changed: say in up to {Texts.Most<JobBuild>(nameof(JobBuild.LeftOut))} letters why it stays out."
            );
        return Pieces(at).FirstOrDefault(p => p.Key == piece) is { } known
            ? Change($"{known.Words} left out: {reason}", j => BuildEdits.LeaveOut(j, piece, reason))
            : Gone;
    }

    /// <summary>Lays a piece on the bench that no sheet names.</summary>
    /// <param name="at">The job.</param>
    /// <param name="level">The access level at which it came out.</param>
    /// <param name="what">What it is.</param>
    /// <param name="count">How many, 1 to 1,000, as typed.</param>
    /// <param name="mm">How long, in millimetres, as typed; empty: not said.</param>
    /// <param name="where">Where it came from.</param>
    public static Press<Job> Lay(AtHand at, string level, string? what, string? count, string? mm, string? where)
    {
        if (!Texts.TryNeeded<LyingPiece>(nameof(LyingPiece.What), what, out string name))
            return Refuse(
                "what",
                $"Nothing was changed: say what came out, in up to {Texts.Most<LyingPiece>(nameof(LyingPiece.What))} letters."
            );
        if (!Texts.TryOptional<LyingPiece>(nameof(LyingPiece.Where), where, out string place))
            return Refuse(
                "where",
                $"Nothing was changed: say where it came from in up to "
                    + $"{Texts.Most<LyingPiece>(nameof(LyingPiece.Where)):#,0} letters."
            );
        if (!TypedNumber.TryParse(count ?? "1", out decimal many) || many is < 1 or > 1000 || many % 1 != 0)
            return Refuse("count", $"Nothing was changed: \"{count}\" is not a number of pieces from 1 to 1,000.");
        decimal length = 0;
        if (!string.IsNullOrWhiteSpace(mm) && (!TypedNumber.TryParse(mm, out length) || length is < 0.1m or > 1000))
            return Refuse("mm", $"Nothing was changed: \"{mm}\" is not a length in millimetres.");
        var piece = new LyingPiece
        {
            Level = level,
            What = name,
            Count = (int)many,
            Mm = length > 0 ? length : null,
            Where = place,
        };
        return at.Sheet.Steps.Any(s => s.Opens?.Id == level)
            ? Change($"On the bench: {IdText.Counted((int)many, name)}", j => BuildEdits.Lay(j, piece))
            : Gone;
    }

    /// <summary>Pieces that can be replaced at a level that is opened anyway, those that are due first.</summary>
    /// <param name="at">The job.</param>
    /// <param name="year">The year it is.</param>
    public static IEnumerable<(ServicePiece Piece, string Due, bool Taken)> Extras(AtHand at, int year)
    {
        IReadOnlyList<Replacement> due = ConditionChecks.Replacements(at.Before, year);
        HashSet<string> open = [.. at.Sheet.Steps.Select(s => s.Opens?.Id).OfType<string>()];
        return at
            .Model.Service.Where(p => at.After.Holds(p.Revisions) && (p.Access is null || open.Contains(p.Access)))
            .Select(p => (p, due.FirstOrDefault(d => d.Piece == p)?.Why ?? "", at.Build.Extras.Contains(p.Id)))
            .Where(p => p.Item2.Length > 0 || p.Item3);
    }

    /// <summary>Takes a piece on while the case is open, or leaves it for another time.</summary>
    public static Press<Job> Extra(AtHand at, int year, string piece, bool taken) =>
        Extras(at, year).FirstOrDefault(e => e.Piece.Id == piece).Piece is { } known
            ? Change(
                taken ? $"While it is open: {known.What}" : $"Left for another time: {known.What}",
                j => BuildEdits.Extra(j, piece, taken)
            )
            : Gone;
}
