using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Faults;
using RustCabin.Core.Sheets;
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
                .. from at in wired.Places.All.Index()
                where at.Item.Net is not null
                let spot = boards.Select(b => b.Of(at.Index)).FirstOrDefault(d => d is not null)
                select new RepairLeg
                {
                    Place = at.Item.Name,
                    Net = at.Item.Owner + at.Item.Net,
                    XMm = (decimal?)spot?.X,
                    YMm = (decimal?)spot?.Y,
                },
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

    public IActionResult OnPostRepair(string job, long version)
    {
        if (!Load(job))
            return NotFound();
        return Change(
            job,
            version,
            _ =>
                Mending is { Wires.Count: > 0 } repair
                    ? (
                        $"Repair of {repair.Net} on the build sheet",
                        j =>
                            j with
                            {
                                Changes =
                                [
                                    .. j.Changes,
                                    .. Broken.Select(b => new WireChange
                                    {
                                        Do = ChangeAct.Cut,
                                        Net = Legs.First(l => l.Place == b).Net,
                                        Off = [b],
                                        Where = ", as it has lifted",
                                        Minutes = 0,
                                    }),
                                    .. repair.Wires.Select(w => new WireChange
                                    {
                                        Do = ChangeAct.Wire,
                                        From = [w.From],
                                        To = [w.To],
                                        Mm = w.Mm is > 1 ? (decimal)Math.Round(w.Mm.Value * 1.3) : null,
                                        Gauge = 30,
                                    }),
                                ],
                            }
                    )
                    : null
        );
    }
}
