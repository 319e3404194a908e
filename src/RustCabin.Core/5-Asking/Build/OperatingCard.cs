using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Build;

/// <summary>A line of an operating card, and whose it is.</summary>
/// <param name="Of">The machine, or the part.</param>
/// <param name="Use">What is done when, and what is seen then.</param>
public sealed record CardLine(string Of, UseLine Use);

/// <summary>
/// How the unit is used as it stands: the lines of the machine, then those of every part on it. Source:
/// docs/handbook/passport.md, Operating card.
/// </summary>
public static class OperatingCard
{
    /// <summary>The lines.</summary>
    /// <param name="now">The unit as it stands.</param>
    public static IReadOnlyList<CardLine> Of(PlannedUnit now) =>
        [
            .. now.Model.Use.Select(u => new CardLine(now.Model.Name, u)),
            .. now
                .StartUps.Where(s => s.How.Length > 0)
                .Select(s => new CardLine(now.Model.Name, new UseLine { When = $"to start it {s.Name}", Do = s.How })),
            .. now.Parts.SelectMany(p => p.Part.Use.Select(u => new CardLine(p.Title, u))),
        ];
}
