using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Identify;

/// <summary>What is seen of a unit's board, as typed changes of its record.</summary>
public static class UnitEdits
{
    /// <summary>
    /// What is written for a clue that was looked at in vain. Neither says anything for any revision, and neither is asked for
    /// again.
    /// </summary>
    public const string CannotRead = "cannot read",
        NotThere = "not there";

    /// <summary>Notes what a clue showed; null forgets it.</summary>
    public static Unit See(Unit unit, string clue, string? value) =>
        unit with
        {
            Seen = value is null ? JobEdits.Without(unit.Seen, clue) : JobEdits.Put(unit.Seen, clue, value),
        };

    /// <summary>Vouches for a revision; null leaves it to the clues.</summary>
    public static Unit Confirm(Unit unit, string? revision) => unit with { Revision = revision };

    /// <summary>Notes what it was worth before anything was touched; null: nobody says.</summary>
    public static Unit Value(Unit unit, decimal? worth) => unit with { Worth = worth };

    /// <summary>Notes where an original piece is kept; a place noted before is replaced.</summary>
    public static Unit Keep(Unit unit, string what, string place) =>
        unit with
        {
            Belongings =
            [
                .. unit.Belongings.Where(b => b.What != what),
                new Belonging
                {
                    What = what,
                    Original = true,
                    Place = place,
                },
            ],
        };

    /// <summary>Brings onto the unit what a job did to it: the parts that are in, as they are set, the firmware, and its own
    /// acts of wiring.</summary>
    /// <param name="unit">The unit.</param>
    /// <param name="now">The same as it stands after the job.</param>
    public static Unit Fold(Unit unit, PlannedUnit now) =>
        unit with
        {
            Fitted = [.. now.Parts.Select(AsFitted)],
            Switches = now.Find(InstanceName.Mainboard) is { } own ? AsFitted(own).Switches : unit.Switches,
            Firmware = now.Firmware,
            Changes =
            [
                .. now.Unit.Changes,
                .. (now.Job?.Changes ?? [])
                    .Index()
                    .Where(c => now.Job!.Done.Contains(Acts.Change(Acts.Own, c.Index + 1)))
                    .Select(c => c.Item),
            ],
        };

    static FittedPart AsFitted(Instance instance) =>
        instance.Fitted with
        {
            Switches = new OrderedDictionary<string, string>(
                instance
                    .Part.Switches.Where(s => instance.Positions[s.Id] != s.Factory)
                    .Select(s => KeyValuePair.Create(s.Id, instance.Positions[s.Id]))
            ),
        };
}
