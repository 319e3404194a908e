using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Fit;

/// <summary>
/// What taking parts out and putting parts in brings to a build, one change and one test at a time. Source:
/// docs/handbook/build.md, Steps.
/// </summary>
static class FitWorks
{
    const decimal SwitchMinutes = 1,
        FirmwareMinutes = 10,
        ChipMinutes = 0.5m,
        DriverMinutes = 8,
        RemoveMinutes = 5;

    public static IEnumerable<Work> Of(BuildAsked asked)
    {
        (PlannedUnit before, PlannedUnit after) = (asked.Before, asked.After);
        foreach (Instance part in after.Instances.Where(i => before.Find(i.Name) is null))
            if (DriversOf(after, part, DriverOrder.Before) is { Count: > 0 } first)
                yield return new Work(WorkTime.Before, first);

        foreach (Work work in Removals(before, after).Concat(Fittings(before, after)))
            yield return work;
        if (after.Firmware != before.Firmware)
            yield return new Work(WorkTime.Firmware, [FirmwareStep(before.Firmware, after.Firmware)])
            {
                Opens = FirmwareSite(after) is { } site ? AccessPath.Path(after.Model, site.Access) : [],
                Anywhere = FirmwareSite(after) is null,
                Gate = new GateAsked(Acts.CountFirmware, $"with firmware {after.Firmware}", [Acts.Firmware]) { Alone = true },
            };
    }

    static IEnumerable<Work> Removals(PlannedUnit before, PlannedUnit after)
    {
        Instance[] removed = [.. before.Instances.Where(b => after.Find(b.Name) is null)];
        foreach (Instance part in removed)
            yield return new Work(WorkTime.Out, [RemoveStep(part)])
            {
                Opens = AccessPath.To(after.Model, part),
                Anywhere = HasNoPlace(after.Model, part),
                Touches = PlacesOf(part),
                Chance = 0,
                Gate =
                    part == removed[^1]
                        ? new GateAsked(
                            Acts.CountRemoved,
                            "without what was taken out",
                            [.. removed.Select(r => Acts.Remove(r.Name))]
                        )
                        : null,
            };
    }

    static IEnumerable<Work> Fittings(PlannedUnit before, PlannedUnit after)
    {
        foreach (Instance part in after.Instances)
        {
            Instance? earlier = before.Find(part.Name);
            bool moved = earlier is not null && part.Part.Switches.Any(s => earlier.Positions[s.Id] != part.Positions[s.Id]);
            if (earlier is not null && !moved)
                continue;
            Step[] steps = [.. InSteps(after, part, earlier)];
            yield return new Work(WorkTime.In, steps)
            {
                Opens = AccessPath.To(after.Model, part),
                Anywhere = HasNoPlace(after.Model, part),
                Gate = new GateAsked(
                    Acts.Count(part.Name),
                    $"with {part.Title}",
                    [.. steps.Select(s => s.Id), .. MendsOf(after, part)]
                ),
                Chance = earlier is null ? Work.ChanceOf(part) : 0,
                MendMinutes = part.Way?.MendMinutes,
                After = [.. earlier is null ? RestsOn(after, part).Select(o => Acts.Fit(o.Name)) : [], .. MendsOf(after, part)],
                Touches = PlacesOf(part),
                Covers = part.Way?.Covers ?? [],
            };
            Step[] drivers = [.. DriversOf(after, part, DriverOrder.Any), .. DriversOf(after, part, DriverOrder.After)];
            if (earlier is null && drivers.Length > 0)
                yield return new Work(WorkTime.In, [.. drivers.Select(d => d with { Needs = [Acts.Fit(part.Name)] })])
                {
                    Anywhere = true,
                };
        }
    }

    /// <summary>The socket of the machine that holds its firmware; null: no sheet says.</summary>
    static Site? FirmwareSite(PlannedUnit unit) =>
        unit
            .Model.Claims.Where(c => c.Kind == ClaimKind.Rom && unit.Holds(c.Revisions))
            .SelectMany(c => c.Sockets)
            .Select(unit.FindSite)
            .FirstOrDefault(s => s is not null);

    /// <summary>Parts of the job on whose sites a part sits, or that it needs.</summary>
    static IEnumerable<Instance> RestsOn(PlannedUnit unit, Instance part) =>
        unit.Instances.Where(other =>
            other != part
            && other.Added
            && (
                part.Occupied.Any(o => o.Site!.StartsWith($"{other.Name}:", StringComparison.Ordinal))
                || part.Part.Needs.Concat(part.Way?.Needs ?? []).Any(n => n is PartNeed need && need.Id == other.Part.Id)
            )
        );

    /// <summary>No site that it takes says how far the case must be open.</summary>
    static bool HasNoPlace(Model model, Instance part) => part.Occupied.All(o => model.FindSite(o.Site!)?.Access is null);

    static IReadOnlyList<string> PlacesOf(Instance part) =>
        [
            .. part.Occupied.Select(o => o.Site!),
            .. (part.Way?.Changes ?? []).SelectMany(c => c.From.Concat(c.To).Concat(c.Off).Append(c.Point ?? c.Chip ?? "")),
        ];

    static IEnumerable<Step> InSteps(PlannedUnit unit, Instance part, Instance? earlier)
    {
        bool set = part.Part.Switches.Count > 0 || part.Fitted.Banks.Count > 0;
        if (set)
            yield return SetUp(part, earlier);
        if (earlier is not null)
            yield break;
        IReadOnlyList<WayStep> own = part.Way?.Steps ?? [];
        // The sheet says how long the whole takes.
        decimal each = (part.Way?.Minutes ?? 0) / (own.Count + 1);
        foreach (WayStep step in own)
            yield return new Step(
                Acts.WayStep(part.Name, step.Id),
                StepKind.Fit,
                step.What,
                [
                    $"For {part.Title}.",
                    step.Proof.Length > 0 ? $"It is done when it reads: {step.Proof}." : "Look at it closely.",
                ],
                each
            )
            {
                Cautions = Caution.Of(part),
                Instance = part,
                Wait = step.WaitMinutes,
                Needs = set ? [Acts.Set(part.Name)] : [],
            };
        yield return new Step(
            Acts.Fit(part.Name),
            StepKind.Fit,
            $"Fit {part.Title}",
            [
                .. Sits(unit.Model, part),
                .. CasePlaces.Of(unit, part),
                .. part.Part.HotPlug ? ["It may be plugged in while the machine runs."] : (string[])[],
                .. Keep(part),
            ],
            each
        )
        {
            Cautions = Caution.Of(part),
            Instance = part,
            Needs = [.. set ? [Acts.Set(part.Name)] : (StepId[])[], .. own.Select(s => Acts.WayStep(part.Name, s.Id))],
        };
    }

    /// <summary>Mends by hand that a part's own gate rests on.</summary>
    static IEnumerable<StepId> MendsOf(PlannedUnit unit, Instance part) =>
        (unit.Job?.Mends ?? []).Where(m => m.Subject == part.Subject).Select(Acts.Mend);

    static Step RemoveStep(Instance part) =>
        new(Acts.Remove(part.Name), StepKind.Remove, $"Take out {part.Title}", Keep(part), RemoveMinutes)
        {
            Cautions = Caution.Of(part),
            Instance = part,
        };

    static Step FirmwareStep(string? has, string? wanted) =>
        new(
            Acts.Firmware,
            StepKind.Firmware,
            $"Change the firmware to {wanted}",
            [$"It holds {has ?? "an unknown version"} now; keep the original device, labelled."],
            FirmwareMinutes
        )
        {
            Cautions = [Caution.Of("static")],
        };

    /// <summary>Drivers that the unit has not, or has too old, in the order that the part's sheet asks for.</summary>
    static IReadOnlyList<Step> DriversOf(PlannedUnit unit, Instance part, DriverOrder order) =>
        [
            .. part
                .Part.Drivers.Index()
                .Where(d =>
                    d.Item.Order == order
                    && (
                        unit.Unit.Software.GetValueOrDefault(d.Item.Name) is not { } has
                        || SoftwareChecks.Older(has, d.Item.AtLeast)
                    )
                )
                .Select(d => new Step(
                    Acts.Driver(part.Name, d.Index + 1),
                    StepKind.Firmware,
                    $"Put on {d.Item.Name}{(d.Item.AtLeast.Length > 0 ? $" {d.Item.AtLeast} or later" : "")}",
                    [
                        order == DriverOrder.Before
                            ? $"Before {part.Title} is fitted: afterwards the machine does not start without it."
                            : $"For {part.Title}. Note its version under the unit's software.",
                    ],
                    DriverMinutes
                )
                {
                    Runs = true,
                }),
        ];

    static Step SetUp(Instance part, Instance? earlier)
    {
        FilledBank[] banks = [.. FilledBank.Of(part)];
        string title = part.Fitted.Banks.Count > 0 ? "Fill the banks and set the switches of" : "Set the switches of";
        return new Step(
            Acts.Set(part.Name),
            StepKind.Set,
            $"{title} {part.Title}",
            [
                .. banks.Select(b => $"Bank {b.Index}: {b.Made.Chips} chips of {b.Chips}, their marks all one way."),
                .. part.Part.Switches.Select(s => SwitchWords(part, earlier, s)),
            ],
            SwitchMinutes * part.Part.Switches.Count + ChipMinutes * banks.Sum(b => b.Made.Chips)
        )
        {
            Instance = part,
        };
    }

    static string SwitchWords(Instance part, Instance? earlier, Switch own)
    {
        string from = earlier?.Positions[own.Id] ?? own.Factory,
            to = part.Positions[own.Id],
            label = own.Label.Length > 0 ? $" ({own.Label})" : "";
        string how = from == to ? $"as it {(earlier is null ? "leaves the factory" : "stands")}" : $"moved from {from}";
        return own.Kind == SwitchKind.File
            ? $"{own.Id}{label}: {to}, {how}; in {own.File} stands \"{own.LineAt(to)}\""
            : $"{own.Id}{label}: {to}, {how}";
    }

    static IEnumerable<string> Sits(Model model, Instance part) =>
        part.Occupied.Select(o =>
            o.Mode switch
            {
                SiteMode.In => $"It goes into {SiteName(model, o)}.",
                SiteMode.Between =>
                    $"Lift the chip out of {SiteName(model, o)}, put the board in its place, and the chip on the board.",
                SiteMode.Over => $"Clip it over the chip at {SiteName(model, o)}; mind the mark of leg 1.",
                SiteMode.Tap => $"Take its signal at {SiteName(model, o)}.",
                _ => throw new InvalidOperationException($"no words for {o.Mode}"),
            }
        );

    static string SiteName(Model model, Occupies o) =>
        model.FindSite(o.Site!) is not { } site ? $"the {LocalName.Parse(o.Site!).Plain}"
        : site.Package is { } package ? $"{site.Called} ({package})"
        : site.Called;

    static IReadOnlyList<string> Keep(Instance part) =>
        [.. part.Part.Keeps.Concat(part.Way?.Keeps ?? []).Select(k => $"Keep: {k}.")];
}
