using RustCabin.Core.Stations;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Passport;

/// <summary>A unit's papers for the person who has it next, to be read and printed: no prices, no places.</summary>
public sealed class HandOverModel(SheetRepository sheets, JobRepository jobs, TimeProvider clock)
    : PassportModel(sheets, jobs, clock)
{
    /// <summary>What is true of this machine alone, as the ways of its parts say.</summary>
    public IReadOnlyList<string> Special => [.. Now.Instances.Select(i => i.Way?.Special).OfType<string>()];

    /// <summary>The further parts of the record that go with the unit.</summary>
    public IEnumerable<PassportPart> HandedOver => Sections.Where(p => !p.StaysHere);
}
