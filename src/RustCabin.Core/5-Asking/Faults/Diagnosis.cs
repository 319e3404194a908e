using RustCabin.Core.Bench;
using RustCabin.Core.Declared;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Wiring;

namespace RustCabin.Core.Faults;

/// <summary>A cause after what was seen.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Chance">How likely it is.</param>
/// <param name="For">What was seen that it predicted.</param>
/// <param name="Against">What was seen that speaks against it.</param>
public sealed record Weighed(Hypothesis Cause, double Chance, IReadOnlyList<string> For, IReadOnlyList<string> Against)
{
    /// <summary>Nothing that was seen speaks against it.</summary>
    public bool Fits => Against.Count == 0;
}

/// <summary>
/// The causes of what a machine shows at a gate, the likeliest first, and what to look at next. Each cause is a changed plan,
/// run on the simulated bus. Source: docs/handbook/faults.md, Causes.
/// </summary>
/// <param name="At">The unit as it should stand.</param>
/// <param name="Expected">What it should show.</param>
/// <param name="Causes">The causes, the likeliest first, equals by their names.</param>
/// <param name="Other">The chance of none of these.</param>
/// <param name="Next">What to look at next; null: nothing that is allowed tells anything.</param>
public sealed record Diagnosis(PlannedUnit At, PowerUpCount Expected, IReadOnlyList<Weighed> Causes, double Other, NextLook? Next)
{
    /// <summary>Whether it starts, among what can be seen.</summary>
    public const string StartsId = "starts";

    const decimal StartMinutes = 2,
        CountMinutes = 4;

    /// <summary>Everything that can be seen, and what was not seen yet.</summary>
    public IReadOnlyList<Observable> Observables { get; init; } = [];

    /// <summary>Those of them that are seen or heard of the running machine.</summary>
    public IReadOnlyList<Sight> Sights { get; init; } = [];

    /// <summary>What counted starts say of each cause, and of none of these; null: none were counted.</summary>
    IReadOnlyList<double>? Logs { get; init; }

    /// <summary>Swaps with other units, made or possible.</summary>
    public IReadOnlyList<SwapLook> Swaps { get; init; } = [];

    /// <summary>The causes as they were weighed, for what-if.</summary>
    public IReadOnlyList<Suspect> Suspects { get; init; } = [];

    /// <summary>A rail is shorted: nothing that needs the running machine is offered.</summary>
    public bool Shorted { get; init; }

    const string Running = "the machine running";

    /// <summary>A line of the count, among what can be seen.</summary>
    public static string LineId(int line) => $"line {line + 1}";

    /// <summary>The diagnosis of a unit at a gate.</summary>
    /// <param name="stations">The stations that know causes and sights.</param>
    /// <param name="at">The unit as it should stand there.</param>
    /// <param name="open">The access levels that are open there, outermost first.</param>
    /// <param name="seen">What was seen.</param>
    /// <param name="inCall">Only the sights that may be told to other programs.</param>
    public static Diagnosis Of(
        StationList stations,
        PlannedUnit at,
        IReadOnlyList<AccessLevel> open,
        Seen seen,
        bool inCall = false,
        IReadOnlyList<SwapLook>? swaps = null
    ) =>
        Of(
            at,
            open,
            seen,
            seen.ComesAndGoes ? [.. stations.Hypotheses(at), .. stations.Marginals(at)] : stations.Hypotheses(at),
            PowerUp.Run(at),
            stations.Sights(at, inCall),
            swaps
        );

    /// <summary>The same where the causes were run already.</summary>
    public static Diagnosis Of(
        PlannedUnit at,
        IReadOnlyList<AccessLevel> open,
        Seen seen,
        IReadOnlyList<Hypothesis> all,
        PowerUpCount expected,
        IReadOnlyList<Sight> sights,
        IReadOnlyList<SwapLook>? swaps = null
    )
    {
        Suspect[] suspects =
        [
            .. all.Select(h => new Suspect(h.Id, (double)h.Weight, PredictsOf(at, h, sights, swaps ?? []))
            {
                IsSilent = h.Shows == Shown.Nothing && h.Look is null,
                IsDark = h.Shows.Starts == false,
            }),
        ];
        Dictionary<string, string> outcomes = OutcomesOf(seen);
        bool shorted = IsShorted(at, seen);
        IReadOnlyList<Observable> observables =
        [
            .. Observed(at, expected, all, suspects, open, seen, sights)
                .Concat((swaps ?? []).Select(s => s.What))
                .Select(o => Allowed(o, shorted, outcomes.GetValueOrDefault(StartsId), outcomes.GetValueOrDefault(o.Id))),
        ];
        double[]? logs = seen.Counted is { } counted ? [.. all.Append(null).Select(h => CountWeight.LogOf(h, counted))] : null;
        var posterior = Posterior.Of(suspects, observables, outcomes, logs);
        (Observable At, string Seen, string Words)[] looked =
        [
            .. from o in observables
            let showed = outcomes.GetValueOrDefault(o.Id)
            where showed is not null
            select (o, showed, WordsOf(o, showed)),
        ];
        return new Diagnosis(
            at,
            expected,
            [
                .. all.Select((h, i) => Weigh(h, suspects[i], posterior.Chances[i], looked))
                    .OrderByDescending(w => w.Chance)
                    .ThenBy(w => w.Cause.Id, StringComparer.Ordinal),
            ],
            posterior.Other,
            posterior.Next(suspects, observables.Where(o => IsWorth(o, sights, suspects, posterior)), outcomes)
                ?? posterior.Next(suspects, observables, outcomes)
        )
        {
            Observables = observables,
            Sights = sights,
            Suspects = suspects,
            Shorted = shorted,
            Swaps = swaps ?? [],
            Logs = logs,
        };
    }

    /// <summary>
    /// A machine with a short across a rail is never switched on; of one that does not start nothing is seen that wants it
    /// running, and of one that starts nothing is dark.
    /// </summary>
    static Observable Allowed(Observable at, bool shorted, string? starts, string? seen) =>
        (shorted && at.State != LookState.PlugOut) || (starts == Said(false) && at.State == LookState.Running)
            ? at with
            {
                Minutes = null,
            }
        : starts == Said(true) && at.State == LookState.Running && seen != Sight.Dead && at.Outcomes.Count > 2
            ? at with
            {
                Outcomes = [.. at.Outcomes.Where(o => o != Sight.Dead)],
            }
        : at;

    /// <summary>The meter found a rail and ground, or another rail, joined: it is never switched on.</summary>
    static bool IsShorted(PlannedUnit at, Seen seen) =>
        Wired.IsAny(at)
        && Wired
            .Of(at)
            .Readings.Any(l =>
                l.Line.Proves == Proves.Rail
                && (l.Agrees == false || seen.Looks.GetValueOrDefault(new PlacePair(l.From, l.To).Look) == "closed")
            );

    /// <summary>Causes that show something there must be so likely together, or nobody is sent to look.</summary>
    const double WorthLooking = 0.01;

    /// <summary>
    /// What is seen at a glance is not proposed where hardly any cause shows anything there: none of these, which says nothing
    /// of it, would alone make it tell.
    /// </summary>
    static bool IsWorth(Observable at, IReadOnlyList<Sight> sights, Suspect[] suspects, Posterior posterior) =>
        sights.FirstOrDefault(s => s.Id == at.Id) is not { InCall: false } sight
        || suspects
            .Index()
            .Where(s => !s.Item.IsDark && s.Item.PredictionOf(at) is { } f && f != sight.Usual)
            .Sum(s => posterior.Chances[s.Index]) >= WorthLooking;

    static Dictionary<string, string> OutcomesOf(Seen seen)
    {
        var outcomes = new Dictionary<string, string>(seen.Looks);
        if (seen.Starts is { } starts)
            outcomes[StartsId] = Said(starts);
        foreach ((int i, ulong bytes) in (seen.Lines ?? []).Index())
            outcomes[LineId(i)] = $"{bytes}";
        return outcomes;
    }

    static string Said(bool yes) => yes ? "yes" : "no";

    /// <summary>What a cause shows of all that can be seen; a look that is not its own shows the usual.</summary>
    static Dictionary<string, string> PredictsOf(
        PlannedUnit at,
        Hypothesis cause,
        IReadOnlyList<Sight> sights,
        IReadOnlyList<SwapLook> swaps
    )
    {
        var predicts = new Dictionary<string, string>();
        foreach (SwapLook swap in swaps)
            predicts[swap.What.Id] = swap.Predicts(SwapsAt.BelongsTo(at, cause));
        foreach (Sight sight in sights)
            if (sight.Predicted(cause) is { } predicted)
                predicts[sight.Id] = predicted;
        if (cause.Shows.Starts is { } starts)
            predicts[StartsId] = Said(starts);
        foreach ((int i, CountedLine line) in (cause.Shows.Count?.Lines ?? []).Index())
            predicts[LineId(i)] = $"{line.Bytes.Bytes}";
        // A machine that does not start shows nothing of what wants it running.
        if (cause.Look is { } look && (look.State != LookState.Running || cause.Shows.Starts != false))
            predicts[look.Id] = look.Shows;
        foreach ((string also, string shows) in cause.Looks)
            predicts[also] = shows;
        return predicts;
    }

    static IEnumerable<Observable> Observed(
        PlannedUnit at,
        PowerUpCount expected,
        IReadOnlyList<Hypothesis> all,
        Suspect[] suspects,
        IReadOnlyList<AccessLevel> open,
        Seen seen,
        IReadOnlyList<Sight> sights
    )
    {
        yield return new Observable(StartsId, ["yes", "no"])
        {
            Minutes = StartMinutes,
            Words = "Switch on: does it start?",
            State = LookState.SwitchedOn,
            Needs = Running,
        };
        foreach (Observable line in CountLines(expected, suspects, seen))
            yield return line;
        foreach (IGrouping<string, Look> look in all.Select(h => h.Look).OfType<Look>().GroupBy(l => l.Id))
            yield return new Observable(look.Key, Outcomes(look))
            {
                Usual = look.First().Usual,
                Words = look.First().Words,
                State = look.First().State,
                Needs = NeedsOf(look.First()),
                Miss = look.First().IsMeasured ? MeterMiss : null,
                // Nothing is looked at where mains or a tube lies open.
                Minutes = look.First().IsSafe ? look.First().Minutes + WayTo(look.First(), open) : null,
            };
        foreach (Sight sight in sights)
            yield return new Observable(sight.Id, sight.Outcomes)
            {
                Words = sight.Words,
                Minutes = sight.Minutes,
                State = LookState.Running,
                Needs = Running,
            };
        // Places that were measured without being in the table: as the nets have it.
        foreach (PlacePair pair in seen.Looks.Keys.Select(PlacePair.Looked).OfType<PlacePair>())
            if (all.All(h => h.Look?.Id != pair.Look) && Expects(at, pair) is { } must)
                yield return new Observable(pair.Look, ["closed", "open"]) { Usual = must, Miss = MeterMiss };
    }

    /// <summary>The lines of the count that any suspect would change, or that read otherwise.</summary>
    static IEnumerable<Observable> CountLines(PowerUpCount expected, Suspect[] suspects, Seen seen)
    {
        for (int i = 0; i < Math.Max(expected.Lines.Count, seen.Lines?.Count ?? 0); i++)
        {
            string id = LineId(i);
            string[] outcomes =
            [
                .. (
                    (string?[])
                        [
                            expected.Lines.ElementAtOrDefault(i) is { } line ? $"{line.Bytes.Bytes}" : null,
                            .. suspects.Select(s => s.Predicts.GetValueOrDefault(id)),
                            seen.Lines is { } read && i < read.Count ? $"{read[i]}" : null,
                        ]
                )
                    .OfType<string>()
                    .Distinct(),
            ];
            if (outcomes.Length > 1)
                yield return new Observable(id, outcomes)
                {
                    Minutes = CountMinutes,
                    Words = $"Read the line \"{expected.Lines.ElementAtOrDefault(i)?.Label ?? id}\" of the count",
                    State = LookState.Running,
                    Needs = Running,
                };
        }
    }

    /// <summary>A meter errs so seldom: what it says is so, or a cause that shows something else is not it.</summary>
    const double MeterMiss = 0.0002;

    static string NeedsOf(Look look) =>
        (look.State == LookState.PlugOut ? "plug out" : Running)
        + (look.Opens.Count == 0 ? "" : $", {IdText.Plain(look.Opens[^1].Id)}");

    static IReadOnlyList<string> Outcomes(IGrouping<string, Look> look) =>
        [
            .. look.Select(l => l.Shows)
                .Prepend(look.First().Usual)
                .Concat(look.First().State == LookState.Running ? [Sight.Dead] : [])
                .Distinct(),
        ];

    /// <summary>What must be measured between two places; null: one of them is not there.</summary>
    public static string? Expects(PlannedUnit at, PlacePair pair)
    {
        if (!Wired.IsAny(at))
            return null;
        Netlist nets = Wired.Of(at).After;
        return (nets.Find(pair.From), nets.Find(pair.To)) is (>= 0 and var a, >= 0 and var b)
            ? nets.Same(a, b)
                ? "closed"
                : "open"
            : null;
    }

    /// <summary>Minutes of getting to where something is looked at, from what is open.</summary>
    static decimal WayTo(Look look, IReadOnlyList<AccessLevel> open) =>
        look.Opens.Where(l => open.All(o => o.Id != l.Id)).Sum(l => l.Minutes);

    /// <summary>A cause with what was seen that it predicted, and what was seen instead.</summary>
    static Weighed Weigh(
        Hypothesis cause,
        Suspect suspect,
        double chance,
        IReadOnlyList<(Observable At, string Seen, string Words)> looked
    )
    {
        List<string> agree = [],
            differ = [];
        foreach ((Observable at, string seen, string words) in looked)
            if (suspect.PredictionOf(at) is { } predicted)
                (predicted == seen ? agree : differ).Add(words);
        return new Weighed(cause, chance, agree, differ);
    }

    /// <summary>What was looked at, and what it showed; a question has its answer behind it.</summary>
    static string WordsOf(Observable at, string seen) =>
        (at.Words.Length > 0 ? at.Words : at.Id) is var words && words.EndsWith('?') ? $"{words} {seen}" : $"{words}: {seen}";

    /// <summary>How much looking at something can be expected to tell, in bits.</summary>
    public double BitsOf(Observable at) => new Posterior(ChancesOf(), Other).BitsOf(Suspects, at);

    /// <summary>The chance of each suspect, in their order.</summary>
    public double[] ChancesOf()
    {
        var of = Causes.ToDictionary(c => c.Cause.Id, c => c.Chance);
        return [.. Suspects.Select(s => of[s.Id])];
    }

    /// <summary>The causes that no look that is allowed and not taken yet parts from the likeliest, it among them.</summary>
    public IReadOnlyList<Weighed> Group(Seen seen)
    {
        Dictionary<string, string> outcomes = OutcomesOf(seen);
        Observable[] open = [.. Observables.Where(o => o.Minutes is not null && !outcomes.ContainsKey(o.Id))];
        var by = Suspects.ToDictionary(s => s.Id);
        Suspect first = by[Causes[0].Cause.Id];
        return
        [
            .. Causes.Where(c =>
                c.Against.Count <= Causes[0].Against.Count
                && open.All(o => by[c.Cause.Id].PredictionOf(o) == first.PredictionOf(o))
            ),
        ];
    }

    /// <summary>
    /// What each outcome of a look would leave: the likeliest cause then, and how likely. The outcome that is likeliest itself
    /// comes first.
    /// </summary>
    public IEnumerable<(string Outcome, Hypothesis? Likeliest, double Chance)> Leaves(NextLook next, Seen seen)
    {
        double[] now = ChancesOf();
        double Expected(string outcome) =>
            Suspects.Index().Where(s => s.Item.PredictionOf(next.What) == outcome).Sum(s => now[s.Index]);
        foreach (string outcome in next.What.Outcomes.OrderByDescending(Expected))
        {
            Dictionary<string, string> then = new(OutcomesOf(seen)) { [next.What.Id] = outcome };
            var posterior = Posterior.Of(Suspects, Observables, then, Logs);
            (double chance, int index) = posterior.Chances.Select((c, i) => (c, i)).DefaultIfEmpty((0, -1)).Max();
            yield return chance >= posterior.Other && index >= 0
                ? (outcome, Causes.First(c => c.Cause.Id == Suspects[index].Id).Cause, chance)
                : (outcome, null, posterior.Other);
        }
    }
}
