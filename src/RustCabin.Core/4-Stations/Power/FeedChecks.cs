using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Power;

/// <summary>
/// What a part is fed and what its pins speak, against where it sits. Source: docs/handbook/fit.md, Feeds and levels.
/// </summary>
static class FeedChecks
{
    /// <summary>What a TTL input takes for high, in volts.</summary>
    const decimal TtlHigh = 2.0m;

    /// <summary>What a plain CMOS input takes for high, as a share of its supply.</summary>
    const decimal CmosHigh = 0.7m;

    /// <summary>
    /// LEVEL: pins of different volts meet, and the sheet does not say that the lower side stands it; or what the part drives is
    /// too low for the inputs there.
    /// </summary>
    public static IEnumerable<Finding> Levels(PlannedUnit unit)
    {
        foreach (Instance instance in unit.Instances.Where(i => i.Part.LogicVolts is not null))
        foreach (Occupies taken in instance.Occupied)
            if (unit.FindSite(taken.Site!)?.LogicVolts is { } there)
            {
                decimal speaks = instance.Part.LogicVolts!.Value,
                    stands = Math.Max(speaks, instance.Part.ToleratesVolts ?? 0);
                decimal high = unit.FindSite(taken.Site!)!.Inputs == SiteInputs.Cmos ? CmosHigh * there : TtlHigh;
                if (there <= stands && speaks < high)
                    yield return new Finding(
                        PowerFindings.Level,
                        Severity.Stop,
                        $"{speaks:0.#} V is not high enough",
                        [instance.Subject],
                        $"{instance.Title} drives {speaks:0.#} V into {At(taken)}, which takes {high:0.0#} V and more for high.",
                        [
                            $"Inputs of {At(taken)}: "
                                + (
                                    unit.FindSite(taken.Site!)!.Inputs == SiteInputs.Cmos
                                        ? $"plain CMOS at {there:0.#} V, high from {CmosHigh} x {there:0.#} = {high:0.0#} V."
                                        : $"TTL, high from {TtlHigh:0.0} V."
                                ),
                            "A level shifter that goes up, such as a buffer with TTL inputs on the site's own supply.",
                        ]
                    );
                if (there > stands || speaks > there)
                    yield return new Finding(
                        PowerFindings.Level,
                        Severity.Stop,
                        $"{speaks:0.#} V meets {there:0.#} V",
                        [instance.Subject],
                        there > stands
                            ? $"The pins of {At(taken)} carry {there:0.#} V; {instance.Title} speaks {speaks:0.#} V and "
                                + $"stands {stands:0.#} V."
                            : $"{instance.Title} drives {speaks:0.#} V into {At(taken)}, which speaks {there:0.#} V.",
                        [
                            "A level shifter between them, or a part made for this level. That it worked once proves nothing: "
                                + "inputs die slowly.",
                        ]
                    );
            }
    }

    /// <summary>FEED-RANGE: the rail at a part's feed pin is outside what it stands.</summary>
    public static IEnumerable<Finding> Feeds(PlannedUnit unit) =>
        from instance in unit.Instances
        let feed = instance.Part.Feed
        where feed is not null
        let rail = unit.Rails.FirstOrDefault(r => r.Id == feed.Rail)
        where rail is not null && (rail.Volts < feed.MinVolts || rail.Volts > feed.MaxVolts)
        select new Finding(
            PowerFindings.FeedRange,
            Severity.Stop,
            $"{rail.Volts:0.##} V feeds {instance.Title}",
            [instance.Subject],
            $"{instance.Title} stands {feed.MinVolts:0.##} to {feed.MaxVolts:0.##} V at its feed pin; {feed.Rail} gives "
                + $"{rail.Volts:0.##} V.",
            ["What a part is fed and what it talks are two things: both must match."]
        );

    /// <summary>
    /// USB-PROFILE: a trigger board asks a USB-C supply for one fixed voltage. It must be offered exactly, never "close enough"
    /// upward, with enough current; over 3 A the cable must be marked.
    /// </summary>
    public static IEnumerable<Finding> Profiles(PlannedUnit unit)
    {
        foreach (Instance board in unit.Instances.Where(i => i.Part.Trigger is not null))
        {
            (decimal volts, decimal amps) = (board.Part.Trigger!.Volts, board.Part.Trigger.Amps);
            Instance[] supplies = [.. unit.Instances.Where(i => i.Part.Profiles.Count > 0)];
            string[] why =
            [
                .. supplies.Select(s =>
                    $"{s.Title} offers {string.Join(", ", s.Part.Profiles.Select(p => $"{p.Volts:0.#} V at {p.Amps:0.##} A"))}"
                    + $"{(s.Part.MarkedCable ? ", cable marked" : "")}."
                ),
                "12 V is optional for supplies. What is not offered is not given: the board then gets another voltage.",
            ];
            Subject[] subjects = [board.Subject, .. supplies.Select(s => s.Subject)];
            if (supplies.Length == 0)
                yield return new Finding(
                    PowerFindings.UsbProfile,
                    Severity.Watch,
                    $"A supply for {volts:0.#} V",
                    subjects,
                    $"{board.Title} takes {volts:0.#} V at {amps:0.##} A from USB-C; no supply is in the plan.",
                    why
                );
            else if (!supplies.Any(s => s.Part.Profiles.Any(p => p.Volts == volts)))
                yield return new Finding(
                    PowerFindings.UsbProfile,
                    Severity.Stop,
                    $"{volts:0.#} V is not offered",
                    subjects,
                    $"{board.Title} takes {volts:0.#} V, no other; no supply here offers it.",
                    why
                );
            else if (!supplies.Any(s => s.Part.Profiles.Any(p => p.Volts == volts && p.Amps >= amps)))
                yield return new Finding(
                    PowerFindings.UsbProfile,
                    Severity.Stop,
                    $"{amps:0.##} A at {volts:0.#} V",
                    subjects,
                    $"{board.Title} wants {amps:0.##} A at {volts:0.#} V; the supply gives "
                        + $"{supplies.SelectMany(s => s.Part.Profiles).Where(p => p.Volts == volts).Max(p => p.Amps):0.##} A.",
                    why
                );
            else if (
                amps > 3
                && !supplies.Any(s => s.Part.MarkedCable && s.Part.Profiles.Any(p => p.Volts == volts && p.Amps >= amps))
            )
                yield return new Finding(
                    PowerFindings.UsbProfile,
                    Severity.Stop,
                    "The cable must be marked",
                    subjects,
                    $"{board.Title} wants {amps:0.##} A: over 3 A only a marked cable is given it.",
                    why
                );
        }
    }

    static string At(Occupies taken) => LocalName.Parse(taken.Site!).Plain;
}
