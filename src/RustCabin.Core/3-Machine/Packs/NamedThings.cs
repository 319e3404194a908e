using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>
/// What sheets name beside revisions, sites, switches and firmware: claims, masters, access levels, sites, paths. A name that
/// leads nowhere would be passed over in silence when the unit is planned, so it is an error of the sheet. What a plan itself
/// tells (a rail, a signal or an opening that this machine lacks) is left to the findings.
/// </summary>
static class NamedThings
{
    /// <summary>What is wrong with the names on a model sheet.</summary>
    public static IEnumerable<SheetError> Of(Model model, string path) =>
        [
            .. model
                .Claims.Index()
                .SelectMany(c =>
                    c.Item.Overlays.SelectMany(o => Claim(o, model.Claims, model.Claims, $"{path}.claims[{c.Index}].overlays"))
                        .Concat(Register(c.Item, model.Claims, $"{path}.claims[{c.Index}]"))
                ),
            .. (model.Start?.Needs ?? [])
                .Index()
                .SelectMany(n => Claim(n.Item, model.Claims, model.Claims, $"{path}.start.needs[{n.Index}]")),
            .. model.Start?.Processor is { } site && model.FindSite(site) is null
                ? [new SheetError($"{path}.start.processor", $"\"{site}\" is not a site of this model")]
                : (SheetError[])[],
            .. model.Sites.Index().SelectMany(s => Level(s.Item.Access, model, $"{path}.sites[{s.Index}].access")),
            .. model.Clues.Index().SelectMany(c => Level(c.Item.Access, model, $"{path}.clues[{c.Index}].access")),
            .. model.Service.Index().SelectMany(s => Level(s.Item.Access, model, $"{path}.service[{s.Index}].access")),
            .. model
                .Service.Index()
                .SelectMany(s => Revisions(s.Item.Revisions, [model], $"{path}.service[{s.Index}].revisions")),
            .. model.MemoryLimits.Keys.SelectMany(m => Masters([m], [model], $"{path}.limits.memory.{m}")),
            .. model
                .Firmware.Index()
                .SelectMany(f =>
                    f.Item.Uses.Keys.SelectMany(m => Masters([m], [model], $"{path}.firmware[{f.Index}].uses.{m}"))
                        .Concat(Firmware(f.Item.BasedOn, model, $"{path}.firmware[{f.Index}].basedOn"))
                ),
            .. model
                .Paths.Index()
                .Where(p => model.Rails.All(r => r.Id != p.Item.Rail))
                .Select(p => new SheetError($"{path}.paths[{p.Index}].rail", $"\"{p.Item.Rail}\" is not a rail of this model")),
        ];

    /// <summary>What is wrong with the names on a part sheet.</summary>
    /// <param name="part">The part.</param>
    /// <param name="path">Where its sheet stands.</param>
    /// <param name="findModel">A model of the cabin or the pack.</param>
    public static IEnumerable<SheetError> Of(Part part, string path, Func<string, Model?> findModel)
    {
        // Names of a machine can be held against a machine only where every way says which; a connector may be on any.
        Model?[] named = [.. part.Ways.Select(w => w.Model is { } id ? findModel(id) : null)];
        Model[]? models = named.Length > 0 && named.All(m => m is not null) ? [.. named.OfType<Model>().Distinct()] : null;
        Claim[]? theirs = models is null ? null : [.. models.SelectMany(m => m.Claims)];
        foreach ((int i, Claim claim) in part.Claims.Index())
        {
            string at = $"{path}.claims[{i}]";
            foreach (string over in claim.Overlays)
            foreach (SheetError error in Claim(over, part.Claims, theirs, $"{at}.overlays"))
                yield return error;
            foreach (SheetError error in Register(claim, theirs, at))
                yield return error;
            foreach (SheetError error in Masters(claim.Masters, models, $"{at}.masters"))
                yield return error;
            foreach (SheetError error in Revisions(claim.Revisions, models, $"{at}.revisions"))
                yield return error;
        }
        foreach ((int i, SetChange set) in part.Sets.Index())
        {
            foreach (
                SheetError error in Claim(
                    set.Claim,
                    part.Claims,
                    ClaimName.Parse(set.Claim).Of is not null ? theirs : [],
                    $"{path}.sets[{i}].claim"
                )
            )
                yield return error;
            foreach (SheetError error in Masters(set.Masters, models, $"{path}.sets[{i}].masters"))
                yield return error;
        }
        foreach ((int i, Draw draw) in part.Draws.Index())
            if (draw.Path is { } way && models is not null && !LocalName.Parse(way).OnPart && !Paths(part, models).Contains(way))
                yield return new($"{path}.draws[{i}].path", $"\"{way}\" is not a path of this part, nor of {Names(models)}");
        foreach ((int i, Cable cable) in part.Cables.Index())
            if (cable.Into is { } into)
                foreach (SheetError error in Site(into, part, models, $"{path}.cables[{i}].into"))
                    yield return error;
        foreach ((int i, Way way) in part.Ways.Index().Where(w => w.Item.Model is not null && named[w.Index] is not null))
        {
            Model[] one = [named[i]!];
            string at = $"{path}.ways[{i}]";
            if (way.Expects is { } expected)
                foreach (SheetError error in Site(expected, part, one, $"{at}.expects"))
                    yield return error;
            foreach ((int k, Occupies taken) in way.Occupies.Index())
            foreach ((int n, Overhang over) in taken.Overhangs.Index())
            foreach (SheetError error in Site(over.Site, part, one, $"{at}.occupies[{k}].overhangs[{n}].site"))
                yield return error;
            foreach ((int k, Need need) in way.Needs.Index())
            foreach (SheetError error in Revisions(need.Revisions, one, $"{at}.needs[{k}].revisions"))
                yield return error;
        }
        foreach ((int i, Need need) in part.Needs.Index())
        foreach (SheetError error in Revisions(need.Revisions, models, $"{path}.needs[{i}].revisions"))
            yield return error;
    }

    static IEnumerable<string> Paths(Part part, Model[] models) =>
        part.Paths.Concat(models.SelectMany(m => m.Paths)).Select(p => p.Id);

    /// <summary>A claim by name: one of the sheet's own, one of the machine's (plain, or with <c>model:</c>), or another
    /// part's.</summary>
    static IEnumerable<SheetError> Claim(string name, IReadOnlyList<Claim> own, IReadOnlyList<Claim>? theirs, string path)
    {
        ClaimName named = ClaimName.Parse(name);
        bool model = named.Of == "";
        string id = named.Id;
        if (named.Instance is not null || theirs is null || theirs.Any(c => c.Id == id) || (!model && own.Any(c => c.Id == id)))
            yield break;
        yield return new(path, $"\"{name}\" is not a claim of {(model ? "the model" : "this sheet")}");
    }

    static IEnumerable<SheetError> Register(Claim claim, IReadOnlyList<Claim>? theirs, string path) =>
        claim.Window?.Register is { } register && Subject.Parse(register).InModel is not null
            ? Claim(register, [], theirs, $"{path}.window.register")
            : [];

    static IEnumerable<SheetError> Level(string? level, Model model, string path) =>
        level is null || model.Access.Count == 0 || level == AccessLevel.Closed || model.Access.Any(a => a.Id == level)
            ? []
            : [new(path, $"\"{level}\" is not an access level of this model")];

    static IEnumerable<SheetError> Masters(IEnumerable<string> masters, IReadOnlyList<Model>? models, string path) =>
        models is null
            ? []
            : masters
                .Where(m => models.All(k => !k.Masters.Contains(m)))
                .Select(m => new SheetError(path, $"\"{m}\" is not a master of {Names(models)}"));

    static IEnumerable<SheetError> Revisions(IEnumerable<string> revisions, IReadOnlyList<Model>? models, string path) =>
        models is null
            ? []
            : revisions
                .Where(id => models.All(m => m.FindRevision(id) is null))
                .Select(id => new SheetError(path, $"\"{id}\" is not a revision of {Names(models)}"));

    static IEnumerable<SheetError> Firmware(string? id, Model model, string path) =>
        id is null || model.Firmware.Any(f => f.Id == id) ? [] : [new(path, $"\"{id}\" is not a firmware of this model")];

    static IEnumerable<SheetError> Site(string id, Part part, IReadOnlyList<Model>? models, string path) =>
        models is null
        || LocalName.Parse(id).OnPart
        || part.Sites.Any(s => s.Id == id)
        || models.Any(m => m.FindSite(id) is not null)
            ? []
            : [new(path, $"\"{id}\" is not a site of {Names(models)}")];

    static string Names(IEnumerable<Model> models) => string.Join(" or ", models.Select(m => m.Id));
}
