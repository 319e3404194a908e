using RustCabin.Core.Baseline;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Storage;

namespace RustCabin.Core.Build;

/// <summary>Something to look at again on a day.</summary>
/// <param name="Id">The same for the same thing.</param>
/// <param name="What">What is looked at.</param>
/// <param name="Why">Why.</param>
/// <param name="On">The first day.</param>
/// <param name="EveryMonths">Again after so many months; 0: once.</param>
public sealed record Reminder(string Id, string What, string Why, DateOnly On, int EveryMonths);

/// <summary>What a unit's record says to look at again. Source: docs/handbook/passport.md, Dates.</summary>
public static class Reminders
{
    /// <summary>A cell that ages, a window that light erases, a card that wears, a job that was parked.</summary>
    /// <param name="record">The record.</param>
    /// <param name="today">From when on.</param>
    public static IReadOnlyList<Reminder> Of(PassportAsked record, DateOnly today)
    {
        PlannedUnit unit = record.Unit;
        string name = unit.Unit.Name;
        return
        [
            .. unit
                .Model.Service.Where(p => p.Kind == ServiceKind.Cell && unit.Holds(p.Revisions))
                .Select(p => new Reminder(
                    $"cell-{p.Id}",
                    $"{name}: look at the {p.What}",
                    "A cell that leaks eats copper for years before anybody looks.",
                    today.AddMonths(record.IsDone(BaselineStation.Service(p.Id)) && p.Years is { } years ? years * 12 : 12),
                    12
                )),
            .. (unit.Job?.Roms ?? [])
                .Where(r => record.IsDone(Acts.FitRom(r.Site)))
                .Select(r => new Reminder(
                    $"window-{r.Site}",
                    $"{name}: is the window of the {r.Device} in {r.Socket} still covered?",
                    "Daylight erases it in weeks, and labels come off.",
                    today.AddMonths(12),
                    12
                )),
            .. (unit.Job?.Cards ?? [])
                .Where(c => record.IsDone(StorageActs.PrepareCard(InstanceName.Parse(c.On))))
                .Select(c => new Reminder(
                    $"card-{c.On}",
                    $"{name}: back up the {c.Labelled} card",
                    "Cards fail without a sign.",
                    today.AddMonths(6),
                    6
                )),
        ];
    }
}
