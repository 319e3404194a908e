using RustCabin.Core.Sheets;

namespace RustCabin.Core.Stations;

/// <summary>One way to do what everybody does, with what it costs and risks.</summary>
/// <param name="Id">Its name in the record.</param>
/// <param name="Words">What is done.</param>
/// <param name="Costs">What it costs.</param>
/// <param name="Risks">What it risks.</param>
public sealed record HabitWay(string Id, string Words, string Costs, string Risks)
{
    /// <summary>Minutes more than the sheets reckon, for each step that it touches.</summary>
    public decimal Minutes { get; init; }

    /// <summary>What is done before the work of a step.</summary>
    public IReadOnlyList<string> First { get; init; } = [];

    /// <summary>What is done behind it.</summary>
    public IReadOnlyList<string> Then { get; init; } = [];

    /// <summary>The sign that says when to change over to the other way; empty: there is none.</summary>
    public string Sign { get; init; } = "";
}

/// <summary>
/// What practitioners disagree about at the iron: each keeps to the way that the hand knows. The first way is what the minutes
/// of the sheets are made for. Source: docs/handbook/build.md, Habits.
/// </summary>
/// <param name="Id">Its name in the record.</param>
/// <param name="Asks">What it is about.</param>
/// <param name="Of">The acts of wiring that it touches.</param>
/// <param name="Ways">The ways, the usual one first.</param>
public sealed record Habit(string Id, string Asks, IReadOnlyList<ChangeAct> Of, IReadOnlyList<HabitWay> Ways)
{
    /// <summary>The habit of what a chip is taken out with.</summary>
    public const string ChipOut = "chip-out";

    static readonly ChangeAct[] Joints =
    [
        ChangeAct.Lift,
        ChangeAct.Link,
        ChangeAct.Wire,
        ChangeAct.Remove,
        ChangeAct.Socket,
        ChangeAct.Row,
    ];

    /// <summary>Every habit, in the order of the work.</summary>
    public static IReadOnlyList<Habit> All { get; } =
    [
        new(
            "round",
            "round each joint",
            Joints,
            [
                new("short", "flux, and a look at each joint", "nothing more", "a bent leg or a hair of solder is found late")
                {
                    First = ["Flux onto the places."],
                    Then = ["Look at each joint under a glass.", "Take the flux off."],
                },
                new("whole", "clean, flux, straighten, look, flux off", "three minutes a step", "solvent: a window open")
                {
                    Minutes = 3,
                    First = ["Clean the places with alcohol.", "Straighten the legs.", "Flux onto the places."],
                    Then = ["Look at each joint under a glass.", "Take the flux off, and let it dry."],
                },
            ]
        ),
        new(
            "desolder",
            "old solder",
            [ChangeAct.Lift, ChangeAct.Remove, ChangeAct.Socket],
            [
                new("fresh", "fresh solder first, then off with it", "some solder", "more heat in the pad")
                {
                    First = ["Fresh solder onto each old joint, then take it off."],
                    Sign = "Where it flows at once and the leg still holds, take it off dry.",
                },
                new("dry", "dry first", "nothing", "a joint that does not flow tears its pad off")
                {
                    First = ["Take the old solder off as it is."],
                    Sign = "Where a joint is not clear after two tries, go over to fresh solder.",
                },
            ]
        ),
        new(
            "row",
            "a row of legs",
            [ChangeAct.Row, ChangeAct.Socket],
            [
                new("each", "two corners first, then leg by leg", "nothing more", "patience")
                {
                    First = ["Tack two legs at opposite corners, and look from the side."],
                },
                new("drag", "drawn along in one go", "a broad tip; two minutes less a row", "bridges between legs")
                {
                    Minutes = -2,
                    First = ["Flux the whole row, and draw a full tip along it."],
                    Then = ["Look for bridges between every two legs."],
                    Sign = "Where braid does not take a bridge away, go over to leg by leg.",
                },
            ]
        ),
        new(
            ChipOut,
            "what a chip is taken out with",
            [ChangeAct.Socket],
            [
                new("puller", "a puller, on a wrist strap", "a puller in hand", "its claws reach under traces: look first")
                {
                    First = ["Chips come out straight up, with the puller, on a wrist strap."],
                },
                new("blade", "a flat blade from both ends in turn", "nothing", "a trace under the chip is scratched, legs bend")
                {
                    First = ["Chips come out a little at each end in turn; nothing is levered against the board."],
                },
                new("plain", "a tool that does not conduct", "nothing", "legs bend; it charges itself when rubbed")
                {
                    First = ["Chips come out with a tool of wood or plastic, a little at each end in turn."],
                },
            ]
        ),
    ];

    /// <summary>The way that a job keeps to: as it says, else the usual one.</summary>
    public HabitWay In(Job? job) =>
        job?.Build?.Habits.GetValueOrDefault(Id) is { } chosen && Ways.FirstOrDefault(w => w.Id == chosen) is { } way
            ? way
            : Ways[0];

    /// <summary>The ways that touch an act, one of each habit.</summary>
    public static IEnumerable<HabitWay> At(ChangeAct act, Job? job) => All.Where(h => h.Of.Contains(act)).Select(h => h.In(job));
}
