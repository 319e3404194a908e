using RustCabin.Core.Fit;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Wiring;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>Parts come into a job and go out of it, by which way and with which options.</summary>
public static class Parts
{
    /// <summary>
    /// Adds a part by the way that best fits the unit's board, or, where none does, by its first way into the model.
    /// </summary>
    public static Press<Job> Add(AtHand at, string part)
    {
        if (at.Sheets.FindPart(part) is not { } known)
            return Gone;
        Way? way =
            FitMatrix.Cell(at.Model, known, at.After.Revision.Id).Way ?? known.Ways.FirstOrDefault(w => w.Model == at.Model.Id);
        return way is null
            ? Refuse("part", $"Nothing was changed: no way of {known.Name} is for {at.Model.Name}")
            : Change($"{known.Name} added", j => JobEdits.Add(j, part, new WayName(way.Id)));
    }

    /// <summary>Drops a part that the job adds.</summary>
    public static Press<Job> Drop(AtHand at, InstanceName instance)
    {
        int index = at
            .After.Instances.Where(i => i.Added)
            .Index()
            .FirstOrDefault(i => i.Item.Name == instance, (-1, null!))
            .Index;
        return index < 0 ? Gone : Change($"{at.After.Find(instance)!.Title} dropped", j => JobEdits.Drop(j, index, instance));
    }

    /// <summary>Plans another way for a part that the job adds.</summary>
    public static Press<Job> Way(AtHand at, InstanceName instance, WayName way) =>
        at.After.Find(instance) is { Added: true } part && part.Part.FindWay(way) is not null
            ? Change($"{part.Title} by the way {way}", j => JobEdits.SetWay(j, at.Unit.Fitted, instance, way))
            : Gone;

    /// <summary>Chooses an option of a part that the job adds, or leaves it.</summary>
    public static Press<Job> Option(AtHand at, InstanceName instance, string option, bool chosen) =>
        at.After.Find(instance) is { Added: true } part
            ? Change(
                $"{part.Title}, {option}: {(chosen ? "chosen" : "left out")}",
                j => WiringEdits.Choose(j, at.Unit.Fitted, instance, option, chosen)
            )
            : Gone;
}
