using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>
/// Goes through the work in its order, opens and closes the case as it asks, and puts the gates, each with the unit as it
/// stands there by then.
/// </summary>
/// <param name="stations">The stations, which declare the cautions.</param>
/// <param name="before">The unit as it stands.</param>
/// <param name="after">The unit as the job plans it.</param>
/// <param name="atGates">Work that has its place just before a gate.</param>
sealed class BuildWalk(StationList stations, PlannedUnit before, PlannedUnit after, IReadOnlyList<Work> atGates)
{
    readonly List<Work> _atGates = [.. atGates];

    readonly List<Step> _steps = [];
    readonly HashSet<StepId> _done = [];
    IReadOnlyList<AccessLevel> _open = [];

    /// <summary>The last step for which the machine ran, while it is still plugged in; at first nobody knows.</summary>
    StepId? _ran = Acts.Untouched;

    /// <summary>The next step begins with pulling the plug: nothing deadly lies bare, so that is no step of its own.</summary>
    bool _pull;

    /// <summary>What was plugged in for the machine to run, and comes off before a hand goes in.</summary>
    string _again = "";

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

    /// <summary>Does works at one level; where all can be done anywhere, at the one that is open.</summary>
    void Stay(IReadOnlyList<Work> works, IReadOnlyList<AccessLevel>? level)
    {
        // What comes before the first that needs the level is done where one is.
        int before = works.TakeWhile(w => w.Anywhere).Count();
        if (level is null || before > 0 || works[0].Time == WorkTime.Last)
        {
            foreach (Work work in works)
                Do(work);
            return;
        }
        Go(level);
        foreach (Step step in Waiting.Filled(works))
            Add(step);
    }

    /// <summary>Does works, and tests what they have changed.</summary>
    public void Do(IReadOnlyList<Work> works)
    {
        for (int i = 0; i < works.Count; )
        {
            // What is done at one level, one after the other: there waits can be filled.
            int from = i;
            IReadOnlyList<AccessLevel>? level = null;
            for (; i < works.Count && (works[i].Anywhere || level is null || works[i].Opens.SequenceEqual(level)); i++)
                level = works[i].Anywhere ? level : works[i].Opens;
            Stay([.. works.Skip(from).Take(i - from)], level);
        }
        GateAsked[] gates = [.. works.Select(w => w.Gate).OfType<GateAsked>()];
        if (gates.Length == 0)
            return;
        StepId[] mended = [.. MendBefore(gates[^1].Id)];
        PlannedUnit now = new PassportAsked(before, after, _done.Contains).Now;
        Step step = Gate(gates[^1].Id, $"Power up {With(gates)}", Wait, now);
        Add(
            step with
            {
                Needs = [.. gates.SelectMany(g => g.Needs).Concat(mended).Distinct()],
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
        StepId[] mended = [.. MendBefore(Acts.Untouched)];
        Step gate = Gate(Acts.Untouched, "Test it untouched", $"{so} A fault that shows now is not the upgrade's.", before);
        Add(gate with { Needs = mended });
    }

    /// <summary>
    /// What was found at a gate is mended just before it, as far open as it lies: nothing that is done gets another number.
    /// </summary>
    IEnumerable<StepId> MendBefore(StepId gate)
    {
        Work[] here = [.. _atGates.Where(w => w.Before == gate)];
        foreach (Work work in here)
        {
            _atGates.Remove(work);
            Reach(work);
        }
        return here.SelectMany(w => w.Steps).Select(s => s.Id);
    }

    /// <summary>Mends whose gate is not on the sheet any more come before the case is closed.</summary>
    public void MendRest()
    {
        foreach (Work work in _atGates)
            Reach(work);
        _atGates.Clear();
    }

    /// <summary>Opens the case as far as a mend asks for, where it is not; nothing is closed for it.</summary>
    void Reach(Work work)
    {
        if (!work.Opens.All(_open.Contains))
            Go(work.Opens);
        foreach (Step step in work.Steps)
            Add(step);
    }

    /// <summary>Closes what is open.</summary>
    public void CloseUp()
    {
        if (_open.Count == 0)
            return;
        Off();
        AccessLevel[] open = [.. _open.Reverse()];
        _open = [];
        Add(
            new Step(Acts.CloseUp, StepKind.Close, "Close up", [.. open.SelectMany(AccessPath.Back)], open.Sum(a => a.Minutes))
            {
                Closes = open,
            }
        );
    }

    /// <summary>The state in which the machine runs: as the sheet has it, else shut where something deadly lies bare.</summary>
    CaseState Running =>
        Rule.Case switch
        {
            GateCase.Closed => Runs(CaseLies.Closed),
            GateCase.Loose => Runs(CaseLies.Loose),
            null when Runs(CaseLies.Open).IsLive => Runs(CaseLies.Loose),
            _ => Runs(CaseLies.Open),
        };

    CaseState Runs(CaseLies lies) => CaseState.Of(true, _open, lies, after);

    /// <summary>What was unplugged on the way in, and must be plugged in for the machine to run.</summary>
    string Pulled => string.Join(", ", _open.SelectMany(l => l.Unplug));

    /// <summary>How the machine is brought to run, line by line.</summary>
    IEnumerable<string> SwitchOn()
    {
        if (_open.Count == 0)
            yield break;
        CaseState state = Running;
        if (Pulled.Length > 0)
            yield return $"Plug in again for it: {Pulled}.";
        if (state.Lies == CaseLies.Closed)
            yield return "Close the case for it; it is opened again afterwards.";
        else if (state.Lies == CaseLies.Loose)
            yield return "Lay the case shut without its screws"
                + (state.Bare.Count > 0 ? $": under it lies bare what can hurt ({state.BareWords})." : ".");
        else
            yield return "The case is open: nothing loose on the board, hands off.";
    }

    string Wait =>
        Rule.Needs.Count > 0
            ? $"Connect {string.Join(", ", Rule.Needs)}, switch on and read the screen."
            : "Switch on and read the screen.";

    /// <summary>
    /// The machine is switched off and unplugged before a hand goes in. Where something deadly lies bare that is a step of its
    /// own, with its cautions and the time to wait; else the next step begins with it.
    /// </summary>
    void Off()
    {
        if (_ran is not { } ran || _open.Count == 0)
            return;
        _ran = null;
        CaseState off = CaseState.Of(false, _open, CaseLies.Open, after);
        if (off.Bare.Count == 0)
        {
            (_pull, _again) = (true, Pulled);
            return;
        }
        Add(
            new Step(
                Fresh(Acts.Off(ran)),
                StepKind.Off,
                "Switch off, unplug, wait",
                [
                    "Switch off, pull the plug, keep it in sight.",
                    off.Minutes is { } fall
                        ? $"Wait {fall:0.#} minutes, then have the charge measured."
                        : "Wait, and have the charge measured where one can stay.",
                    .. Running.Lies == CaseLies.Open ? (string[])[] : ["Open it again as far as it was."],
                    .. Pulled.Length > 0 ? [$"Unplug again: {Pulled}."] : (string[])[],
                ],
                (off.Minutes ?? 0) + OffMinutes
            )
        );
    }

    /// <summary>Switching off, pulling the plug, opening what was laid shut.</summary>
    const decimal OffMinutes = 1;

    Step Gate(StepId id, string title, string detail, PlannedUnit at)
    {
        decimal again = Rule.Case == GateCase.Closed && _open.Count > 0 ? Rule.ReopenMinutes ?? _open.Sum(l => l.Minutes) : 0;
        return new Step(id, StepKind.Gate, title, [.. SwitchOn(), detail], Rule.Minutes + again)
        {
            At = at,
            Expected = PowerUp.Run(at),
            Runs = true,
        };
    }

    void Add(Step step)
    {
        string[] first = [];
        if (step.Runs)
        {
            first = _ran is null && step.Kind != StepKind.Gate ? [.. SwitchOn()] : [];
            _ran = step.Id;
        }
        else
        {
            Off();
            first =
            [
                .. _pull ? ["Switch off, pull the plug, keep it in sight."] : (string[])[],
                // What closes the level puts it back for good.
                .. _again.Length > 0 && step.Kind != StepKind.Close ? [$"Unplug again: {_again}."] : (string[])[],
            ];
            (_pull, _again) = (false, "");
        }
        CaseState state = step.Runs ? Running : CaseState.Of(_ran is not null, _open, CaseLies.Open, after);
        _done.Add(step.Id);
        Step placed = step with { Details = [.. first, .. step.Details], Depth = _open.Count, Level = Level, State = state };
        _steps.Add(placed with { Cautions = Hazards.Of(stations, placed, _open, after) });
    }

    /// <summary>Closes as far as it must, and opens as far as is asked.</summary>
    void Go(IReadOnlyList<AccessLevel> to)
    {
        while (_open.Any(o => !to.Contains(o)))
        {
            Off();
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
            // With the case closed the plug is pulled as it is opened.
            (_pull, _ran) = _open.Count == 0 && _ran is not null ? (true, null) : (_pull, _ran);
            Off();
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
