using System.Numerics;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Packs;

/// <summary>
/// What the sheets of a pack say of each other and of themselves by name: every name must be there. A way for a model that is
/// not here is no error, since a part may fit machines that nobody has described yet.
/// </summary>
static partial class PackReferences
{
    public static IEnumerable<SheetError> Check(Pack pack, Pack known) =>
        [
            .. pack.Models.Index().SelectMany(m => CheckModel(m.Item, $"models[{m.Index}]")),
            .. pack.Models.Index().SelectMany(m => NamedThings.Of(m.Item, $"models[{m.Index}]")),
            .. pack
                .Parts.Index()
                .SelectMany(p => CheckPart(p.Item, $"parts[{p.Index}]", id => pack.FindModel(id) ?? known.FindModel(id))),
            .. pack
                .Parts.Index()
                .SelectMany(p => NamedThings.Of(p.Item, $"parts[{p.Index}]", id => pack.FindModel(id) ?? known.FindModel(id))),
            .. pack.Units.Index().SelectMany(u => CheckUnit(u.Item, $"units[{u.Index}]", pack, known)),
            .. pack.Jobs.Index().SelectMany(j => CheckJob(j.Item, $"jobs[{j.Index}]", pack, known)),
        ];

    public static IEnumerable<SheetError> CheckModel(Model model, string path)
    {
        if (model.Masters.Count is 0 or > 32)
            yield return new($"{path}.masters", "must name 1 to 32 bus masters");
        foreach (string twice in model.Masters.GroupBy(m => m).Where(g => g.Count() > 1).Select(g => g.Key))
            yield return new($"{path}.masters", $"\"{twice}\" is used twice");
        if (model.Revisions.Count == 0)
            yield return new($"{path}.revisions", "needs at least one revision");

        foreach (SheetError error in Twice(model.Revisions.Select(r => r.Id), $"{path}.revisions"))
            yield return error;
        foreach (SheetError error in Twice(model.Claims.Select(c => c.Id), $"{path}.claims"))
            yield return error;
        foreach (SheetError error in Twice(model.Sites.Select(s => s.Id), $"{path}.sites"))
            yield return error;
        foreach (SheetError error in Twice(model.Clues.Select(c => c.Id), $"{path}.clues"))
            yield return error;

        foreach (SheetError error in WiredNames.Of(model.Boards, model.Chips, model.Points, model.Sites, path))
            yield return error;

        IEnumerable<(string Path, IEnumerable<string> Revisions)> limited =
        [
            .. model.Boards.Index().Select(b => ($"{path}.boards[{b.Index}].revisions", b.Item.Revisions.AsEnumerable())),
            .. model.Chips.Index().Select(c => ($"{path}.chips[{c.Index}].revisions", c.Item.Revisions.AsEnumerable())),
            .. model.Points.Index().Select(p => ($"{path}.points[{p.Index}].revisions", p.Item.Revisions.AsEnumerable())),
            .. model.Claims.Index().Select(c => ($"{path}.claims[{c.Index}].revisions", c.Item.Revisions.AsEnumerable())),
            .. model.Sites.Index().Select(s => ($"{path}.sites[{s.Index}].revisions", s.Item.Revisions.AsEnumerable())),
            .. model.Rails.Index().Select(r => ($"{path}.rails[{r.Index}].revisions", r.Item.Revisions.AsEnumerable())),
            .. model
                .Signals.Index()
                .Select(s =>
                    ($"{path}.signals[{s.Index}].revisions", s.Item.Revisions.Concat(s.Item.At.SelectMany(a => a.Revisions)))
                ),
            .. model
                .Clues.Index()
                .SelectMany(c => c.Item.Values.Select(v => ($"{path}.clues[{c.Index}].values.{v.Key}", v.Value.AsEnumerable()))),
        ];
        foreach ((string where, IEnumerable<string> revisions) in limited)
        foreach (string id in revisions.Where(id => model.FindRevision(id) is null))
            yield return new(where, $"\"{id}\" is not a revision of this model");

        foreach (SheetError error in CheckAccess(model.Access, path))
            yield return error;

        if (Mirrors(model.Claims, model.AddressBits) is { } many)
            yield return new($"{path}.claims", many);
        foreach ((int i, Claim claim) in model.Claims.Index())
        foreach (SheetError error in CheckClaim(claim, $"{path}.claims[{i}]", model.AddressBits, model.Masters, model.Claims))
            yield return error;
        foreach ((int i, Claim claim) in model.Claims.Index())
        foreach (SheetError error in CheckWhen(claim.When, $"{path}.claims[{i}].when", model.Switches))
            yield return error;
        foreach (SheetError error in Twice(model.Switches.Select(s => s.Id), $"{path}.switches"))
            yield return error;
        foreach (SheetError error in CheckSockets(model.Claims, $"{path}.claims", model.Sites))
            yield return error;
        foreach (SheetError error in Twice(model.Vectors.Select(v => v.Id), $"{path}.vectors"))
            yield return error;
    }

    static IEnumerable<SheetError> CheckAccess(IReadOnlyList<AccessLevel> access, string path) =>
        from level in access.Index()
        where level.Item.From is { } outer && access.Take(level.Index).All(a => a.Id != outer)
        select new SheetError(
            $"{path}.access[{level.Index}].from",
            $"\"{level.Item.From}\" is not an access level above this one"
        );

    /// <summary>The sockets that claims and banks name are sites of the same sheet.</summary>
    static IEnumerable<SheetError> CheckSockets(IReadOnlyList<Claim> claims, string path, IReadOnlyList<Site> sites) =>
        from claim in claims.Index()
        from named in claim
            .Item.Sockets.Select(s => ("sockets", s))
            .Concat((claim.Item.Window?.Pages ?? []).Select(p => ("window.pages", p.Site)))
        where sites.All(s => s.Id != named.Item2)
        select new SheetError($"{path}[{claim.Index}].{named.Item1}", $"\"{named.Item2}\" is not a site of this sheet");

    /// <summary>
    /// What a claim says by name. <paramref name="masters"/> is null for a part, whose claims may meet any model.
    /// </summary>
    public static IEnumerable<SheetError> CheckClaim(
        Claim claim,
        string path,
        int addressBits,
        IReadOnlyList<string>? masters,
        IReadOnlyList<Claim> own
    )
    {
        if (masters is not null)
            foreach (string master in claim.Masters.Where(m => !masters.Contains(m)))
                yield return new($"{path}.masters", $"\"{master}\" is not one of the masters");
        // A register on another sheet is named with its owner ("model:select") and looked up when the unit is planned.
        if (claim.Window?.Register is { } register && ClaimName.Parse(register).Of is null && own.All(c => c.Id != register))
            yield return new($"{path}.window.register", $"\"{register}\" is not a claim of this sheet");
        if (TooFree(claim, addressBits) is { } free)
            yield return new($"{path}.mask", $"leaves out {free} address lines; {Maps.Decode.MostFreeLines} are the most");
    }

    /// <summary>Why claims cannot be planned together, since their masks make too many mirrors; else null.</summary>
    static string? Mirrors(IReadOnlyCollection<Claim> claims, int addressBits)
    {
        // One that leaves out too many lines by itself is told as that.
        if (claims.Any(c => TooFree(c, addressBits) is not null))
            return null;
        try
        {
            Maps.AddressMap.DemandFewMirrors(
                addressBits,
                claims.Where(c => c.Size is { Bytes: > 0 }).Select(c => (c.Size!.Value.Bytes, c.Mask?.Value))
            );
            return null;
        }
        catch (Maps.MapTooDenseException dense)
        {
            return dense.Message;
        }
    }

    /// <summary>How many address lines a mask leaves out, when that makes more mirrors than can be listed; else null.</summary>
    static int? TooFree(Claim claim, int addressBits) =>
        claim is { Mask: { } mask, Size: { Bytes: > 0 } size }
        && BitOperations.PopCount(Maps.Decode.Space(addressBits) & ~(size.Bytes - 1) & ~mask.Value)
            is var free
                and > Maps.Decode.MostFreeLines
            ? free
            : null;

    static IEnumerable<SheetError> CheckPart(Part part, string path, Func<string, Model?> findModel)
    {
        if (part.Id == InstanceName.Mainboard.Part)
            yield return new($"{path}.id", $"\"{part.Id}\" is what a machine's own board is called");
        foreach (SheetError error in Twice(part.Ways.Select(w => w.Id), $"{path}.ways"))
            yield return error;
        foreach (SheetError error in Twice(part.Claims.Select(c => c.Id), $"{path}.claims"))
            yield return error;
        foreach (SheetError error in Twice(part.Switches.Select(s => s.Id), $"{path}.switches"))
            yield return error;
        foreach (SheetError error in WiredNames.Of(part.Boards, part.Chips, part.Points, part.Sites, path))
            yield return error;
        foreach (SheetError error in Twice(part.Pads.Select(p => p.Id), $"{path}.pads"))
            yield return error;
        foreach (SheetError error in CheckAccess(part.Access, path))
            yield return error;

        foreach ((int i, Claim claim) in part.Claims.Index())
        {
            foreach (SheetError error in CheckClaim(claim, $"{path}.claims[{i}]", 0, null, part.Claims))
                yield return error;
            foreach (SheetError error in CheckWhen(claim.When, $"{path}.claims[{i}].when", part.Switches))
                yield return error;
        }
        foreach (SheetError error in CheckSockets(part.Claims, $"{path}.claims", part.Sites))
            yield return error;
        foreach ((int i, SetChange set) in part.Sets.Index())
        foreach (SheetError error in CheckWhen(set.When, $"{path}.sets[{i}].when", part.Switches))
            yield return error;
        foreach ((int i, Draw draw) in part.Draws.Index())
        foreach (SheetError error in CheckWhen(draw.When, $"{path}.draws[{i}].when", part.Switches))
            yield return error;
        foreach ((int i, Need need) in part.Needs.Index())
        foreach (SheetError error in CheckWhen(need.When, $"{path}.needs[{i}].when", part.Switches))
            yield return error;
        foreach ((int i, SwitchRow row) in part.SwitchTable.Index())
        foreach (SheetError error in CheckPositions(row.Positions, $"{path}.switchTable[{i}].positions", part.Switches))
            yield return error;

        foreach ((int i, Way way) in part.Ways.Index())
        {
            if (way.Model is null || findModel(way.Model) is not { } model)
                continue;
            foreach (string id in way.Revisions.Where(id => model.FindRevision(id) is null))
                yield return new($"{path}.ways[{i}].revisions", $"\"{id}\" is not a revision of {model.Id}");
            foreach ((int k, Occupies taken) in way.Occupies.Index())
                if (taken.Site is { } site && !LocalName.Parse(site).OnPart && model.FindSite(site) is null)
                    yield return new($"{path}.ways[{i}].occupies[{k}].site", $"\"{site}\" is not a site of {model.Id}");
        }
    }

    static IEnumerable<SheetError> CheckWhen(Condition when, string path, IReadOnlyList<Switch> switches)
    {
        foreach ((string key, IReadOnlyList<string> positions) in when.Keys)
        {
            if (key.Contains('.'))
                continue;
            if (switches.FirstOrDefault(s => s.Id == key) is not { } own)
                yield return new($"{path}.{key}", $"\"{key}\" is not a switch of this sheet");
            else
                foreach (string position in positions.Where(p => !own.Positions.Contains(p)))
                    yield return new($"{path}.{key}", $"\"{position}\" is not a position of {key}");
        }
    }

    public static IEnumerable<SheetError> CheckUnit(Unit unit, string path, Pack pack, Pack known)
    {
        if ((pack.FindModel(unit.Model) ?? known.FindModel(unit.Model)) is not { } model)
        {
            yield return new($"{path}.model", $"\"{unit.Model}\" is not a model here");
            yield break;
        }
        if (unit.Revision is { } revision && model.FindRevision(revision) is null)
            yield return new($"{path}.revision", $"\"{revision}\" is not a revision of {model.Id}");
        foreach (string clue in unit.Seen.Keys.Where(k => model.Clues.All(c => c.Id != k)))
            yield return new($"{path}.seen.{clue}", $"\"{clue}\" is not a clue of {model.Id}");
        foreach (SheetError error in CheckFirmware(unit.Firmware, $"{path}.firmware", model))
            yield return error;
        foreach (SheetError error in CheckPositions(unit.Switches, $"{path}.switches", model.Switches))
            yield return error;
        foreach ((int i, FittedPart fitted) in unit.Fitted.Index())
        foreach (SheetError error in CheckFitted(fitted, $"{path}.fitted[{i}]", model, pack, known))
            yield return error;
    }

    /// <summary>
    /// What a job refers to that is not here. What is stored already (<paramref name="kept"/>) may compare itself with a unit
    /// that was taken off the shelf since: that comparison then says so, and the job stays as it is.
    /// </summary>
    public static IEnumerable<SheetError> CheckJob(Job job, string path, Pack pack, Pack known, bool kept = false)
    {
        if ((pack.FindUnit(job.Unit) ?? known.FindUnit(job.Unit)) is not { } stands)
        {
            yield return new($"{path}.unit", $"\"{job.Unit}\" is not a unit here");
            yield break;
        }
        Unit unit = job.On(stands);
        Model? model = pack.FindModel(unit.Model) ?? known.FindModel(unit.Model);
        foreach ((int i, FittedPart fitted) in job.Add.Index())
        foreach (SheetError error in CheckFitted(fitted, $"{path}.add[{i}]", model, pack, known))
            yield return error;
        if (model is not null)
            foreach (SheetError error in CheckFirmware(job.Firmware, $"{path}.firmware", model))
                yield return error;

        if (
            model is not null
            && Mirrors(
                [
                    .. model.Claims,
                    .. unit
                        .Fitted.Concat(job.Add)
                        .SelectMany(f => (pack.FindPart(f.Part) ?? known.FindPart(f.Part))?.Claims ?? []),
                ],
                model.AddressBits
            )
                is { } many
        )
            yield return new(path, many);
        Dictionary<string, FittedPart> instances = Planning
            .Instance.Number(unit.Fitted.Concat(job.Add))
            .ToDictionary(i => $"{i.Name}", i => i.Fitted);
        foreach ((int i, string name) in job.Remove.Index())
            if (!instances.ContainsKey(name))
                yield return new($"{path}.remove[{i}]", $"\"{name}\" is not fitted to {unit.Id}");
        if (model is not null)
            foreach (
                (int i, RomPlan rom) in job
                    .Roms.Index()
                    .Where(r => model.FindSite(r.Item.Site) is null && !LocalName.Parse(r.Item.Site).OnPart)
            )
                yield return new($"{path}.roms[{i}].site", $"\"{rom.Site}\" is not a site of {model.Id}");
        foreach (SheetError error in CheckNamed(job, path, pack, known, kept))
            yield return error;
        foreach (SheetError error in CheckSwitches(job.Switches, $"{path}.switches", instances, unit, pack, known))
            yield return error;
        foreach ((string name, IReadOnlyList<string?> banks) in job.Banks)
            if (!instances.TryGetValue(name, out FittedPart? filled))
                yield return new($"{path}.banks.{name}", $"\"{name}\" is neither fitted to {unit.Id} nor added");
            else if ((pack.FindPart(filled.Part) ?? known.FindPart(filled.Part)) is { } part)
                foreach (SheetError error in CheckBanks(banks, $"{path}.banks.{name}", part))
                    yield return error;
        foreach ((int i, NamedSetting setting) in job.Settings.Index())
        foreach (
            SheetError error in CheckSwitches(setting.Switches, $"{path}.settings[{i}].switches", instances, unit, pack, known)
        )
            yield return error;
    }

    /// <summary>The titles and the units that a job names.</summary>
    static IEnumerable<SheetError> CheckNamed(Job job, string path, Pack pack, Pack known, bool kept)
    {
        foreach ((int i, Need want) in job.Wants.Index())
            if (want is TitleNeed title && (pack.FindTitle(title.Id) ?? known.FindTitle(title.Id)) is null)
                yield return new($"{path}.wants[{i}].title", $"\"{title.Id}\" is not a title here");
        foreach ((int i, JobCard card) in job.Cards.Index())
        foreach ((int k, CardPartition p) in card.Partitions.Index())
        foreach (string held in p.Holds.Where(t => (pack.FindTitle(t) ?? known.FindTitle(t)) is null))
            yield return new($"{path}.cards[{i}].partitions[{k}].holds", $"\"{held}\" is not a title here");
        foreach ((int i, SpeedClaim claim) in (job.Speed?.Claims ?? []).Index())
            if (!kept && claim.Unit is { } reference && (pack.FindUnit(reference) ?? known.FindUnit(reference)) is null)
                yield return new($"{path}.speed.claims[{i}].unit", $"\"{reference}\" is not a unit here");
    }

    static IEnumerable<SheetError> CheckSwitches(
        IReadOnlyDictionary<string, OrderedDictionary<string, string>> switches,
        string path,
        Dictionary<string, FittedPart> instances,
        Unit unit,
        Pack pack,
        Pack known
    )
    {
        foreach ((string name, OrderedDictionary<string, string> positions) in switches)
        {
            if (name == InstanceName.Mainboard && (pack.FindModel(unit.Model) ?? known.FindModel(unit.Model)) is { } model)
                foreach (SheetError error in CheckPositions(positions, $"{path}.{name}", model.Switches))
                    yield return error;
            else if (!instances.TryGetValue(name, out FittedPart? fitted))
                yield return new($"{path}.{name}", $"\"{name}\" is neither fitted to {unit.Id} nor added");
            else if ((pack.FindPart(fitted.Part) ?? known.FindPart(fitted.Part)) is { } part)
                foreach (SheetError error in CheckPositions(positions, $"{path}.{name}", part.Switches))
                    yield return error;
        }
    }

    static IEnumerable<SheetError> CheckFirmware(string? firmware, string path, Model model)
    {
        if (firmware is not null && model.Firmware.All(f => f.Id != firmware))
            yield return new(path, $"\"{firmware}\" is not a firmware of {model.Id}");
    }

    public static IEnumerable<SheetError> Twice(IEnumerable<string> ids, string path)
    {
        var seen = new HashSet<string>();
        foreach ((int index, string id) in ids.Index())
            if (id.Length > 0 && !seen.Add(id))
                yield return new($"{path}[{index}].id", $"\"{id}\" is used twice");
    }
}
