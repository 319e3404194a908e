using RustCabin.Core.Pasted;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>
/// The changes of a job as the acts that a guide would say, so that a guide that was found elsewhere can be held against them.
/// Source: docs/handbook/paste.md, Two guides.
/// </summary>
public static class PlannedActs
{
    /// <summary>The acts, in the order of work; a lead or a link of several pairs is one act each.</summary>
    public static IReadOnlyList<GuideAct> Of(IEnumerable<WireChange> changes) => [.. changes.SelectMany(Of)];

    static IEnumerable<GuideAct> Of(WireChange change) =>
        change.Do switch
        {
            ChangeAct.Lift => [new LiftAct(change.Chip!, change.Pins)],
            ChangeAct.Cut => [Cut(change)],
            ChangeAct.Wire or ChangeAct.Link or ChangeAct.Row => change
                .From.Zip(change.To)
                .Select(pair => new WireAct(Pad(pair.First), Pad(pair.Second), change.Mm, change.Colour)),
            ChangeAct.Remove => [new PointAct("remove", change.Point!)],
            ChangeAct.Scrape => [new PointAct("scrape", change.Point!)],
            ChangeAct.Socket => [new SocketAct(change.Chip!)],
            _ => [new PlainAct(change.Do.ToString().ToLowerInvariant(), change.Where)],
        };

    static CutAct Cut(WireChange change) => new([string.Join(" and ", change.Off), $"the rest of {change.Net}"]);

    /// <summary>A pad of the part without the word that says whose it is.</summary>
    static string Pad(string place) => place.StartsWith("part:", StringComparison.Ordinal) ? place["part:".Length..] : place;

    /// <summary>
    /// The acts of a guide said as the job says them: of a cut a guide names one place on either side, a sheet the net and all
    /// that is parted from it; before a pad a guide may say that it is one.
    /// </summary>
    /// <param name="guide">The acts of the guide.</param>
    /// <param name="changes">The changes of the job.</param>
    public static IReadOnlyList<GuideAct> AsPlanned(IReadOnlyList<GuideAct> guide, IReadOnlyList<WireChange> changes) =>
        [
            .. guide.Select(act =>
                act switch
                {
                    CutAct cut when changes.FirstOrDefault(c => IsOf(cut, c)) is { } same => Cut(same),
                    WireAct wire => wire with { From = Bare(wire.From), To = Bare(wire.To) },
                    _ => act,
                }
            ),
        ];

    static string Bare(string place) =>
        place.StartsWith("pad ", StringComparison.OrdinalIgnoreCase) ? place["pad ".Length..] : place;

    /// <summary>One side of the cut is parted by the change, the other is not.</summary>
    static bool IsOf(CutAct cut, WireChange change) =>
        change.Do == ChangeAct.Cut
        && cut.Between.Count(place => change.Off.Any(off => string.Equals(off, place, StringComparison.OrdinalIgnoreCase))) == 1;
}
