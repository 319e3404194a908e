using RustCabin.Core.Bench;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Stations;

/// <summary>What a machine with a fault shows.</summary>
/// <param name="Count">The power-up count; null: the cause says nothing of it.</param>
/// <param name="Starts">Whether it starts; null: the cause says nothing of that.</param>
public sealed record Shown(PowerUpCount? Count, bool? Starts)
{
    /// <summary>Nothing is said.</summary>
    public static readonly Shown Nothing = new(null, null);

    /// <summary>It does not start, and shows nothing.</summary>
    public static readonly Shown Dark = new(null, false);

    /// <summary>What else it shows, by what is looked at.</summary>
    public IReadOnlyDictionary<string, string> Others { get; init; } = new Dictionary<string, string>();

    /// <summary>The same with one sight more.</summary>
    /// <param name="sight">The sight, by its name.</param>
    /// <param name="shows">What it shows.</param>
    public Shown Seen(string sight, string shows) =>
        this with
        {
            Others = new Dictionary<string, string>(Others) { [sight] = shows },
        };

    /// <summary>A count that is seen, or none: it does not start.</summary>
    public static Shown Of(PowerUpCount? count) => count is null ? Dark : new Shown(count, true);
}

/// <summary>
/// What a cause does to a machine, so that it can be run on the simulated bus, alone or with another. Source:
/// docs/handbook/faults.md, What starts.
/// </summary>
public sealed record Effect
{
    /// <summary>How the unit is then built; null: as planned.</summary>
    public Func<PlannedUnit, PlannedUnit>? Built { get; init; }

    /// <summary>Faults in cells and registers.</summary>
    public IReadOnlyList<BusFault> Cells { get; init; } = [];

    /// <summary>It does not start, whatever the bus says: no processor, no first instruction, no supply.</summary>
    public bool IsDead { get; init; }

    /// <summary>Parts that do not answer; the machine does not start where its processor or its ROM is among them.</summary>
    public static Effect Without(PlannedUnit at, params Instance[] parts) =>
        new()
        {
            Built = unit => Plan.With(unit, i => parts.All(p => p.Name != i.Name)),
            IsDead = parts.Any(Starting.Of(at).RestsOn),
        };

    /// <summary>A switch of a part stands elsewhere.</summary>
    public static Effect Moved(Instance part, Switch own, string position) =>
        new() { Built = unit => Plan.Moved(unit, part.Name, own.Id, position) };

    /// <summary>A fault in cells or a register.</summary>
    public static Effect In(BusFault cells) => new() { Cells = [cells] };

    /// <summary>Both at once.</summary>
    public Effect And(Effect other) =>
        new()
        {
            Built = (Built, other.Built) switch
            {
                ({ } one, { } then) => unit => then(one(unit)),
                var (one, then) => one ?? then,
            },
            Cells = [.. Cells, .. other.Cells],
            IsDead = IsDead || other.IsDead,
        };

    /// <summary>The count of a machine with it; null: it does not start, and shows nothing.</summary>
    public PowerUpCount? Count(PlannedUnit at)
    {
        if (IsDead)
            return null;
        PlannedUnit built = Built?.Invoke(at) ?? at;
        return Starting.Of(at).Does(built, Cells) ? PowerUp.Run(built.Model, built.Map, Cells) : null;
    }

    /// <summary>The same with why it shows that; of a machine that does not start, why it shows nothing.</summary>
    public (PowerUpCount? Count, string Why) CountAndWhy(PlannedUnit at, string why) =>
        Count(at) is { } count ? (count, why) : (null, Slip.Dead);

    /// <summary>What a machine with it shows.</summary>
    public Shown On(PlannedUnit at) => Shown.Of(Count(at));
}

/// <summary>What a look wants of the machine.</summary>
public enum LookState
{
    /// <summary>The plug is out.</summary>
    PlugOut,

    /// <summary>It is switched on, whether it starts or not.</summary>
    SwitchedOn,

    /// <summary>It runs.</summary>
    Running,
}

/// <summary>Something to look at that parts causes, and costs minutes.</summary>
/// <param name="Id">Its name, the same for causes that it decides between.</param>
/// <param name="Words">What is done.</param>
/// <param name="Minutes">How long it takes once one is there.</param>
/// <param name="Usual">What it shows where the cause is another.</param>
/// <param name="Shows">What it shows with this cause.</param>
public sealed record Look(string Id, string Words, decimal Minutes, string Usual, string Shows)
{
    /// <summary>A look at a part, which wants the case as far open as the part lies.</summary>
    public static Look At(PlannedUnit at, Instance part, string id, string words, decimal minutes, string usual, string shows) =>
        new(id, words, minutes, usual, shows) { Opens = AccessPath.To(at.Model, part) };

    /// <summary>What it wants of the machine.</summary>
    public LookState State { get; init; }

    /// <summary>What a meter says in it is so: nothing but the cause itself shows otherwise.</summary>
    public bool IsMeasured { get; init; }

    /// <summary>The access levels that must be open for it, outermost first.</summary>
    public IReadOnlyList<AccessLevel> Opens { get; init; } = [];

    /// <summary>False where mains or a tube lies open on the way.</summary>
    public bool IsSafe => !Opens.Any(l => l.Cautions.Contains("mains") || l.Cautions.Contains("tube"));
}

/// <summary>How often a machine with a marginal cause starts. Source: docs/handbook/faults.md, Rates.</summary>
/// <param name="Cold">The share of cold starts that work, above 0 and below 1.</param>
/// <param name="Warm">The share of warm starts that work, above 0 and below 1.</param>
public sealed record StartRates(double Cold, double Warm);

/// <summary>
/// One single fault that a plan allows, with what the machine would then show. Source: docs/handbook/faults.md, Causes.
/// </summary>
/// <param name="Id">Its name: what is wrong, and with what.</param>
/// <param name="Words">What is wrong, in words.</param>
/// <param name="Weight">How likely it is beforehand, against the others.</param>
/// <param name="Shows">What the machine shows with it.</param>
public sealed record Hypothesis(string Id, string Words, decimal Weight, Shown Shows)
{
    /// <summary>How it is mended.</summary>
    public string Mend { get; init; } = "";

    /// <summary>How long the mend takes.</summary>
    public decimal MendMinutes { get; init; } = 5;

    /// <summary>What decides whether it is this; null: nothing but its mend does.</summary>
    public Look? Look { get; init; }

    /// <summary>The part whose chance is learnt when it is confirmed; null: none.</summary>
    public Instance? Instance { get; init; }

    /// <summary>The same in the simulated machine; null: the bus does not show it.</summary>
    public BusFault? Fault { get; init; }

    /// <summary>What it does to the machine, to be run together with another; null: nothing that the bus shows.</summary>
    public Effect? Effect { get; init; }

    /// <summary>It lies between its part and the machine: it shows only where both are together.</summary>
    public bool IsBetween { get; init; }

    /// <summary>How often the machine starts with it; null: always alike, as it shows.</summary>
    public StartRates? Rates { get; init; }

    /// <summary>Other looks that show something else than usual with it, beside its own: lines of the meter.</summary>
    public IReadOnlyDictionary<string, string> Looks { get; init; } = new Dictionary<string, string>();

    /// <summary>A cause that the bus shows, with what it shows there.</summary>
    public static Hypothesis Of(PlannedUnit at, string id, string words, decimal weight, Effect effect) =>
        new(id, words, weight, effect.On(at)) { Effect = effect };
}
