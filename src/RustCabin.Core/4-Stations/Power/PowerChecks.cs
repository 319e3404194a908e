using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Power;

static class PowerChecks
{
    /// <summary>
    /// POWER-OVER: peak over (or within 10 % of) what a rail carries after ageing. POWER-NO-RAIL: a part wants a rail that is not
    /// there.
    /// </summary>
    public static IEnumerable<Finding> Rails(PlannedUnit unit)
    {
        IReadOnlyList<RailLoad> rails = RailLoad.Of(unit);
        foreach (RailLoad rail in rails)
            if (Limit.Of(rail.PeakAmps, rail.CapacityAmps) is { } severity)
                yield return Over(rail, severity);

        foreach (Instance instance in unit.Instances)
        foreach (
            Draw draw in instance.Part.Draws.Where(d =>
                d.PeakAmps > 0
                && d.When.Holds(key => Instance.PositionOf(instance, key, unit.Instances))
                && rails.All(r => r.Rail != RailLoad.RailOf(instance, d))
            )
        )
            yield return new Finding(
                PowerFindings.PowerNoRail,
                Severity.Stop,
                $"No {draw.Rail} V for {instance.Title}",
                [instance.Subject],
                $"{instance.Title} needs {draw.Rail} V, which this unit does not have.",
                [
                    $"Rails here: {string.Join(", ", rails.Select(r => $"{r.Rail} V"))}.",
                    $"{instance.Title} draws up to {draw.PeakAmps} A from {draw.Rail} V.",
                ]
            );
    }

    /// <summary>
    /// POWER-PARALLEL: two regulated supplies on one rail do not share the load; the stronger drives the weaker. A supply must
    /// replace the other, or be a rail of its own.
    /// </summary>
    public static IEnumerable<Finding> Parallel(PlannedUnit unit)
    {
        (Instance By, Supply Supply)[] all =
        [
            .. unit.Instances.SelectMany(i => i.Part.Supplies.Where(s => !s.Isolated).Select(s => (i, s))),
        ];
        foreach (var rail in all.GroupBy(s => s.Supply.Rail))
        {
            bool own = unit.Rails.Any(r => r.Id == rail.Key);
            (Instance By, Supply Supply)[] replacing = [.. rail.Where(s => s.Supply.Replaces)],
                adding = [.. rail.Where(s => !s.Supply.Replaces)];
            int left =
                adding.Length
                + (
                    replacing.Length > 0 ? replacing.Length
                    : own ? 1
                    : 0
                );
            if (left < 2)
                continue;
            yield return new Finding(
                PowerFindings.PowerParallel,
                Severity.Stop,
                $"{left} supplies on {rail.Key} V",
                [.. rail.Select(s => s.By.Subject).Distinct()],
                $"{string.Join(" and ", rail.Select(s => s.By.Title).Distinct())}"
                    + (own && replacing.Length == 0 ? " and the machine's own supply" : "")
                    + $" feed {rail.Key} V at once: regulated supplies do not share, the one that stands higher "
                    + $"drives the other.",
                [
                    own
                        ? $"{unit.Model.Name} has a {rail.Key} V supply of its own."
                        : $"{unit.Model.Name} has no {rail.Key} V supply.",
                    .. rail.Select(s =>
                        $"{s.By.Title}: {s.Supply.Amps} A, "
                        + (s.Supply.Replaces ? "in the place of the other." : "beside the other.")
                    ),
                    "One must stand in the place of the other (replaces), or be a rail of its own that is joined at ground only "
                        + "(isolated).",
                ]
            );
        }
    }

    /// <summary>The same of choices.</summary>
    public static void ParallelRule(ChoiceModel choices)
    {
        foreach (string rail in choices.Named.SelectMany(p => p.Part.Supplies.Select(s => s.Rail)).Distinct())
        {
            (ILiteral On, Supply Supply)[] all = [.. choices.Suppliers(rail).Where(s => !s.Supply.Isolated)];
            bool own = choices.Unit.Rails.Any(r => r.Id == rail);
            ILiteral[] replacing = [.. all.Where(s => s.Supply.Replaces).Select(s => s.On)];
            if (replacing.Length > 1)
                choices.AtMostOne(replacing);
            ILiteral[] adding = [.. all.Where(s => !s.Supply.Replaces).Select(s => s.On)];
            if (own)
                foreach (ILiteral on in adding)
                    choices.Forbid(on);
            else if (adding.Length + replacing.Length > 1 && adding.Length > 0)
                choices.AtMostOne([.. adding, .. replacing]);
        }
    }

    static Finding Over(RailLoad rail, Severity severity)
    {
        string share = rail.CapacityAmps > 0 ? $"{rail.PeakAmps / rail.CapacityAmps * 100:0} %" : "over nothing";
        return new Finding(
            PowerFindings.PowerOver,
            severity,
            $"{rail.Rail} V at {share}",
            [Subject.Model(rail.Rail), .. rail.Loads.Select(l => Subject.Part(l.Instance))],
            $"Peak {rail.PeakAmps} A of {rail.CapacityAmps:0.##} A after ageing.",
            [
                $"Capacity: {rail.RatedAmps} A x {rail.Derate} for age = {rail.CapacityAmps:0.####} A.",
                $"The unit itself: {rail.UnitAmps} A.",
                .. rail.Loads.Select(l => $"{l.Name}: {l.TypicalAmps} A, at peak {l.PeakAmps} A."),
                $"Peak together: {rail.PeakAmps} A; headroom {rail.HeadroomAmps:0.####} A.",
            ]
        );
    }

    const decimal MicroAmp = 1_000_000;

    /// <summary>The same of choices: peaks together within what each rail carries, and a rail for whatever draws.</summary>
    public static void Rule(ChoiceModel choices)
    {
        foreach (Rail rail in choices.Unit.Rails)
        {
            // With a supply in its place the rail's own amps and age no longer count; what is left of it is left to the checks.
            if (choices.Suppliers(rail.Id).Any())
                continue;
            List<(ILiteral On, long)> terms =
            [
                .. Draws(choices, rail.Id).Select(d => (d.On, (long)decimal.Floor(d.Draw.PeakAmps * MicroAmp))),
            ];
            if (terms.Count > 0)
                choices.AtMost(terms, (long)decimal.Ceiling((rail.Amps * rail.Derate - rail.UsedAmps) * MicroAmp));
        }
        IEnumerable<string> wanted = choices.Named.SelectMany(p => p.Part.Draws.Select(d => d.Rail)).Distinct();
        foreach (string lone in wanted.Where(r => choices.Unit.Rails.All(own => own.Id != r)))
        foreach ((ILiteral on, Draw draw) in Draws(choices, lone))
            if (draw.PeakAmps > 0)
                choices.Imply(on, choices.Suppliers(lone).Select(s => s.On));
    }

    static IEnumerable<(ILiteral On, Draw Draw)> Draws(ChoiceModel choices, string rail) =>
        choices
            .Named.SelectMany(p =>
                p.Part.Draws.Where(d => d.Rail == rail).Select(d => (choices.Holds(p.Name, choices.Is(p.Name), d.When), d))
            )
            .Where(d => d.Item1 != choices.No);
}
