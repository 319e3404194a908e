using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Passport;

/// <summary>The unit's record. Source: docs/handbook/passport.md.</summary>
public sealed class PassportStation : Station
{
    /// <inheritdoc/>
    public override string Name => "Passport";

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => PassportFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } = [Check.On(Rests.Parts, PassportChecks.Originals)];

    /// <summary>Originals that came off, with where they are kept, and those that will.</summary>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked) =>
        from original in Originals.Of(asked.Unit)
        let off = asked.IsDone(original.Step)
        select new PassportLine(
            PassportPart.Kept,
            original.What,
            original.PlaceIn(asked.Unit.Unit),
            original.Of,
            off ? "off" : "planned"
        );
}
