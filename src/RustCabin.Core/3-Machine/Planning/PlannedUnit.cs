using RustCabin.Core.Declared;
using RustCabin.Core.Maps;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Planning;

/// <summary>
/// A unit with its job, resolved against model, revision and switches: what everything else is computed from. Nothing in it is
/// guessed:
/// each list follows the order of the sheets.
/// </summary>
public sealed record PlannedUnit(
    Model Model,
    Unit Unit,
    Job? Job,
    Verdict Revision,
    IReadOnlyList<Instance> Instances,
    IReadOnlyList<DecodedClaim> Claims,
    IReadOnlyList<Unplaced> Unplaced,
    ResolvedMap Map,
    string? Firmware,
    string Currency
)
{
    /// <summary>The unit as it stands before the job, where its baseline was read and is to be compared; else null.</summary>
    public PlannedUnit? Before { get; init; }

    /// <summary>The port space, resolved by itself; null where the machine has none.</summary>
    public ResolvedMap? Ports { get; init; }

    /// <summary>Memory, and the port space where there is one.</summary>
    public IEnumerable<ResolvedMap> Spaces => Ports is null ? [Map] : [Map, Ports];

    /// <summary>The titles of the cabin, that a want may name.</summary>
    public IReadOnlyList<Title> Titles { get; init; } = [];

    /// <summary>How it was started, where titles are judged under that; null: nothing is said of it.</summary>
    public StartUp? StartUp { get; init; }

    /// <summary>The ways in which it can be started with its firmware.</summary>
    public IEnumerable<StartUp> StartUps => Model.StartUps.Where(s => s.Firmware is null || s.Firmware == Firmware);

    /// <summary>A site of this revision, or of a part that is fitted (<c>part:site</c>); null: there is none.</summary>
    public Site? FindSite(string name) =>
        LocalName.Parse(name) is { OnPart: true } local
            ? Find(InstanceName.Parse(local.Owner))?.Part.Sites.FirstOrDefault(s => s.Id == local.Id)
            : Sites.FirstOrDefault(s => s.Id == name);

    /// <summary>What is fitted or planned, without the machine's own board.</summary>
    public IEnumerable<Instance> Parts => Instances.Where(i => !i.IsMainboard);

    /// <summary>The instance of a name; null where there is none.</summary>
    public Instance? Find(InstanceName instance)
    {
        Budget.Spend();
        return Instances.FirstOrDefault(i => i.Name == instance);
    }

    /// <summary>The rails that this revision has.</summary>
    public IEnumerable<Rail> Rails => Model.Rails.Where(r => Holds(r.Revisions));

    /// <summary>The sites that this revision has.</summary>
    public IEnumerable<Site> Sites => Model.Sites.Where(s => Holds(s.Revisions));

    /// <summary>The board is a guess: nobody confirmed it, and 5 % or more speak for another.</summary>
    public bool IsBoardAssumed => Assumes(Model, Unit, Revision);

    /// <summary>True where the board of a unit is a guess.</summary>
    public static bool Assumes(Model model, Unit unit, Verdict revision) =>
        model.Revisions.Count > 1 && unit.Revision is null && revision.Probability <= 0.95;

    /// <summary>
    /// True if something that a sheet limits to <paramref name="revisions"/> is there on this unit; an empty list limits
    /// nothing.
    /// </summary>
    public bool Holds(IReadOnlyList<string> revisions) => revisions.Count == 0 || revisions.Contains(Revision.Id);

    /// <summary>
    /// The name for a person of a claim's owner, such as <c>Fathom memory board</c> or <c>shared memory of the Brindle 16</c>.
    /// </summary>
    public string OwnerName(ClaimName owner) => SubjectName(owner.Subject);

    /// <summary>The same; of an owner that brings several claims of the kind, with which of them.</summary>
    public string NameOf(ClaimName owner)
    {
        string name = OwnerName(owner);
        ClaimKind? kind = Claims.FirstOrDefault(c => c.Owner == owner)?.Kind;
        return Claims.Count(c => c.Kind == kind && OwnerName(c.Owner) == name) > 1 ? $"{name}, {IdText.Plain(owner.Id)}" : name;
    }

    /// <summary>A site, a net or another thing by where it is, for a person: <c>header of Curragh card interface</c>.</summary>
    public string PlaceName(string name) =>
        LocalName.Parse(name) is { OnPart: true } local && Find(InstanceName.Parse(local.Owner)) is { } part
            ? Instance.NameOf(part, local.Id)
            : LocalName.Parse(name).Plain;

    /// <summary>What a finding or a fault is about, for a person.</summary>
    public string SubjectName(Subject subject) =>
        subject.InModel is { } thing ? $"{Model.Name} {IdText.Plain(thing)}"
        : subject.InPart is { } instance ? Find(InstanceName.Parse(instance))?.Title ?? instance
        : $"{subject}";
}

/// <summary>A self-configuring claim that found no free place, and why.</summary>
public sealed record Unplaced(ClaimName Owner, ulong Size, IReadOnlyList<string> Why);
