using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Faults;
using RustCabin.Core.Presses;
using RustCabin.Core.Wiring;

namespace RustCabin.Web.Pages.Faults;

/// <summary>Repairs of lifted traces: from the nets of the unit's boards.</summary>
public sealed partial class FaultsModel
{
    /// <summary>The places of the unit that lie on a net with others, as the job leaves them.</summary>
    public IReadOnlyList<RepairLeg> Legs
    {
        get
        {
            if (field is not null)
                return field;
            var wired = Wired.Of(View.After);
            IReadOnlyList<Drawings.BoardPlan> boards = Drawings.BoardPlan.All(wired, below: false);
            return field = [
                .. from leg in BoardLegs.Of(wired)
                let spot = boards.Select(b => b.Of(leg.Place)).FirstOrDefault(d => d is not null)
                select leg.Leg with
                {
                    XMm = (decimal?)spot?.X,
                    YMm = (decimal?)spot?.Y,
                },
                .. ArrayLegs.Of(View.After),
            ];
        }
    }

    /// <summary>Nets with two places or more.</summary>
    public IEnumerable<IGrouping<string, RepairLeg>> Nets => Legs.GroupBy(l => l.Net).Where(g => g.Count() > 1);

    /// <summary>The net that is mended, as the address says.</summary>
    public string? Net => Nets.Any(n => n.Key == Request.Query["net"].ToString()) ? Request.Query["net"].ToString() : null;

    /// <summary>The places that have come off, as the address says.</summary>
    public IReadOnlyList<string> Broken =>
        [.. Request.Query["broken"].OfType<string>().Where(b => Legs.Any(l => l.Net == Net && l.Place == b)).Distinct()];

    /// <summary>The wires; null: nothing is broken.</summary>
    public Repair? Mending =>
        field ??= Net is null || Broken.Count == 0 ? null : Repair.Of(new RepairAsked { Legs = Legs, Broken = Broken });

    /// <summary>The boards with the mend on them, drawn as the wiring would be.</summary>
    public IEnumerable<(Wired Wired, Drawings.BoardPlan Board)> Drawn
    {
        get
        {
            if (Mending is not { Wires.Count: > 0 } repair)
                return [];
            var wired = Wired.Of(
                View.After with
                {
                    Job = View.Job with
                    {
                        Changes = [.. View.Job.Changes, .. RepairPresses.ActsOf(Wired.Of(View.After), repair, Broken)],
                    },
                }
            );
            int[] ends = [.. repair.Wires.SelectMany(w => (string[])[w.From, w.To]).Select(wired.After.Find).Where(p => p >= 0)];
            return Drawings.BoardPlan.With(Drawings.BoardPlan.All(wired, below: false), ends).Select(b => (wired, b));
        }
    }

    /// <summary>On which side a wire goes: where legs come through the board, below; else where the legs lie.</summary>
    public string RouteOf(RepairWire wire)
    {
        Netlist nets = Wired.Of(View.After).After;
        Place?[] ends =
        [
            .. ((string[])[wire.From, wire.To]).Select(nets.Find).Select(p => p < 0 ? null : nets.Places.All[nets.LegOf(p)]),
        ];
        return ends.All(e => e?.Outline is null or { Family: Core.Chips.PackageFamily.Dip })
            ? "on the solder side"
            : "on the side where the legs lie";
    }

    public IActionResult OnPostRepair(string job, long version) =>
        Press(job, version, at => RepairPresses.Repair(at, Gate.Step.Id, Mending, Broken));
}
