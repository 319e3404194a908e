using Microsoft.AspNetCore.Mvc;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Presses;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Data;
using RustCabin.Web.Stations;

namespace RustCabin.Web.Pages.Identify;

/// <summary>The Identify station: which board is it, which clues pull where, and what to look at next.</summary>
public sealed class IdentifyModel(SheetRepository sheets, JobRepository jobs) : StationPage(sheets, jobs)
{
    public override Desk Desk => Desks.Of<IdentifyDesk>();

    /// <summary>How far the user is willing to open the case for the next look; empty: as far as it goes.</summary>
    [BindProperty(SupportsGet = true, Name = "open")]
    public string? OpenTo { get; set; }

    public Verdict Verdict => View.After.Revision;

    public AccessLevel? Level => View.Model.Access.FirstOrDefault(a => a.Id == OpenTo);

    /// <summary>The best look within the access level chosen, by expected bits a minute.</summary>
    public NextClue? Next =>
        Revisions.Next(
            View.Model,
            View.Unit.Seen,
            clue => Level is not { } level || Depth(clue) <= AccessPath.DepthOf(View.Model, level)
        );

    public Clue ClueOf(NextClue next) => View.Model.Clues.First(c => c.Id == next.Clue);

    int Depth(Clue clue) =>
        View.Model.Access.FirstOrDefault(a => a.Id == clue.Access) is { } at ? AccessPath.DepthOf(View.Model, at) : 0;

    public string RevisionName(string id) => View.Model.FindRevision(id)?.Name ?? id;

    /// <summary>In words, what each clue that disagrees disagrees with, and whom to trust.</summary>
    public IEnumerable<string> Disagreements =>
        Verdict.Contradictions.Select(odd =>
            $"The {IdText.Plain(odd.Clue)} speaks for "
            + $"{string.Join(" or ", odd.Says.Select(RevisionName).DefaultIfEmpty("no board"))}. "
            + (
                Verdict.Agreeing.Count == 0
                    ? $"{RevisionName(Verdict.Id)} is confirmed by hand against it."
                    : $"It disagrees with the {string.Join(" and the ", Verdict.Agreeing.Select(IdText.Plain))}: trust the "
                        + $"{IdText.Plain(Verdict.Agreeing[0])}; the {IdText.Plain(odd.Clue)} may come from another machine."
            )
        );

    public IActionResult OnPostSee(string job, long version, string clue, string? value) =>
        PressUnit(job, version, at => Surveying.See(at, clue, value));

    public IActionResult OnPostConfirm(string job, long version, string? revision) =>
        PressUnit(job, version, at => Surveying.Confirm(at, revision));
}
