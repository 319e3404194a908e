using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Fit;

/// <summary>
/// Drivers, versions and errata: what goes together, and in which order. Source: docs/handbook/fit.md, Software.
/// </summary>
public static class SoftwareChecks
{
    /// <summary>
    /// FIT-DRIVER: a driver that a part wants is not on the unit, is too old, or goes with another firmware. One that goes on
    /// before fitting is told as such.
    /// </summary>
    internal static IEnumerable<Finding> Drivers(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances)
        foreach (Driver driver in instance.Part.Drivers)
        {
            string? has = unit.Unit.Software.GetValueOrDefault(driver.Name);
            string wanted = driver.AtLeast.Length > 0 ? $"{driver.Name} {driver.AtLeast} or later" : driver.Name,
                order = driver.Order switch
                {
                    DriverOrder.Before =>
                        " Put it on before the lid comes off: afterwards the machine does not start without it.",
                    DriverOrder.After => " Put it on after fitting: it looks for the part when it is installed.",
                    _ => "",
                };
            if (has is null || Older(has, driver.AtLeast))
                yield return new Finding(
                    FitFindings.FitDriver,
                    Severity.Watch,
                    $"{instance.Title} wants {driver.Name}",
                    [instance.Subject],
                    $"{instance.Title} wants {wanted}; "
                        + $"{(has is null ? "none is noted on this unit" : $"the unit has {has}")}.{order}",
                    ["Note it under the unit's software when it is on."]
                );
            else if (
                driver.Firmware is { } firmware
                && unit.Firmware is { } runs
                && FirmwareLine.Has(unit.Model, runs, firmware) == false
            )
                yield return new Finding(
                    FitFindings.FitDriver,
                    Severity.Stop,
                    $"{driver.Name} wants firmware {firmware}",
                    [instance.Subject],
                    $"{wanted} goes with firmware {firmware}; this plan has {runs}.",
                    ["Versions that do not go together hang at the start, or corrupt what they write."]
                );
        }
    }

    /// <summary>PART-ERRATA: the part's version has known faults, or it is not known which version it is and some have.</summary>
    internal static IEnumerable<Finding> Errata(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances)
        {
            PartVersion? own = instance.Part.Versions.FirstOrDefault(v => v.Id == instance.Fitted.Version);
            if (own is { Errata.Count: > 0 })
                yield return new Finding(
                    FitFindings.PartErrata,
                    Severity.Watch,
                    $"Known of version {own.Id}",
                    [instance.Subject],
                    $"Version {own.Id} of {instance.Title}: {string.Join("; ", own.Errata)}.",
                    ["From its sheet."]
                );
            else if (instance.Fitted.Version is not null && own is null && instance.Part.Versions.Count > 0)
                yield return new Finding(
                    FitFindings.PartErrata,
                    Severity.Note,
                    $"Version {instance.Fitted.Version} is not on the sheet",
                    [instance.Subject],
                    $"The sheet of {instance.Title} knows versions "
                        + $"{string.Join(", ", instance.Part.Versions.Select(v => v.Id))}.",
                    ["What is known of them may not hold for this one."]
                );
        }
    }

    /// <summary>
    /// True if a version is before another, number by number; texts between the points compare as texts. An empty one is before
    /// all.
    /// </summary>
    public static bool Older(string has, string wanted)
    {
        string[] a = has.Split('.', '-'),
            b = wanted.Split('.', '-');
        for (int i = 0; i < b.Length && wanted.Length > 0; i++)
        {
            string one = i < a.Length ? a[i] : "0",
                other = b[i];
            int order =
                decimal.TryParse(one, System.Globalization.CultureInfo.InvariantCulture, out decimal x)
                && decimal.TryParse(other, System.Globalization.CultureInfo.InvariantCulture, out decimal y)
                    ? x.CompareTo(y)
                    : string.CompareOrdinal(one, other);
            if (order != 0)
                return order < 0;
        }
        return false;
    }
}
