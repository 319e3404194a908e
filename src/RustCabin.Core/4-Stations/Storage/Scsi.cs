using System.ComponentModel.DataAnnotations;
using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Storage;

/// <summary>The host on a SCSI bus, the first on its cable.</summary>
public sealed record ScsiHost
{
    /// <summary>Its id; left out: 7.</summary>
    [Range(0, 15), Display(Description = "Its id.")]
    public int Id { get; init; } = 7;

    /// <summary>How many ids the bus has.</summary>
    [Range(2, 16), Display(Description = "How many ids the bus has.")]
    public int Ids { get; init; } = 8;

    /// <summary>Whether it terminates; left out: as is needed.</summary>
    [Display(Description = "Whether it terminates; left out: as is needed.")]
    public bool? Terminates { get; init; }

    /// <summary>It feeds the terminators.</summary>
    [Display(Description = "It feeds the terminators.")]
    public bool Power { get; init; }
}

/// <summary>A device on a SCSI bus.</summary>
public sealed record ScsiDevice
{
    /// <summary>Its name.</summary>
    [Required, Display(Description = "Its name.")]
    public string Name { get; init; } = "";

    /// <summary>Its id; left out: free to choose.</summary>
    [Range(0, 15), Display(Description = "Its id; left out: free to choose.")]
    public int? Id { get; init; }

    /// <summary>Whether it terminates; left out: free to choose.</summary>
    [Display(Description = "Whether it terminates; left out: free to choose.")]
    public bool? Terminates { get; init; }

    /// <summary>It feeds the terminators.</summary>
    [Display(Description = "It feeds the terminators.")]
    public bool Power { get; init; }
}

/// <summary>What <c>storage/scsi</c> takes: a host and its devices in the order along the cable.</summary>
public sealed record ScsiAsked : ICompleted<ScsiAsked>
{
    /// <summary>So many devices at most.</summary>
    public const int Most = 7;

    /// <summary>What the host is called where things on the bus are named.</summary>
    public const string HostName = "host";

    /// <summary>The host, the first on the cable.</summary>
    [Required, Display(Description = "The host, the first on the cable.")]
    public ScsiHost Host { get; init; } = new();

    /// <summary>The devices along the cable.</summary>
    [Required, Display(Description = "The devices along the cable.")]
    public IReadOnlyList<ScsiDevice> Devices { get; init; } = [];

    /// <inheritdoc/>
    public ScsiAsked Completed(RecordReading read)
    {
        if (Devices.Count > Most)
            read.Wrong("devices", $"are {Devices.Count}; {Most} are allowed");
        foreach ((int i, ScsiDevice device) in Devices.Index())
            if (device.Name == HostName || Devices.Take(i).Any(d => d.Name == device.Name))
                read.Wrong($"devices[{i}].name", $"\"{device.Name}\" is used twice");
        return this;
    }
}

/// <summary>
/// A SCSI bus settled: an id for each device, who terminates, and what cannot be. Source: docs/handbook/storage.md, SCSI.
/// </summary>
/// <param name="Ids">The id of each device.</param>
/// <param name="Terminated">All that terminate in the end, in the order along the cable.</param>
/// <param name="Findings">What is wrong with what is fixed.</param>
public sealed record ScsiBus(
    IReadOnlyDictionary<string, int> Ids,
    IReadOnlyList<string> Terminated,
    IReadOnlyList<Finding> Findings
)
{
    /// <summary>Settles a bus: what is fixed stays, what is free is chosen, the lowest id first.</summary>
    /// <param name="asked">The bus.</param>
    /// <param name="subject">What findings of a device are about, by its name.</param>
    public static ScsiBus Of(ScsiAsked asked, Func<string, Subject>? subject = null)
    {
        Subject about(string name) => subject?.Invoke(name) ?? Subject.Asked($"bus:{name}");
        var taken = asked.Devices.Where(d => d.Id is not null).Select(d => d.Id!.Value).Append(asked.Host.Id).ToHashSet();
        var ids = new Dictionary<string, int>();
        foreach (ScsiDevice device in asked.Devices)
        {
            int id = device.Id ?? Enumerable.Range(0, int.MaxValue).First(i => !taken.Contains(i));
            taken.Add(id);
            ids[device.Name] = id;
        }
        // Ids of the host and the devices, the host first.
        (string Name, int Id)[] all = [(ScsiAsked.HostName, asked.Host.Id), .. ids.Select(p => (p.Key, p.Value))];
        (string Name, bool Ends, bool? Says)[] cable =
        [
            (ScsiAsked.HostName, true, asked.Host.Terminates),
            .. asked.Devices.Index().Select(d => (d.Item.Name, d.Index == asked.Devices.Count - 1, d.Item.Terminates)),
        ];
        string[] terminated = [.. cable.Where(c => c.Says ?? c.Ends).Select(c => c.Name)];
        return new ScsiBus(
            ids,
            terminated,
            [.. IdFindings(all, asked.Host.Ids, about), .. TermFindings(cable, terminated, about), .. PowerFindings(asked, about)]
        );
    }

    /// <summary>Ids that stand twice, or that the bus does not have.</summary>
    /// <param name="all">Everything on the bus with its ids.</param>
    /// <param name="most">How many ids the bus has.</param>
    /// <param name="about">What findings of a thing are about, by its name.</param>
    public static IEnumerable<Finding> IdFindings((string Name, int Id)[] all, int most, Func<string, Subject> about)
    {
        foreach (var same in all.GroupBy(a => a.Id).Where(g => g.Count() > 1))
            yield return new Finding(
                StorageFindings.Id,
                Severity.Stop,
                $"Id {same.Key} twice",
                [.. same.Select(s => about(s.Name))],
                $"{string.Join(" and ", same.Select(s => s.Name))} have the id {same.Key}.",
                [.. all.Select(a => $"{a.Name}: id {a.Id}.")]
            );
        foreach ((string name, int id) in all.Where(a => a.Id >= most))
            yield return new Finding(
                StorageFindings.Id,
                Severity.Stop,
                $"No id {id}",
                [about(name)],
                $"{name} has the id {id}, and the bus has 0 to {most - 1}.",
                [.. all.Select(a => $"{a.Name}: id {a.Id}.")]
            );
    }

    static IEnumerable<Finding> TermFindings(
        (string Name, bool Ends, bool? Says)[] cable,
        string[] terminated,
        Func<string, Subject> about
    )
    {
        string[] wrong = [.. cable.Where(c => c.Says is { } says && says != c.Ends).Select(c => c.Name)];
        if (wrong.Length == 0)
            yield break;
        string[] lack = [.. cable.Where(c => c.Ends && !terminated.Contains(c.Name)).Select(c => c.Name)],
            inside = [.. cable.Where(c => !c.Ends && terminated.Contains(c.Name)).Select(c => c.Name)];
        yield return new Finding(
            StorageFindings.Term,
            Severity.Stop,
            "Terminators in the wrong places",
            [.. wrong.Select(about)],
            string.Join(
                " ",
                (string[])
                    [
                        .. lack.Length > 0
                            ? [$"No terminator at {string.Join(" and ", lack)}, an end of the cable."]
                            : (string[])[],
                        .. inside.Length > 0 ? [$"A terminator at {string.Join(" and ", inside)}, in the middle."] : (string[])[],
                    ]
            ),
            [
                $"Along the cable: {string.Join(", ", cable.Select(c => c.Name))}.",
                $"Terminated: {(terminated.Length > 0 ? string.Join(", ", terminated) : "none")}.",
            ]
        );
    }

    static IEnumerable<Finding> PowerFindings(ScsiAsked asked, Func<string, Subject> about)
    {
        if (!asked.Host.Power && asked.Devices.All(d => !d.Power))
            yield return new Finding(
                StorageFindings.TermPower,
                Severity.Stop,
                "Nothing feeds the terminators",
                [about(ScsiAsked.HostName)],
                "Neither the host nor a device gives terminator power.",
                [.. asked.Devices.Select(d => $"{d.Name}: none.").Prepend("host: none.")]
            );
    }
}
