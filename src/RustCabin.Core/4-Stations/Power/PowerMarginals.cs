using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Power;

/// <summary>
/// What comes and goes with the supply: a rail at its limit, a capacitor that fails, heat. Source: docs/handbook/faults.md,
/// Rates.
/// </summary>
static class PowerMarginals
{
    const decimal Weight = 0.01m,
        LookMinutes = 4;

    /// <summary>A cold supply gives least while everything draws most; a dried capacitor recovers once it is warm.</summary>
    static readonly StartRates AtItsLimit = new(0.5, 0.8),
        Dried = new(0.35, 0.9),
        TooHot = new(0.97, 0.4);

    public static IEnumerable<Hypothesis> Of(PlannedUnit at) =>
        at
            .Rails.Select(rail => new Hypothesis(
                $"limit:{rail.Id}",
                $"the {rail.Id} V rail is at its limit while all draws from it",
                Weight,
                Shown.Nothing
            )
            {
                Rates = AtItsLimit,
                Mend = $"Measure {rail.Id} V while it starts; less load, thicker leads, or a supply that carries it.",
                MendMinutes = 20,
            })
            .Concat(at.Model.Service.Where(p => p.Kind == ServiceKind.Capacitor).Select(p => Capacitor(at, p)))
            .Concat(at.Instances.Where(i => i.Part.HeatW >= PowerHypotheses.HotWatts).Select(Hot));

    static Hypothesis Capacitor(PlannedUnit at, ServicePiece piece) =>
        new($"capacitor:{piece.Id}", $"the {piece.What} fails", Weight, Shown.Nothing)
        {
            Rates = Dried,
            Mend = $"Replace the {piece.What}.",
            MendMinutes = piece.Minutes ?? 12,
            Look = new Look(
                $"capacitor:{piece.Id}",
                $"Look whether the {piece.What} bulges or leaks",
                LookMinutes,
                "sound",
                "bulges or leaks"
            )
            {
                Opens = AccessPath.Path(at.Model, piece.Access),
            },
        };

    static Hypothesis Hot(Instance part) =>
        new($"hot:{part.Name}", $"{part.Title} fails once it is hot", Work.ChanceOf(part) / 4, Shown.Nothing)
        {
            Rates = TooHot,
            Instance = part,
            Mend = $"A heat sink on {part.Title}, air past it, or a slower clock.",
            MendMinutes = 15,
        };
}
