using Microsoft.AspNetCore.Html;
using RustCabin.Core.Declared;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Web.Drawings;

/// <summary>
/// The clues as weights hung on the boards: a column for each revision, a row for each clue that was seen with a weight where
/// it pulls (wider for more trust), and at the foot each revision's chance as a filled column. A clue that pulls against the
/// board taken is a triangle's brass.
/// </summary>
public static class Pulls
{
    const double Left = 124,
        RowHeight = 34,
        Foot = 96;

    public static IHtmlContent Draw(Model model, IReadOnlyDictionary<string, string> seen, Verdict verdict)
    {
        Clue[] read = [.. model.Clues.Where(c => seen.ContainsKey(c.Id))];
        double column = Math.Max(72, 300.0 / model.Revisions.Count),
            width = Left + column * model.Revisions.Count + 8,
            foot = 30 + read.Length * RowHeight;
        Svg svg = Svg.Begin(
            width,
            foot + Foot + 28,
            "pulls",
            "img",
            "Chances: "
                + string.Join(", ", verdict.All.Select(r => $"{model.FindRevision(r.Id)?.Name} {r.Probability * 100:0.0} %"))
        );
        foreach ((int i, Revision revision) in model.Revisions.Index())
        {
            svg.Text(X(i), 18, revision.Name, revision.Id == verdict.Id ? "lab strong" : "lab");
            svg.Line(X(i), 28, X(i), foot, revision.Id == verdict.Id ? "way done" : "rung");
        }
        foreach ((int row, Clue clue) in read.Index())
            DrawClue(svg, model, clue, seen[clue.Id], verdict, 30 + row * RowHeight + RowHeight / 2, X, column);

        svg.Text(Left - 12, foot + 16, "chance", "lab side", "end");
        foreach ((int i, RevisionChance chance) in verdict.All.Index())
        {
            double full = Foot - 10,
                filled = Math.Max(1, full * chance.Probability);
            svg.Rect(X(i) - 22, foot + 4, 44, full, "chance-bed", 3)
                .Rect(X(i) - 22, foot + 4 + full - filled, 44, filled, chance.Id == verdict.Id ? "chance taken" : "chance", 2);
            svg.Text(X(i), foot + full + 24, $"{chance.Probability * 100:0.0} %", chance.Id == verdict.Id ? "fig strong" : "fig");
        }
        return svg.End();

        double X(int i) => Left + column * (i + 0.5);
    }

    static void DrawClue(
        Svg svg,
        Model model,
        Clue clue,
        string value,
        Verdict verdict,
        double y,
        Func<int, double> x,
        double column
    )
    {
        bool odd = verdict.Contradictions.Any(c => c.Clue == clue.Id);
        svg.Text(Left - 12, y + 5, IdText.Plain(clue.Id), odd ? "lab odd" : "lab", "end");
        if (!clue.Values.TryGetValue(value, out IReadOnlyList<string>? says) || says.Count == 0)
        {
            svg.Text(x(0) - column / 2 + 8, y + 5, value, "lab side", "start");
            return;
        }
        double wide = 14 + (column - 26) * (double)clue.Trust;
        foreach ((int i, Revision revision) in model.Revisions.Index())
            if (says.Contains(revision.Id))
                svg.Rect(x(i) - wide / 2, y - 11, wide, 22, odd ? "weight odd" : "weight", 11)
                    .Text(x(i), y + 5, Cut(value, wide), odd ? "fig" : "fig on-cell");
    }

    static string Cut(string value, double width) => value.Length * 7.8 <= width - 4 ? value : "";
}
