using RustCabin.Core.Stations;
using RustCabin.Data;

namespace RustCabin.Web.Pages.Passport;

/// <summary>A unit's papers for the person who has it next, to be read and printed: no prices, no places.</summary>
public sealed class HandOverModel(SheetRepository sheets, JobRepository jobs, TimeProvider clock)
    : PassportModel(sheets, jobs, clock)
{
    /// <summary>What is true of this machine alone, as the ways of its parts say.</summary>
    public IReadOnlyList<string> Special => [.. Now.Instances.Select(i => i.Way?.Special).OfType<string>()];

    static readonly (PassportPart Part, string Title)[] Parts =
    [
        (PassportPart.Wired, "Changed on the board"),
        (PassportPart.Cards, "Cards"),
        (PassportPart.Settings, "Set by eye and ear"),
        (PassportPart.Mended, "Mended by hand"),
        (PassportPart.Care, "Care of the case"),
        (PassportPart.Found, "How it was found"),
        (PassportPart.Software, "Software on it"),
    ];

    /// <summary>The further parts of the record that hold something.</summary>
    public IEnumerable<(PassportPart Part, string Title)> Sections => Parts.Where(p => Lines[p.Part].Any());
}
