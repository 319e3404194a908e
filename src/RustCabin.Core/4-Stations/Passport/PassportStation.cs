using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Passport;

/// <summary>The unit's record. Source: docs/handbook/passport.md.</summary>
public sealed class PassportStation : Station
{
    /// <summary>Its name.</summary>
    public static readonly StationName Here = new("Passport");

    /// <inheritdoc/>
    public override StationName Name => Here;

    /// <summary>Originals that are kept.</summary>
    public static readonly PassportPart Kept = new("Originals that are kept", 5) { HasOwnPlace = true };

    /// <inheritdoc/>
    public override IReadOnlyList<PassportPart> PassportParts { get; } = [Kept];

    /// <inheritdoc/>
    public override IReadOnlyList<FindingKind> Findings => PassportFindings.All;

    /// <inheritdoc/>
    public override IReadOnlyList<Check> Checks { get; } = [Check.On(Rests.Parts, PassportChecks.Originals)];

    /// <summary>Originals that came off, with where they are kept, and those that will.</summary>
    public override IEnumerable<PassportLine> Passport(PassportAsked asked) =>
        from original in Originals.Of(asked.Unit)
        let off = asked.IsDone(original.Step)
        select new PassportLine(Kept, original.What, original.PlaceIn(asked.Unit.Unit), original.Of, off ? "off" : "planned");
}
