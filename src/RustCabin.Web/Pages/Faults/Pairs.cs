using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Web.Pages.Sheets;

namespace RustCabin.Web.Pages.Faults;

/// <summary>What trials have shown of parts goes onto their sheets: a pair that works, one that does not.</summary>
public sealed partial class FaultsModel
{
    /// <summary>The part that a level names; null: it names none.</summary>
    public Part? PartOf(string level) => PairPresses.PartOf(View.At, level);

    /// <summary>Pairs of parts that explain every failure, and do not stand on a sheet yet.</summary>
    public IEnumerable<(Part One, Part Other)> BadPairs => PairPresses.Bad(View.At);

    /// <summary>The part of a trial that worked, and what it works with; null: nothing new could be remembered.</summary>
    public (Part Part, string With)? GoodPair(TriedSet trial) => PairPresses.Good(View.At, trial);

    /// <summary>What a level may be named, for the list: parts of this job, and units of the shelf.</summary>
    public IEnumerable<string> Nameable =>
        View.After.Parts.Select(i => i.Part.Name).Concat(View.Sheets.Units.Select(u => u.Name)).Distinct().Order();

    public IActionResult OnPostConflict(string job, string one, string other) =>
        Load(job) ? Write(one, PairPresses.Conflict(AtThisMoment, one, other)) : NotFound();

    public IActionResult OnPostKnown(string job, int trial) =>
        Load(job) ? Write(PairPresses.Known(AtThisMoment, trial, out string part), part) : NotFound();

    IActionResult Write(Press<Part> press, string part) => Write(part, press);

    /// <summary>Changes a part's sheet, which comes in as any sheet does.</summary>
    IActionResult Write(string part, Press<Part> press)
    {
        if (press.Refused is { } refused)
            return Refuse(refused);
        return SheetWriter.Write(Sheets, import, part, press) switch
        {
            null => NotFound(),
            "" => Redirect(Request.Path + AsShown()),
            var wrong => Refuse(StatusCodes.Status422UnprocessableEntity, wrong),
        };
    }
}
