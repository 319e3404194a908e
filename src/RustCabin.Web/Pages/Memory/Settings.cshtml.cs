using Microsoft.AspNetCore.Mvc;
using RustCabin.Core;
using RustCabin.Core.Answers;
using RustCabin.Core.Choices;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Searches;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;
using RustCabin.Core.Wants;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Memory;

/// <summary>
/// One way to set the unit: as it stands, as planned, or by a named setting. <paramref name="Name"/> null: not one that the
/// user named.
/// </summary>
public sealed record SettingColumn(string Title, string? Name, PlannedUnit Unit, Answer Answer);

/// <summary>
/// Named settings of one job side by side, what each master reaches and has left free under each, and which titles run.
/// </summary>
public sealed class SettingsModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<MemoryDesk>();

    public IReadOnlyList<SettingColumn> Columns { get; private set; } = [];
    public IReadOnlyList<TitleRow> TitleRows { get; private set; } = [];
    public string? Typed { get; private set; }

    /// <summary>Whether the solver's settings are asked for; and what it found.</summary>
    [BindProperty(SupportsGet = true)]
    public bool Solve { get; set; }
    public Settings? Found { get; private set; }

    /// <summary>So many settings stand on the page.</summary>
    const int Shown = 6;

    protected override async Task Prepared()
    {
        if (!Solve)
            return;
        try
        {
            Found = await Solved(Shown);
            Notice =
                Found is null ? Api.HeavyWork.Busy
                : !Found.Decided ? Undecided
                : null;
        }
        catch (TooManyTriedException wide)
        {
            Notice = wide.Message;
        }
    }

    protected override void Loaded()
    {
        var columns = new List<SettingColumn>
        {
            new("before", null, View.Before, Answer.For(Trail.Stations, View.Before)),
            new("as planned", null, View.After, View.Answer),
        };
        foreach (NamedSetting setting in View.Job.Settings)
        {
            PlannedUnit set = setting
                .Switches.SelectMany(i => i.Value.Select(p => (i.Key, p)))
                .Aggregate(
                    View.After,
                    (unit, m) =>
                        unit.Find(InstanceName.Parse(m.Key)) is null
                            ? unit
                            : Plan.Moved(unit, InstanceName.Parse(m.Key), m.p.Key, m.p.Value)
                );
            columns.Add(new SettingColumn(setting.Name, setting.Name, set, Answer.For(Trail.Stations, set)));
        }
        Columns = columns;
        // Titles of machines like this one: those whose memory is asked of a master that it has.
        Title[] like =
        [
            .. View.Sheets.Titles.Where(t =>
                t.Needs.All(n => n is not MemoryNeed memory || View.Model.Masters.Contains(memory.Master))
            ),
        ];
        TitleRows = Titles.Table(like, [.. columns.Select(c => c.Unit)]);
        (StartUps, Started) = Titles.UnderStartUps(View.After, like);
    }

    /// <summary>The ways in which the planned unit can be started.</summary>
    public IReadOnlyList<StartUp> StartUps { get; private set; } = [];

    /// <summary>Which titles run under each of them.</summary>
    public IReadOnlyList<TitleRow> Started { get; private set; } = [];

    /// <summary>
    /// Switches that do not stand alike in every column: instance, switch, and its position in each (null: not there).
    /// </summary>
    public IEnumerable<(Instance Instance, Switch Switch, IReadOnlyList<string?> Positions)> Differing =>
        from instance in View.After.Instances
        from own in instance.Part.Switches
        let positions = Columns.Select(c => c.Unit.Find(instance.Name)?.Positions.GetValueOrDefault(own.Id)).ToArray()
        where positions.Skip(1).Distinct().Count() > 1
        select (instance, own, (IReadOnlyList<string?>)positions);

    public static ByteSize Free(PlannedUnit unit, string master) => NeedCheck.Free(unit, master);

    /// <summary>The switches of a setting that stand otherwise in the plan, in words.</summary>
    public string MovesOf(Choice choice) =>
        string.Join(
            ", ",
            choice.Planned.Instances.SelectMany(i =>
                i.Positions.Where(p => View.After.Find(i.Name)?.Positions.GetValueOrDefault(p.Key) != p.Value)
                    .Select(p => $"{p.Key} of {i.Title} to {p.Value}")
            )
        )
            is { Length: > 0 } moves
            ? moves
            : "as planned";

    public async Task<IActionResult> OnPostTakeAsync(string job, long version, int index)
    {
        if (!Load(job))
            return NotFound();
        if (await Solved(Shown) is not { Solutions: var found })
            return Refuse(StatusCodes.Status503ServiceUnavailable, $"Nothing was changed. {Api.HeavyWork.Busy}");
        return index >= 0 && index < found.Count
            ? Settle(job, version, found[index])
            : Refuse(
                StatusCodes.Status422UnprocessableEntity,
                "Nothing was changed: that setting is not among those that work any more."
            );
    }

    public IActionResult OnPostName(string job, long version, string? name)
    {
        Typed = name;
        return Press(job, version, at => Switching.Name(at, name));
    }

    public IActionResult OnPostUse(string job, long version, string name) => Press(job, version, at => Switching.Use(at, name));

    public IActionResult OnPostForget(string job, long version, string name) => Press(job, version, _ => Switching.Forget(name));
}
