using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Speed;
using RustCabin.Core.Units;

namespace RustCabin.Core.Wants;

/// <summary>Whether a planned unit gives what something asks for. <paramref name="Met"/> null: the sheets do not say. <paramref name="Text"/> is what was asked and what there is.</summary>
public sealed record NeedAnswer(Need Need, bool? Met, string Text);

/// <summary>Holds needs against a planned unit: those of titles and users, and those of parts. Source: formats.md, needs.</summary>
public static class NeedCheck
{
    /// <summary>The needs that hold for this revision and these switches, each with its answer. Plain switch names are those of <paramref name="own"/>.</summary>
    public static IReadOnlyList<NeedAnswer> Of(PlannedUnit unit, IEnumerable<Need> needs, Instance? own = null) =>
        [
            .. needs
                .Where(n => unit.Holds(n.Revisions) && n.When.Holds(key => Instance.PositionOf(own, key, unit.Instances)))
                .Select(n => Answer(unit, n)),
        ];

    static NeedAnswer Answer(PlannedUnit unit, Need need) =>
        need.Kind switch
        {
            NeedKind.Memory => Memory(unit, need),
            NeedKind.Firmware => new(
                need,
                HasFirmware(unit.Model, unit.Firmware, need.What),
                $"firmware {need.What} or later; it has {unit.Firmware ?? "none stated"}"
            ),
            NeedKind.Can => new(
                need,
                FirmwareOf(unit) is { } firmware ? Can(unit.Model, firmware).Contains(need.What) : null,
                $"firmware that can {IdText.Plain(need.What)}; it has {unit.Firmware ?? "none stated"}"
            ),
            NeedKind.Signal => new(
                need,
                unit.Model.Signals.Any(s =>
                    s.Net == need.What && unit.Holds(s.Revisions) && s.At.Any(a => unit.Holds(a.Revisions))
                ),
                $"the signal {need.What} on this board"
            ),
            NeedKind.Part => new(need, unit.Instances.Any(i => i.Part.Id == need.What), $"{need.What} fitted"),
            NeedKind.Rail => new(
                need,
                unit.Rails.Any(r => r.Id == need.What) || unit.Instances.Any(i => i.Part.Supplies.Any(s => s.Rail == need.What)),
                $"a rail of {need.What} V"
            ),
            NeedKind.Free => new(
                need,
                unit.Instances.All(i => i.Occupied.All(o => o.Site != need.What)) && unit.Sites.Any(s => s.Id == need.What),
                $"{need.What} left free"
            ),
            NeedKind.Region => new(
                need,
                unit.Model.Region.Count == 0 ? null : unit.Model.Region.Contains(need.What),
                $"a {need.What} machine; this is {(unit.Model.Region.Count == 0 ? "not said to be of any region" : string.Join(" and ", unit.Model.Region))}"
            ),
            NeedKind.Provides => new(
                need,
                unit.Instances.Any(i => i.Part.Provides.Contains(need.What)),
                $"something that gives {IdText.Plain(need.What)}"
            ),
            NeedKind.Speed => Speed(unit, need),
            NeedKind.Storage => Storage(unit, need),
            _ => Title(unit, need),
        };

    /// <summary>The processor's work: the fastest part that is there counts, two do not multiply. What a whole piece of work gains is the Speed station's.</summary>
    static NeedAnswer Speed(PlannedUnit unit, Need need)
    {
        decimal factor = SpeedForecast.FactorOf(unit, "processor");
        return new NeedAnswer(
            need,
            factor >= need.Factor,
            $"a processor {need.Factor:0.##} times as fast; by the sheets it is {(factor == 1 ? "as fast as before" : $"{factor:0.##} times as fast")}"
        );
    }

    static NeedAnswer Storage(PlannedUnit unit, Need need)
    {
        ByteSize there = new(unit.Instances.Aggregate(0ul, (sum, i) => sum + (i.Part.Capacity?.Bytes ?? 0)));
        return new NeedAnswer(
            need,
            there >= need.AtLeast,
            $"{need.AtLeast} of storage; {(there.Bytes == 0 ? "there is none" : $"there {(there.Bytes == 1 ? "is" : "are")} {there}")}"
        );
    }

    static NeedAnswer Title(PlannedUnit unit, Need need)
    {
        if (unit.Titles.FirstOrDefault(t => t.Id == need.What) is not { } title)
            return new NeedAnswer(need, null, $"what {need.What} needs; no sheet of it is here");
        IReadOnlyList<NeedAnswer> answers = Of(unit, title.Needs.Where(n => n.Kind != NeedKind.Title));
        bool? met =
            answers.Any(a => a.Met == false) ? false
            : answers.Any(a => a.Met is null) ? null
            : true;
        return new NeedAnswer(
            need,
            met,
            met == true
                ? $"{title.Name} running"
                : $"{title.Name} running; {string.Join("; ", answers.Where(a => a.Met != true).Select(a => a.Text))}"
        );
    }

    static NeedAnswer Memory(PlannedUnit unit, Need need)
    {
        int master = unit.Model.Masters.ToList().IndexOf(need.What);
        if (master < 0)
            return new NeedAnswer(need, false, $"{need.AtLeast} that {need.What} reaches; this machine has no such master");
        ByteSize reach = unit.Map.Reach[master],
            free = Free(unit, need.What);
        ByteSize there = need.FreeAfterLoad ? free : reach;
        return new NeedAnswer(
            need,
            there >= need.AtLeast,
            $"{need.AtLeast} that {need.What} reaches{(need.FreeAfterLoad ? ", free once the system has loaded" : "")}; there {(there.Bytes == 1 ? "is" : "are")} {there}"
                + (there < need.AtLeast ? $", {new ByteSize(need.AtLeast.Bytes - there.Bytes)} short" : "")
        );
    }

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

    static Firmware? FirmwareOf(PlannedUnit unit) => unit.Model.Firmware.FirstOrDefault(f => f.Id == unit.Firmware);

    /// <summary>That firmware, a later one of the list, or one based on such.</summary>
    internal static bool? HasFirmware(Model model, string? has, string wanted)
    {
        if (has is null)
            return null;
        List<string> order = [.. model.Firmware.Where(f => f.BasedOn is null).Select(f => f.Id)];
        string? at = has;
        for (int steps = 0; at is not null && steps <= model.Firmware.Count; steps++)
        {
            if (at == wanted)
                return true;
            if (order.IndexOf(wanted) is >= 0 and var from && order.IndexOf(at) > from)
                return true;
            at = model.Firmware.FirstOrDefault(f => f.Id == at)?.BasedOn;
        }
        return false;
    }

    static IEnumerable<string> Can(Model model, Firmware firmware) =>
        firmware.Can.Concat(model.Firmware.FirstOrDefault(f => f.Id == firmware.BasedOn)?.Can ?? []);
}
