using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Power;

/// <summary>What a linear regulator turns into heat: (in - out) x amps, in watts.</summary>
public sealed record RegulatorHeat(Rail Rail, decimal Amps)
{
    /// <summary>The heat that it makes, in watts.</summary>
    public decimal Watts => Math.Abs(Rail.Regulator!.FromVolts - Rail.Volts) * Amps;

    /// <summary>The regulators of a unit's rails, each with what it carries.</summary>
    public static IReadOnlyList<RegulatorHeat> Of(PlannedUnit unit)
    {
        IReadOnlyList<RailLoad> loads = RailLoad.Of(unit);
        return
        [
            .. unit
                .Rails.Where(r => r.Regulator is not null)
                .Select(r => new RegulatorHeat(r, loads.First(l => l.Rail == r.Id).PeakAmps)),
        ];
    }
}

/// <summary>
/// The heat in the case and what becomes of it: rise = watts x degrees per watt without a fan; CFM = 1.76 x watts / degrees with
/// one. Source: docs/handbook/fit.md, Heat.
/// </summary>
public sealed record CaseHeat(Cooling Cooling, decimal Watts)
{
    const decimal CfmPerWattDegree = 1.76m;

    /// <summary>Degrees above the room; null where the sheet gives no thermal resistance.</summary>
    public decimal? Rise => Watts * Cooling.DegreesPerWatt;

    /// <summary>Cubic feet a minute that hold the rise at the most allowed.</summary>
    public decimal CfmNeeded => Airflow(Watts, Cooling.MaxRise);

    /// <summary>The air that holds a rise, in cubic feet a minute.</summary>
    public static decimal Airflow(decimal watts, decimal degrees) => CfmPerWattDegree * watts / degrees;

    /// <summary>The heat in the case; null where the sheet says nothing of its cooling.</summary>
    public static CaseHeat? Of(PlannedUnit unit) =>
        unit.Model.Cooling is { } cooling
            ? new CaseHeat(cooling, cooling.OwnWatts + unit.Instances.Sum(i => i.Part.HeatW))
            : null;
}

static class HeatChecks
{
    /// <summary>
    /// HEAT-REGULATOR and HEAT-CASE: over (stop) or within 10 % (watch) of what a regulator or the case can get rid of.
    /// </summary>
    public static IEnumerable<Finding> Of(PlannedUnit unit)
    {
        foreach (RegulatorHeat heat in RegulatorHeat.Of(unit))
            if (Limit.Of(heat.Watts, heat.Rail.Regulator!.MaxWatts) is { } hot)
                yield return new Finding(
                    PowerFindings.HeatRegulator,
                    hot,
                    $"{heat.Watts:0.#} W in the {heat.Rail.Id} V regulator",
                    [Subject.Model(heat.Rail.Id), .. Drawing(unit, heat.Rail.Id)],
                    $"The regulator of {heat.Rail.Id} V turns {heat.Watts:0.##} W into heat; it stands "
                        + $"{heat.Rail.Regulator.MaxWatts:0.##} W.",
                    [
                        $"({heat.Rail.Regulator.FromVolts} - {heat.Rail.Volts}) V x {heat.Amps:0.###} A = {heat.Watts:0.##} W.",
                        "A switching regulator in its place, a larger heat sink, or less on the rail.",
                    ]
                );

        if (CaseHeat.Of(unit) is not { } inside)
            yield break;
        string[] why =
        [
            $"The unit itself: {inside.Cooling.OwnWatts:0.##} W.",
            .. unit.Instances.Where(i => i.Part.HeatW > 0).Select(i => $"{i.Title}: {i.Part.HeatW:0.##} W."),
            $"Together {inside.Watts:0.##} W.",
            .. inside.Rise is { } r
                ? [$"{inside.Watts:0.##} W x {inside.Cooling.DegreesPerWatt:0.###} degrees a watt = {r:0.#} degrees."]
                : (string[])[],
            $"Air for a rise of {inside.Cooling.MaxRise:0.#} degrees: 1.76 x {inside.Watts:0.##} / "
                + $"{inside.Cooling.MaxRise:0.#} = {inside.CfmNeeded:0.##} CFM.",
        ];
        Subject[] subjects = [Subject.Unit, .. unit.Instances.Where(i => i.Part.HeatW > 0).Select(i => i.Subject)];
        if (inside.Cooling.Cfm is { } cfm)
        {
            if (Limit.Of(inside.CfmNeeded, cfm) is { } still)
                yield return new Finding(
                    PowerFindings.HeatCase,
                    still,
                    $"{inside.CfmNeeded:0.##} CFM wanted",
                    subjects,
                    $"{inside.Watts:0.#} W want {inside.CfmNeeded:0.##} CFM; the fan moves {cfm:0.##}.",
                    why
                );
        }
        else if (inside.Rise is { } rise && Limit.Of(rise, inside.Cooling.MaxRise) is { } warm)
            yield return new Finding(
                PowerFindings.HeatCase,
                warm,
                $"{rise:0.#} degrees above the room",
                subjects,
                $"{inside.Watts:0.#} W in this case without a fan make it {rise:0.#} degrees warmer than the room; "
                    + $"{inside.Cooling.MaxRise:0.#} are allowed.",
                why
            );
    }

    /// <summary>FAN-AGAINST, for each fan that blows against its opening.</summary>
    public static IEnumerable<Finding> Fans(PlannedUnit unit) =>
        from part in unit.Parts
        from fan in part.Part.Fans
        let opening = unit.Model.Openings.FirstOrDefault(o => o.Id == fan.Through)
        where opening?.Air is { } air && air != fan.Blows
        select new Finding(
            PowerFindings.FanAgainst,
            Severity.Watch,
            $"The fan of {part.Title} blows against the {Declared.IdText.Plain(opening.Id)}",
            [part.Subject],
            $"Air goes {Way(opening.Air!.Value)} through the {Declared.IdText.Plain(opening.Id)}; the fan blows it "
                + $"{Way(fan.Blows)}.",
            ["Two streams against each other move less air than one of them alone."]
        );

    static string Way(AirWay way) => way == AirWay.In ? "in" : "out";

    static IEnumerable<Subject> Drawing(PlannedUnit unit, string rail) =>
        unit.Instances.Where(i => i.Part.Draws.Any(d => d.Rail == rail)).Select(i => i.Subject);
}
