using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Passport;

/// <summary>What the record lacks.</summary>
static class PassportChecks
{
    /// <summary>KEEP-ORIGINAL: a part is in, and no place is noted for an original that must be kept.</summary>
    public static IEnumerable<Finding> Originals(PlannedUnit unit) =>
        from instance in unit.Instances
        where instance.Added && unit.Job?.Done.Contains(Acts.Fit(instance.Name)) == true
        from kept in instance.Part.Keeps.Concat(instance.Way?.Keeps ?? []).Distinct()
        where !unit.Unit.Belongings.Any(b => b.What == kept && b.Place.Length > 0)
        select new Finding(
            PassportFindings.KeepOriginal,
            Severity.Note,
            $"Where is it: {kept}",
            [instance.Subject],
            $"{instance.Title} is in. Note where the {kept} is kept, while you still hold it.",
            ["What has no place noted is lost by the time it is wanted."]
        );
}
