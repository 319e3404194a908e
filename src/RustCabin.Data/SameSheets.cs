using System.Text.Json;
using RustCabin.Core.Declared;
using RustCabin.Core.Packs;
using RustCabin.Core.Sheets;

namespace RustCabin.Data;

/// <summary>
/// Sheets that are read again after one was changed: those that stand as they stood stay the same objects, so that what was
/// worked out of them is still theirs.
/// </summary>
static class SameSheets
{
    /// <summary>
    /// The sheets where only units stand otherwise than before, of which nothing but those units is read; null: something else
    /// changed, or one of them does not read.
    /// </summary>
    /// <param name="before">The sheets as they were.</param>
    /// <param name="were">The rows that they were read from.</param>
    /// <param name="currency">The currency now.</param>
    /// <param name="rows">The rows now.</param>
    public static Pack? OnlyUnits(Pack before, IReadOnlyList<SheetRow> were, string currency, IReadOnlyList<SheetRow> rows)
    {
        if (currency != before.Currency || were.Count != rows.Count)
            return null;
        var units = new Unit[before.Units.Count];
        int at = 0;
        for (int i = 0; i < rows.Count; i++)
        {
            (SheetRow was, SheetRow row) = (were[i], rows[i]);
            if (was.Kind != row.Kind || was.Id != row.Id || (row.Kind != UnitKind && was.Json != row.Json))
                return null;
            if (row.Kind != UnitKind)
                continue;
            if (at >= units.Length)
                return null;
            if ((was.Json == row.Json ? before.Units[at] : Read(row.Json, before)) is not { } unit)
                return null;
            units[at++] = unit;
        }
        if (at != units.Length)
            return null;
        return units.Zip(before.Units).All(u => ReferenceEquals(u.First, u.Second)) ? before : before with { Units = units };
    }

    const string UnitKind = "unit";

    static Unit? Read(string json, Pack known)
    {
        try
        {
            using JsonDocument document = PackReader.Parse(System.Text.Encoding.UTF8.GetBytes(json));
            Reading<Unit> reading = PackReader.ReadUnit(document.RootElement, known);
            return reading.Errors.Count == 0 ? reading.Value : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <summary>Sheets that were all read once more, each that stands as it stood replaced by the object that it was.</summary>
    /// <param name="before">The sheets as they were.</param>
    /// <param name="were">The rows that they were read from.</param>
    /// <param name="now">The sheets as they are.</param>
    /// <param name="rows">The rows that they were read from.</param>
    public static Pack Kept(Pack before, IReadOnlyList<SheetRow> were, Pack now, IReadOnlyList<SheetRow> rows)
    {
        IReadOnlyList<T> same<T>(string kind, IReadOnlyList<T> old, IReadOnlyList<T> read)
            where T : class
        {
            SheetRow[] then = [.. were.Where(r => r.Kind == kind)],
                here = [.. rows.Where(r => r.Kind == kind)];
            if (then.Length != old.Count || here.Length != read.Count)
                return read;
            Dictionary<string, (string Json, T Sheet)> known = [];
            for (int i = 0; i < then.Length; i++)
                known.TryAdd(then[i].Id, (then[i].Json, old[i]));
            T[] all =
            [
                .. read.Select(
                    (sheet, i) => known.TryGetValue(here[i].Id, out var was) && was.Json == here[i].Json ? was.Sheet : sheet
                ),
            ];
            return all.Length == old.Count && all.Zip(old).All(p => ReferenceEquals(p.First, p.Second)) ? old : all;
        }
        return now with
        {
            Models = same("model", before.Models, now.Models),
            Parts = same("part", before.Parts, now.Parts),
            Units = same(UnitKind, before.Units, now.Units),
            Titles = same("title", before.Titles, now.Titles),
        };
    }
}
