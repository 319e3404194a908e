using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Stations;

/// <summary>How the case lies.</summary>
public enum CaseLies
{
    /// <summary>It is closed with all that holds it.</summary>
    Closed,

    /// <summary>It is laid shut without its screws: nothing can be touched by chance.</summary>
    Loose,

    /// <summary>It is open.</summary>
    Open,
}

/// <summary>Something that lies bare at an open level and can hurt badly.</summary>
/// <param name="Word">The word of its caution: mains, tube, capacitors.</param>
/// <param name="Why">What it is and where, in words.</param>
/// <param name="Minutes">How long the charge takes to fall once the plug is out; null: no sheet says.</param>
public sealed record Bare(string Word, string Why, decimal? Minutes)
{
    /// <summary>Its caution, with what brought it in.</summary>
    public Caution Caution => Caution.Of(Word) with { Why = Why };

    /// <summary>From so many volts on a charged capacitor is felt.</summary>
    const decimal Touch = 60;

    /// <summary>The cautions of what kills or burns through a machine that is open: they belong to the plug.</summary>
    static readonly string[] Words = ["mains", "tube", "capacitors"];

    /// <summary>A caution that is true or not by whether the machine is plugged in.</summary>
    public static bool IsOfPower(string caution) => caution == Caution.LiveWord || Words.Contains(caution);

    /// <summary>
    /// What lies bare at a level: as its sheet says, the capacitors that lie there, and what is fitted there and brings it.
    /// </summary>
    public static IEnumerable<Bare> At(AccessLevel level, PlannedUnit unit)
    {
        foreach (string word in level.Cautions.Where(Words.Contains))
            yield return new Bare(word, $"the model's sheet names it for {IdText.Plain(level.Id)}", FallOf(level, unit));
        foreach (ServicePiece piece in Charged(level, unit))
            yield return new Bare(
                "capacitors",
                $"{piece.What}, {piece.Volts:0} V, lies open here"
                    + (piece.FallMinutes is { } fall ? $" and falls in {fall:0.#} minutes" : ""),
                piece.FallMinutes
            );
        foreach (Instance part in unit.Instances.Where(i => LiesAt(unit.Model, i, level)))
        foreach (string word in part.Part.Cautions.Where(Words.Contains))
            yield return new Bare(word, $"{part.Title} lies there", FallOf(level, unit));
    }

    static decimal? FallOf(AccessLevel level, PlannedUnit unit) => Charged(level, unit).Max(p => p.FallMinutes);

    static IEnumerable<ServicePiece> Charged(AccessLevel level, PlannedUnit unit) =>
        unit.Model.Service.Where(p =>
            p.Access == level.Id && p.Kind == ServiceKind.Capacitor && p.Volts >= Touch && unit.Holds(p.Revisions)
        );

    static bool LiesAt(Model model, Instance part, AccessLevel level) =>
        part.Occupied.Any(o => model.FindSite(o.Site!)?.Access == level.Id);
}

/// <summary>
/// In what state the machine is while a step is done: plugged in or not, how far open, how the case lies, what lies bare. Every
/// caution about power follows from it. Source: docs/handbook/build.md, The state of the machine.
/// </summary>
/// <param name="Plugged">It is plugged in, and on when the step asks for it.</param>
/// <param name="Open">The levels that are open, outermost first.</param>
/// <param name="Lies">How the case lies over them.</param>
/// <param name="Bare">What lies bare at the open levels, each word once.</param>
public sealed record CaseState(bool Plugged, IReadOnlyList<AccessLevel> Open, CaseLies Lies, IReadOnlyList<Bare> Bare)
{
    /// <summary>Before anything is said: closed.</summary>
    public static readonly CaseState Closed = new(false, [], CaseLies.Closed, []);

    /// <summary>The state of a unit with so many levels open.</summary>
    public static CaseState Of(bool plugged, IReadOnlyList<AccessLevel> open, CaseLies lies, PlannedUnit unit) =>
        new(
            plugged,
            open,
            open.Count == 0 ? CaseLies.Closed : lies,
            [.. open.SelectMany(l => Stations.Bare.At(l, unit)).DistinctBy(b => b.Word)]
        );

    /// <summary>It runs, and what can kill lies where a hand or a tool can get.</summary>
    public bool IsLive => Plugged && Lies == CaseLies.Open && Bare.Count > 0;

    /// <summary>How long to wait once the plug is out; null: no sheet says.</summary>
    public decimal? Minutes => Bare.Max(b => b.Minutes);

    /// <summary>What lies bare, in words.</summary>
    public string BareWords => string.Join(", ", Bare.Select(b => b.Caution.Title.ToLowerInvariant()));

    /// <summary>In a few words: plug out; open: lid off; bare: mains.</summary>
    public string Words =>
        string.Join(
            "; ",
            (string[])
                [
                    Plugged ? "plugged in" : "plug out",
                    Lies switch
                    {
                        CaseLies.Open => $"open: {string.Join(", ", Open.Select(l => IdText.Plain(l.Id)))}",
                        CaseLies.Loose => "laid shut",
                        _ => "closed",
                    },
                    .. Lies == CaseLies.Open && Bare.Count > 0 ? [$"bare: {BareWords}"] : (string[])[],
                ]
        );
}
