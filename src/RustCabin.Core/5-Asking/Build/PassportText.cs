using System.Text;
using RustCabin.Core.Care;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Build;

/// <summary>
/// A unit's passport in few words, for its label and the code on it: no address, so that it works where there is no network.
/// Source: docs/handbook/passport.md, Label.
/// </summary>
public static class PassportText
{
    /// <summary>So many bytes go into the code of a label.</summary>
    public const int MostBytes = 200;

    /// <summary>What was changed, one thing a line: parts with switches that do not stand at factory, devices,
    /// wiring.</summary>
    public static IReadOnlyList<string> Changes(PassportAsked record)
    {
        PlannedUnit now = record.Now;
        IEnumerable<string> parts = now.Instances.Where(i => !i.IsMainboard || Set(i).Length > 0).Select(i => i.Title + Set(i));
        IEnumerable<string> roms = (record.Unit.Job?.Roms ?? [])
            .Where(r => record.IsDone(Acts.FitRom(r.Site)))
            .Select(r => $"{r.Device} in {r.Socket}");
        // What earlier jobs wired is on the unit as long as its part is.
        int wired =
            Wiring.PlacedChange.Of(record.Unit).Count(c => record.IsDone(c.Step))
            + Wiring.PlacedChange.MadeOn(record.Before).Count(c => c.Instance is not { } on || now.Find(on.Name) is not null);
        IEnumerable<string> cared = (record.Unit.Job?.Build?.Care ?? [])
            .Where(c => record.IsDone(CareStation.StepOf(c.Id)))
            .Select(c => new Care.CareFigures(c).Title);
        IEnumerable<string> special = now.Instances.Select(i => i.Way?.Special).OfType<string>().Select(s => $"only here: {s}");
        return
        [
            .. parts,
            .. roms,
            .. now.Firmware is { } firmware ? [$"firmware {firmware}"] : (string[])[],
            .. wired > 0 ? [Declared.IdText.Counted(wired, "change") + " of wiring"] : (string[])[],
            .. cared,
            .. special,
        ];
    }

    /// <summary>How all the switches of a part stand: those that were moved, and that the others are as made.</summary>
    static string Set(Instance part)
    {
        Switch[] moved = [.. part.Part.Switches.Where(s => part.Positions[s.Id] != s.Factory)];
        return string.Concat(moved.Select(s => $" {s.Id}={part.Positions[s.Id]}"))
            + (
                moved.Length == part.Part.Switches.Count ? ""
                : moved.Length == 0 ? ", switches as made"
                : ", others as made"
            );
    }

    /// <summary>The text of the code: unit, model, board, date, changes; cut at a whole character within the bytes.</summary>
    /// <param name="record">The record.</param>
    /// <param name="date">The day, as it is printed.</param>
    public static string Code(PassportAsked record, string date)
    {
        Unit unit = record.Unit.Unit;
        string board =
            (record.Unit.IsBoardAssumed ? "assumed " : "") + record.Unit.Model.FindRevision(record.Unit.Revision.Id)?.Name;
        string text = $"{unit.Name}|{record.Unit.Model.Name} {board}|{date}|{string.Join("; ", Changes(record))}";
        if (Encoding.UTF8.GetByteCount(text) <= MostBytes)
            return text;
        int kept = text.Length;
        while (Encoding.UTF8.GetByteCount(text.AsSpan(0, kept)) > MostBytes - 3 || char.IsHighSurrogate(text[kept - 1]))
            kept--;
        // Three plain points: a code of letters beyond ASCII is read as another encoding by some readers.
        return text[..kept] + "...";
    }
}
