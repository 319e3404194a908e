using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Wants;

/// <summary>Whether a planned unit gives what something asks for. <paramref name="Met"/> null: the sheets do not say. <paramref name="Text"/> is what was asked and what there is.</summary>
public sealed record NeedAnswer(Need Need, bool? Met, string Text);

/// <summary>Holds needs against a planned unit: those of titles and users, and those of parts. Source: formats.md, needs.</summary>
public static class NeedCheck
{
    /// <summary>The needs that hold for this revision and these switches, each with its answer. Plain switch names are those of <paramref name="own"/>.</summary>
    public static IReadOnlyList<NeedAnswer> Of(PlannedUnit unit, IEnumerable<Need> needs, Instance? own = null) =>
        [.. needs.Where(n => unit.Holds(n.Revisions) && n.When.Holds(key => PositionOf(unit, own, key))).Select(n => Answer(unit, n))];

    static string? PositionOf(PlannedUnit unit, Instance? own, string key) => own?.Positions.GetValueOrDefault(key) is { } position ? position : key.IndexOf('.') is > 0 and var dot ? unit.Find(key[..dot])?.Positions.GetValueOrDefault(key[(dot + 1)..]) : null;

    static NeedAnswer Answer(PlannedUnit unit, Need need) => need.Kind switch
    {
        NeedKind.Memory => Memory(unit, need),
        NeedKind.Firmware => new(need, HasFirmware(unit.Model, unit.Firmware, need.What), $"firmware {need.What} or later; it has {unit.Firmware ?? "none stated"}"),
        NeedKind.Can => new(need, FirmwareOf(unit) is { } firmware ? Can(unit.Model, firmware).Contains(need.What) : null, $"firmware that can {IdText.Plain(need.What)}; it has {unit.Firmware ?? "none stated"}"),
        NeedKind.Signal => new(need, unit.Model.Signals.Any(s => s.Net == need.What && unit.Holds(s.Revisions) && s.At.Any(a => unit.Holds(a.Revisions))), $"the signal {need.What} on this board"),
        NeedKind.Part => new(need, unit.Instances.Any(i => i.Part.Id == need.What), $"{need.What} fitted"),
        NeedKind.Rail => new(need, unit.Rails.Any(r => r.Id == need.What) || unit.Instances.Any(i => i.Part.Supplies.Any(s => s.Rail == need.What)), $"a rail of {need.What} V"),
        NeedKind.Free => new(need, unit.Instances.All(i => i.Occupied.All(o => o.Site != need.What)) && unit.Sites.Any(s => s.Id == need.What), $"{need.What} left free"),
        NeedKind.Region => new(need, unit.Model.Region.Count == 0 ? null : unit.Model.Region.Contains(need.What), $"a {need.What} machine; this is {(unit.Model.Region.Count == 0 ? "not said to be of any region" : string.Join(" and ", unit.Model.Region))}"),
        NeedKind.Provides => new(need, unit.Instances.Any(i => i.Part.Provides.Contains(need.What)), $"something that gives {IdText.Plain(need.What)}"),
        NeedKind.Speed => new(need, null, $"{need.Factor} times as fast"),
        NeedKind.Storage => new(need, null, $"{need.AtLeast} of storage"),
        _ => new(need, null, $"what {need.What} needs"),
    };

    static NeedAnswer Memory(PlannedUnit unit, Need need)
    {
        int master = unit.Model.Masters.ToList().IndexOf(need.What);
        if (master < 0) return new NeedAnswer(need, false, $"{need.AtLeast} that {need.What} reaches; this machine has no such master");
        ByteSize reach = unit.Map.Reach[master], free = Free(unit, need.What);
        ByteSize there = need.FreeAfterLoad ? free : reach;
        return new NeedAnswer(need, there >= need.AtLeast,
            $"{need.AtLeast} that {need.What} reaches{(need.FreeAfterLoad ? ", free once the system has loaded" : "")}; there {(there.Bytes == 1 ? "is" : "are")} {there}" + (there < need.AtLeast ? $", {new ByteSize(need.AtLeast.Bytes - there.Bytes)} short" : ""));
    }

    /// <summary>What a master reaches less what the firmware uses of it.</summary>
    public static ByteSize Free(PlannedUnit unit, string master)
    {
        int index = unit.Model.Masters.ToList().IndexOf(master);
        ulong reach = index < 0 ? 0 : unit.Map.Reach[index].Bytes, used = FirmwareOf(unit)?.Uses.GetValueOrDefault(master).Bytes ?? 0;
        return new ByteSize(reach > used ? reach - used : 0);
    }

    static Firmware? FirmwareOf(PlannedUnit unit) => unit.Model.Firmware.FirstOrDefault(f => f.Id == unit.Firmware);

    /// <summary>That firmware, a later one of the list, or one based on such.</summary>
    static bool? HasFirmware(Model model, string? has, string wanted)
    {
        if (has is null) return null;
        List<string> order = [.. model.Firmware.Where(f => f.BasedOn is null).Select(f => f.Id)];
        string? at = has;
        for (int steps = 0; at is not null && steps <= model.Firmware.Count; steps++)
        {
            if (at == wanted) return true;
            if (order.IndexOf(wanted) is >= 0 and var from && order.IndexOf(at) > from) return true;
            at = model.Firmware.FirstOrDefault(f => f.Id == at)?.BasedOn;
        }
        return false;
    }

    static IEnumerable<string> Can(Model model, Firmware firmware) => firmware.Can.Concat(model.Firmware.FirstOrDefault(f => f.Id == firmware.BasedOn)?.Can ?? []);
}
