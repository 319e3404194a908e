using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>
/// Goes through the work in its order, opens and closes the case as it asks, and puts the gates, each with the unit as it
/// stands there by then.
/// </summary>
sealed class BuildWalk(PlannedUnit before, PlannedUnit after)
{
    readonly List<Step> _steps = [];
    readonly HashSet<StepId> _done = [];
    IReadOnlyList<AccessLevel> _open = [];

    /// <summary>The steps so far.</summary>
    public IReadOnlyList<Step> Steps => _steps;

    Model Model => after.Model;

    string Level => _open.LastOrDefault()?.Id ?? Model.Access.FirstOrDefault(a => !a.Opens)?.Id ?? AccessLevel.Closed;

    GateRule Rule => Model.Gate ?? new GateRule();

    /// <summary>Opens the case as far as the work asks for, and does it.</summary>
    public void Do(Work work)
    {
        if (!work.Anywhere && work.Time != WorkTime.Last)
            Go(work.Opens);
        foreach (Step step in work.Steps)
            Add(step);
    }

    /// <summary>Does works, and tests what they have changed.</summary>
    public void Do(IReadOnlyList<Work> works)
    {
        foreach (Work work in works)
            Do(work);
        GateAsked[] gates = [.. works.Select(w => w.Gate).OfType<GateAsked>()];
        if (gates.Length == 0)
            return;
        PlannedUnit now = new PassportAsked(before, after, _done.Contains).Now;
        Step step = Gate(gates[^1].Id, $"Power up {With(gates)}", Wait(now), now);
        Add(
            step with
            {
                Needs = [.. gates.SelectMany(g => g.Needs).Distinct()],
                Details = [.. step.Details, .. gates.SelectMany(g => g.Sees)],
                Instances =
                [
                    .. works.SelectMany(w => w.Steps).Select(s => s.Instance).OfType<Instance>().DistinctBy(i => i.Name),
                ],
            }
        );
    }

    static string With(GateAsked[] gates) =>
        gates.Length == 1
            ? gates[0].With
            : gates[0].With
                + string.Concat(
                    gates[1..]
                        .Select(g => g.With)
                        .Select(
                            (w, i) =>
                                (i == gates.Length - 2 ? " and " : ", ")
                                + (w.StartsWith("with ", StringComparison.Ordinal) ? w[5..] : w)
                        )
                );

    /// <summary>The machine as it was, before anything is touched.</summary>
    public void Untouched()
    {
        string so = _open.Count == 0 ? "Nothing is opened yet." : "Only what came with the unit is in it.";
        Add(Gate(Acts.Untouched, "Test it untouched", $"{so} A fault that shows now is not the upgrade's.", before));
    }

    /// <summary>Closes what is open.</summary>
    public void CloseUp()
    {
        if (_open.Count == 0)
            return;
        AccessLevel[] open = [.. _open.Reverse()];
        _open = [];
        Add(
            new Step(Acts.CloseUp, StepKind.Close, "Close up", [.. open.SelectMany(AccessPath.Back)], open.Sum(a => a.Minutes))
            {
                Closes = open,
            }
        );
    }

    string Wait(PlannedUnit at) =>
        _open.Count == 0 ? "Switch on and read the screen."
        : Rule.Case == GateCase.Closed ? "Close the case for it, switch on and read the screen; it is opened again afterwards."
        : Rule.Case == GateCase.Loose ? "Lay the case shut without its screws, then switch on and read the screen."
        : "The case is open: nothing loose on the board, hands off, then switch on and read the screen.";

    Step Gate(StepId id, string title, string detail, PlannedUnit at)
    {
        string[] pulled =
        [
            .. _open.SelectMany(l => l.Unplug).Where(u => Rule.Needs.Any(n => u.Contains(n, StringComparison.OrdinalIgnoreCase))),
        ];
        decimal again = Rule.Case == GateCase.Closed && _open.Count > 0 ? Rule.ReopenMinutes ?? _open.Sum(l => l.Minutes) : 0;
        return new Step(
            id,
            StepKind.Gate,
            title,
            [detail, .. pulled.Select(p => $"Plug the {p} in for it.")],
            Rule.Minutes + again
        )
        {
            At = at,
            Expected = PowerUp.Run(at),
        };
    }

    void Add(Step step)
    {
        _done.Add(step.Id);
        Step placed = step with { Depth = _open.Count, Level = Level };
        _steps.Add(placed with { Cautions = Hazards.Of(placed, _open, after) });
    }

    /// <summary>Closes as far as it must, and opens as far as is asked.</summary>
    void Go(IReadOnlyList<AccessLevel> to)
    {
        while (_open.Any(o => !to.Contains(o)))
        {
            AccessLevel shut = _open[^1];
            _open = [.. _open.SkipLast(1)];
            Add(
                new Step(
                    Fresh(Acts.Close(shut.Id)),
                    StepKind.Close,
                    $"Close again: {IdText.Plain(shut.Id)}",
                    [.. AccessPath.Back(shut)],
                    shut.Minutes
                )
                {
                    Closes = [shut],
                }
            );
        }
        foreach (AccessLevel level in to.Skip(_open.Count))
        {
            _open = [.. _open, level];
            Add(
                new Step(
                    Fresh(Acts.Open(level.Id)),
                    StepKind.Open,
                    IdText.Capital(IdText.Plain(level.Id)),
                    [.. AccessPath.Off(level)],
                    level.Minutes
                )
                {
                    Opens = level,
                }
            );
        }
    }

    /// <summary>A step's name, with a number where it comes again.</summary>
    StepId Fresh(StepId id)
    {
        StepId fresh = id;
        for (int again = 2; _done.Contains(fresh); again++)
            fresh = id with { About = $"{id.About}-{again}" };
        return fresh;
    }
}
