using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Fit;

/// <summary>
/// How something sits: turned, one contact off, a leg bent, its ribbon the other way round; and the machine's own chips in the
/// sockets that a start needs. Source: docs/handbook/faults.md, Causes.
/// </summary>
static class SeatHypotheses
{
    const decimal LookMinutes = 1,
        SeatMinutes = 4;

    /// <summary>Of a part by the sites that it takes.</summary>
    /// <param name="at">The unit.</param>
    /// <param name="part">The part.</param>
    /// <param name="gone">The part does not answer.</param>
    /// <param name="shows">What the machine shows then: one run serves for all of them.</param>
    public static IEnumerable<Hypothesis> Of(PlannedUnit at, Instance part, Effect gone, Shown shows)
    {
        Site[] taken =
        [
            .. part
                .Occupied.Where(o => o.Mode is SiteMode.In or SiteMode.Between or SiteMode.Over)
                .Select(o => o.Site is { } site ? at.FindSite(site) : null)
                .OfType<Site>(),
        ];
        decimal quarter = Work.ChanceOf(part) / 4;
        Hypothesis of(string id, string words, string mend, string look, string usual, string odd) =>
            new($"{id}:{part.Name}", words, quarter, shows)
            {
                Effect = gone,
                Instance = part,
                IsBetween = true,
                Mend = mend,
                MendMinutes = SeatMinutes,
                Look = Look.At(at, part, $"{id}:{part.Name}", look, LookMinutes, usual, odd),
            };
        if (taken.Any(s => s.Package is not null))
        {
            yield return of(
                "turned",
                $"{part.Title} sits the other way round",
                $"Switch off at once, turn {part.Title}, and test it by itself before it is trusted again.",
                $"Look where the mark of {part.Title} lies",
                "as drawn",
                "at the other end"
            );
            yield return of(
                "leg",
                $"a leg of {part.Title} is bent under",
                $"Take {part.Title} out, straighten the leg, and press it in along both rows.",
                $"Look along the rows of {part.Title} for a leg that is not in its hole",
                "all in",
                "one is bent"
            );
        }
        if (taken.Length > 0)
            yield return of(
                "shifted",
                $"{part.Title} sits one contact off",
                $"Switch off, take {part.Title} out, and seat it with its first contact on the first.",
                $"Count the contacts that show at either end of {part.Title}",
                "none",
                "one at an end"
            );
        if (taken.Any(s => s.Kind is "header" or "connector"))
            yield return of(
                "ribbon",
                $"the ribbon or plug of {part.Title} is the other way round",
                "Switch off, and turn it: the marked edge at contact 1.",
                $"Look where the marked edge of the lead of {part.Title} lies",
                "at contact 1",
                "at the other end"
            );
    }

    /// <summary>The machine's own processor and ROM, where they sit in sockets and nothing took their place.</summary>
    public static IEnumerable<Hypothesis> Own(PlannedUnit at) =>
        from name in Starting.Of(at).Sites
        let site = at.FindSite(name)
        where site is { Kind: "socket" } && at.Instances.All(i => i.Occupied.All(o => o.Site != name))
        where (at.Job?.Roms ?? []).All(r => r.Site != name)
        let words = IdText.Plain(name)
        select new Hypothesis(
            $"seat:model:{name}",
            $"the chip in the {words} socket is not seated",
            Work.UsualChance / 4,
            Shown.Dark
        )
        {
            Effect = new Effect { IsDead = true },
            Mend = "Switch off, press it home; if that does nothing, take it out and look at its legs.",
            MendMinutes = SeatMinutes,
            Look = new Look(
                $"seat:model:{name}",
                $"Look whether the chip in the {words} socket is seated",
                LookMinutes,
                "seated",
                "not seated"
            )
            {
                Opens = AccessPath.Path(at.Model, site.Access),
            },
        };
}
