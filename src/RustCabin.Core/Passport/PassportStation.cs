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
}
