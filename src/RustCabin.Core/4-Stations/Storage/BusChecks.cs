using RustCabin.Core.Cards;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wants;

namespace RustCabin.Core.Storage;

/// <summary>
/// What is wrong between hosts and devices: contacts, power, ids, terminators, variants. Source: docs/handbook/storage.md, Host
/// to card.
/// </summary>
public static class BusChecks
{
    /// <summary>All of them; nothing where no part is a storage device.</summary>
    public static IEnumerable<Finding> Of(PlannedUnit unit)
    {
        IReadOnlyList<Attached> devices = Attached.Of(unit);
        if (devices.Count == 0)
            return [];
        return
        [
            .. devices.SelectMany(d => Contacts(unit, d)),
            .. Powers(unit, devices),
            .. devices.Where(d => d.Host is not null).GroupBy(d => d.Host!).SelectMany(bus => Bus(unit, bus.Key, [.. bus])),
            .. devices.SelectMany(d => Variants(unit, d)),
        ];
    }

    static IEnumerable<Finding> Contacts(PlannedUnit unit, Attached at)
    {
        if (at.Storage.Contacts is { } own && at.ContactsThere(unit) is { } there && own != there)
            yield return new Finding(
                StorageFindings.Contacts,
                Severity.Stop,
                $"{own} contacts against {there}",
                [at.Device.Subject],
                $"{at.Device.Title} has {own} contacts, and {Before(at)} has {there}: an adapter goes between them.",
                [$"{Before(at)}: {there} contacts. {at.Device.Title}: {own}."]
            );
    }

    static string Before(Attached at) => at.Through.Count > 0 ? at.Through[^1].Title : at.Host!.Name;

    static IEnumerable<Finding> Powers(PlannedUnit unit, IReadOnlyList<Attached> devices)
    {
        var taken = unit.Instances.SelectMany(i => i.Occupied).Select(o => o.Site!).ToHashSet();
        foreach (Attached at in devices)
        {
            if (
                at.Storage.Power == DevicePower.Cable
                && at.Through.Count == 0
                && at.Host is { Host.PowersCable: false, Name: var host }
            )
                yield return new Finding(
                    StorageFindings.Power,
                    Severity.Stop,
                    $"{at.Device.Title} has no power",
                    [at.Device.Subject],
                    $"{at.Device.Title} takes its power out of the cable, and {host} gives none there.",
                    [$"By the sheet {host} carries no power; only a connector with contacts for it does."]
                );
            if (at.Storage is not { Power: DevicePower.Plug, Plug: { } plug })
                continue;
            (string Name, Site Site)[] plugs = [.. Sites(unit).Where(s => s.Site.Connector == plug)];
            if (at.Device.Occupied.Any(o => plugs.Any(p => p.Name == o.Site)))
                continue;
            if (plugs.FirstOrDefault(p => !taken.Contains(p.Name)) is { Name: { } free })
                taken.Add(free);
            else
                yield return NoPlug(at, plug, [.. plugs.Select(p => p.Name)]);
        }
    }

    static Finding NoPlug(Attached at, string plug, string[] plugs) =>
        new(
            StorageFindings.Power,
            Severity.Stop,
            $"No {plug} plug for {at.Device.Title}",
            [at.Device.Subject],
            $"{at.Device.Title} needs a {plug} plug, and this unit has none free: a splitter or a lead brings one. Mind "
                + "what its path carries.",
            [plugs.Length == 0 ? $"No sheet here names a {plug}." : $"Taken: {string.Join(", ", plugs)}."]
        );

    static IEnumerable<(string Name, Site Site)> Sites(PlannedUnit unit) =>
        unit
            .Sites.Select(s => (s.Id, s))
            .Concat(unit.Instances.SelectMany(i => i.Part.Sites.Select(s => ($"{i.Name}:{s.Id}", s))));

    static IEnumerable<Finding> Bus(PlannedUnit unit, HostHere host, Attached[] devices)
    {
        (string Name, int Id)[] ids = [.. devices.SelectMany(d => d.IdsOf(unit.Job).Select(id => (d.Device.Name, id)))];
        if (host.Host.Bus == StorageBus.Ata)
            return Pair(host, devices, ids);
        Subject subject(string name) => name == ScsiAsked.HostName ? host.Subject : Subject.Part(InstanceName.Parse(name));
        IEnumerable<Finding> found =
            host.Host.Ids is null && host.Host.Bus != StorageBus.Scsi
                ? []
                : ScsiBus.IdFindings(IdsHere(host, ids), host.Host.Ids ?? 8, subject);
        return host.Host.Bus != StorageBus.Scsi
            ? found
            : found.Concat(
                ScsiBus.Of(Asked(unit, host, devices), subject).Findings.Where(f => f.Code != StorageFindings.Id.Code)
            );
    }

    static (string Name, int Id)[] IdsHere(HostHere host, (string Name, int Id)[] ids) =>
        host.Host.HostId is { } own ? [(ScsiAsked.HostName, own), .. ids] : ids;

    /// <summary>A host's bus as the solver of terminators and ids takes it.</summary>
    public static ScsiAsked Asked(PlannedUnit unit, HostHere host, IReadOnlyList<Attached> devices) =>
        new()
        {
            Host = new ScsiHost
            {
                Id = host.Host.HostId ?? 7,
                Ids = host.Host.Ids ?? 8,
                Terminates = host.Host.Terminates,
                Power = host.Host.TerminatorPower,
            },
            Devices =
            [
                .. devices.Select(d => new ScsiDevice
                {
                    Name = d.Device.Name,
                    Id = d.IdsOf(unit.Job) is [var id, ..] ? id : Expected(unit, host, devices, d),
                    Terminates = d.Terminates(unit.Instances),
                    Power = d.Storage.TerminatorPower,
                }),
            ],
        };

    /// <summary>The id that the host looks for to start from, for the first device that is started from and has none.</summary>
    static int? Expected(PlannedUnit unit, HostHere host, IReadOnlyList<Attached> devices, Attached device) =>
        host.Host.StartId is { } start
        && devices.All(d => !d.IdsOf(unit.Job).Contains(start))
        && devices.FirstOrDefault(d => d.IdsOf(unit.Job).Count == 0 && Starts(unit, d)) == device
            ? start
            : null;

    static bool Starts(PlannedUnit unit, Attached device) =>
        unit.Job?.Cards.Any(c => c.On == device.Device.Name && c.Partitions.Any(p => p.Start)) == true;

    static IEnumerable<Finding> Pair(HostHere host, Attached[] devices, (string Name, int Id)[] ids)
    {
        if (devices.Length > 2)
            yield return new Finding(
                StorageFindings.Pair,
                Severity.Stop,
                $"{devices.Length} devices on one cable",
                [.. devices.Select(d => d.Device.Subject)],
                $"{host.Name} takes two devices, one first, one second.",
                [.. devices.Select(d => $"{d.Device.Title} comes to {host.Name}.")]
            );
        else if (ids.Length == 2 && ids[0].Id == ids[1].Id)
            yield return new Finding(
                StorageFindings.Pair,
                Severity.Stop,
                $"Both are {(ids[0].Id == 0 ? "first" : "second")}",
                [.. devices.Select(d => d.Device.Subject)],
                $"{devices[0].Device.Title} and {devices[1].Device.Title} are both {(ids[0].Id == 0 ? "first" : "second")} on "
                    + $"{host.Name}: one must be first, one second.",
                [.. devices.Select(d => $"{d.Device.Title}: {(d.Storage.IdSwitch is { } s ? $"switch {s}" : "by its sheet")}.")]
            );
    }

    static IEnumerable<Finding> Variants(PlannedUnit unit, Attached at)
    {
        if (at.Storage.Variant is not { } variant)
            yield break;
        (string Who, string Variant)[] drive =
        [
            .. NeedCheck.FirmwareOf(unit) is { Variant: { } own } firmware
                ? [($"firmware {firmware.Id}", own)]
                : ((string, string)[])[],
            .. unit.Job?.Roms.Where(r => r.Variant is not null).Select(r => ($"the device in {r.Socket}", r.Variant!)) ?? [],
            .. unit.Unit.Software.Select(s => (s.Key, s.Value)),
        ];
        if (drive.All(d => d.Variant != variant))
            yield return new Finding(
                StorageFindings.Variant,
                Severity.Stop,
                $"{at.Device.Title} wants variant {variant}",
                [at.Device.Subject],
                $"{at.Device.Title} is of variant {variant}, and no firmware of this unit drives that one. "
                    + "A card that was written under another variant is not read.",
                [.. drive.Select(d => $"{d.Who}: {d.Variant}.").DefaultIfEmpty("No firmware here says a variant.")]
            );
    }
}
