using System.Globalization;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Cards;

/// <summary>A host of a unit: of the machine itself, or of a part that is there.</summary>
/// <param name="Name">What it is called: <c>ata</c>, <c>gannet:ata</c>.</param>
/// <param name="Host">The host.</param>
/// <param name="Site">The site that devices come to, as ways name it; null: the sheet does not say.</param>
/// <param name="Owner">The part that brings it; null: the machine.</param>
public sealed record HostHere(string Name, StorageHost Host, string? Site, Instance? Owner)
{
    /// <summary>What a person calls it.</summary>
    public string Title => Instance.NameOf(Owner, Host.Id);

    /// <summary>What findings call it.</summary>
    public Subject Subject => Owner is null ? Subject.Model(Host.Id) : Owner.Subject;

    /// <summary>The hosts of a unit, the machine's first.</summary>
    public static IReadOnlyList<HostHere> Of(PlannedUnit unit) =>
        [
            .. unit.Model.Hosts.Where(h => unit.Holds(h.Revisions)).Select(h => new HostHere(h.Id, h, h.Site, null)),
            .. unit.Instances.SelectMany(i =>
                i.Part.Hosts.Select(h => new HostHere($"{i.Name}:{h.Id}", h, h.Site is { } site ? $"{i.Name}:{site}" : null, i))
            ),
        ];
}

/// <summary>
/// A storage device at its host: what lies between, and what it says of itself as its switches stand. Source:
/// docs/handbook/storage.md, Host to card.
/// </summary>
/// <param name="Device">The device.</param>
/// <param name="Host">The host that it comes to; null: this unit has none for it.</param>
/// <param name="Through">Cables and adapters between, the host's side first.</param>
public sealed record Attached(Instance Device, HostHere? Host, IReadOnlyList<Instance> Through)
{
    const int Longest = 8;

    /// <summary>What the device is.</summary>
    public StorageDevice Storage => Device.Part.Storage!;

    /// <summary>Every storage device of a unit at its host, in the order in which they are fitted.</summary>
    public static IReadOnlyList<Attached> Of(PlannedUnit unit)
    {
        if (unit.Instances.All(i => i.Part.Storage is null))
            return [];
        IReadOnlyList<HostHere> hosts = HostHere.Of(unit);
        return [.. unit.Instances.Where(i => i.Part.Storage is not null).Select(i => Of(unit, hosts, i))];
    }

    static Attached Of(PlannedUnit unit, IReadOnlyList<HostHere> hosts, Instance device)
    {
        var through = new List<Instance>();
        Instance? at = device;
        for (int steps = 0; at is not null && steps < Longest; steps++)
        {
            string[] sites = [.. at.Occupied.Select(o => o.Site!)];
            if (hosts.FirstOrDefault(h => h.Site is not null && sites.Contains(h.Site)) is { } host)
                return new Attached(device, host, through);
            at = sites
                .Select(LocalName.Parse)
                .Where(s => s.OnPart)
                .Select(s => unit.Find(InstanceName.Parse(s.Owner)))
                .FirstOrDefault(i => i is not null && i != device && !through.Contains(i));
            if (at is not null)
                through.Insert(0, at);
        }
        // Drives in a bay come to the bus by its cable: no site of theirs is the host's.
        return new Attached(device, hosts.FirstOrDefault(h => h.Host.Bus == device.Part.Storage!.Bus), []);
    }

    /// <summary>The ids that it answers to; none where the bus has none or nothing sets it.</summary>
    public IReadOnlyList<int> IdsOf(Job? job)
    {
        if (job?.Cards.FirstOrDefault(c => c.On == Device.Name) is { Ids.Count: > 0 } card)
            return
            [
                .. card
                    .Ids.Keys.Select(k => int.TryParse(k, CultureInfo.InvariantCulture, out int id) ? id : -1)
                    .Where(id => id >= 0),
            ];
        if (Storage.IdSwitch is { } key && Instance.PositionOf(Device, key, []) is { } position && NumberOf(position) is { } set)
            return [set];
        return Storage.Id is { } own ? [own] : [];
    }

    /// <summary>An id as a switch names it: a figure, or first and second.</summary>
    static int? NumberOf(string position) =>
        position switch
        {
            "first" => 0,
            "second" => 1,
            _ => int.TryParse(position, CultureInfo.InvariantCulture, out int id) ? id : null,
        };

    /// <summary>Whether it terminates as its switches stand; null: it does as is needed.</summary>
    public bool? Terminates(IReadOnlyList<Instance> all) =>
        Storage.Terminates is not { } terminates
            ? null
            : terminates.Always ?? terminates.When.Holds(key => Instance.PositionOf(Device, key, all));

    /// <summary>Contacts of what it plugs onto: the adapter's site where there is one between, else the host.</summary>
    public int? ContactsThere(PlannedUnit unit) =>
        Through.Count == 0
            ? Host?.Host.Contacts
            : Device
                .Occupied.Select(o => unit.FindSite(o.Site!))
                .Where(s => s is { Contacts.Count: > 0 })
                .Select(s => (int?)s!.Contacts.Count)
                .FirstOrDefault();
}
