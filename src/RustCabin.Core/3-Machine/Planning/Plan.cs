using RustCabin.Core.Maps;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Planning;

/// <summary>Resolves a unit and a job against their sheets. Pure: the same sheets give the same plan.</summary>
public static class Plan
{
    /// <summary>
    /// The plan of a job. Its unit, model and parts must be in the pack (<see cref="PackReader"/> sees to that).
    /// </summary>
    public static PlannedUnit For(Pack pack, Job job) => Make(pack, job.On(pack.FindUnit(job.Unit)!), job);

    /// <summary>The unit as it stands, before any job.</summary>
    public static PlannedUnit For(Pack pack, Unit unit) => Make(pack, unit, null);

    /// <summary>A machine of a model as it left its maker, on its first board.</summary>
    public static PlannedUnit Bare(Pack pack, Model model) =>
        For(
            pack,
            new Unit
            {
                Id = "bare",
                Model = model.Id,
                Name = model.Name,
                Revision = model.Revisions[0].Id,
            }
        );

    static PlannedUnit Make(Pack pack, Unit unit, Job? job)
    {
        Model model = pack.FindModel(unit.Model)!;
        Verdict revision = Revisions.Identify(model, unit.Seen, unit.Revision);
        PlannedUnit planned = Resolve(
            model,
            unit,
            job,
            revision,
            Seated(model, revision.Id, Fit(pack, unit, job)),
            job?.Firmware ?? unit.Firmware,
            pack.Currency
        ) with
        {
            Titles = pack.Titles,
        };
        return job is null || (unit.Baseline?.Reading is null && job.Speed is null)
            ? planned
            : planned with
            {
                Before = Make(pack, unit, null),
            };
    }

    /// <summary>The same plan with one switch in another position, which must be one of its own.</summary>
    public static PlannedUnit Moved(PlannedUnit planned, InstanceName instance, string switchId, string position) =>
        Of(
            planned,
            [
                .. planned.Instances.Select(i =>
                    i.Name != instance
                        ? i
                        : i with
                        {
                            Positions = new Dictionary<string, string>(i.Positions) { [switchId] = position },
                        }
                ),
            ]
        );

    /// <summary>
    /// The same plan with some of its parts only: as the unit stands between two steps of a build, or with a part not seated.
    /// </summary>
    public static PlannedUnit With(PlannedUnit planned, Func<Instance, bool> fitted) =>
        Of(planned, [.. planned.Instances.Where(i => i.IsMainboard || fitted(i))]);

    /// <summary>The same plan on another board of the model.</summary>
    public static PlannedUnit OnBoard(PlannedUnit planned, string revision) =>
        Of(planned with { Revision = planned.Revision with { Id = revision } }, planned.Instances);

    /// <summary>The same plan with other parts or positions.</summary>
    public static PlannedUnit Of(PlannedUnit planned, IReadOnlyList<Instance> instances) =>
        Resolve(
            planned.Model,
            planned.Unit,
            planned.Job,
            planned.Revision,
            Seated(planned.Model, planned.Revision.Id, instances),
            planned.Firmware,
            planned.Currency
        ) with
        {
            Before = planned.Before,
            Titles = planned.Titles,
        };

    static PlannedUnit Resolve(
        Model model,
        Unit unit,
        Job? job,
        Verdict revision,
        IReadOnlyList<Instance> instances,
        string? firmware,
        string currency
    )
    {
        Budget.SpendMuch();
        (IReadOnlyList<DecodedClaim> all, IReadOnlyList<Unplaced> unplaced) = PlannedClaims.Of(model, revision.Id, instances);
        DecodedClaim[] claims = [.. all.Where(c => c.Space == BusSpace.Memory)];
        DecodedClaim[] ports = [.. all.Where(c => c.Space == BusSpace.Io)];
        ResolvedMap map = AddressMap.Resolve(model.AddressBits, model.Masters, claims);
        return new PlannedUnit(model, unit, job, revision, instances, claims, unplaced, map, firmware, currency)
        {
            Ports = ports.Length == 0 ? null : AddressMap.Resolve(model.IoBits ?? Model.UsualIoBits, model.Masters, ports),
        };
    }

    /// <summary>
    /// Gives each part whose way names only a connector its site: the one it says, else the first of that connector that no
    /// part before it takes.
    /// </summary>
    static IReadOnlyList<Instance> Seated(Model model, string revision, IReadOnlyList<Instance> instances)
    {
        if (!instances.Any(i => i.SeeksSite))
            return instances;
        var taken = new HashSet<string>(
            instances
                .Where(i => !i.SeeksSite)
                .SelectMany(i => i.Occupied)
                .Select(o => o.Site!)
                .Concat(instances.Where(i => i.SeeksSite).Select(i => i.Fitted.At).OfType<string>())
        );
        (string Name, Site Site)[] sites =
        [
            .. model.Sites.Where(s => s.Revisions.Count == 0 || s.Revisions.Contains(revision)).Select(s => (s.Id, s)),
            .. instances.SelectMany(i => i.Part.Sites.Select(s => ($"{i.Name}:{s.Id}", s))),
        ];
        var seated = new List<Instance>(instances.Count);
        foreach (Instance instance in instances)
        {
            string? site = !instance.SeeksSite
                ? null
                : instance.Fitted.At
                    ?? sites
                        .Where(s =>
                            s.Site.Connector == instance.Way!.Connector
                            && !s.Name.StartsWith(instance.Name + ":", StringComparison.Ordinal)
                            && !taken.Contains(s.Name)
                        )
                        .Select(s => s.Name)
                        .FirstOrDefault();
            if (site is not null)
                taken.Add(site);
            seated.Add(instance.Site == site ? instance : instance with { Site = site });
        }
        return seated;
    }

    static IReadOnlyList<Instance> Fit(Pack pack, Unit unit, Job? job)
    {
        int here = unit.Fitted.Count;
        return
        [
            .. Instance.MainboardOf(pack.FindModel(unit.Model)!, unit, job) is { } own ? [own] : (Instance[])[],
            .. Instance
                .Number(unit.Fitted.Concat(job?.Add ?? []))
                .Index()
                .Where(i => job is null || !job.Remove.Contains(i.Item.Name))
                .Select(i =>
                    Place(
                        pack,
                        unit,
                        i.Item.Name,
                        job?.Banks.GetValueOrDefault(i.Item.Name) is { } banks
                            ? i.Item.Fitted with
                            {
                                Banks = banks,
                            }
                            : i.Item.Fitted,
                        job?.Switches.GetValueOrDefault(i.Item.Name),
                        added: i.Index >= here
                    )
                ),
        ];
    }

    /// <summary>
    /// Switches stand where the job moves them, else where the fitted part has them, else at factory. Without a way, the first
    /// that is for this model.
    /// </summary>
    static Instance Place(
        Pack pack,
        Unit unit,
        InstanceName name,
        FittedPart fitted,
        IReadOnlyDictionary<string, string>? moved,
        bool added
    )
    {
        Part part = Copies.Whole(pack, pack.FindPart(fitted.Part)!);
        Way? way = fitted.Way is null
            ? part.Ways.FirstOrDefault(w => w.Model == unit.Model) ?? part.Ways.FirstOrDefault()
            : part.FindWay(fitted.Way);
        return new Instance(name, part, way, Instance.Standing(part.Switches, fitted.Switches, moved), added, fitted);
    }
}
