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

    /// <summary>The access levels that must be open for it, outermost first.</summary>
    public IReadOnlyList<AccessLevel> Opens { get; init; } = [];

    /// <summary>False where mains or a tube lies open on the way.</summary>
    public bool IsSafe => !Opens.Any(l => l.Cautions.Contains("mains") || l.Cautions.Contains("tube"));
}

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

    /// <summary>It may be told to other programs; the others are the page's alone.</summary>
    public bool InCall { get; init; } = true;
}
