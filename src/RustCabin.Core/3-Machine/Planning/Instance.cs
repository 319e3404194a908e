using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Planning;

/// <summary>
/// One part on the planned unit, under the name that answers use: the part's id, with <c>#2</c>, <c>#3</c> for repeats. Names
/// are given over what is fitted and then what the job adds, removed ones counted, so that taking one out renames no other.
/// </summary>
public sealed record Instance(
    InstanceName Name,
    Part Part,
    Way? Way,
    IReadOnlyDictionary<string, string> Positions,
    bool Added,
    FittedPart Fitted
)
{
    /// <summary>How findings name it.</summary>
    public Subject Subject => Subject.Part(Name);

    /// <summary>It is the machine's own board: no part that is fitted or taken out, but switches that are set as a part's
    /// are.</summary>
    public bool IsMainboard => Name == InstanceName.Mainboard;

    /// <summary>The machine's own board with its switches: where the job moves them, else where the unit has them, else at
    /// factory. Null: its sheet has none.</summary>
    public static Instance? MainboardOf(Model model, Unit unit, Job? job)
    {
        if (model.Switches.Count == 0)
            return null;
        var way = new Way { Id = "own", Model = model.Id };
        var part = new Part
        {
            Id = InstanceName.Mainboard.Part,
            Name = "Mainboard",
            Switches = model.Switches,
            Ways = [way],
        };
        IReadOnlyDictionary<string, string>? moved = job?.Switches.GetValueOrDefault(InstanceName.Mainboard);
        return new Instance(
            InstanceName.Mainboard,
            part,
            way,
            Standing(model.Switches, unit.Switches, moved),
            Added: false,
            new FittedPart { Part = part.Id, Switches = unit.Switches }
        );
    }

    /// <summary>Where switches stand: where the job moves them, else where they were found, else at factory.</summary>
    public static IReadOnlyDictionary<string, string> Standing(
        IEnumerable<Switch> switches,
        IReadOnlyDictionary<string, string> found,
        IReadOnlyDictionary<string, string>? moved
    )
    {
        var positions = new Dictionary<string, string>();
        foreach (Switch s in switches)
            positions[s.Id] = moved?.GetValueOrDefault(s.Id) ?? found.GetValueOrDefault(s.Id) ?? s.Factory;
        return positions;
    }

    /// <summary>The part's name, with its number where there are several.</summary>
    public string Title => Name.Number > 1 ? $"{Part.Name} #{Name.Number}" : Part.Name;

    /// <summary>A thing by its id and whose it is, for a person: <c>ata</c>, <c>header of Curragh card interface</c>.</summary>
    /// <param name="owner">The part that has it; null: the machine itself.</param>
    /// <param name="id">Its id on the sheet.</param>
    public static string NameOf(Instance? owner, string id) =>
        owner is null ? IdText.Plain(id) : $"{IdText.Plain(id)} of {owner.Title}";

    /// <summary>
    /// The site that a way which names only a connector comes to; null: none is free, or the way names its sites.
    /// </summary>
    public string? Site { get; init; }

    /// <summary>True if its way takes any site of a connector, and so has to be given one.</summary>
    public bool SeeksSite => Way is { Connector: not null } way && way.Occupies.All(o => o.Site is null);

    /// <summary>The sites of the machine (or of another part, <c>part:site</c>) that it sits on.</summary>
    public IEnumerable<Occupies> Occupied =>
        Site is { } found && SeeksSite
            ? [new Occupies { Site = found, Mode = SiteMode.In }]
            : Way?.Occupies.Where(o => o.Site is not null) ?? [];

    /// <summary>The position of a switch named by an own id or as <c>instance.switch</c>; null when it is not there.</summary>
    public static string? PositionOf(Instance? own, string key, IReadOnlyList<Instance> instances)
    {
        if (own?.Positions.GetValueOrDefault(key) is { } position)
            return position;
        int dot = key.IndexOf('.');
        return dot > 0 && instances.FirstOrDefault(i => i.Name == key[..dot]) is { } other
            ? other.Positions.GetValueOrDefault(key[(dot + 1)..])
            : null;
    }

    /// <summary>Gives each part its instance name, in order.</summary>
    public static IEnumerable<(InstanceName Name, FittedPart Fitted)> Number(IEnumerable<FittedPart> parts)
    {
        var count = new Dictionary<string, int>();
        foreach (FittedPart part in parts)
        {
            int number = count[part.Part] = count.GetValueOrDefault(part.Part) + 1;
            yield return (new InstanceName(part.Part, number), part);
        }
    }
}
