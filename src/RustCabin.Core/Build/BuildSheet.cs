using RustCabin.Core.Baseline;
using RustCabin.Core.Fit;
using RustCabin.Core.Memory;
using RustCabin.Core.Memory.Chips;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Build;

public enum StepKind
{
    Gate,
    Open,
    Set,
    Remove,
    Fit,
    Firmware,
    Close,
    Prove,
}

/// <summary>One step of a build: what to do, how far open the case is while it is done, and for a gate what the unit is then.</summary>
/// <param name="Id">Stable for the same change, so that a tick stays on its step when others come and go.</param>
/// <param name="Depth">0 for the closed case, 1 for the first access level, and so on.</param>
/// <param name="At">For a gate, the unit as it stands there; its count is what must be read.</param>
public sealed record Step(
    string Id,
    StepKind Kind,
    string Title,
    IReadOnlyList<string> Details,
    int Depth,
    decimal Minutes,
    IReadOnlyList<Caution> Cautions,
    Instance? Instance = null,
    PlannedUnit? At = null,
    PowerUpCount? Expected = null
)
{
    /// <summary>For a proof by simulation, whether it holds; it cannot be ticked by hand, and locks what follows until it does. Null: the step is ticked.</summary>
    public bool? Proved { get; init; }

    /// <summary>It bars the way by what it shows, not by a tick: a reading, or a proof by simulation.</summary>
    public bool IsGate => Kind == StepKind.Gate || Proved is not null;

    /// <summary>The station at which the step is done, where it is another than Build.</summary>
    public string? Station { get; init; }
}

/// <summary>
/// The ordered steps of a job, one change and one test at a time: the untouched machine first, then each part set up, fitted and counted,
/// then the case closed in reverse. Source: domain.md, section 11.
/// </summary>
public sealed record BuildSheet(IReadOnlyList<Step> Steps, IReadOnlyList<string> Levels)
{
    /// <summary>Minutes allowed for switching on and reading the screen; learnt from the log later on.</summary>
    public const decimal GateMinutes = 4;

    /// <summary>The id of the first gate: the machine before anything is changed.</summary>
    public const string Untouched = "untouched";

    const decimal SwitchMinutes = 1,
        FirmwareMinutes = 10,
        ProofMinutes = 3,
        ChipMinutes = 0.5m,
        DriverMinutes = 8;

    public decimal Minutes => Steps.Sum(s => s.Minutes);

    /// <summary>The sheet that leads from the unit as it stands to the plan of the job.</summary>
    public static BuildSheet For(PlannedUnit before, PlannedUnit after)
    {
        var steps = new List<Step>();
        string[] levels = [.. after.Model.Access.Select(a => a.Id)];
        int depth = 0;
        Prove(steps, before, ref depth);
        steps.Add(
            Gate(
                Untouched,
                "Test it untouched",
                depth == 0
                    ? "Nothing is opened yet. A fault that shows now is not the upgrade's."
                    : "Only what came with the unit is in it. A fault that shows now is not the upgrade's.",
                before,
                depth
            )
        );

        foreach (Instance part in after.Instances.Where(i => before.Find(i.Name) is null))
            steps.AddRange(DriversOf(after, part, DriverOrder.Before, depth));
        Instance[] removed = [.. before.Instances.Where(b => after.Find(b.Name) is null)];
        PlannedUnit now = Plan.With(before, i => after.Find(i.Name) is not null);
        foreach (Instance part in removed)
        {
            Open(steps, after, part, ref depth);
            steps.Add(
                new Step(
                    $"remove-{part.Name}",
                    StepKind.Remove,
                    $"Take out {part.Title}",
                    Keep(part.Way, part.Part),
                    depth,
                    5,
                    CautionsOf(part),
                    part
                )
            );
        }
        if (removed.Length > 0)
            steps.Add(Count("count-removed", "without what was taken out", now, depth));

        foreach (Instance part in after.Instances)
        {
            Instance? earlier = now.Find(part.Name);
            bool moved = earlier is not null && part.Part.Switches.Any(s => earlier.Positions[s.Id] != part.Positions[s.Id]);
            if (earlier is not null && !moved)
                continue;

            Open(steps, after, part, ref depth);
            if (part.Part.Switches.Count > 0 || part.Fitted.Banks.Count > 0)
                steps.Add(SetUp(part, earlier, depth));
            if (earlier is null)
                steps.Add(
                    new Step(
                        $"fit-{part.Name}",
                        StepKind.Fit,
                        $"Fit {part.Title}",
                        [.. Sits(after.Model, part), .. Keep(part.Way, part.Part)],
                        depth,
                        part.Way?.Minutes ?? 0,
                        CautionsOf(part),
                        part
                    )
                );
            now = Plan.With(after, i => i.Name == part.Name || now.Find(i.Name) is not null);
            steps.Add(Count($"count-{part.Name}", $"with {part.Title}", now, depth));
            if (earlier is null)
                steps.AddRange([
                    .. DriversOf(after, part, DriverOrder.Any, depth),
                    .. DriversOf(after, part, DriverOrder.After, depth),
                ]);
        }

        foreach (Rom.RomPlan rom in after.Job?.Roms ?? [])
        {
            steps.AddRange(Rom.RomSteps.Prepare(after, rom, depth));
            if (after.FindSite(rom.Site) is { } site)
                foreach (AccessLevel level in AccessPath.Path(after.Model, site.Access).Skip(depth))
                {
                    steps.Add(Opening(after, level));
                    depth = Math.Max(depth, AccessPath.DepthOf(after.Model, level));
                }
            steps.AddRange(Rom.RomSteps.Fit(after, rom, depth));
            steps.Add(Count($"count-rom-{rom.Site}", $"with the new {rom.Device} in {rom.Site}", after, depth));
        }
        if (after.Firmware != before.Firmware)
            steps.Add(
                new Step(
                    "firmware",
                    StepKind.Firmware,
                    $"Change the firmware to {after.Firmware}",
                    [$"It holds {before.Firmware ?? "an unknown version"} now; keep the original device, labelled."],
                    depth,
                    FirmwareMinutes,
                    [Caution.Of("static")]
                )
            );
        if (depth > 0)
            steps.Add(CloseUp(after.Model, depth));
        return new BuildSheet(steps, levels.Length > 0 ? levels : ["closed"]);
    }

    /// <summary>What an earlier owner left unproven or undone comes before the first power-on. Source: domain.md, section 11, Inherited work.</summary>
    static void Prove(List<Step> steps, PlannedUnit before, ref int depth)
    {
        foreach (InheritedStep open in before.Instances.SelectMany(Inherited.Steps).Where(s => s.Proof != StepProof.Done))
        {
            Open(steps, before, open.Instance, ref depth);
            bool missing = open.Proof == StepProof.Missing;
            string proof =
                open.Step.Proof.Length > 0
                    ? $"It is proved by: {open.Step.Proof}."
                    : "Look at it closely, and measure where it can be measured.";
            steps.Add(
                new Step(
                    $"prove-{open.Instance.Name}-{open.Step.Id}",
                    StepKind.Prove,
                    $"{(missing ? "Do and prove" : "Prove")}: {open.Step.What}",
                    [
                        missing
                            ? $"An earlier owner left it out. {proof}"
                            : $"An earlier owner did it, and nobody has proved it. {proof}",
                        "Power stays off until this is ticked.",
                    ],
                    depth,
                    ProofMinutes,
                    CautionsOf(open.Instance),
                    open.Instance
                )
            );
        }
    }

    /// <summary>Drivers that the unit has not, or has too old, in the order that the part's sheet asks for.</summary>
    static IEnumerable<Step> DriversOf(PlannedUnit unit, Instance part, DriverOrder order, int depth) =>
        from driver in part.Part.Drivers.Index()
        where
            driver.Item.Order == order
            && (
                unit.Unit.Software.GetValueOrDefault(driver.Item.Name) is not { } has
                || SoftwareChecks.Older(has, driver.Item.AtLeast)
            )
        select new Step(
            $"driver-{part.Name}-{driver.Index + 1}",
            StepKind.Firmware,
            $"Put on {driver.Item.Name}{(driver.Item.AtLeast.Length > 0 ? $" {driver.Item.AtLeast} or later" : "")}",
            [
                order == DriverOrder.Before
                    ? $"Before {part.Title} is fitted: afterwards the machine does not start without it."
                    : $"For {part.Title}. Note its version under the unit's software.",
            ],
            depth,
            DriverMinutes,
            []
        );

    static Step Gate(string id, string title, string detail, PlannedUnit at, int depth) =>
        new(id, StepKind.Gate, title, [detail], depth, GateMinutes, [], At: at, Expected: PowerUp.Run(at));

    static Step Count(string id, string with, PlannedUnit at, int depth) =>
        Gate(
            id,
            $"Power up {with}",
            depth == 0
                ? "Switch on and read the screen."
                : "The case is open: nothing loose on the board, hands off, then switch on and read the screen.",
            at,
            depth
        );

    /// <summary>Opens the case as far as the part's sites ask for, level by level.</summary>
    static void Open(List<Step> steps, PlannedUnit unit, Instance part, ref int depth)
    {
        IReadOnlyList<AccessLevel> path = AccessPath.To(unit.Model, part);
        foreach (AccessLevel level in path.Skip(depth))
            steps.Add(Opening(unit, level));
        depth = Math.Max(depth, path.Count);
    }

    static Step Opening(PlannedUnit unit, AccessLevel level) =>
        new(
            $"open-{level.Id}",
            StepKind.Open,
            IdText.Capital(IdText.Plain(level.Id)),
            [.. AccessPath.Off(level)],
            AccessPath.DepthOf(unit.Model, level),
            level.Minutes,
            [.. level.Cautions.Select(Caution.Of)]
        );

    static Step SetUp(Instance part, Instance? earlier, int depth) =>
        new(
            $"set-{part.Name}",
            StepKind.Set,
            part.Fitted.Banks.Count > 0
                ? $"Fill the banks and set the switches of {part.Title}"
                : $"Set the switches of {part.Title}",
            [
                .. FilledBank
                    .Of(part)
                    .Select(b => $"Bank {b.Index}: {b.Made.Chips} chips of {b.Chips}, their marks all one way."),
                .. part.Part.Switches.Select(s =>
                    $"{s.Id}{(s.Label.Length > 0 ? $" ({s.Label})" : "")}: {part.Positions[s.Id]}"
                    + (
                        part.Positions[s.Id] == (earlier?.Positions[s.Id] ?? s.Factory)
                            ? $", as it {(earlier is null ? "leaves the factory" : "stands")}"
                            : $", moved from {earlier?.Positions[s.Id] ?? s.Factory}"
                    )
                ),
            ],
            depth,
            SwitchMinutes * part.Part.Switches.Count + ChipMinutes * FilledBank.Of(part).Sum(b => b.Made.Chips),
            [],
            part
        );

    static IEnumerable<string> Sits(Model model, Instance part) =>
        part.Occupied.Select(o =>
            o.Mode switch
            {
                SiteMode.Between =>
                    $"Lift the chip out of {SiteName(model, o)}, put the board in its place, and the chip on the board.",
                SiteMode.Over => $"Clip it over the chip at {SiteName(model, o)}; mind the mark of leg 1.",
                SiteMode.Tap => $"Take its signal at {SiteName(model, o)}.",
                _ => $"It goes into {SiteName(model, o)}.",
            }
        );

    static string SiteName(Model model, Occupies o) =>
        model.FindSite(o.Site!) is { Package: { } package } site ? $"{site.Kind} {site.Id} ({package})"
        : model.FindSite(o.Site!) is { } s ? $"{s.Kind} {s.Id}"
        : o.Site!;

    static IReadOnlyList<string> Keep(Way? way, Part part) => [.. part.Keeps.Concat(way?.Keeps ?? []).Select(k => $"Keep: {k}.")];

    static IReadOnlyList<Caution> CautionsOf(Instance part) =>
        [.. part.Part.Cautions.Concat(part.Way?.Cautions ?? []).Distinct().Select(Caution.Of)];

    static Step CloseUp(Model model, int depth)
    {
        IReadOnlyList<AccessLevel> open =
        [
            .. model.Access.Where(a => AccessPath.DepthOf(model, a) is > 0 and var d && d <= depth).Reverse(),
        ];
        return new Step(
            "close",
            StepKind.Close,
            "Close up",
            [.. open.SelectMany(AccessPath.Back)],
            0,
            open.Sum(a => a.Minutes),
            []
        );
    }
}
