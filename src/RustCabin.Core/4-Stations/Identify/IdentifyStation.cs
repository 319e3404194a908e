using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Identify;

/// <summary>Which board it is. Source: docs/handbook/identify.md.</summary>
public sealed class IdentifyStation : Station
{
    /// <summary>From this chance on the board counts as known.</summary>
    const double Sure = 0.95;

    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Identify");

    /// <inheritdoc/>
    public override StationName Name => Here;

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => IdentifyFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } = [Check.On(Rests.Parts, IdentifyChecks.Contradictions)];

    /// <summary>It is another board after all, as likely as the clues have it.</summary>
    public override IEnumerable<Hypothesis> Hypotheses(PlannedUnit at) =>
        from other in at.Revision.All
        // A board that a person vouches for by hand is no other.
        where at.Unit.Revision is null && other.Id != at.Revision.Id && other.Probability > 0
        let effect = new Effect { Built = unit => Plan.OnBoard(unit, other.Id) }
        let clue = at.Model.Clues.FirstOrDefault(c => !at.Unit.Seen.ContainsKey(c.Id) && Parts(c, at.Revision.Id, other.Id))
        select new Hypothesis(
            $"revision:{other.Id}",
            $"it is {at.Model.FindRevision(other.Id)?.Name ?? other.Id} after all",
            (decimal)other.Probability,
            effect.On(at)
        )
        {
            Effect = effect,
            Mend = "Look at the clues again at Identify, and plan for the board that it is.",
            Look = clue is null
                ? null
                : new Look($"clue:{clue.Id}", clue.Ask, clue.Minutes, SaysOf(clue, at.Revision.Id), SaysOf(clue, other.Id))
                {
                    Opens = AccessPath.Path(at.Model, clue.Access),
                },
        };

    static bool Parts(Sheets.Clue clue, string one, string other) =>
        SaysOf(clue, one) is { Length: > 0 } a && SaysOf(clue, other) is { Length: > 0 } b && a != b;

    static string SaysOf(Sheets.Clue clue, string revision) =>
        clue.Values.Where(v => v.Value.Contains(revision)).Select(v => v.Key).FirstOrDefault("");

    /// <inheritdoc/>
    public override IEnumerable<MissingFact> Missing(PlannedUnit unit)
    {
        const string tells = "which board this unit is, and what fits it";
        if (unit.Model is { Revisions.Count: > 1, Clues.Count: 0 })
            yield return MissingFact.OfModel(unit, nameof(Model.Clues), "what tells its boards apart", tells);
        else if (unit.IsBoardAssumed)
            yield return MissingFact.Here("what the clues show", tells);
    }

    /// <inheritdoc/>
    public override Far FarOf(PlannedUnit unit) =>
        unit.Unit.Revision is not null || unit.Revision.Probability >= Sure ? Far.Clear
        : unit.Unit.Seen.Count > 0 ? Far.InHand
        : Far.Empty;
}
