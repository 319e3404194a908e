using RustCabin.Core.Bench;
using RustCabin.Core.Gathered;
using RustCabin.Core.Planning;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Faults;

/// <summary>How hard a round is.</summary>
public enum Difficulty
{
    /// <summary>One fault that the count shows.</summary>
    Loud,

    /// <summary>One fault that the count does not show.</summary>
    Quiet,

    /// <summary>Two faults at once.</summary>
    Pair,

    /// <summary>A fault that was there before.</summary>
    Before,

    /// <summary>The badge misleads: it is another board.</summary>
    Badge,
}

/// <summary>A round that can be given to another person as a short code: a job of the cabin, how hard, and the seed.</summary>
/// <param name="Job">The job whose machine it is.</param>
/// <param name="Difficulty">How hard.</param>
/// <param name="Seed">What is hidden follows from it.</param>
public sealed record Round(string Job, Difficulty Difficulty, int Seed)
{
    /// <summary>The letter of each difficulty in a code, in their order.</summary>
    const string Letters = "lqpbr";

    const string Digits = "0123456789abcdefghjkmnpqrstvwxyz";

    /// <summary>The code: <c>slip-3-winter.q7k2</c>.</summary>
    public string Code
    {
        get
        {
            string number = "";
            for (int left = Seed; left > 0 || number.Length == 0; left /= Digits.Length)
                number = Digits[left % Digits.Length] + number;
            return $"{Job}.{Letters[(int)Difficulty]}{number}";
        }
    }

    /// <summary>Reads a code; null: it does not read as one.</summary>
    public static Round? Parse(string? code)
    {
        int dot = code?.LastIndexOf('.') ?? -1;
        if (dot <= 0 || dot + 2 >= code!.Length || code.Length - dot > 9)
            return null;
        int hard = Letters.IndexOf(code[dot + 1]);
        long seed = 0;
        foreach (char digit in code[(dot + 2)..])
        {
            int value = Digits.IndexOf(digit);
            if (value < 0 || (seed = seed * Digits.Length + value) > int.MaxValue)
                return null;
        }
        return hard >= 0 ? new Round(code[..dot], (Difficulty)hard, (int)seed) : null;
    }
}

/// <summary>What one act of a round showed.</summary>
/// <param name="What">What was looked at.</param>
/// <param name="Showed">What it showed.</param>
/// <param name="Minutes">What it cost.</param>
/// <param name="Bits">How much it told.</param>
/// <param name="Could">How much it could be expected to tell before it was taken.</param>
public sealed record RoundAct(Observable What, string Showed, decimal Minutes, double Bits, double Could)
{
    /// <summary>Nothing could come of it: whatever it showed, no cause would have been likelier for it.</summary>
    public bool IsWasted => Could < Posterior.LeastBits;
}

/// <summary>
/// A simulated machine with a hidden fault, drawn by how likely each is; the player sees only what a person would. Source:
/// docs/handbook/faults.md, Rehearsal.
/// </summary>
public sealed class Rehearsal
{
    readonly PowerUpCount _expected;

    /// <summary>The machine as it should be.</summary>
    public PlannedUnit At { get; }

    /// <summary>What is hidden, one or two.</summary>
    public IReadOnlyList<Hypothesis> Hidden { get; }

    /// <summary>The causes that a player may name.</summary>
    public IReadOnlyList<Hypothesis> Causes { get; }

    readonly Shown _shown;

    /// <summary>Sets a round up on a machine; null: it allows no fault of that kind.</summary>
    public static Rehearsal? Of(StationList stations, PlannedUnit at, Round round)
    {
        IReadOnlyList<Hypothesis> all = stations.Hypotheses(at);
        PowerUpCount expected = PowerUp.Run(at);
        bool loud(Hypothesis h) =>
            h.Shows.Starts == false
            || (
                h.Shows.Count is { } count && !count.Lines.Select(l => l.Bytes).SequenceEqual(expected.Lines.Select(l => l.Bytes))
            );
        bool decides(Hypothesis h) => h.Look is not null && h.Weight > 0;
        Hypothesis[] candidates =
        [
            .. all.Where(h =>
                decides(h)
                && round.Difficulty switch
                {
                    Difficulty.Quiet => !loud(h),
                    Difficulty.Before => loud(h) && h.Id.Contains(":model:", StringComparison.Ordinal),
                    Difficulty.Badge => h.Id.StartsWith("revision:", StringComparison.Ordinal),
                    _ => loud(h) && !h.Id.StartsWith("revision:", StringComparison.Ordinal),
                }
            ),
        ];
        var random = new Random(round.Seed);
        if (candidates.Length == 0)
            return null;
        Hypothesis first = Draw(candidates, random);
        if (round.Difficulty != Difficulty.Pair)
            return new Rehearsal(stations, at, all, [first]);
        Hypothesis[] others = [.. candidates.Where(h => h.Look!.Id != first.Look!.Id)];
        if (others.Length == 0)
            return null;
        Hypothesis second = Draw(others, random);
        return new Rehearsal(stations, at, all, [first, second]);
    }

    readonly StationList _stations;

    Rehearsal(StationList stations, PlannedUnit at, IReadOnlyList<Hypothesis> causes, IReadOnlyList<Hypothesis> hidden)
    {
        (_stations, At, Causes, Hidden) = (stations, at, causes, hidden);
        _shown = hidden.Count == 1 ? hidden[0].Shows : Both(at, hidden[0], hidden[1]);
        _expected = PowerUp.Run(at);
    }

    /// <summary>What is known from before something was mended; nothing in a fresh round.</summary>
    public Seen Known { get; private init; } = new();

    /// <summary>The round goes on with what is left once a cause of it is mended; null: it does not read as one of it, or
    /// nothing is left. What was seen with the plug out stays so, but for what is mended.
    /// </summary>
    /// <param name="cause">The cause that was named.</param>
    /// <param name="seen">What was seen by then.</param>
    public Rehearsal? Mended(string cause, Seen seen)
    {
        if (Hidden.Count <= 1 || Hidden.FirstOrDefault(h => h.Id == cause) is not { } mended)
            return null;
        HashSet<string> stays = [.. Looks.Where(o => o.State == LookState.PlugOut && o.Id != mended.Look?.Id).Select(o => o.Id)];
        return new Rehearsal(_stations, At, Causes, [.. Hidden.Where(h => h.Id != cause)])
        {
            Known = new Seen { Looks = seen.Looks.Where(l => stays.Contains(l.Key)).ToDictionary() },
        };
    }

    static Hypothesis Draw(IReadOnlyList<Hypothesis> from, Random random)
    {
        double at = random.NextDouble() * from.Sum(h => (double)h.Weight);
        foreach (Hypothesis h in from)
            if ((at -= (double)h.Weight) <= 0)
                return h;
        return from[^1];
    }

    /// <summary>Two faults in one machine are run together; of two that the bus does not show each shows its own.</summary>
    static Shown Both(PlannedUnit at, Hypothesis one, Hypothesis other)
    {
        Shown shown = (one.Effect, other.Effect) switch
        {
            ({ } a, { } b) => a.And(b).On(at),
            ({ }, null) => one.Shows,
            (null, { }) => other.Shows,
            _ => one.Shows.Count is not null || one.Shows.Starts is not null ? one.Shows : other.Shows,
        };
        return one.Shows.Starts == false || other.Shows.Starts == false ? Shown.Dark : shown;
    }

    /// <summary>What something shows when it is looked at.</summary>
    public string Shows(Observable what)
    {
        if (what.Id == Diagnosis.StartsId)
            return _shown.Starts == false ? "no" : "yes";
        if (what.Id.StartsWith("line ", StringComparison.Ordinal) && int.TryParse(what.Id[5..], out int line))
            return _shown.Starts == false ? "0"
                : _shown.Count?.Lines.ElementAtOrDefault(line - 1) is { } shown ? $"{shown.Bytes.Bytes}"
                : $"{_expected.Lines[line - 1].Bytes.Bytes}";
        bool dead = _shown.Starts == false;
        // Of two faults the one that shows something there is seen; of a dead machine nothing.
        if (Sights.FirstOrDefault(s => s.Id == what.Id) is { } sight)
            return dead && !Hidden.Any(h => h.Shows.Others.ContainsKey(sight.Id))
                ? sight.Dark
                : Hidden.Select(sight.Predicted).FirstOrDefault(f => f is not null && f != sight.Usual) ?? sight.Usual;
        if (dead && what.State == LookState.Running)
            return Sight.Dead;
        return Hidden.FirstOrDefault(h => h.Look?.Id == what.Id)?.Look!.Shows
            ?? Hidden.Select(h => h.Looks.GetValueOrDefault(what.Id)).FirstOrDefault(l => l is not null)
            ?? what.Usual
            ?? what.Outcomes[0];
    }

    /// <summary>Everything that can be looked at from the start.</summary>
    public IReadOnlyList<Observable> Looks => field ??= After(new Seen()).Observables;

    /// <summary>What was seen after some acts.</summary>
    public Seen SeenAfter(IEnumerable<string> acts)
    {
        var looks = new Dictionary<string, string>(Known.Looks);
        foreach (Observable at in Looks.Where(o => acts.Contains(o.Id)))
            looks[at.Id] = Shows(at);
        return new Seen { Looks = looks };
    }

    /// <summary>The diagnosis after what was seen.</summary>
    public Diagnosis After(Seen seen) => Diagnosis.Of(At, [], seen, Causes, _expected, Sights);

    IReadOnlyList<Sight> Sights => field ??= _stations.Sights(At);

    /// <summary>An act that is dangerous: it ends the round.</summary>
    public bool IsDangerous(string what) => Causes.Select(c => c.Look).FirstOrDefault(l => l?.Id == what) is { IsSafe: false };

    /// <summary>What acts showed and told, in their order.</summary>
    public IReadOnlyList<RoundAct> InWords(IReadOnlyList<string> acts)
    {
        var told = new List<RoundAct>();
        Diagnosis before = After(Known);
        foreach ((int i, string id) in acts.Index())
            if (before.Observables.FirstOrDefault(o => o.Id == id) is { } what)
            {
                Diagnosis after = After(SeenAfter(acts.Take(i + 1)));
                told.Add(new RoundAct(what, Shows(what), what.Minutes ?? 0, Bits(before) - Bits(after), before.BitsOf(what)));
                before = after;
            }
        return told;
    }

    static double Bits(Diagnosis at) =>
        at.Causes.Select(c => c.Chance).Append(at.Other).Where(p => p > 0).Sum(p => -p * Math.Log2(p));

    /// <summary>So sure is sure enough to name a cause.</summary>
    public const double Sure = 0.9;

    /// <summary>
    /// The looks that the station's own rule takes from the start: until the likeliest is sure and its own look has said so, or
    /// nothing that is allowed tells anything more; of two faults it mends the one that it found, and goes on.
    /// </summary>
    public IReadOnlyList<RoundAct> BestLine() =>
        [.. Line(out Diagnosis end, out Seen seen), .. Mended(end.Causes[0].Cause.Id, seen)?.BestLine() ?? []];

    /// <summary>The looks until a cause is settled or nothing tells any more, with the diagnosis then.</summary>
    /// <param name="end">The diagnosis at the end.</param>
    /// <param name="seen">What was seen by then.</param>
    public IReadOnlyList<RoundAct> Line(out Diagnosis end, out Seen seen)
    {
        var acts = new List<RoundAct>();
        seen = Known;
        end = After(seen);
        while (end.Next is { } next && !IsSettled(end.Causes[0], seen) && acts.Count < MostActs)
        {
            seen = seen with { Looks = new Dictionary<string, string>(seen.Looks) { [next.What.Id] = Shows(next.What) } };
            Diagnosis after = After(seen);
            acts.Add(new RoundAct(next.What, Shows(next.What), next.What.Minutes ?? 0, Bits(end) - Bits(after), next.Bits));
            end = after;
        }
        return acts;
    }

    const int MostActs = 400;

    /// <summary>
    /// A cause is named once it is sure, and its own look has said so; where it has none, once nothing tells any more.
    /// </summary>
    static bool IsSettled(Weighed likeliest, Seen seen) =>
        likeliest.Chance >= Sure && likeliest.Cause.Look is { } look && seen.Looks.GetValueOrDefault(look.Id) == look.Shows;

    /// <summary>True if a named cause is it, or one of a pair.</summary>
    public bool IsIt(string cause) => Hidden.Any(h => h.Id == cause);
}
