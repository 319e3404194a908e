using RustCabin.Core.Declared;
using RustCabin.Core.Planning;

namespace RustCabin.Core.Stations;

/// <summary>
/// What can hurt on a step: what can happen and the usual protection. <paramref name="Id"/> is the word that sheets use.
/// </summary>
public sealed record Caution(string Id, string Title, string Text)
{
    /// <summary>What brought it in; empty: nothing is said.</summary>
    public string Why { get; init; } = "";

    /// <summary>The word of the caution that a machine runs while something deadly lies bare in it.</summary>
    public const string LiveWord = "live";

    const string Qualified = "Work on it belongs to a qualified person under the local code.";

    /// <summary>Those of any bench; what only one station's work brings, it declares itself.</summary>
    public static readonly IReadOnlyList<Caution> General =
    [
        new(
            "static",
            "Static",
            "A spark too small to feel can kill a chip. Touch bare earthed metal first, wear a wrist strap, lay boards on a "
                + "conducting mat."
        ),
        new(
            "mains",
            "Mains inside",
            $"Mains voltage can kill, and some parts carry it with the switch off. Pull the plug and keep it in sight. "
                + $"{Qualified}"
        ),
        new(
            "tube",
            "Picture tube",
            $"A tube holds thousands of volts long after switch-off, and its neck breaks at a knock. Keep clear of tube, cap "
                + $"and neck board. {Qualified}"
        ),
        new(
            "capacitors",
            "Charged capacitors",
            $"Large capacitors give a shock or a burn after the plug is out. Wait, and have them measured before anything is "
                + $"touched. {Qualified}"
        ),
        new(
            LiveWord,
            "Live and open",
            "What lies bare carries its full voltage while the machine runs. Nobody reaches in, nothing is laid on it, one "
                + $"person stays at the switch and touches nothing else. {Qualified}"
        ),
        new(
            "ultraviolet",
            "Ultraviolet light",
            "The lamp of an eraser or of a bath burns eyes and skin in seconds, unseen. Never look into it or run it open; the "
                + "lid switch stays in use."
        ),
        new(
            "fumes",
            "Flux and lead fumes",
            "Fumes harm lungs, lead harms by the mouth. Draw the fumes off, wash hands before eating."
        ),
        new(
            "hot",
            "Hot tools",
            "An iron burns skin and starts fires. Stand it in its holder, clear the bench, switch it off when leaving."
        ),
    ];

    /// <summary>The cautions of fitting an instance, each once.</summary>
    public static IReadOnlyList<Caution> Of(Instance part) =>
        [.. part.Part.Cautions.Concat(part.Way?.Cautions ?? []).Distinct().Select(Of)];

    /// <summary>
    /// The caution for a sheet's word; a word of the user's own stands as it was written. What a station declares under the word
    /// is laid in by the build sheet (<c>StationList.InFull</c>).
    /// </summary>
    public static Caution Of(string id) =>
        General.FirstOrDefault(c => c.Id == id)
        ?? new Caution(id, IdText.Plain(id), "The sheet asks for care here; ask a person who knows this work before going on.");
}
