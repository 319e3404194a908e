using RustCabin.Core.Declared;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Identify;

static class IdentifyChecks
{
    /// <summary>ID-CONTRADICTION: a clue that was seen speaks for other revisions than the one taken.</summary>
    public static IEnumerable<Finding> Contradictions(PlannedUnit unit)
    {
        Verdict verdict = unit.Revision;
        foreach (Contradiction odd in verdict.Contradictions)
        {
            string says = odd.Says.Count == 0 ? "no board" : Listed(odd.Says.Select(id => NameOf(unit.Model, id)));
            string other =
                verdict.Agreeing.Count > 0
                    ? $"the {IdText.Plain(verdict.Agreeing[0])} for {NameOf(unit.Model, verdict.Id)}"
                    : $"{NameOf(unit.Model, verdict.Id)} is taken";
            yield return new Finding(
                IdentifyFindings.IdContradiction,
                Severity.Note,
                $"{IdText.Capital(IdText.Plain(odd.Clue))} disagrees",
                [Subject.Unit],
                $"The {IdText.Plain(odd.Clue)} speaks for {says}; {other}.",
                [
                    .. unit
                        .Model.Clues.Where(c => unit.Unit.Seen.ContainsKey(c.Id))
                        .Select(c =>
                            $"{c.Ask}: \"{unit.Unit.Seen[c.Id]}\", trusted {c.Trust:0.##}, speaks for "
                            + $"{Spoken(unit.Model, c, unit.Unit.Seen[c.Id])}."
                        ),
                    .. verdict.All.Select(r => $"{NameOf(unit.Model, r.Id)}: {r.Probability * 100:0.0} %."),
                    unit.Unit.Revision is null
                        ? "The likeliest is taken; no revision is confirmed."
                        : $"{NameOf(unit.Model, unit.Unit.Revision)} is confirmed by hand.",
                ]
            );
        }
    }

    static string Spoken(Model model, Clue clue, string value) =>
        clue.Values.TryGetValue(value, out IReadOnlyList<string>? says) && says.Count > 0
            ? Listed(says.Select(id => NameOf(model, id)))
            : "no board that the sheet lists";

    static string NameOf(Model model, string revision) => model.FindRevision(revision)?.Name ?? revision;

    static string Listed(IEnumerable<string> names) => string.Join(" or ", names);
}
