using RustCabin.Core.Findings;
using RustCabin.Core.Planning;

namespace RustCabin.Core.Passport;

/// <summary>What the record lacks.</summary>
static class PassportChecks
{
    /// <summary>KEEP-ORIGINAL: a part is in, and no place is noted for an original that must be kept.</summary>
    public static IEnumerable<Finding> Originals(PlannedUnit unit) =>
        from original in Stations.Originals.Of(unit)
        where unit.Job!.Done.Contains(original.Step) && original.PlaceIn(unit.Unit).Length == 0
        select new Finding(
            PassportFindings.KeepOriginal,
            Severity.Note,
            $"Where is it: {original.What}",
            [original.Subject],
            $"{original.Of} is in. Note where this is kept, while you still hold it: {original.What}.",
            ["What has no place noted is lost by the time it is wanted."]
        );
}
