using Google.OrTools.Sat;
using RustCabin.Core.Bench;
using RustCabin.Core.Choices;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Wants;

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

    /// <summary>
    /// What the system can use of what a master reaches: what lies beyond the limit of the model's sheet does not count, nor, for
    /// the first master, which counts at power-up, what a line finds beyond its cap. Source: docs/handbook/memory.md, Usable.
    /// </summary>
    /// <param name="unit">The machine.</param>
    /// <param name="master">A number of a master, from 0.</param>
    public static ByteSize Usable(PlannedUnit unit, int master)
    {
        ulong reach = unit.Map.Reach[master].Bytes;
        if (master == 0 && unit.Model.PowerUp.Any(l => l.Cap is not null))
        {
            ulong beyond = PowerUp.Run(unit).Lines.Aggregate(0ul, (sum, l) => sum + l.Uncapped.Bytes - l.Bytes.Bytes);
            reach -= Math.Min(reach, beyond);
        }
        return unit.Model.MemoryLimits.TryGetValue(unit.Model.Masters[master], out ByteSize limit) && limit.Bytes < reach
            ? limit
            : new ByteSize(reach);
    }

    /// <summary>The same, less what the way takes in which the machine was started.</summary>
    public static ByteSize Left(PlannedUnit unit, int master)
    {
        ulong usable = Usable(unit, master).Bytes,
            taken = TakenBy(unit.StartUp, unit.Model.Masters[master]);
        return new ByteSize(usable > taken ? usable - taken : 0);
    }

    static ulong TakenBy(StartUp? start, string master) => start?.Uses.GetValueOrDefault(master).Bytes ?? 0;

    /// <summary>What the system can use of what a master reaches, less what firmware and start-up use of it.</summary>
    public static ByteSize Free(PlannedUnit unit, string master)
    {
        int index = unit.Model.Masters.ToList().IndexOf(master);
        ulong usable = index < 0 ? 0 : Usable(unit, index).Bytes,
            used = UsedBy(unit, master);
        return new ByteSize(usable > used ? usable - used : 0);
    }

    /// <summary>Bytes that the firmware takes of what a master reaches, and the start-up beside it.</summary>
    public static ulong UsedBy(PlannedUnit unit, string master) =>
        (FirmwareOf(unit)?.Uses.GetValueOrDefault(master).Bytes ?? 0) + TakenBy(unit.StartUp, master);

    /// <summary>The sheet of the unit's firmware; null: it is not stated, or not on the model's sheet.</summary>
    public static Firmware? FirmwareOf(PlannedUnit unit) => unit.Model.Firmware.FirstOrDefault(f => f.Id == unit.Firmware);
}
