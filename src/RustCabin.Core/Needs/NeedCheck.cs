using Google.OrTools.Sat;
using RustCabin.Core.Choices;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Needs;

/// <summary>Whether a planned unit gives what something asks for.</summary>
/// <param name="Need">What is asked for.</param>
/// <param name="Met">Null: the sheets do not say.</param>
/// <param name="Text">What was asked and what there is.</param>
public sealed record NeedAnswer(Need Need, bool? Met, string Text);

/// <summary>
/// Holds needs against a planned unit: those of titles and users, and those of parts. Source: docs/handbook/wants.md, Needs.
/// </summary>
public static class NeedCheck
{
    /// <summary>
    /// The needs that hold for this revision and these switches, each with its answer. Plain switch names are those of <paramref
    /// name="own"/>.
    /// </summary>
    public static IReadOnlyList<NeedAnswer> Of(PlannedUnit unit, IEnumerable<Need> needs, Instance? own = null) =>
        [
            .. needs
                .Where(n => unit.Holds(n.Revisions) && n.When.Holds(key => Instance.PositionOf(own, key, unit.Instances)))
                .Select(n =>
                    NeedRules.Of(n).Answer(unit) is var (met, text)
                        ? new NeedAnswer(n, met, text)
                        : throw new InvalidOperationException()
                ),
        ];

    /// <summary>
    /// Asks the solver for a need where <paramref name="on"/> holds. Strict: what the sheets do not say is not given.
    /// </summary>
    public static void Require(ChoiceModel choices, Need need, ILiteral on, bool strict)
    {
        if (on != choices.No)
            NeedRules.Of(need).Require(choices, on, strict);
    }

    /// <summary>A need in the words of the trade, without what there is.</summary>
    public static string Words(Need need, PlannedUnit? unit = null) => NeedRules.Of(need).Words(unit);

    /// <summary>What a master reaches less what the firmware uses of it.</summary>
    public static ByteSize Free(PlannedUnit unit, string master)
    {
        int index = unit.Model.Masters.ToList().IndexOf(master);
        ulong reach = index < 0 ? 0 : unit.Map.Reach[index].Bytes,
            used = UsedBy(unit, master);
        return new ByteSize(reach > used ? reach - used : 0);
    }

    /// <summary>Bytes that the firmware takes of what a master reaches.</summary>
    public static ulong UsedBy(PlannedUnit unit, string master) => FirmwareOf(unit)?.Uses.GetValueOrDefault(master).Bytes ?? 0;

    /// <summary>The sheet of the unit's firmware; null: it is not stated, or not on the model's sheet.</summary>
    public static Firmware? FirmwareOf(PlannedUnit unit) => unit.Model.Firmware.FirstOrDefault(f => f.Id == unit.Firmware);
}
