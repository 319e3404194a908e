using System.Text;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Data;
using RustCabin.Web.Pages.Sheets;

namespace RustCabin.Web.Pages.Faults;

/// <summary>What trials have shown of parts goes onto their sheets: a pair that works, one that does not.</summary>
public sealed partial class FaultsModel
{
    /// <summary>The part that a level names, by its id, its name, or its title in this job; null: it names none.</summary>
    public Part? PartOf(string level) =>
        View.Sheets.Parts.FirstOrDefault(p => p.Id == level)
        ?? View.Sheets.Parts.FirstOrDefault(p => string.Equals(p.Name, level, StringComparison.OrdinalIgnoreCase))
        ?? View.After.Instances.FirstOrDefault(i => string.Equals(i.Title, level, StringComparison.OrdinalIgnoreCase))?.Part;

    /// <summary>Pairs of parts that explain every failure, and do not stand on a sheet yet.</summary>
    public IEnumerable<(Part One, Part Other)> BadPairs =>
        from pair in Explained?.Pairs ?? []
        let one = PartOf(pair.A.At)
        let other = PartOf(pair.B.At)
        where one is not null && other is not null && one.Id != other.Id
        where !one.Conflicts.Any(c => c.Part == other.Id) && !other.Conflicts.Any(c => c.Part == one.Id)
        select (one, other);

    /// <summary>The part of a trial that worked, and what it works with; null: nothing new could be remembered.</summary>
    public (Part Part, string With)? GoodPair(TriedSet trial)
    {
        if (!trial.Works || trial.Set.Values.FirstOrDefault(v => PartOf(v) is not null) is not { } level)
            return null;
        Part part = PartOf(level)!;
        string with = string.Join(", ", trial.Set.Where(s => s.Value != level).Select(s => $"{s.Key} {s.Value}"));
        return with.Length == 0 || part.Known.Any(k => k.With == with && k.Result == KnownResult.Works) ? null : (part, with);
    }

    /// <summary>What a level may be named, for the list: parts of this job, and units of the shelf.</summary>
    public IEnumerable<string> Nameable =>
        View.After.Instances.Select(i => i.Part.Name).Concat(View.Sheets.Units.Select(u => u.Name)).Distinct().Order();

    public IActionResult OnPostConflict(string job, string one, string other)
    {
        if (!Load(job))
            return NotFound();
        if (!BadPairs.Any(p => p.One.Id == one && p.Other.Id == other))
            return Refuse("Nothing was written: the trials do not say so any more.");
        string why = $"trials of {View.Unit.Name}, {Moment()[..10]}";
        return Write(one, p => p with { Conflicts = [.. p.Conflicts, new Conflict { Part = other, Why = why }] });
    }

    public IActionResult OnPostKnown(string job, int trial)
    {
        if (!Load(job))
            return NotFound();
        if (trial < 0 || trial >= Grid.Trials.Count || GoodPair(Grid.Trials[trial]) is not { } pair)
            return Refuse("Nothing was written: this trial says nothing new of a part.");
        var known = new KnownPair
        {
            With = pair.With,
            Result = KnownResult.Works,
            Firmware = View.After.Firmware ?? "",
            Date = Moment()[..10],
            Source = View.Unit.Name,
        };
        return Write(pair.Part.Id, p => p with { Known = [.. p.Known, known] });
    }

    /// <summary>Changes a part's sheet, which comes in as any sheet does.</summary>
    IActionResult Write(string part, Func<Part, Part> edit)
    {
        if (Sheets.Json("part", part) is not { } json)
            return Refuse("Nothing was written: its sheet is not here any more.");
        JsonObject edited = Declaration<Part>.Edit(JsonNode.Parse(json)!.AsObject(), edit)!;
        ImportOutcome outcome = import.Run(
            Encoding.UTF8.GetBytes(DraftPreview.PackOf("part", edited, View.After.Currency)),
            ImportMode.Replace,
            $"trials: part {part}"
        );
        return outcome.Errors.Count == 0
            ? Redirect(Request.Path + AsShown())
            : Refuse($"Nothing was written: {string.Join("; ", outcome.Errors.Take(3).Select(e => e.Told))}.");
    }
}
