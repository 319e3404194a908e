using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>A change of an instance's way that holds on this unit, or one of a job's own, and its place there, from 0.</summary>
/// <param name="Instance">The part whose way it is; null: it is the job's or the unit's own.</param>
/// <param name="Index">Its place among the changes.</param>
/// <param name="Change">The change.</param>
public sealed record PlacedChange(Instance? Instance, int Index, WireChange Change)
{
    /// <summary>Whose it is, as steps and answers name it.</summary>
    public InstanceName Owner => Instance?.Name ?? Acts.Own;

    /// <summary>Whose it is, in words.</summary>
    public string Title => Instance?.Title ?? "the job itself";

    /// <summary>Where it is listed.</summary>
    public string From => Instance is { } on ? $"the way \"{on.Way!.Id}\"" : Title;

    /// <summary>What findings about it are about.</summary>
    public Subject Subject => Instance?.Subject ?? Subject.Job;

    /// <summary>Its step.</summary>
    public StepId Step => Acts.Change(Owner, Index + 1);

    /// <summary>The changes of the parts that a job adds, in the order of work, and its own behind them.</summary>
    public static IReadOnlyList<PlacedChange> Of(PlannedUnit unit) =>
        [.. unit.Instances.Where(i => i.Added).SelectMany(i => Of(unit, i)), .. Own(unit, unit.Job?.Changes ?? [])];

    /// <summary>Those of parts that are on the unit already, and those that an earlier job made.</summary>
    public static IReadOnlyList<PlacedChange> MadeOn(PlannedUnit unit) =>
        [.. unit.Instances.Where(i => !i.Added).SelectMany(i => Of(unit, i)), .. Own(unit, unit.Unit.Changes)];

    /// <summary>Those that a job does: its own, and those of parts that were not there before.</summary>
    public static IEnumerable<PlacedChange> ToDo(PlannedUnit before, PlannedUnit after) =>
        Of(after).Where(c => c.Instance is not { } own || before.Find(own.Name) is null);

    static IEnumerable<PlacedChange> Own(PlannedUnit unit, IReadOnlyList<WireChange> changes) =>
        changes.Index().Where(c => unit.Holds(c.Item.Revisions)).Select(c => new PlacedChange(null, c.Index, c.Item));

    static IEnumerable<PlacedChange> Of(PlannedUnit unit, Instance instance) =>
        from change in (instance.Way?.Changes ?? []).Index()
        where unit.Holds(change.Item.Revisions)
        where change.Item.Option is not { } option || instance.Fitted.Options.Contains(option)
        select new PlacedChange(instance, change.Index, change.Item);

    /// <summary>A place of this change as answers write it.</summary>
    public string Named(string place) => Instance is { } on ? Places.Named(place, on.Name) : place;

    /// <summary>What is done, in the trade's words.</summary>
    public string Words =>
        Change.Do switch
        {
            ChangeAct.Lift => $"Lift {Legs(Change.Pins)} of {Named(Change.Chip!)}",
            ChangeAct.Cut => $"Cut {Change.Net}{At}, so that {string.Join(", ", Change.Off.Select(Named))} "
                + $"{(Change.Off.Count == 1 ? "comes" : "come")} off it",
            ChangeAct.Link => $"Link {First(Change.From)} to {First(Change.To)}",
            ChangeAct.Wire => $"Run a {Lead}lead from {First(Change.From)} to {First(Change.To)}",
            ChangeAct.Remove => $"Take off {Named(Change.Point!)}{At}",
            ChangeAct.Scrape => $"Scrape {Named(Change.Point!)} free{At}",
            ChangeAct.Socket => $"Take out {Named(Change.Chip!)}, put a socket in, and the chip into it",
            ChangeAct.Row => $"Solder {First(Change.From)} to {Last(Change.From)} along "
                + $"{First(Change.To)} to {Last(Change.To)}, one to one",
            ChangeAct.Insulate => $"Insulate {Change.Where}",
            ChangeAct.Trim => $"Trim {Change.Where}",
            _ => $"Drill {Change.Where}",
        };

    /// <summary>What a meter must say once it is done; empty: it is seen, not measured.</summary>
    public string Proof =>
        Change.Do switch
        {
            ChangeAct.Lift => $"open from {Legs(Change.Pins)} of {Named(Change.Chip!)} to what lies under it",
            ChangeAct.Cut => $"open from {string.Join(", ", Change.Off.Select(Named))} to the rest of {Change.Net}",
            ChangeAct.Link or ChangeAct.Wire => $"closed from {First(Change.From)} to {First(Change.To)}",
            ChangeAct.Row => $"closed from {First(Change.From)} to {First(Change.To)}, and so on to {Last(Change.From)}",
            ChangeAct.Remove => $"open between the pads of {Named(Change.Point!)}",
            ChangeAct.Socket => $"each leg of {Named(Change.Chip!)} closed to its net",
            _ => "",
        };

    // What is stored may name no place; a finding says so then.
    string First(IReadOnlyList<string> places) => places.Count > 0 ? Named(places[0]) : "no place";

    string Last(IReadOnlyList<string> places) => places.Count > 0 ? Named(places[^1]) : "no place";

    string At => Change.Where.Length > 0 ? $" {Change.Where}" : "";

    string Lead =>
        string.Concat(
            new[]
            {
                Change.Mm is { } mm ? $"{mm:0.#} mm " : "",
                Change.Gauge is { } gauge ? $"AWG {gauge} " : "",
                Change.Colour is { } colour ? $"{colour} " : "",
            }
        );

    static string Legs(IReadOnlyList<int> pins) => pins.Count == 1 ? $"leg {pins[0]}" : $"legs {string.Join(", ", pins)}";

    /// <summary>How many joints are soldered: as the sheet says, else counted.</summary>
    public int Joints =>
        Change.Joints
        ?? Change.Do switch
        {
            ChangeAct.Link or ChangeAct.Wire => 2,
            ChangeAct.Row => Change.From.Count,
            _ => 0,
        };
}
