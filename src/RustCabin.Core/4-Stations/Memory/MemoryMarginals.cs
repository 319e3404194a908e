using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Memory;

/// <summary>Memory that comes and goes: chips that are too slow. Source: docs/handbook/faults.md, Rates.</summary>
static class MemoryMarginals
{
    /// <summary>A chip answers later as it warms.</summary>
    static readonly StartRates Slow = new(0.9, 0.55);

    const decimal PerClaim = 0.25m;

    public static IEnumerable<Hypothesis> Of(PlannedUnit at) =>
        from claim in at.Claims
        where claim.Kind == ClaimKind.Ram && claim.Size > 1
        let part = claim.Owner.Instance is { } name ? at.Find(name) : null
        let what = at.NameOf(claim.Owner)
        select new Hypothesis(
            $"slow:{claim.Owner}",
            $"a chip of {what} is too slow",
            Work.ChanceOf(part) * PerClaim,
            Shown.Nothing
        )
        {
            Rates = Slow,
            Instance = part,
            Mend = $"Put faster chips into {what}, or a wait state more.",
            MendMinutes = 15,
            Look = new Look(
                $"slow:{claim.Owner}",
                $"Cool the chips of {what} with a spray, and switch on: does it start each time then?",
                6,
                "no change",
                "each time"
            )
            {
                State = LookState.SwitchedOn,
                Opens = part is null ? AccessPath.Deepest(at.Model) : AccessPath.To(at.Model, part),
            },
        };
}
